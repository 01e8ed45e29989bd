import { useMemo } from 'react';
import { useBatches } from './kept.ts';

const NONE: ReadonlyMap<string, number> = new Map();

/** How many of each fly lie in the box, by its id: what batches tied. */
export function useInBox(): ReadonlyMap<string, number> {
  const { batches } = useBatches();
  return useMemo(() => {
    if (!batches) return NONE;
    const all = new Map<string, number>();
    for (const { summary } of batches)
      for (const [fly, count] of Object.entries(summary?.kept ?? {})) all.set(fly, (all.get(fly) ?? 0) + count);
    return all;
  }, [batches]);
}
