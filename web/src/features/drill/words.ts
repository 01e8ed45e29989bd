import { formatNumber, type Style } from '@jobbet/core/units';

/** mm as they are kept: thousandths. */
export const measured = (mm: number): number => Math.round(mm * 1000) / 1000;

export const percent = (share: number, style: Style, digits = 0): string =>
  `${formatNumber(100 * share, digits, style)} %`;

/** How far off a length was: `9 % short`. */
export function offWords(off: number, style: Style): string {
  const size = Math.round(100 * Math.abs(off));
  return size === 0 ? 'As it is asked' : `${percent(Math.abs(off), style)} ${off < 0 ? 'short' : 'long'}`;
}
