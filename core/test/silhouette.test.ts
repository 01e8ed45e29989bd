import fc from 'fast-check';
import { boundsOf } from '../src/model/geometry/bounds.ts';
import { cutCells } from '../src/model/geometry/cells.ts';
import { frontAreas } from '../src/model/geometry/front.ts';
import { outlineOf, PLAN_UP, PROFILE_UP } from '../src/model/geometry/outline.ts';
import {
  narrowing,
  project,
  silhouetteArea,
  silhouetteAt,
  sumSilhouette,
  type SilhouetteSum,
} from '../src/model/geometry/silhouette.ts';
import { section, setEllipse, type Section } from '../src/model/platform/section.ts';
import { balanceModel } from '../src/model/solve/balanceModel.ts';
import { laid } from './build.ts';
import { laidOf, mixedFly } from './told.ts';

interface Prism {
  from?: number;
  to?: number;
  y?: number;
  z?: number;
  semiY?: number;
  semiZ?: number;
  opacity?: number;
  more?: Partial<Section>;
}

/** A straight elliptical prism along x, 10 mm long and 2 mm across where nothing else is said. */
const prism = ({
  from = 0,
  to = 10,
  y = 0,
  z = 0,
  semiY = 1,
  semiZ = 1,
  opacity = 1,
  more = {},
}: Prism = {}): Section =>
  section({
    owner: 'a',
    fromMm: from,
    toMm: to,
    ...more,
    at: (_x, out) => {
      setEllipse(out, y, z, semiY, semiZ, opacity);
    },
  });
const seen = (sections: readonly Section[], view: 'side' | 'plan', deg = 0, speedMmS = 0): SilhouetteSum | null => {
  const table = cutCells(sections);
  return sumSilhouette(table, project(table, view, (deg * Math.PI) / 180, { speedMmS }));
};
const area = (sections: readonly Section[], view: 'side' | 'plan' = 'side', deg = 0): number =>
  seen(sections, view, deg)?.areaMm2 ?? 0;

