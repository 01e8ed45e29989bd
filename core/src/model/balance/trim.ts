import { firstFall } from '../../numeric/index.ts';
import { silhouetteAt } from '../geometry/silhouette.ts';
import { sumWeights, toDeg, toRad, weightCentre, type BalanceModel } from './model.ts';

/** Trim of a sinking fly: lever as a share of the shank, nose-down angle in degrees (tail-down negative). */
export interface Trim {
  readonly lever: number | null;
  readonly noseDownDeg: number | null;
  readonly verdict: 'nose-first' | 'level' | 'tail-first' | null;
}

const NONE: Trim = { lever: null, noseDownDeg: null, verdict: null };
/** Joessel's rule: the pressure centre of an inclined plate moves 0.3 of its length toward the leading end. */
const PRESSURE_SHIFT = 0.3;
const NOSE_FIRST_DEG = 30;
/** Half degrees the balance is looked for in, and what counts as balanced, mm. */
const STEPS = 180;
const NOTHING_MM = 1e-12;

/** Smallest root in [0°, 90°] of (|Δx| − e(φ))·cosφ = Δz·sinφ, e(φ) = 0.3·L·(1 − cosφ); degrees. */
export function noseDownAngle(deltaX: number, deltaZ: number, plateMm: number): number {
  const excess = (phi: number): number =>
    (Math.abs(deltaX) - PRESSURE_SHIFT * plateMm * (1 - Math.cos(phi))) * Math.cos(phi) -
    Math.max(0, deltaZ) * Math.sin(phi);
  if (Math.abs(deltaX) < 1e-12) return 0;
  return Math.sign(deltaX) * toDeg(firstFall(excess, Math.PI / 2, STEPS, NOTHING_MM));
}

/** Trim at a roll: lever from the plan's centre to the weight's, and the angle at which a free fly settles nose or tail down. */
export function trimAt(model: BalanceModel, restDeg: number): Trim {
  const sums = sumWeights(model.weights);
  const centre = weightCentre(sums);
  const theta = toRad(restDeg);
  const plan = silhouetteAt(model.table, 'plan', theta);
  const side = silhouetteAt(model.table, 'side', theta);
  if (!centre || !plan || !side) return NONE;
  const deltaX = plan.loadX - centre[0];
  const deltaZ = side.load - (centre[1] * Math.sin(theta) + centre[2] * Math.cos(theta));
  const noseDownDeg = noseDownAngle(deltaX, deltaZ, Math.sqrt(12) * plan.spreadX);
  const verdict = noseDownDeg > NOSE_FIRST_DEG ? 'nose-first' : noseDownDeg < -NOSE_FIRST_DEG ? 'tail-first' : 'level';
  return { lever: deltaX / model.leverMm, noseDownDeg, verdict };
}
