import { CAUTIONS } from '../data/index.ts';
import type { LaidFly, LaidPart } from '../model/index.ts';
import type { PlatformFile } from '../pattern/index.ts';
import { formatNumber, type Style, saying } from '../units/index.ts';
import { across, along, step, type Step } from './step.ts';
import type { Thread } from './threadOf.ts';
import { sealed } from './coats.ts';
import { isHead } from './constraints.ts';
import { partName } from './partName.ts';
import { frontWords } from './places.ts';
import { isCutLong } from './words/free.ts';
import { sideWords } from './words/told.ts';

const isTube = (laid: LaidFly): boolean => laid.platform.tube !== null;
/** An eye at the front that can be choked. */
const hasEye = (laid: LaidFly): boolean => !isTube(laid);
/** A bead or cone against the front end, behind which all is tied off. */
const beadHome = ({ parts }: LaidFly): LaidPart | null =>
  parts.find(
    ({ file, extent }) =>
      file.construction === 'ball' && (file.shape === 'bead' || file.shape === 'cone') && extent.startMm < HOME_MM,
  ) ?? null;
const HOME_MM = 0.6;
const ownHead = ({ parts }: LaidFly): LaidPart | null => parts.find(isHead) ?? null;

const tubeStep = (): Step =>
  step({
    key: 'tube',
    title: 'Tube on the mandrel',
    how: ['Slide the tube on the mandrel, smooth end to the front.', 'It must not turn when the thread pulls.'],
    look: ['Both ends free of burrs.'],
    drawn: [],
  });

const shankStep = ({ platform: { shankMm } }: LaidFly): Step =>
  step({
    key: 'hook',
    title: 'Shank',
    how: ['Into the vise by its rear eye, or in a shank clamp, level, the front eye clear.'],
    measure: along(shankMm, 'from eye to eye', null, 0, shankMm),
    look: ['Both eyes closed and in one line.'],
    wrong: 'Held by a flat jaw alone it turns under the thread.',
    drawn: [],
  });

const hookStep = ({ platform: { shankMm, nominal } }: LaidFly): Step =>
  step({
    key: 'hook',
    title: 'Hook',
    how: [
      'Try the temper: a light pull at the bend springs back. Feel the eye for a burr and a gap.',
      'Into the vise by the bend, shank level, point clear.',
    ],
    measure: along(shankMm, nominal.shank ? 'shank, by the tables: measure it' : 'shank', null, 0, shankMm),
    wrong: 'A soft or brittle hook: leave it.',
    caution: CAUTIONS.points,
    drawn: [],
  });

const barbStep = (): Step =>
  step({
    key: 'barb',
    title: 'Barb',
    how: ['Pinch the barb down.'],
    tool: 'flat pliers, from the point along the barb',
    caution: CAUTIONS.barb,
    drawn: [],
  });

const KNOTS: Readonly<Record<string, string>> = {
  braid: 'Pass the loop through the eye of the hook and over its bend, and draw it tight: it can be changed.',
  wire: 'Slide the hook on the wire before its second end is bound down.',
};
const STANDS: Readonly<Record<string, string>> = {
  'point-up': 'its point up',
  'point-down': 'its point down',
  free: 'free to turn',
};

/** The loop that carries the hook behind a shank: bound in along it before anything else. */
function loopStep({ file: { platform }, platform: { shankMm }, headMm }: LaidFly): Step[] {
  if (platform.kind !== 'shank' || platform.hook === undefined) return [];
  const loop = platform.loop ?? '';
  const of = platform.loopOf ?? 'braid';
  return [
    step({
      key: 'loop',
      title: 'Loop for the hook',
      inHand: [`${of === 'wire' ? 'coated wire' : 'braid'}, doubled`],
      how: [
        `Both legs through the rear eye and along the shank as far as the head, side by side, bound all the way with firm turns; ${loop === '' ? 'the loop' : loop} of it stands behind the rear eye.`,
        of === 'wire'
          ? (KNOTS['wire'] ?? '')
          : 'Double the ends back at the front and bind them once more, so that they cannot draw out.',
      ],
      thread: { fromMm: shankMm, toMm: headMm, state: 'spun', turns: 40 },
      glue: 'a drop of superglue along the binding',
      proof: 'Hang it from the loop and pull hard: nothing gives.',
      caution: CAUTIONS.superglue,
      drawn: [],
    }),
  ];
}

