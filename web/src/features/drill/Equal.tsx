import { nextShare } from '@jobbet/core/drill';
import { noise } from '@jobbet/core/numeric';
import { useState } from 'react';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { SIDES } from './commands.ts';
import { Question } from './Question.tsx';
import { seenOf, THING_NAMES, THINGS, type Thing } from './seenOf.ts';
import { Sides } from './Sides.tsx';
import type { TaskProps } from './task.ts';
import { measured, percent } from './words.ts';

/** A collar, plumes, cheeks or a head: which side has more? The difference shrinks as it is seen, each by itself. */
export function Equal({ seed, rounds, told, onAnswer, onNext }: TaskProps) {
  const style = useStyle();
  const [question] = useState(() => {
    const thing = thingNext(rounds, seed);
    return { thing, share: measured(nextShare(seenOf(rounds, thing))), left: noise(seed, 0, 0) < 0.5 };
  });
  const { thing, share, left } = question;
  const { asks, more } = THINGS[thing];
  /** More on the left is above nothing, more on the right below. */
  const truth = left ? share : -share;
  const say = (side: 'left' | 'right') => (): void =>
    onAnswer({ on: thing, asked: 'which side carries more', truth, given: side === 'left' ? share : -share });
  useTable('drill-task', SIDES, {
    next: told ? onNext : null,
    left: told ? null : say('left'),
    right: told ? null : say('right'),
  });
  const right = told !== null && Math.sign(Number(told.given)) === Math.sign(truth);
  return (
    <>
      <Question>{asks}</Question>
      <div className="flex-1 min-h-0 grid place-content-center justify-items-center gap-2 p-4" data-testid="equal">
        <Sides {...{ thing, seed, truth }} lit={told !== null} />
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
                {percent(share, style, share < 0.1 ? 1 : 0)} {more}
              </p>
            </>
          )}
        </div>
      </div>
    </>
  );
}

/** Half of all questions are of what was answered least; the others come by chance. */
function thingNext(rounds: TaskProps['rounds'], seed: number): Thing {
  const answered = (thing: Thing): number => seenOf(rounds, thing).length;
  const [least] = [...THING_NAMES].sort((one, other) => answered(one) - answered(other));
  const any = THING_NAMES[Math.floor(noise(seed, 1, 0) * THING_NAMES.length)];
  return (noise(seed, 2, 0) < 0.5 ? least : any) ?? 'collar';
}
