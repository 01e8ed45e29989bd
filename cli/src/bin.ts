import { processTerminal, run } from './main.ts';

process.exitCode = await run(process.argv.slice(2), processTerminal());
