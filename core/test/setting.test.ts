import { beside, paragraph, stacked, type Block } from '../src/drawing/paper/setting.ts';
import { shifted, type Item } from '../src/drawing/paper/items.ts';
import { PaperSurface } from '../src/drawing/paper/surface.ts';
import { pageSvg } from '../src/drawing/paper/svg.ts';

/** Every letter as broad as the type is high. */
const square = (text: string, size: number): number => text.length * size;
const put = (block: Block): (readonly [text: string, x: number, y: number])[] =>
  block.put(10, 20).flatMap((item) => (item.kind === 'text' ? [[item.text, item.at[0], item.at[1]] as const] : []));

describe('a paragraph', () => {
  test('breaks where the next word would stand out, and is as high as its lines', () => {
    const block = paragraph([{ text: 'tie it in at the bend' }], 9, 1, square);
    expect(put(block).map(([text]) => text)).toEqual(['tie it in', 'at the', 'bend']);
    expect(block.heightMm).toBeCloseTo(3 * 1.22, 9);
    expect(put(block)[0]?.[1]).toBe(10);
  });
  test('runs stand on one line, each in its own kind; a longer word stands whole', () => {
    const block = paragraph([{ text: 'tail', bold: true }, { text: 'of marabou' }], 40, 1, square);
    expect(put(block)).toEqual([
      ['tail', 10, expect.closeTo(20.92, 6)],
      ['of marabou', 15, expect.closeTo(20.92, 6)],
    ]);
    expect(put(paragraph([{ text: 'a superglue b' }], 4, 1, square)).map(([text]) => text)).toEqual([
      'a',
      'superglue',
      'b',
    ]);
    expect(paragraph([{ text: '  ' }], 4, 1, square).heightMm).toBe(0);
  });
  test('blocks are as high as they stand under one another, as high as the highest beside one another', () => {
    const line = paragraph([{ text: 'a' }], 9, 1, square);
    expect(stacked([line, line, line], 2).heightMm).toBeCloseTo(3 * 1.22 + 4, 9);
    expect(put(stacked([line, line], 2)).map(([, , y]) => y)).toEqual([
      expect.closeTo(20.92, 6),
      expect.closeTo(20.92 + 3.22, 6),
    ]);
    const pair = beside([
      [0, line],
      [30, stacked([line, line])],
    ]);
    expect(pair.heightMm).toBeCloseTo(2.44, 9);
    expect(put(pair).map(([, x]) => x)).toEqual([10, 40, 40]);
  });
});

describe('a drawing on paper', () => {
  const drawn = (): Item[] => {
    const surface = new PaperSurface(0.2, [50, 60]);
    surface.begin();
    surface.move(0, 0);
    surface.line(10, 0);
    surface.quad(10, 5, 10, 10);
    surface.close();
    surface.fill('#336699', 0.5);
    surface.stroke('#000000', 2, 1, [4, 2]);
    surface.ball(20, 30, 5, ['#ffffff', '#aaaaaa', '#555555', '#222222']);
    return surface.items;
  };
  test('is to scale and in its place: px become mm', () => {
    const [fill, line, ball] = drawn();
    expect(fill).toMatchObject({ kind: 'shape', at: [50, 60], path: 'M0 0L2 0Q2 1 2 2Z', fill: '#336699', alpha: 0.5 });
    expect(line).toMatchObject({ stroke: '#000000', width: 0.4, dash: [0.8, 0.4] });
    expect(ball).toMatchObject({ kind: 'ball', at: [54, 66], r: 1 });
  });
  test('lines do not thin away; nothing drawn is nothing put', () => {
    const surface = new PaperSurface(0.01, [0, 0]);
    surface.begin();
    surface.fill('#000000');
    expect(surface.items).toEqual([]);
    surface.line(1, 1);
    surface.stroke('#000000', 0.5);
    expect(surface.items[0]).toMatchObject({ width: 0.06 });
  });
  test('moves as one, and stands in a page of SVG', () => {
    expect(drawn().map((item) => shifted(item, 1, 2))).toMatchObject([
      { at: [51, 62] },
      { at: [51, 62] },
      { at: [55, 68] },
    ]);
    const svg = pageSvg({ widthMm: 100, heightMm: 100, correction: 1, items: drawn() });
    expect(svg).toContain('<path transform="translate(50 60)" d="M0 0L2 0Q2 1 2 2Z" fill="#336699" opacity="0.5"/>');
    expect(svg.match(/<circle/g)).toHaveLength(4);
  });
});
