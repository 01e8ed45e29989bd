import { mkdirSync, writeFileSync } from 'node:fs';
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
    in: { type: 'string', multiple: true, default: ['core/src/model', 'core/src/tying', 'core/src/checks'] },
  },
});
const { of, chosen, ranges } = await sampleOf(values.in, Number(values.count), values.seed);
const out = join(root, 'test-results');
mkdirSync(out, { recursive: true });
process.env.MUTATE_CHOSEN = join(out, 'mutants-chosen.json');
writeFileSync(process.env.MUTATE_CHOSEN, JSON.stringify(chosen));
console.log(`${String(chosen.length)} of ${String(of)} mutants, seed ${values.seed}`);

const results = await new Stryker({
  mutate: ranges,
  mutator: { excludedMutations: EXCLUDED },
  plugins: ['@stryker-mutator/jest-runner', './scripts/mutate/sample.mjs'],
  checkers: ['sample'],
  testRunner: 'jest',
  testRunnerNodeArgs: ['--experimental-vm-modules', '--no-warnings'],
  jest: { configFile: 'scripts/mutate/jest.config.mjs', enableFindRelatedTests: false },
  coverageAnalysis: 'perTest',
  dryRunTimeoutMinutes: 30,
  concurrency: 2,
  reporters: ['json', 'dots'],
  jsonReporter: { fileName: 'test-results/mutation.json' },
  tempDirName: 'test-results/mutate',
  ignorePatterns: ['docs', 'e2e', 'web', 'server', 'dist'],
}).runMutationTest();

const count = (...statuses) => results.filter(({ status }) => statuses.includes(status)).length;
const killed = count('Killed', 'Timeout');
const survived = count('Survived', 'NoCoverage');
const all = killed + survived;
/** Half of Wilson's 95 % interval about a share, and its middle. */
const z = 1.96;
const middle = (killed + z ** 2 / 2) / (all + z ** 2);
const half = (z / (all + z ** 2)) * Math.sqrt((killed * survived) / all + z ** 2 / 4);
const percent = (share) => `${(100 * share).toFixed(1)} %`;

for (const { status, fileName, location, mutatorName, replacement } of results)
  if (status === 'Survived' || status === 'NoCoverage')
    console.log(
      `${status}  ${fileName.replace(/^.*core\/src\//, '')}:${String(location.start.line)}:${String(location.start.column)}  ${mutatorName} → ${replacement.replace(/\s+/g, ' ').slice(0, 80)}`,
    );
console.log(
  `${String(killed)} of ${String(all)} noticed: ${percent(killed / all)}, 95 % interval ${percent(middle - half)} to ${percent(middle + half)}`,
);
