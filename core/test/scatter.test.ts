import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { layFly, type LaidFly } from '../src/model/solve/layFly.ts';
import { CUT_SIGMA, normalOf, normalQuantile } from '../src/numeric/chance.ts';
import { layDeviant, type Deviation } from '../src/study/tolerance/deviant.ts';
import { FLIES, scatterOf, type Reckoned, type Solved } from '../src/study/tolerance/scatter.ts';
import { scatterMoved } from '../src/study/tolerance/moved.ts';
import { caresOf, spreadKey, spreadsOf, type Spread, USUAL_SPREADS } from '../src/study/tolerance/spreads.ts';
import { histogramOf, quantile } from '../src/study/tolerance/spreadOut.ts';
import { answersOf, changeOf, surfaceOf } from '../src/study/tolerance/surface.ts';
import { body, eyes, feathers, laid, partIn, spunHead, tail } from './build.ts';

/** A few are enough to try the rules on. */
const SOLVED = 24;

const off = (fly: LaidFly, ...deviations: Deviation[]): LaidFly => {
  const came = layDeviant(fly, NOMINAL_DRAWERS, deviations);
  if (!came.ok) throw new Error(JSON.stringify(came.faults));
  return came.value;
};
/** Runs a generator to its end. */
function ended<S, R>(steps: Generator<S, R>): { told: S[]; value: R } {
  const told: S[] = [];
  for (;;) {
    const step = steps.next();
    if (step.done === true) return { told, value: step.value };
    told.push(step.value);
  }
}
function scattered(fly: LaidFly, spreads: readonly Spread[], seed = 1): { reckoned: Reckoned; solved: Solved } {
  const { told, value } = ended(scatterOf(fly, NOMINAL_DRAWERS, spreads, seed, SOLVED));
  const reckoned = told.flatMap((step) => ('reckoned' in step ? [step.reckoned] : []))[0];
  if (!reckoned) throw new Error('nothing was reckoned');
  return { reckoned, solved: value };
}

describe('chance', () => {
  test('quantiles of the normal distribution, against tables', () => {
    expect(normalQuantile(0.5)).toBeCloseTo(0, 9);
    expect(normalQuantile(0.975)).toBeCloseTo(1.959964, 6);
    expect(normalQuantile(0.01)).toBeCloseTo(-2.326348, 6);
    expect(normalQuantile(0.9999)).toBeCloseTo(3.719016, 5);
  });
  test('cut at three standard deviations: mean nothing, spread 0.9866, as of a truncated normal', () => {
    const drawn = Array.from({ length: 40_000 }, (_, i) => normalOf(7, i, 3));
    const mean = drawn.reduce((sum, each) => sum + each, 0) / drawn.length;
    const spread = Math.sqrt(drawn.reduce((sum, each) => sum + (each - mean) ** 2, 0) / drawn.length);
    expect(Math.max(...drawn.map(Math.abs))).toBeLessThanOrEqual(CUT_SIGMA);
    expect(mean).toBeCloseTo(0, 1);
    // Variance of a normal cut at ±c: 1 − 2cφ(c)/(2Φ(c) − 1) = 1 − 6·0.0044318/0.9973 = 0.97333, spread 0.98658.
    expect(spread).toBeCloseTo(0.98658, 1);
    expect(normalOf(7, 3, 3)).toBe(normalOf(7, 3, 3));
    expect(normalOf(8, 3, 3)).not.toBe(normalOf(7, 3, 3));
  });
  test('quantiles lie between neighbours in proportion; a histogram counts every one', () => {
    expect(quantile([4, 1, 3, 2], 0.5)).toBe(2.5);
    expect(quantile([10], 0.9)).toBe(10);
    expect(quantile([], 0.5)).toBeNaN();
    const values = Array.from({ length: 999 }, (_, i) => Math.sin(i) * 40);
    const { counts, from, breadth } = histogramOf(values);
    expect(counts.reduce((sum, each) => sum + each, 0)).toBe(999);
    expect(from).toBeLessThanOrEqual(-39);
    expect(from + counts.length * breadth).toBeGreaterThan(39);
    expect(histogramOf([3, 3, 3]).counts).toEqual([3]);
    expect(histogramOf([]).counts).toEqual([]);
  });
});

