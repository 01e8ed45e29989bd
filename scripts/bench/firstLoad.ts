import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

/** What the web app is built into. */
export const DIST = join(import.meta.dirname, '../../web/dist');

/** What the JavaScript of a first visit may weigh, packed by gzip, KB. */
export const FIRST_LOAD_KB = 350;

/** What a built file weighs packed by gzip, KB. */
export const packedKb = (file: string): number => gzipSync(readFileSync(join(DIST, file))).length / 1024;

/** The JavaScript of a first visit, the Box, packed by gzip, KB: all that `index.html` names. */
export function firstLoadKb(): number {
  const html = readFileSync(join(DIST, 'index.html'), 'utf8');
  const files = [...html.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((match) => match[1] ?? '');
  return files.reduce((sum, file) => sum + packedKb(file), 0);
}
