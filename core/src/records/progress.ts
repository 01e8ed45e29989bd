import { type BatchFile, FLY_STATES, LAID_OUT, type FlyProgress, MOST_OF_A_ROW } from './batch.ts';
import { momentMinutes, momentText } from './measures.ts';

export type FlyState = (typeof FLY_STATES)[number];

/** How far a batch has come: its good flies, and how many lie in each state. */
export interface Progress {
  readonly flies: number;
  readonly by: Readonly<Record<FlyState, number>>;
}

/** What is known of one fly of a batch. @param row from 1 @param n from 1 within its row */
export const progressAt = ({ flies }: BatchFile, row: number, n: number): FlyProgress | undefined =>
  flies?.find((each) => each.row === row && each.n === n);

/** Flies of each row that were lost so far: spoilt, or taken apart. */
export const lostOf = ({ rows, flies }: BatchFile): { readonly spoilt: number; readonly apart: number }[] =>
  rows.map((_, i) => {
    const own = (flies ?? []).filter(({ row }) => row === i + 1);
    const of = (state: FlyState): number => own.filter((fly) => fly.state === state).length;
    return { spoilt: of('spoilt'), apart: of('apart') };
  });

const lostIn = (batch: BatchFile, row: number): number =>
  (batch.flies ?? []).filter((each) => each.row === row && (each.state === 'spoilt' || each.state === 'apart')).length;

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

/** How many of each fly lie in the box, by what its rows call it. */
export function keptOf({ rows, flies = [] }: BatchFile): Record<string, number> {
  const kept: Record<string, number> = {};
  for (const { row, state } of flies) {
    const fly = rows[row - 1]?.fly;
    if (state === 'kept' && fly !== undefined) kept[fly] = (kept[fly] ?? 0) + 1;
  }
  return kept;
}

/** A batch in which one fly is otherwise. Nothing else of it changes. */
export function withFly(batch: BatchFile, row: number, n: number, change: Partial<FlyProgress>): BatchFile {
  const now: FlyProgress = { ...(progressAt(batch, row, n) ?? { row, n }), ...change };
  const others = (batch.flies ?? []).filter((each) => each.row !== row || each.n !== n);
  return { ...batch, flies: [...others, now].sort((a, b) => a.row - b.row || a.n - b.n) };
}

/** A fly of a batch by its row and its number there, both from 1. */
export interface HookAt {
  readonly row: number;
  readonly n: number;
}

/** Every hook on the rack, row by row. */
export const rackOf = (batch: BatchFile): readonly HookAt[] =>
  batch.rows.flatMap((_, i) => Array.from({ length: hooksOf(batch, i + 1) }, (_each, k) => ({ row: i + 1, n: k + 1 })));

/** Its number through all rows, as what runs out is told by; null for one that stands for a fly that was lost. */
export function numberOf({ rows }: BatchFile, { row, n }: HookAt): number | null {
  const before = rows.slice(0, row - 1).reduce((sum, { count }) => sum + count, 0);
  return n <= (rows[row - 1]?.count ?? 0) ? before + n : null;
}

/** Where a fly is: on its hook still, where nobody said. */
export const stateAt = (batch: BatchFile, { row, n }: HookAt): FlyState =>
  progressAt(batch, row, n)?.state ?? 'to-come';

/** Flies that are begun and not out of the vise: one, or a handful that is tied step by step. */
export const handfulOf = ({ flies = [] }: BatchFile): readonly HookAt[] =>
  flies.filter(({ state }) => state === 'vise');

/** The first that is begun and not out of the vise; null where none is. */
export const inVise = (batch: BatchFile): HookAt | null => handfulOf(batch)[0] ?? null;

/** A batch in which more of an item is laid out: none of it, this evening's, all, and none again. @param item by which it is kept */
export function laidOutOn(batch: BatchFile, item: string): BatchFile {
  const { laidOut = {}, ...rest } = batch;
  const { [item]: was, ...others } = laidOut;
  const next = LAID_OUT[was === undefined ? 0 : LAID_OUT.indexOf(was) + 1];
  const now = next === undefined ? others : { ...others, [item]: next };
  return Object.keys(now).length === 0 ? rest : { ...rest, laidOut: now };
}

/** The moment a fly is begun: no other of the batch has it, so that it tells what this one took. */
function begunAt({ flies }: BatchFile, now: string): string {
  const taken = new Set((flies ?? []).map(({ begun }) => begun));
  let minutes = momentMinutes(now);
  while (taken.has(momentText(minutes))) minutes += 1 / 60;
  return momentText(minutes);
}

