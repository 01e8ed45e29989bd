import { f64 } from './arrays.ts';
import { solveSmall } from './ground.ts';
import { type Field, sampled } from './picture.ts';
import { type Pose, toPixel } from './pose.ts';
import type { WireEnd, WireLine, WirePoint } from './template.ts';

/** What one place of the hook was found to be. */
interface Seen {
  /** By how much what is seen lies off what was laid, px, along the direction across the wire (or along it, at an end). */
  readonly off: number;
  readonly weight: number;
}

/** A hook laid on a picture. */
export interface Fit {
  readonly pose: Pose;
  /** Share of the hook's outline that is explained: seen as wire, or under what covers it. */
  readonly confidence: number;
  /** Of the wire, how much stands clear, mm. */
  readonly clearMm: number;
  /** Of the ends that stand free, which are seen. */
  readonly tips: ReadonlySet<WireEnd['what']>;
  /** How far what is seen strays from what is laid, px. */
  readonly strayPx: number;
  /** Variances and covariances of place, turn, log scale and log tallness. */
  readonly covariance: readonly Float64Array[];
}

const PARAMETERS = 5;
/** A side view is tilted little: the spread of log tallness before anything is seen. */
const TALL_SPREAD = 0.03;
const STEP_PX = 0.5;

/** A direction of the fly in the picture, of length 1. */
function direction(pose: Pose, dx: number, dz: number): readonly [number, number] {
  const [ax, ay] = toPixel(pose, 0, 0);
  const [bx, by] = toPixel(pose, dx, dz);
  const length = Math.hypot(bx - ax, by - ay) || 1;
  return [(bx - ax) / length, (by - ay) / length];
}

/** Where along a line a cover rises over or falls under half, px from its middle; null where it does not within reach. */
function crossing(cover: Field, px: number, py: number, [ux, uy]: readonly [number, number], from: number, to: number) {
  const step = from < to ? STEP_PX : -STEP_PX;
  let before = sampled(cover, px + ux * from, py + uy * from);
  for (let s = from + step; step > 0 ? s <= to : s >= to; s += step) {
    const value = sampled(cover, px + ux * s, py + uy * s);
    if (before >= 0.5 !== value >= 0.5) return s - step * ((value - 0.5) / (value - before));
    before = value;
  }
  return null;
}

/** The wire at one of its points: its middle where it stands clear on both sides. */
function seenAcross(
  cover: Field,
  pose: Pose,
  { x, z, nx, nz, wireMm }: WirePoint,
  reachPx: number,
): Seen | 'covered' | null {
  const [px, py] = toPixel(pose, x, z);
  const along = direction(pose, nx, nz);
  const wire = wireMm * pose.scale;
  // The middle may be off by as much as is looked for: the nearest wire to it.
  let best: number | null = null;
  for (let s = 0; s <= reachPx && best === null; s += STEP_PX)
    for (const at of s === 0 ? [0] : [s, -s])
      if (best === null && sampled(cover, px + along[0] * at, py + along[1] * at) >= 0.5) best = at;
  if (best === null) return null;
  const far = 2 * wire + 3;
  const upper = crossing(cover, px, py, along, best, best + far);
  const lower = crossing(cover, px, py, along, best, best - far);
  if (upper === null || lower === null) return 'covered';
  const breadth = upper - lower;
  if (breadth > 1.7 * wire + 1.5) return 'covered';
  if (breadth < 0.45 * wire - 0.5) return null;
  const off = (upper + lower) / 2;
  return Math.abs(off) > reachPx ? null : { off, weight: 1 };
}

/** A free end: where along its direction it stops. */
function seenEnd(cover: Field, pose: Pose, { x, z, dx, dz, wireMm }: WireEnd, reachPx: number): Seen | null {
  const wire = wireMm * pose.scale;
  const [px, py] = toPixel(pose, x, z);
  const along = direction(pose, dx, dz);
  const inside = -Math.max(reachPx, wire) - 1;
  if (sampled(cover, px + along[0] * inside, py + along[1] * inside) < 0.5) return null;
  const off = crossing(cover, px, py, along, inside, reachPx + 1);
  return off === null || Math.abs(off) > reachPx ? null : { off, weight: 4 };
}

