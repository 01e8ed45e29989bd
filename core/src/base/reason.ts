import type { Fault } from './fault.ts';

/** Nothing laid out on a fly is longer or wider, mm: one metre. Depths, cut lengths and tackle are no part of it. */
export const MOST_MM = 1000;

/** The fault of a length that no fly has. */
export function tooLong(path: string, mm: number): Fault {
  const size = Math.abs(mm) < 1e7 ? `${String(Math.round(mm))} mm` : 'more than can be measured';
  return { path, code: 'range', message: `comes to ${size}; nothing on a fly is over ${String(MOST_MM / 1000)} m` };
}
