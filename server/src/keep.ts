import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { faultLine, readFlyValue, type Fault } from '@jobbet/core';
import { DRAWERS_FORMAT, readDrawers, writeDrawers } from '@jobbet/core/drawers/file';
import { BACKUP_ENDING, keepBefore, makeBackup, readBackup, restoreBackup } from './backup.ts';
import { DATABASE_FILE, openDatabase, StartError } from './db/open.ts';
import type { Database } from './db/open.ts';
import { DrawerStore } from './drawers.ts';
import { ApiError } from './errors.ts';
import { whoRuns } from './running.ts';
import { FlyStore } from './store.ts';

/** The commands that keep what is in a data folder: backup, restore, export, import. */
export interface KeepTerminal {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

const BAD_INPUT = 2;

class Refused extends Error {}

const lines = (faults: readonly Fault[]): string => faults.map(faultLine).join('\n');

function readBytes(file: string): Buffer {
  if (!existsSync(file)) throw new Refused(`${file}: there is no such file`);
  return readFileSync(file);
}

/** A running server keeps the drawers in mind; what would change them behind its back is refused. */
function refuseWhileRunning(folder: string): void {
  const running = whoRuns(folder);
  if (running)
    throw new Refused(
      `Jobbet is running on port ${String(running.port)} with its data in ${folder}: do this in the app, or stop it first`,
    );
}

async function backup(db: Database, folder: string, file: string | undefined): Promise<string> {
  const name = file ?? `jobbet-${new Date().toISOString().slice(0, 10)}${BACKUP_ENDING}`;
  if (existsSync(name)) throw new Refused(`${name} is there already; name another file`);
  const { bytes, counts } = await makeBackup(db);
  // What was written is read again, so that a backup that is told of can be restored.
  readBackup(bytes);
  writeFileSync(name, bytes);
  return `${String(counts.flies)} flies, ${String(counts.versions)} versions and ${String(counts.items)} items of the drawers in ${folder} are kept in ${name}`;
}

async function restore(db: Database, folder: string, file: string | undefined): Promise<string> {
  if (file === undefined) throw new Refused('name the backup to restore');
  const read = readBackup(readBytes(file));
  refuseWhileRunning(folder);
  const kept = await keepBefore(db, folder);
  await restoreBackup(db, read);
  return `${String(read.counts.flies)} flies and ${String(read.counts.items)} items of the drawers are back as of ${read.counts.made}; what was there is kept in ${join(folder, kept)}`;
}

async function exportDrawers(db: Database, file: string | undefined): Promise<string> {
  const text = `${JSON.stringify(writeDrawers(await new DrawerStore(db).items()), null, 2)}\n`;
  if (file === undefined) return text.trimEnd();
  writeFileSync(file, text);
  return `the drawers are in ${file}`;
}

async function importFile(db: Database, folder: string, file: string | undefined): Promise<string> {
  if (file === undefined) throw new Refused('name an export of the drawers, or a pattern file');
  let value: unknown;
  try {
    value = JSON.parse(
      readBytes(file)
        .toString('utf8')
        .replace(/^\uFEFF/, ''),
    );
  } catch (error) {
    if (error instanceof Refused) throw error;
    throw new Refused(`${file}: not JSON; an export of the drawers is`);
  }
  refuseWhileRunning(folder);
  const drawers = new DrawerStore(db);
  if ((value as { format?: unknown } | null)?.format === DRAWERS_FORMAT) {
    const read = readDrawers(value);
    if (!read.ok) throw new Refused(lines(read.faults));
    const { added, replaced, changes } = await drawers.layIn(read.value);
    return `${String(added)} items added, ${String(replaced)} replaced; the figures of ${String(changes.length)} flies changed`;
  }
  const fly = readFlyValue(value);
  if (!fly.ok) throw new Refused(lines(fly.faults));
  const made = await new FlyStore(db, Date.now, () => drawers.drawers()).create(fly.value);
  return `${made.name} is in the box`;
}

const HELP = `jobbet backup [FILE]     everything there is into one file, also while Jobbet runs
jobbet restore FILE      everything as a backup has it; what was there is kept beside it
jobbet export [FILE]     the drawers, as --drawers takes them
jobbet import FILE       an export of the drawers, or a pattern file
The data folder is ./data, or the one JOBBET_DATA names.
`;

/** Runs one command on a data folder. @returns the exit code: 0, or 2 where the input is bad; then nothing was changed */
export async function keep(args: readonly string[], folder: string, terminal: KeepTerminal): Promise<number> {
  const [command, file, ...more] = args;
  try {
    if (more.length > 0 || file?.startsWith('--') === true) throw new Refused(HELP.trimEnd());
    if (command !== 'restore' && command !== 'import' && !existsSync(join(folder, DATABASE_FILE)))
      throw new Refused(`there is no Jobbet data in ${folder}; JOBBET_DATA names another folder`);
    const database = await openDatabase(folder);
    try {
      const { db } = database;
      const done =
        command === 'backup'
          ? await backup(db, folder, file)
          : command === 'restore'
            ? await restore(db, folder, file)
            : command === 'export'
              ? await exportDrawers(db, file)
              : await importFile(db, folder, file);
      terminal.out(`${done}\n`);
      return 0;
    } finally {
      database.close();
    }
  } catch (error) {
    if (!(error instanceof Refused || error instanceof ApiError || error instanceof StartError)) throw error;
    const faults = error instanceof ApiError && error.details.faults ? `\n${lines(error.details.faults)}` : '';
    terminal.err(`${error.message}${faults}\n`);
    return BAD_INPUT;
  }
}

/** The folder a process's environment names. */
export const folderOf = (env: Readonly<Record<string, string | undefined>>): string =>
  resolve(env['JOBBET_DATA'] ?? 'data');
