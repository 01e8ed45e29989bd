import { run, buildWhereNeeded, installPackages, requireNode } from './lib.mjs';

requireNode();
installPackages();
buildWhereNeeded();
run(process.execPath, ['--import', 'tsx', 'scripts/bench/core.ts']);
run(process.execPath, ['--import', 'tsx', 'scripts/bench/batch.ts']);
run(process.execPath, ['--import', 'tsx', 'scripts/bench/photo.ts']);
run(process.execPath, ['--import', 'tsx', 'scripts/bench/water.ts']);
run(process.execPath, ['--import', 'tsx', 'scripts/bench/load.ts']);
run(process.execPath, ['--import', 'tsx', 'scripts/bench/server.ts']);
run(process.execPath, ['--import', 'tsx', 'scripts/bench/browser.ts']);