describe('a fly that came out off the plan', () => {
  const wing = {
    id: 'wing',
    role: 'wing',
    construction: 'bundle',
    material: 'fox hair',
    dose: 'matchstick',
    at: 'head',
    tip: 'tail.tip',
  };
  const plan = laid([eyes(), tail(), body(), wing], { thread: { denier: 140 } });

  test('a longer tail takes the wing that reaches to its tip along with it', () => {
    const came = off(plan, { part: 'tail', kind: 'length', off: 0.1 });
    const [was, is] = [partIn(plan, 'tail').extent, partIn(came, 'tail').extent];
    expect(is.lengthMm).toBeCloseTo(1.1 * was.lengthMm, 3);
    expect(partIn(came, 'wing').extent.tipMm).toBeCloseTo(is.tipMm ?? 0, 3);
  });
  test.each(['1 shank', '0.9..1.1 shank', 'same as body', 'at most 1.2 shank'])(
    'a tail of %s comes out longer',
    (length) => {
      const fly = laid([tail({ length }), body()]);
      const came = off(fly, { part: 'tail', kind: 'length', off: 0.1 });
      expect(partIn(came, 'tail').extent.lengthMm).toBeCloseTo(1.1 * partIn(fly, 'tail').extent.lengthMm, 3);
    },
  );
  test('a clump a tenth thicker weighs 1.21 times as much, told by pinch or by dose', () => {
    for (const part of ['tail', 'wing'])
      expect(partIn(off(plan, { part, kind: 'amount', off: 0.1 }), part).massMg).toBeCloseTo(
        1.21 * partIn(plan, part).massMg,
        1,
      );
  });
  test('eyes as bought, and where they sit; the hook by the square of its wire', () => {
    const came = off(
      plan,
      { part: 'eyes', kind: 'mass', off: -0.04 },
      { part: 'eyes', kind: 'along', off: 0.02 },
      { part: null, kind: 'wire', off: 0.02 },
    );
    const [was, is] = [partIn(plan, 'eyes'), partIn(came, 'eyes')];
    expect(is.massMg).toBeCloseTo(0.96 * was.massMg, 3);
    expect(is.extent.startMm - was.extent.startMm).toBeCloseTo(0.02 * plan.platform.shankMm, 3);
    expect(came.platform.wireMm).toBeCloseTo(1.02 * (plan.platform.wireMm ?? 0), 4);
  });
  test('eyes turned about the shank swing their weight to the side: K_y is −w·z·sin of it', () => {
    // The shank is straight, so its axis is the tow axis and the neck keeps its distance z from it.
    const straight = laid([eyes()], { platform: { kind: 'single', size: '6', longX: 3, eye: 'straight' } });
    const { submergedMg, centroid } = partIn(straight, 'eyes');
    const came = off(straight, { part: 'eyes', kind: 'roll', off: 8 });
    const sin = Math.sin((8 * Math.PI) / 180);
    expect(came.tight.lateralMgMm - straight.tight.lateralMgMm).toBeCloseTo(-submergedMg * centroid[2] * sin, 6);
    expect(came.submergedMg).toBeCloseTo(straight.submergedMg, 9);
    // The balls are met and drawn where they were weighed: the near one higher by 0.55·D·sin.
    const balls = partIn(came, 'eyes').built.sections.map((section) => {
      const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 0 };
      section.at((section.fromMm + section.toMm) / 2, cut);
      return cut;
    });
    expect((balls[0]?.z ?? 0) - (balls[1]?.z ?? 0)).toBeCloseTo(2 * 0.55 * 4 * sin, 6);
  });
  test('slips of which the near one is heavier lean the fly: its rest turns that side down', () => {
    const fly = laid([feathers({ form: 'slips' })]);
    const lumps = partIn(fly, 'feathers').built.lumps.filter((lump) => lump.centroid[1] > 0);
    const [near] = lumps;
    if (!near) throw new Error('no near slip');
    const came = off(fly, { part: 'feathers', kind: 'split', off: 0.1 });
    const weight = near.massMg - fly.water.density * near.volumeMm3;
    // Each slip gains or loses a tenth: 2 · 0.1 · w · y.
    expect(came.tight.lateralMgMm).toBeCloseTo(0.2 * weight * near.centroid[1], 9);
    expect(came.dryMg).toBeCloseTo(fly.dryMg, 9);
    expect(fly.tight.heelDeg).toBeCloseTo(0, 9);
    expect(Math.sign(came.tight.heelDeg ?? 0)).toBe(-1);
  });
  test('a clump in one, and spun hair, lean too', () => {
    const clump = off(plan, { part: 'wing', kind: 'split', off: 0.2 });
    expect(clump.tight.lateralMgMm).not.toBeCloseTo(0, 6);
    const head = laid([spunHead()]);
    const lean = layFly({
      ...head.file,
      parts: head.file.parts.map((part) => ({ ...part, lean: 0.1 }) as typeof part),
    });
    const split = off(head, { part: 'hair', kind: 'split', off: 0.1 });
    expect(split.tight.lateralMgMm).toBeCloseTo(lean.ok ? lean.value.tight.lateralMgMm : NaN, 9);
  });
});

