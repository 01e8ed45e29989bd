import type { Vec3 } from '../../model/index.ts';

/** Corners sharper than this are corners. */
const CORNER = Math.cos((35 * Math.PI) / 180);
/** A piece so many times as long as what it meets is straight. */
const STRAIGHT = 3;

const lengthOf = ([x, y, z]: Vec3): number => Math.hypot(x, y, z);
const from = (a: Vec3, b: Vec3): Vec3 => [b[0] - a[0], b[1] - a[1], b[2] - a[2]];

/** What goes on beyond `at`, no further off than `mm`; null at an end and round a corner. */
function beyond(at: Vec3, next: Vec3 | undefined, back: Vec3, mm: number): Vec3 | null {
  if (!next) return null;
  const [on, coming] = [from(at, next), from(back, at)];
  const length = lengthOf(on);
  const turn = (on[0] * coming[0] + on[1] * coming[1] + on[2] * coming[2]) / (length * lengthOf(coming));
  if (!(turn > CORNER)) return null;
  const t = Math.min(1, mm / length);
  return [at[0] + t * on[0], at[1] + t * on[1], at[2] + t * on[2]];
}

/** The middle of a piece as the curve through it and what it meets has it; null where it is straight as far as can be told. */
function middle(points: readonly Vec3[], i: number): Vec3 | null {
  const [a, b] = [points[i] as Vec3, points[i + 1] as Vec3];
  const mm = lengthOf(from(a, b));
  const [p, q] = [points[i - 1], points[i + 2]];
  const shortest = Math.min(
    ...[p && lengthOf(from(p, a)), q && lengthOf(from(b, q))].filter((each) => each !== undefined),
  );
  if (mm === 0 || mm > STRAIGHT * shortest) return null;
  const [before, after] = [beyond(a, p, b, mm), beyond(b, q, a, mm)];
  const of = (k: 0 | 1 | 2): number => {
    if (before && after) return (9 * (a[k] + b[k]) - before[k] - after[k]) / 16;
    if (before) return (3 * b[k] + 6 * a[k] - before[k]) / 8;
    return after ? (3 * a[k] + 6 * b[k] - after[k]) / 8 : (a[k] + b[k]) / 2;
  };
  return before || after ? [of(0), of(1), of(2)] : null;
}

/**
 * A line of points on a curve told in finer pieces, so that none of them is seen however large it is drawn: each point stays where it is, and
 * what lies between follows the curve through its neighbours. Straight runs and corners stay as they are.
 * Source: Dyn, Levin & Gregory (1987), a 4-point interpolatory subdivision scheme.
 * @param rounds each halves the pieces
 */
export function smoothed(points: readonly Vec3[], rounds = 2): readonly Vec3[] {
  if (rounds === 0) return points;
  const finer = points.flatMap((point, i): Vec3[] => {
    const between = i + 1 < points.length ? middle(points, i) : null;
    return between ? [point, between] : [point];
  });
  return smoothed(finer, rounds - 1);
}
