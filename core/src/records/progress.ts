import { type BatchFile, FLY_STATES, type FlyProgress } from './batch.ts';

export type FlyState = (typeof FLY_STATES)[number];

/** How far a batch has come: its good flies, and how many lie in each state. */
export interface Progress {
  readonly flies: number;
  readonly by: Readonly<Record<FlyState, number>>;
}

/** What is known of one fly of a batch. @param row from 1 @param n from 1 within its row */
export const progressAt = ({ flies }: BatchFile, row: number, n: number): FlyProgress | undefined =>
  flies?.find((each) => each.row === row && each.n === n);

/** How many flies of each row were begun beyond its good ones, since some were spoilt or taken apart. */
const lostIn = ({ flies }: BatchFile, row: number): number =>
  (flies ?? []).filter((each) => each.row === row && (each.state === 'spoilt' || each.state === 'apart')).length;

/** Hooks of a row on the rack: its good flies, and one more for each that was lost. */
export const hooksOf = (batch: BatchFile, row: number): number =>
  (batch.rows[row - 1]?.count ?? 0) + lostIn(batch, row);

/** How far a batch has come. Those that were lost count by themselves; what is to come is what is left of the good ones. */
export function progressOf(batch: BatchFile): Progress {
  const by = Object.fromEntries(FLY_STATES.map((state) => [state, 0])) as Record<FlyState, number>;
  for (const { state = 'to-come' } of batch.flies ?? []) by[state]++;
  const flies = batch.rows.reduce((sum, { count }) => sum + count, 0);
  return { flies, by: { ...by, 'to-come': Math.max(0, flies - by.vise - by.drying - by.kept) } };
}

/** A batch in which one fly is otherwise. Nothing else of it changes. */
export function withFly(batch: BatchFile, row: number, n: number, change: Partial<FlyProgress>): BatchFile {
  const now: FlyProgress = { ...(progressAt(batch, row, n) ?? { row, n }), ...change };
  const others = (batch.flies ?? []).filter((each) => each.row !== row || each.n !== n);
  return { ...batch, flies: [...others, now].sort((a, b) => a.row - b.row || a.n - b.n) };
}
