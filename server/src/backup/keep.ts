import { existsSync, statSync } from 'node:fs';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { faultLine, type Fault } from '@jobbet/core/base';
import { sizeFault } from '@jobbet/core/document';
import { DRAWERS_FORMAT, readDrawers, writeDrawers } from '@jobbet/core/drawers';
import { DATABASE_FILE } from '../db/open.ts';
import { Ledger } from '../db/ledger.ts';
import { lockFolder } from '../db/lock.ts';
import { DrawerStore } from '../drawers/store.ts';
import { ApiError, StartError, TakenError } from '../errors.ts';
import { Shelf } from '../flies/shelf.ts';
import { openHouse, type House } from '../house.ts';
import { solversHere } from '../solving/solvers.ts';
import { BACKUP_ENDING } from './format.ts';
import { doJob, withConnection } from './jobs.ts';

/** Where the commands that keep what is in a data folder (backup, restore, export, import) say what they did. */
export interface KeepTerminal {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
}

const BAD_INPUT = 2;
const MOST_BACKUP = 1_000_000_000;

class Refused extends Error {}

const lines = (faults: readonly Fault[]): string => faults.map(faultLine).join('\n');

/** A file that is one: not a folder, not a pipe, not larger than it may be. */
function requireFile(file: string, most: number): void {
  const found = statSync(file, { throwIfNoEntry: false });
  if (!found) throw new Refused(`${file}: there is no such file`);
  if (!found.isFile()) throw new Refused(`${file}: is no file`);
  if (found.size > most) throw new Refused(`${file}: is larger than any that Jobbet writes`);
}

async function backup(folder: string, file: string | undefined): Promise<string> {
  const name = file ?? `jobbet-${new Date().toISOString().slice(0, 10)}${BACKUP_ENDING}`;
  if (existsSync(name)) throw new Refused(`${name} is there already; name another file`);
  await bringUpToDate(folder);
  const { flies, versions, items } = await doJob({ kind: 'write', folder, path: resolve(name) });
  // What was written is read again, so that a backup that is told of can be restored.
  await doJob({ kind: 'look', path: resolve(name) });
  return `${String(flies)} flies, ${String(versions)} versions and ${String(items)} items of the drawers in ${folder} are kept in ${name}`;
}

/** A folder that no server has open may be of an older version; one that runs has seen to it. */
async function bringUpToDate(folder: string): Promise<void> {
  let house: House;
  try {
    house = await openHouse(folder);
  } catch (error) {
    if (error instanceof TakenError) return;
    throw error;
  }
  await house.close();
}

async function restore(folder: string, file: string | undefined): Promise<string> {
  if (file === undefined) throw new Refused('name the backup to restore');
  requireFile(file, MOST_BACKUP);
  const house = await openHouse(folder);
  try {
    const { counts, broken, kept } = await doJob({ kind: 'restore', folder, path: resolve(file) });
    const told = broken.map(({ name, why }) => `\n  does not read any more: ${name}: ${why}`).join('');
    return `${String(counts.flies)} flies and ${String(counts.items)} items of the drawers are back as of ${counts.made}; what was there is kept in ${join(folder, kept)}${told}`;
  } finally {
    await house.close();
  }
}

const drawersOf = (ledger: Ledger): DrawerStore => new DrawerStore(ledger, new Shelf(ledger), solversHere());

async function exportDrawers(drawers: DrawerStore, file: string | undefined): Promise<string> {
  const text = `${JSON.stringify(writeDrawers(await drawers.items()), null, 2)}\n`;
  if (file === undefined) return text.trimEnd();
  await writeFile(file, text);
  return `the drawers are in ${file}`;
}

async function importFile({ drawers, flies }: House, file: string): Promise<string> {
  let value: unknown;
  try {
    value = JSON.parse((await readFile(file, 'utf8')).replace(/^\uFEFF/, ''));
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    throw new Refused(`${file}: not JSON; an export of the drawers is`);
  }
  if ((value as { format?: unknown } | null)?.format === DRAWERS_FORMAT) {
    const read = readDrawers(value);
    if (!read.ok) throw new Refused(lines(read.faults));
    const { added, replaced, changes } = await drawers.layIn(read.value);
    return `${String(added)} items added, ${String(replaced)} replaced; the figures of ${String(changes.length)} flies changed`;
  }
  const large = sizeFault((await readFile(file)).length);
  if (large) throw new Refused(faultLine(large));
  return `${(await flies.create(value)).name} is in the box`;
}

