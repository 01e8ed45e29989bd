import type { Water } from '../model/index.ts';
import type { Mend, Place } from './cast.ts';
import { Chain } from './chain.ts';
import type { Current } from './current.ts';
import type { Lies, WaterFly } from './fly.ts';
import type { LinePiece } from './line.ts';
import type { Body } from './loads.ts';
import { cutAt, piecesIn, segmentsOf } from './segments.ts';
import { type FloatSpec, USUAL_FLOAT } from './tackle.ts';

export const MANNERS = ['swing', 'strip', 'dead-drift', 'jig', 'hang', 'count-down'] as const;
export type Manner = (typeof MANNERS)[number];

/** How a fly is fished. mm, mm/s, s. */
export interface Fishing {
  readonly manner: Manner;
  /** From straight across, downstream positive. */
  readonly angleDeg: number;
  readonly mends: number;
  /** Line is fed, or waited for, so long before it is fished. */
  readonly countS: number;
  readonly strip: { readonly lengthMm: number; readonly speedMmS: number; readonly pauseS: number };
  readonly lift: { readonly heightMm: number; readonly periodS: number };
  readonly float: FloatSpec;
  /** What hangs below a float, mm; as deep as the fly is wanted where null. */
  readonly dropMm: number | null;
  readonly rodTipMm: number;
  readonly seconds: number;
}

/** As it is fished where nothing else is said. */
export const USUAL_FISHING: Fishing = {
  manner: 'swing',
  angleDeg: 45,
  mends: 0,
  countS: 0,
  strip: { lengthMm: 300, speedMmS: 600, pauseS: 1 },
  lift: { heightMm: 500, periodS: 2 },
  float: USUAL_FLOAT,
  dropMm: null,
  rodTipMm: 1000,
  seconds: 20,
};

/** A moment of it. */
export interface Moment extends Lies {
  readonly t: number;
  readonly fly: Place;
  /** Pull on the fly, mg. */
  readonly pullMg: number;
  /** Its speed over the ground and through the water, and the water’s across it, mm/s. */
  readonly ground: number;
  readonly through: number;
  readonly across: number;
  readonly touches: boolean;
  /** What of it is lowest: a part by its id, or `platform`. */
  readonly lowest: string;
  /** Whether line is pulled in just now. */
  readonly pulled: boolean;
  /** Nodes from the rod to the fly, three figures each, mm. */
  readonly nodes: Float32Array;
  /** A second fly on the leader: where it is, how it lies, and whether it touches the bed; null where there is none. */
  readonly dropper: (Lies & { readonly at: Place; readonly touches: boolean }) | null;
}

export interface Track {
  readonly moments: readonly Moment[];
  /** How many steps it took, and whether it held together: pieces that stretched say that it did not. */
  readonly steps: number;
  readonly settled: boolean;
}

const STEP_S = 1 / 30;
/** Every so many steps a moment is kept. */
const KEPT_EVERY = 3;
/** A mend lays the middle of the line so far upstream in so long, and lets out what it needs for that. */
const MEND = { mm: 2000, seconds: 0.6, fedMm: 600 } as const;
/** Mends are made over this share of the time. */
const MENDED_OVER = 1 / 3;
/** Line is no longer pulled in when so little is out, mm. */
const LEAST_OUT = 3000;
/** A float fades over its own height, mm; so much of it stands in the water, mm². */
const FLOAT = { highMm: 12, areaMm2: 180, cd: 1 } as const;
/** A stretch that is told as an answer that did not hold. */
const BROKEN = 0.02;

/** Where the rod's tip is at a time. */
function tipAt(t: number, { manner, rodTipMm, lift }: Fishing): Place {
  if (manner !== 'jig') return [0, 0, rodTipMm];
  return [0, 0, rodTipMm + (lift.heightMm * (1 - Math.cos((2 * Math.PI * t) / lift.periodS))) / 2];
}

/** The nodes of a line that has come down straight on the water: from the rod’s tip it slants to the surface, and lies on it from there. */
function laidOut(lengths: readonly number[], { angleDeg, rodTipMm, manner }: Fishing): Place[] {
  const turned = manner === 'hang' || manner === 'jig' ? Math.PI / 2 : (angleDeg * Math.PI) / 180;
  const slant = rodTipMm * Math.SQRT2;
  let gone = 0;
  return [0, ...lengths].map((each): Place => {
    gone += each;
    const [out, up] = gone < slant ? [gone / Math.SQRT2, rodTipMm - gone / Math.SQRT2] : [rodTipMm + gone - slant, 0];
    return [out * Math.sin(turned), out * Math.cos(turned), up];
  });
}

/** The mends that are made: when each begins. */
const mendsOf = ({ mends, seconds }: Fishing): number[] =>
  Array.from({ length: mends }, (_, i) => ((i + 0.5) / mends) * seconds * MENDED_OVER);

/** What is done to the line at a time: how fast it is wound in, mm/s, and whether that is a pull. */
function wound(t: number, { manner, countS, strip }: Fishing, surfaceMmS: number): number {
  if (manner === 'swing') return t < countS ? -surfaceMmS : 0;
  if (manner !== 'strip' || t < countS) return 0;
  const pull = strip.lengthMm / strip.speedMmS;
  return (t - countS) % (pull + strip.pauseS) < pull ? strip.speedMmS : 0;
}

const floatBody = (density: number, { bearsMg, massMg }: FloatSpec): Body => ({
  massMg,
  sunkMg: -bearsMg,
  dryMg: massMg,
  fadesMm: FLOAT.highMm,
  dragPerSpeed: (speed) => 0.5 * density * FLOAT.cd * FLOAT.areaMm2 * speed,
  reachMm: 0,
  friction: 0,
});

