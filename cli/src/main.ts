import { readFileSync, statSync } from 'node:fs';
import { readDrawers } from '@jobbet/core/drawers/file';
import { drawersOf, NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers/tables';
import { checkFly } from '@jobbet/core/checks/checkFly';
import { reportChecked, reportChecks } from '@jobbet/core/checks/report';
import { HOLDS, runFly } from '@jobbet/core/run/runFly';
import { readSizes } from '@jobbet/core/run/sizes';
import { good } from '@jobbet/core/units/fault';
import { faultLine, flyJsonSchema, MAX_BYTES, sizeFault, solveText, type Outcome, type SolvedFly } from '@jobbet/core';

/** Where a run of the command line writes and reads; the process itself in use, a stand-in under test. */
export interface Terminal {
  readonly out: (text: string) => void;
  readonly err: (text: string) => void;
  readonly stdin: () => string;
  readonly read: (file: string) => string;
}

const HELP = `jobbet solve FILE... [--stdin] [--lines] [--drawers FILE]
                         what each fly measures, weighs, and does in water, as JSON
jobbet check FILE... [--stdin] [--lines] [--drawers FILE]
                         what is to be said of each fly, as JSON; exit 1 when something stops one
jobbet run FILE --sizes 4,6,8,double:6,tube:28mm [--hold shape|ride|sink] [--drawers FILE]
                         the fly on each size, the weight in the size that exists, one object each
jobbet schema            the JSON Schema of the pattern file
jobbet backup [FILE]     everything there is into one file, also while Jobbet runs
jobbet restore FILE      everything as a backup has it; what was there is kept beside it
jobbet export [FILE]     the drawers, as --drawers takes them
jobbet import FILE       an export of the drawers, or a pattern file

Exit 0 when all is well, 2 on bad input: then nothing is printed but one line per fault on standard error.
`;

interface Source {
  readonly label: string;
  readonly text: () => string;
}

const reasonOf = (error: unknown): string => {
  const code = (error as { code?: string }).code;
  if (code === 'ENOENT') return 'there is no such file';
  if (code === 'EISDIR') return 'is a folder, not a file';
  if (code === 'EACCES') return 'may not be read';
  return error instanceof Error ? error.message : String(error);
};

/** Solves every source and writes of each what is asked; faults of any keep the output of all back, since half an answer misleads a script. */
function answer(
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
    if (written.ok) printed.push(...written.value.map((each) => JSON.stringify(each, null, lines ? undefined : 2)));
    else faults.push(...written.faults.map((fault) => prefix + faultLine(fault)));
  }
  if (faults.length > 0) {
    terminal.err(`${faults.join('\n')}\n`);
    return 2;
  }
  terminal.out(`${printed.join('\n')}\n`);
  return 0;
}

