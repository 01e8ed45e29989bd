import fc from 'fast-check';
import type { Lot } from '../src/drawers/items.ts';
import { readLots, writeLots } from '../src/drawers/lots.ts';
import { fliesOf, type Goods, lengthsOf, piecesOf } from '../src/drawers/stock.ts';
import { giveBack, takeFrom, type Move, type Taking } from '../src/drawers/taking.ts';

const lots = (text: string): Lot[] => {
  const read = readLots(text);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
};
const goods = (more: Partial<Goods>): Goods => ({ name: 'thing', ...more });
const length = (mm: number, of: number | null = null): Taking => ({ unit: 'mm', mm, of });
const pieces = (count: number, more: Partial<Extract<Taking, { unit: 'pieces' }>> = {}): Taking => ({
  unit: 'pieces',
  pieces: count,
  fibreMm: null,
  paired: false,
  usual: null,
  ...more,
});
const flies = (count: number): Taking => ({ unit: 'flies', flies: count });
/** What is left of lots, as a cell writes it, and how many were taken. */
function after(item: Goods, colour: string | null, taking: Taking): string {
  const { stock } = takeFrom(item, colour, taking);
  return stock.stock === undefined ? String(stock.count) : writeLots(stock.stock);
}

describe('a piece that is cut', () => {
  const hides = goods({ stock: lots('slate: 220 mm, 172 mm; black: 3 x 310 mm; grey: 2') });
  test('comes from the length it was laid on, else from the shortest that is long enough', () => {
    expect(after(hides, 'slate', length(46.3, 220))).toBe('slate: 173.7 mm, 172 mm; black: 3 x 310 mm; grey: 2');
    expect(after(hides, 'slate', length(46.3))).toBe('slate: 220 mm, 125.7 mm; black: 3 x 310 mm; grey: 2');
    expect(after(hides, 'slate', length(180))).toBe('slate: 40 mm, 172 mm; black: 3 x 310 mm; grey: 2');
  });
  test('of several that are alike leaves the others alike', () => {
    const once = takeFrom(hides, 'black', length(100)).stock;
    expect(writeLots(once.stock ?? [])).toBe('slate: 220 mm, 172 mm; black: 2 x 310 mm; grey: 2; black: 210 mm');
    expect(after(goods(once), 'black', length(60))).toBe(
      'slate: 220 mm, 172 mm; black: 2 x 310 mm; grey: 2; black: 150 mm',
    );
  });
  test('that uses a length up leaves none of it, and a colour of which there is none is there still', () => {
    expect(after(goods({ stock: lots('slate: 50 mm') }), 'slate', length(49.5))).toBe('slate: 0');
  });
  test('is not cut across two, nor from another colour, nor from what nobody measured', () => {
    expect(takeFrom(hides, 'slate', length(230)).moves).toEqual([]);
    expect(takeFrom(hides, 'red', length(10)).moves).toEqual([]);
    expect(takeFrom(hides, 'grey', length(10)).moves).toEqual([]);
    expect(takeFrom(goods({}), null, length(10))).toEqual({ stock: goods({}), moves: [] });
  });
  test('of a spool is so much of its count; two spools that are begun are told apart', () => {
    const spool = goods({ count: 2, yield: '1 m' });
    expect(after(spool, null, length(250))).toBe('1.75');
    // 0.75 m left of the begun one: 800 mm come from the whole one.
    const begun = goods({ ...spool, count: 1.75 });
    const { stock } = takeFrom(begun, null, length(800));
    expect(stock).toEqual({ count: undefined, stock: [{ count: 0.2 }, { count: 1, lengths: ['750 mm'] }] });
    expect(lengthsOf(goods({ ...begun, ...stock }), null)?.map(Math.round)).toEqual([200, 750]);
  });
});

