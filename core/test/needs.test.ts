import { needsOf, type Need, type Stretch } from '../src/batch/needs.ts';
import type { Take } from '../src/batch/takes.ts';
import type { Goods } from '../src/drawers/stock.ts';

const take = (more: Partial<Take>): Take => ({
  part: 'collar',
  kind: 'hackle',
  item: 'hen',
  colour: 'black',
  goods: null,
  unit: 'pieces',
  pieces: 1,
  cutMm: null,
  fibreMm: null,
  paired: false,
  points: [],
  share: 1,
  ...more,
});
const goods = (more: Partial<Goods>): Goods => ({ name: 'hen', ...more });
/** Rows of so many flies, each fly taking the same. */
const stretches = (...rows: readonly (readonly [count: number, takes: readonly Take[]])[]): Stretch[] =>
  rows.map(([count, takes], row) => ({
    row,
    first: 1 + rows.slice(0, row).reduce((sum, [before]) => sum + before, 0),
    count,
    takes,
  }));
function only(needs: readonly Need[]): Need {
  const [need, another] = needs;
  if (!need || another) throw new Error(`${String(needs.length)} needs`);
  return need;
}

describe('hackles by the length of their fibres', () => {
  const hen = goods({ stock: [{ colour: 'black', count: 4, fibres: ['8 mm', '9 mm', '9.5 mm', '14 mm'] }] });
  const of = (fibreMm: number, count: number): Need =>
    only(needsOf(stretches([count, [take({ goods: hen, fibreMm })]])));

  test('serve within 12 % of what is wanted, and only those are there', () => {
    // 7.92 to 10.08 of 9 mm: three of the four.
    expect(of(9, 1).have).toBe(3);
    expect(of(14, 1).have).toBe(1);
    expect(of(20, 1)).toMatchObject({ have: 0, short: 1, runsOutAt: { row: 1, fly: 1 } });
  });
  test('run out at the first fly that none of them fits', () => {
    expect(of(9, 3).runsOutAt).toBeNull();
    expect(of(9, 4).runsOutAt).toEqual({ row: 1, fly: 4 });
  });
  test('go to the fly that can use them: two sizes share what fits both', () => {
    const need = only(
      needsOf(stretches([2, [take({ goods: hen, fibreMm: 9 })]], [1, [take({ goods: hen, fibreMm: 8.5 })]])),
    );
    // 8 and 9 mm fit 8.5, all three fit 9: there is enough for the three of them.
    expect(need.runsOutAt).toBeNull();
    const more = only(
      needsOf(stretches([3, [take({ goods: hen, fibreMm: 9 })]], [1, [take({ goods: hen, fibreMm: 8.5 })]])),
    );
    expect(more.runsOutAt).toEqual({ row: 2, fly: 4 });
  });
  test('that nobody measured may serve for any', () => {
    const cape = goods({ count: 1, yield: '3 pieces' });
    expect(only(needsOf(stretches([3, [take({ goods: cape, fibreMm: 9 })]]))).runsOutAt).toBeNull();
  });
});

describe('feathers two by two', () => {
  const pairs = take({ kind: 'feather', item: 'quill slip', pieces: 2, paired: true });
  const of = (stock: NonNullable<Goods['stock']>, count: number): Need =>
    only(needsOf(stretches([count, [{ ...pairs, goods: goods({ stock }) }]])));

  test('are a left one and a right one, never two of one side', () => {
    const sided = [
      { count: 5, side: 'left' as const },
      { count: 2, side: 'right' as const },
    ];
    expect(of(sided, 3)).toMatchObject({ need: 6, have: 4, short: 2, runsOutAt: { row: 1, fly: 3 } });
  });
  test('that lie there in pairs are two each', () => {
    expect(of([{ count: 3, side: 'pair' }], 3)).toMatchObject({ have: 6, runsOutAt: null });
  });
  test('an odd one by itself serves nobody', () => {
    expect(
      of(
        [
          { count: 1, side: 'pair' },
          { count: 1, side: 'left' },
        ],
        1,
      ).have,
    ).toBe(2);
  });
});

describe('what is told by the fly', () => {
  const hair = take({ kind: 'hair', item: 'fox hair', unit: 'flies' });
  test('is enough for as many as one unit makes, and is bought by the unit', () => {
    const fox = goods({ count: 1, yield: '10 flies', price: 4 });
    expect(only(needsOf(stretches([12, [{ ...hair, goods: fox }]])))).toMatchObject({
      need: 12,
      have: 10,
      short: 2,
      runsOutAt: { row: 1, fly: 11 },
      buy: 1,
      price: 4,
    });
  });
  test('a fly with two clumps of it takes two', () => {
    const fox = goods({ count: 1, yield: '10 flies' });
    const twice = [
      { ...hair, goods: fox },
      { ...hair, part: 'wing', goods: fox },
    ];
    expect(only(needsOf(stretches([6, twice]))).runsOutAt).toEqual({ row: 1, fly: 6 });
  });
});

describe('needs', () => {
  test('of one item in two colours are two, and in one colour one, whatever the letters', () => {
    const of = (colour: string) => take({ colour });
    expect(needsOf(stretches([1, [of('black'), of('Black'), of('olive')]]))).toHaveLength(2);
  });
  test('come in the order things are made ready: hooks before strips before thread', () => {
    const needs = needsOf(
      stretches([
        1,
        [take({ kind: 'thread', item: 't' }), take({ kind: 'strip', item: 's' }), take({ kind: 'hook', item: 'h' })],
      ]),
    );
    expect(needs.map(({ take: { kind } }) => kind)).toEqual(['hook', 'strip', 'thread']);
  });
  test('of what one piece of is longer than any that is sold cannot be bought', () => {
    const strip = take({
      kind: 'strip',
      unit: 'mm',
      cutMm: 400,
      goods: goods({ count: 0, yield: '310 mm', price: 5 }),
    });
    expect(only(needsOf(stretches([1, [strip]])))).toMatchObject({ short: 400, buy: null, price: null });
  });
});