/** The drawers of an export, or the faults of it, one line each with the file's name. */
function readExport(file: string, terminal: Terminal): Drawers | null {
  let value: unknown;
  try {
    value = JSON.parse(terminal.read(file).replace(/^\uFEFF/, ''));
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

interface SolveOptions {
  readonly files: readonly string[];
  readonly stdin: boolean;
  readonly lines: boolean;
  readonly drawersFile: string | null;
}

/** Reads the words after `solve` or `check`, or says what is wrong with them. */
function solveOptions(command: string, args: readonly string[]): SolveOptions | string {
  const files: string[] = [];
  let [stdin, lines] = [false, false];
  let drawersFile: string | null = null;
  for (let i = 0; i < args.length; i++) {
    const arg = args[i] ?? '';
    if (arg === '--stdin') stdin = true;
    else if (arg === '--lines') lines = true;
    else if (arg === '--drawers') {
      drawersFile = args[++i] ?? null;
      if (drawersFile === null) return '--drawers needs the name of an export of the drawers';
    } else if (arg.startsWith('--'))
      return `unknown option "${arg}"; ${command} takes --stdin, --lines and --drawers FILE`;
    else files.push(arg);
  }
  return files.length === 0 && !stdin ? 'name a pattern file, or give --stdin' : { files, stdin, lines, drawersFile };
}

function sourcesOf({ files, stdin }: SolveOptions, terminal: Terminal): Source[] {
  const sources = files.map((file): Source => ({ label: file, text: () => terminal.read(file) }));
  return stdin ? [{ label: 'standard input', text: terminal.stdin }, ...sources] : sources;
}

/** Runs `solve` or `check`. @param write what is printed of each fly */
function runOver(
  command: string,
  args: readonly string[],
  write: (solved: SolvedFly, drawers: Drawers) => unknown,
  terminal: Terminal,
): 0 | 2 {
  const options = solveOptions(command, args);
  if (typeof options === 'string') {
    terminal.err(`${options}\n`);
    return 2;
  }
  const drawers = options.drawersFile === null ? NOMINAL_DRAWERS : readExport(options.drawersFile, terminal);
  if (!drawers) return 2;
  return answer(
    sourcesOf(options, terminal),
    { lines: options.lines, drawers },
    (solved, tables) => good([write(solved, tables)]),
    terminal,
  );
}

const runSolve = (args: readonly string[], terminal: Terminal): number =>
  runOver('solve', args, (solved, drawers) => reportChecked(solved, { drawers }), terminal);

/** What is to be said of each fly. @returns 1 when anything stops one of them */
function runCheck(args: readonly string[], terminal: Terminal): number {
  const severities: string[] = [];
  const code = runOver(
    'check',
    args,
    (solved, drawers) => {
      const checked = checkFly(solved, { drawers });
      severities.push(...checked.findings.map((each) => each.severity));
      return {
        name: solved.laid.file.name,
        checks: reportChecks(checked),
        muted: checked.muted.map(({ code: of, muteReason }) => ({ code: of, reason: muteReason })),
      };
    },
    terminal,
  );
  return code === 0 && severities.includes('stop') ? 1 : code;
}

/** A fly on several sizes, one solve object for each. */
function runSizes(args: readonly string[], terminal: Terminal): number {
  const taken = new Map<string, string>();
  const rest: string[] = [];
  for (let i = 0; i < args.length; i++) {
    const arg = args[i] ?? '';
    if (arg === '--sizes' || arg === '--hold') taken.set(arg, args[++i] ?? '');
    else rest.push(arg);
  }
  const hold = HOLDS.find((each) => each === (taken.get('--hold') ?? 'shape'));
  const sizes = readSizes(taken.get('--sizes') ?? '');
  if (!hold) return refuse(`--hold is one of ${HOLDS.join(', ')}`, terminal);
  if (!sizes.ok) return refuse(sizes.faults.map((fault) => `--sizes ${faultLine(fault)}`).join('\n'), terminal);
  const options = solveOptions('run', rest);
  if (typeof options === 'string') return refuse(options, terminal);
  const drawers = options.drawersFile === null ? NOMINAL_DRAWERS : readExport(options.drawersFile, terminal);
  if (!drawers) return 2;
  return answer(
    sourcesOf(options, terminal),
    { lines: options.lines, drawers },
    ({ laid }) => {
      const flies = runFly(laid.file, sizes.value, hold, drawers);
      if (!flies.ok) return flies;
      return good(
        flies.value.map(({ size, solved, weight, notes }) => ({
          size: size.text,
          ...reportChecked(solved, { drawers }),
          weightTaken: weight,
          runNotes: notes,
        })),
      );
    },
    terminal,
  );
}

function refuse(words: string, terminal: Terminal): 2 {
  terminal.err(`${words}\n`);
  return 2;
}

/** Runs one command. @returns the exit code */
export function run(args: readonly string[], terminal: Terminal): number {
  const [command, ...rest] = args;
  switch (command) {
    case 'solve':
      return runSolve(rest, terminal);
    case 'check':
      return runCheck(rest, terminal);
    case 'run':
      return runSizes(rest, terminal);
    case 'schema':
      terminal.out(`${JSON.stringify(flyJsonSchema(), null, 2)}\n`);
      return 0;
    case undefined:
    case 'help':
    case '--help':
    case '-h':
      terminal.out(HELP);
      return 0;
    default:
      terminal.err(`unknown command "${command}"\n${HELP}`);
      return 2;
  }
}

/** The process's own terminal. Files over the limit are read no further than tells that they are. */
export const processTerminal = (): Terminal => ({
  out: (text) => {
    process.stdout.write(text);
  },
  err: (text) => {
    process.stderr.write(text);
  },
  stdin: () => readFileSync(0, 'utf8').slice(0, 20 * MAX_BYTES),
  read: (file) => {
    const large = sizeFault(statSync(file).size);
    if (large) throw new Error(large.message);
    return readFileSync(file, 'utf8');
  },
});