describe('what is counted', () => {
  test('comes off the count: hooks one by one, others by what one makes, never below none', () => {
    expect(after(goods({ count: 18 }), null, pieces(1, { usual: 1 }))).toBe('17');
    expect(after(goods({ count: 2, yield: '25 pieces' }), null, pieces(1))).toBe('1.96');
    expect(after(goods({ count: 1 }), null, pieces(3, { usual: 1 }))).toBe('0');
    expect(takeFrom(goods({ count: 4 }), null, pieces(1)).moves).toEqual([]);
  });
  test('one after another is one fewer each time, to the last of the cape', () => {
    let cape = goods({ count: 1, yield: '60 pieces' });
    for (let left = 59; left >= 0; left--) {
      cape = { ...cape, ...takeFrom(cape, null, pieces(1)).stock };
      expect(piecesOf(cape, null, null)).toHaveLength(left);
    }
  });
  test('in flies comes off lot after lot', () => {
    const hair = goods({ stock: lots('black: 0.1; 1'), yield: '20 flies' });
    expect(after(hair, 'black', flies(4))).toBe('black: 0; 0.9');
    expect(fliesOf(goods({ ...hair, ...takeFrom(hair, 'black', flies(4)).stock }), 'black')).toBe(18);
  });
  test('two by two comes from pairs, or one from the left and one from the right', () => {
    expect(after(goods({ stock: lots('4 pairs; 3 left; 3 right') }), null, pieces(2, { paired: true }))).toBe(
      '3 pairs; 3 left; 3 right',
    );
    expect(after(goods({ stock: lots('0 pairs; 3 left; 2 right') }), null, pieces(2, { paired: true }))).toBe(
      '0 pairs; 2 left; 1 right',
    );
  });
  test('a hackle is one whose fibres fit', () => {
    const hen = goods({ stock: lots('black: 3 fibres 8 mm, 9 mm, 14 mm') });
    expect(after(hen, 'black', pieces(1, { fibreMm: 9.5 }))).toBe('black: 2 fibres 8 mm, 14 mm');
    expect(takeFrom(hen, 'black', pieces(1, { fibreMm: 20 })).moves).toEqual([]);
  });
});

describe('given back', () => {
  const taking = fc.oneof(
    fc.integer({ min: 5, max: 320 }).map((mm) => length(mm)),
    fc.integer({ min: 1, max: 6 }).map((count) => pieces(count, { usual: 1 })),
    fc.integer({ min: 1, max: 4 }).map((count) => pieces(2 * count, { paired: true, usual: 1 })),
    fc.constant(pieces(1, { fibreMm: 9, usual: 1 })),
    fc.integer({ min: 1, max: 12 }).map(flies),
  );
  const item = fc.constantFrom<Goods>(
    goods({ count: 12 }),
    goods({ count: 3.4, yield: '0.9 m' }),
    goods({ count: 2, yield: '24 pieces' }),
    goods({ count: 1.5, yield: '30 flies' }),
    goods({ stock: lots('slate: 220 mm, 172 mm; black: 3 x 310 mm'), yield: '300 mm' }),
    goods({ stock: lots('slate: 4 pairs; 3 left; 5 right; slate: 7') }),
    goods({ stock: lots('slate: 5 fibres 8 mm, 9 mm, 9.5 mm, 9 mm, 14 mm; 12 fibres 9 mm') }),
  );
  /** All that may be there of it, whatever it is counted in. */
  const amounts = (of: Goods, colour: string | null) => [
    lengthsOf(of, colour)
      ?.map((mm) => Math.round(mm))
      .sort((a, b) => a - b),
    piecesOf(of, colour, 1)
      ?.map(({ fibreMm, side }) => `${String(fibreMm)} ${String(side)}`)
      .sort(),
    fliesOf(of, colour),
  ];
  test('the last first, it is as it was', () => {
    fc.assert(
      fc.property(item, fc.array(taking, { maxLength: 12 }), fc.constantFrom('slate', null), (of, all, colour) => {
        let now = of;
        const took: (readonly Move[])[] = [];
        for (const each of all) {
          const { stock, moves } = takeFrom(now, colour, each);
          now = { ...now, ...stock };
          took.push(moves);
        }
        const back = took.reduceRight<Goods>((left, moves) => ({ ...left, ...giveBack(left, moves) }), now);
        for (const seen of ['slate', null]) expect(amounts(back, seen)).toEqual(amounts(of, seen));
      }),
      { seed: 7, numRuns: 400 },
    );
  });
  test('a piece whose hide was cut on lies by itself; what nobody counts any more stays so', () => {
    const hide = goods({ stock: lots('slate: 220 mm') });
    const first = takeFrom(hide, 'slate', length(50));
    const second = takeFrom(goods(first.stock), 'slate', length(40));
    expect(writeLots(giveBack(second.stock, first.moves).stock ?? [])).toBe('slate: 130 mm, 50 mm');
    expect(giveBack(goods({}), first.moves)).toEqual(goods({}));
  });
});
