import { kindOf } from '@jobbet/core/drawers';
import { type Laying, type Learnt, withLaying } from '@jobbet/core/inspect';
import { OWN_HANDS } from '@jobbet/core/records';
import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
import { type ScatterMoved, spreadKey } from '@jobbet/core/study';
import { formatNumber, type Style } from '@jobbet/core/units';
import { useMemo } from 'react';
import { changeItem, undoDrawers, useDrawerHistory } from '../../fly/drawers/history.ts';
import { keepSpreads, type OwnSpreads, useSpreads } from '../../fly/hands/useSpreads.ts';
import { useBench, useBenchStore } from '../../fly/store.ts';
import { changeUndoable } from '../../fly/undoable.ts';
import { api } from '../../shared/api/client.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked } from '../../shared/solve/useAsked.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';
import { say } from '../../shared/ui/toast.ts';
import type { inspectReckon, SpreadAsked } from './reckon.ts';
import type { Good } from './useInspected.ts';

const reckoner = reckonerOf<ReturnType<typeof inspectReckon>>('inspect');

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

/** The spread that something learnt is, and whose hands it is of; null for what goes elsewhere. */
const spreadIn = ({ goesTo, part, hand }: Learnt): { readonly key: string; readonly hand: string } | null =>
  goesTo !== 'hands' || part === null ? null : { key: spreadKey(part, 'length'), hand: hand ?? OWN_HANDS };

/** What another spread does to ten thousand flies, in words. */
function movedWords({ meant, was, now }: ScatterMoved, style: Style): readonly string[] {
  const percent = (share: number): string => formatNumber(100 * share, 1, style);
  const [before, after] = [percent(was.asMeant), percent(now.asMeant)];
  const heel = (deg: number): string => `${formatNumber(deg, 1, style)}°`;
  return [
    ...(meant === null
      ? []
      : [
          before === after
            ? `no more of them ride otherwise: ${after} % ride ${rideWords(meant)}`
            : `${after} % of them ride ${rideWords(meant)}, not ${before} %`,
        ]),
    ...(was.heelDeg === null || now.heelDeg === null || heel(was.heelDeg) === heel(now.heelDeg)
      ? []
      : [`they lean ${heel(now.heelDeg)} either way, not ${heel(was.heelDeg)}`]),
  ];
}

const askMoves = ({ file, drawers, asked }: SpreadsAsked): Promise<readonly (ScatterMoved | null)[]> =>
  reckoner.long(drawers, async (handlers) => handlers.spreadMoves(file, asked));

interface SpreadsAsked {
  readonly file: FlyFile;
  readonly drawers: Drawers;
  readonly learnt: readonly Learnt[];
  readonly asked: readonly SpreadAsked[];
}

/** What each spread that was learnt would change in the scatter of its hands, once that is worked out. */
function useSpreadMoves(good: Good | null, own: ReturnType<typeof useSpreads>): ReadonlyMap<Learnt, readonly string[]> {
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const style = useStyle();
  const question = useMemo((): SpreadsAsked | null => {
    const told = (good?.report.learnt ?? []).flatMap((learnt) => {
      const spread = spreadIn(learnt);
      return spread && own ? [{ learnt, key: spread.key, own: own(spread.hand), to: learnt.now }] : [];
    });
    return told.length === 0
      ? null
      : {
          file,
          drawers,
          learnt: told.map(({ learnt }) => learnt),
          asked: told.map(({ learnt: _learnt, ...asked }) => asked),
        };
  }, [good, own, file, drawers]);
  const { answer, current } = useAsked(question, askMoves);
  return useMemo(
    () =>
      new Map(
        current && question && answer
          ? question.learnt.flatMap((learnt, i) => {
              const moved = answer[i];
              return moved ? [[learnt, movedWords(moved, style)] as const] : [];
            })
          : [],
      ),
    [current, question, answer, style],
  );
}

/** What of that which the flies teach can be taken, in its order: into the pattern, or into the scatter of one's hands. */
export function useTakes(good: Good | null): readonly Takeable[] {
  const fly = useBench((state) => state.id);
  const bench = useBenchStore();
  const own = useSpreads(fly);
  const movesOf = useSpreadMoves(good, own);
  const spreadOf = (learnt: Learnt): Takeable[] => {
    const told = spreadIn(learnt);
    if (!told || own === null) return [];
    const { key, hand } = told;
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
      {
        learnt,
        does: learnt.hand === null ? 'Reckon with it' : `Reckon with it for ${learnt.hand}`,
        moves: movesOf.get(learnt) ?? [],
        run,
      },
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
