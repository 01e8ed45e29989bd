import fc from 'fast-check';
import { BATCH_KIND, type BatchFile } from '../src/records/batch.ts';
import { patternAt } from '../src/records/pins.ts';
import { clockMinutes, dayMinutes, momentText, readShare } from '../src/records/measures.ts';
import {
  counted,
  goneOn,
  handfulOf,
  inVise,
  keptOf,
  laidOutOn,
  pinOf,
  progressOf,
  rackOf,
  stateAt,
  withEvening,
  withFly,
  withoutRow,
  withState,
} from '../src/records/progress.ts';
import { readDocument } from '../src/document/read.ts';

function batch(more: object = {}): BatchFile {
  const read = readDocument(BATCH_KIND, {
    format: 'jobbet.batch',
    version: 1,
    name: 'Week',
    rows: [
      { fly: 'a', count: 2, pattern: { name: 'A' } },
      { fly: 'a', count: 1 },
      { fly: 'b', count: 3, pattern: { name: 'B' } },
    ],
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const at = { row: 1, n: 1 };
const NOW = '2026-03-02T20:12';
/** A fly taken on so many times. */
const on = (from: BatchFile, times: number, coats: number): BatchFile =>
  Array.from({ length: times }).reduce<BatchFile>((now) => goneOn(now, at, coats, NOW) ?? now, from);

describe('a fly of a batch', () => {
  test('goes from the rack into the vise, out with its first coat, on with each further one, and into the box', () => {
    const states = [0, 1, 2, 3, 4].map((times) => stateAt(on(batch(), times, 2), at));
    expect(states).toEqual(['to-come', 'vise', 'drying', 'drying', 'kept']);
    expect(on(batch(), 3, 2).flies?.[0]).toMatchObject({ evening: '2026-03-02', coats: [NOW, NOW] });
    expect(goneOn(on(batch(), 4, 2), at, 2, NOW)).toBeNull();
  });
  test('without a coat goes from the vise into the box', () => {
    expect(stateAt(on(batch(), 2, 0), at)).toBe('kept');
  });
  test('waits while another is in the vise', () => {
    const busy = on(batch(), 1, 1);
    expect(inVise(busy)).toMatchObject(at);
    expect(goneOn(busy, { row: 3, n: 1 }, 1, NOW)).toBeNull();
  });
  test('in the box are those that are done, of whichever row, by the fly', () => {
    const kept = (row: number, n: number) => ({ row, n, state: 'kept' });
    const flies = [
      kept(1, 1),
      kept(2, 1),
      kept(3, 1),
      { row: 3, n: 2, state: 'drying' },
      { row: 3, n: 3, state: 'apart' },
    ];
    expect(keptOf(batch({ flies }))).toEqual({ a: 2, b: 1 });
    expect(keptOf(batch())).toEqual({});
  });
  test('step by step a handful of its row is begun at once, each at a moment of its own', () => {
    const handful = (n: number, size: number) =>
      handfulOf(goneOn(batch(), { row: 3, n }, 0, NOW, size) ?? batch()).map(({ row, n: each }) => [row, each]);
    expect(handful(2, 2)).toEqual([[3, 2], [3, 3]]); // oxfmt-ignore
    expect(handful(3, 2)).toEqual([[3, 1], [3, 3]]); // oxfmt-ignore
    expect(handful(1, 6)).toHaveLength(3);
    const moments = goneOn(batch(), { row: 3, n: 1 }, 0, NOW, 6)?.flies?.map(({ begun }) => begun);
    expect(new Set(moments).size).toBe(3);
  });
  test('is begun at a moment no other has, once, however it is begun', () => {
    const first = withState(batch(), at, 'spoilt', NOW);
    expect(first.flies?.[0]).toMatchObject({ begun: NOW, state: 'spoilt' });
    const second = withState(first, { row: 3, n: 1 }, 'spoilt', NOW);
    expect(second.flies?.[1]?.begun).toBe(`${NOW}:01`);
    expect(withState(second, at, 'apart', '2026-03-03T08:00').flies?.[0]).toMatchObject({ begun: NOW, state: 'apart' });
    expect(on(batch(), 3, 2).flies?.[0]?.begun).toBe(NOW);
  });
  test('is put on an evening and goes from it; what else is known of it stays', () => {
    const put = withEvening(on(batch(), 1, 0), [at, { row: 3, n: 2 }], '2026-03-09');
    expect([pinOf(put, at), pinOf(put, { row: 3, n: 2 }), pinOf(put, { row: 2, n: 1 })]).toEqual([
      '2026-03-09',
      '2026-03-09',
      null,
    ]);
    const free = withEvening(put, [at, { row: 3, n: 2 }], null);
    expect(free.flies).toEqual([{ row: 1, n: 1, begun: NOW, state: 'vise' }]);
  });
  test('that is spoilt leaves its hook empty, and another hook stands for it', () => {
    const lost = withFly(batch(), 1, 2, { state: 'spoilt' });
    expect(rackOf(lost).filter(({ row }) => row === 1)).toHaveLength(3);
    expect(progressOf(lost)).toMatchObject({ flies: 6, by: { spoilt: 1, 'to-come': 6 } });
  });
});

describe('a batch', () => {
  test('counts what is in the box, drying, in the vise and to come; they come to its good flies', () => {
    const now = withFly(on(batch(), 2, 1), 3, 1, { state: 'kept' });
    const { by, flies } = progressOf(now);
    expect([by.drying, by.kept, by['to-come']]).toEqual([1, 1, 4]);
    expect(by.drying + by.kept + by.vise + by['to-come']).toBe(flies);
  });
  test('knows what is laid out: none of an item, what tonight takes, all, and none again', () => {
    const steps = [0, 1, 2, 3].map((times) =>
      Array.from({ length: times }).reduce<BatchFile>((now) => laidOutOn(now, 'wool, red'), laidOutOn(batch(), 'hen')),
    );
    expect(steps.map(({ laidOut }) => laidOut)).toEqual([
      { hen: 'tonight' },
      { hen: 'tonight', 'wool, red': 'tonight' },
      { hen: 'tonight', 'wool, red': 'all' },
      { hen: 'tonight' },
    ]);
    expect(laidOutOn(laidOutOn(laidOutOn(batch(), 'hen'), 'hen'), 'hen')).toEqual(batch());
  });
  test('takes one more or fewer of a row, never none', () => {
    expect(counted(batch(), 2, 1)?.rows[1]?.count).toBe(2);
    expect(counted(batch(), 2, -1)).toBeNull();
    expect(counted(batch(), 1, 10_000)).toBeNull();
  });
  test('loses a row with its flies; the others keep theirs, and the pattern it carried for them', () => {
    const now = withFly(withFly(batch(), 1, 1, { state: 'kept' }), 3, 2, { state: 'vise' });
    const left = withoutRow(now, 1);
    expect(left?.rows.map(({ fly, count }) => [fly, count])).toEqual([
      ['a', 1],
      ['b', 3],
    ]);
    expect(left?.flies?.map(({ row, n, state }) => [row, n, state])).toEqual([[2, 2, 'vise']]);
    expect(left && patternAt(left, 0)).toEqual({ name: 'A' });
    expect(withoutRow(batch({ rows: [{ fly: 'a', count: 1 }] }), 1)).toBeNull();
  });
  test('a row without a pattern has that of an earlier row of its fly, and none of another', () => {
    expect(patternAt(batch(), 1)).toEqual({ name: 'A' });
    expect(
      patternAt(
        batch({
          rows: [
            { fly: 'a', count: 1, pattern: {} },
            { fly: 'b', count: 1 },
          ],
        }),
        1,
      ),
    ).toBeUndefined();
  });
});

describe('the measures of records', () => {
  test('a moment is told as it was read', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1990-01-01'), max: new Date('2090-01-01'), noInvalidDate: true }),
        (date) => {
          const text = date.toISOString().slice(0, 16);
          expect(momentText(dayMinutes(text.slice(0, 10)) + clockMinutes(text.slice(11)))).toBe(text);
        },
      ),
    );
  });
  test.each([
    ['2026-02-29', false],
    ['2024-02-29', true],
    ['2026-13-01', false],
    ['26-01-01', false],
  ])('%s is a day: %s', (text, is) => {
    expect(Number.isFinite(dayMinutes(text))).toBe(is);
  });
  test.each([
    ['5 %', 0.05],
    ['0,5%', 0.005],
    ['0.1', 0.1],
  ])('%s is a share', (text, share) => {
    expect(readShare(text)).toBeCloseTo(share, 12);
  });
  test('a share with words after it is none', () => {
    expect(readShare('5 % or so')).toBeNaN();
  });
});
