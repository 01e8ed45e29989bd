import type { Vec3 } from '../platform/section.ts';
import type { Water } from './water.ts';

export interface TippingBall {
  readonly id: string;
  readonly massMg: number;
  readonly volumeMm3: number;
  readonly submergedMg: number;
  readonly density: number;
  readonly weighed: boolean;
  /** Share of the solid that it may be as it is cast and drilled; 1 where that is known. */
  readonly leastShare: number;
  readonly centroid: Vec3;
}
export interface Tipping {
  readonly part: string;
  readonly massMg: number;
  readonly ratio: number;
  /** Between which the ratio lies as long as nobody has weighed a pair; null where one was, or nothing is left to weigh. */
  readonly range: readonly [low: number, high: number] | null;
}

/** A ratio from which on it tips the fly for sure. Judgement: wet fur lies on it, and no pair is quite the next. */
const SURE = 1.3;

/** Whether what it is worth turns within a range: from not tipping the fly at all to tipping it for sure. */
export const turnsWithin = (range: readonly [number, number] | null, sure = SURE): boolean =>
  range !== null && range[0] < sure && range[1] > 1;

const LEAST_LEVER_MM = 0.05;

/**
 * The mass at which a weight on one side would tip the fly over: where the keel moment of the whole comes to nothing.
 * A computed mass scales with its volume; a weighed one keeps the volume it has. Null when no mass does it.
 * @param momentMgMm keel moment of the whole fly
 */
export function tippingWeight(ball: TippingBall, momentMgMm: number, towZ: number, water: Water): Tipping | null {
  const lever = ball.centroid[2] - towZ;
  if (Math.abs(lever) < LEAST_LEVER_MM) return null;
  const rest = momentMgMm - ball.submergedMg * lever;
  const massMg = ball.weighed
    ? water.density * ball.volumeMm3 - rest / lever
    : -rest / ((1 - water.density / ball.density) * lever);
  if (!(massMg > 0) || !Number.isFinite(massMg)) return null;
  const ratio = ball.massMg / massMg;
  // What it pulls by is its weight under water: of lighter metal it loses more than its share.
  const least = ball.leastShare * ball.massMg - water.density * ball.volumeMm3;
  const range =
    ball.weighed || ball.leastShare >= 1 || ball.submergedMg <= 0
      ? null
      : ([(ratio * Math.max(0, least)) / ball.submergedMg, ratio] as const);
  return { part: ball.id, massMg, ratio, range };
}
