import { createHash } from 'node:crypto';
import { appendFileSync, readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin';
import { Instrumenter } from '@stryker-mutator/instrumenter';
import { root } from '../lib.mjs';

/** Words are for reading: tests hold rules, not wording. */
export const EXCLUDED = ['StringLiteral'];

const silent = { debug() {}, info() {}, warn() {}, isDebugEnabled: () => false };

/** What one mutant is known by, whichever way it was found. */
export const nameOf = ({ fileName, location: { start, end }, mutatorName, replacement }) =>
  [
    relative(root, fileName).replace(/^.*?core\/src/, 'core/src'),
    start.line,
    start.column,
    end.line,
    end.column,
    mutatorName,
    replacement,
  ].join('\n');

/** All mutants of the code in these folders. @param folders from the root of the project */
async function mutantsOf(folders) {
  const files = folders
    .flatMap((folder) => readdirSync(join(root, folder), { recursive: true }).map((file) => join(folder, file)))
    .filter((file) => file.endsWith('.ts') && !file.endsWith('index.ts'))
    .map((file) => ({ name: join(root, file), mutate: true, content: readFileSync(join(root, file), 'utf8') }));
  const { mutants } = await new Instrumenter(silent).instrument(files, {
    excludedMutations: EXCLUDED,
    ignorers: [],
    noHeader: false,
    plugins: null,
  });
  return mutants.filter(({ status }) => status === undefined);
}

/** A choice among all mutants, the same one for the same seed and the same code. */
export async function sampleOf(folders, count, seed) {
  const all = await mutantsOf(folders);
  const draw = (mutant) =>
    createHash('sha256')
      .update(`${seed}\n${nameOf(mutant)}`)
      .digest('hex');
  const chosen = all
    .map((mutant) => ({ mutant, at: draw(mutant) }))
    .sort((a, b) => (a.at < b.at ? -1 : 1))
    .slice(0, count)
    .map(({ mutant }) => mutant);
  return { of: all.length, chosen: chosen.map((mutant) => ({ name: nameOf(mutant), range: rangeOf(mutant) })) };
}

/** Where a mutant stands, as Stryker takes it. */
const rangeOf = ({ fileName, location: { start, end } }) =>
  `${relative(root, fileName)}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`;

/** Lets the chosen mutants through; those that lie within one of them count neither way. */
class SampleChecker {
  chosen = new Set(JSON.parse(readFileSync(process.env.MUTATE_CHOSEN, 'utf8')));

  init() {
    return Promise.resolve();
  }
  group(mutants) {
    return Promise.resolve([mutants.map(({ id }) => id)]);
  }
  check(mutants) {
    const verdict = (mutant) =>
      this.chosen.has(nameOf(mutant)) ? { status: 'passed' } : { status: 'compileError', reason: 'not in the sample' };
    return Promise.resolve(Object.fromEntries(mutants.map((mutant) => [mutant.id, verdict(mutant)])));
  }
}

/** Writes down what came of each mutant as soon as it is known, so that a run that is cut short loses nothing. */
class SampleReporter {
  chosen = new Set(JSON.parse(readFileSync(process.env.MUTATE_CHOSEN, 'utf8')));

  onMutantTested(result) {
    const name = nameOf(counted(result));
    if (this.chosen.has(name))
      appendFileSync(process.env.MUTATE_KEPT, `${JSON.stringify({ name, status: result.status })}\n`);
  }
}

/** Reports count lines and columns from one, the instrumenter from nought. */
const counted = ({ location: { start, end }, ...result }) => ({
  ...result,
  location: {
    start: { line: start.line - 1, column: start.column - 1 },
    end: { line: end.line - 1, column: end.column - 1 },
  },
});

export const strykerPlugins = [
  declareClassPlugin(PluginKind.Checker, 'sample', SampleChecker),
  declareClassPlugin(PluginKind.Reporter, 'sample', SampleReporter),
];
