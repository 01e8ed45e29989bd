import fc from 'fast-check';
import { smoothed } from '../src/drawing/figure/smoothed.ts';
import type { Vec3 } from '../src/model/platform/section.ts';
import { laid } from './build.ts';

/** A line that runs straight, then round half a circle, then straight back: a hook. */
const hook = (radius: number, pieces: number): Vec3[] => [
  [0, 0, 0],
  ...Array.from({ length: pieces + 1 }, (_, i): Vec3 => {
    const turn = (Math.PI * i) / pieces;
    return [30 + radius * Math.sin(turn), 0, radius * (Math.cos(turn) - 1)];
  }),
  [15, 0, -2 * radius],
];

test('what it is told by stays where it is', () => {
  const points = hook(4, 24);
  const fine = smoothed(points);
  for (const point of points) expect(fine).toContainEqual(point);
  expect(fine.length).toBeGreaterThan(3 * points.length);
});
test('between the points of a circle it stays on the circle, forty times as near as its chords do', () => {
  fc.assert(
    fc.property(fc.integer({ min: 12, max: 40 }), fc.double({ min: 1, max: 10, noNaN: true }), (pieces, radius) => {
      const chord = radius * (1 - Math.cos(Math.PI / pieces / 2));
      const inside = smoothed(hook(radius, pieces)).filter(
        ([x]) => x > 30 + radius * Math.sin((1.5 * Math.PI) / pieces),
      );
      const off = inside.map(([x, , z]) => Math.abs(Math.hypot(x - 30, z + radius) - radius));
      expect(Math.max(...off)).toBeLessThan(chord / 40);
    }),
  );
});
test('straight runs stay straight, and so does what is turned in space', () => {
  for (const [x, y, z] of smoothed(hook(4, 24)))
    if (x < 29.9) expect([y, Math.min(Math.abs(z), Math.abs(z + 8))]).toEqual([0, 0]);
  const line: Vec3[] = [
    [0, 0, 0],
    [1, 2, 3],
    [2, 4, 6],
  ];
  for (const [x, y, z] of smoothed(line))
    expect([y, z].map((each) => each / (x || 1))).toEqual(x === 0 ? [0, 0] : [2, 3]);
});
test('a corner stays a corner; points that fall together, one point and none are no trouble', () => {
  const knee: Vec3[] = [
    [0, 0, -3],
    [3, 0, 0],
    [6, 0, 0],
    [9, 0, 0],
  ];
  const fine = smoothed(knee);
  expect(fine.every(([x, , z]) => z <= 0 && (x <= 3 ? Math.abs(z - (x - 3)) < 1e-12 : z === 0))).toBe(true);
  const odd: Vec3[][] = [
    [],
    [[1, 2, 3]],
    [
      [1, 2, 3],
      [1, 2, 3],
    ],
    [
      [0, 0, 0],
      [0, 0, 0],
      [1, 0, 0],
      [1, 0, 0],
    ],
  ];
  for (const points of odd) expect(smoothed(points).flat().every(Number.isFinite)).toBe(true);
});
test('every wire of every platform is drawn through the points it is weighed by', () => {
  for (const platform of [
    { kind: 'single', size: '6', longX: 3 },
    { kind: 'double', size: '4', eye: 'looped-up' },
    { kind: 'jig', size: '8', bendUp: '60 deg' },
    { kind: 'shank', length: '30 mm', hook: { kind: 'single', size: '6' } },
  ])
    for (const { points } of laid([], { platform }).platform.wires) {
      const fine = smoothed(points);
      for (const point of points) expect(fine).toContainEqual(point);
      const [most, least] = [Math.max, Math.min].map((of) => of(...points.map(([, , z]) => z)));
      for (const [, , z] of fine) {
        expect(z).toBeLessThan((most ?? 0) + 0.1);
        expect(z).toBeGreaterThan((least ?? 0) - 0.1);
      }
    }
});
