import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromiumPath, installPackages, requireNode, root } from './lib.mjs';

requireNode();

const failed = [];
function ended(name, status, started) {
  process.stdout.write(
    `== ${name}: ${status === 0 ? 'passed' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(0)} s\n`,
  );
  if (status !== 0) failed.push(name);
}

/** No step waits for time: this ends one that hangs, on a machine that does something else too. */
const ENDLESS_MS = 3_600_000;

/** Runs one step and goes on whatever comes of it, so that one run tells everything that is wrong. */
function step(name, command, args, env = {}) {
  const started = Date.now();
  process.stdout.write(`\n== ${name}\n`);
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
    timeout: ENDLESS_MS,
  });
  ended(name, status, started);
}

/** Runs a step beside others; what it prints comes in one piece when it has ended. */
function beside([name, command, args]) {
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const said = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => said.push(data));
    const end = (status) => {
      process.stdout.write(`\n== ${name}\n${Buffer.concat(said).toString()}`);
      ended(name, status, started);
      resolve();
    };
    child.on('error', () => end(1));
    child.on('close', end);
  });
}

/** Does what is to be done two at a time, in its order. */
async function inTwos(work) {
  const left = [...work];
  const take = async () => {
    for (let next = left.shift(); next; next = left.shift()) await next();
  };
  await Promise.all([take(), take()]);
}

/** Chromium from Debian's packages, where it is not there yet. It comes while other things are done. */
async function installChromium() {
  if (chromiumPath() !== undefined) return;
  process.stdout.write('Installing Chromium for the browser tests beside the checks that need none\n');
  const apt = `${process.getuid?.() === 0 ? '' : 'sudo -n '}apt-get`;
  const install = (name) => `${apt} install -y -qq ${name} poppler-utils`;
  const command = `${apt} update -qq; ${install('chromium-headless-shell')} || ${install('chromium')}`;
  await beside(['Chromium for the browser tests', 'env', ['DEBIAN_FRONTEND=noninteractive', 'sh', '-c', command]]);
  if (chromiumPath() !== undefined) return;
  process.stderr.write('Chromium could not be installed: install the package chromium, or set CHROMIUM_PATH to one.\n');
  process.exit(1);
}

const chromium = installChromium();
installPackages();
const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);
const node = process.execPath;
const steps = [
  ['lint', node, ['node_modules/oxlint/bin/oxlint', '--type-aware', '--deny-warnings', '.']],
  ['formatting', node, ['node_modules/oxfmt/bin/oxfmt', '--list-different', '.']],
  // Core with neither Node nor a browser, the browser's own, and what runs on Node: each source is read as few times as that allows.
  ...['web', 'tsconfig.node.json', 'tsconfig.tools.json', 'core'].map((project) => [
    `types ${project}`,
    node,
    ['node_modules/typescript-7/bin/tsc', '-p', project],
  ]),
  ['what is not used', node, ['node_modules/knip/bin/knip.js', '--no-config-hints']],
  ['the map of folders', node, ['scripts/map.mjs', '--check']],
  ['pages made from code', node, ['--import', 'tsx', 'scripts/pages/pages.ts', '--check']],
  [
    'import rules',
    node,
    [
      'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
      '--config',
      '.dependency-cruiser.mjs',
      'core/src',
      'print/src',
      'pictures/src',
      'server/src',
      'web/src',
      'cli/src',
    ],
  ],
];
await inTwos([
  async () => {
    await beside(['build', node, ['scripts/build.mjs', '--where-needed']]);
    await beside(['attack', node, ['--import', 'tsx', 'scripts/attack/attack.ts', '--short']]);
  },
  ...steps.map((each) => () => beside(each)),
]);
step(
  'jest',
  node,
  // All cores: nothing else runs beside it.
  [
    '--experimental-vm-modules',
    'node_modules/jest/bin/jest.js',
    '--maxWorkers=100%',
    // What nobody has looked at is not written down by the way.
    '--ci',
    '--json',
    '--outputFile',
    'test-results/jest.json',
  ],
  { NODE_NO_WARNINGS: '1' },
);
await chromium;
step('playwright', node, ['node_modules/@playwright/test/cli.js', 'test', '-c', 'e2e/playwright.config.ts'], {
  NODE_NO_WARNINGS: '1',
});

const read = (file) => (existsSync(join(results, file)) ? JSON.parse(readFileSync(join(results, file), 'utf8')) : null);
const jest = read('jest.json');
const browser = read('playwright.json');
const passed = (jest?.numPassedTests ?? 0) + (browser?.stats.expected ?? 0);
const lost =
  (jest?.numFailedTests ?? 0) +
  (jest?.numRuntimeErrorTestSuites ?? 0) +
  (browser?.stats.unexpected ?? 0) +
  (browser?.stats.flaky ?? 0) +
  (jest ? 0 : 1) +
  (browser ? 0 : 1);
const others = failed.filter((name) => !['jest', 'playwright'].includes(name));
if (failed.length > 0) process.stdout.write(`\nFailed: ${failed.join(', ')}\n`);
process.stdout.write(`\n${passed} passed, ${lost + others.length} failed\n`);
process.exit(failed.length > 0 || lost > 0 ? 1 : 0);
