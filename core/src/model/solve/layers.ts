/** Wound work that later parts lie on. */
export interface Layer {
  readonly index: number;
  readonly rank: number;
  readonly fromMm: number;
  readonly toMm: number;
  readonly outer: (x: number) => number;
  /** What it lies on itself: over its own span it is nowhere thinner than those. */
  readonly under: ReadonlySet<Layer>;
}
export const NOTHING: ReadonlySet<Layer> = new Set();
const TOUCH_MM = 1e-6;

/** Remembers the last answer: layers over one another ask the same x again and again. */
export function lastKept(of: (x: number) => number): (x: number) => number {
  let at = Number.NaN;
  let value = 0;
  return (x) => {
    if (x !== at) {
      at = x;
      value = of(x);
    }
    return value;
  };
}

/**
 * How far the surface of some layers is from the axis at x, `base` where none of them lies. Asked from the topmost down, and no further than
 * to one that lies on all those left.
 */
export function radiusOver(layers: readonly Layer[], base: number): (x: number) => number {
  const coversRest = layers.map((layer, i) => layers.slice(0, i).every((each) => layer.under.has(each)));
  return lastKept((x) => {
    let radius = base;
    for (let i = layers.length - 1; i >= 0; i--) {
      const layer = layers[i];
      if (!layer || x < layer.fromMm - TOUCH_MM || x > layer.toMm + TOUCH_MM) continue;
      radius = Math.max(radius, layer.outer(x));
      if (coversRest[i] === true) break;
    }
    return radius;
  });
}
