import {
  formatAngle,
  formatLength,
  formatMass,
  formatMoment,
  formatSpeed,
  type Style,
  type Written,
} from '../units/format.ts';

const said = ({ figure, unit }: Written): string => `${figure} ${unit}`;

/** Figures of one tier's units as they stand in a sentence. */
export const saying = (style: Style) => ({
  mass: (mg: number): string => said(formatMass(mg, style)),
  length: (mm: number): string => said(formatLength(mm, style)),
  speed: (mmS: number): string => said(formatSpeed(mmS, style)),
  moment: (mgMm: number): string => said(formatMoment(mgMm, style)),
  angle: (deg: number): string => `${formatAngle(deg, style)}°`,
});

const LEAST_DEG = 0.5;

/** How far a rest is off upright, and to which side the point leans; null where it is not. A roll above zero takes the point to the near side. */
export function leanOf(heelDeg: number): { readonly deg: number; readonly side: 'near' | 'far' } | null {
  const deg = Math.min(Math.abs(heelDeg), 180 - Math.abs(heelDeg));
  return deg < LEAST_DEG ? null : { deg, side: heelDeg > 0 ? 'near' : 'far' };
}
