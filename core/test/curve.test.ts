import {
  arc,
  atLength,
  cubic,
  lengthTo,
  line,
  pointsOf,
  sweepOf,
  type Curve,
  type Vec2,
} from '../src/model/platform/curve.ts';

const quarter = arc([2, -1], 4, 0, Math.PI / 2);
const S = cubic([0, 0], [3, 5], [8, -5], [10, 1]);
const CURVES: readonly (readonly [string, Curve])[] = [
  ['a line', line([1, 2], [4, 6])],
  ['a quarter of a circle', quarter],
  ['a circle turned the other way', arc([0, 0], 3, Math.PI, -Math.PI / 3)],
  ['a cubic', S],
];
const close = (a: Vec2, b: Vec2, digits: number): void => {
  expect(a[0]).toBeCloseTo(b[0], digits);
  expect(a[1]).toBeCloseTo(b[1], digits);
};

describe.each(CURVES)('%s', (_name, curve) => {
  test('goes as fast as its places change', () => {
    for (const t of [0.1, 0.35, 0.5, 0.8]) {
      const [before, after] = [curve.at(t - 1e-5), curve.at(t + 1e-5)];
      close(curve.rate(t), [(after[0] - before[0]) / 2e-5, (after[1] - before[1]) / 2e-5], 4);
    }
  });
  test('is as long, and has its middle, as its pieces say', () => {
    const points = pointsOf(curve, 4000);
    let [length, x, z] = [0, 0, 0];
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [points[i - 1] ?? [0, 0], points[i] ?? [0, 0]];
      const ds = Math.hypot(b[0] - a[0], b[1] - a[1]);
      length += ds;
      x += ((a[0] + b[0]) / 2) * ds;
      z += ((a[1] + b[1]) / 2) * ds;
    }
    const told = sweepOf(curve);
    expect(told.lengthMm).toBeCloseTo(length, 4);
    close(told.centroid, [x / length, z / length], 4);
    // By quadrature too, where there is a closed form.
    const { sweep: _closed, ...open } = curve;
    expect(sweepOf(open).lengthMm).toBeCloseTo(length, 4);
    close(sweepOf(open).centroid, told.centroid, 4);
  });
  test('the place so far along it is so far along it; beyond it there is its end', () => {
    const whole = lengthTo(curve);
    for (const share of [0.1, 0.5, 0.93])
      expect(lengthTo(curve, atLength(curve, share * whole))).toBeCloseTo(share * whole, 6);
    expect(atLength(curve, whole + 1)).toBe(1);
    expect(atLength(curve, 0)).toBeCloseTo(0, 9);
  });
});

test('by hand: a quarter of a circle of radius 4 is 2π long, its middle 4·sin 45° / 45° from the centre', () => {
  const { lengthMm, centroid } = sweepOf(quarter);
  expect(lengthMm).toBeCloseTo(2 * Math.PI, 12);
  // r·sin h / h with h = π/4: 4·0.70711 / 0.78540 = 3.60127, at 45°: 2.54648 along both.
  close(centroid, [2 + 2.546479, -1 + 2.546479], 5);
  expect(lengthTo(quarter, 0.5)).toBeCloseTo(Math.PI, 9);
});

test('a cubic begins and ends where it is told, along its handles, and is a straight line on a straight line', () => {
  close(S.at(0), [0, 0], 12);
  close(S.at(1), [10, 1], 12);
  close(S.rate(0), [9, 15], 12);
  close(S.rate(1), [6, 18], 12);
  const straight = cubic([0, 0], [1, 2], [2, 4], [3, 6]);
  close(straight.at(0.25), [0.75, 1.5], 12);
  expect(lengthTo(straight)).toBeCloseTo(Math.hypot(3, 6), 12);
  expect(pointsOf(straight, 3)).toHaveLength(4);
});
