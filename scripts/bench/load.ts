import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { DIST, FIRST_LOAD_KB, firstLoadKb, packedKb } from './firstLoad.ts';

const box = firstLoadKb();
const bench = readdirSync(join(DIST, 'assets')).filter((name) => /^(BenchView|worker).*\.js$/.test(name));
const more = bench.reduce((sum, name) => sum + packedKb(`assets/${name}`), 0);
console.log(
  `JavaScript, gzip: the Box                     ${box.toFixed(0)} KB   ${(box / FIRST_LOAD_KB).toFixed(2)} of the ${String(FIRST_LOAD_KB)} KB allowed`,
);
console.log(`JavaScript, gzip: the Bench, its worker too   ${(box + more).toFixed(0)} KB`);
