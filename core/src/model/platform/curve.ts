/** A point of a plane curve: x aft, z away from the point; mm. */
export type Vec2 = readonly [x: number, z: number];

/** Length of a curve and its middle as of a wire of even weight; mm. */
export interface Sweep {
  readonly lengthMm: number;
  readonly centroid: Vec2;
}

/** A smooth piece of a centre line: where it is and how fast it goes, at t from 0 to 1. */
export interface Curve {
  readonly at: (t: number) => Vec2;
  readonly rate: (t: number) => Vec2;
  /** Length and middle where they have a closed form; integrated where not. */
  readonly sweep?: Sweep;
}

export const line = (from: Vec2, to: Vec2): Curve => {
  const [dx, dz] = [to[0] - from[0], to[1] - from[1]];
  return {
    at: (t) => [from[0] + t * dx, from[1] + t * dz],
    rate: () => [dx, dz],
    sweep: { lengthMm: Math.hypot(dx, dz), centroid: [from[0] + dx / 2, from[1] + dz / 2] },
  };
};

/** Part of a circle round `centre`, from one angle to another; radians, 0 along +x, turning toward +z. */
export const arc = (centre: Vec2, radius: number, from: number, to: number): Curve => {
  const turn = to - from;
  const mid = (from + to) / 2;
  // The middle of an arc of half angle h lies r·sin h / h from its centre.
  const out = (radius * Math.sin(turn / 2)) / (turn / 2);
  return {
    at: (t) => [centre[0] + radius * Math.cos(from + t * turn), centre[1] + radius * Math.sin(from + t * turn)],
    rate: (t) => [-radius * turn * Math.sin(from + t * turn), radius * turn * Math.cos(from + t * turn)],
    sweep: {
      lengthMm: radius * Math.abs(turn),
      centroid: [centre[0] + out * Math.cos(mid), centre[1] + out * Math.sin(mid)],
    },
  };
};

/** A cubic from `a` to `d` with handles `b` and `c`. */
export const cubic = (a: Vec2, b: Vec2, c: Vec2, d: Vec2): Curve => {
  const blend = (t: number, k: 0 | 1): number =>
    (1 - t) ** 3 * a[k] + 3 * (1 - t) ** 2 * t * b[k] + 3 * (1 - t) * t ** 2 * c[k] + t ** 3 * d[k];
  const slope = (t: number, k: 0 | 1): number =>
    3 * ((1 - t) ** 2 * (b[k] - a[k]) + 2 * (1 - t) * t * (c[k] - b[k]) + t ** 2 * (d[k] - c[k]));
  return { at: (t) => [blend(t, 0), blend(t, 1)], rate: (t) => [slope(t, 0), slope(t, 1)] };
};

/** Places and weights of Gauss and Legendre's rule of five on 0 to 1. */
const GAUSS: readonly (readonly [t: number, weight: number])[] = [
  [0.04691007703066802, 0.11846344252809454],
  [0.23076534494715845, 0.23931433524968324],
  [0.5, 0.28444444444444444],
  [0.7692346550528415, 0.23931433524968324],
  [0.953089922969332, 0.11846344252809454],
];
const PIECES = 8;

/** Length of a curve up to t, mm. */
export function lengthTo(curve: Curve, t = 1): number {
  let length = 0;
  for (let i = 0; i < PIECES; i++)
    for (const [g, weight] of GAUSS) {
      const [dx, dz] = curve.rate((t * (i + g)) / PIECES);
      length += (Math.hypot(dx, dz) * weight * t) / PIECES;
    }
  return length;
}

/** Length and middle of a curve: ∫ds and ∫ r ds over it. */
export function sweepOf(curve: Curve): Sweep {
  if (curve.sweep) return curve.sweep;
  let [length, x, z] = [0, 0, 0];
  for (let i = 0; i < PIECES; i++)
    for (const [g, weight] of GAUSS) {
      const t = (i + g) / PIECES;
      const ds = (Math.hypot(...curve.rate(t)) * weight) / PIECES;
      const [px, pz] = curve.at(t);
      length += ds;
      x += px * ds;
      z += pz * ds;
    }
  return { lengthMm: length, centroid: [x / length, z / length] };
}

/** The t at which a curve has run so far, mm; its ends where it is shorter. */
export function atLength(curve: Curve, mm: number): number {
  let [low, high] = [0, 1];
  if (mm >= lengthTo(curve)) return 1;
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (lengthTo(curve, mid) < mm) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/** Points of a curve at equal steps of t, its ends among them. */
export const pointsOf = (curve: Curve, steps: number): Vec2[] =>
  Array.from({ length: steps + 1 }, (_, i) => curve.at(i / steps));
