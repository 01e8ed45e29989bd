import { formatNumber, METRIC, type Style } from '../../units/index.ts';

const LEAST_DEG = 0.05;
/** Below so many degrees a lean is told to a tenth. */
const FINE_DEG = 2;

/** How far a rest is off upright, and to which side the point leans; null where it is not. A roll above zero takes the point to the near side. */
export function leanOf(heelDeg: number): { readonly deg: number; readonly side: 'near' | 'far' } | null {
  const deg = Math.min(Math.abs(heelDeg), 180 - Math.abs(heelDeg));
  return deg < LEAST_DEG ? null : { deg, side: heelDeg > 0 ? 'near' : 'far' };
}

/** Degrees off upright: whole, or to a tenth where there are few. */
export const leanFigure = (deg: number, style: Style): string => `${formatNumber(deg, deg < FINE_DEG ? 1 : 0, style)}°`;

/** How far the point leans from straight up or down, and to which side: `12° to the far side`. */
export function leanWords(heelDeg: number, style: Style = METRIC): string {
  const lean = leanOf(heelDeg);
  return lean === null ? 'upright' : `${leanFigure(lean.deg, style)} to the ${lean.side} side`;
}
