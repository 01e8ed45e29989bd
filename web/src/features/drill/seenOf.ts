import type { Seen } from '@jobbet/core/drill';
import type { DrillFile } from '@jobbet/core/records';
import { itemsOf } from './task.ts';

/** Answers of left and right as the staircase has them: how much more was on one side, and whether that side was told. */
export const seenOf = (rounds: readonly DrillFile[]): readonly Seen[] =>
  itemsOf(rounds, 'equal').flatMap(({ truth, given }): Seen[] =>
    typeof truth === 'number' && typeof given === 'number' && truth !== 0
      ? [{ share: Math.abs(truth), right: Math.sign(truth) === Math.sign(given) }]
      : [],
  );
