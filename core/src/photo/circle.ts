import { solveSmall } from './ground.ts';

/** An outline on the fly, mm. */
export type Ring = readonly (readonly [x: number, z: number])[];

export interface Circle {
  readonly x: number;
  readonly z: number;
  readonly r: number;
  /** How far its points lie off it, mm, root of the mean square, and how many they are. */
  readonly offMm: number;
  readonly points: number;
}

/** A circle by least squares on x² + z² (I. Kåsa, 1976). */
function circleThrough(points: Ring): Circle {
  const sums = [0, 1, 2].map(() => new Float64Array(3));
  const right = [0, 1, 2].map(() => new Float64Array(1));
  for (const [x, z] of points) {
    const row = [x, z, 1];
    for (let i = 0; i < 3; i++) {
      for (let j = 0; j < 3; j++)
        (sums[i] as Float64Array)[j] = ((sums[i] as Float64Array)[j] ?? 0) + (row[i] ?? 0) * (row[j] ?? 0);
      (right[i] as Float64Array)[0] = ((right[i] as Float64Array)[0] ?? 0) + (row[i] ?? 0) * (x * x + z * z);
    }
  }
  const [a = 0, b = 0, c = 0] = solveSmall(sums, right).map(([value]) => value);
  const [x, z] = [a / 2, b / 2];
  const r = Math.sqrt(Math.max(0, c + x * x + z * z));
  const off = points.reduce((sum, [px, pz]) => sum + (Math.hypot(px - x, pz - z) - r) ** 2, 0);
  return { x, z, r, offMm: Math.sqrt(off / points.length), points: points.length };
}

const ROUNDS = 8;
/** So many of their median distances off a circle, a point is of something else; mm at least. */
const STRAY = { medians: 3, mm: 0.06 } as const;

/** The circle that most of some points lie on, what is stray left out; null where too few are left. */
export function circleAmong(points: Ring): Circle | null {
  let own = points;
  for (let round = 0; round < ROUNDS; round++) {
    const circle = circleThrough(own);
    const off = ([x, z]: Ring[number]): number => Math.abs(Math.hypot(x - circle.x, z - circle.z) - circle.r);
    const sorted = own.map(off).sort((one, other) => one - other);
    const most = Math.max(STRAY.mm, STRAY.medians * (sorted[sorted.length >> 1] ?? 0));
    const next = points.filter((each) => off(each) <= most);
    if (next.length < LEAST_BINS) return null;
    if (next.length === own.length && next.every((each, i) => each === own[i])) break;
    own = next;
  }
  return circleThrough(own);
}

export const BINS = 36;
export const binOf = (dx: number, dz: number): number =>
  Math.floor(((Math.atan2(dz, dx) / (2 * Math.PI) + 1) % 1) * BINS) % BINS;
/** Less of a ball than this that stands clear tells nothing of it. */
export const LEAST_BINS = 9;
/** As far off its plan, in shares of its radius, an edge is still taken for the ball's. */
const ON_BALL_MM = 0.15;
const EDGE = { least: 0.45, most: 1.6 } as const;

/** The directions from a place in which a ring has the ball's own edge and nothing beside it. */
export function clearOf(ring: Ring, [x, z]: readonly [number, number], r: number): ReadonlySet<number> {
  const [own, other] = [new Set<number>(), new Set<number>()];
  for (const [px, pz] of ring) {
    const far = Math.hypot(px - x, pz - z);
    if (far < EDGE.most * r) (Math.abs(far - r) < ON_BALL_MM ? own : other).add(binOf(px - x, pz - z));
  }
  return new Set([...own].filter((bin) => !other.has(bin)));
}

/** The outermost point of a ring in each direction from a place where the plan has the ball's own edge. */
export function edgeOf(ring: Ring, [x, z]: readonly [number, number], r: number, clear: ReadonlySet<number>): Ring {
  const by = new Map<number, readonly [number, number]>();
  for (const [px, pz] of ring) {
    const [dx, dz] = [px - x, pz - z];
    const far = Math.hypot(dx, dz);
    const bin = binOf(dx, dz);
    if (far < EDGE.least * r || far > EDGE.most * r || !clear.has(bin)) continue;
    const known = by.get(bin);
    if (!known || Math.hypot(known[0] - x, known[1] - z) < far) by.set(bin, [px, pz]);
  }
  return [...by.values()];
}
