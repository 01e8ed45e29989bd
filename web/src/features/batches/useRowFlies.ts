import { layFly, type LaidFly, boundsOf } from '@jobbet/core/model';
import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
import { useMemo } from 'react';

/** The fly of one row as it is drawn: dressed, and its bare hook. */
export interface RowLaid {
  readonly dressed: LaidFly;
  readonly bare: LaidFly;
}

function laidOf(file: FlyFile, drawers: Drawers): RowLaid | null {
  const dressed = layFly(file, drawers);
  const bare = layFly({ ...file, platform: { ...file.platform, headSpace: undefined }, parts: [] }, drawers);
  return dressed.ok && bare.ok ? { dressed: dressed.value, bare: bare.value } : null;
}

/** The flies of all rows, laid out for drawing, and the one scale that all of them fit the rack's height in. */
export function useRowFlies(files: readonly FlyFile[], drawers: Drawers, abovePx: number, belowPx: number) {
  const rows = useMemo(() => files.map((file) => laidOf(file, drawers)), [files, drawers]);
  const scale = useMemo(
    () =>
      rows.reduce((least, row) => {
        if (!row) return least;
        const { rear } = row.dressed.platform.landmarksMm;
        const bounds = boundsOf(row.dressed.sections, rear);
        const above = rear - Math.min(bounds.front, 0);
        const below = Math.max(1, bounds.rear - rear);
        return Math.min(least, abovePx / above, belowPx / below);
      }, MOST_SCALE),
    [rows, abovePx, belowPx],
  );
  return { rows, scale };
}

const MOST_SCALE = 3.2;
