import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { findingsOf } from '../src/checks/checkFly.ts';
import { METRIC } from '../src/units/index.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/index.ts';
import { type LaidFly, layFly, reportFly, type SolvedFly, solveLaid } from '../src/model/index.ts';
import type { Ellipse, Section } from '../src/model/platform/section.ts';
import type { FlyFile } from '../src/pattern/index.ts';
import { readFlyValue } from '../src/pattern/read.ts';
import { cutLength, pointsOf } from '../src/model/solve/cutLength.ts';
import { noise } from '../src/numeric/index.ts';
import { sheetOf, sheetPages, stageSvgs, techniqueDrawing, tyingPlan } from '../src/tying/index.ts';
import { TECHNIQUES } from '../src/data/index.ts';
import { anyFly, lay } from './anyFly.ts';
import { laid } from './build.ts';
import { amongOthers, CHANGES } from './changes.ts';
import { fileOf, PLATFORMS, TIED } from './everything.ts';

/**
 * What is laid out, found and tied of everything there is to tie, as it was when somebody last looked at it: no figure of it changes
 * unnoticed. Where a change is meant, `npm test -- unnoticed -u` writes it down, and what else it moved is seen in what was written.
 */

const NOTHING = 1e-9;

/** Six digits of a figure: more than anybody measures, fewer than machines differ in. */
const six = (value: unknown): string =>
  typeof value === 'number'
    ? Number.isFinite(value)
      ? String(Math.abs(value) < NOTHING ? 0 : Number(value.toPrecision(6)))
      : String(value)
    : typeof value === 'boolean' || value === null || value === undefined
      ? String(value ?? '–')
      : typeof value === 'string'
        ? value
        : `(${Object.values(value).map(six).join(' ')})`;
const told = (...values: readonly unknown[]): string => values.map(six).join(' ');

const LOOKED_AT = [0, 0.21, 0.5, 0.83, 1] as const;

/** What a section is, looked at in five places; each figure counts by where it stands, so that no two can change places. */
function sectionFigures(section: Section): number[] {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const sums = [0, 0, 0, 0, 0, 0];
  LOOKED_AT.forEach((share, i) => {
    const x = section.fromMm + share * (section.toMm - section.fromMm);
    cut.opacity = 1;
    section.at(x, cut);
    [cut.y, cut.z, cut.semiY, cut.semiZ, cut.opacity, section.endOn?.(x) ?? 0].forEach((value, k) => {
      sums[k] = (sums[k] ?? 0) + (i + 1) * value;
    });
  });
  const { fromMm, toMm, softness, ballMm, turn, leastSemiMm, coreMm, root } = section;
  const roots = root === 'axis' ? 0 : root.flat().reduce((sum, value, i) => sum + (i + 1) * value, 0);
  return [...sums, fromMm, toMm, softness, ballMm, turn, leastSemiMm, coreMm, roots];
}

/** All sections of one owner, added up by their order. */
function sectionsOf(laid: LaidFly, owner: string): string {
  const own = laid.sections.filter((each) => each.owner === owner);
  const sums = own
    .map(sectionFigures)
    .reduce<number[]>((sum, figures, i) => figures.map((value, k) => (sum[k] ?? 0) + (1 + i / 7) * value), []);
  return told(own.length, ...sums);
}

/** A fly as it is laid out, a line for the whole and one for each thing on it. */
function laidLines(laid: LaidFly): string[] {
  const { headMm, headSpaceMm, dryMg, castingMg, submergedMg, gravity, buoyancy, effectiveGapMm, tipping } = laid;
  const { ride, heelDeg, momentMgMm, lateralMgMm } = laid.tight;
  return [
    told(headMm, headSpaceMm, dryMg, castingMg, submergedMg, gravity, buoyancy, effectiveGapMm, tipping ?? '–'),
    told(ride, heelDeg, momentMgMm, lateralMgMm),
    ...laid.parts.map(({ file, extent, massMg, volumeMm3, submergedMg: under, centroid }) =>
      told(file.id, massMg, volumeMm3, under, centroid, extent, '|', sectionsOf(laid, file.id)),
    ),
    `thread ${told(laid.thread.bedMm, laid.thread.skinMm2, laid.thread.headMm ?? '–', laid.thread.lumps)} | ${sectionsOf(laid, 'thread')}`,
    `platform ${sectionsOf(laid, 'platform')}`,
  ];
}

function solvedOf(laid: LaidFly): SolvedFly {
  const solved = solveLaid(laid);
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  return solved.value;
}

