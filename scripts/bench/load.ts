import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const DIST = join(import.meta.dirname, '../../web/dist');
const ALLOWED_KB = 350;

const kb = (file: string): number => gzipSync(readFileSync(join(DIST, file))).length / 1024;
const html = readFileSync(join(DIST, 'index.html'), 'utf8');
const first = [...html.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((match) => match[1] ?? '');
const bench = readdirSync(join(DIST, 'assets')).filter((name) =>
  /^(BenchView|worker|formatDistance).*\.js$/.test(name),
);
const box = first.reduce((sum, file) => sum + kb(file), 0);
const more = bench.reduce((sum, name) => sum + kb(`assets/${name}`), 0);
const share = (size: number): string =>
  `${size.toFixed(0)} KB   ${(size / ALLOWED_KB).toFixed(2)} of the ${String(ALLOWED_KB)} KB allowed`;
console.log(`JavaScript, gzip: the Box                     ${share(box)}`);
console.log(`JavaScript, gzip: the Bench, its worker too   ${share(box + more)}`);
