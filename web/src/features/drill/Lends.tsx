import { pooledSpread, pulledIn, thresholdOf } from '@jobbet/core/drill';
import type { Drawers } from '@jobbet/core/drawers';
import { measuresOf } from '@jobbet/core/inspect';
import type { LaidFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { OWN_HANDS, type DrillFile, type DrillOf } from '@jobbet/core/records';
import { type ScatterMoved, spreadsOf, USUAL_SPREADS } from '@jobbet/core/study';
import { formatLength, type Style } from '@jobbet/core/units';
import { useMemo, useState } from 'react';
import { keepSpreads, useSpreads } from '../../fly/hands/useSpreads.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked } from '../../shared/solve/useAsked.ts';
import { useSame } from '../../shared/ui/useSame.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';
import { say } from '../../shared/ui/toast.ts';
import type { drillReckon } from './reckon.ts';
import { seenOf } from './seenOf.ts';
import type { BoxFly } from './task.ts';
import { percent } from './words.ts';

const reckoner = reckonerOf<ReturnType<typeof drillReckon>>('drill');
interface MovesAsked {
  readonly file: FlyFile;
  readonly drawers: Drawers;
  readonly own: Readonly<Record<string, number>>;
  readonly changed: Readonly<Record<string, number>>;
}
const askMoves = ({ file, drawers, own, changed }: MovesAsked): Promise<ScatterMoved | null> =>
  reckoner.long(drawers, async (handlers) => handlers.moves(file, own, changed));

interface LendsProps {
  readonly of: DrillOf;
  readonly rounds: readonly DrillFile[];
  readonly box: readonly BoxFly[];
}

/** Which fly what is learnt is lent to. */
function useLent(box: readonly BoxFly[]) {
  const [id, setId] = useState<string | null>(null);
  const fly = box.find((each) => each.id === id) ?? box[0] ?? null;
  const choice = fly && (
    <ChoiceField
      label="the fly it is lent to"
      value={fly.id}
      options={box.map((each) => [each.id, each.name] as const)}
      onChange={setId}
    />
  );
  return { fly, choice };
}

/** A length that Inspect would hold to another band, mm. */
interface BandMoved {
  readonly words: string;
  readonly was: readonly [number, number];
  readonly now: readonly [number, number];
}

/** Which bands of Inspect other spreads move; those a school sets stay. */
function bandsMoved(
  laid: LaidFly,
  drawers: Drawers,
  own: Readonly<Record<string, number>>,
  changed: Readonly<Record<string, number>>,
): readonly BandMoved[] {
  const after = measuresOf(laid, drawers, { ...own, ...changed });
  return measuresOf(laid, drawers, own).flatMap(({ key, words, bandMm }): BandMoved[] => {
    const now = after.find((each) => each.key === key)?.bandMm;
    return bandMm && now && now[1] !== bandMm[1] ? [{ words, was: bandMm, now }] : [];
  });
}

/** What the eye tells of lengths, for the scatter of the hands that tie a fly: shown before it is taken, and taken back by undo. */
export function useHandsOf({ rounds, box }: LendsProps) {
  const { fly, choice } = useLent(box);
  const { tier } = useSettings();
  const { drawers } = useDrawers();
  const hand = tier === '' ? OWN_HANDS : tier;
  const own = useSpreads(fly?.id ?? '');
  const spread = useMemo(() => pooledSpread(pulledIn(rounds).filter(({ of }) => of === 'length')), [rounds]);
  const keys = useMemo(
    () => (fly ? spreadsOf(fly.laid).flatMap(({ key, kind }) => (kind === 'length' ? [key] : [])) : []),
    [fly],
  );
  // By half per cents: not every answer is another scatter.
  const to = spread && Math.round(200 * spread.sd) / 200;
  const now = own?.(hand);
  const changed = useMemo(() => (to === null ? {} : Object.fromEntries(keys.map((key) => [key, to]))), [keys, to]);
  const same = to !== null && now !== undefined && keys.every((key) => now[key] === to);
  const question = useSame(
    useMemo(
      () =>
        fly && drawers && now && to !== null && keys.length > 0 && !same
          ? { file: fly.file, drawers: drawers.tables, own: now, changed }
          : null,
      [fly, drawers, now, to, keys, same, changed],
    ),
  );
  const { answer, current } = useAsked(question, askMoves);
  const run = (): void => {
    if (!fly || to === null || !now) return;
    const before = now;
    keepSpreads(fly.id, hand, (was) => ({ ...was, ...changed }));
    say(`The scatter of ${fly.name} goes by your eye: lengths ±${String(Math.round(1000 * to) / 10)} %.`, {
      name: 'Undo',
      run: () => keepSpreads(fly.id, hand, () => before),
    });
  };
  const bands = useMemo(
    () => (fly && drawers && now && to !== null && !same ? bandsMoved(fly.laid, drawers.tables, now, changed) : []),
    [fly, drawers, now, to, same, changed],
  );
  return {
    fly,
    choice,
    spread,
    bands,
    was: now?.[keys[0] ?? ''] ?? USUAL_SPREADS.length,
    same,
    moves: current ? answer : null,
    run: question ? run : null,
  };
}

/** What Inspect would hold lengths to, the first two told in full. */
function bandsWords(bands: readonly BandMoved[], style: Style): string {
  if (bands.length === 0) return 'Inspect’s bands stay.';
  const band = ([low, high]: readonly [number, number]): string => {
    const { figure, unit } = formatLength(high, style);
    return `${formatLength(low, style).figure} to ${figure} ${unit}`;
  };
  const told = bands.slice(0, 2).map(({ words, was, now }) => `the ${words} to ${band(now)}, not ${band(was)}`);
  const more = bands.length > 2 ? `; ${String(bands.length - 2)} more with them` : '';
  return `Inspect would hold ${told.join(', ')}${more}.`;
}

/** What another spread moves in ten thousand flies. */
function movedWords(name: string, { meant, was, now }: ScatterMoved, style: Style): string {
  if (meant === null) return '';
  const [before, after] = [percent(was.asMeant, style, 1), percent(now.asMeant, style, 1)];
  return before === after
    ? `: ${name} rides ${rideWords(meant)} as often as before, ${after}`
    : `: ${name} would ride ${rideWords(meant)} ${after} of the time, not ${before}`;
}

/** Bias and spread lent to the scatter of a fly, with what that moves. */
export function HandsBox({ lent }: { readonly lent: ReturnType<typeof useHandsOf> }) {
  const style = useStyle();
  const { fly, choice, spread, bands, was, same, moves, run } = lent;
  if (!fly || !spread) return null;
  return (
    <section aria-label="Scatter of your hands" className="border-t border-rule mt-3 pt-2">
      <h2 className="font-bold">Scatter of your hands</h2>
      <p>
        {choice}: Balance takes {percent(was, style, 1)} for lengths. Your pulls say{' '}
        <b>
          {percent(spread.sd, style, 1)} ({percent(spread.interval[0], style, 1)} to{' '}
          {percent(spread.interval[1], style, 1)})
        </b>
        {moves !== null && movedWords(fly.name, moves, style)}. {bandsWords(bands, style)}
      </p>
      {same ? (
        <p className="text-ink2">It goes by your eye.</p>
      ) : (
        <button type="button" className="sheet-button mt-1" disabled={run === null} onClick={() => run?.()}>
          Use mine <span className="plain-key">T</span>
        </button>
      )}
    </section>
  );
}

const askLeans = ({ file, drawers }: Pick<MovesAsked, 'file' | 'drawers'>) =>
  reckoner.short(drawers, async (handlers) => handlers.leans(file));

/** Whether the eye is good enough for a fly: from which difference it is seen, against that from which the fly leans. */
export function LeansBox({ rounds, box }: LendsProps) {
  const style = useStyle();
  const { fly, choice } = useLent(box);
  const { drawers } = useDrawers();
  const question = useMemo(() => (fly && drawers ? { file: fly.file, drawers: drawers.tables } : null), [fly, drawers]);
  const { answer, current } = useAsked(question, askLeans);
  const threshold = useMemo(() => thresholdOf(seenOf(rounds, 'collar')), [rounds]);
  if (!fly) return null;
  return (
    <section aria-label="Good enough for" className="border-t border-rule mt-3 pt-2">
      <h2 className="font-bold">Good enough for {choice}</h2>
      {!current ? (
        <p className="text-ink2">Working it out</p>
      ) : answer === null ? (
        <p>No part of it has two halves that could differ.</p>
      ) : answer.share === null ? (
        <p>Not even all of the {answer.part} on one side makes it lean ten degrees.</p>
      ) : (
        <p>
          It leans ten degrees once one side of the {answer.part} carries {percent(answer.share, style)} more than the
          other
          {threshold && (
            <>
              ;{' '}
              <b>
                {threshold.interval[1] < answer.share
                  ? 'your eye sees it before'
                  : threshold.interval[0] > answer.share
                    ? 'it leans before your eye sees it: weigh the halves'
                    : 'your eye may see it before, or may not: more answers tell'}
              </b>
            </>
          )}
          .
        </p>
      )}
    </section>
  );
}
