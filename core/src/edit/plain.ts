import type { Reading } from '../pattern/index.ts';
import type { RelationAt } from './relations.ts';

/** Millimetres to a hundredth, as they are written into a relation. */
export const shown = (mm: number): string => String(Math.round(mm * 100) / 100);

/** A relation in plain millimetres that comes to the same as a reading; a band stays one. */
export function plainRelation(type: RelationAt['type'], { mm, low, high, roundMm }: Reading): string {
  if (type === 'length') {
    const band = low !== high && Math.abs((low + high) / 2 - mm) < 0.01;
    return band ? `${shown(low)}..${shown(high)} mm` : `${shown(mm)} mm`;
  }
  if (roundMm !== undefined) return `round ${shown(roundMm)} mm`;
  return mm < 0 ? `eye - ${shown(-mm)} mm` : `eye + ${shown(mm)} mm`;
}
