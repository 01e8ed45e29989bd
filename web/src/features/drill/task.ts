import type { LaidFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import type { DrillFile, DrillItem, DrillOf } from '@jobbet/core/records';

/** A fly of the box, laid out. */
export interface BoxFly {
  readonly id: string;
  readonly name: string;
  readonly file: FlyFile;
  readonly laid: LaidFly;
}

/** What was answered, without how long it took. */
export type Answer = Omit<DrillItem, 'seconds'>;

/** What every task is handed. It makes its question as it is mounted, and is mounted anew for the next. */
export interface TaskProps {
  readonly seed: number;
  readonly rounds: readonly DrillFile[];
  readonly box: readonly BoxFly[];
  /** The one relation that is asked by pulling; null for any. */
  readonly only: string | null;
  /** The answer, once it is given. */
  readonly told: Answer | null;
  /** @param simulated whether a stand-in gave it */
  readonly onAnswer: (answer: Answer, simulated?: boolean) => void;
  readonly onNext: () => void;
}

/** The drills in their order, each with what is trained by it. */
export const TASKS: readonly { readonly of: DrillOf; readonly name: string; readonly words: string }[] = [
  { of: 'length', name: 'Length by eye', words: 'pull a tip on a bare hook' },
  { of: 'equal', name: 'Left and right', words: 'which side carries more' },
  { of: 'order', name: 'Order', words: 'what is tied in next' },
  { of: 'ride', name: 'Ride', words: 'which way up it swims' },
  { of: 'sink', name: 'Sink', words: 'which of two falls faster' },
  { of: 'density', name: 'Amount', words: 'a matchstick, half a pencil' },
  { of: 'butts', name: 'Butts and turns', words: 'where a cut or a winding ends' },
];

/** All answers of one drill, first to last. */
export const itemsOf = (rounds: readonly DrillFile[], of: DrillOf): readonly DrillItem[] =>
  rounds.filter((round) => round.of === of).flatMap(({ items }) => items);

/** Whether an answer that is a word or a list is the truth. */
export const isRight = ({ truth, given }: Pick<DrillItem, 'truth' | 'given'>): boolean =>
  JSON.stringify(truth) === JSON.stringify(given);
