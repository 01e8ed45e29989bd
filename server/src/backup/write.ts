import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { open, rename, rm } from 'node:fs/promises';
import { setImmediate as breathe } from 'node:timers/promises';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { MODEL, VERSION as APP } from '@jobbet/core/base';
import { count, gt, not, sql, and } from 'drizzle-orm';
import { pack, type Pack } from 'tar-stream';
import type { Database } from '../db/ledger.ts';
import type { Watched } from '../drawers/settle.ts';
import { ApiError } from '../errors.ts';
import type { PictureShelf } from '../pictures/shelf.ts';
import { FORMAT, PICTURE_ENTRIES, VERSION, type BackupCounts } from './format.ts';
import { TABLES, type BackupTable, type TableName } from './tables.ts';

/** Rows of one entry of the archive. */
const ROWS = 200;

/** Writes entries one after the other and remembers the mark of each. */
class Entries {
  readonly marks: Record<string, string> = {};
  private readonly archive: Pack;

  constructor(archive: Pack) {
    this.archive = archive;
  }

  async add(name: string, content: string | Buffer): Promise<void> {
    const bytes = Buffer.from(content);
    this.marks[name] = createHash('sha256').update(bytes).digest('hex');
    const entry = this.archive.entry({ name, size: bytes.length, mode: 0o600 });
    const done = once(entry, 'finish');
    entry.end(bytes);
    await done;
  }
}

const away = (table: BackupTable) => (table.stays === undefined ? undefined : not(sql.raw(table.stays)));

async function countRows(db: Database): Promise<Record<TableName, number>> {
  const counts: Partial<Record<TableName, number>> = {};
  for (const each of TABLES) {
    const [found] = await db.select({ n: count() }).from(each.table).where(away(each));
    counts[each.name] = found?.n ?? 0;
  }
  return counts as Record<TableName, number>;
}

/** The rows of a table, some at a time, in the order they came. */
async function* rowsOf(db: Database, table: BackupTable): AsyncGenerator<readonly Record<string, unknown>[]> {
  let after = 0;
  for (;;) {
    const rowid = sql<number>`rowid`;
    const rows = await db
      .select({ rowid, row: table.table })
      .from(table.table)
      .where(and(gt(rowid, after), away(table)))
      .orderBy(rowid)
      .limit(ROWS);
    if (rows.length === 0) return;
    after = Number(rows.at(-1)?.rowid);
    yield rows.map(({ row }) => row as Record<string, unknown>);
  }
}

/** A row as the archive has it, one line. */
const lineOf = ({ own = [] }: BackupTable, row: Record<string, unknown>): string =>
  `${JSON.stringify(row, (key, value: unknown) => (own.includes(key) ? undefined : value))}\n`;

async function fill(
  archive: Pack,
  { db, pictures }: Source,
  made: string,
  { onShare, signal }: Watched,
): Promise<BackupCounts> {
  const entries = new Entries(archive);
  const counts = await countRows(db);
  const all = Object.values(counts).reduce((sum, n) => sum + n, 0);
  let done = 0;
  await entries.add(
    'head.json',
    `${JSON.stringify({ format: FORMAT, version: VERSION, made, model: MODEL, app: APP })}\n`,
  );
  for (const table of TABLES) {
    let page = 0;
    for await (const rows of rowsOf(db, table)) {
      if (signal?.aborted === true) throw new ApiError('stopped');
      const name = `${table.name}/${String(++page).padStart(6, '0')}.jsonl`;
      await entries.add(name, rows.map((row) => lineOf(table, row)).join(''));
      onShare?.((done += rows.length) / all);
      await breathe();
    }
  }
  for (const name of pictures.names()) {
    if (signal?.aborted === true) throw new ApiError('stopped');
    await entries.add(`${PICTURE_ENTRIES}${name}`, await pictures.read(name));
  }
  await entries.add('marks.json', `${JSON.stringify({ marks: { ...entries.marks }, counts })}\n`);
  archive.finalize();
  return { made, ...counts };
}

/** What a backup is made of: a database in a read transaction of its own, and the pictures beside it. */
export interface Source {
  readonly db: Database;
  readonly pictures: PictureShelf;
}

/**
 * Writes everything of a database, as it is at one moment, into one file: a gzipped tar of lines of JSON with the mark of each entry. It is
 * written beside where it is to stand, brought to the disk and only then given its name.
 * @throws ApiError `stopped`
 */
export async function writeBackup(
  source: Source,
  path: string,
  watched: Watched = {},
  now = new Date(),
): Promise<BackupCounts> {
  const beside = `${path}.part`;
  const archive = pack();
  try {
    const written = pipeline(archive, createGzip(), createWriteStream(beside, { mode: 0o600 }));
    const filled = fill(archive, source, now.toISOString(), watched).catch((error: unknown) => {
      archive.destroy(error instanceof Error ? error : new Error(String(error)));
      throw error;
    });
    // Both have ended before anything is taken away.
    await Promise.allSettled([filled, written]);
    const counts = await filled;
    await written;
    const file = await open(beside, 'r+');
    await file.sync();
    await file.close();
    await rename(beside, path);
    return counts;
  } catch (error) {
    await rm(beside, { force: true });
    throw error;
  }
}
