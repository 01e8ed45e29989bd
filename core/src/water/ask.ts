import { bad, type Fault, good, type Outcome } from '../base/index.ts';
import { type LaidFly, SALINITY, type Water, water } from '../model/index.ts';
import type { BeatNow } from '../records/index.ts';
import { Current, type Stretch } from './current.ts';
import { type Fishing, fish, type Track } from './fish.ts';
import { WaterFly } from './fly.ts';
import type { LinePiece } from './line.ts';
import { type LeaderSpec, leaderPieces, lengthOf, type LineSpec, tackleOut } from './tackle.ts';
import { tellRun, type WaterTold } from './told.ts';

/** Everything that is asked of the water about one fly. */
export interface WaterAsked {
  readonly laid: LaidFly;
  readonly beat: BeatNow;
  readonly line: LineSpec;
  readonly leader: readonly LeaderSpec[];
  readonly castMm: number;
  readonly fishing: Fishing;
  /** The depth it is to be fished at; null where none is wanted. */
  readonly wantMm: number | null;
  readonly dropper?: OnDropper | null;
}

/** A second fly, tied into the leader so far above the first, mm; its own short piece of leader is left out. */
export interface OnDropper {
  readonly laid: LaidFly;
  readonly aboveMm: number;
}

/** So much leader is left over a dropper at least, mm. */
const LEAST_OVER = 100;

/** Times what is asked, for the question what an answer hangs on. */
export interface Otherwise {
  readonly current?: number;
  readonly weight?: number;
  readonly leader?: number;
  readonly line?: number;
  readonly depth?: number;
  /** °C more. */
  readonly warmer?: number;
  /** For a first look: line in longer pieces, in longer steps. */
  readonly coarse?: boolean;
}

/** A run with what it tells. */
export interface WaterRun {
  readonly track: Track;
  readonly told: WaterTold;
}

/** What can be asked, mm, degrees, s. */
export const ASKED_LIMITS = {
  castMm: [1000, 40_000],
  angleDeg: [-80, 85],
  rodTipMm: [0, 6000],
  dropMm: [100, 30_000],
  seconds: [1, 120],
  mends: [0, 6],
  countS: [0, 90],
} as const;

const within = (path: string, value: number, [least, most]: readonly [number, number], words: string): Fault[] =>
  value >= least && value <= most ? [] : [{ path, code: 'range', message: words }];

/** Whether there is leader enough to tie a dropper into. */
function dropperFaults(asked: WaterAsked): readonly Fault[] {
  const { fishing, leader, dropper = null } = asked;
  const longMm = fishing.manner === 'dead-drift' ? dropOf(asked) : lengthOf(leader);
  if (!dropper || dropper.aboveMm <= longMm - LEAST_OVER) return [];
  return [
    {
      path: 'dropper-above',
      code: 'range',
      message: `a dropper is tied into the leader, of which ${(longMm / 1000).toFixed(1)} m are there: tie it in nearer to the fly, or take a longer leader`,
    },
  ];
}

/** What of a question no water would bear out. */
function faultsOf(asked: WaterAsked): readonly Fault[] {
  const { laid, castMm, fishing } = asked;
  return [
    ...(laid.submergedMg <= 0
      ? [
          {
            path: 'fly',
            code: 'range' as const,
            message: `${laid.file.name} floats: it is fished on top, and nothing sinks it; give it weight`,
          },
        ]
      : []),
    ...dropperFaults(asked),
    ...within('cast', castMm, ASKED_LIMITS.castMm, 'a cast is between 1 and 40 m long'),
    ...within(
      'angle',
      fishing.angleDeg,
      ASKED_LIMITS.angleDeg,
      'a cast goes between 80° up and 85° down, straight across is 0',
    ),
    ...within(
      'rod-tip',
      fishing.rodTipMm,
      ASKED_LIMITS.rodTipMm,
      'the rod’s tip is held between the surface and 6 m over it',
    ),
    ...within('seconds', fishing.seconds, ASKED_LIMITS.seconds, 'it is fished for 1 to 120 seconds at once'),
    ...within('mend', fishing.mends, ASKED_LIMITS.mends, 'up to 6 mends are made'),
    ...(fishing.dropMm === null
      ? []
      : within(
          'float-to-fly',
          fishing.dropMm,
          ASKED_LIMITS.dropMm,
          'a fly hangs between 10 cm and 30 m below its float',
        )),
    ...within('count', fishing.countS, ASKED_LIMITS.countS, 'a count is 90 seconds at most'),
    ...(fishing.countS >= fishing.seconds
      ? [
          {
            path: 'count',
            code: 'range' as const,
            message: 'the count is as long as all the time it is fished: count less, or fish longer',
          },
        ]
      : []),
  ];
}

const DRIFT_SHARE = 0.8;

/** What hangs below a float: the leader from its end up to the depth that is wanted, or most of the water. */
function below(leader: readonly LinePiece[], longMm: number): LinePiece[] {
  const kept: LinePiece[] = [];
  let left = longMm;
  for (const piece of [...leader].reverse()) {
    if (left <= 0) break;
    kept.unshift({ ...piece, lengthMm: Math.min(left, piece.lengthMm) });
    left -= piece.lengthMm;
  }
  const [first] = kept;
  // What the leader is too short for is the same stuff on.
  if (first && left > 0) kept[0] = { ...first, lengthMm: first.lengthMm + left };
  return kept;
}

/** How much hangs between a float and the fly, mm: as is said, or as deep as the fly is wanted, or most of the water. */
export const dropOf = ({ fishing, wantMm, beat }: Pick<WaterAsked, 'fishing' | 'wantMm' | 'beat'>): number =>
  fishing.dropMm ?? wantMm ?? DRIFT_SHARE * beat.depthMm;

