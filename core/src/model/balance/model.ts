import type { Cells, CellTable } from '../geometry/cells.ts';
import type { Silhouette } from '../geometry/silhouette.ts';
import type { Vec3 } from '../platform/section.ts';
import { cylinderCdFast, G, sphereCdFast } from './drag.ts';
import type { Water } from './water.ts';

export interface PointWeight {
  readonly submergedMg: number;
  readonly at: Vec3;
}

/** What a flow along the shank meets: stiff front and its bluntness at either end, what trails, and skin. Areas in mm², lengths in mm. */
export interface NoseShape {
  /** All of the fly seen head-on. */
  readonly frontMm2: number;
  readonly stiffFrontMm2: number;
  readonly trails: Cells | null;
  readonly skinMm2: number;
  /** From 1, where all that is stiff is round, to 2, where all is blunt: led by the eye. */
  readonly blunt: number;
  /** The same led by the bend. */
  readonly bluntBehind: number;
  readonly lengthMm: number;
}

/** Weights and sections, and nothing else: what the balance is computed from. A fly is brought to this form; a worked example can be given in it. */
export interface BalanceModel {
  readonly water: Water;
  /** Length the trim lever is a share of, mm. */
  readonly leverMm: number;
  readonly tow: Vec3;
  readonly weights: readonly PointWeight[];
  readonly table: CellTable;
  readonly nose: NoseShape;
  /** Times the computed drag that sinking meets, by a measured sink test; 1 where none was made. */
  readonly dragFactor?: number;
  /** Times the usual drag of soft parts along the flow; 1 where nothing is said. */
  readonly softDrag?: number;
  /** True where the point stands up when the body does, as on a hook held point-up behind a tube. */
  readonly pointUp?: boolean;
}

export type Ride = 'point-down' | 'point-up' | 'on-its-side';

/** Sums of the submerged weights, mg and mg·mm. */
export interface WeightSums {
  readonly total: number;
  readonly size: number;
  readonly wx: number;
  readonly wy: number;
  readonly wz: number;
}

export function sumWeights(weights: readonly PointWeight[]): WeightSums {
  let total = 0,
    size = 0,
    wx = 0,
    wy = 0,
    wz = 0;
  for (const { submergedMg: w, at } of weights) {
    total += w;
    size += Math.abs(w);
    wx += w * at[0];
    wy += w * at[1];
    wz += w * at[2];
  }
  return { total, size, wx, wy, wz };
}

/** The centre of submerged weight, or null where the weights nearly cancel: |W| < 0.05·Σ|w|. */
export const weightCentre = (sums: WeightSums): Vec3 | null =>
  sums.size === 0 || Math.abs(sums.total) < 0.05 * sums.size
    ? null
    : [sums.wx / sums.total, sums.wy / sums.total, sums.wz / sums.total];

/** An angle in (−180, 180] degrees, without −0. */
export function normalDeg(deg: number): number {
  const turned = ((((deg + 180) % 360) + 360) % 360) - 180;
  return turned === -180 ? 180 : turned + 0;
}

/** Within 20° of 0 point-down, of 180 point-up, else on its side; it speaks of the point, the heel of the body. */
export const rideOf = (heelDeg: number, pointUp = false): Ride => {
  const heel = Math.abs(normalDeg(pointUp ? heelDeg + 180 : heelDeg));
  return heel <= 20 ? 'point-down' : heel >= 160 ? 'point-up' : 'on-its-side';
};

export const toRad = (deg: number): number => (deg * Math.PI) / 180;
export const toDeg = (rad: number): number => (rad * 180) / Math.PI;

/**
 * Load of a flow on one cell, mg per mm of its length: the part that balls cover as spheres, the rest as a cylinder across the flow.
 * @param speed mm/s
 */
export function cellLoad(shape: Silhouette, c: number, speed: number, { density, viscosity }: Water): number {
  const b = shape.b[c] as number;
  if (b <= 0) return 0;
  const ball = shape.ball[c] as number;
  const pressure = (density * speed * speed) / (2 * G);
  const spheres = ball > 0 ? sphereCdFast((speed * (shape.ballMm[c] as number)) / viscosity) * ball : 0;
  const rest = b - ball > 1e-12 ? cylinderCdFast((speed * b) / viscosity) * (b - ball) : 0;
  return pressure * (spheres + rest);
}

/**
 * Solves for the speed at which a load that rises with speed reaches `target`, by secants in log space kept inside a bracket, to 0.005 %.
 * @param most speed beyond which the answer is Infinity, mm/s
 * @param guess where to begin, mm/s
 */
export function speedFor(load: (speed: number) => number, target: number, most: number, guess = 150): number {
  if (target <= 0) return load(most) > 0 ? 0 : Infinity;
  let [low, high] = [0, most];
  let topKnown = false;
  let speed = Math.min(guess, most / 2);
  let [lastSpeed, lastLoad] = [0, 0];
  for (let i = 0; i < 80; i++) {
    const now = load(speed);
    if (now > target) {
      high = speed;
      topKnown = true;
    } else low = speed;
    if (!topKnown && now <= 0) {
      if (!(load(most) > target)) return Infinity;
      topKnown = true;
    }
    const measured = lastLoad > 0 && now > 0 && speed !== lastSpeed;
    const slope = measured ? Math.log(now / lastLoad) / Math.log(speed / lastSpeed) : 1.8;
    let next = now > 0 ? speed * (target / now) ** (1 / Math.min(3, Math.max(0.6, slope))) : (low + high) / 2;
    // A secant on a measured slope that moves so little lands far nearer than it moved.
    let enough = measured && slope > 0.6 && slope < 3 ? 1e-3 : 5e-5;
    if (next >= most) {
      if (topKnown || load(most) > target) topKnown = true;
      else return Infinity;
    }
    if (!(next > low && next < high)) [next, enough] = [(low + high) / 2, 5e-5];
    if (Math.abs(next - speed) < enough * next) return next;
    [lastSpeed, lastLoad] = [speed, now];
    speed = next;
  }
  return speed;
}
