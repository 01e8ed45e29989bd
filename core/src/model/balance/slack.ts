import { between, fallBetween } from '../../numeric/index.ts';
import { blankSilhouette, project, type Silhouette } from '../geometry/silhouette.ts';
import { normalDeg, rideOf, sumWeights, toRad, type BalanceModel, type Ride, type WeightSums } from './model.ts';

/** Rest of a fly that lies level and free on a slack line. Angles in degrees. */
export interface SlackRest {
  readonly ride: Ride | 'undecided';
  readonly heelDeg: number | null;
  /** The other turns it can rest at. */
  readonly others: readonly number[];
  /** The rest of lowest energy, decided or not: what it sinks at. Null where nothing turns it anywhere. */
  readonly lowestDeg: number | null;
}

/** The plan's centre is asked for so often over the turn, and every degree so near the uprights, where rests crowd. */
const COARSE_DEG = 10;
const UPRIGHT_DEG = 5;
/** What is read between those and comes to so small a share of the greatest torque is looked at as it is: rests may lie there. */
const NEAR_NOTHING = 0.1;
const UNDECIDED_MM = 0.25;
/** So near to that, as a share, the greatest torque is looked at as it is. */
const NEAR_UNDECIDED = 0.1;
/** A torque of under this lever is none. */
const NOTHING_MM = 1e-9;
const NEAR_DEG = 1e-4;
const SLOPE_DEG = 0.1;

/** Where the load of sinking water acts across the fly at roll θ, mm. */
function planAcross({ table }: BalanceModel, theta: number, into: Silhouette): number {
  const shape = project(table, 'plan', theta, { into, wants: 'load' });
  let area = 0;
  let load = 0;
  for (let c = 0; c < table.cells; c++) {
    area += (shape.b[c] as number) * (table.dx[c] as number);
    load += (shape.load[c] as number) * (table.dx[c] as number);
  }
  return area > 0 ? load / area : 0;
}

/** η_plan by the degree, of silhouettes that were asked before: other weights on the same fly change none of them. */
const knownEtas = new WeakMap<BalanceModel['table'], Map<number, number>>();

function etasOf({ table }: BalanceModel): Map<number, number> {
  let etas = knownEtas.get(table);
  if (!etas) knownEtas.set(table, (etas = new Map<number, number>()));
  return etas;
}

/** W·η − cosθ·Σwy + sinθ·Σwz, mg·mm. */
const torqueOf = ({ total, wy, wz }: WeightSums, eta: number, theta: number): number =>
  total * eta - Math.cos(theta) * wy + Math.sin(theta) * wz;

/** Torque on a slack line in mg·mm: τ(θ) = W·η_plan(θ) − cosθ·Σwy + sinθ·Σwz. @param theta radians */
export const slackTorque = (model: BalanceModel, theta: number): number =>
  torqueOf(sumWeights(model.weights), planAcross(model, theta, blankSilhouette(model.table.cells)), theta);

/** The torque over the full turn: as it is at some degrees, read between them at the others. */
class Turn {
  private readonly known: Map<number, number>;
  private readonly model: BalanceModel;
  private readonly sums: WeightSums;
  private readonly shape: Silhouette;
  /** Torque at every whole degree from 0 to 359. */
  readonly torque: Float64Array;
  /** Degrees at which it is exact. */
  private readonly exactly = new Uint8Array(360);

  constructor(model: BalanceModel, sums: WeightSums) {
    this.model = model;
    this.sums = sums;
    this.shape = blankSilhouette(model.table.cells);
    this.known = etasOf(model);
    const plan = new Float64Array(360);
    const coarse = Array.from({ length: 360 / COARSE_DEG }, (_, i) => this.eta(i * COARSE_DEG));
    const at = (i: number): number => coarse[(i + coarse.length) % coarse.length] as number;
    for (let deg = 0; deg < 360; deg++) {
      const i = Math.floor(deg / COARSE_DEG);
      const t = deg / COARSE_DEG - i;
      plan[deg] = between(at(i - 1), at(i), at(i + 1), at(i + 2), t);
    }
    this.torque = Float64Array.from(plan, (eta, deg) => torqueOf(sums, eta, toRad(deg)));
    for (let deg = 0; deg < 360; deg += COARSE_DEG) this.exactly[deg] = 1;
    for (let off = -UPRIGHT_DEG; off <= UPRIGHT_DEG; off++) for (const upright of [0, 180]) this.exact(upright + off);
  }

  /** η_plan at an angle. Half a turn mirrors it: η(θ + 180°) = −η(θ); a mirrored fly adds η(−θ) = −η(θ). */
  private eta(deg: number): number {
    const turned = ((deg % 360) + 360) % 360;
    if (turned >= 180) return -this.eta(turned - 180);
    if (this.model.table.mirrored) {
      if (turned === 0) return 0;
      if (turned > 90) return this.eta(180 - turned);
    }
    const known = this.known.get(turned);
    if (known !== undefined) return known;
    const fresh = planAcross(this.model, toRad(turned), this.shape);
    this.known.set(turned, fresh);
    return fresh;
  }

