import { accessSync, constants, existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import * as schema from './schema.ts';

export type Database = LibSQLDatabase<typeof schema>;
export interface OpenDatabase {
  readonly db: Database;
  readonly client: Client;
  readonly close: () => void;
}

/** A reason not to start, in words for the person who started it. */
export class StartError extends Error {}

export const DATABASE_FILE = 'jobbet.sqlite';
const MIGRATIONS = join(import.meta.dirname, '../migrations');
const migrationsFolder = existsSync(MIGRATIONS) ? MIGRATIONS : join(import.meta.dirname, '../../migrations');

/** How long a write waits for another process's, set on every connection of the pool. */
const BUSY_MS = 5000;

function ready(folder: string): void {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
  } catch {
    throw new StartError(
      `The data folder ${folder} cannot be written. Make it writable, or set JOBBET_DATA to another folder.`,
    );
  }
}

/** The driver opens connections as it needs them and turns foreign keys on for each; without that nothing is opened. */
async function requireForeignKeys(client: Client): Promise<void> {
  const answer = await client.execute('pragma foreign_keys');
  if (answer.rows[0]?.['foreign_keys'] !== 1) throw new Error('foreign keys are off');
}

/** A database migrated further than this program knows is left alone. */
async function refuseNewer(client: Client, folder: string): Promise<void> {
  const journal = JSON.parse(readFileSync(join(migrationsFolder, 'meta/_journal.json'), 'utf8')) as {
    entries: { when: number }[];
  };
  const known = Math.max(...journal.entries.map((entry) => entry.when));
  const table = await client.execute("select name from sqlite_master where name = '__drizzle_migrations'");
  if (table.rows.length === 0) return;
  const newest = await client.execute('select max(created_at) as newest from __drizzle_migrations');
  if (Number(newest.rows[0]?.['newest'] ?? 0) > known) {
    client.close();
    throw new StartError(
      `The database in ${folder} was written by a newer Jobbet. Update Jobbet, or set JOBBET_DATA to another folder.`,
    );
  }
}

/** Opens the database of a data folder, brings it up to date and sets it to WAL with foreign keys on. @throws StartError */
export async function openDatabase(folder: string): Promise<OpenDatabase> {
  ready(folder);
  const client = createClient({ url: `file:${join(folder, DATABASE_FILE)}`, timeout: BUSY_MS });
  try {
    await client.execute('pragma journal_mode = wal');
    await requireForeignKeys(client);
    await refuseNewer(client, folder);
    const db = drizzle(client, { schema });
    await migrate(db, { migrationsFolder });
    return {
      db,
      client,
      close: () => {
        client.close();
      },
    };
  } catch (error) {
    if (error instanceof StartError) throw error;
    client.close();
    throw new StartError(
      `The database in ${folder} cannot be opened: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
}
