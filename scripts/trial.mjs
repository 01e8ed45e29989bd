import { buildAsServed } from './build.mjs';
import { run } from './lib.mjs';

// It is timed and run as it is built: straight from its source the names of its functions are carried along, which costs a fifth.
const [trial] = await buildAsServed(['scripts/trial/trial.ts'], 'node_modules/.cache/trial');
run(process.execPath, [trial, ...process.argv.slice(2)]);
