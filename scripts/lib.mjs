import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('..', import.meta.url));
const LEAST_NODE = [20, 19];

/** Ends with plain words where Node is too old for what follows. */
export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1])) return;
  process.stderr.write(
    `Jobbet needs Node ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}. Install a newer Node and try again.\n`,
  );
  process.exit(1);
}

/** Runs a command in the project's folder, its output on this terminal. Ends this program where it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: 'inherit',
    ...options,
    env: { ...process.env, ...options.env },
  });
  if (done.status !== 0 && !options.tolerate) process.exit(done.status ?? 1);
  return done.status ?? 1;
}

/** Installs the packages of the lock file where they are not there or older than it: npm writes its own list when it has finished. */
export function installPackages() {
  const [lock, installed] = [join(root, 'package-lock.json'), join(root, 'node_modules/.package-lock.json')];
  if (existsSync(installed) && statSync(installed).mtimeMs >= statSync(lock).mtimeMs) return;
  process.stdout.write('Installing packages (once; about a minute)\n');
  run('npm', ['ci', '--no-audit', '--no-fund']);
}

const SOURCES = [
  'core/src',
  'print/src',
  'pictures/src',
  'server/src',
  'web/src',
  'web/index.html',
  'web/public',
  'web/vite.config.ts',
  'cli/src',
  'package-lock.json',
];

function* filesUnder(path) {
  if (!existsSync(path)) return;
  if (!statSync(path).isDirectory()) {
    yield path;
    return;
  }
  for (const name of readdirSync(path).sort()) yield* filesUnder(join(path, name));
}

/** A mark of all sources as they are now. */
function sourceMark() {
  const hash = createHash('sha256');
  for (const source of SOURCES)
    for (const file of filesUnder(join(root, source))) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

/** Debian's browser for tests and pictures: the one without a window, which is quicker, else the whole one. */
export function chromiumPath() {
  const known = [process.env.CHROMIUM_PATH, '/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];
  return known.find((path) => path !== undefined && existsSync(path));
}

/** Builds where the sources have changed since the last build. */
export function buildWhereNeeded() {
  const mark = join(root, '.jobbet-build.json');
  const now = sourceMark();
  const products = [
    'server/dist/main.mjs',
    'server/dist/keep.mjs',
    'server/dist/solveWorker.mjs',
    'server/dist/backupWorker.mjs',
    'web/dist/index.html',
    'cli/dist/jobbet.mjs',
  ].every((file) => existsSync(join(root, file)));
  if (products && existsSync(mark) && JSON.parse(readFileSync(mark, 'utf8')).sources === now) return;
  process.stdout.write('Building\n');
  run(process.execPath, ['scripts/build.mjs']);
  writeFileSync(mark, JSON.stringify({ sources: now }));
}

/** Serves until it is stopped; signals go on to the server. */
export function serve(args = []) {
  const server = spawn(process.execPath, ['server/dist/main.mjs', ...args], { cwd: root, stdio: 'inherit' });
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      server.kill(signal);
    });
  server.on('exit', (code) => {
    process.exit(code ?? 0);
  });
}
