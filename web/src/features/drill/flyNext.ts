import { type Answered, nextKind } from '@jobbet/core/drill';
import { noise } from '@jobbet/core/numeric';
import type { DrillFile, DrillOf } from '@jobbet/core/records';
import { momentOf } from './rounds.ts';
import { type BoxFly, isRight } from './task.ts';

/** The flies of the box, the one first that is asked of next: known worst, or never asked; the others as they come. */
export function fliesNext(
  rounds: readonly DrillFile[],
  of: DrillOf,
  box: readonly BoxFly[],
  seed: number,
): readonly BoxFly[] {
  const answers = rounds
    .filter((round) => round.of === of)
    .flatMap(({ at, items }) =>
      items.flatMap((item): Answered[] =>
        item.fly === undefined ? [] : [{ kind: item.fly, at, grade: isRight(item) ? 'good' : 'again' }],
      ),
    );
  const shuffled = box
    .map((fly, i) => ({ fly, by: noise(seed, i, 9) }))
    .sort((one, other) => one.by - other.by)
    .map(({ fly }) => fly);
  const next = nextKind(
    answers,
    shuffled.map(({ name }) => name),
    momentOf(new Date()),
  );
  return [...shuffled.filter(({ name }) => name === next), ...shuffled.filter(({ name }) => name !== next)];
}
