import type { Seen } from '@jobbet/core/drill';
import type { DrillFile } from '@jobbet/core/records';
import { itemsOf } from './task.ts';

/** What may differ left and right, each with its question and what is more of it. */
export const THINGS = {
  collar: { asks: 'Which side of the collar carries more fibres?', more: 'more on that side than on the other' },
  plumes: { asks: 'Which of the two plumes is longer?', more: 'longer than the other' },
  cheeks: { asks: 'Which of the two cheeks is larger?', more: 'larger than the other' },
  head: { asks: 'On which side is the head fuller?', more: 'fuller on that side' },
} as const;
export type Thing = keyof typeof THINGS;
export const THING_NAMES = Object.keys(THINGS) as readonly Thing[];

/** Answers of left and right as the staircase has them: how much more was on one side, and whether that side was told. */
export const seenOf = (rounds: readonly DrillFile[], thing: Thing): readonly Seen[] =>
  itemsOf(rounds, 'equal').flatMap(({ on, truth, given }): Seen[] =>
    on === thing && typeof truth === 'number' && typeof given === 'number' && truth !== 0
      ? [{ share: Math.abs(truth), right: Math.sign(truth) === Math.sign(given) }]
      : [],
  );