function piecesOf(
  { beat, line, leader, castMm, fishing, wantMm }: WaterAsked,
  own: Water,
  { line: thicker = 1, leader: times = 1 }: Otherwise,
): Outcome<LinePiece[]> {
  const thick = leader.map((each) => ({ ...each, diameterMm: times * each.diameterMm }));
  if (fishing.manner === 'dead-drift') return good(below(leaderPieces(thick, own), dropOf({ fishing, wantMm, beat })));
  const rated =
    line.rateMmS === null
      ? { ...line, diameterMm: thicker * line.diameterMm }
      : { ...line, rateMmS: thicker * line.rateMmS };
  return tackleOut(rated, thick, castMm, own);
}

const stretchOf = (beat: BeatNow, { current = 1, depth = 1 }: Otherwise): Stretch => ({
  ...beat,
  depthMm: depth * beat.depthMm,
  meanMmS: current * beat.meanMmS,
});

/** A first look: within a few hundredths of the depth of a run, at a fifth of its cost. */
const COARSE = { nodes: 0.55, steps: 0.4 } as const;

/** Fishes a fly once. @returns a generator that yields how much of the time is done, and returns the run; or what is wrong with the question */
export function* runWater(
  asked: WaterAsked,
  otherwise: Otherwise = {},
): Generator<{ readonly share: number }, Outcome<WaterRun>> {
  const faults = faultsOf(asked);
  if (faults.length > 0) return bad(...faults);
  const { laid, beat, fishing, wantMm } = asked;
  const own = water(beat.temperatureC + (otherwise.warmer ?? 0), SALINITY[beat.kind]);
  const pieces = piecesOf(asked, own, otherwise);
  if (!pieces.ok) return pieces;
  const stretch = stretchOf(beat, otherwise);
  const fly = new WaterFly(laid, { weight: otherwise.weight ?? 1 });
  const { dropper = null } = asked;
  const running = fish(fly, {
    current: new Current(stretch),
    water: own,
    pieces: pieces.value,
    fishing,
    dropper: dropper && { fly: new WaterFly(dropper.laid), aboveMm: dropper.aboveMm },
    ...(otherwise.coarse === true ? { finer: COARSE } : {}),
  });
  let step = running.next();
  while (step.done !== true) {
    yield { share: step.value.share };
    step = running.next();
  }
  return good({
    track: step.value,
    told: tellRun(step.value, stretch, fishing, {
      wantMm,
      meant: laid.file.intent?.ride ?? (laid.tight.ride === 'undecided' ? null : laid.tight.ride),
    }),
  });
}

/** Runs a generator to its end. */
export function ended<S, R>(steps: Generator<S, R>): R {
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}

/** A fly fished as it is asked, and in slower and faster water: the current itself is known no better. */
export interface WaterAnswer extends WaterRun {
  readonly slower: WaterRun;
  readonly faster: WaterRun;
}

/** By how much a current may be off. */
export const CURRENT_OFF = 0.15;

/** Fishes a fly three times. @returns a generator of how much is done, and the answer */
export function* askWater(asked: WaterAsked): Generator<{ readonly share: number }, Outcome<WaterAnswer>> {
  const runs: WaterRun[] = [];
  const speeds = [1, 1 - CURRENT_OFF, 1 + CURRENT_OFF];
  for (const [i, current] of speeds.entries()) {
    // Still water is no slower or faster.
    const [first] = runs;
    if (first && asked.beat.meanMmS === 0) {
      runs.push(first);
      continue;
    }
    const running = runWater(asked, { current });
    let step = running.next();
    while (step.done !== true) {
      yield { share: (i + step.value.share) / speeds.length };
      step = running.next();
    }
    if (!step.value.ok) return step.value;
    runs.push(step.value.value);
  }
  const [is, slower, faster] = runs as [WaterRun, WaterRun, WaterRun];
  return good({ ...is, slower, faster });
}

/** What a depth hangs on: what a tenth more of each does to it, mm, by a tenth more and a tenth less; of the temperature, three degrees. */
export type HangsOn = Readonly<Record<'weight' | 'leader' | 'line' | 'current' | 'depth' | 'temperature', number>>;
const TENTH = 0.1;
export const WARMER_C = 3;

/** Each input, and what more or less of it is. */
const INPUTS: Readonly<Record<keyof HangsOn, (more: 1 | -1) => Otherwise>> = {
  weight: (more) => ({ weight: 1 + more * TENTH }),
  leader: (more) => ({ leader: 1 + more * TENTH }),
  line: (more) => ({ line: 1 + more * TENTH }),
  current: (more) => ({ current: 1 + more * TENTH }),
  depth: (more) => ({ depth: 1 + more * TENTH }),
  temperature: (more) => ({ warmer: more * WARMER_C }),
};

/** Asks what the greatest depth hangs on, by central differences. */
export function* hangsOn(asked: WaterAsked): Generator<{ readonly share: number }, Outcome<HangsOn>> {
  const told: Partial<Record<keyof HangsOn, number>> = {};
  const inputs = Object.entries(INPUTS) as [keyof HangsOn, (typeof INPUTS)[keyof HangsOn]][];
  for (const [i, [input, other]] of inputs.entries()) {
    const deep: number[] = [];
    for (const more of [-1, 1] as const) {
      const run = ended(runWater(asked, other(more)));
      if (!run.ok) return run;
      deep.push(run.value.told.depth.lowestMm);
      yield { share: (2 * i + deep.length) / (2 * inputs.length) };
    }
    told[input] = ((deep[1] ?? 0) - (deep[0] ?? 0)) / 2;
  }
  return good(told as HangsOn);
}
