import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { NOMINAL_DRAWERS, type Drawers } from '../src/drawers/tables.ts';
import { ballOf, candidatesOf, withCandidate } from '../src/study/finder/candidates.ts';
import { findAll, findWeights } from '../src/study/finder/finder.ts';
import { missesOf, shortfall, type Wish } from '../src/study/finder/wishes.ts';
import { layFly, type LaidFly } from '../src/model/solve/layFly.ts';
import { readFly } from '../src/pattern/read.ts';
import { solveFly } from '../src/model/solve/solveFly.ts';
import { body, laid, tail } from './build.ts';

function example(name: string): LaidFly {
  const read = readFly(readFileSync(join(import.meta.dirname, `../../examples/${name}.fly.json`), 'utf8'));
  const fly = read.ok ? layFly(read.value) : read;
  if (!fly.ok) throw new Error(JSON.stringify(fly.faults));
  return fly.value;
}
const WISH: Wish = { ride: 'point-up', holdsMmS: 120, sinkMmS: [150, 450], lead: false, from: 'sold' };
const troubled = example('rowan-ember');

describe('wishes', () => {
  test('what is met is not named; what is missed is a share of what was asked', () => {
    const wish: Wish = { ...WISH, holdsMmS: 200, sinkMmS: [100, 200] };
    expect(missesOf(wish, { ride: 'point-up', holdsToMmS: null, sinkMmS: 150 })).toEqual({});
    expect(missesOf(wish, { ride: 'point-down', holdsToMmS: 150, sinkMmS: 300 })).toEqual({
      ride: 1,
      holds: 0.25,
      sink: 0.5,
    });
    expect(missesOf(wish, { ride: 'point-up', holdsToMmS: 200, sinkMmS: 80 }).sink).toBeCloseTo(0.2, 9);
    expect(
      missesOf(
        { ...wish, ride: null, holdsMmS: null, sinkMmS: null },
        { ride: 'undecided', holdsToMmS: 0, sinkMmS: 0 },
      ),
    ).toEqual({});
    expect(shortfall({ ride: 1 })).toBeGreaterThan(shortfall({ holds: 1, sink: 1 }));
  });
});

describe('candidates', () => {
  const all = candidatesOf(troubled, NOMINAL_DRAWERS, WISH);
  test('thousands of them, no lead where none is wished, none that closes the gap', () => {
    expect(all.length).toBeGreaterThan(5000);
    expect(all.some((each) => each.solid.lead)).toBe(false);
    const gap = troubled.platform.gapMm ?? 0;
    expect(
      Math.max(...all.filter((each) => each.shape === 'dumbbell').map((each) => each.diameterMm)),
    ).toBeLessThanOrEqual(0.75 * gap);
    expect(candidatesOf(troubled, NOMINAL_DRAWERS, { ...WISH, lead: true }).some((each) => each.solid.lead)).toBe(true);
  });
  test('from the drawer only what lies in it and is still made', () => {
    const drawers: Drawers = {
      ...NOMINAL_DRAWERS,
      weights: [
        { name: 'brass dumbbell 4 mm', form: 'dumbbell', material: 'brass', diameterMm: 4, massMg: 500 },
        { name: 'old bead', form: 'bead', material: 'brass', diameterMm: 4, discontinued: true },
      ] as unknown as Drawers['weights'],
    };
    const own = candidatesOf(troubled, drawers, { ...WISH, from: 'drawer' });
    expect(new Set(own.map((each) => each.material))).toEqual(new Set(['brass dumbbell 4 mm']));
    expect(own[0]?.ballMg).toBe(500);
  });
  test('the reckoned weight and moment are those of the fly with it tied in', () => {
    const towZ = troubled.platform.towPoint[2];
    for (const each of all.filter((_, i) => i % 701 === 0)) {
      const fly = layFly(withCandidate(troubled, each));
      if (!fly.ok) continue;
      const ball = each.ballMg - troubled.water.density * each.form.volumeMm3;
      const wire = each.turns - each.form.turns;
      const weight = each.form.restMg + ball + wire * each.form.turnMg;
      const moment = each.form.restMoment + ball * (each.form.z - towZ) - wire * each.form.turnMg * towZ;
      expect(Math.abs(weight - fly.value.submergedMg)).toBeLessThan(0.03 * fly.value.submergedMg + 3);
      expect(Math.abs(moment - fly.value.tight.momentMgMm)).toBeLessThan(
        0.05 * Math.abs(fly.value.tight.momentMgMm) + 12,
      );
    }
  });
  test('a fly without eyes gets some, and wire under an id that is free', () => {
    const bare = laid([tail(), body({ id: 'weight', role: 'body' })]);
    expect(ballOf(bare)).toBeNull();
    const one = candidatesOf(bare, NOMINAL_DRAWERS, WISH).find((each) => each.turns === 8 && each.side === 'top');
    if (!one) throw new Error('none');
    const file = withCandidate(bare, one);
    expect(file.parts.map((part) => part.id)).toEqual(['eyes', 'weight-2', 'tail', 'weight']);
    expect(layFly(file).ok).toBe(true);
  });
});