export interface FishedBy {
  readonly current: Current;
  readonly water: Water;
  readonly pieces: readonly LinePiece[];
  readonly fishing: Fishing;
  /** A second fly, and how far above the first it is tied into the leader, mm. */
  readonly dropper?: { readonly fly: WaterFly; readonly aboveMm: number } | null;
  /** How many times finer line is cut, and steps are, than usual. */
  readonly finer?: { readonly nodes?: number; readonly steps?: number };
}

/**
 * Fishes a fly through water, moment by moment.
 * @returns a generator that yields each moment that is kept, with the share of the time that is done, and returns all of them
 */
export function* fish(
  fly: WaterFly,
  { current, water, pieces, fishing, dropper = null, finer = {} }: FishedBy,
): Generator<{ readonly share: number; readonly moment: Moment }, Track> {
  const drifts = fishing.manner === 'dead-drift';
  const segments = segmentsOf(dropper ? cutAt(pieces, dropper.aboveMm) : pieces, finer.nodes ?? 1);
  const lengths = segments.map(({ lengthMm }) => lengthMm);
  const places = laidOut(lengths, drifts ? { ...fishing, rodTipMm: 0 } : fishing);
  const float = drifts ? floatBody(water.density, fishing.float) : null;
  const tiedIn = dropper && { piecesAbove: piecesIn(segments, dropper.aboveMm), body: () => dropper.fly.body() };
  const chain = new Chain(segments, places, { current, water, fly: () => fly.body(), float, dropper: tiedIn });
  const dt = STEP_S / (finer.steps ?? 1);
  const every = Math.max(1, Math.round(KEPT_EVERY * (finer.steps ?? 1)));
  const count = Math.round(fishing.seconds / dt);
  const lineSegments = segments.filter(({ kind }) => kind === 'line').length;
  const mends = lineSegments > 0 ? mendsOf(fishing) : [];
  const moments: Moment[] = [];
  let settled = true;
  for (let k = 0; k <= count; k++) {
    const t = k * dt;
    const rate = wound(t, fishing, current.surfaceMmS);
    const since = k === 0 ? Infinity : dt;
    const state = settle(chain, fly, current, since);
    const second = dropper && settleDropper(chain, dropper.fly, current, since);
    if (k % every === 0) {
      const moment: Moment = {
        t,
        ...state,
        pulled: rate > 0,
        ...fly.lies,
        nodes: nodesOf(chain),
        dropper: second && { ...second, ...dropper.fly.lies },
      };
      moments.push(moment);
      yield { share: k / count, moment };
    }
    if (k === count) break;
    const mending = mends.some((from) => t >= from && t < from + MEND.seconds);
    const wind = mending ? rate - MEND.fedMm / MEND.seconds : rate;
    if (wind < 0 || (wind > 0 && outOf(chain) > LEAST_OUT)) chain.wind(wind * dt);
    chain.advance(dt, drifts ? null : tipAt(t + dt, fishing), mending ? mendOf(lineSegments) : null);
    if (!(chain.stretched < BROKEN)) {
      settled = false;
      break;
    }
  }
  return { moments, steps: chain.steps, settled };
}

const nodesOf = (chain: Chain): Float32Array => Float32Array.from(chain.at.subarray(0, 3 * chain.nodes));

const mendOf = (segments: number): Mend => ({
  segments,
  speedAt: (share) => (MEND.mm / MEND.seconds) * Math.sin(Math.PI * share),
});

const outOf = ({ segments }: Chain): number => segments.reduce((sum, { lengthMm }) => sum + lengthMm, 0);

/** Where a node is, how fast, and the water past it. */
function passing(chain: Chain, node: number, current: Current) {
  const k = 3 * node;
  const at: Place = [chain.at[k] as number, chain.at[k + 1] as number, chain.at[k + 2] as number];
  const speed: Place = [chain.speed[k] as number, chain.speed[k + 1] as number, chain.speed[k + 2] as number];
  const flow: Place = [current.at(at[2], at[1]) - speed[0], -speed[1], -speed[2]];
  return { at, speed, flow };
}

/** Lets a second fly turn to how the leader holds it and how the water meets it. */
function settleDropper(chain: Chain, fly: WaterFly, current: Current, seconds: number) {
  const node = chain.dropperNode;
  const { at, flow } = passing(chain, node, current);
  const force = chain.forceOn(node);
  const pullMg = Math.hypot(...force);
  const way: Place = pullMg > 0 ? [force[0] / pullMg, force[1] / pullMg, force[2] / pullMg] : [0, 0, 1];
  fly.settle(pullMg, way, flow, seconds);
  return { at, touches: chain.touchesAt(node) };
}

/** Lets the fly turn to how it is pulled and how the water meets it. */
function settle(chain: Chain, fly: WaterFly, current: Current, seconds: number) {
  const { at, speed, flow } = passing(chain, chain.flyNode, current);
  const way = chain.flyWay();
  const pullMg = chain.flyPullMg;
  fly.settle(pullMg, way, flow, seconds);
  const level = Math.hypot(way[0], way[1]);
  return {
    fly: at,
    pullMg,
    ground: Math.hypot(...speed),
    through: Math.hypot(...flow),
    across: level > 0.02 ? Math.abs(flow[1] * way[0] - flow[0] * way[1]) / level : 0,
    touches: chain.touchesAt(chain.flyNode),
    lowest: fly.lowestPart,
  };
}
