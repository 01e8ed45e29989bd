#!/usr/bin/env node
import { existsSync } from 'node:fs';
import { fileURLToPath, pathToFileURL } from 'node:url';

/** Commands that keep a data folder are the server's; all others need no database. */
const KEEPS = ['backup', 'restore', 'export', 'import'];
const program = KEEPS.includes(process.argv[2] ?? '') ? '../../server/dist/keep.mjs' : '../dist/jobbet.mjs';

const built = fileURLToPath(new URL(program, import.meta.url));
if (existsSync(built)) await import(pathToFileURL(built).href);
else {
  process.stderr.write('jobbet is not built yet: run npm run build\n');
  process.exitCode = 2;
}
