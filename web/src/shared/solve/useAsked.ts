import { useCallback, useEffect, useState } from 'react';
import { Latest } from './latest.ts';

/** What came of a question that changes while it is asked. */
export interface AnswerTo<A> {
  /** The newest answer, whichever question it was to; null before the first. */
  readonly answer: A | null;
  /** Whether it is the answer to the question as it is now. */
  readonly current: boolean;
  /** Asks again, where the question as it is now could not be answered; else null. */
  readonly again: (() => void) | null;
}

/**
 * The newest answer to a question, asked off the main thread.
 * @param question the same object as long as it is the same question; null asks nothing
 * @param ask the same function always
 */
export function useAsked<Q extends object, A>(question: Q | null, ask: (question: Q) => Promise<A>): AnswerTo<A> {
  const [answered, setAnswered] = useState<{ readonly question: Q; readonly answer: A } | null>(null);
  const [failed, setFailed] = useState<Q | null>(null);
  const [latest] = useState(
    () =>
      new Latest<Q, A>(
        ask,
        (asked, answer) => setAnswered({ question: asked, answer }),
        (asked, reason) => {
          setFailed(asked);
          console.error(reason);
        },
      ),
  );
  const askNow = useCallback(() => {
    if (question) latest.ask(question);
  }, [latest, question]);
  useEffect(askNow, [askNow]);
  // What is asked again later begins without the answer of long ago.
  if (question === null && answered !== null) setAnswered(null);
  return {
    answer: answered?.answer ?? null,
    current: question !== null && answered?.question === question,
    again:
      question !== null && failed === question
        ? () => {
            setFailed(null);
            askNow();
          }
        : null,
  };
}
