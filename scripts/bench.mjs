import { buildAsServed } from './build.mjs';
import { run, buildWhereNeeded, installPackages, requireNode } from './lib.mjs';

requireNode();
installPackages();
buildWhereNeeded();
// What computes is timed as it is built for the server: what runs straight from its source carries the names of its functions with it, which costs.
const computing = ['core', 'batch', 'photo', 'water'].map((name) => `scripts/bench/${name}.ts`);
for (const built of await buildAsServed(computing, 'node_modules/.cache/bench')) run(process.execPath, [built]);
for (const name of ['load', 'server', 'browser'])
  run(process.execPath, ['--import', 'tsx', `scripts/bench/${name}.ts`]);
