import { type Answered, gradeOf, nextKind, type PullAsk, pulledIn, pullsOn, shareOff } from '@jobbet/core/drill';
import { newFly } from '@jobbet/core/edit';
import { type LaidFly, layFly } from '@jobbet/core/model';
import { noise } from '@jobbet/core/numeric';
import type { FlyFile } from '@jobbet/core/pattern';
import type { DrillFile } from '@jobbet/core/records';
import { bareOf } from '@jobbet/core/tying';

type Platform = FlyFile['platform'];

/** What is pulled on: as it is kept, and what it is. */
interface On {
  readonly on: string;
  readonly platform: Platform;
}
const single = (size: string, longX: number): On => ({
  on: longX === 0 ? size : `${size}, ${String(longX)}x long`,
  platform: { kind: 'single', size, longX, eye: 'straight', bend: 'round', barb: 'full' },
});
const ON: readonly On[] = [
  single('2', 0),
  single('4', 2),
  single('6', 3),
  single('8', 0),
  single('10', 2),
  { on: '4', platform: { kind: 'double', size: '4', barb: 'full' } },
  { on: '8', platform: { kind: 'double', size: '8', barb: 'full' } },
  { on: '30 mm', platform: { kind: 'tube', length: '30 mm', outside: '3 mm', inside: '2 mm' } },
];

export interface PullQuestion extends On {
  readonly laid: LaidFly;
  readonly ask: PullAsk;
  /** As it lies: turned by so much, at such a part of the size there is room for, the tip first so far out of the most. */
  readonly turnDeg: number;
  readonly size: number;
  readonly begins: number;
}

const kindOf = ({ on, platform }: Pick<On, 'on' | 'platform'>, asked: string): string =>
  JSON.stringify([asked, platform.kind, on]);

const TURN_DEG = 12;

/** What is pulled next: a relation on a hook, by what is known worst; another size and turn each time, so that only the eye serves. @param only the one relation that is asked; any where none is named */
export function pullQuestion(
  rounds: readonly DrillFile[],
  of: PullAsk['of'],
  seed: number,
  now: string,
  only: string | null = null,
): PullQuestion | null {
  const all = ON.flatMap((each) => {
    const laid = layFly(newFly('bare', each.platform));
    return laid.ok
      ? pullsOn(laid.value.platform, of)
          .filter(({ asked }) => only === null || asked === only)
          .map((ask) => ({ ...each, laid: bareOf(laid.value), ask }))
      : [];
  });
  const answers = pulledIn(rounds)
    .filter((each) => each.of === of)
    .map(({ at, item, ...pulled }): Answered => ({
      kind: JSON.stringify([item.asked, item.platform, item.on]),
      at,
      grade: gradeOf(shareOff({ ...pulled })),
    }));
  // Those never asked come by chance, not as they stand in the table.
  const kinds = all
    .map((each, i) => ({ kind: kindOf(each, each.ask.asked), by: noise(seed, i, 1) }))
    .sort((one, other) => one.by - other.by)
    .map(({ kind }) => kind);
  const next = nextKind(answers, kinds, now);
  const found = all.find((each) => kindOf(each, each.ask.asked) === next);
  return found
    ? {
        ...found,
        turnDeg: TURN_DEG * (2 * noise(seed, 0, 2) - 1),
        size: 0.7 + 0.3 * noise(seed, 1, 2),
        begins: 0.15 + 0.75 * noise(seed, 2, 2),
      }
    : null;
}
