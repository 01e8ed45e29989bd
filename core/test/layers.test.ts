import fc from 'fast-check';
import { layFly } from '../src/model/solve/layFly.ts';
import { radiusOver, type Layer } from '../src/model/solve/layers.ts';
import { constraintsOf } from '../src/tying/constraints.ts';
import { fly, laid, partIn } from './build.ts';

type Loose = Record<string, unknown>;

/** What lies over what, and how far out each asks to be: of its own where it is a ball, else over what is under it. */
const stacks = fc.array(
  fc.record({
    from: fc.integer({ min: 0, max: 9 }),
    long: fc.integer({ min: 1, max: 9 }),
    thick: fc.double({ min: 0, max: 2, noNaN: true }),
    ball: fc.boolean(),
    skips: fc.integer({ min: 0, max: 3 }),
  }),
  { maxLength: 9 },
);
const within = (x: number, layer: Layer): boolean => x >= layer.fromMm - 1e-6 && x <= layer.toMm + 1e-6;
const everyOne = (layers: readonly Layer[], base: number, x: number): number =>
  layers.reduce((most, layer) => (within(x, layer) ? Math.max(most, layer.outer(x)) : most), base);

test('what lies on top answers for what it lies on: the surface is the outermost of all layers', () => {
  fc.assert(
    fc.property(stacks, (stack) => {
      const layers: Layer[] = [];
      stack.forEach(({ from, long, thick, ball, skips }, index) => {
        const under = skips === 1 && layers.length > 0 ? layers.slice(1) : [...layers];
        const outer = ball ? () => thick : (x: number) => everyOne(under, 1, x) + thick;
        layers.push({ index, rank: 2, fromMm: from, toMm: from + long, outer, under: new Set(ball ? [] : under) });
      });
      const surface = radiusOver(layers, 1);
      for (let x = 0; x <= 12; x += 0.5) expect(surface(x)).toBe(everyOne(layers, 1, x));
    }),
    { numRuns: 300 },
  );
});

test('sixty layers are asked once each for one place', () => {
  let asked = 0;
  const layers: Layer[] = [];
  for (let index = 0; index < 60; index++) {
    const under = [...layers];
    const below = radiusOver(under, 1);
    const outer = (x: number): number => {
      asked++;
      return below(x) + 0.1;
    };
    layers.push({ index, rank: 2, fromMm: 0, toMm: 10, outer, under: new Set(under) });
  }
  expect(radiusOver(layers, 1)(5)).toBeCloseTo(7, 9);
  expect(asked).toBe(60);
});

const turn = (i: number): Loose => ({
  id: `turn${String(i)}`,
  role: 'body',
  construction: 'wrap',
  material: 'copper wire',
  strand: '0.2 mm',
  from: `station ${String(9 - (i % 3))}`,
  to: 'station 2',
});
test('a fly of sixty wraps over one another lies out, each on what is under it', () => {
  const wraps = laid(Array.from({ length: 60 }, (_, i) => turn(i)));
  const last = partIn(wraps, 'turn59').built.outer;
  const first = partIn(wraps, 'turn0').built.outer;
  const x = wraps.platform.shankMm / 2;
  expect((last?.(x) ?? 0) - (first?.(x) ?? 0)).toBeCloseTo(59 * 0.2, 6);
});
test('hair spun over hair sixty times lies out too, and asks nothing of its order that cannot be', () => {
  const spun = (i: number): Loose => ({
    id: `head${String(i)}`,
    role: 'head',
    construction: 'spun',
    material: 'deer hair',
    diameter: '8 mm',
    from: 'station 5',
    to: 'station 1',
  });
  const fly60 = laid(Array.from({ length: 60 }, (_, i) => spun(i)));
  expect(partIn(fly60, 'head59').massMg).toBeGreaterThanOrEqual(0);
  expect(constraintsOf(fly60)).toEqual([]);
});
test('what is worked out of a fly’s order is worked out once', () => {
  const one = layFly(fly([turn(0), turn(1)]));
  if (one.ok) expect(constraintsOf(one.value)).toBe(constraintsOf(one.value));
  expect(one.ok).toBe(true);
});
