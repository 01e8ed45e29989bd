import type { BatchFile, BatchRow } from '@jobbet/core/records';
import type { FlyFile } from '@jobbet/core/pattern';
import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';

/** A fly as a row is planned of: its id in the box, its revision, and its pattern as it is now. */
export interface PlannedFly {
  readonly id: string;
  readonly revision: number | string;
  readonly file: FlyFile;
}

/** How many of each are planned before anyone says. */
export const USUAL_COUNT = 6;

/** A row of a fly; the pattern it is planned with goes along, so that what becomes of the fly later changes nothing. */
export const rowOf = ({ id, revision, file }: PlannedFly, count: number, on: string): BatchRow => ({
  fly: id,
  revision,
  pattern: { ...file },
  ...(on.trim() === '' ? {} : { on: on.trim() }),
  count,
});

/** Rows of which only the first of each fly at a revision carries its pattern. */
export function carriedOnce(rows: readonly BatchRow[]): BatchRow[] {
  const carried = new Set<string>();
  return rows.map((row) => {
    const key = `${row.fly} ${String(row.revision)}`;
    if (!carried.has(key)) {
      carried.add(key);
      return row;
    }
    const { pattern: _pattern, ...rest } = row;
    return rest;
  });
}

export const newBatch = (name: string, date: string, rows: readonly BatchRow[]): BatchFile => ({
  format: 'jobbet.batch',
  version: 1,
  name,
  ...(date === '' ? {} : { date }),
  rows: carriedOnce(rows),
});

/** A fly of the box as it is now. */
export async function plannedFly(id: string): Promise<PlannedFly> {
  const { file, revision } = await api.fly(id);
  return { id, revision, file };
}

/** Under which keys batches are remembered in this window. */
export const BATCHES = 'batches';
export const batchKey = (id: string): string => `batch/${id}`;

/** Keeps a new batch. @returns its id */
export async function keepBatch(record: BatchFile): Promise<string> {
  const made = await api.createBatch(record);
  await mutate(batchKey(made.id), made, { revalidate: false });
  await mutate(BATCHES);
  return made.id;
}

/** Plans some flies as one batch, each on its own hook. @returns its id */
export async function planBatchOf(ids: readonly string[]): Promise<string> {
  const flies = await Promise.all(ids.map(plannedFly));
  const [first] = flies;
  const name = flies.length === 1 && first ? first.file.name : `${String(flies.length)} flies`;
  return keepBatch(
    newBatch(
      name,
      '',
      flies.map((fly) => rowOf(fly, USUAL_COUNT, '')),
    ),
  );
}
