import { readFileSync } from 'node:fs';
import { join } from 'node:path';

export type Rows = readonly (readonly string[])[];

/** The rows of each table of a page of the docs, by the words its head begins with. */
export function tablesOf(name: string): ReadonlyMap<string, Rows> {
  const page = readFileSync(join(import.meta.dirname, '../../docs', name), 'utf8');
  const tables = new Map<string, Rows>();
  for (const block of page.split('\n\n')) {
    const lines = block.trim().split('\n');
    if (!lines.every((line) => line.startsWith('|'))) continue;
    const rows = lines.map((line) =>
      line
        .split(/(?<!\\)\|/)
        .slice(1, -1)
        .map((cell) => cell.trim()),
    );
    const [head = [], , ...body] = rows;
    tables.set(head.join(', '), body);
  }
  return tables;
}

/** Cells as a page tells them: figures to four decimals. */
export const told = (...cells: (string | number)[]): string[] =>
  cells.map((cell) => String(typeof cell === 'number' ? Number(cell.toFixed(4)) : cell));
