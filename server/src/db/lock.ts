import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { createClient, type LibsqlError } from '@libsql/client';
import { StartError, TakenError } from '../errors.ts';
import { FileWatch } from './fileWatch.ts';
import { ownerOnly } from './owner.ts';

const LOCK_FILE = 'jobbet.lock';
/** Says where the server that has the folder open answers; only for words. */
const ADDRESS_FILE = 'running.json';

/** A data folder that this process alone may change until it lets go of it or ends. */
export interface FolderLock {
  readonly watch: FileWatch;
  /** Says where this process answers, for whoever finds the folder taken. */
  readonly tellPort: (port: number) => void;
  readonly release: () => void;
}

function portOf(folder: string): string {
  try {
    const { port } = JSON.parse(readFileSync(join(folder, ADDRESS_FILE), 'utf8')) as { port?: unknown };
    return typeof port === 'number' ? ` on port ${String(port)}` : '';
  } catch {
    return '';
  }
}

/**
 * Takes a data folder for this process. The lock is one of the system's on a file: it goes when the process ends, however it ends, and no
 * process number is trusted. A backup reads without it.
 * @throws StartError where another process has the folder
 */
export async function lockFolder(folder: string): Promise<FolderLock> {
  const path = join(folder, LOCK_FILE);
  ownerOnly(path);
  const client = createClient({ url: `file:${path}`, timeout: 0 });
  try {
    const held = await client.transaction('write');
    return {
      watch: new FileWatch([path]),
      tellPort: (port) => {
        writeFileSync(join(folder, ADDRESS_FILE), JSON.stringify({ port }), { mode: 0o600 });
      },
      release: () => {
        rmSync(join(folder, ADDRESS_FILE), { force: true });
        held.close();
        client.close();
      },
    };
  } catch (error) {
    client.close();
    if ((error as LibsqlError).code === 'SQLITE_BUSY')
      throw new TakenError(
        `Jobbet is running${portOf(folder)} with its data in ${folder}: use that one, stop it first, or set JOBBET_DATA to another folder.`,
      );
    throw new StartError(
      `The file ${path}, which marks the folder as taken, cannot be used: ${error instanceof Error ? error.message : String(error)}. Remove it, or set JOBBET_DATA to another folder.`,
    );
  }
}