/** Puts the database of a folder aside, so that the next start makes a new one. Nothing is deleted. */
async function putAside(folder: string): Promise<string> {
  const lock = await lockFolder(folder);
  try {
    const aside = join(folder, `before-reset-${new Date().toISOString().replace(/[:.]/g, '-')}`);
    await mkdir(aside, { mode: 0o700 });
    for (const ending of ['', '-wal', '-shm']) {
      const name = `${DATABASE_FILE}${ending}`;
      if (existsSync(join(folder, name))) await rename(join(folder, name), join(aside, name));
    }
    return `What was there is kept in ${aside}`;
  } finally {
    lock.release();
  }
}

async function withHouse<T>(folder: string, work: (house: House) => Promise<T>): Promise<T> {
  const house = await openHouse(folder);
  try {
    return await work(house);
  } finally {
    await house.close();
  }
}

const MOST_IMPORT = 100_000_000;

const COMMANDS: Readonly<Record<string, (folder: string, file: string | undefined) => Promise<string>>> = {
  backup,
  restore,
  aside: putAside,
  export: async (folder, file) => {
    await bringUpToDate(folder);
    return withConnection(folder, (db) => exportDrawers(drawersOf(new Ledger(db)), file));
  },
  import: (folder, file) => {
    if (file === undefined) throw new Refused('name an export of the drawers, or a pattern file');
    requireFile(file, MOST_IMPORT);
    return withHouse(folder, (house) => importFile(house, file));
  },
};

/** Commands that need what is there; the others begin a folder where there is none. */
const NEEDS_DATA: ReadonlySet<string> = new Set(['backup', 'export', 'aside']);

const HELP = `jobbet backup [FILE]     everything there is into one file, also while Jobbet runs
jobbet restore FILE      everything as a backup has it; what was there is kept beside it
jobbet export [FILE]     the drawers, as --drawers takes them
jobbet import FILE       an export of the drawers, or a pattern file
The data folder is ./data, or the one JOBBET_DATA names.`;

/** What is wrong with a file or folder, in words; null where it is no matter of the person's. */
function fileProblem(error: unknown): string | null {
  const { code, path } = error as { code?: string; path?: string };
  const where = path ?? 'it';
  if (code === 'ENOSPC') return `the disk is full; ${where} was not written`;
  if (code === 'EACCES' || code === 'EPERM') return `${where} may not be read or written by this account`;
  if (code === 'ENOENT') return `${where} is not there`;
  if (code === 'EISDIR' || code === 'ENOTDIR') return `${where} is no file`;
  return null;
}

/** Runs one command on a data folder. @returns the exit code: 0, or 2 where the input is bad; then nothing was changed */
export async function keep(args: readonly string[], folder: string, terminal: KeepTerminal): Promise<number> {
  const [name = '', file, ...more] = args;
  const command = COMMANDS[name];
  try {
    if (!command || more.length > 0 || file?.startsWith('--') === true) throw new Refused(HELP);
    if (NEEDS_DATA.has(name) && !existsSync(join(folder, DATABASE_FILE)))
      throw new Refused(`there is no Jobbet data in ${folder}; JOBBET_DATA names another folder`);
    terminal.out(`${await command(folder, file)}\n`);
    return 0;
  } catch (error) {
    const words =
      error instanceof Refused || error instanceof ApiError || error instanceof StartError
        ? error.message
        : fileProblem(error);
    if (words === null) throw error;
    const faults = error instanceof ApiError && error.details.faults ? `\n${lines(error.details.faults)}` : '';
    terminal.err(`${words}${faults}\n`);
    return BAD_INPUT;
  }
}

/** The folder a process's environment names. */
export const folderOf = (env: Readonly<Record<string, string | undefined>>): string =>
  resolve(env['JOBBET_DATA'] ?? 'data');
