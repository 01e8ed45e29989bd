import fc from 'fast-check';
import { isWhole, layAll, layInTurn, leastOpened, leftOf } from '../src/batch/cutting.ts';

describe('a spool', () => {
  test('of 1 m gives six pieces of 158 mm, and 52 mm are left', () => {
    const pieces = Array.from({ length: 6 }, () => 158);
    const layout = layAll([1000], pieces);
    expect(layout).toEqual([0, 0, 0, 0, 0, 0]);
    expect(leftOf([1000], pieces, layout ?? [])).toEqual([52]);
    expect(layAll([1000], [...pieces, 158])).toBeNull();
  });
});

describe('three short hides', () => {
  const hides = [150, 120, 100];
  test('take what a first fit would not: 100 + 50, 70 + 50, 60 + 40 by hand', () => {
    const pieces = [50, 60, 70, 50, 100, 40];
    const layout = layAll(hides, pieces);
    expect(layout && isWhole(layout)).toBe(true);
    expect(leftOf(hides, pieces, layout ?? [])).toEqual([0, 0, 0]);
  });
  test('a piece comes from one of them, never across two', () => {
    // 40 mm are left in all, the longest end of them 30 mm.
    expect(layAll(hides, [140, 100, 90])).not.toBeNull();
    expect(layAll(hides, [140, 100, 90, 31])).toBeNull();
  });
  test('run out at the fly whose piece is not there any more, though a later, shorter one still is', () => {
    // Two of 60 mm come from the first, two from the second, one from the third; 40 mm are left there.
    const flies = [0, 1, 2, 3, 4, 5, 6];
    const { layout, shortAt } = layInTurn(hides, [60, 60, 60, 60, 60, 60, 40], flies);
    expect(shortAt).toBe(5);
    expect(layout[5]).toBeNull();
    expect(layout[6]).toBe(2);
  });
  test('are laid anew before they are said to run out', () => {
    // Laid as they come the two of 50 mm leave no 150 for the last; laid anew they do.
    expect(layInTurn([150, 100], [50, 50, 150], [0, 1, 2]).shortAt).toBeNull();
  });
});

const length = fc.integer({ min: 1, max: 400 });
const stock = fc.array(length, { maxLength: 6 });
const cuts = fc.array(fc.integer({ min: 1, max: 160 }), { maxLength: 14 });

describe('any layout', () => {
  test('never cuts more from a length than it has, and a whole one opens no fewer than the bound', () => {
    fc.assert(
      fc.property(stock, cuts, (lengths, pieces) => {
        const inTurn = layInTurn(
          lengths,
          pieces,
          pieces.map((_, i) => i),
        );
        for (const layout of [layAll(lengths, pieces) ?? [], inTurn.layout])
          for (const left of leftOf(lengths, pieces, layout)) expect(left).toBeGreaterThanOrEqual(-1e-6);
        if (inTurn.shortAt !== null) expect(inTurn.layout[inTurn.shortAt]).toBeNull();
        const whole = layAll(lengths, pieces);
        if (whole) expect(new Set(whole).size).toBeGreaterThanOrEqual(leastOpened(lengths, pieces));
      }),
    );
  });
  test('is no worse than the first fit, the longest first', () => {
    fc.assert(
      fc.property(stock, cuts, (lengths, pieces) => {
        const left = [...lengths];
        let fits = true;
        const used = new Set<number>();
        for (const piece of [...pieces].sort((a, b) => b - a)) {
          const at = left.findIndex((each) => each >= piece);
          if (at < 0) fits = false;
          else {
            left[at] = (left[at] ?? 0) - piece;
            used.add(at);
          }
        }
        if (!fits) return;
        const layout = layAll(lengths, pieces);
        expect(layout).not.toBeNull();
        expect(new Set(layout).size).toBeLessThanOrEqual(used.size);
      }),
    );
  });
});
