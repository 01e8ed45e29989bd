import { readDrawers, drawersOf, NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers';
import { good, faultLine, type Outcome } from '@jobbet/core/base';
import { solveText, type SolvedFly } from '@jobbet/core/model';
import { readOptions } from './options.ts';
import type { Terminal } from './terminal.ts';

export interface Source {
  readonly label: string;
  readonly text: () => string;
}

export const reasonOf = (error: unknown): string => {
  const code = (error as { code?: string }).code;
  if (code === 'ENOENT') return 'there is no such file';
  if (code === 'EISDIR') return 'is a folder, not a file';
  if (code === 'EACCES') return 'may not be read';
  return error instanceof Error ? error.message : String(error);
};

/** Solves every source and writes of each what is asked; faults of any keep the output of all back, since half an answer misleads a script. */
export function answer(
  sources: readonly Source[],
  { lines, drawers }: { readonly lines: boolean; readonly drawers: Drawers },
  write: (solved: SolvedFly, drawers: Drawers) => Outcome<readonly unknown[]>,
  terminal: Terminal,
): 0 | 2 {
  const printed: string[] = [];
  const faults: string[] = [];
  for (const { label, text } of sources) {
    const prefix = sources.length > 1 ? `${label}: ` : '';
    let source: string;
    try {
      source = text();
    } catch (error) {
      faults.push(`${label}: ${reasonOf(error)}`);
      continue;
    }
    const solved = solveText(source, drawers);
    const written = solved.ok ? write(solved.value, drawers) : solved;
    // A text is printed as it is, anything else as JSON.
    const print = (each: unknown): string =>
      typeof each === 'string' ? each.trimEnd() : JSON.stringify(each, null, lines ? undefined : 2);
    if (written.ok) printed.push(...written.value.map(print));
    else faults.push(...written.faults.map((fault) => prefix + faultLine(fault)));
  }
  if (faults.length > 0) {
    terminal.err(`${faults.join('\n')}\n`);
    return 2;
  }
  terminal.out(`${printed.join('\n')}\n`);
  return 0;
}

/** The drawers a command was given, the nominal ones where it was given none; says what is wrong with them and answers null. */
export const drawersIn = (file: string | null, terminal: Terminal): Drawers | null =>
  file === null ? NOMINAL_DRAWERS : readExport(file, terminal);

/** An export of the drawers may be larger than any fly. */
const MOST_DRAWERS = 100_000_000;

/** The drawers of an export, or the faults of it, one line each with the file's name. */
function readExport(file: string, terminal: Terminal): Drawers | null {
  let value: unknown;
  try {
    value = JSON.parse(terminal.read(file, MOST_DRAWERS).replace(/^\uFEFF/, ''));
  } catch (error) {
    terminal.err(
      `${file}: ${error instanceof SyntaxError ? 'not JSON; an export of the drawers is' : reasonOf(error)}\n`,
    );
    return null;
  }
  const read = readDrawers(value);
  if (read.ok) return drawersOf(read.value);
  terminal.err(`${read.faults.map((fault) => `${file}: ${faultLine(fault)}`).join('\n')}\n`);
  return null;
}

export interface SolveOptions {
  readonly files: readonly string[];
  readonly stdin: boolean;
  readonly lines: boolean;
  readonly drawersFile: string | null;
  /** What else was given, by option. */
  readonly more: ReadonlyMap<string, string>;
}

/** Reads the words after a command that solves flies, or says what is wrong with them. @param further its own options, and what each needs */
export function solveOptions(
  command: string,
  args: readonly string[],
  further: Readonly<Record<string, string>> = {},
): SolveOptions | string {
  const typed = readOptions(command, args, { flags: ['stdin', 'lines'], values: { drawers: 'FILE', ...further } });
  if (typeof typed === 'string') return typed;
  const { files, flags, values } = typed;
  if (files.length === 0 && !flags.has('stdin')) return 'name a pattern file, or give --stdin';
  if (values.get('drawers') === '') return '--drawers needs the name of an export of the drawers';
  return {
    files,
    stdin: flags.has('stdin'),
    lines: flags.has('lines'),
    drawersFile: values.get('drawers') ?? null,
    more: values,
  };
}

export function sourcesOf({ files, stdin }: SolveOptions, terminal: Terminal): Source[] {
  const sources = files.map((file): Source => ({ label: file, text: () => terminal.read(file) }));
  return stdin ? [{ label: 'standard input', text: terminal.stdin }, ...sources] : sources;
}

/** Solves what was asked for. @param options as they were read, or what is wrong with them @param write what is printed of each fly */
export function runOver(
  options: SolveOptions | string,
  write: (solved: SolvedFly, drawers: Drawers) => unknown,
  terminal: Terminal,
): 0 | 2 {
  if (typeof options === 'string') return refuse(options, terminal);
  const drawers = drawersIn(options.drawersFile, terminal);
  if (!drawers) return 2;
  return answer(
    sourcesOf(options, terminal),
    { lines: options.lines, drawers },
    (solved, tables) => good([write(solved, tables)]),
    terminal,
  );
}

export function refuse(words: string, terminal: Terminal): 2 {
  terminal.err(`${words}\n`);
  return 2;
}
