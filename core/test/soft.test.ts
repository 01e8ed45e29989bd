import { sinking, sinkingDrag } from '../src/model/balance/sinking.ts';
import { toRad } from '../src/model/balance/model.ts';
import { cutCells } from '../src/model/geometry/cells.ts';
import { project, sumSilhouette } from '../src/model/geometry/silhouette.ts';
import { clumpOpacity, coverOf, FIBRE_TAPER, ringCover, ringEndOn, type Ring } from '../src/model/parts/fibres.ts';
import { balanceModel } from '../src/model/solve/balanceModel.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { body, collar, eyes, laid, partIn, strip, tail } from './build.ts';

/** mm² of side silhouette of one part's sections alone. */
function sideOf(it: LaidFly, id: string): number {
  const table = cutCells(partIn(it, id).built.sections);
  return sumSilhouette(table, project(table, 'side', 0))?.areaMm2 ?? 0;
}

describe('fibres that stand round a stem', () => {
  const ring: Ring = { fromMm: 0, toMm: 1.2, fibres: 150, fibreMm: 0.05, lengthMm: 10, sweep: toRad(51), clump: 1 };
  const back = 10 * Math.cos(ring.sweep);
  test('what crosses the stations adds up to all the fibres as they are seen from the side', () => {
    const cover = ringCover(ring);
    let area = 0;
    const steps = 20_000;
    for (let i = 0; i < steps; i++) area += (cover(((i + 0.5) / steps) * (1.2 + back)) * (1.2 + back)) / steps;
    // From the side a fibre is L·√(cos²ψ + sin²ψ·cos²φ) long, by a fine sum over φ.
    let long = 0;
    for (let i = 0; i < 1000; i++)
      long +=
        Math.hypot(Math.cos(ring.sweep), Math.sin(ring.sweep) * Math.cos(((i + 0.5) / 1000) * 2 * Math.PI)) / 1000;
    expect(area / (150 * 0.05 * 10 * long)).toBeCloseTo(1, 2);
  });
  test('none cross before the first or behind the last tip, and twice the fibres cross twice', () => {
    const cover = ringCover(ring);
    expect([cover(-0.1), cover(1.2 + back + 0.01)]).toEqual([0, 0]);
    expect(ringCover({ ...ring, fibres: 300 })(3)).toBeCloseTo(2 * cover(3), 12);
    expect(ringCover({ ...ring, clump: 0.5 })(3)).toBeCloseTo(cover(3) / 2, 12);
  });
  test('a natural fibre is of a section that falls to a fifth: mean 0.6, middle 0.39', () => {
    const [mean, middle] = [(1 + 0.2) / 2, (1 / 2 - 0.8 / 3) / 0.6];
    expect(FIBRE_TAPER.mean).toBeCloseTo(mean, 9);
    expect(FIBRE_TAPER.middle).toBeCloseTo(middle, 2);
  });
  test('what lies over one another at random lets through e to the cover', () => {
    expect(coverOf(2, 4)).toBeCloseTo(1 - Math.exp(-0.5), 12);
    expect(coverOf(0, 4)).toBe(0);
    // 150 fibres of 0.05 mm round a circle of 3 mm: 7.5 of 18.85 mm; never over 0.9.
    expect(ringEndOn(ring, 3)).toBeCloseTo(1 - Math.exp(-7.5 / (6 * Math.PI)), 12);
    expect(ringEndOn(ring, 0)).toBe(0.9);
  });
  test('a clump covers by the breadth of its fibres, a quarter of it when they cling in locks', () => {
    // 2 mm² of 0.1 mm hair is 254.6 hairs, 25.46 mm side by side, over a breadth of 40 mm.
    const wide = { semiY: 20, semiZ: 20 };
    expect(clumpOpacity(2, 0.1, 1, wide)).toBeCloseTo(1 - Math.exp(-25.46 / 40), 3);
    expect(clumpOpacity(2, 0.1, 0.25, wide)).toBeCloseTo(1 - Math.exp(-25.46 / 160), 3);
    expect(clumpOpacity(2, 0.1, 1, { semiY: 0.5, semiZ: 0.5 })).toBe(0.95);
    expect([clumpOpacity(2, 0, 1, wide), clumpOpacity(2, 0.1, 1, { semiY: 0, semiZ: 1 })]).toEqual([0, 0]);
  });
});

describe('hackles from the side', () => {
  test('a hen collar is some 40 mm², a palmer never more than its fibres', () => {
    const hen = laid([collar({ material: 'hen', fibre: '10 mm', turns: 3 })]);
    expect(sideOf(hen, 'collar')).toBeGreaterThan(33);
    expect(sideOf(hen, 'collar')).toBeLessThan(47);
    const palmer = laid(
      [
        collar({
          style: 'palmer',
          at: undefined,
          from: 'bend',
          to: 'head',
          material: 'saddle',
          fibre: '8 mm',
          turns: 6,
        }),
      ],
      { platform: { kind: 'shank', length: '62 mm' } },
    );
    const fibres = 6 * 60 * 0.07 * 8;
    expect(sideOf(palmer, 'collar')).toBeLessThan(0.75 * fibres);
    expect(sideOf(palmer, 'collar')).toBeGreaterThan(0.6 * fibres);
  });
  test('one that slows the fly more than a bare one does', () => {
    const level = (parts: Parameters<typeof laid>[0]): number => settleFly(laid(parts)).balance.sink?.level ?? 0;
    expect(level([eyes(), collar({ turns: 4 })])).toBeLessThan(0.95 * level([eyes()]));
  });
});

