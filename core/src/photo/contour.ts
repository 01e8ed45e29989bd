import { contours } from 'd3-contour';
import type { Field } from './picture.ts';

/** An outline has so many points at most: finer than a hair is thick it need not be. */
const MOST_POINTS = 1500;

/** Twice the area of a ring, by the sign of its turn. */
const turned = (ring: readonly (readonly number[])[]): number =>
  ring.reduce((sum, [x = 0, y = 0], i) => {
    const [px = 0, py = 0] = ring[(i + ring.length - 1) % ring.length] ?? [];
    return sum + px * y - x * py;
  }, 0);

/** The outer edge of the largest patch of a cover, at half of it, between pixels (marching squares); px, a pixel's middle at its number. */
export function contourOf({ width, height, at }: Field): readonly (readonly [number, number])[] {
  const [shape] = contours().size([width, height]).thresholds([0.5])(Array.from(at));
  const rings = (shape?.coordinates ?? []).flatMap(([outer]) => (outer ? [outer] : []));
  const largest = rings.reduce<(typeof rings)[number]>(
    (best, ring) => (Math.abs(turned(ring)) > Math.abs(turned(best)) ? ring : best),
    [],
  );
  const every = Math.max(1, Math.ceil(largest.length / MOST_POINTS));
  return largest.filter((_, i) => i % every === 0).map(([x = 0, y = 0]) => [x - 0.5, y - 0.5] as const);
}
