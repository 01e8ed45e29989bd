import type { Curve, Vec2 } from './curve.ts';

/** A limb of a bent wire cut across x: where it lies in z and how thick it is there. mm */
export interface Limb {
  readonly fromMm: number;
  readonly toMm: number;
  readonly at: (x: number) => { readonly z: number; readonly semiY: number; readonly semiZ: number };
}

const SAMPLES = 48;

/** One edge of a wire as z over x, x rising. */
type Edge = readonly Vec2[];

/** The edge of a wire so far to the left of its centre line (negative: to the right), cut in two at its foremost reach aft. */
function edgesOf(
  curve: Curve,
  offsetMm: number,
): { readonly out: Edge; readonly back: Edge; readonly reachMm: number } {
  const points = Array.from({ length: SAMPLES + 1 }, (_, i): Vec2 => {
    const t = i / SAMPLES;
    const [x, z] = curve.at(t);
    const [dx, dz] = curve.rate(t);
    const speed = Math.hypot(dx, dz);
    return [x - (offsetMm * dz) / speed, z + (offsetMm * dx) / speed];
  });
  const turn = points.reduce((best, point, i) => (point[0] > (points[best]?.[0] ?? 0) ? i : best), 0);
  return { out: points.slice(0, turn + 1), back: points.slice(turn).reverse(), reachMm: points[turn]?.[0] ?? 0 };
}

/** z of an edge at x, between its points; at its ends beyond them. */
function heightOf(edge: Edge, x: number): number {
  let [low, high] = [0, edge.length - 1];
  while (high - low > 1) {
    const mid = (low + high) >> 1;
    if ((edge[mid]?.[0] ?? 0) <= x) low = mid;
    else high = mid;
  }
  const [a, b] = [edge[low] ?? [0, 0], edge[high] ?? edge[low] ?? [0, 0]];
  const t = b[0] === a[0] ? 0 : Math.min(1, Math.max(0, (x - a[0]) / (b[0] - a[0])));
  return a[1] + t * (b[1] - a[1]);
}

/** Half thickness in y at x of a wire whose centre line reaches so far aft: all of it, and less beyond that reach. */
const thickness = (radiusMm: number, x: number, reachMm: number): number =>
  Math.sqrt(Math.max(0, radiusMm ** 2 - Math.max(0, x - reachMm) ** 2));

function limb(fromMm: number, toMm: number, top: Edge, bottom: Edge, semiY: (x: number) => number): Limb {
  return {
    fromMm,
    toMm,
    at: (x) => {
      const [high, low] = [heightOf(top, x), heightOf(bottom, x)];
      return { z: (high + low) / 2, semiY: semiY(x), semiZ: Math.abs(high - low) / 2 };
    },
  };
}

/**
 * Cuts a bend across x: the limb at the shank and the limb at the point leg as far aft as the inside of the bend reaches, and the crown beyond.
 * @param curve from the shank's end to the point leg's beginning, both at x = `fromMm` and running along x there
 */
export function bendLimbs(curve: Curve, wireMm: number, fromMm: number): Limb[] {
  const radius = wireMm / 2;
  const [outer, inner, middle] = [edgesOf(curve, radius), edgesOf(curve, -radius), edgesOf(curve, 0)];
  const semiY = (x: number): number => thickness(radius, x, middle.reachMm);
  return [
    limb(fromMm, inner.reachMm, outer.out, inner.out, semiY),
    limb(fromMm, inner.reachMm, inner.back, outer.back, semiY),
    limb(inner.reachMm, outer.reachMm, outer.out, outer.back, semiY),
  ];
}

/** Height of a centre line that runs on along x, as a function of x. */
export function heightAlong(curve: Curve): (x: number) => number {
  const { out } = edgesOf(curve, 0);
  return (x) => heightOf(out, x);
}

/** Cuts a wire that runs on along x without turning back: one limb. */
export function runLimb(curve: Curve, wireMm: number): Limb {
  const [top, bottom] = [edgesOf(curve, wireMm / 2).out, edgesOf(curve, -wireMm / 2).out];
  return limb(curve.at(0)[0], curve.at(1)[0], top, bottom, () => wireMm / 2);
}
