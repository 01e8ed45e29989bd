import type { BatchReport, NeedReport } from '@jobbet/core/batch';
import type { BatchFile } from '@jobbet/core/records';
import { METRIC } from '@jobbet/core/units';
import { clockText, dryAt, minutesOf } from '../src/fly/batches/clock.ts';
import { carriedOnce, newBatch, rowOf } from '../src/fly/batches/planning.ts';
import {
  amountWords,
  durationWords,
  faultWords,
  hookWords,
  itemWords,
  rowWords,
  shortWords,
  stockWords,
  unsettled,
} from '../src/fly/batches/words.ts';

const need = (more: Partial<NeedReport>): NeedReport => ({
  item: 'rabbit strip',
  colour: 'slate',
  kind: 'strip',
  unit: 'mm',
  need: 400,
  have: 390,
  short: 10,
  runsOutAt: { row: 2, fly: 9 },
  byRow: [],
  buy: 1,
  price: 5.5,
  soldAs: 'packet',
  discontinued: false,
  eitherWay: null,
  opened: 2,
  bound: 2,
  substitutes: [],
  ...more,
});
const row = {
  coats_min: [
    { hands: 0.5, dry: 20 },
    { hands: 0.5, dry: 40 },
  ],
} as unknown as BatchReport['rows'][number];
const batch = (more: Partial<BatchFile> = {}): BatchFile => ({
  format: 'jobbet.batch',
  version: 1,
  name: 'Week',
  rows: [{ fly: 'id', count: 2, pattern: { name: 'Slate Runner' } }],
  ...more,
});

describe('amounts', () => {
  test('of a metre and more are told in metres, of what is counted without a unit, of what is told by the fly as flies', () => {
    expect(amountWords(999, { unit: 'mm' }, METRIC)).toBe('999 mm');
    expect(amountWords(4500, { unit: 'mm' }, METRIC)).toBe('4.5 m');
    expect(amountWords(14, { unit: 'pieces' }, METRIC)).toBe('14');
    expect(amountWords(30, { unit: 'flies' }, METRIC)).toBe('30 flies');
  });
  test('say what there is for what is wanted, or that nobody counted', () => {
    expect(stockWords(need({ unit: 'pieces', need: 8, have: 18 }), METRIC)).toBe('18 for 8');
    expect(stockWords(need({ unit: 'pieces', need: 3, have: null }), METRIC)).toBe('3, not counted');
    expect(itemWords(need({ colour: null }))).toBe('rabbit strip');
  });
});

describe('what runs out', () => {
  test('is told with the fly it ends before and how much more is wanted', () => {
    expect(shortWords(need({ unit: 'pieces', short: 2 }), METRIC)).toBe('Ends before fly 9: 2 more.');
    expect(shortWords(need({ runsOutAt: null }), METRIC)).toBeNull();
  });
  test('though there is enough in all, says that it is in too short pieces', () => {
    expect(shortWords(need({ short: 0 }), METRIC)).toContain('too short pieces');
  });
  test('is to be settled, as is a fly that finds no evening', () => {
    const report = (left: readonly number[], needs: readonly NeedReport[]): BatchReport =>
      ({ needs, time: { left } }) as unknown as BatchReport;
    expect(unsettled(report([], [need({ runsOutAt: null })]))).toEqual([]);
    expect(unsettled(report([7], [need({})]))).toEqual(['1 runs out', '1 fly finds no evening']);
    expect(unsettled(report([7, 8], [need({}), need({})]))).toEqual(['2 run out', '2 flies find no evening']);
  });
});

describe('a fly on the rack', () => {
  const at = { row: 1, n: 1 };
  const drying = batch({ flies: [{ ...at, state: 'drying', coats: ['2026-03-02T20:12'] }] });
  const put = minutesOf('2026-03-02T20:12');
  test('dries as long as its last coat takes', () => {
    expect(clockText(dryAt(drying, at, row) ?? 0)).toBe('20:32');
    expect(dryAt(batch(), at, row)).toBeNull();
  });
  test('says which coat is on, and until when it dries', () => {
    expect(hookWords(drying, at, row, put + 5)).toBe('coat 1 of 2, dry at 20:32');
    expect(hookWords(drying, at, row, put + 21)).toBe('coat 1 of 2, dry');
    expect(hookWords(batch(), at, row, put)).toBe('to come');
  });
  test('is called as it was planned', () => {
    expect(rowWords(batch(), 1)).toBe('Slate Runner');
    expect(rowWords(batch({ rows: [{ fly: 'x', count: 1 }] }), 1)).toBe('x');
  });
});

test.each([
  [25, '25 min'],
  [60, '1 h 00'],
  [264.1, '4 h 24'],
])('%d minutes are %s', (minutes, words) => {
  expect(durationWords(minutes)).toBe(words);
});

describe('a batch that is planned', () => {
  const fly = { id: 'a', revision: 3, file: { name: 'Slate Runner' } as never };
  test('carries each fly once for a revision, however many rows tie it', () => {
    const rows = carriedOnce([rowOf(fly, 4, '6'), rowOf(fly, 2, '8'), rowOf({ ...fly, revision: 4 }, 1, '')]);
    expect(rows.map(({ pattern }) => pattern !== undefined)).toEqual([true, false, true]);
    expect(rows.map(({ on }) => on)).toEqual(['6', '8', undefined]);
  });
  test('has a day only where one was named', () => {
    expect(newBatch('Week', '', [rowOf(fly, 1, '')])).not.toHaveProperty('date');
    expect(newBatch('Week', '2026-03-14', [rowOf(fly, 1, '')]).date).toBe('2026-03-14');
  });
});

test.each([
  ['rows[1].shade.wing.colour', 'Row 2, wing colour: is empty.'],
  ['rows[0].on', 'Row 1: is empty.'],
  ['', 'is empty.'],
])('a fault at %s is told by its row and what of it', (path, words) => {
  expect(faultWords({ path, code: 'syntax', message: 'is empty' })).toBe(words);
});