/** How a place of the fly moves in the picture with each of the parameters. */
function jacobian(pose: Pose, x: number, z: number): readonly (readonly [number, number])[] {
  const { turn, scale, tall, side } = pose;
  const [p, q] = [side * x, -tall * z];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return [
    [1, 0],
    [0, 1],
    [scale * (-p * sin - q * cos), scale * (p * cos - q * sin)],
    [scale * (p * cos - q * sin), scale * (p * sin + q * cos)],
    [scale * (-q * sin), scale * (q * cos)],
  ];
}

interface Look {
  readonly rows: { readonly slopes: Float64Array; readonly off: number; readonly weight: number }[];
  readonly explained: number;
  readonly clear: number;
  readonly all: number;
  readonly tips: ReadonlySet<WireEnd['what']>;
}

function look(cover: Field, pose: Pose, line: WireLine, reachPx: number): Look {
  const rows: Look['rows'] = [];
  let [explained, clear] = [0, 0];
  const tips = new Set<WireEnd['what']>();
  const add = (x: number, z: number, along: readonly [number, number], { off, weight }: Seen): void => {
    const slopes = Float64Array.from(jacobian(pose, x, z), ([jx, jy]) => jx * along[0] + jy * along[1]);
    rows.push({ slopes, off, weight });
  };
  for (const point of line.points) {
    const seen = seenAcross(cover, pose, point, reachPx);
    if (seen === null) continue;
    // Wire that should stand clear and does not is half explained: hair may lie over it, or the hook elsewhere.
    explained += seen === 'covered' && !point.hidden ? 0.5 : 1;
    if (seen === 'covered') continue;
    clear++;
    add(point.x, point.z, direction(pose, point.nx, point.nz), seen);
  }
  for (const end of line.ends) {
    const seen = seenEnd(cover, pose, end, reachPx);
    if (!seen) continue;
    tips.add(end.what);
    add(end.x, end.z, direction(pose, end.dx, end.dz), seen);
  }
  return { rows, explained, clear, all: line.points.length, tips };
}

/** Tukey's weight: what is far off has no say. */
const tukey = (off: number, reach: number): number => {
  const t = off / reach;
  return Math.abs(t) >= 1 ? 0 : (1 - t * t) ** 2;
};

const inverse = (matrix: readonly Float64Array[]): Float64Array[] =>
  solveSmall(
    matrix.map((row) => Float64Array.from(row)),
    matrix.map((_, i) => Float64Array.from({ length: matrix.length }, (_unused, j) => (i === j ? 1 : 0))),
  );

const ROUNDS = 20;
/** By how much nearer it is looked for in each round. */
const SHRINKS = 0.75;
/** A step smaller than this, px, is the last. */
const STILL_PX = 0.02;

/**
 * Lays the hook on the picture by least squares over all of its wire that stands clear: place, turn, scale and tilt.
 * @param known pixels to a millimetre where they are known
 */
