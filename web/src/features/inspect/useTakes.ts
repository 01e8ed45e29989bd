import { kindOf } from '@jobbet/core/drawers';
import { type Laying, type Learnt, withLaying } from '@jobbet/core/inspect';
import { OWN_HANDS } from '@jobbet/core/records';
import { spreadKey } from '@jobbet/core/study';
import { changeItem, undoDrawers, useDrawerHistory } from '../../fly/drawers/history.ts';
import { keepSpreads, type OwnSpreads, useSpreads } from '../../fly/hands/useSpreads.ts';
import { useBench, useBenchStore } from '../../fly/store.ts';
import { changeUndoable } from '../../fly/undoable.ts';
import { api } from '../../shared/api/client.ts';
import { say } from '../../shared/ui/toast.ts';
import type { Good } from './useInspected.ts';

/** Something learnt that can be taken: what that does, and what it moves. */
export interface Takeable {
  readonly learnt: Learnt;
  readonly does: string;
  readonly moves: readonly string[];
  readonly run: () => void;
}

/** Puts what was learnt down with the item of the drawers it is of, says which other flies it moves, and takes it back. */
function layIn(laying: Laying, words: string): void {
  const told = (work: Promise<unknown>): void => {
    work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
  };
  const lay = async (): Promise<void> => {
    const rows = await api.drawers();
    const { drawer, name, kind } = laying;
    const row = rows.find(
      (each) => each.drawer === drawer && each.item.name === name && kindOf(drawer, each.item) === kind,
    );
    if (!row) throw new Error(`${name} is not in the drawers any more.`);
    await changeItem(row, (item) => withLaying(item, laying), `${name}: ${words} as measured on finished flies.`);
    const moved = useDrawerHistory.getState().told?.changes ?? [];
    const others = moved.length === 0 ? 'No other figure moves.' : `Moved: ${listOf(moved.map(({ name }) => name))}.`;
    say(`${name} in the drawers: ${words}. ${others}`, { name: 'Undo', run: () => told(undoDrawers()) });
  };
  told(lay());
}

/** The first few of some names. */
const listOf = (names: readonly string[]): string =>
  names.length > 4 ? `${names.slice(0, 4).join(', ')} and ${String(names.length - 4)} more` : names.join(', ');

/** What of that which the flies teach can be taken, in its order: into the pattern, or into the scatter of one's hands. */
export function useTakes(good: Good | null): readonly Takeable[] {
  const fly = useBench((state) => state.id);
  const bench = useBenchStore();
  const own = useSpreads(fly);
  const spreadOf = (learnt: Learnt): Takeable[] => {
    if (learnt.goesTo !== 'hands' || learnt.part === null || own === null) return [];
    const key = spreadKey(learnt.part, 'length');
    const hand = learnt.hand ?? OWN_HANDS;
    const keep = (how: (now: OwnSpreads) => OwnSpreads): void => keepSpreads(fly, hand, how);
    const was = own(hand)[key];
    if (was !== undefined && Math.abs(was - learnt.now) < 1e-6) return [];
    const run = (): void => {
      keep((now) => ({ ...now, [key]: learnt.now }));
      say(
        `How alike ${learnt.hand === null ? 'yours' : `those of ${learnt.hand}`} come out goes by the ${learnt.words}.`,
        {
          name: 'Undo',
          run: () => keep(({ [key]: _taken, ...now }) => (was === undefined ? now : { ...now, [key]: was })),
        },
      );
    };
    return [
      { learnt, does: learnt.hand === null ? 'Reckon with it' : `Reckon with it for ${learnt.hand}`, moves: [], run },
    ];
  };
  return (good?.report.learnt ?? []).flatMap((learnt, i): Takeable[] => {
    const take = good?.takes[i];
    if (!take) return spreadOf(learnt);
    const { to, moves } = take;
    return 'laying' in to
      ? [{ learnt, does: `To ${to.laying.name} in the drawers`, moves, run: () => layIn(to.laying, learnt.words) }]
      : [
          {
            learnt,
            does: 'Into the pattern',
            moves,
            run: () => void changeUndoable(bench, to.file, `${learnt.words} as it was found.`),
          },
        ];
  });
}
