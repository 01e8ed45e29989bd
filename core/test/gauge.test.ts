import { corrected, gaugeCard } from '../src/study/sizes/gauge/card.ts';
import { gaugeStrip } from '../src/study/sizes/gauge/strip.ts';
import { METRIC } from '../src/units/format.ts';
import { pageSchema, type Item, type Page } from '../src/drawing/paper/items.ts';
import { pageSvg } from '../src/drawing/paper/svg.ts';
import { body, collar, eyes, laid, partIn, strip, tail } from './build.ts';

const fly = () => laid([eyes(), tail(), body({ to: 'eyes.rear' }), collar()]);
const lines = (page: Page | undefined) =>
  (page?.items ?? []).filter((item): item is Extract<Item, { kind: 'line' }> => item.kind === 'line');
const texts = (page: Page | undefined) =>
  (page?.items ?? []).filter((item): item is Extract<Item, { kind: 'text' }> => item.kind === 'text');
const named = (page: Page | undefined, name: string) => {
  const line = lines(page).find((item) => item.name === name);
  if (!line) throw new Error(`no ${name}`);
  return line;
};
/** Length of a level line, mm on the paper. */
const longMm = (line: { points: readonly (readonly [number, number])[] }): number =>
  Math.abs((line.points[1]?.[0] ?? 0) - (line.points[0]?.[0] ?? 0));

describe('what a strip shows', () => {
  test('bars from where a part is bound to its tip; fibres laid along the shank; the bare head', () => {
    const it = fly();
    const { bars } = gaugeStrip(it);
    const { endMm, tipMm, lengthMm } = partIn(it, 'tail').extent;
    expect(bars.find((bar) => bar.name === 'tail')).toMatchObject({ fromMm: endMm, toMm: tipMm, lengthMm });
    const fibre = bars.find((bar) => bar.name === 'collar fibre');
    expect((fibre?.toMm ?? 0) - (fibre?.fromMm ?? 0)).toBeCloseTo(partIn(it, 'collar').extent.lengthMm, 9);
    expect(fibre?.place).toBe(false);
    expect(bars[0]).toMatchObject({ name: 'head space', fromMm: 0, toMm: it.headSpaceMm });
  });
  test('ticks where things are tied in, one where they meet, with the eye and the bend', () => {
    const { ticks } = gaugeStrip(fly());
    expect(ticks[0]).toMatchObject({ names: ['eye'], mm: 0 });
    const bend = ticks.find((tick) => tick.names.includes('bend'));
    expect(bend?.names).toEqual(expect.arrayContaining(['bend', 'tail', 'body rear']));
    expect(ticks.map((tick) => tick.mm)).toEqual(ticks.map((tick) => tick.mm).sort((a, b) => a - b));
  });
  test('a strip of hide is ticked at each binding', () => {
    const it = laid([strip({ at: 'station 3', boundAt: ['station 7'] })]);
    const marks = gaugeStrip(it).ticks.filter((tick) => tick.names.includes('strip'));
    expect(marks).toHaveLength(2);
  });
});

test('a tube names the hook behind it, and its title lies clear of the hook', () => {
  const tube = laid([tail({ at: 'bend' })], {
    platform: { kind: 'tube', length: '28 mm', outside: '3 mm', hook: { kind: 'single', size: '2' } },
  });
  const strip1 = gaugeStrip(tube);
  expect(strip1.platform).toBe('tube 28 mm, single 2 behind');
  const [page] = gaugeCard('Test', [strip1], { paper: 'a4' });
  const title = texts(page).find((text) => text.text === strip1.platform);
  const hook = lines(page).filter((line) => line.name === undefined && line.points.length > 4);
  const lowest = Math.max(...hook.flatMap((line) => line.points.map(([, y]) => y)));
  const rearmost = Math.min(...hook.flatMap((line) => line.points.map(([x]) => x)));
  const [x = 0, y = 0] = title?.at ?? [];
  expect(y - 3.8 > lowest || x + strip1.platform.length * 3.8 * 0.45 < rearmost).toBe(true);
});