/** Whether a hook behind is slid on before the second end of its wire is bound; one on braid or behind a tube comes when all is tied. */
export const comesWithLoop = (platform: PlatformFile): boolean =>
  platform.kind === 'shank' && platform.hook !== undefined && platform.loopOf === 'wire';

/** The hook behind a tube or shank, put on when all is tied. */
function rigStep({ file: { platform } }: LaidFly, drawn: readonly string[]): Step[] {
  if ((platform.kind !== 'tube' && platform.kind !== 'shank') || platform.hook === undefined) return [];
  const { hook } = platform;
  const stands = STANDS[hook.ride ?? 'free'] ?? 'free to turn';
  const pinched = hook.barb === 'pinched' ? ['Pinch its barb down first.'] : [];
  const how =
    platform.kind === 'tube'
      ? [
          'At the river: leader through the tube from the front, hook tied on with the knot you trust.',
          `${platform.hookGap === undefined ? 'Its eye' : `Its eye ${platform.hookGap} behind the tube, or`} drawn into the soft junction, ${stands}.`,
        ]
      : [
          platform.loopOf === 'wire' ? `The hook hangs on its wire, ${stands}.` : (KNOTS['braid'] ?? ''),
          `It stands with ${stands}.`,
        ];
  return [
    step({
      key: 'rig',
      title: platform.kind === 'tube' ? 'Rig the hook' : 'Hook on the loop',
      how: [...pinched, ...how],
      proof: 'Pull: the hook stays in line with the fly.',
      caution: CAUTIONS.points,
      drawn,
    }),
  ];
}

/** How a tier asks for a thread: by its aught, the denier beside it. */
const threadName = ({ denier, aught }: Thread, style: Style): string =>
  `${aught === null ? '' : `${aught}, `}${formatNumber(denier, 0, style)} denier`;

function threadStep(
  laid: LaidFly,
  style: Style,
  thread: Thread,
  drawn: readonly string[],
  wire: LaidPart | null,
): Step {
  const { spoken: length } = saying(style);
  const { bend } = laid.platform.landmarksMm;
  const bed = laid.thread.bedMm > 0;
  const bead = beadHome(laid);
  const colour = laid.file.thread?.colour;
  const starts = bead ? 'behind the bead' : `${length(laid.headMm)} behind ${frontWords(laid)}`;
  const rear = isTube(laid) ? 'the tube’s end' : laid.platform.kind === 'shank' ? 'the rear eye' : 'the bend';
  return step({
    key: 'thread',
    title: 'Thread',
    inHand: [`${threadName(thread, style)}${colour === undefined ? '' : `, ${colour}`}, waxed`],
    how: [
      `Start it ${starts}, five turns over its own end.`,
      ...(wire
        ? [`Up a ramp onto the wire, over it in open turns and down a ramp behind it, crosswise back and forth.`]
        : []),
      bed
        ? `Lay a flat bed to ${rear} and back to where the first part goes.`
        : 'In open turns to where the first part goes.',
    ],
    measure: bead
      ? null
      : along(
          laid.headSpaceMm,
          `of ${isTube(laid) ? 'tube' : 'shank'} left bare for the head`,
          laid.file.platform.headSpace ?? null,
          laid.headMm - laid.headSpaceMm,
          laid.headMm,
        ),
    thread: { fromMm: laid.headMm, toMm: bed ? bend : laid.headMm, state: 'flat', turns: 5 },
    proof: 'Pull at it: the turns must not slide.',
    wrong: bead ? null : 'Started on the head space: the head grows too large.',
    drawn,
  });
}