describe('what varies', () => {
  const plan = laid([
    eyes(),
    { ...eyes(), id: 'bead', role: 'bead', shape: 'bead', at: 'against eye', side: 'around' },
    tail({ strands: 12, pinch: undefined }),
    body(),
  ]);
  const keys = spreadsOf(plan).map((each) => each.key);
  test('what is against the eye has no place to vary in; counted strands are counted', () => {
    expect(keys).toEqual(
      expect.arrayContaining(['*.wire', 'eyes.along', 'eyes.roll', 'eyes.mass', 'bead.mass', 'tail.length']),
    );
    expect(keys).not.toContain('bead.along');
    expect(keys).not.toContain('bead.roll');
    expect(keys).not.toContain('tail.amount');
  });
  test('a tier’s own figure replaces the usual one; place and turn of the eyes are one care', () => {
    expect(spreadsOf(plan, { 'eyes.roll': 1.5 }).find((each) => each.key === 'eyes.roll')?.sigma).toBe(1.5);
    const spreads = spreadsOf(plan);
    const place = caresOf(spreads).find((care) => care.part === 'eyes' && care.kind === 'place');
    expect(place?.spreads.map((i) => spreads[i]?.kind)).toEqual(['along', 'roll']);
  });
});

describe('ten thousand flies', () => {
  const plan = laid([eyes({ diameter: '5 mm' }), tail(), body()], { intent: { ride: 'point-up' } });
  const spreads = spreadsOf(plan);
  const { reckoned, solved } = scattered(plan, spreads);

  test('a mixture of deviations is reckoned as it is laid, within a twentieth of the scatter', () => {
    const { value: surface } = ended(surfaceOf(plan, NOMINAL_DRAWERS, spreads));
    const z = spreads.map((_, k) => normalOf(5, 1, k));
    const came = off(plan, ...spreads.map(({ part, kind, sigma }, k) => ({ part, kind, off: sigma * (z[k] ?? 0) })));
    answersOf(came).forEach((answer, a) => {
      const change = answer - (surface.middle[a] ?? 0);
      const scale = Math.hypot(...surface.straight.map((each) => each[a] ?? 0), 1e-6);
      expect(Math.abs(changeOf(surface, z, a, () => true) - change)).toBeLessThan(0.05 * scale);
    });
    expect(solved.offBy).toBeLessThan(0.2);
  });
  test('the place of the eyes is what to mind, and minding it helps', () => {
    expect(reckoned.flies).toBe(FLIES);
    expect(Object.values(reckoned.rides).reduce((sum, each) => sum + each, 0)).toBe(FLIES);
    const [first] = reckoned.cares;
    expect(first).toMatchObject({ part: 'eyes', kind: 'place' });
    expect(first?.heel).toBeGreaterThan(0.9);
    expect(first?.meantWithout).toBeGreaterThanOrEqual(reckoned.asMeant);
    // What the eyes weigh makes the scatter of the weight under water, their place makes none of it.
    const bought = reckoned.cares.find((care) => care.part === 'eyes' && care.kind === 'bought');
    expect(bought?.weight).toBeGreaterThan(0.4);
    expect(first?.weight).toBeLessThan(0.01);
  });
  test('some are solved wholly, and spread about the plan', () => {
    expect(solved.flies + solved.untied).toBe(SOLVED);
    expect(quantile(solved.sinkMmS, 0.9)).toBeGreaterThan(quantile(solved.sinkMmS, 0.1));
    expect(solved.slackAsMeant).toBeGreaterThan(0.9);
  });
  test('the same seed ties the same flies; hands that never err tie the plan', () => {
    const steady = spreads.map((each) => ({ ...each, sigma: 0 }));
    const { reckoned: exact, solved: all } = scattered(plan, steady.slice(0, 2));
    expect(exact.asMeant).toBe(1);
    expect(Math.max(...exact.heelsDeg.map(Math.abs))).toBeLessThan(1e-6);
    expect(new Set(all.sinkMmS.map((each) => each.toFixed(6))).size).toBe(1);
  });
});