describe('a card', () => {
  const strips = Array.from({ length: 12 }, () => gaugeStrip(fly()));
  test('as many pages as it takes, a strip whole on one, nothing off the paper', () => {
    for (const paper of ['a4', 'letter'] as const) {
      const pages = gaugeCard('Test', strips, { paper });
      expect(pages.length).toBeGreaterThan(1);
      expect(pages.flatMap((page) => lines(page).filter((line) => line.name === 'bar tail'))).toHaveLength(12);
      for (const page of pages) {
        expect(pageSchema.safeParse(page).success).toBe(true);
        for (const [x, y] of lines(page).flatMap((line) => line.points)) {
          expect(x >= 9 && x <= page.widthMm - 9 && y >= 0 && y <= page.heightMm - 3).toBe(true);
        }
      }
    }
  });
  test('names read without turning the card: each lies toward the front, lower than the one in front of it', () => {
    for (const hand of ['right', 'left'] as const) {
      const [page] = gaugeCard('Test', [gaugeStrip(fly())], { paper: 'a4', hand });
      const texts = (page?.items ?? []).filter((item) => item.kind === 'text');
      expect(texts.filter((text) => text.upward === true)).toEqual([]);
      const ticks = lines(page)
        .filter(({ name }) => name?.startsWith('tick '))
        .map(({ points }) => ({ x: points[0]?.[0] ?? 0, deep: points.at(-1)?.[1] ?? 0 }))
        .sort((a, b) => (hand === 'right' ? b.x - a.x : a.x - b.x));
      expect(ticks.length).toBeGreaterThan(3);
      for (let i = 1; i < ticks.length; i++) expect(ticks[i]?.deep).toBeGreaterThan(ticks[i - 1]?.deep ?? 0);
    }
  });
  test('strips stand in columns, each where there is room: no two over one another, a long one beside short ones', () => {
    const strips = [2, 1, 1, 1, 1, 1].map((long) =>
      gaugeStrip(laid([tail()], { platform: { kind: 'single', size: long === 2 ? '1/0' : '10' } })),
    );
    const [page] = gaugeCard('Test', strips, { paper: 'a4' });
    const boxes = lines(page)
      .filter(({ close, points }) => close === true && points.length === 4)
      .map(({ points }) => ({
        left: Math.min(...points.map(([x]) => x)),
        top: Math.min(...points.map(([, y]) => y)),
        bottom: Math.max(...points.map(([, y]) => y)),
      }));
    expect(boxes).toHaveLength(strips.length);
    for (const a of boxes)
      for (const b of boxes)
        if (a !== b && a.left === b.left) expect(a.bottom <= b.top || b.bottom <= a.top).toBe(true);
    // The second of the other column does not wait for the end of the long one.
    const [first, second, third] = boxes;
    expect(second?.left).not.toBe(first?.left);
    expect(third?.top).toBeLessThan(first?.bottom ?? 0);
  });
  test('the same length on paper as on the fly, for either hand, and mirrored between them', () => {
    const it = fly();
    const [right] = gaugeCard('Test', [gaugeStrip(it)], { paper: 'a4', hand: 'right' });
    const [left] = gaugeCard('Test', [gaugeStrip(it)], { paper: 'a4', hand: 'left' });
    for (const page of [right, left])
      expect(longMm(named(page, 'bar tail'))).toBeCloseTo(
        (partIn(it, 'tail').extent.tipMm ?? 0) - partIn(it, 'tail').extent.endMm,
        6,
      );
    const eye = (page: Page | undefined) => named(page, 'tick eye').points[0]?.[0] ?? 0;
    const tip = (page: Page | undefined) => named(page, 'bar tail').points[1]?.[0] ?? 0;
    expect(eye(right)).toBeGreaterThan(tip(right));
    expect(eye(left)).toBeLessThan(tip(left));
  });
  test('a long fly turns the paper broadside; what is longer still is cut and says so', () => {
    const long = (length: string) => gaugeCard('Test', [gaugeStrip(laid([tail({ length })]))], { paper: 'a4' })[0];
    expect(long('150 mm')).toMatchObject({ widthMm: 297, heightMm: 210 });
    expect(texts(long('150 mm')).some((text) => text.text.includes('beyond'))).toBe(false);
    expect(texts(long('280 mm')).some((text) => text.text.includes('ends beyond the strip'))).toBe(true);
  });
  test('parts that begin and end alike share a bar; very many parts still make one strip on one page', () => {
    const twins = gaugeStrip(laid([tail(), tail({ id: 'veil' })]));
    expect(twins.bars.map((bar) => bar.name)).toContain('tail, veil');
    const many = Array.from({ length: 55 }, (_, i) => tail({ id: `t${String(i)}`, length: `${String(10 + i)} mm` }));
    const pages = gaugeCard('Test', [gaugeStrip(laid(many))], { paper: 'letter' });
    expect(pages).toHaveLength(1);
    const lowest = Math.max(
      ...lines(pages[0])
        .filter((line) => line.name?.startsWith('bar'))
        .map((line) => line.points[0]?.[1] ?? 0),
    );
    expect(lowest).toBeLessThan(279.4 - 26);
  });
  test('lengths are told in the tier’s own units', () => {
    const [page] = gaugeCard('Test', [gaugeStrip(laid([tail({ length: '1 in' })]))], {
      paper: 'letter',
      style: { ...METRIC, length: 'in' },
    });
    expect(texts(page).map((text) => text.text)).toContain('tail 1 in');
  });
  test('a corrected page keeps its size and stays on it', () => {
    const [page] = gaugeCard('Test', strips, { paper: 'a4', correction: 1.05 });
    expect(page).toMatchObject({ widthMm: 210, correction: 1.05 });
    for (const [x] of lines(page).flatMap((line) => line.points)) expect(1.05 * x).toBeLessThanOrEqual(210 - 9);
  });
  test.each([
    [50, 1, 1],
    [49, 1, 50 / 49],
    [50.5, 50 / 49.5, (50 / 49.5) * (50 / 50.5)],
    [40, 1, null],
    [0, 1, null],
    [-50, 1, null],
  ])('a bar of %f mm printed at %f', (measured, now, next) => {
    const answer = corrected(measured, now);
    if (next === null) expect(answer).toBeNull();
    else expect(answer).toBeCloseTo(next, 9);
  });
});

test('a page as SVG: true size, words escaped, nothing but lines and words', () => {
  const page: Page = {
    widthMm: 100,
    heightMm: 50,
    correction: 1.01,
    items: [
      { kind: 'text', at: [10, 10], text: 'a < b & "c"', size: 3, upward: true, anchor: 'end' },
      {
        kind: 'line',
        points: [
          [0, 0],
          [5, 5],
        ],
        width: 0.2,
        grey: 0.5,
        dash: [1, 2],
        close: true,
        name: '<x>',
      },
    ],
  };
  const svg = pageSvg(page);
  expect(svg).toContain('width="100mm" height="50mm" viewBox="0 0 100 50"');
  expect(svg).toContain('scale(1.01)');
  expect(svg).toContain('a &lt; b &amp; &quot;c&quot;');
  expect(svg).toContain('rotate(-90 10 10)');
  expect(svg).toContain('stroke="#808080"');
  expect(svg).toContain('data-name="&lt;x&gt;"');
});
