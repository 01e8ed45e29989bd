/**
 * What stands where, in order: each folder may import what comes before it, and nothing after. The import rules are made of this, and so is
 * the map in docs/architecture.md (`npm run map`).
 */
export const CORE = {
  base: 'faults and outcomes as values, the nearest right word, what no fly exceeds',
  document: 'files as JSON: size and depth, format and version, faults of a schema with place and cure',
  numeric: 'roots, seeded chance, the normal distribution, those of few readings',
  units: 'lengths, masses and speeds as people write and read them',
  data: 'tables: words of the relations, nominal hooks, solids, materials, amounts, colours, schools',
  drawers: 'what lies in the drawers: items, their columns and rows, the tables flies are solved with',
  instruments: 'a line of a caliper or scale read, series of readings, seeded stand-ins',
  pattern:
    'the pattern file: schema, faults with place and cure, migration; relations parsed and solved over what leans on what',
  model:
    'a fly laid out and solved: `layFly` follows a hand, `solveFly` does everything, `reportFly` writes the promised keys',
  edit: 'changes to a file: add, move, rename, pull and where a pull rests, another platform, a metal swapped',
  drawing: 'a laid fly as seeded primitives in mm, painted on a canvas, as SVG or on paper',
  records:
    'files of what was made of flies and seen of them: batches, finished flies, beats, outings, dates; the measures they are written in',
  contract: 'what server and clients hand each other, one schema each, and the table of all routes',
  tying: 'the order of tying, its steps with figures and words, the body as it grows, the sheet',
  checks: 'the judgement calls over a solved fly: limits, reason, fix; how a part stands to its school',
  study: 'questions asked of a whole fly: weights that do what is wished, scatter, sizes, visibility, why',
  batch:
    'several flies of one kind or more: what they take from the drawers, what runs out, what it costs, when they are tied',
  photo:
    'a fly found in a photograph: told from its ground, its hook laid on it, what can be measured of it and how surely',
  water:
    'line, leader and fly in a current: how it hangs, swings and sinks, what goes wrong, which of them reaches a depth',
  log: 'outings counted honestly: takes by the hour with exact intervals, what differs, a line read into fields',
  drill: 'the eye and the hand trained: what is asked, how far off it comes out, what is asked next',
  inspect: 'finished flies against their plan: each as it came out, the hand over a batch, what they teach',
};

/** Folders within a group that have an order of their own. */
export const WITHIN = {
  model: {
    platform: 'hooks, tubes and shanks as matter swept along a centre line',
    parts: 'one file a construction: what it is measured by, and what it is built of',
    geometry: 'sections cut into cells, silhouettes at any roll, front area, outlines',
    balance: 'weight and centres, keel, rest, what it holds to, trim, sinking',
    solve: 'all of it for one file',
  },
  study: {
    finder: 'all choices of weight reckoned by closed forms, the most promising solved',
    tolerance: 'ten thousand flies each a little off the plan',
    explain: 'why a figure is what it is: terms, rule, source, how far to trust it',
    visibility: 'how much of a fly a fish has of it',
    sizes: 'a fly across hook sizes and platforms, and its gauge card',
  },
};

export const SERVER = {
  db: 'the database of a folder: its lock, its ledger of writes, the files that must still be there',
  wire: 'the one shape of errors, and long work that is watched and stopped',
  solving: 'the pool of threads that flies are read and solved on',
  flies: 'the box, its trash and versions, the list that keeps up with them',
  drawers: 'the drawers, and what a change in them does to flies',
  tyings: 'how flies were tied',
  hands: 'whose hands tie, and how far off what they tie comes out',
  pictures: 'photographs kept as files under their hash, shown, swept when nothing names them',
  records: 'records of what is made of flies: kept, changed by revision, taken away and back',
  print: 'pages and sheets as PDF',
  backup: 'everything in one file and back, the commands that keep a folder',
  signin: 'devices that know the phrase',
};

/** What the interface is made of. Features know nothing of one another. */
export const WEB = {
  shared: 'what every view uses and that knows no fly',
  fly: 'the fly on the bench: store, selection, undo, saver, drafts, its frame, verdict and tyings; the batches flies are tied in, the hands that tie',
  features:
    'the views, each by itself: bench, balance, sizes, seen, sheet, vise, water, inspect, box, batches, log, drawers',
  app: 'routes, the shell round every view, settings, help',
};
export const SHARED = {
  kept: 'what is kept in this browser',
  settings: 'how one person likes it',
  commands: 'what can be done, by key and by name',
  api: 'the server asked, and its lists',
  ui: 'dialogs, lines at the foot, glyphs',
  instruments: 'caliper and scale on a port',
  fields: 'blanks that are written in',
  records: 'records every view may need: beats and dates, kept with the way back; a beat told in a dialog',
  charts: 'figures as curves',
  solve: 'the worker that reckons, looked after',
  paper: 'pages as they will be printed',
  drawing: 'the drawing of a fly, and what on it can be taken hold of',
};
