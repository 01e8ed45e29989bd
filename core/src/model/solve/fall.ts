import { effectiveMass, fallFromRest, timeTo, type Fall } from '../balance/fromRest.ts';
import { leaderDrag, type Leader } from '../balance/leader.ts';
import { speedFor, toRad } from '../balance/model.ts';
import { sinkingDrag } from '../balance/sinking.ts';
import { restAndSink } from '../balance/solveBalance.ts';
import { silhouetteAt } from '../geometry/silhouette.ts';
import type { Ellipse } from '../platform/section.ts';
import type { LaidFly } from './layFly.ts';
import { balanceModel } from './balanceModel.ts';

const MOST_MM_S = 20_000;
/** Sections from this softness on hold air between their fibres when they go in dry. */
const HOLDS_AIR = 0.35;
const CUTS = 24;

/** mm³ between the outermost fibres of the soft parts. */
export function softEnvelopeMm3({ sections }: Pick<LaidFly, 'sections'>): number {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 0 };
  let volume = 0;
  for (const { softness, fromMm, toMm, at } of sections) {
    if (softness < HOLDS_AIR) continue;
    const step = (toMm - fromMm) / CUTS;
    for (let i = 0; i < CUTS; i++) {
      at(fromMm + (i + 0.5) * step, cut);
      volume += Math.PI * cut.semiY * cut.semiZ * step;
    }
  }
  return volume;
}

/** What a fall is asked for with: a leader behind it, and air still in the soft parts as a share of their envelope. */
export interface FallWith {
  readonly leader: Leader | null;
  readonly airShare: number;
}

type Drag = (speed: number) => number;

/** How a fly sinks: at which roll and attitude, by what drag of its own, what moves with it, and how broad it is from above. */
function sinker(laid: LaidFly): { readonly drag: Drag; readonly massMg: number; readonly breadthMm: number } {
  const model = balanceModel(laid);
  const { restDeg, trim } = restAndSink(model);
  const nose = trim.noseDownDeg ?? 0;
  const balls = laid.parts.reduce((sum, part) => sum + (part.built.ball?.volumeMm3 ?? 0), 0);
  const area = silhouetteAt(model.table, 'plan', toRad(restDeg))?.areaMm2 ?? 0;
  return {
    drag: sinkingDrag(model, restDeg, nose),
    massMg: effectiveMass(model, laid.castingMg, balls, restDeg, nose),
    breadthMm: Math.sqrt((4 * area) / Math.PI),
  };
}

const fall = (weightMg: number, massMg: number, drag: Drag, depthMm: number): Fall | null =>
  weightMg <= 0 ? null : fallFromRest(weightMg, massMg, drag, speedFor(drag, weightMg, MOST_MM_S, 220), depthMm);

/** The fly alone, all its air gone. */
export const SOAKED_ALONE: FallWith = { leader: null, airShare: 0 };

/** Falls a fly from rest in still water down to a depth, at the attitude it sinks in. @returns null where it floats */
export function fallOf(laid: LaidFly, { leader, airShare }: FallWith, depthMm: number): Fall | null {
  const { drag, massMg } = sinker(laid);
  const line = leader ? leaderDrag(leader, laid.water) : () => 0;
  const weight = laid.submergedMg - laid.water.density * airShare * softEnvelopeMm3(laid);
  return fall(weight, massMg, (speed) => drag(speed) + line(speed), depthMm);
}

/** Drag factors that a sink test may give; beyond them it was another fly, or another depth. */
export const DRAG_FACTOR = { least: 0.2, most: 5 } as const;

/** So near in time, s, the factor is known; it is within so many steps. */
const NEAR_S = 1e-3;
const STEPS = 20;

/** A fall that is timed: over so much depth, from a mark so far under where it was let go, between walls so far apart; mm. */
export interface Timed {
  readonly depthMm: number;
  readonly aboveMm?: number;
  /** Null: open water. */
  readonly widthMm?: number | null;
  /** By how much heavier than reckoned the fly is under water, mg. */
  readonly heavierMg?: number;
}

/** From this Reynolds number on the wall's share holds; below it the water between fly and wall is not thrown about. */
const WALL_FROM_RE = 1000;
/** A jar narrower than this many breadths of the fly tells nothing of open water. */
const NARROWEST = 1.5;

/**
 * What is left of a fly's speed between the walls of a jar: 1 − (d/D)^1.5 with d of equal area from above (H. S. Munroe 1888, after R. Clift, J. R.
 * Grace & M. E. Weber, Bubbles, Drops, and Particles, 1978, table 9.5), above a Reynolds number of 1,000; 1 below it, where it is not known.
 * @returns null where the jar is too narrow to tell
 */
export function wallShare(breadthMm: number, widthMm: number, reynolds: number): number | null {
  if (widthMm < NARROWEST * breadthMm) return null;
  return reynolds < WALL_FROM_RE ? 1 : 1 - (breadthMm / widthMm) ** 1.5;
}

/** How long a timed fall takes by the model, s, with so many times the drag; null where it floats, or the jar is too narrow. */
function timerOf(laid: LaidFly, { depthMm, aboveMm = 0, widthMm = null, heavierMg = 0 }: Timed) {
  const { drag, massMg, breadthMm } = sinker(laid);
  const now = laid.file.measured?.dragFactor ?? 1;
  const weight = laid.submergedMg + heavierMg;
  const free = weight > 0 ? speedFor(drag, weight, MOST_MM_S, 220) : 0;
  const left = widthMm === null ? 1 : wallShare(breadthMm, widthMm, (free * breadthMm) / laid.water.viscosity);
  return (factor: number): number | null => {
    if (left === null) return null;
    // Walls slow it as so much more drag would.
    const down = fall(
      weight,
      massMg,
      (speed) => (factor / now / (left * left)) * drag(speed),
      1.01 * (aboveMm + depthMm),
    );
    const [from, to] = [aboveMm > 0 ? timeTo(down, aboveMm) : 0, timeTo(down, aboveMm + depthMm)];
    return from === null || to === null ? null : to - from;
  };
}

/** How long a timed fall should take, s; null where it floats, or the jar is too narrow to tell. */
export const timeDown = (laid: LaidFly, timed: Timed): number | null =>
  timerOf(laid, timed)(laid.file.measured?.dragFactor ?? 1);

/**
 * How many times its computed drag a fly has that was timed. A factor it has already is left out of the reckoning.
 * @returns null where no factor within 0.2 to 5 gives that time
 */
export function dragFactorOf(laid: LaidFly, timed: Timed, seconds: number): number | null {
  const timer = timerOf(laid, timed);
  let factor = laid.file.measured?.dragFactor ?? 1;
  // A fall takes about as long as the root of its drag: some steps of that rule are at the factor.
  for (let i = 0; i < STEPS; i++) {
    const time = timer(factor);
    if (time === null) return null;
    if (Math.abs(time - seconds) < NEAR_S) break;
    factor *= (seconds / time) ** 2;
    if (!(factor > DRAG_FACTOR.least / 2 && factor < DRAG_FACTOR.most * 2)) return null;
  }
  return factor < DRAG_FACTOR.least || factor > DRAG_FACTOR.most ? null : factor;
}
