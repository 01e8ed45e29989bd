import {
  formatAngle,
  formatDepth,
  formatLength,
  formatNumber,
  formatMass,
  formatMoment,
  formatSpeed,
  type Style,
  type Written,
} from './format.ts';
import { MM_PER } from './scales.ts';

/** Without the noughts that say nothing: 19 mm, 1.8 mm. */
const bare = (figure: string): string => figure.replace(/([.,]\d*?)0+$/, '$1').replace(/[.,]$/, '');

const said = ({ figure, unit }: Written): string => `${figure} ${unit}`;

/** Figures of one tier's units as they stand in a sentence. */
export const saying = (style: Style) => ({
  mass: (mg: number): string => said(formatMass(mg, style)),
  length: (mm: number): string => said(formatLength(mm, style)),
  /** A length as it is spoken: `19 mm`, `1.8 mm`. */
  spoken: (mm: number): string => {
    const { figure, unit } = formatLength(mm, style);
    return `${unit === 'mm' ? bare(figure) : figure} ${unit}`;
  },
  /** Wire and the like: `0.18 mm`, in inches by thousandths as it is sold, `.020 in`. */
  thin: (mm: number): string =>
    style.length === 'in'
      ? `${formatNumber(mm / MM_PER.in, 3, style).replace(/^0/, '')} in`
      : `${bare(formatNumber(mm, 2, style))} mm`,
  /** A stretch: `7.3 to 26.6 mm`; one that begins in front of where it is measured from: `6 mm ahead to 5.4 mm`. */
  stretch: (fromMm: number, toMm: number): string => {
    const [from, to] = [formatLength(Math.abs(fromMm), style), formatLength(toMm, style)];
    const plain = ({ figure, unit }: Written): string => (unit === 'mm' ? bare(figure) : figure);
    const ahead = fromMm < 0 && Number(from.figure.replace(',', '.')) !== 0;
    return `${plain(from)}${ahead ? ` ${from.unit} ahead` : ''} to ${plain(to)} ${to.unit}`;
  },
  /** How deep a fly goes, and how far it is cast: `1.31 m`, `4.3 ft`. */
  depth: (mm: number): string => {
    const { figure, unit } = formatDepth(mm, style, 2);
    return `${bare(figure)} ${unit}`;
  },
  speed: (mmS: number): string => said(formatSpeed(mmS, style)),
  moment: (mgMm: number): string => said(formatMoment(mgMm, style)),
  angle: (deg: number): string => `${formatAngle(deg, style)}°`,
});
export type Saying = ReturnType<typeof saying>;