/** A batch in which a fly is in another state. What was not begun is begun by that. @param now the moment, as records write it */
export function withState(
  batch: BatchFile,
  { row, n }: HookAt,
  state: Exclude<FlyState, 'to-come'>,
  now: string,
  change: Partial<FlyProgress> = {},
): BatchFile {
  const begun = stateAt(batch, { row, n }) === 'to-come' ? { begun: begunAt(batch, now) } : {};
  return withFly(batch, row, n, { ...begun, state, ...change });
}

/** A batch in which some flies are put on an evening, or go from it where none is named. */
export const withEvening = (batch: BatchFile, flies: readonly HookAt[], evening: string | null): BatchFile =>
  flies.reduce((now, { row, n }) => {
    if (evening !== null) return withFly(now, row, n, { evening, pinned: true });
    const { pinned: _was, evening: _on, ...rest } = progressAt(now, row, n) ?? { row, n };
    const others = (now.flies ?? []).filter((each) => each.row !== row || each.n !== n);
    const isSaid = Object.keys(rest).length > 2;
    return { ...now, flies: [...others, ...(isSaid ? [rest] : [])].sort((a, b) => a.row - b.row || a.n - b.n) };
  }, batch);

/** The evening a fly was put on by hand; null where it lies where it falls. */
export function pinOf(batch: BatchFile, { row, n }: HookAt): string | null {
  const known = progressAt(batch, row, n);
  return known?.pinned === true ? (known.evening ?? null) : null;
}

/** Flies of the same row that are still to come: those after it, then those before. */
function othersToCome(batch: BatchFile, { row, n }: HookAt): HookAt[] {
  const hooks = Array.from({ length: hooksOf(batch, row) }, (_, i) => ({ row, n: i + 1 }));
  return [...hooks.slice(n), ...hooks.slice(0, n - 1)].filter((each) => stateAt(batch, each) === 'to-come');
}

/**
 * A batch in which a fly has gone on by one: from the rack into the vise, out of it with its first coat, on with the next coat, into the box.
 * @param coats coats it gets @param now the moment, as records write it @param handful so many of its row, with it, are begun at once
 * @returns null where another fly is in the vise, or nothing is left to do to it
 */
export function goneOn(batch: BatchFile, at: HookAt, coats: number, now: string, handful = 1): BatchFile | null {
  const { row, n } = at;
  const known = progressAt(batch, row, n);
  const on = known?.coats ?? [];
  const evening = now.slice(0, 10);
  switch (stateAt(batch, at)) {
    case 'to-come':
      return inVise(batch)
        ? null
        : [at, ...othersToCome(batch, at)]
            .slice(0, handful)
            .reduce((begun, each) => withState(begun, each, 'vise', now, { evening }), batch);
    case 'vise':
      return withFly(batch, row, n, coats === 0 ? { state: 'kept' } : { state: 'drying', coats: [now] });
    case 'drying':
      return withFly(batch, row, n, on.length < coats ? { coats: [...on, now] } : { state: 'kept' });
    case 'kept':
    case 'spoilt':
    case 'apart':
      return null;
  }
}

/** A batch with one good fly fewer or more in a row. @returns null where the row has no fewer to lose, or holds no more */
export function counted(batch: BatchFile, row: number, by: number): BatchFile | null {
  const count = (batch.rows[row - 1]?.count ?? 0) + by;
  if (count < 1 || count > MOST_OF_A_ROW) return null;
  return { ...batch, rows: batch.rows.map((each, i) => (i === row - 1 ? { ...each, count } : each)) };
}

/** A batch without a row; what became of its flies goes with it. @returns null for its only one */
export function withoutRow(batch: BatchFile, row: number): BatchFile | null {
  if (batch.rows.length < 2) return null;
  const gone = batch.rows[row - 1];
  const heir = batch.rows.findIndex(
    (each, i) => i !== row - 1 && each.fly === gone?.fly && each.revision === gone.revision,
  );
  const rows = batch.rows.map((each, i) =>
    i === heir && gone?.pattern !== undefined && each.pattern === undefined ? { ...each, pattern: gone.pattern } : each,
  );
  return {
    ...batch,
    rows: rows.filter((_, i) => i !== row - 1),
    ...(batch.flies
      ? {
          flies: batch.flies
            .filter((fly) => fly.row !== row)
            .map((fly) => (fly.row > row ? { ...fly, row: fly.row - 1 } : fly)),
        }
      : {}),
  };
}
