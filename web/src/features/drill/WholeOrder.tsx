import { sentence } from '@jobbet/core/base';
import { brokenIn, leastMoves } from '@jobbet/core/drill';
import type { LaidFly } from '@jobbet/core/model';
import { noise } from '@jobbet/core/numeric';
import { bestOrder, partName, stageOf, WITH_BED } from '@jobbet/core/tying';
import { useMemo, useState } from 'react';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { fliesNext } from './flyNext.ts';
import { Question } from './Question.tsx';
import type { TaskProps } from './task.ts';

const [WIDE, HIGH] = [440, 190] as const;
/** So many parts have a key of their own. */
const KEYS = 9;

/** All parts of a fly put in order, one after the other; only then it is said what that breaks, and how few moves mend it. */
export function WholeOrder({ seed, rounds, box, told, onAnswer, onNext }: TaskProps) {
  const [fly] = useState(() => fliesNext(rounds, 'order', box, seed)[0] ?? null);
  const [put, setPut] = useState<readonly string[]>([]);
  const left = useMemo(
    () =>
      (fly?.laid.parts ?? [])
        .map(({ file }, i) => ({ id: file.id, by: noise(seed, i, 7) }))
        .sort((one, other) => one.by - other.by)
        .map(({ id }) => id)
        .filter((id) => !put.includes(id)),
    [fly, seed, put],
  );
  const stage = useMemo(() => fly && stageOf(fly.laid, put, WITH_BED), [fly, put]);
  const choose = (id: string): void => {
    if (!fly || told) return;
    const order = [...put, id];
    setPut(order);
    if (order.length < fly.laid.parts.length) return;
    onAnswer({
      fly: fly.name,
      on: fly.name,
      platform: fly.file.platform.kind,
      asked: 'the whole order',
      // Any order that breaks nothing is right.
      truth: brokenIn(fly.laid, order).length === 0 ? order : bestOrder(fly.laid),
      given: order,
    });
  };
  useOffered('drill-task', [
    ...(told ? [{ name: 'The next question', group: 'Drill', keys: 'enter or space', run: onNext }] : []),
    // Once it is answered the same keys do nothing: they would leave the drill else.
    ...Array.from({ length: KEYS }, (_, i) => {
      const id = left[i];
      return {
        name: id === undefined ? `Part ${String(i + 1)}` : `Tie in ${partName(id)}`,
        group: 'Drill',
        keys: String(i + 1),
        run: () => {
          if (id !== undefined) choose(id);
        },
      };
    }),
    ...(!told && put.length > 0
      ? [{ name: 'Take the last part off', group: 'Now', keys: 'backspace', run: () => setPut(put.slice(0, -1)) }]
      : []),
  ]);
  if (!fly || !stage) return <p className="p-6">There is no fly in the box to ask of.</p>;
  const broken = told ? brokenIn(fly.laid, put) : [];
  return (
    <>
      <Question>Put the parts of {fly.name} in order</Question>
      <div
        className="flex-1 min-h-0 grid place-content-center justify-items-center gap-3 p-4 overflow-y-auto"
        data-testid="whole"
      >
        <FlyThumb laid={stage} width={WIDE} height={HIGH} />
        <ol aria-label="The order so far" className="flex flex-wrap gap-x-4 justify-center">
          {put.map((id, i) => (
            <li key={id} className={broken.some(({ after }) => after === id) ? 'text-warn' : ''}>
              {i + 1} {partName(id)}
            </li>
          ))}
        </ol>
        <div
          role="group"
          aria-label="What is tied in next"
          className="flex flex-wrap gap-2 justify-center max-w-[640px]"
        >
          {left.map((id, i) => (
            <button key={id} type="button" className="sheet-button" onClick={() => choose(id)}>
              {i < KEYS && <span className="plain-key">{i + 1}</span>} {partName(id)}
            </button>
          ))}
        </div>
        <Told laid={fly.laid} order={told ? put : null} />
      </div>
    </>
  );
}

/** What an order breaks, each with its reason, and how few moves mend it. */
function Told({ laid, order }: { readonly laid: LaidFly; readonly order: readonly string[] | null }) {
  const broken = order ? brokenIn(laid, order) : [];
  const moves = order ? leastMoves(laid, order) : 0;
  return (
    <div role="status" className="min-h-[3.2em] max-w-[64ch]" data-testid="said">
      {order && broken.length === 0 && <p className="text-sentence font-bold">So it can be tied</p>}
      {broken.slice(0, 3).map(({ before, after, words, reason }) => (
        <p key={before + after} className="flex gap-1.5">
          <SnagFlag />
          <span>
            {sentence(words)} {reason}
          </span>
        </p>
      ))}
      {broken.length > 0 && (
        <p>
          {moves === 1 ? 'One part moved mends it' : `${String(moves)} parts moved mend it`}:{' '}
          {bestOrder(laid).map(partName).join(', ')}.
        </p>
      )}
    </div>
  );
}
