import { dragsCaught, eyesCaught } from '../../core/test/dropped.ts';

/** Drops flies of which everything is known into a jar, so many seeds of each, and tells how often what it says holds. */
const seeds = Number(process.argv[2] ?? 100);
process.stdout.write(`${JSON.stringify({ seeds, drags: dragsCaught(seeds), eyes: eyesCaught(seeds) })}\n`);
