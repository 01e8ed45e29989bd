import { processTerminal, run } from './main.ts';

process.exitCode = run(process.argv.slice(2), processTerminal());
