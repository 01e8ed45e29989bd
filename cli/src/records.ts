import { dirname, isAbsolute, join } from 'node:path';
import { bad, faultLine, good, type Fault, type Outcome } from '@jobbet/core/base';
import type { Drawers } from '@jobbet/core/drawers';
import { readFly, readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import { readOptions } from './options.ts';
import { drawersIn, reasonOf, refuse } from './sources.ts';
import type { Terminal } from './terminal.ts';

/** What a command over records was given. */
export interface RecordsAsked {
  readonly files: readonly string[];
  readonly lines: boolean;
  readonly drawers: Drawers;
  readonly folders: { readonly flies: string | null; readonly beats: string | null; readonly dates: string | null };
  readonly more: ReadonlyMap<string, string>;
}

/** The folders that records take what they name from; every command over records takes them all. */
const FOLDERS = { flies: 'FOLDER', beats: 'FOLDER', dates: 'FOLDER', specimens: 'FOLDER' } as const;

/** Reads the words after a command over records; says what is wrong with them and answers null. @param further its own options, and what each needs */
export function recordsAsked(
  command: string,
  args: readonly string[],
  further: Readonly<Record<string, string>>,
  terminal: Terminal,
): RecordsAsked | null {
  const refused = (words: string): null => {
    refuse(words, terminal);
    return null;
  };
  const typed = readOptions(command, args, { flags: ['lines'], values: { drawers: 'FILE', ...FOLDERS, ...further } });
  if (typeof typed === 'string') return refused(typed);
  const { files, flags, values } = typed;
  if (files.length === 0) return refused(`name a file, such as opening.${command}.json`);
  for (const [name, needs] of Object.entries({ drawers: 'the name of an export of the drawers', ...FOLDERS }))
    if (values.get(name) === '') return refused(`--${name} needs ${needs}`);
  const drawers = drawersIn(values.get('drawers') ?? null, terminal);
  return (
    drawers && {
      files,
      lines: flags.has('lines'),
      drawers,
      folders: {
        flies: values.get('flies') ?? null,
        beats: values.get('beats') ?? null,
        dates: values.get('dates') ?? null,
      },
      more: values,
    }
  );
}

const unreadable = (path: string, error: unknown, file: string): Fault => ({
  path,
  code: 'unknown-name',
  message: `"${file}" does not read: ${reasonOf(error)}`,
});

const isMissing = (error: unknown): boolean => (error as { code?: string }).code === 'ENOENT';
const under = (path: string, faults: readonly Fault[]): Outcome<never> =>
  bad(...faults.map((fault) => ({ ...fault, path: path + (fault.path === '' ? '' : `: ${fault.path}`) })));

const EXTENSION = '.fly.json';

/** Pattern files that a record names, found beside it, in the folder of flies, or in the record itself. */
export class Flies {
  private readonly beside: string;
  private readonly folder: string | null;
  private readonly terminal: Terminal;
  private inFolder: { readonly file: string; readonly read: Outcome<FlyFile> }[] | null = null;

  /** @param record the file of the record itself @param folder what `--flies` names */
  constructor(record: string, folder: string | null, terminal: Terminal) {
    this.beside = dirname(record);
    this.folder = folder;
    this.terminal = terminal;
  }

  /** The pattern file of a name. @param path its place in the record, for faults */
  of(name: string, pattern: unknown, path: string): Outcome<FlyFile> {
    if (pattern !== undefined) {
      const read = readFlyValue(pattern);
      return read.ok ? read : under('pattern', read.faults);
    }
    try {
      const read = readFly(this.terminal.read(isAbsolute(name) ? name : join(this.beside, name)));
      return read.ok ? read : under(path, read.faults);
    } catch (error) {
      if (!isMissing(error) && !(error instanceof Error && error.message === 'is no file'))
        return bad(unreadable(path, error, name));
    }
    return this.byName(name, path);
  }

  private byName(name: string, path: string): Outcome<FlyFile> {
    const none = (where: string): Outcome<FlyFile> =>
      bad({ path, code: 'unknown-name', message: `there is no pattern file "${name}" beside the record${where}` });
    if (this.folder === null) return none('; --flies FOLDER says where flies are kept by name');
    try {
      this.inFolder ??= this.terminal
        .list(this.folder)
        .filter((file) => file.endsWith(EXTENSION))
        .map((file) => ({ file, read: readFly(this.terminal.read(join(this.folder ?? '', file))) }));
    } catch (error) {
      return bad(unreadable(path, error, this.folder));
    }
    const plain = name.toLowerCase();
    const found = this.inFolder.filter(
      ({ file, read }) =>
        [file, file.slice(0, -EXTENSION.length)].some((each) => each.toLowerCase() === plain) ||
        (read.ok && read.value.name.toLowerCase() === plain),
    );
    const [first, another] = found;
    if (!first) return none(`, nor in ${this.folder}`);
    if (another)
      return bad({
        path,
        code: 'ambiguous',
        message: `"${name}" is ${String(found.length)} files of ${this.folder}: ${found.map(({ file }) => file).join(', ')}; name one of them`,
      });
    return first.read.ok ? good(first.read.value) : under(path, first.read.faults);
  }
}

/** Faults of one file of several, by its name. */
const of = (file: string, faults: readonly Fault[]): readonly Fault[] =>
  faults.map((fault) => ({ ...fault, path: fault.path === '' ? file : `${file}: ${fault.path}` }));

/** Reads one file of several; what is wrong with it names it. */
export function readOne<T>(file: string, read: (text: string) => Outcome<T>, terminal: Terminal): Outcome<T> {
  try {
    const made = read(terminal.read(file));
    return made.ok ? made : bad(...of(file, made.faults));
  } catch (error) {
    return bad({ path: file, code: 'unknown-name', message: reasonOf(error) });
  }
}

/** Writes what is asked of all files together; faults keep it back. */
export function reportTogether({ lines }: RecordsAsked, told: Outcome<unknown>, terminal: Terminal): 0 | 2 {
  if (told.ok) {
    terminal.out(`${JSON.stringify(told.value, null, lines ? undefined : 2)}\n`);
    return 0;
  }
  terminal.err(`${told.faults.map(faultLine).join('\n')}\n`);
  return 2;
}

/**
 * Reads each record and writes what is asked of it; faults of any keep the output of all back.
 * @param written what is printed of one record
 */
export function overRecords(
  { files, lines }: RecordsAsked,
  written: (text: string, file: string) => Outcome<unknown>,
  terminal: Terminal,
): 0 | 2 {
  const printed: string[] = [];
  const faults: string[] = [];
  for (const file of files) {
    const prefix = files.length > 1 ? `${file}: ` : '';
    try {
      const made = written(terminal.read(file), file);
      if (made.ok) printed.push(JSON.stringify(made.value, null, lines ? undefined : 2));
      else faults.push(...made.faults.map((fault) => prefix + faultLine(fault)));
    } catch (error) {
      faults.push(`${file}: ${reasonOf(error)}`);
    }
  }
  if (faults.length > 0) {
    terminal.err(`${faults.join('\n')}\n`);
    return 2;
  }
  terminal.out(`${printed.join('\n')}\n`);
  return 0;
}
