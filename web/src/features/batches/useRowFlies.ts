import { layFly, type LaidFly, boundsOf } from '@jobbet/core/model';
import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
import { bareOf } from '@jobbet/core/tying';
import { useMemo } from 'react';
import { RACK } from './rackSize.ts';

/** The fly of one row as it is drawn: dressed, and its bare hook. */
export interface RowLaid {
  readonly dressed: LaidFly;
  readonly bare: LaidFly;
}

function laidOf(file: FlyFile, drawers: Drawers): RowLaid | null {
  const dressed = layFly(file, drawers);
  return dressed.ok ? { dressed: dressed.value, bare: bareOf(dressed.value) } : null;
}

const MOST_SCALE = 3.2;

/** The scale at which a fly fits the rack's height. */
function scaleOf({ dressed }: RowLaid): number {
  const { rear } = dressed.platform.landmarksMm;
  const bounds = boundsOf(dressed.sections, rear);
  const above = rear - Math.min(bounds.front, 0);
  const below = Math.max(1, bounds.rear - rear);
  return Math.min(RACK.above / above, RACK.below / below);
}

/** Each is laid once for as long as its file and the drawers stay. */
const known = new WeakMap<Drawers, WeakMap<FlyFile, RowLaid | null>>();

function laidOnce(file: FlyFile, drawers: Drawers): RowLaid | null {
  const own = known.get(drawers) ?? new WeakMap<FlyFile, RowLaid | null>();
  known.set(drawers, own);
  const before = own.get(file);
  if (before !== undefined) return before;
  const made = laidOf(file, drawers);
  own.set(file, made);
  return made;
}

/**
 * The flies of the rows that are drawn, laid out, and the one scale that all of them fit the rack's height in.
 * @param drawn the rows, from 0 @returns by row
 */
export function useRowFlies(files: readonly FlyFile[], drawn: readonly number[], drawers: Drawers) {
  return useMemo(() => {
    const rows = new Map<number, RowLaid | null>();
    for (const row of drawn) {
      const file = files[row];
      if (file && !rows.has(row)) rows.set(row, laidOnce(file, drawers));
    }
    const scale = [...rows.values()].reduce((least, row) => (row ? Math.min(least, scaleOf(row)) : least), MOST_SCALE);
    return { rows, scale };
  }, [files, drawn, drawers]);
}
