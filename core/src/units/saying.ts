import {
  formatAngle,
  formatLength,
  formatMass,
  formatMoment,
  formatSpeed,
  type Style,
  type Written,
} from './format.ts';

const said = ({ figure, unit }: Written): string => `${figure} ${unit}`;

/** Figures of one tier's units as they stand in a sentence. */
export const saying = (style: Style) => ({
  mass: (mg: number): string => said(formatMass(mg, style)),
  length: (mm: number): string => said(formatLength(mm, style)),
  speed: (mmS: number): string => said(formatSpeed(mmS, style)),
  moment: (mgMm: number): string => said(formatMoment(mgMm, style)),
  angle: (deg: number): string => `${formatAngle(deg, style)}°`,
});
export type Saying = ReturnType<typeof saying>;
