import { spawn } from 'node:child_process';
import { requireNode, root } from './lib.mjs';

requireNode();
const children = [
  spawn(process.execPath, ['--import', 'tsx', '--watch', 'server/src/main.ts', '--seed'], {
    cwd: root,
    stdio: 'inherit',
  }),
  spawn(process.execPath, ['node_modules/vite/bin/vite.js', 'web'], { cwd: root, stdio: 'inherit' }),
];
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    for (const child of children) child.kill(signal);
  });
