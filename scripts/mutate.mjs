import { appendFileSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { Stryker } from '@stryker-mutator/core';
import { installPackages, requireNode, root } from './lib.mjs';
import { EXCLUDED, sampleOf } from './mutate/sample.mjs';

requireNode();
installPackages();

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '400' },
    seed: { type: 'string', default: 'jobbet' },
    at: { type: 'string', default: '2' },
    anew: { type: 'boolean', default: false },
    in: { type: 'string', multiple: true, default: ['core/src/model', 'core/src/tying', 'core/src/checks'] },
  },
});

const out = join(root, '.mutation');
mkdirSync(out, { recursive: true });
/** What came of each mutant so far, a line each, so that a run that was cut short goes on where it was. */
const kept = join(out, `mutants-${values.seed}.jsonl`);
if (values.anew) rmSync(kept, { force: true });
const known = () =>
  new Map(
    (existsSync(kept) ? readFileSync(kept, 'utf8') : '')
      .split('\n')
      .filter((line) => line !== '')
      .map((line) => JSON.parse(line))
      .map(({ name, status }) => [name, status]),
  );

const { of, chosen } = await sampleOf(values.in, Number(values.count), values.seed);
console.log(`${String(chosen.length)} of ${String(of)} mutants, seed ${values.seed}`);

const before = known();
const left = chosen.filter(({ name }) => !before.has(name));
process.env.MUTATE_CHOSEN = join(out, 'chosen.json');
process.env.MUTATE_TOOK = join(out, 'took.json');
process.env.MUTATE_KEPT = kept;
writeFileSync(process.env.MUTATE_CHOSEN, JSON.stringify(left.map(({ name }) => name)));
if (left.length > 0)
  await new Stryker({
    mutate: left.map(({ range }) => range),
    mutator: { excludedMutations: EXCLUDED },
    plugins: ['./scripts/mutate/sample.mjs', './scripts/mutate/runner.mjs'],
    checkers: ['sample'],
    testRunner: 'process',
    coverageAnalysis: 'perTest',
    dryRunTimeoutMinutes: 30,
    // The machine may do something else beside it: what is slow must not look endless.
    timeoutMS: 60_000,
    timeoutFactor: 4,
    concurrency: Number(values.at),
    reporters: ['dots', 'sample'],
    logLevel: 'error',
    allowConsoleColors: false,
    tempDirName: '.mutation/sandbox',
    ignorePatterns: ['docs/screenshots', 'e2e', 'web', 'server', 'dist', 'test-results', '.mutation'],
  }).runMutationTest();

const after = known();
const came = chosen.map(({ name }) => ({ name, status: after.get(name) }));
const count = (...statuses) => came.filter(({ status }) => statuses.includes(status)).length;
const killed = count('Killed', 'Timeout');
const survived = count('Survived', 'NoCoverage');
const all = killed + survived;
/** Wilson's 95 % interval about a share: its middle and half of it. */
const z = 1.96;
const middle = (killed + z ** 2 / 2) / (all + z ** 2);
const half = (z / (all + z ** 2)) * Math.sqrt((killed * survived) / all + z ** 2 / 4);
const percent = (share) => `${(100 * share).toFixed(1)} %`;

for (const { name, status } of came)
  if (status === 'Survived' || status === 'NoCoverage') console.log(`${status}  ${name.replace(/\s+/g, ' ')}`);
console.log(
  `${String(killed)} of ${String(all)} noticed: ${percent(killed / all)}, 95 % interval ${percent(middle - half)} to ${percent(middle + half)}`,
);
