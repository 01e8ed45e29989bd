import { accessSync, chmodSync, constants, existsSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import { StartError } from '../errors.ts';
import { FileWatch } from './fileWatch.ts';
import { lockFolder, type FolderLock } from './lock.ts';
import { ownerOnly } from './owner.ts';
import { Ledger, type Database } from './ledger.ts';

export interface OpenDatabase {
  readonly folder: string;
  readonly db: Database;
  readonly client: Client;
  /** What writes go through. */
  readonly ledger: Ledger;
  readonly lock: FolderLock;
  readonly close: () => void;
}

export const DATABASE_FILE = 'jobbet.sqlite';
const MIGRATIONS = join(import.meta.dirname, '../migrations');
const migrationsFolder = existsSync(MIGRATIONS) ? MIGRATIONS : join(import.meta.dirname, '../../migrations');

/** How long a write waits for another process's, set on every connection of the pool. */
const BUSY_MS = 5000;

/** The folder, made for its owner alone where it is not there; one that is ours is closed to others too. */
function ready(folder: string): void {
  try {
    if (!existsSync(folder)) mkdirSync(folder, { recursive: true, mode: 0o700 });
    accessSync(folder, constants.W_OK);
    if (!statSync(folder).isDirectory()) throw new Error('no folder');
  } catch {
    throw new StartError(
      `The data folder ${folder} cannot be written. Make it writable, or set JOBBET_DATA to another folder.`,
    );
  }
  const path = join(folder, DATABASE_FILE);
  if (existsSync(path) && !statSync(path).isFile())
    throw new StartError(
      `${path} is a folder, where the database should be. Move it away, or set JOBBET_DATA to another folder.`,
    );
  if (existsSync(path)) closeToOthers(folder);
  ownerOnly(path);
  for (const more of ['-wal', '-shm']) if (existsSync(path + more)) ownerOnly(path + more);
}

function closeToOthers(folder: string): void {
  try {
    chmodSync(folder, 0o700);
  } catch {
    // Not ours to close.
  }
}

/** The driver opens connections as it needs them and turns foreign keys on for each; without that nothing is opened. */
async function requireForeignKeys(client: Client): Promise<void> {
  const answer = await client.execute('pragma foreign_keys');
  if (answer.rows[0]?.['foreign_keys'] !== 1) throw new Error('foreign keys are off');
}

/** When the newest migration this program knows was made, and the newest that a database has; null for a new one. */
async function migrationsOf(client: Client): Promise<{ readonly known: number; readonly has: number | null }> {
  const journal = JSON.parse(readFileSync(join(migrationsFolder, 'meta/_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  const known = Math.max(...journal.entries.map((entry) => entry.when));
  const table = await client.execute("select name from sqlite_master where name = '__drizzle_migrations'");
  if (table.rows.length === 0) return { known, has: null };
  const newest = await client.execute('select max(created_at) as newest from __drizzle_migrations');
  return { known, has: Number(newest.rows[0]?.['newest'] ?? 0) };
}

/** Brings a database up to date; one that holds something is copied beside itself first. One that is further than this program knows is left alone. */
async function bringUpToDate(client: Client, db: Database, folder: string): Promise<void> {
  const { known, has } = await migrationsOf(client);
  if (has !== null && has > known)
    throw new StartError(
      `The database in ${folder} was written by a newer Jobbet. Update Jobbet, or set JOBBET_DATA to another folder.`,
    );
  if (has === known) return;
  if (has !== null) {
    const copy = join(folder, `before-update-${new Date().toISOString().replace(/[:.]/g, '-')}.sqlite`);
    await client.execute({ sql: 'vacuum into ?', args: [copy] });
    ownerOnly(copy);
  }
  await migrate(db, { migrationsFolder });
}

/** What is wrong with a database that does not open, in words. */
function openProblem(folder: string, error: unknown): StartError {
  const code = (error as { code?: string }).code ?? '';
  const path = join(folder, DATABASE_FILE);
  if (code === 'SQLITE_NOTADB' || code === 'SQLITE_CORRUPT')
    return new StartError(
      `${path} is no database, or a damaged one. Move it away and restore a backup: npx jobbet restore FILE.`,
    );
  if (code === 'SQLITE_FULL')
    return new StartError(`The disk that holds ${folder} is full. Make room, or set JOBBET_DATA to another folder.`);
  if (code === 'SQLITE_BUSY') return new StartError(`Another program is writing to ${path}. Close it and start again.`);
  return new StartError(
    `The database in ${folder} cannot be opened: ${error instanceof Error ? error.message : String(error)}`,
  );
}

/**
 * Opens the database of a data folder for this process alone, brings it up to date and sets it to WAL with foreign keys on.
 * @throws StartError where it cannot be, or another process has it
 */
export async function openDatabase(folder: string): Promise<OpenDatabase> {
  ready(folder);
  const lock = await lockFolder(folder);
  let client: Client | undefined;
  try {
    const path = join(folder, DATABASE_FILE);
    client = createClient({ url: `file:${path}`, timeout: BUSY_MS });
    await client.execute('pragma journal_mode = wal');
    await requireForeignKeys(client);
    const db: Database = drizzle(client);
    await bringUpToDate(client, db, folder);
    const opened = client;
    const ledger = new Ledger(db, [new FileWatch([path, `${path}-wal`]), lock.watch]);
    return {
      folder,
      db,
      client,
      ledger,
      lock,
      close: () => {
        opened.close();
        lock.release();
      },
    };
  } catch (error) {
    client?.close();
    lock.release();
    throw error instanceof StartError ? error : openProblem(folder, error);
  }
}
