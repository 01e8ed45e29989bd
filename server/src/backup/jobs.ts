import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { createClient } from '@libsql/client';
import { drizzle } from 'drizzle-orm/libsql';
import type { Database } from '../db/ledger.ts';
import { DATABASE_FILE } from '../db/open.ts';
import type { Watched } from '../drawers/settle.ts';
import { PictureShelf } from '../pictures/shelf.ts';
import { BACKUP_ENDING, type BackupCounts, type LookedAt } from './format.ts';
import { readBackup } from './read.ts';
import { restoreBackup } from './restore.ts';
import { writeBackup } from './write.ts';

/** Work on backups, as it is asked for: of a data folder, into or from a file. */
export type Job =
  | { readonly kind: 'write'; readonly folder: string; readonly path: string }
  | { readonly kind: 'look'; readonly path: string }
  | { readonly kind: 'restore'; readonly folder: string; readonly path: string };
export interface Jobs {
  readonly write: BackupCounts;
  readonly look: LookedAt;
  /** What is back, and the file that holds what was there before. */
  readonly restore: LookedAt & { readonly kept: string };
}

const BUSY_MS = 10_000;

/** A connection of one's own to the database of a folder that is open already, or that nobody has. */
export async function withConnection<T>(folder: string, work: (db: Database) => Promise<T>): Promise<T> {
  const client = createClient({ url: `file:${join(folder, DATABASE_FILE)}`, timeout: BUSY_MS });
  try {
    return await work(drizzle(client));
  } finally {
    client.close();
  }
}

/** Writes all of a folder as it is at one moment. */
const writeAll = (folder: string, path: string, watched: Watched): Promise<BackupCounts> =>
  withConnection(folder, (db) =>
    db.transaction(
      (moment) => writeBackup({ db: moment as unknown as Database, pictures: new PictureShelf(folder) }, path, watched),
      { behavior: 'deferred' },
    ),
  );

/** A name in the folder that nothing has yet. */
function keptName(folder: string, now = new Date()): string {
  const name = `before-restore-${now.toISOString().replace(/[:.]/g, '-')}`;
  for (let n = 1; ; n++) {
    const file = `${name}${n === 1 ? '' : `-${String(n)}`}${BACKUP_ENDING}`;
    if (!existsSync(join(folder, file))) return file;
  }
}

async function restoreAll(folder: string, path: string, { onShare, signal }: Watched): Promise<Jobs['restore']> {
  const stop = signal ? { signal } : {};
  // A file that is no backup leaves nothing behind.
  await readBackup(path, {}, { ...stop, onShare: (share) => onShare?.(0.3 * share) });
  const kept = keptName(folder);
  await writeAll(folder, join(folder, kept), { ...stop, onShare: (share) => onShare?.(0.3 + 0.2 * share) });
  const looked = await withConnection(folder, (db) =>
    restoreBackup({ db, pictures: new PictureShelf(folder) }, path, {
      ...stop,
      onShare: (share) => onShare?.(0.5 + 0.5 * share),
    }),
  );
  return { ...looked, kept };
}

/** Does one job on this thread. @throws ApiError `bad-backup`, `stopped` */
export async function doJob<J extends Job>(job: J, watched: Watched = {}): Promise<Jobs[J['kind']]> {
  const done =
    job.kind === 'write'
      ? await writeAll(job.folder, job.path, watched)
      : job.kind === 'look'
        ? await readBackup(job.path, {}, watched)
        : await restoreAll(job.folder, job.path, watched);
  return done as Jobs[J['kind']];
}