/** What is found on a fly, and which lines of its file a fix would write. */
function foundLines(laid: LaidFly): string[] {
  const before = new Set(JSON.stringify(laid.file, null, 1).split('\n'));
  return findingsOf(solvedOf(laid)).map(({ code, severity, parts, figure, limit, atMm, fix, with: alike }) => {
    const writes = fix
      ? JSON.stringify(fix.file, null, 1)
          .split('\n')
          .filter((line) => !before.has(line))
          .map((line) => line.trim())
      : [];
    return told(severity, code, parts.join('+'), figure, limit, atMm, alike?.join('+') ?? '', ...writes);
  });
}

/** What is cut for each thing on a fly, and where it is held up against the hook. */
const cutLines = (laid: LaidFly): string[] =>
  laid.parts.map((part) => told(part.file.id, cutLength(part, laid), pointsOf(part, laid)));

/** A fly of which each thing sits some way round the shank, and has more on one side. */
function askewLines({ file }: LaidFly): string[] {
  const laid = layFly(file, NOMINAL_DRAWERS, new Map(file.parts.map(({ id }) => [id, { rollDeg: 20, split: 0.3 }])));
  return laid.ok ? laidLines(laid.value).map((line) => `askew ${line}`) : ['askew it does not lay out'];
}

/** Numbers as one, each counted by where it stands. */
const weighed = (numbers: readonly number[]): number =>
  numbers.reduce((sum, value, i) => sum + (1 + (i % 13)) * value, numbers.length);

/** All numbers of a drawing. */
const drawnFigure = (markup: string): number => weighed((markup.match(/-?\d+(?:\.\d+)?/g) ?? []).map(Number));

/** How a fly is tied, step by step, in figures. */
function tiedLines(laid: LaidFly): string[] {
  const plan = tyingPlan(laid, METRIC);
  return [
    told(plan.threadMm, plan.travelMm, plan.moves.map(({ part, does }) => `${part.file.id}/${does}`).join(' ')),
    ...plan.steps.map((step) =>
      told(
        step.key,
        step.measure?.mm ?? '–',
        step.measure?.span ?? '–',
        step.thread ?? '–',
        step.asksG,
        step.turned,
        step.cutMm,
        step.tieInMm,
        step.buttMm,
        step.turns,
        step.pitchMm,
        step.direction,
        step.end,
        step.dryS,
        step.techniques.join('+'),
        step.drawn.join('+'),
        step.how.length,
        step.inHand.length,
        step.look.length,
      ),
    ),
  ];
}

const laidOf = (file: unknown): LaidFly | null => {
  const read = readFlyValue(file);
  const laid = read.ok ? layFly(read.value) : read;
  return laid.ok ? laid.value : null;
};

/** What is not the same without it. */
const otherThan = (usual: readonly string[], lines: readonly string[]): string[] =>
  lines.filter((line) => !usual.includes(line));

/** So many flies of some things that are tied, picked by a seed; what each is meant for too. */
const MIXED = 50;
const INTENTS = [
  undefined,
  { ride: 'point-up', water: { kind: 'salt' } },
  { ride: 'point-down', sink: 'slow', manner: 'swing' },
  { sink: 'fast', depth: '1 m', current: '20 cm/s', manner: 'jig' },
  { trim: 'level', line: 'sinking', manner: 'strip', water: { kind: 'brackish', temperature: '15 C' } },
] as const;

function mixedFly(seed: number): unknown {
  const pick = (k: number, of: number): number => Math.floor(noise(seed, k, 0) * of);
  const kinds = Object.keys(PLATFORMS);
  const platform = PLATFORMS[kinds[pick(1, kinds.length)] ?? ''] ?? {};
  const parts = Array.from({ length: 3 + pick(2, 4) }, (_, i) => {
    const { part } = TIED[pick(10 + i, TIED.length)] as (typeof TIED)[number];
    return { ...part, id: `${String(part['id'])}${i === 0 ? '' : `-${String(i)}`}` };
  }).filter((part: Readonly<Record<string, unknown>>) => part['construction'] !== 'coat');
  const intent = INTENTS[seed % INTENTS.length];
  return {
    format: 'jobbet.fly',
    version: 1,
    name: `Mixed ${String(seed)}`,
    ...(intent ? { intent } : {}),
    platform,
    thread: { denier: seed % 2 === 0 ? 140 : 70, colour: 'black' },
    head: seed % 3 === 0 ? 'neat' : 'bold',
    finish: { coats: ['varnish'] },
    parts,
  };
}
const kept = (lines: readonly string[]): string => `\n${lines.join('\n')}\n`;