/** A drawer of a few pieces, so that a search is over soon. */
const FEW: Drawers = {
  ...NOMINAL_DRAWERS,
  weights: [
    { name: 'tungsten dumbbell 5.6 mm', form: 'dumbbell', material: 'tungsten', diameterMm: 5.56 },
    { name: 'aluminium dumbbell 6.4 mm', form: 'dumbbell', material: 'aluminium', diameterMm: 6.35 },
    { name: 'lead-free wire .020 in', form: 'wire', material: 'tin', diameterMm: 0.508 },
    { name: 'tungsten bead 4 mm', form: 'bead', material: 'tungsten', diameterMm: 4 },
  ] as unknown as Drawers['weights'],
};
const FROM_DRAWER: Wish = { ...WISH, from: 'drawer' };

describe('the search', () => {
  test('what it finds does what is wished when it is solved afresh, the lightest first, with a front', () => {
    const { found, met, tried, relax } = findAll(troubled, FEW, FROM_DRAWER);
    expect([met, relax]).toEqual([true, null]);
    expect(tried).toBe(2 * 2 * 5 * 9 + 9);
    for (const each of found.slice(0, 8)) {
      const fly = solveFly(each.file, FEW);
      if (!fly.ok) throw new Error('does not solve');
      expect(fly.value.balance.tight.ride).toBe('point-up');
      expect(fly.value.balance.hold.holdsTo ?? Infinity).toBeGreaterThanOrEqual(120);
      expect(fly.value.balance.sink?.terminal).toBeGreaterThanOrEqual(150);
      expect(fly.value.laid.dryMg).toBeCloseTo(each.dryMg, 9);
    }
    expect(found.map((each) => each.dryMg)).toEqual(found.map((each) => each.dryMg).sort((a, b) => a - b));
    const front = found.filter((each) => each.front);
    expect(front[0]).toBe(found[0]);
    const firm = front.map((each) => each.holdsToMmS ?? Infinity);
    expect(firm).toEqual([...firm].sort((a, b) => a - b));
  });
  test('where nothing does, the nearest come first and the wish in the way is named', () => {
    const { found, met, relax } = findAll(troubled, FEW, { ...FROM_DRAWER, holdsMmS: 120, sinkMmS: [10, 20] });
    expect(met).toBe(false);
    expect(relax).toBe('sink');
    const far = found.map((each) => shortfall(each.misses));
    expect(far).toEqual([...far].sort((a, b) => a - b));
  });
  test('an empty drawer offers nothing, and says so by finding nothing', () => {
    expect(findAll(troubled, NOMINAL_DRAWERS, { ...WISH, from: 'drawer' })).toMatchObject({
      tried: 0,
      found: [],
      met: false,
      relax: null,
    });
  });
  test('it tells how far it is and can be left at any time', () => {
    const search = findWeights(troubled, NOMINAL_DRAWERS, WISH);
    const told: number[] = [];
    for (let i = 0; i < 6; i++) {
      const step = search.next();
      if (step.done !== true) told.push(step.value.share);
    }
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(Math.max(...told)).toBeLessThan(1);
  });
  test('what is found so far is told on the way, and the end says no less', () => {
    const search = findWeights(troubled, FEW, FROM_DRAWER);
    const looks: number[] = [];
    let step = search.next();
    for (; step.done !== true; step = search.next()) if (step.value.soFar) looks.push(step.value.soFar.found.length);
    expect(looks.length).toBeGreaterThan(0);
    expect(looks[0]).toBeGreaterThan(0);
    expect(step.value.found.length).toBeGreaterThanOrEqual(looks.at(-1) ?? 0);
  });
  test('rows that differ only by where the eyes sit are one row', () => {
    const { found } = findAll(troubled, FEW, FROM_DRAWER);
    const rows = found.map(({ words }) => words.replace(/ at station [\d.]+/, ''));
    expect(new Set(rows).size).toBe(rows.length);
  });
});
