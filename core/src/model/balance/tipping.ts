import type { Vec3 } from '../platform/section.ts';
import type { Water } from './water.ts';

export interface TippingBall {
  readonly id: string;
  readonly massMg: number;
  readonly volumeMm3: number;
  readonly submergedMg: number;
  readonly density: number;
  readonly weighed: boolean;
  readonly centroid: Vec3;
}
export interface Tipping {
  readonly part: string;
  readonly massMg: number;
  readonly ratio: number;
}

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
  return massMg > 0 && Number.isFinite(massMg) ? { part: ball.id, massMg, ratio: ball.massMg / massMg } : null;
}
