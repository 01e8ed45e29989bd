import { checkFly, reportChecked, reportChecks } from '@jobbet/core/checks';
import { documentJsonSchema } from '@jobbet/core/document';
import { FLY_KIND } from '@jobbet/core/pattern';
import { KIND_OF } from '@jobbet/core/records';
import { runBatch } from './batch.ts';
import { runDrill } from './drill.ts';
import { runInspect } from './inspect.ts';
import { runSheet } from './sheet.ts';
import { runGauge, runSizes } from './sizes.ts';
import { refuse, runOver, solveOptions } from './sources.ts';
import { runLogCommand } from './log.ts';
import { runWaterCommand } from './water.ts';
import type { Terminal } from './terminal.ts';

export { processTerminal, type Terminal } from './terminal.ts';

const HELP = `jobbet solve FILE... [--stdin] [--lines] [--drawers FILE]
                         what each fly measures, weighs, and does in water, as JSON
jobbet check FILE... [--stdin] [--lines] [--drawers FILE]
                         what is to be said of each fly, as JSON; exit 1 when something stops one
jobbet run FILE --sizes 4,6,8,double:6,tube:28mm [--hold shape|ride|sink] [--drawers FILE]
                         the fly on each size, the weight in the size that exists, one object each
jobbet gauge FILE --sizes 4,6,8 [--format pdf|svg] [--paper a4|letter] [--hand right|left] [--page N]
             [--measured MM] [--drawers FILE]
                         a card at true scale to hold against each hook, on standard output; --measured is
                         what the 50 mm bar of the last print came to
jobbet sheet FILE... [--format md|html|json|pdf] [--paper a4|letter] [--hand right|left]
             [--for tier|beginner] [--stdin] [--drawers FILE]
                         how each fly is tied, step by step, with what is cut to which length; as a PDF of one
jobbet batch FILE... [--flies FOLDER] [--drawers FILE] [--lines]
                         what a batch takes from the drawers, what runs out and what might do instead, what it
                         costs, and which evening each fly is tied
jobbet inspect FLY SPECIMEN... [--photo IMAGE [--view side] [--mm-per-px N | --by shank|gap]]
             [--drawers FILE] [--lines]
                         finished flies against their pattern: how each came out, what the hand does over
                         all of them, what they teach; of a photograph, what it measures
jobbet water FLY --beat FILE [--level M] [--line floating|intermediate|"sink-tip:4 m:75 mm/s"|"sinking:75 mm/s"]
             [--manner swing|strip|dead-drift|jig|hang|count-down] [--leader "2.7 m:0.25 mm:nylon,…"]
             [--cast 18m] [--angle 45deg] [--mend N] [--count 6s] [--strip "0.3 m:0.6 m/s:1 s"]
             [--lift "0.5 m:2 s"] [--float NAME] [--float-to-fly 1m]
             [--dropper FLY [--dropper-above 90cm]] [--rod-tip 1m] [--want 1m] [--seconds 20s]
             [--drawers FILE] [--lines]
                         how deep a fly is fished and for how long, how it hangs on the way, what goes wrong
jobbet log OUTING... [--by fly|version|ride|weight|silhouette|slenderness|colour|depth|
             manner|hand|light|level|temperature|run|clarity]
             [--within "level:over 0.75 m"] [--versions FLY] [--flies FOLDER] [--beats FOLDER]
             [--dates FOLDER] [--drawers FILE] [--lines]
                         takes by the hour in groups with exact intervals, which of them differ, what would
                         tell more; what changed between the versions of a fly, and what each did
jobbet drill FILE... [--lines]
                         how far off an eye is: bias and spread by relation, size, platform and direction
jobbet schema [fly|batch|specimen|beat|outing|date|drill]
                         the JSON Schema of the pattern file, or of a record
jobbet backup [FILE]     everything there is into one file, also while Jobbet runs
jobbet restore FILE      everything as a backup has it; what was there is kept beside it
jobbet export [FILE]     the drawers, as --drawers takes them
jobbet import FILE       an export of the drawers, or a pattern file

Exit 0 when all is well, 2 on bad input: then nothing is printed but one line per fault on standard error.
`;

const runSolve = (args: readonly string[], terminal: Terminal): number =>
  runOver(solveOptions('solve', args), (solved, drawers) => reportChecked(solved, { drawers }), terminal);

/** What is to be said of each fly. @returns 1 when anything stops one of them */
function runCheck(args: readonly string[], terminal: Terminal): number {
  const severities: string[] = [];
  const code = runOver(
    solveOptions('check', args),
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

const SCHEMAS = { fly: FLY_KIND, ...KIND_OF } as const;

/** The JSON Schema of the pattern file, or of a record by its name. */
function runSchema([name = 'fly', ...more]: readonly string[], terminal: Terminal): number {
  const kind = Object.entries(SCHEMAS).find(([each]) => each === name)?.[1];
  if (!kind || more.length > 0) return refuse(`schema takes one of ${Object.keys(SCHEMAS).join(', ')}`, terminal);
  terminal.out(`${JSON.stringify(documentJsonSchema(kind), null, 2)}\n`);
  return 0;
}

/** Runs one command. @returns the exit code */
export function run(args: readonly string[], terminal: Terminal): number | Promise<number> {
  const [command, ...rest] = args;
  switch (command) {
    case 'solve':
      return runSolve(rest, terminal);
    case 'check':
      return runCheck(rest, terminal);
    case 'run':
      return runSizes(rest, terminal);
    case 'gauge':
      return runGauge(rest, terminal);
    case 'sheet':
      return runSheet(rest, terminal);
    case 'batch':
      return runBatch(rest, terminal);
    case 'inspect':
      return runInspect(rest, terminal);
    case 'log':
      return runLogCommand(rest, terminal);
    case 'drill':
      return runDrill(rest, terminal);
    case 'water':
      return runWaterCommand(rest, terminal);
    case 'schema':
      return runSchema(rest, terminal);
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
