import { fliesOf, lengthsOf, piecesOf, readYield, type Goods } from '../src/drawers/stock.ts';
import { readItem } from '../src/drawers/file.ts';
import { faultLine } from '../src/base/fault.ts';

const goods = (more: Partial<Goods>): Goods => ({ name: 'rabbit strip', ...more });

describe('what one of an item makes', () => {
  test.each([
    ['900 mm', { unit: 'mm', each: 900 }],
    ['0.9 m', { unit: 'mm', each: 900 }],
    ['24 pieces', { unit: 'pieces', each: 24 }],
    ['12 pairs', { unit: 'pieces', each: 24 }],
    ['1 fly', { unit: 'flies', each: 1 }],
    ['30 flies', { unit: 'flies', each: 30 }],
  ])('%s', (text, made) => {
    expect(readYield(text)).toEqual(made);
  });
  test.each(['about forty', 'a lot', '', '0 mm', '-3 pieces', '12'])('"%s" stays a note', (text) => {
    expect(readYield(text)).toBeNull();
  });
});

describe('what lies in a drawer', () => {
  test('lengths are those of the lots of the colour, or as long as one of them is', () => {
    const hides = goods({
      stock: [
        { colour: 'slate', count: 2, lengths: ['310 mm', '20 cm'] },
        { colour: 'black', count: 3, lengths: ['400 mm'] },
      ],
    });
    expect(lengthsOf(hides, 'Slate')).toEqual([310, 200]);
    expect(lengthsOf(hides, 'black')).toEqual([400, 400, 400]);
    expect(lengthsOf(hides, 'olive')).toEqual([]);
    expect(lengthsOf(hides, null)).toEqual([310, 200, 400, 400, 400]);
  });
  test('a count alone serves any colour, and one that is begun is so much of one', () => {
    expect(lengthsOf(goods({ count: 2.5, yield: '900 mm' }), 'slate')).toEqual([900, 900, 450]);
  });
  test('what nobody counted, or said the make of, is not known; of what is gone there is nothing', () => {
    expect(lengthsOf(goods({ yield: '900 mm' }), null)).toBeNull();
    expect(lengthsOf(goods({ count: 2, yield: 'plenty' }), null)).toBeNull();
    expect(lengthsOf(goods({ count: 0, yield: 'plenty' }), null)).toEqual([]);
    expect(fliesOf(goods({ count: 2 }), null)).toBeNull();
  });
  test('pieces: a pair is two, one of either side; fibres one for each', () => {
    expect(piecesOf(goods({ stock: [{ count: 1, side: 'pair' }] }), null, null)).toEqual([
      { fibreMm: null, side: 'left' },
      { fibreMm: null, side: 'right' },
    ]);
    expect(piecesOf(goods({ stock: [{ count: 2, fibres: ['9 mm', '8 mm'] }] }), null, null)).toEqual([
      { fibreMm: 9, side: null },
      { fibreMm: 8, side: null },
    ]);
    expect(piecesOf(goods({ count: 2, yield: '12 pairs' }), null, null)).toHaveLength(48);
    expect(piecesOf(goods({ count: 10 }), null, 1)).toHaveLength(10);
    expect(piecesOf(goods({ count: 10, yield: 'a good many' }), null, 1)).toBeNull();
    expect(piecesOf(goods({ count: 10 }), null, null)).toBeNull();
  });
  test('flies by what one of them makes', () => {
    expect(fliesOf(goods({ count: 1.5, yield: '30 flies' }), 'olive')).toBe(45);
  });
});

describe('an item with lots', () => {
  const item = (stock: unknown): readonly string[] => {
    const read = readItem('threads', {
      name: 'thread 70',
      denier: 70,
      widthMm: 0.17,
      strengthG: 315,
      material: 'polyester',
      stock,
    });
    return read.ok ? [] : read.faults.map(faultLine);
  };
  test('reads, and each fault names its place', () => {
    expect(item([{ colour: 'black', count: 2, lengths: ['90 m'] }])).toEqual([]);
    expect(item([{ count: 3, lengths: ['1 m', '2 m'] }])).toEqual([
      expect.stringMatching(/^stock\.0\.lengths: has 2 for a count of 3/),
    ]);
    expect(item([{ count: 1, lengths: ['310'] }])).toEqual([expect.stringMatching(/^stock\.0\.lengths\.0: .*no unit/)]);
    expect(item([{ count: -1 }])).toEqual([expect.stringMatching(/^stock\.0\.count: must be at least 0/)]);
  });
});
