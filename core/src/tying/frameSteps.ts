import { CAUTIONS } from '../data/index.ts';
import type { LaidFly } from '../model/index.ts';
import { formatNumber, type Style, saying } from '../units/index.ts';
import { across, along, step, type Step } from './step.ts';
import type { Thread } from './threadOf.ts';
import { isFuzzy } from './words/told.ts';

/** Seconds until the next coat or the box: judgement, look at the bottle. */
const DRY_S: Readonly<Record<string, number>> = { cement: 600, varnish: 3600, resin: 20, superglue: 60 };
const FUMES: Readonly<Record<string, string>> = {
  superglue: CAUTIONS.superglue,
  resin: CAUTIONS.resin,
  cement: CAUTIONS.solvent,
  varnish: CAUTIONS.solvent,
};

const isTube = (laid: LaidFly): boolean => laid.platform.tube !== null;

const tubeStep = (): Step =>
  step({
    key: 'tube',
    title: 'Tube on the needle',
    how: ['Slide the tube on the needle, smooth end to the front.', 'It must not turn when the thread pulls.'],
    look: ['Both ends free of burrs.'],
    drawn: [],
  });

const hookStep = ({ platform: { shankMm, nominal } }: LaidFly): Step =>
  step({
    key: 'hook',
    title: 'Hook',
    how: [
      'Try the temper: a light pull at the bend springs back.',
      'Feel the eye and the gap of its wire for a burr.',
      'Into the vise by the bend, shank level, point clear.',
    ],
    measure: along(shankMm, nominal.shank ? 'shank, by the tables: measure it' : 'shank', null, 0, shankMm),
    look: ['The eye is closed.'],
    wrong: 'A soft or brittle hook: leave it.',
    caution: CAUTIONS.points,
    drawn: [],
  });

const barbStep = (barb: 'none' | 'pinched'): Step =>
  step({
    key: 'barb',
    title: 'Barb',
    how: [barb === 'none' ? 'Flatten the barb wholly.' : 'Pinch the barb down.'],
    tool: 'flat pliers, from the point along the barb',
    caution: CAUTIONS.barb,
    drawn: [],
  });

function threadStep(laid: LaidFly, style: Style, thread: Thread, drawn: readonly string[]): Step {
  const { length } = saying(style);
  const { bend } = laid.platform.landmarksMm;
  const bed = laid.thread.bedMm > 0;
  const colour = laid.file.thread?.colour;
  return step({
    key: 'thread',
    title: 'Thread',
    inHand: [`${formatNumber(thread.denier, 0, style)} denier${colour === undefined ? '' : `, ${colour}`}, waxed`],
    how: [
      `Start it ${length(laid.headMm)} behind the eye, five turns over its own end.`,
      bed
        ? 'Lay a flat bed to the bend and back to where the first part goes.'
        : 'In open turns to where the first part goes.',
    ],
    measure: along(
      laid.headSpaceMm,
      'of shank left bare for the head',
      laid.file.platform.headSpace ?? null,
      laid.headMm - laid.headSpaceMm,
      laid.headMm,
    ),
    thread: { fromMm: laid.headMm, toMm: bed ? bend : laid.headMm, state: 'flat', turns: 5 },
    proof: 'Pull at it: the turns must not slide.',
    wrong: 'Started on the head space: the head grows too large.',
    drawn,
  });
}

/** What is done before the thread holds anything: the hook looked at, the barb, what is slid on, the thread started. */
export function prepareSteps(laid: LaidFly, style: Style, thread: Thread, slidOn: readonly Step[]): Step[] {
  const { platform } = laid.file;
  const barb = 'barb' in platform ? platform.barb : undefined;
  return [
    isTube(laid) ? tubeStep() : hookStep(laid),
    ...(barb === 'none' || barb === 'pinched' ? [barbStep(barb)] : []),
    ...slidOn,
    threadStep(laid, style, thread, slidOn.at(-1)?.drawn ?? []),
  ];
}

const TURNS = {
  over: {
    title: 'Turn the hook over',
    how: ['Point up: what is tied in below lies on top now, and its own weight holds it in place.'],
    caution: CAUTIONS.points,
  },
  back: { title: 'Turn the hook back', how: ['Point down again.'], caution: null },
} as const;

/** Steps with the hook turned over before those that are done on the point side, and back after them. */
export function turnedSteps(steps: readonly Step[]): Step[] {
  let turns = 0;
  const turn = (over: boolean, drawn: readonly string[]): Step =>
    step({ key: `turn/${String(++turns)}`, ...TURNS[over ? 'over' : 'back'], drawn, turned: over });
  const all = steps.flatMap((each, i): Step[] => {
    const before = steps[i - 1];
    if (each.turned === (before?.turned ?? false)) return [each];
    return [turn(each.turned, before?.drawn ?? each.drawn.slice(0, -1)), each];
  });
  const last = all.at(-1);
  return last?.turned === true ? [...all, turn(false, last.drawn)] : all;
}

