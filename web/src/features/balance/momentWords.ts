import { formatMoment, type Style } from '@jobbet/core/units';

/** mg·mm as it is read: gram-force millimetres. */
export const momentWords = (mgMm: number, style: Style): string => Object.values(formatMoment(mgMm, style)).join(' ');
