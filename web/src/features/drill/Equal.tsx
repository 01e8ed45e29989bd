import { nextShare } from '@jobbet/core/drill';
import { noise } from '@jobbet/core/numeric';
import { useState } from 'react';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { SIDES } from './commands.ts';
import { Question } from './Question.tsx';
import { seenOf } from './seenOf.ts';
import type { TaskProps } from './task.ts';
import { measured, percent } from './words.ts';

/** Fibres of a collar from the front, both sides together. */
const FIBRES = 180;
const [SIZE, HUB, LONG] = [300, 9, 128] as const;

/** A collar from the front, one side thinned: which carries more? The difference shrinks as it is seen. */
export function Equal({ seed, rounds, told, onAnswer, onNext }: TaskProps) {
  const style = useStyle();
  const [question] = useState(() => ({
    share: measured(nextShare(seenOf(rounds))),
    left: noise(seed, 0, 0) < 0.5,
  }));
  const { share, left } = question;
  /** More on the left is above nothing, more on the right below. */
  const truth = left ? share : -share;
  const say = (side: 'left' | 'right') => (): void =>
    onAnswer({ on: 'collar', asked: 'which side carries more', truth, given: side === 'left' ? share : -share });
  useTable('drill-task', SIDES, {
    next: told ? onNext : null,
    left: told ? null : say('left'),
    right: told ? null : say('right'),
  });
  const right = told !== null && Math.sign(Number(told.given)) === Math.sign(truth);
  return (
    <>
      <Question>Which side of the collar carries more fibres?</Question>
      <div className="flex-1 min-h-0 grid place-content-center justify-items-center gap-2 p-4" data-testid="equal">
        <Collar {...{ seed }} truth={truth} lit={told !== null} />
        <div role="group" aria-label="Which side carries more" className="flex gap-4">
          {(['left', 'right'] as const).map((side) => (
            <button
              key={side}
              type="button"
              className="sheet-button min-w-28"
              disabled={told !== null}
              onClick={say(side)}
            >
              <span className="plain-key">{side === 'left' ? '←' : '→'}</span> {side}
            </button>
          ))}
        </div>
        <div role="status" className="min-h-[3.2em] text-center" data-testid="said">
          {told && (
            <>
              <p className="text-sentence font-bold">
                {right ? 'So it is' : `It is the ${left ? 'left' : 'right'} side`}
              </p>
              <p className="text-label italic text-ink2">
                {percent(share, style, share < 0.1 ? 1 : 0)} more on that side than on the other
              </p>
            </>
          )}
        </div>
      </div>
    </>
  );
}

/** A collar from the front: as many fibres on either side as their share has it, as long as each other. */
function Collar({ seed, truth, lit }: { readonly seed: number; readonly truth: number; readonly lit: boolean }) {
  const side = (which: 1 | -1) => {
    // So many more on one side than on the other: their sum stays.
    const own = Math.round(
      (FIBRES / 2) * (which === 1 ? 1 + truth / (2 + Math.abs(truth)) : 1 - truth / (2 + Math.abs(truth))),
    );
    const lines = Array.from({ length: own }, (_, i) => {
      const turn = Math.PI * ((i + noise(seed, i, which + 2)) / own);
      const long = LONG * (0.86 + 0.14 * noise(seed, i, which + 4));
      const [x, y] = [-which * Math.sin(turn), -Math.cos(turn)];
      return `M${(HUB * x).toFixed(1)} ${(HUB * y).toFixed(1)}L${(long * x).toFixed(1)} ${(long * y).toFixed(1)}`;
    });
    const more = lit && Math.sign(truth) === which;
    return (
      <path
        d={lines.join('')}
        fill="none"
        stroke={more ? 'var(--measure)' : 'var(--ink)'}
        strokeWidth={1}
        strokeLinecap="round"
      />
    );
  };
  return (
    <svg
      viewBox={`${String(-SIZE / 2)} ${String(-SIZE / 2)} ${String(SIZE)} ${String(SIZE)}`}
      className="w-[min(46vh,380px)]"
      role="img"
      aria-label="A collar from the front, its fibres on the left and on the right"
    >
      <path d={`M0 ${String(-SIZE / 2)}V${String(SIZE / 2)}`} stroke="var(--ink2)" strokeDasharray="10 4 2 4" />
      {side(1)}
      {side(-1)}
      <circle r={HUB} fill="var(--ink)" />
      <path d={`M0 ${String(HUB)}V60`} stroke="var(--ink)" strokeWidth={6} />
    </svg>
  );
}
