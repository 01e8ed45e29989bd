import type { BatchRow } from '../src/records/batch.ts';
import { readBatchTable, writeBatchTable } from '../src/records/batchTable.ts';

const HEAD = ['fly', 'on', 'count', 'hold', 'shade'];
const read = (...rows: string[][]) => {
  const answer = readBatchTable([HEAD, ...rows]);
  return answer.ok ? answer.value : answer.faults.map(({ path, message }) => `${path}: ${message}`);
};

describe('rows of a batch as a table', () => {
  const rows: BatchRow[] = [
    { fly: 'id-1', on: '6', count: 8 },
    {
      fly: 'id-2',
      on: 'double:6',
      count: 4,
      hold: 'ride',
      shade: { wing: { colour: 'black', length: '30 mm' }, thread: { denier: 70 }, head: 'bold', flash: null },
    },
  ];
  test('are written by the names of their flies and read as they were', () => {
    const names = ['Slate Runner', 'Glass Smolt'];
    const table = writeBatchTable(rows, (row) => names[row - 1] ?? '');
    expect(table[2]).toEqual([
      'Glass Smolt',
      'double:6',
      '4',
      'ride',
      'wing colour black; wing length 30 mm; thread denier 70; head bold; flash none',
    ]);
    const back = readBatchTable(table);
    expect(back).toEqual({ ok: true, value: rows.map((row, i) => ({ ...row, fly: names[i] })) });
  });
  test('may have their columns in any order, and empty lines', () => {
    const answer = readBatchTable([
      ['Count', 'FLY'],
      [' 3 ', 'Ferryman '],
      ['', ''],
    ]);
    expect(answer).toEqual({ ok: true, value: [{ fly: 'Ferryman', count: 3 }] });
  });
  test('that do not read are told by line and column, all of them', () => {
    expect(read(['', '6', '0', '', ''], ['a', '', 'few', 'fast', 'wing'])).toEqual([
      'line 2, fly: is empty: it is the name of a fly',
      'line 2, count: "0" is no count from 1 to 10000',
      'line 3, count: "few" is no count from 1 to 10000',
      'line 3, hold: "fast" is none of shape, ride, sink',
      'line 3, shade: "wing" says nothing of a part; write it as wing colour black; flash none',
    ]);
    expect(read()).toEqual([': has 0 rows; a batch has 1 to 200']);
  });
  test('want a fly and a count, and no column there is none of', () => {
    const answer = readBatchTable([
      ['fly', 'size', 'cuont'],
      ['a', '6', '3'],
    ]);
    expect(answer.ok ? [] : answer.faults.map(({ message }) => message)).toEqual([
      expect.stringContaining('there is no column "size"'),
      expect.stringMatching(/there is no column "cuont".*did you mean "count"/),
      'has no column "count"',
    ]);
  });
});
