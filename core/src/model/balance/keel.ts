import { sumWeights, normalDeg, rideOf, toDeg, toRad, type BalanceModel, type Ride } from './model.ts';

/** Keel on a tight line: the fly rolls about the tow point. Moments in mg·mm, angles in degrees. */
export interface TightKeel {
  readonly momentMgMm: number;
  readonly lateralMgMm: number;
  readonly ride: Ride | 'undecided';
  readonly heelDeg: number | null;
  /** Righting moment every 5°, positive toward +θ. */
  readonly righting: readonly (readonly [heelDeg: number, momentMgMm: number])[];
}

export const UNDECIDED_MM = 0.05;

/** K = Σ w(z − z_p) and K_y = Σ w·y: the fly comes to rest at θ* = atan2(−K_y, −K). */
export function tightKeel(model: Pick<BalanceModel, 'weights' | 'tow' | 'pointUp'>): TightKeel {
  const sums = sumWeights(model.weights);
  const momentMgMm = sums.wz - model.tow[2] * sums.total;
  const lateralMgMm = sums.wy - model.tow[1] * sums.total;
  const righting = Array.from({ length: 72 }, (_, i): readonly [number, number] => {
    const heel = -175 + 5 * i;
    return [heel, rightingMoment(momentMgMm, lateralMgMm, toRad(heel))];
  });
  if (Math.hypot(momentMgMm, lateralMgMm) < UNDECIDED_MM * sums.size || sums.size === 0)
    return { momentMgMm, lateralMgMm, ride: 'undecided', heelDeg: null, righting };
  const heelDeg = normalDeg(toDeg(Math.atan2(-lateralMgMm, -momentMgMm)));
  return { momentMgMm, lateralMgMm, ride: rideOf(heelDeg, model.pointUp), heelDeg, righting };
}

/** Moment at roll θ on a tight line, mg·mm: K·sinθ − K_y·cosθ. @param theta radians */
export const rightingMoment = (momentMgMm: number, lateralMgMm: number, theta: number): number =>
  momentMgMm * Math.sin(theta) - lateralMgMm * Math.cos(theta) + 0;
