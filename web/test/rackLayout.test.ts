import type { BatchFile } from '@jobbet/core/records';
import { rackLayout } from '../src/features/batches/rackLayout.ts';

const batch = (...counts: number[]): BatchFile => ({
  format: 'jobbet.batch',
  version: 1,
  name: 'Week',
  rows: counts.map((count) => ({ fly: 'a', count })),
});

describe('the rack', () => {
  test('has a column a fly, row by row, none over another and all within the board', () => {
    const { columns, spans, folded } = rackLayout(batch(5, 4, 3), 600);
    expect(folded).toBe(false);
    expect(columns.map(({ fly }) => fly)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    columns.slice(1).forEach((column, i) => {
      const before = columns[i];
      expect(column.x).toBeGreaterThanOrEqual((before?.x ?? 0) + (before?.width ?? 0) - 1e-9);
    });
    expect(spans.at(-1)?.to).toBeLessThanOrEqual(600);
  });
  test('numbers a hook that stands for a lost fly with none, and the flies after it as they are', () => {
    const lost: BatchFile = { ...batch(2, 2), flies: [{ row: 1, n: 1, state: 'spoilt' }] };
    expect(rackLayout(lost, 600).columns.map(({ fly }) => fly)).toEqual([1, 2, null, 3, 4]);
  });
  test('folds to a column a row where there are too many, which stands for all of it and is gone on with at the first not done', () => {
    const many: BatchFile = { ...batch(200, 100), flies: [{ row: 1, n: 1, state: 'kept' }] };
    const { columns, folded } = rackLayout(many, 600);
    expect(folded).toBe(true);
    expect(columns.map(({ row, n, last }) => [row, n, last])).toEqual([
      [1, 2, 200],
      [2, 1, 300],
    ]);
  });
  test('of very many rows draws those about the one that is lit, each once and within the board', () => {
    const many = batch(...Array.from({ length: 200 }, () => 25));
    const seen = new Set<number>();
    for (const picked of [0, 3, 57, 199]) {
      const { columns, drawn, spans } = rackLayout(many, 600, picked);
      const [from, to] = drawn;
      expect(picked).toBeGreaterThanOrEqual(from);
      expect(picked).toBeLessThan(to);
      expect(spans.map(({ row }) => row)).toEqual(columns.slice(from, to).map(({ row }) => row));
      expect(spans[0]?.from).toBe(0);
      expect(spans.at(-1)?.to).toBeLessThanOrEqual(600);
      columns.slice(from, to).forEach(({ row }) => seen.add(row));
    }
    expect(rackLayout(many, 600, 0).drawn).toEqual(rackLayout(many, 600, 3).drawn);
    expect(rackLayout(batch(5, 4), 600).drawn).toEqual([0, 9]);
  });
});
