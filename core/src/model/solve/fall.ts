import { effectiveMass, fallFromRest, timeTo, type Fall } from '../balance/fromRest.ts';
import { leaderDrag, type Leader } from '../balance/leader.ts';
import { speedFor } from '../balance/model.ts';
import { sinkingDrag } from '../balance/sinking.ts';
import { restAndSink } from '../balance/solveBalance.ts';
import type { Ellipse } from '../platform/section.ts';
import type { LaidFly } from './layFly.ts';
import { balanceModel } from './balanceModel.ts';

const MOST_MM_S = 20_000;
/** Sections from this softness on hold air between their fibres when they go in dry. */
const HOLDS_AIR = 0.35;
const CUTS = 24;

/** mm³ between the outermost fibres of the soft parts. */
export function softEnvelope({ sections }: Pick<LaidFly, 'sections'>): number {
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

/** How a fly sinks: at which roll and attitude, by what drag of its own, and what moves with it. */
function sinker(laid: LaidFly): { readonly drag: Drag; readonly massMg: number } {
  const model = balanceModel(laid);
  const { restDeg, trim } = restAndSink(model);
  const nose = trim.noseDownDeg ?? 0;
  const balls = laid.parts.reduce((sum, part) => sum + (part.built.ball?.volumeMm3 ?? 0), 0);
  return {
    drag: sinkingDrag(model, restDeg, nose),
    massMg: effectiveMass(model, laid.castingMg, balls, restDeg, nose),
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
  const weight = laid.submergedMg - laid.water.density * airShare * softEnvelope(laid);
  return fall(weight, massMg, (speed) => drag(speed) + line(speed), depthMm);
}

/** Drag factors that a sink test may give; beyond them it was another fly, or another depth. */
export const DRAG_FACTOR = { least: 0.2, most: 5 } as const;

/** So near in time, s, the factor is known. */
const NEAR_S = 1e-3;

/**
 * How many times its computed drag a fly has that was timed down to a depth from rest. A factor it has already is left out of the reckoning.
 * @returns null where no factor within 0.2 to 5 gives that time
 */
export function dragFactorOf(laid: LaidFly, depthMm: number, seconds: number): number | null {
  const { drag, massMg } = sinker(laid);
  const now = laid.file.measured?.dragFactor ?? 1;
  const timeWith = (factor: number): number =>
    timeTo(
      fall(laid.submergedMg, massMg, (speed) => (factor / now) * drag(speed), 1.01 * depthMm),
      depthMm,
    ) ?? Infinity;
  let [low, high]: [number, number] = [DRAG_FACTOR.least, DRAG_FACTOR.most];
  if (timeWith(low) > seconds || timeWith(high) < seconds) return null;
  for (let i = 0; i < 40; i++) {
    const mid = Math.sqrt(low * high);
    const time = timeWith(mid);
    if (Math.abs(time - seconds) < NEAR_S) return mid;
    if (time < seconds) low = mid;
    else high = mid;
  }
  return Math.sqrt(low * high);
}
