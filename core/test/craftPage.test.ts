import { CRAFT, PATTERN_FILE } from './craftTables.ts';
import { tablesOf } from './page.ts';

describe.each([
  ['craft.md', CRAFT],
  ['pattern-file.md', PATTERN_FILE],
] as const)('%s', (name, wanted) => {
  const tables = tablesOf(name);
  test.each(wanted)('tells what the code has: %s', (head, rows) => {
    expect(tables.get(head)).toEqual(rows.map((row) => [...row]));
  });
});
