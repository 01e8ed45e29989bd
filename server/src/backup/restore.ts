import { not, sql } from 'drizzle-orm';
import type { Watched } from '../drawers/settle.ts';
import type { LookedAt } from './format.ts';
import { readBackup } from './read.ts';
import type { Source } from './write.ts';
import { TABLES, type BackupTable } from './tables.ts';

/** Rows go in by so many at a time, under the limit of variables of one statement. */
const AT_ONCE = 200;

/**
 * Puts a backup in the place of everything there is, in one transaction: all of it or nothing.
 * Its connection is one that nothing else uses.
 * @throws ApiError `bad-backup`, `stopped`; then nothing was changed
 */
export async function restoreBackup(
  { db, pictures }: Source,
  path: string,
  { onShare, signal }: Watched = {},
): Promise<LookedAt> {
  const stop = signal ? { signal } : {};
  return db.transaction(async (inside) => {
    for (const { table, stays } of [...TABLES].reverse() as readonly BackupTable[])
      await inside.delete(table).where(stays === undefined ? undefined : not(sql.raw(stays)));
    const waiting: { table: BackupTable | null; rows: Record<string, unknown>[] } = { table: null, rows: [] };
    const flush = async (): Promise<void> => {
      if (waiting.table && waiting.rows.length > 0) await inside.insert(waiting.table.table).values(waiting.rows);
      waiting.rows = [];
    };
    const looked = await readBackup(
      path,
      {
        onRow: async (table, values) => {
          if (waiting.table !== table || waiting.rows.length >= AT_ONCE) await flush();
          waiting.table = table;
          waiting.rows.push(values);
        },
        // A picture that is kept and then named by nothing is taken away at the next start.
        onPicture: async (name, bytes) => {
          await pictures.keep(bytes, name.split('.')[1] ?? '');
        },
      },
      { ...stop, ...(onShare ? { onShare } : {}) },
    );
    await flush();
    return looked;
  });
}
