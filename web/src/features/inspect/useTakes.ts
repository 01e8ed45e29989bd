import type { Learnt } from '@jobbet/core/inspect';
import { spreadKey } from '@jobbet/core/study';
import { useSpreads } from '../../fly/hands/useSpreads.ts';
import { useBench, useBenchStore } from '../../fly/store.ts';
import { changeUndoable } from '../../fly/undoable.ts';
import { say } from '../../shared/ui/toast.ts';
import type { Good } from './useInspected.ts';

/** Something learnt that can be taken: what that does, and what it moves. */
export interface Takeable {
  readonly learnt: Learnt;
  readonly does: string;
  readonly moves: readonly string[];
  readonly run: () => void;
}

/** What of that which the flies teach can be taken, in its order: into the pattern, or into the scatter of one's hands. */
export function useTakes(good: Good | null): readonly Takeable[] {
  const fly = useBench((state) => state.id);
  const bench = useBenchStore();
  const { own, keep } = useSpreads(fly);
  const spreadOf = (learnt: Learnt): Takeable[] => {
    if (learnt.goesTo !== 'hands' || learnt.part === null || own === null) return [];
    const key = spreadKey(learnt.part, 'length');
    const was = own[key];
    if (was !== undefined && Math.abs(was - learnt.now) < 1e-6) return [];
    const run = (): void => {
      keep((now) => ({ ...now, [key]: learnt.now }));
      say(`How alike yours come out goes by the ${learnt.words}.`, {
        name: 'Undo',
        run: () => keep(({ [key]: _taken, ...now }) => (was === undefined ? now : { ...now, [key]: was })),
      });
    };
    return [{ learnt, does: 'Reckon with it', moves: [], run }];
  };
  return (good?.report.learnt ?? []).flatMap((learnt, i): Takeable[] => {
    const take = good?.takes[i];
    if (!take) return spreadOf(learnt);
    const run = (): void => {
      changeUndoable(bench, take.file, `${learnt.words} as it was found.`);
    };
    return [{ learnt, does: 'Into the pattern', moves: take.moves, run }];
  });
}