/** What is done before the thread is needed: beads that are slid on and wire that is wound on the bare shank. */
export interface Before {
  readonly steps: readonly Step[];
  readonly wire: LaidPart | null;
}

/** What is done before the thread holds anything: the hook looked at, the barb, what is slid on or wound bare, the thread started. */
export function prepareSteps(laid: LaidFly, style: Style, thread: Thread, before: Before): Step[] {
  const { platform } = laid.file;
  const barb = 'barb' in platform ? platform.barb : undefined;
  return [
    isTube(laid) ? tubeStep() : platform.kind === 'shank' ? shankStep(laid) : hookStep(laid),
    ...(barb === 'pinched' ? [barbStep()] : []),
    ...before.steps,
    threadStep(laid, style, thread, before.steps.at(-1)?.drawn ?? [], before.wire),
    ...loopStep(laid),
  ];
}

/** How what is in the vise is turned over and back: a hook by its point, what has none yet by its sides. */
function turnStep({ file, platform }: LaidFly, over: boolean): Pick<Step, 'title' | 'how' | 'caution'> {
  const onHook = platform.kind !== 'tube' && platform.kind !== 'shank';
  const what = onHook ? 'hook' : platform.kind;
  const below = 'what is tied in below lies on top now.';
  return {
    title: `Turn the ${what} ${over ? 'over' : 'back'}`,
    how: onHook
      ? [over ? `Point up: ${below}` : 'Point down again.']
      : [over ? `Half a turn: ${below}` : 'Its top up again.'],
    caution: over && (onHook || comesWithLoop(file.platform)) ? CAUTIONS.points : null,
  };
}

/** Steps with the hook turned over before those that are done on the point side, and back after them. */
export function turnedSteps(laid: LaidFly, steps: readonly Step[]): Step[] {
  let turns = 0;
  const turn = (over: boolean, drawn: readonly string[]): Step =>
    step({ key: `turn/${String(++turns)}`, ...turnStep(laid, over), drawn, turned: over });
  const all = steps.flatMap((each, i): Step[] => {
    const before = steps[i - 1];
    if (each.turned === (before?.turned ?? false)) return [each];
    return [turn(each.turned, before?.drawn ?? each.drawn.slice(0, -1)), each];
  });
  const last = all.at(-1);
  return last?.turned === true ? [...all, turn(false, last.drawn)] : all;
}

/** What was left long is cut to its length once everything is on; what ends in tips that grew is not. */
function longEndsTrimmed(laid: LaidFly, style: Style, drawn: readonly string[]): Step[] {
  const { spoken: length } = saying(style);
  const cut = laid.parts
    .filter(isCutLong)
    .map((part) => `the ${partName(part.file.id)} to ${length(part.extent.lengthMm)}`);
  if (cut.length === 0) return [];
  return [
    step({
      key: 'trim',
      title: 'Trim what was left long',
      how: [`Cut ${cut.join(', ')}, not square: ends of uneven length swim.`],
      look: laid.parts.some((part) => isCutLong(part) && sideWords(part) === 'on both sides')
        ? ['Both sides the same length.']
        : [],
      drawn,
    }),
  ];
}

/** Spun heads and bodies are cut to their shape; a collar of tips keeps them. */
const spunTrimmed = ({ parts }: LaidFly, drawn: readonly string[]): Step[] =>
  parts
    .filter(({ file }) => file.construction === 'spun' && file.diameter !== undefined)
    .map((part) =>
      step({
        key: `${part.file.id}/trim`,
        part: part.file.id,
        title: `Trim the ${partName(part.file.id)}`,
        how: [
          'Nose first, a clean edge behind the eye.',
          'Then flat below, close to the shank, so that the point is free.',
          'Then the sides alike, and the top last, scissors or blade held level.',
          ...('tip' in part.file && part.file.tip !== undefined ? ['The tips of the collar are not touched.'] : []),
        ],
        measure: across(part.extent.lengths['diameter']?.mm ?? 0, 'across', null),
        tool: 'blade or curved scissors',
        look: ['From the front: the same near and far.'],
        wrong: 'Hair left standing in the gap covers the point.',
        caution: CAUTIONS.blade,
        drawn,
      }),
    );