describe('the pile of a strip', () => {
  test('weighs half a hair off its hide, laid back by its lean', () => {
    const it = partIn(laid([strip({ hair: '16 mm', length: '30 mm', tip: undefined, at: 'bend' })]), 'strip');
    const [hide, pile] = it.built.lumps;
    if (!hide || !pile) throw new Error('no strip');
    // Hair lies back to 0.35 of its 16 mm: its middle is 2.8 mm up and 8·√(1 − 0.35²) = 7.49 mm back; the hide is 0.7 mm thick.
    expect(pile.centroid[2] - hide.centroid[2]).toBeCloseTo(2.8 + 0.35, 6);
    expect(pile.centroid[0] - hide.centroid[0]).toBeCloseTo(7.494, 2);
    expect(pile.massMg / pile.volumeMm3).toBeCloseTo(1.31, 9);
    expect(hide.massMg / hide.volumeMm3).toBeCloseTo(1.35, 9);
  });
});

describe('along the shank', () => {
  test('a bare size 6 shows 7.49 mm² from the front: column and eye, less where they lie over each other', () => {
    const { platform } = laid([], { platform: { kind: 'single', size: '6' } });
    const [d, gap] = [platform.wireMm ?? 0, platform.gapMm ?? 0];
    const disc = (Math.PI / 4) * d ** 2;
    // The bend is a column H high, round above and below; the eye's ring, seen edge-on, is 2.6 wires by one, round at its ends.
    const byHand = d * (gap + d) + disc + 2.6 * d * d + disc - (disc / 2 + d ** 2 / 2);
    const { nose } = balanceModel(laid([], { platform: { kind: 'single', size: '6' } }));
    expect(nose.frontMm2 / byHand).toBeCloseTo(1, 3);
    expect(nose.frontMm2).toBeCloseTo(7.49, 1);
    expect(nose.stiffFrontMm2).toBeCloseTo(nose.frontMm2, 9);
  });
  test('it is the same whatever trails far behind', () => {
    const bare = balanceModel(laid([])).nose.stiffFrontMm2;
    for (const length of ['20 mm', '41 mm', '63.7 mm'])
      expect(balanceModel(laid([tail({ length })])).nose.stiffFrontMm2 / bare).toBeCloseTo(1, 3);
  });
  test('how blunt it is goes by how much of the front is round', () => {
    const bare = balanceModel(laid([])).nose;
    expect([bare.blunt, bare.bluntBehind]).toEqual([2, 2]);
    const eyed = balanceModel(laid([eyes({ diameter: '4 mm' })])).nose;
    // A pair of 4 mm balls, 25.1 mm² and a neck: most of the front.
    expect(eyed.blunt).toBeLessThan(1.4);
    expect(eyed.bluntBehind).toBeCloseTo(eyed.blunt, 9);
    const smaller = balanceModel(laid([eyes({ diameter: '2.5 mm' })])).nose.blunt;
    expect(smaller).toBeGreaterThan(eyed.blunt);
    const coned = balanceModel(
      laid([eyes({ shape: 'cone', diameter: '4 mm', at: 'eye + 2 mm', side: undefined })]),
    ).nose;
    expect(coned.blunt).toBeLessThan(1.6);
    expect(coned.bluntBehind).toBe(2);
  });
  test('tail-first by the same law, without a jump through level', () => {
    const it = balanceModel(laid([eyes(), tail(), body()]));
    const speed = (deg: number): number => sinking(it, 0, deg)?.terminal ?? 0;
    const level = sinking(it, 0, 0)?.level ?? 0;
    expect(speed(-0.01) / level).toBeCloseTo(1, 5);
    expect(speed(0.01) / level).toBeCloseTo(1, 5);
    expect(speed(-60)).toBeGreaterThan(level);
    // Its tail leads and is pushed open, so that it meets more than one that trails.
    expect(speed(-60)).toBeLessThan(speed(60));
  });
  test('what leads is not narrowed: its drag goes as the square of the speed but for what is stiff', () => {
    const model = balanceModel(laid([tail({ pinch: '5 mm', length: '60 mm' })]));
    const drag = (deg: number) => sinkingDrag(model, 0, deg);
    const rise = (deg: number): number => drag(deg)(400) / drag(deg)(100);
    expect(rise(-90)).toBeGreaterThan(13);
    expect(rise(90)).toBeLessThan(rise(-90));
  });
  test('a see-through wrap adds drag by what stands out beyond what it is wound on', () => {
    const bare = laid([eyes()]);
    const speed = (more: LaidFly): number => sinking(balanceModel(more), 0, 90)?.noseFirst ?? 0;
    const wrapped = (diameter: string): LaidFly =>
      laid([eyes(), body({ material: 'chenille', diameter, to: 'station 4' })]);
    expect(speed(wrapped('0.01 mm')) / speed(bare)).toBeCloseTo(1, 2);
    expect(speed(wrapped('5 mm'))).toBeLessThan(0.97 * speed(bare));
  });
});
