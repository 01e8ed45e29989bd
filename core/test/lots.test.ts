import fc from 'fast-check';
import type { Lot } from '../src/drawers/items.ts';
import { lotSchema } from '../src/drawers/items.ts';
import { readLots, writeLots } from '../src/drawers/lots.ts';

describe('lots in a cell', () => {
  test.each([
    ['slate: 220 mm, 172 mm', [{ colour: 'slate', count: 2, lengths: ['220 mm', '172 mm'] }]],
    ['black: 3 x 310 mm', [{ colour: 'black', count: 3, lengths: ['310 mm'] }]],
    ['grey: 2; 5', [{ colour: 'grey', count: 2 }, { count: 5 }]],
    ['4 pairs', [{ count: 4, side: 'pair' }]],
    [
      'brown: 3 left; brown: 2 right',
      [
        { colour: 'brown', count: 3, side: 'left' },
        { colour: 'brown', count: 2, side: 'right' },
      ],
    ],
    ['12 fibres 9 mm', [{ count: 12, fibres: ['9 mm'] }]],
    ['0,5', [{ count: 0.5 }]],
    ['0.9 m', [{ count: 1, lengths: ['0.9 m'] }]],
  ])('%s', (text, lots) => {
    expect(readLots(text)).toEqual({ ok: true, value: lots });
  });
  test.each([
    ['slate: plenty', /"plenty" is no length/],
    ['slate:', /says no number and no length/],
    ['3 x 310 mm, 200 mm', /has 2 for a count of 3/],
    ['slate: 310', null],
  ])('%s', (text, wanted) => {
    const read = readLots(text);
    if (wanted === null) expect(read.ok).toBe(true);
    else expect(read.ok ? '' : read.faults[0]?.message).toMatch(wanted);
  });
  const length = fc.integer({ min: 1, max: 900 }).map((mm) => `${String(mm)} mm`);
  const lot: fc.Arbitrary<Lot> = fc
    .record({
      colour: fc.option(fc.constantFrom('slate', 'black', 'hot orange'), { nil: undefined }),
      count: fc.integer({ min: 1, max: 6 }),
      told: fc.constantFrom('none', 'one', 'each'),
      as: fc.constantFrom('lengths', 'fibres'),
      side: fc.option(fc.constantFrom('left' as const, 'right' as const, 'pair' as const), { nil: undefined }),
      values: fc.array(length, { minLength: 6, maxLength: 6 }),
    })
    .map(({ colour, count, told, as, side, values }) => ({
      ...(colour === undefined ? {} : { colour }),
      count,
      ...(told === 'none' ? {} : { [as]: values.slice(0, told === 'one' ? 1 : count) }),
      ...(side === undefined ? {} : { side }),
    }));
  test('what is written reads back as it was, and is a lot', () => {
    fc.assert(
      fc.property(fc.array(lot, { maxLength: 5 }), (lots) => {
        expect(readLots(writeLots(lots))).toEqual({ ok: true, value: lots });
        for (const each of lots) expect(lotSchema.safeParse(each).success).toBe(true);
      }),
    );
  });
});