export function fitHook(cover: Field, from: Pose, line: WireLine, known: number | null): Fit {
  let pose = from;
  const wire = (line.points.at(-1)?.wireMm ?? 1) * from.scale;
  const span = from.scale * Math.max(1, ...line.points.map(({ x }) => x));
  let normal: Float64Array[] = [];
  let stray = 1;
  let last = look(cover, pose, line, 2 * wire + 4);
  for (let round = 0; round < ROUNDS; round++) {
    // It is looked for widely at first, and then where it must be.
    const reach = Math.max(1.2 * edgeOf(wire), (2 * wire + 4) * SHRINKS ** round);
    last = look(cover, pose, line, reach);
    const { rows } = last;
    const sorted = rows.map(({ off }) => Math.abs(off)).sort((one, other) => one - other);
    stray = Math.max(0.25, 1.4826 * (sorted[Math.floor(sorted.length / 2)] ?? 1));
    const [matrix, right] = priors(pose, from, known);
    for (const { slopes, off, weight } of rows) {
      const w = (weight * tukey(off, Math.max(4 * stray, 1.5))) / (stray * stray) / CORRELATED;
      for (let i = 0; i < PARAMETERS; i++) {
        const row = matrix[i] as Float64Array;
        for (let j = 0; j < PARAMETERS; j++) row[j] = f64(row, j) + w * f64(slopes, i) * f64(slopes, j);
        (right[i] as Float64Array)[0] = f64(right[i] as Float64Array, 0) + w * f64(slopes, i) * off;
      }
    }
    normal = matrix.map((row) => Float64Array.from(row));
    const step = solveSmall(matrix, right).map((row) => f64(row, 0));
    const [dx, dy, turn, scale, tall] = step as [number, number, number, number, number];
    const most = Math.max(1, Math.abs(turn) / 0.08, Math.abs(scale) / 0.08, Math.abs(dx) / reach, Math.abs(dy) / reach);
    pose = {
      ...pose,
      tx: pose.tx + dx / most,
      ty: pose.ty + dy / most,
      turn: pose.turn + turn / most,
      scale: pose.scale * Math.exp(scale / most),
      tall: pose.tall * Math.exp(tall / most),
    };
    const moved = Math.abs(dx) + Math.abs(dy) + (Math.abs(turn) + Math.abs(scale)) * span;
    if (moved < STILL_PX && reach <= 1.3 * edgeOf(wire)) break;
  }
  return {
    pose,
    confidence: last.all === 0 ? 0 : last.explained / last.all,
    clearMm: last.clear * 0.2,
    tips: last.tips,
    strayPx: stray,
    covariance: inverse(normal),
  };
}

/** Neighbours along a wire tell the same: so many of them count as one. */
const CORRELATED = 4;
const edgeOf = (wire: number): number => Math.max(1.5, 0.6 * wire);

/** What is known before anything is seen, as equations: that it is tilted little, and its scale where that is told. */
function priors(pose: Pose, from: Pose, known: number | null): [Float64Array[], Float64Array[]] {
  const matrix = Array.from({ length: PARAMETERS }, () => new Float64Array(PARAMETERS));
  const right = Array.from({ length: PARAMETERS }, () => new Float64Array(1));
  const put = (k: number, off: number, spread: number): void => {
    (matrix[k] as Float64Array)[k] = 1 / spread ** 2;
    (right[k] as Float64Array)[0] = off / spread ** 2;
  };
  put(0, from.tx - pose.tx, 20 + 0.1 * from.scale * 30);
  put(1, from.ty - pose.ty, 20 + 0.1 * from.scale * 30);
  put(2, from.turn - pose.turn, 0.3);
  if (known === null) put(3, Math.log(from.scale / pose.scale), 0.25);
  else put(3, Math.log(known / pose.scale), 0.002);
  put(4, -Math.log(pose.tall), TALL_SPREAD);
  return [matrix, right];
}

/** The spread of a place of the fly in the picture, px, along the shank and across it. */
export function spreadAt({ pose, covariance, strayPx }: Fit, x: number, z: number): number {
  const slopes = jacobian(pose, x, z);
  let sum = 0;
  for (let i = 0; i < PARAMETERS; i++)
    for (let j = 0; j < PARAMETERS; j++) {
      const [[ax, ay], [bx, by]] = [slopes[i] as readonly [number, number], slopes[j] as readonly [number, number]];
      sum += f64(covariance[i] as Float64Array, j) * (ax * bx + ay * by);
    }
  return Math.hypot(Math.sqrt(Math.max(0, sum)), 0.25 * strayPx);
}

/** Where no front end is seen, the length of what lies under the dressing is a guess: by this share. */
const FRONT_UNSEEN = 0.035;

/** The spread of the scale, as a share of it. @param known whether it was told */
export const scaleSpread = ({ covariance, tips }: Fit, known: boolean): number =>
  Math.hypot(
    Math.sqrt(Math.max(0, f64(covariance[3] as Float64Array, 3))),
    known || tips.has('front') ? 0 : FRONT_UNSEEN,
  );

/** The spread of the front end, px. @param shankPx length of the shank in the picture */
export const frontSpread = (fit: Fit, shankPx: number): number =>
  Math.hypot(spreadAt(fit, 0, 0), fit.tips.has('front') ? 0 : FRONT_UNSEEN * shankPx);
