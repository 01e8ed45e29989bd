import type { HookFile } from '../../pattern/index.ts';
import { arc, cubic, type Curve } from './curve.ts';

export type BendName = NonNullable<HookFile['bend']>;

/** Handles of a bend's cubic as shares of its height, at the shank and at the point leg. Judgement, after the shapes these names stand for. */
const HANDLES: Readonly<Record<Exclude<BendName, 'round' | 'continuous'>, readonly [number, number]>> = {
  sproat: [0.45, 0.85],
  limerick: [0.25, 1.0],
  'wide-gap': [0.8, 0.8],
};

/** How far a continuous curve's shank rises over its chord, as a share of the chord. */
const SAG = 0.1;
/** Handles that bring a cubic within a thousandth of a half circle, as a share of its height. */
const ROUND = 2 / 3;

/** The shank of a continuous curve: an arc over the chord from the eye to the bend, and the angle at which it falls at its end; mm, radians. */
export function shankArc(shankMm: number): { readonly curve: Curve; readonly fall: number } {
  const rise = SAG * shankMm;
  const radius = (shankMm ** 2 / 4 + rise ** 2) / (2 * rise);
  const half = Math.asin(shankMm / 2 / radius);
  return { curve: arc([shankMm / 2, rise - radius], radius, Math.PI / 2 + half, Math.PI / 2 - half), fall: half };
}

/** The bend of a hook in its own plane, from the end of the shank down to the beginning of the point leg; mm. */
export function bendCurve(bend: BendName, shankMm: number, heightMm: number): Curve {
  if (bend === 'round') return arc([shankMm, -heightMm / 2], heightMm / 2, Math.PI / 2, -Math.PI / 2);
  // A continuous curve goes on down the end of its shank's arc; the others leave a straight shank.
  const fall = bend === 'continuous' ? shankArc(shankMm).fall : 0;
  const [a, b] = bend === 'continuous' ? [ROUND, ROUND] : HANDLES[bend];
  return cubic(
    [shankMm, 0],
    [shankMm + a * heightMm * Math.cos(fall), -a * heightMm * Math.sin(fall)],
    [shankMm + b * heightMm, -heightMm],
    [shankMm, -heightMm],
  );
}
