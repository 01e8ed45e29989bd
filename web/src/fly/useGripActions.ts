import { useMemo } from 'react';
import type { DrawingActions } from '../shared/drawing/Grips.tsx';
import { byStations, dragOf, nudge } from './pulling.ts';
import { useBenchStore } from './store.ts';

/** What pulling and nudging on a drawing does to the fly on the bench. */
export function useGripActions(): Omit<DrawingActions, 'onPick'> {
  const bench = useBenchStore();
  return useMemo(
    () => ({
      onPullStart: dragOf(bench),
      onNudge: (gripId, steps) => nudge(bench, gripId, steps),
      onStation: (gripId, stations) => byStations(bench, gripId, stations),
    }),
    [bench],
  );
}