describe('what is off together', () => {
  const surface = {
    middle: [10, 0, 0, 0],
    straight: [
      [1, 0, 0, 0],
      [2, 0, 0, 0],
      [4, 0, 0, 0],
    ],
    curved: [
      [0.5, 0, 0, 0],
      [0, 0, 0, 0],
      [0, 0, 0, 0],
    ],
    cross: [{ i: 0, j: 2, of: [3, 0, 0, 0] }],
  };
  test('adds what both do that neither does alone, and only where both count', () => {
    // 2·(1 + 2·0.5) + 1·2 − 3·4 + 2·(−3)·3
    expect(changeOf(surface, [2, 1, -3], 0, () => true)).toBe(4 + 2 - 12 - 18);
    expect(changeOf(surface, [2, 1, -3], 0, (i) => i !== 2)).toBe(4 + 2);
    expect(changeOf(surface, [2, 1, -3], 0, (i) => i !== 0)).toBe(2 - 12);
  });
  test('a surface gives back the fly that both were tried on', () => {
    const fly = laid([eyes(), tail()]);
    const spreads = spreadsOf(fly)
      .filter(({ part }) => part === 'tail')
      .slice(0, 2);
    const { value } = ended(surfaceOf(fly, NOMINAL_DRAWERS, spreads));
    expect(value.cross).toHaveLength(1);
    const both = spreads.map(({ part, kind, sigma }) => ({ part, kind, off: 1.5 * sigma }));
    const came = answersOf(off(fly, ...both));
    answersOf(fly).forEach((middle, a) =>
      expect(middle + changeOf(value, [1.5, 1.5], a, () => true)).toBeCloseTo(came[a] ?? NaN, 9),
    );
  });
  test('without the last spread the flies are those that never had it', () => {
    const fly = laid([eyes(), tail()]);
    // How far a turn of the eyes leans the fly goes with their mass: the two do more together than either alone.
    const [one, other] = spreadsOf(fly, { [spreadKey('eyes', 'mass')]: 0.3 }).filter(
      ({ part, kind }) => part === 'eyes' && (kind === 'roll' || kind === 'mass'),
    );
    if (!one || !other) throw new Error('eyes turn, and weigh');
    const variance = ({ heelsDeg }: Reckoned): number => {
      const mean = heelsDeg.reduce((sum, each) => sum + each, 0) / heelsDeg.length;
      return heelsDeg.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (heelsDeg.length - 1);
    };
    const both = scattered(fly, [one, other]).reckoned;
    const alone = scattered(fly, [one]).reckoned;
    const gone = both.cares.find(({ part, kind }) =>
      caresOf([other]).some((care) => care.part === part && care.kind === kind),
    );
    expect(1 - (gone?.heel ?? NaN)).toBeCloseTo(variance(alone) / variance(both), 3);
  });
});

describe('another spread', () => {
  const fly = laid([eyes({ material: 'brass', diameter: '3 mm', side: 'top' }), tail(), body()]);
  const key = spreadKey(fly.parts[0]?.file.id ?? '', 'roll');
  const moved = (to: number) => scatterMoved(fly, NOMINAL_DRAWERS, {}, { [key]: to });

  test('the same one changes nothing, and a larger roll of the eyes makes flies lean more', () => {
    const [same, more] = [moved(USUAL_SPREADS.roll), moved(3 * USUAL_SPREADS.roll)];
    expect(same?.now).toEqual(same?.was);
    expect(more?.was).toEqual(same?.was);
    expect(more?.now.heelDeg).toBeGreaterThan(1.5 * (more?.was.heelDeg ?? 90));
    expect(more?.now.asMeant).toBeLessThanOrEqual(more?.was.asMeant ?? 0);
  });
});