describe('projection', () => {
  test('an ellipse shows its height from the side, its breadth from above, and what lies between at a roll', () => {
    const slab = [prism({ semiY: 1, semiZ: 3 })];
    expect(area(slab, 'side')).toBeCloseTo(60, 9);
    expect(area(slab, 'plan')).toBeCloseTo(20, 9);
    expect(area(slab, 'side', 30)).toBeCloseTo(20 * Math.hypot(0.5, 3 * Math.cos(Math.PI / 6)), 9);
    expect(area(slab, 'side', 90)).toBeCloseTo(area(slab, 'plan'), 9);
  });
  test('a turned ellipse shows what an upright one does at that roll', () => {
    expect(area([prism({ semiZ: 3, more: { turn: Math.PI / 5 } })])).toBeCloseTo(
      area([prism({ semiZ: 3 })], 'side', 36),
      9,
    );
  });
  test('where two overlap the clear share is the product of both, and beside each other they add up', () => {
    expect(area([prism({ opacity: 0.5 }), prism({ opacity: 0.5 })])).toBeCloseTo(20 * 0.75, 9);
    expect(area([prism({ opacity: 0.5 }), prism({ z: 5, opacity: 0.5 })])).toBeCloseTo(2 * 20 * 0.5, 9);
    expect(area([prism({ semiZ: 2, opacity: 0.6 }), prism({ semiZ: 1 })])).toBeCloseTo(10 * (2 + 2 * 0.6), 9);
  });
  test('the centre lies where the shade is: further up for what stands above', () => {
    const sum = seen([prism(), prism({ z: 6, from: 4, to: 6 })], 'side');
    expect(sum?.areaMm2).toBeCloseTo(24, 9);
    expect(sum?.across).toBeCloseTo((4 * 6) / 24, 9);
    expect(sum?.x).toBeCloseTo(5, 9);
    expect(Math.sqrt(12) * (seen([prism()], 'side')?.spreadX ?? 0)).toBeCloseTo(10, 1);
  });
  test('nothing there is nothing, not a number that is none', () => {
    expect(seen([], 'side')).toBeNull();
    expect(seen([prism({ opacity: 0 })], 'side')).toBeNull();
    expect(seen([prism({ semiY: 0 })], 'plan')).toBeNull();
  });
  test('cells end where sections do, and no piece between them is longer than 1/36 of the whole, of two cells each', () => {
    const table = cutCells([prism({ to: 60 }), prism({ from: 12.34, to: 12.36 })]);
    expect(Math.max(...table.dx)).toBeLessThanOrEqual(60 / 36 / 2 + 1e-9);
    expect([...table.dx].reduce((sum, dx) => sum + dx, 0)).toBeCloseTo(60, 9);
    expect([...table.x].some((x) => x > 12.34 && x < 12.36)).toBe(true);
  });
  test('areas do not depend on the order of the sections', () => {
    const some = fc.record({
      z: fc.double({ min: -3, max: 3, noNaN: true }),
      semiZ: fc.double({ min: 0.2, max: 3, noNaN: true }),
      opacity: fc.double({ min: 0.05, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(some, { minLength: 2, maxLength: 6 }), fc.integer({ min: 0, max: 359 }), (given, deg) => {
        const sections = given.map((each) => prism(each));
        expect(area([...sections].reverse(), 'side', deg)).toBeCloseTo(area(sections, 'side', deg), 6);
      }),
      { numRuns: 60 },
    );
  });
});

describe('limp sections', () => {
  test('act between where they are and where they are bound, as they are soft', () => {
    const soft = (softness: number): SilhouetteSum | null =>
      seen([prism({ from: 10, to: 20, z: 4, more: { softness, root: [[10, 0, 1]] } })], 'side');
    expect([soft(0)?.load, soft(0.5)?.load, soft(1)?.load].map((z) => z?.toFixed(6))).toEqual([
      '4.000000',
      '2.500000',
      '1.000000',
    ]);
    expect([soft(0)?.loadX, soft(1)?.loadX].map((x) => x?.toFixed(6))).toEqual(['15.000000', '10.000000']);
    expect(soft(1)?.across).toBeCloseTo(4, 9);
  });
  test('of several bindings the nearest counts', () => {
    const sum = seen(
      [
        prism({
          from: 9,
          to: 10,
          more: {
            softness: 1,
            root: [
              [0, 0, 0],
              [8, 0, 2],
            ],
          },
        }),
      ],
      'side',
    );
    expect(sum?.loadX).toBeCloseTo(8, 9);
    expect(sum?.load).toBeCloseTo(2, 9);
  });
  test('narrow with speed by the law, stiff ones not, and none below what is squeezed', () => {
    expect([narrowing(0, 500), narrowing(0.9, 0), narrowing(0.9, 100)]).toEqual([1, 1, expect.closeTo(2 ** -0.36, 12)]);
    const plan = (softness: number, leastSemiMm: number): number =>
      seen([prism({ semiY: 3, more: { softness, leastSemiMm } })], 'plan', 0, 1000)?.areaMm2 ?? 0;
    expect(plan(0.9, 0)).toBeCloseTo(60 * narrowing(0.9, 1000), 6);
    expect(plan(0.9, 2)).toBeCloseTo(40, 9);
    expect(plan(0, 0)).toBeCloseTo(60, 9);
  });
});

describe('balls', () => {
  test('their share of a cell is told apart, hidden behind nothing', () => {
    const table = cutCells([prism({ more: { ballMm: 2 } }), prism({ z: 5 })]);
    const shape = project(table, 'side', 0);
    expect(shape.b[0]).toBeCloseTo(4, 9);
    expect(shape.ball[0]).toBeCloseTo(2, 9);
    expect(shape.ballMm[0]).toBe(2);
  });
});

describe('from the front', () => {
  const front = (sections: readonly Section[]): number => frontAreas(sections).allMm2;
  test('one part shows the union of its cuts, however many there are', () => {
    expect(front([prism({ semiY: 2, semiZ: 3 })])).toBeCloseTo(Math.PI * 6, 0);
    expect(front([prism(), prism({ from: 10, to: 20, semiY: 2, semiZ: 2 })])).toBeCloseTo(Math.PI * 4, 1);
  });
  test('parts combine as they cover: beside each other they add, behind each other the clear shares multiply', () => {
    const far = prism({ y: 5, more: { owner: 'b' } });
    expect(front([prism(), far])).toBeCloseTo(2 * Math.PI, 1);
    const [a, b] = [prism({ opacity: 0.5 }), prism({ opacity: 0.5, from: 10, to: 20, more: { owner: 'b' } })];
    expect(front([a, b])).toBeCloseTo(Math.PI * 0.75, 1);
    expect(front([a, prism({ opacity: 0.5, from: 10, to: 20 })])).toBeCloseTo(Math.PI * 0.5, 1);
  });
  test('turned cuts keep their area', () => {
    expect(front([prism({ semiZ: 3, more: { turn: 0.7 } })])).toBeCloseTo(Math.PI * 3, 1);
  });
});

describe('outline and bounds come from the same sections', () => {
  const cone = section({
    owner: 'cone',
    fromMm: 2,
    toMm: 12,
    at: (x, out) => {
      setEllipse(out, 0, 1, (x - 2) / 5, (x - 2) / 10);
    },
  });
  test('the outline runs out along one edge and back along the other', () => {
    const profile = outlineOf(cone, PROFILE_UP);
    expect(profile[0]).toEqual([2, 1]);
    expect(Math.max(...profile.map(([, z]) => z))).toBeCloseTo(2, 9);
    expect(Math.min(...outlineOf(cone, PLAN_UP).map(([, y]) => y))).toBeCloseTo(-2, 9);
  });
  test('the bounds hold every outline', () => {
    expect(boundsOf([cone], 9)).toEqual({ front: 0, rear: 12, top: 2, bottom: -1, aside: 2 });
    expect(boundsOf([], 9)).toEqual({ front: 0, rear: 9, top: 1, bottom: -1, aside: 1 });
  });
});

describe('a table of cells', () => {
  test('of nothing begins and ends at nought', () => {
    const empty = cutCells([]);
    expect([empty.cells, empty.fromMm, empty.toMm]).toEqual([0, 0, 0]);
  });
  test('is its own mirror image only where each turned cut has its like on the other side', () => {
    const turned = (turn: number) => prism({ semiZ: 3, more: { turn } });
    expect(cutCells([prism()]).mirrored).toBe(true);
    expect(cutCells([turned(0.5)]).mirrored).toBe(false);
    expect(cutCells([turned(0.5), turned(-0.5)]).mirrored).toBe(true);
    expect(cutCells([prism({ y: 2 })]).mirrored).toBe(false);
    expect(cutCells([prism({ y: 2 }), prism({ y: -2 })]).mirrored).toBe(true);
  });
});

describe('a silhouette of which part is asked', () => {
  const table = balanceModel(laidOf(mixedFly(7001, 9)) ?? laid([])).table;
  const ROLLS = [0, 0.4, Math.PI / 2, 2.2, Math.PI, 4];
  test.each(['side', 'plan'] as const)('is the same as the whole one: %s', (view) => {
    for (const theta of ROLLS)
      for (const speedMmS of [0, 300]) {
        const whole = project(table, view, theta, { speedMmS });
        const load = project(table, view, theta, { speedMmS, wants: 'load' });
        const breadth = project(table, view, theta, { speedMmS, wants: 'breadth' });
        for (const key of ['b', 'ball', 'ballMm'] as const) {
          expect(load[key]).toEqual(whole[key]);
          expect(breadth[key]).toEqual(whole[key]);
        }
        expect(load.load).toEqual(whole.load);
        expect(silhouetteArea(table, breadth)).toBeCloseTo(sumSilhouette(table, whole)?.areaMm2 ?? 0, 9);
      }
  });
  test.each(['side', 'plan'] as const)('that is remembered is what the roll shows, upside down too: %s', (view) => {
    for (const theta of ROLLS) {
      const shown = sumSilhouette(table, project(table, view, theta));
      const known = silhouetteAt(table, view, theta);
      for (const key of ['areaMm2', 'x', 'across', 'loadX', 'load', 'spreadX'] as const)
        expect(known?.[key]).toBeCloseTo(shown?.[key] ?? NaN, 9);
    }
  });
  test('what is written over leaves nothing of what stood there', () => {
    const into = project(table, 'side', 1);
    expect(project(table, 'plan', 0.4, { into })).toEqual(project(table, 'plan', 0.4));
  });
});

describe('tables of cells', () => {
  const beside = (count: number): Section[] =>
    Array.from({ length: count }, (_, i) => prism({ y: 3 * i, opacity: 0.5 }));
  test('stay as they were cut when others are cut after them, also when those are many times as large', () => {
    const small = cutCells(beside(2));
    const before = structuredClone(small);
    const large = cutCells(beside(40));
    expect(small).toEqual(before);
    const cells = small.cells;
    expect([small.y.length, large.y.length]).toEqual([2 * cells, 40 * cells]);
    expect(large.y[40 * cells - 1]).toBe(3 * 39);
    expect(sumSilhouette(large, project(large, 'plan', 0))?.areaMm2).toBeCloseTo(40 * 10 * 2 * 0.5, 6);
  });
});