const FOLDER = join(import.meta.dirname, '../../examples');
const EXAMPLES = readdirSync(FOLDER)
  .filter((name) => name.endsWith('.fly.json'))
  .map((name): [string, FlyFile] => [
    name.replace('.fly.json', ''),
    JSON.parse(readFileSync(join(FOLDER, name), 'utf8')) as FlyFile,
  ]);

describe('nothing changes unnoticed', () => {
  test.each(Object.entries(PLATFORMS))('%s, bare', (_, platform) => {
    const laid = laidOf({ format: 'jobbet.fly', version: 1, name: 'bare', platform, parts: [] });
    expect(kept(laid ? [...laidLines(laid), told(laid.platform)] : ['does not lay out'])).toMatchSnapshot();
  });
  test.each(TIED.map((tied) => [tied.name, tied] as const))('%s', (_, tied) => {
    const lines = ['single', 'double', 'tube'].flatMap((kind) => {
      const laid = laidOf(fileOf(tied, PLATFORMS[kind] ?? {}));
      if (!laid) return [`${kind}: does not lay out`];
      return [
        `${kind}:`,
        ...laidLines(laid),
        ...(kind === 'single' ? [...askewLines(laid), ...cutLines(laid), ...foundLines(laid), ...tiedLines(laid)] : []),
      ];
    });
    expect(kept(lines)).toMatchSnapshot();
  });
  test.each(EXAMPLES)('%s, with what it does in water, its sheet and its pages', (_, file) => {
    const laid = laidOf(file);
    if (!laid) throw new Error('an example lays out');
    const solved = solvedOf(laid);
    const sheet = sheetOf(solved);
    const pages = sheetPages(sheet, laid, {
      paper: 'a4',
      hand: 'right',
      style: METRIC,
      textWidth: (text, size) => 0.5 * size * text.length,
    });
    const pageLines = pages.map(({ items }) => {
      const at = items.flatMap((item) => ('at' in item ? item.at : item.points.flat()));
      return told(items.length, weighed(at));
    });
    const stages = told(stageSvgs(laid, sheet, 'right').map(drawnFigure));
    expect(
      kept([
        ...laidLines(laid),
        told(reportFly(solved)),
        ...foundLines(laid),
        ...cutLines(laid),
        ...tiedLines(laid),
        stages,
        ...pageLines,
      ]),
    ).toMatchSnapshot();
  });
  const changed = Object.entries(CHANGES).flatMap(([construction, keys]) =>
    Object.entries(keys).map(([key, [, after]]) => [construction, key, after] as const),
  );
  const alone = laid(amongOthers({}).slice(0, -1), { thread: { denier: 140 }, head: 'bold' });
  const usual = [...laidLines(alone), ...cutLines(alone), ...foundLines(alone), ...tiedLines(alone)];
  test.each(changed)('%s with another %s', (_construction, _key, part) => {
    const it = laid(amongOthers(part), { thread: { denier: 140 }, head: 'bold' });
    expect(
      kept(otherThan(usual, [...laidLines(it), ...cutLines(it), ...foundLines(it), ...tiedLines(it)])),
    ).toMatchSnapshot();
  });
  test('small drawings of techniques', () => {
    const laid = laidOf(EXAMPLES.find(([name]) => name === 'slate-runner')?.[1]);
    if (!laid) throw new Error('an example lays out');
    const lines = TECHNIQUES.map(({ key }) => {
      const strokes = techniqueDrawing(key, laid) ?? [];
      const numbers = strokes.flatMap(({ points, breadthMm }) => [breadthMm, ...points.flat()]);
      return told(key, strokes.map(({ tone, goes }) => `${tone}${goes === true ? '>' : ''}`).join(), weighed(numbers));
    });
    expect(kept(lines)).toMatchSnapshot();
  });
  test.each(Array.from({ length: MIXED }, (_, seed) => seed))('mixed fly %s', (seed) => {
    const laid = laidOf(mixedFly(seed));
    const lines = laid
      ? [
          laid.file.parts.map(({ id }) => id).join(', '),
          ...laidLines(laid).slice(0, 2),
          told(weighed(laid.sections.flatMap(sectionFigures))),
          ...foundLines(laid),
          ...tiedLines(laid),
        ]
      : ['does not lay out'];
    expect(kept(lines)).toMatchSnapshot();
  });
  test('of flies of all kinds what is found', () => {
    const flies = fc.sample(anyFly, { numRuns: 60, seed: 1891 });
    expect(kept(flies.flatMap((each, i) => [`fly ${String(i)}`, ...foundLines(lay(each))]))).toMatchSnapshot();
  });
});