/** What was left long is cut to its length once everything is on. */
function longEndsTrimmed(laid: LaidFly, style: Style, drawn: readonly string[]): Step[] {
  const { length } = saying(style);
  const cut = laid.parts
    .filter(({ built: { forms } }) => {
      const [form] = forms;
      return form?.kind === 'bundle' && form.manner !== 'hair' && form.manner !== 'plume';
    })
    .map((part) => `the ${part.file.id} to ${length(part.extent.lengthMm)}`);
  if (cut.length === 0) return [];
  return [
    step({
      key: 'trim',
      title: 'Trim what was left long',
      how: [`Cut ${cut.join(', ')}, not square: tips of uneven length swim.`],
      look: ['Both sides the same length.'],
      drawn,
    }),
  ];
}

/** Spun heads and bodies are cut to their shape. */
const spunTrimmed = ({ parts }: LaidFly, drawn: readonly string[]): Step[] =>
  parts
    .filter(({ file }) => file.construction === 'spun' && file.diameter !== undefined)
    .map((part) =>
      step({
        key: `${part.file.id}/trim`,
        part: part.file.id,
        title: `Trim the ${part.file.id}`,
        how: ['First below, flat and close, so that the point is free; then the sides alike; the top last.'],
        measure: across(part.extent.lengths['diameter']?.mm ?? 0, 'across', null),
        tool: 'blade or curved scissors',
        look: ['From the front: round, and the same near and far.'],
        caution: CAUTIONS.blade,
        drawn,
      }),
    );

/** Fuzzy bodies are brushed out. */
const brushed = ({ parts }: LaidFly, drawn: readonly string[]): Step[] =>
  parts.some(isFuzzy)
    ? [
        step({
          key: 'brush',
          title: 'Brush out',
          how: ['Pick and brush the body fibres back, away from the thread.'],
          tool: 'a stiff brush, kept off the thread',
          drawn,
        }),
      ]
    : [];

/** The head; a tube may go without. */
function headBuilt(laid: LaidFly, drawn: readonly string[]): Step[] {
  const { head } = laid.file;
  const { headMm } = laid.thread;
  if (isTube(laid) && head === undefined) return [];
  return [
    step({
      key: 'head',
      title: 'Head',
      how: [
        'Half hitch before it, as insurance.',
        head === undefined
          ? 'Just enough turns to cover all ends.'
          : `Build a ${head} head, smooth, highest in its middle.`,
      ],
      measure: headMm ? along(headMm[1] - headMm[0], 'long', null, ...headMm) : null,
      thread: { fromMm: laid.headMm, toMm: laid.headMm / 2, state: 'flat', turns: 10 },
      look: ['No fibre in the eye.', 'Bare wire behind the eye.'],
      wrong: 'Turns that climb onto the eye come off.',
      drawn,
    }),
  ];
}

/** The coats of the head, each told which of its kind it is where there are several. */
const coated = (coats: readonly string[], drawn: readonly string[]): Step[] =>
  coats.map((name, i) => {
    const alike = coats.filter((each) => each === name).length;
    const nth = coats.slice(0, i + 1).filter((each) => each === name).length;
    return step({
      key: `coat/${String(i + 1)}`,
      title: `${name.charAt(0).toUpperCase()}${name.slice(1)}${alike > 1 ? `, coat ${String(nth)}` : ''}`,
      how: [
        `One thin coat over the head, on the point of a needle.`,
        ...(name === 'resin' ? ['Turn the fly under the lamp.'] : []),
      ],
      look: ['The eye of the hook is clear.'],
      caution: FUMES[name] ?? null,
      dryS: DRY_S[name] ?? null,
      drawn,
    });
  });

/** What is done after the last part: what is trimmed, the head, the whips, the coats, the eye. */
export function finishSteps(laid: LaidFly, style: Style, drawn: readonly string[]): Step[] {
  const { finish } = laid.file;
  const whips = finish?.whips ?? 1;
  return [
    ...longEndsTrimmed(laid, style, drawn),
    ...spunTrimmed(laid, drawn),
    ...brushed(laid, drawn),
    ...headBuilt(laid, drawn),
    step({
      key: 'whip',
      title: whips === 1 ? 'Whip finish' : `Whip finish, ${String(whips)} times`,
      how: [
        'Five turns, drawn down slowly, the thread wetted.',
        ...(whips > 1 ? ['Again over it.'] : []),
        'Cut the thread close.',
      ],
      proof: 'A nail drawn forward over the head lifts nothing.',
      drawn,
    }),
    ...coated(finish?.coats ?? [], drawn),
    step({
      key: 'eye',
      title: 'Clear the eye',
      how: ['Draw a stripped stem or a needle through the eye while the varnish is soft.'],
      look: ['From the side, from above, from the front: straight, both sides alike.'],
      drawn,
    }),
  ];
}
