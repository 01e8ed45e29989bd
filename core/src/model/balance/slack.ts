import { project } from '../geometry/silhouette.ts';
import { normalDeg, rideOf, sumWeights, toRad, type BalanceModel, type Ride } from './model.ts';

/** Rest of a fly that lies level and free on a slack line. Angles in degrees. */
export interface SlackRest {
  readonly ride: Ride | 'undecided';
  readonly heelDeg: number | null;
  readonly others: readonly number[];
}

/** Samples of the plan's centre; it is smooth, so every degree between is interpolated. */
const COARSE_DEG = 6;
const UNDECIDED_MM = 0.25;

/** Where the load of sinking water acts across the fly at roll θ, mm. */
function planAcross(model: BalanceModel, theta: number): number {
  const { table } = model;
  const shape = project(table, 'plan', theta);
  let area = 0;
  let load = 0;
  for (let c = 0; c < table.cells; c++) {
    area += (shape.b[c] as number) * (table.dx[c] as number);
    load += (shape.load[c] as number) * (table.dx[c] as number);
  }
  return area > 0 ? load / area : 0;
}

/** Torque on a slack line in mg·mm: τ(θ) = W·η_plan(θ) − cosθ·Σwy + sinθ·Σwz. @param theta radians */
export function slackTorque(model: BalanceModel, theta: number): number {
  const sums = sumWeights(model.weights);
  return sums.total * planAcross(model, theta) - Math.cos(theta) * sums.wy + Math.sin(theta) * sums.wz;
}

/** η_plan over the full turn every degree, from coarse samples. Half a turn mirrors it: η(θ + 180°) = −η(θ); a mirrored fly adds η(−θ) = −η(θ). */
function planCurve(model: BalanceModel): Float64Array {
  const coarse = new Float64Array(360 / COARSE_DEG);
  const half = coarse.length / 2;
  const sampled = model.table.mirrored ? half / 2 : half - 1;
  for (let i = 0; i <= sampled; i++) coarse[i] = planAcross(model, toRad(i * COARSE_DEG));
  if (model.table.mirrored) for (let i = sampled + 1; i < half; i++) coarse[i] = coarse[half - i] as number;
  for (let i = 0; i < half; i++) coarse[half + i] = -(coarse[i] as number);
  const fine = new Float64Array(360);
  const at = (i: number): number => coarse[(i + coarse.length) % coarse.length] as number;
  for (let deg = 0; deg < 360; deg++) {
    const i = Math.floor(deg / COARSE_DEG);
    const t = deg / COARSE_DEG - i;
    const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)];
    fine[deg] = b + (t / 2) * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)));
  }
  return fine;
}

/** Finds the root between two degrees by the Illinois rule on the exact torque. */
function refine(model: BalanceModel, fromDeg: number, toDegree: number): number {
  let [a, b] = [fromDeg, toDegree];
  let [fa, fb] = [slackTorque(model, toRad(a)), slackTorque(model, toRad(b))];
  if (fa * fb > 0) return Math.abs(fa) < Math.abs(fb) ? a : b;
  for (let i = 0; i < 40 && Math.abs(b - a) > 1e-5 && fa !== fb; i++) {
    const c = (a * fb - b * fa) / (fb - fa);
    const fc = slackTorque(model, toRad(c));
    if (fc === 0 || Math.abs(c - b) < 1e-6) return c;
    if (fc * fb < 0) {
      a = b;
      fa = fb;
    } else {
      fa /= 2;
    }
    b = c;
    fb = fc;
  }
  return Math.abs(fa) < Math.abs(fb) ? a : b;
}

/** Rests of the slack line: zeros of τ with falling slope; of several the one of lowest U = −∫τ, a tie going to the positive heel. */
export function slackRest(model: BalanceModel): SlackRest {
  const sums = sumWeights(model.weights);
  const plan = planCurve(model);
  const torque = Float64Array.from(
    plan,
    (eta, deg) => sums.total * eta - Math.cos(toRad(deg)) * sums.wy + Math.sin(toRad(deg)) * sums.wz,
  );
  const largest = torque.reduce((most, each) => Math.max(most, Math.abs(each)), 0);
  if (sums.size === 0 || largest < UNDECIDED_MM * sums.size) return { ride: 'undecided', heelDeg: null, others: [] };
  const zero = largest * 1e-9;
  const sign = (deg: number): number => {
    const t = torque[(deg + 360) % 360] as number;
    return Math.abs(t) <= zero ? 0 : Math.sign(t);
  };
  const rests: { deg: number; energy: number }[] = [];
  let energy = 0;
  for (let deg = 0; deg < 360; deg++) {
    if (deg > 0) energy -= ((torque[deg - 1] as number) + (torque[deg] as number)) / 2;
    if (sign(deg) === 0) {
      if (sign(deg - 1) > 0 && sign(deg + 1) < 0) rests.push({ deg, energy });
    } else if (sign(deg) > 0 && sign(deg + 1) < 0) rests.push({ deg: refine(model, deg, deg + 1), energy });
  }
  const tie = largest * 1e-6;
  const heel = (rest: { deg: number }): number => normalDeg(rest.deg);
  rests.sort((a, b) => (Math.abs(a.energy - b.energy) > tie ? a.energy - b.energy : heel(b) - heel(a)));
  const [best, ...others] = rests;
  if (!best) return { ride: 'undecided', heelDeg: null, others: [] };
  return { ride: rideOf(best.deg, model.pointUp), heelDeg: heel(best), others: others.map(heel) };
}
