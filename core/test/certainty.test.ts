import { certaintyOf, CERTAIN } from '../src/study/certainty/certainty.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { body, eyes, fly, laid, tail } from './build.ts';

const parts = [eyes(), tail(), body()];
const words = (of: ReturnType<typeof certaintyOf>, figure: (typeof CERTAIN)[number]): string[] =>
  (of.figures[figure]?.by ?? []).map((each) => each.words);

describe('how far off a figure may be', () => {
  test('the figures are those the fly is solved to', () => {
    const it = laid(parts);
    const { figures } = certaintyOf(it);
    const { balance } = settleFly(it);
    expect(figures.sink?.value).toBeCloseTo(balance.sink?.terminal ?? NaN, 6);
    expect(figures.holds?.value).toBeCloseTo(balance.hold.holdsTo ?? NaN, 6);
    expect(figures.trim?.value).toBeCloseTo(balance.trim.noseDownDeg ?? NaN, 6);
    expect([figures.dry?.value, figures.casting?.value, figures.submerged?.value]).toEqual([
      expect.closeTo(it.dryMg, 6),
      expect.closeTo(it.castingMg, 6),
      expect.closeTo(it.submergedMg, 6),
    ]);
  });
  test('is what each thing it rests on moves, added up as squares do, the most telling first', () => {
    const { figures } = certaintyOf(laid(parts));
    for (const each of CERTAIN) {
      const certain = figures[each];
      if (!certain) continue;
      expect(Math.hypot(...certain.by.map(({ off }) => off))).toBeCloseTo(certain.off, 9);
      expect(certain.by.map(({ off }) => off)).toEqual(certain.by.map(({ off }) => off).sort((a, b) => b - a));
    }
    expect(figures.trim?.share).toBeNull();
  });
  test('unweighed eyes are a fifth of their weight: what moves the dry weight, and no more once they are weighed', () => {
    const it = laid(parts);
    const by = certaintyOf(it).figures.dry?.by.find((each) => each.words.startsWith('eyes'));
    expect(by?.off).toBeCloseTo(0.2 * (it.parts[0]?.massMg ?? NaN), 6);
    const weighed = laid([eyes({ mass: '300 mg' }), tail(), body()]);
    expect(words(certaintyOf(weighed), 'dry').some((each) => each.startsWith('eyes'))).toBe(false);
  });
  test('drag of the water moves a steady speed by the root of it, and weight not at all', () => {
    const { figures } = certaintyOf(laid(parts));
    const by = figures.sink?.by.find((each) => each.words === 'drag of the water');
    // W = k·v^n with n from 1.8 to 2: a tenth more drag is some 1 − 1.1^(−1/2) slower.
    expect((by?.off ?? 0) / (figures.sink?.value ?? 1)).toBeGreaterThan(0.045);
    expect((by?.off ?? 0) / (figures.sink?.value ?? 1)).toBeLessThan(0.055);
    expect(words(certaintyOf(laid(parts)), 'dry')).not.toContain('drag of the water');
  });
  test('a sink that was timed settles both drags, a measured wire the wire', () => {
    const timed = laid(parts, { measured: { dragFactor: 1.1 } });
    expect(words(certaintyOf(timed), 'sink')).not.toContain('drag of what trails');
    expect(words(certaintyOf(timed), 'sink')).not.toContain('drag of the water');
    expect(words(certaintyOf(timed), 'holds')).toContain('drag of the water');
    const caliper = laid(parts, { platform: { kind: 'single', size: '6', longX: 3, wire: '0.8 mm' } });
    expect(words(certaintyOf(caliper), 'dry')).not.toContain('wire nobody measured');
    expect(words(certaintyOf(laid(parts)), 'dry')).toContain('wire nobody measured');
  });
});

describe('what would settle it', () => {
  test('each tool at most once, each of some use, and what it leaves is less', () => {
    const { settles } = certaintyOf(laid(parts));
    expect(new Set(settles.map(({ tool }) => tool)).size).toBe(settles.length);
    expect(settles.length).toBeGreaterThan(1);
    for (const { off, left } of settles) expect(left).toBeLessThan(off);
    expect(settles.map(({ tool }) => tool)).toContain('scale');
  });
  test('a bare measured hook has nothing to settle but the water', () => {
    const read = layFly(fly([], { platform: { kind: 'single', shank: '24 mm', gap: '8 mm', wire: '0.8 mm' } }));
    if (!read.ok) throw new Error('no hook');
    expect(certaintyOf(read.value).settles.map(({ tool }) => tool)).toEqual(['jar']);
  });
});
