import { sentence } from '@jobbet/core/base';
import { brokenIn, orderAsk } from '@jobbet/core/drill';
import type { LaidFly } from '@jobbet/core/model';
import { partName, stageOf, WITH_BED } from '@jobbet/core/tying';
import { useMemo, useState } from 'react';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { useSettings } from '../../shared/settings/settings.ts';
import { fliesNext } from './flyNext.ts';
import { Choice } from './Choice.tsx';
import { Question } from './Question.tsx';
import { WholeOrder } from './WholeOrder.tsx';
import type { BoxFly, TaskProps } from './task.ts';

const [WIDE, HIGH] = [190, 92] as const;
/** A step of a fly drawn beside the question; what is on already. */
const [ON_WIDE, ON_HIGH] = [440, 190] as const;

/** The question of the first fly of which something can be asked. */
function questionOf(rounds: TaskProps['rounds'], box: readonly BoxFly[], seed: number) {
  for (const fly of fliesNext(rounds, 'order', box, seed)) {
    const ask = orderAsk(fly.laid, seed);
    if (ask) return { fly, ask };
  }
  return null;
}

/** What is tied in next, or a whole fly put in order. */
export const Order = (props: TaskProps) =>
  useSettings().drillWhole ? <WholeOrder {...props} /> : <NextPart {...props} />;

/** Some of a fly is on, one of three parts can follow. */
function NextPart({ seed, rounds, box, told, onAnswer, onNext }: TaskProps) {
  const [question] = useState(() => questionOf(rounds, box, seed));
  if (!question) return <p className="p-6">No fly of the box has an order that could be got wrong.</p>;
  const { fly, ask } = question;
  const given = told && Array.isArray(told.given) ? (told.given.at(-1) ?? null) : null;
  const answer = (id: string): void =>
    onAnswer({
      fly: fly.name,
      on: fly.name,
      platform: fly.file.platform.kind,
      asked: 'what is tied in next',
      truth: [...ask.placed, ask.right],
      given: [...ask.placed, id],
    });
  return (
    <>
      <Question>What is tied in next on {fly.name}?</Question>
      <div
        className="flex-1 min-h-0 grid place-content-center justify-items-center gap-3 p-4 overflow-y-auto"
        data-testid="order"
      >
        <p className="text-ink2">
          {ask.placed.length === 0 ? 'Nothing is on yet' : `On are ${ask.placed.map((id) => partName(id)).join(', ')}`}
        </p>
        <Stage laid={fly.laid} on={ask.placed} width={ON_WIDE} height={ON_HIGH} />
        <Choice
          label="What is tied in next"
          choices={ask.choices.map((id) => ({
            key: id,
            words: partName(id),
            drawn: <Stage laid={fly.laid} on={[id]} width={WIDE} height={HIGH} />,
          }))}
          given={given}
          truth={ask.right}
          onChoose={answer}
          onNext={onNext}
        />
        <div role="status" className="min-h-[3.2em] max-w-[60ch]" data-testid="said">
          {given !== null && <Why laid={fly.laid} placed={ask.placed} given={given} right={ask.right} />}
        </div>
      </div>
    </>
  );
}

function Stage({
  laid,
  on,
  width,
  height,
}: {
  readonly laid: LaidFly;
  readonly on: readonly string[];
  readonly width: number;
  readonly height: number;
}) {
  const stage = useMemo(() => stageOf(laid, on, WITH_BED), [laid, on]);
  return <FlyThumb laid={stage} width={width} height={height} />;
}

/** Each break is a constraint with its reason. */
function Why({
  laid,
  placed,
  given,
  right,
}: {
  readonly laid: LaidFly;
  readonly placed: readonly string[];
  readonly given: string;
  readonly right: string;
}) {
  if (given === right) return <p className="text-sentence font-bold">So it is: {partName(right)}</p>;
  return (
    <>
      {brokenIn(laid, [...placed, given])
        .slice(0, 1)
        .map(({ before, after, words, reason }) => (
          <p key={before + after} className="flex gap-1.5">
            <SnagFlag />
            <span>
              {sentence(words)} {reason}
            </span>
          </p>
        ))}
      <p>
        First: <b>{partName(right)}</b>.
      </p>
    </>
  );
}
