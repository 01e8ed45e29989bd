import { run, buildWhereNeeded, installPackages, requireNode } from './lib.mjs';

requireNode();
installPackages();
buildWhereNeeded();
run(process.execPath, ['--import', 'tsx', 'scripts/attack/attack.ts', ...process.argv.slice(2)]);