  /** The torque at any angle, from the silhouette itself. */
  at(deg: number): number {
    return torqueOf(this.sums, this.eta(deg), toRad(deg));
  }

  /** Makes a whole degree exact. */
  private exact(deg: number): number {
    const i = (deg + 360) % 360;
    if (this.exactly[i] === 0) {
      this.torque[i] = this.at(i);
      this.exactly[i] = 1;
    }
    return this.torque[i] as number;
  }

  /** The greatest torque over the turn, looked at as it is where it comes near to the one given. */
  greatest(nearTo: number): number {
    const most = (): number =>
      this.torque.reduce((best, each, i) => (Math.abs(each) > this.sizeAt(best) ? i : best), 0);
    let at = most();
    while (this.exactly[at] === 0 && Math.abs(this.sizeAt(at) / nearTo - 1) < NEAR_UNDECIDED) {
      // With its mirror image, so that neither of two rests that tie is told more truly.
      for (const deg of [at, 360 - at]) this.exact(deg);
      at = most();
    }
    return this.sizeAt(at);
  }

  private sizeAt(deg: number): number {
    return Math.abs(this.torque[deg] as number);
  }

  /** Whole degrees at which there is next to no torque are looked at as they are. */
  lookCloser(least: number): void {
    for (let deg = 0; deg < 360; deg++) if (this.sizeAt(deg) < least) this.exact(deg);
  }

  /** Whole degrees at which the torque may change its sign are looked at as they are. */
  settle(zero: number): void {
    const signAt = (deg: number): number => signOf(this.torque[(deg + 360) % 360] as number, zero);
    for (let deg = 0; deg < 360; deg++) {
      if (signAt(deg) === signAt(deg + 1)) continue;
      // What was read may be off: both ends are made exact, and their neighbours where that moved the change.
      for (let i = deg; this.exactly[(i + 360) % 360] === 0; i--) this.exact(i);
      for (let i = deg + 1; this.exactly[i % 360] === 0; i++) this.exact(i);
    }
  }
}

const signOf = (torque: number, zero: number): number => (Math.abs(torque) <= zero ? 0 : Math.sign(torque));

interface Rest {
  readonly deg: number;
  /** −∫τ up to it from 0°, mg·mm·degrees. */
  readonly energy: number;
}

/** Angles at which the torque comes down through nothing, and stays down. */
function restsOf(turn: Turn, zero: number): Rest[] {
  const { torque } = turn;
  const at = (deg: number): number => torque[((deg % 360) + 360) % 360] as number;
  const rests: Rest[] = [];
  let energy = 0;
  let last = 0;
  // Begun at the first degree that is not at rest, so that no rest lies across the end of the turn.
  let first = 0;
  while (first < 360 && signOf(at(first), zero) === 0) first++;
  let above: Rest | null = null;
  for (let k = 0; k <= 360; k++) {
    const deg = first + k;
    const now = at(deg);
    if (k > 0) energy -= (last + now) / 2;
    last = now;
    const sign = signOf(now, zero);
    if (sign > 0) above = { deg, energy };
    else if (sign < 0 && above) {
      const up = at(above.deg);
      const share = up / (up - now);
      // Between the two the torque is straight, or nothing: half of what turned it on is still to come.
      const on = deg - above.deg > 1 ? 1 : share;
      rests.push({
        deg: deg - above.deg > 1 ? (above.deg + deg) / 2 : fallBetween((at) => turn.at(at), above.deg, deg, NEAR_DEG),
        energy: above.energy - (up * on) / 2,
      });
      above = null;
    }
  }
  return rests.filter(({ deg }) => turn.at(deg - SLOPE_DEG) > 0 && turn.at(deg + SLOPE_DEG) < 0);
}

/** Rests of the slack line: zeros of τ with falling slope; of several the one of lowest U = −∫τ, a tie going to the positive heel. */
export function slackRest(model: BalanceModel): SlackRest {
  const sums = sumWeights(model.weights);
  const turn = new Turn(model, sums);
  const largest = turn.greatest(UNDECIDED_MM * sums.size);
  turn.lookCloser(NEAR_NOTHING * largest);
  const zero = Math.max(largest * 1e-9, NOTHING_MM * sums.size);
  turn.settle(zero);
  const tie = Math.max(largest, sums.size) * 1e-6;
  const heel = (rest: Rest): number => normalDeg(rest.deg);
  const rests = restsOf(turn, zero).sort((a, b) =>
    Math.abs(a.energy - b.energy) > tie ? a.energy - b.energy : heel(b) - heel(a),
  );
  const [best, ...others] = rests;
  if (!best) return { ride: 'undecided', heelDeg: null, others: [], lowestDeg: null };
  const lowestDeg = heel(best);
  return largest < UNDECIDED_MM * sums.size
    ? { ride: 'undecided', heelDeg: null, others: [], lowestDeg }
    : { ride: rideOf(lowestDeg, model.pointUp), heelDeg: lowestDeg, others: others.map(heel), lowestDeg };
}