/** Brushed out while it can still be reached. */
export const brushStep = (part: LaidPart, drawn: readonly string[]): Step =>
  step({
    key: `${part.file.id}/brush`,
    part: part.file.id,
    title: `Brush out the ${partName(part.file.id)}`,
    how: ['Pick and brush its fibres out and back now, before anything lies over them.'],
    tool: 'a stiff brush, kept off the thread',
    drawn,
  });

/** How the front is closed: behind a bead, in front of a head of its own, or with a head of thread. A tube may go without. */
function headBuilt(laid: LaidFly, drawn: readonly string[]): Step[] {
  const { head } = laid.file;
  const { headMm } = laid.thread;
  if (isTube(laid) && head === undefined) return [];
  const [bead, own] = [beadHome(laid), ownHead(laid)];
  const bare = hasEye(laid) && !bead && !own;
  const title = bead
    ? `Behind the ${partName(bead.file.id)}`
    : own
      ? `In front of the ${partName(own.file.id)}`
      : 'Head';
  return [
    step({
      key: 'head',
      title,
      how: [
        'Half hitch before it, as insurance.',
        bead
          ? `Just enough turns close behind the ${partName(bead.file.id)} to cover all ends.`
          : own || head === undefined
            ? 'Just enough turns to cover all ends.'
            : `Build a ${head} head, smooth, highest in its middle.`,
      ],
      measure: bare && headMm ? along(headMm[1] - headMm[0], 'long', null, ...headMm) : null,
      thread: { fromMm: laid.headMm, toMm: bead ? laid.headMm : laid.headMm / 2, state: 'flat', turns: 10 },
      look: bare ? ['No fibre in the eye.', 'Bare wire behind the eye.'] : [],
      wrong: bare ? 'Turns that climb onto the eye come off.' : null,
      drawn,
    }),
  ];
}

/** What is done after the last part: what is left long, the head, the whips, what is trimmed and glued, the coats, the eye. @param late steps of what goes on the finished head */
export function finishSteps(laid: LaidFly, style: Style, before: readonly string[], late: readonly Step[]): Step[] {
  const { finish } = laid.file;
  const whips = finish?.whips ?? 1;
  const drawn = late.at(-1)?.drawn ?? before;
  const eye = hasEye(laid);
  const seals = sealed(finish?.coats, eye, drawn);
  return [
    ...longEndsTrimmed(laid, style, before),
    ...headBuilt(laid, before),
    step({
      key: 'whip',
      title: whips < 2 ? 'Whip finish' : `Whip finish, ${String(whips)} times`,
      how: [
        'Five turns, drawn down slowly, the thread wetted.',
        ...(whips > 1
          ? [
              finish?.varnishBetween === true
                ? 'A drop of varnish on it, and again over it while that is wet.'
                : 'Again over it.',
            ]
          : []),
        'Cut the thread close.',
      ],
      proof: 'A nail drawn forward over it lifts nothing.',
      caution: whips > 1 && finish?.varnishBetween === true ? CAUTIONS.coats : null,
      drawn: before,
    }),
    ...spunTrimmed(laid, before),
    ...late,
    ...seals,
    ...(eye && seals.length > 0
      ? [
          step({
            key: 'eye',
            title: 'Clear the eye',
            how: ['Draw a stripped stem or a needle through the eye while the coat is soft.'],
            look: ['From the side, from above, from the front: straight, both sides alike.'],
            drawn,
          }),
        ]
      : []),
    ...rigStep(laid, drawn),
  ];
}
