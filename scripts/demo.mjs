import { existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { buildWhereNeeded, installPackages, requireNode, root, serve } from './lib.mjs';

requireNode();
const args = process.argv.slice(2);
const unknown = args.find((arg) => !['--reset', '--yes'].includes(arg));
if (unknown !== undefined) {
  process.stderr.write(`unknown option "${unknown}"; there are --reset and --yes\n`);
  process.exit(2);
}

/** A server that has the folder open would go on writing to what was moved away. */
function refuseWhileRunning(folder) {
  const mark = join(folder, 'running.json');
  if (!existsSync(mark)) return;
  const { pid, port } = JSON.parse(readFileSync(mark, 'utf8'));
  try {
    process.kill(pid, 0);
  } catch (error) {
    if (error.code !== 'EPERM') return;
  }
  process.stderr.write(
    `Jobbet is running on port ${port}, with its data in ${folder}; stop it first (if it is not, remove ${mark})\n`,
  );
  process.exit(2);
}

/** Puts the present database aside, so that the next start lays in the examples anew. Nothing is deleted. */
async function reset() {
  const folder = resolve(root, process.env.JOBBET_DATA ?? 'data');
  const database = join(folder, 'jobbet.sqlite');
  if (!existsSync(database)) return;
  refuseWhileRunning(folder);
  if (!args.includes('--yes')) {
    if (!process.stdin.isTTY) {
      process.stderr.write(
        '--reset puts your flies aside and restores the demo data; without a terminal to ask at, say --yes\n',
      );
      process.exit(2);
    }
    const ask = createInterface({ input: process.stdin, output: process.stdout });
    const answer = await ask.question(`Put the flies in ${folder} aside and restore the demo data? (yes/no) `);
    ask.close();
    if (!/^y(es)?$/i.test(answer.trim())) {
      process.stdout.write('Nothing was changed.\n');
      process.exit(0);
    }
  }
  const aside = join(folder, `before-reset-${new Date().toISOString().replace(/[:.]/g, '-')}`);
  mkdirSync(aside);
  for (const name of ['jobbet.sqlite', 'jobbet.sqlite-wal', 'jobbet.sqlite-shm'])
    if (existsSync(join(folder, name))) renameSync(join(folder, name), join(aside, name));
  process.stdout.write(`What was there is kept in ${aside}\n`);
}

if (args.includes('--reset')) await reset();
installPackages();
buildWhereNeeded();
serve(['--seed']);
