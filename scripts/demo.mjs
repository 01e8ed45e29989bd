import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { buildWhereNeeded, installPackages, requireNode, root, run, serve } from './lib.mjs';

requireNode();
const args = process.argv.slice(2);
const unknown = args.find((arg) => !['--reset', '--yes'].includes(arg));
if (unknown !== undefined) {
  process.stderr.write(`unknown option "${unknown}"; there are --reset and --yes\n`);
  process.exit(2);
}

/** Puts the present database aside, so that the next start lays in the examples anew. Nothing is deleted. */
async function reset() {
  const folder = resolve(root, process.env.JOBBET_DATA ?? 'data');
  const database = join(folder, 'jobbet.sqlite');
  if (!existsSync(database)) return;
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
  run(process.execPath, ['server/dist/keep.mjs', 'aside'], { env: { JOBBET_DATA: folder } });
}

installPackages();
buildWhereNeeded();
if (args.includes('--reset')) await reset();
serve(['--seed']);
