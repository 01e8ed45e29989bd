import { and, eq, type SQL } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import { ApiError } from '../errors.ts';

/** A table whose rows are changed from one revision to the next, so that nobody writes over what he has not seen. */
interface Revisioned {
  readonly id: SQLiteColumn;
  readonly revision: SQLiteColumn;
}

/** A row at one revision: a change that is written where this holds writes over nothing newer. */
export const atRevision = (table: Revisioned, id: string | number, revision: number, besides?: SQL): SQL | undefined =>
  and(eq(table.id, id), eq(table.revision, revision), besides);

/** @param from the revision a change was made from @throws ApiError `stale` with the revision that is kept, where that is another */
export function refuseStale(kept: { readonly revision: number }, from: number, words?: string): void {
  if (kept.revision !== from) throw new ApiError('stale', words, { revision: kept.revision });
}
