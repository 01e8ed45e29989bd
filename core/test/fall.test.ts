import { timeTo } from '../src/model/balance/fromRest.ts';
import { G } from '../src/model/balance/drag.ts';
import { leaderDrag } from '../src/model/balance/leader.ts';
import { frictionAlong } from '../src/model/balance/thinLine.ts';
import { firstFall } from '../src/numeric/roots.ts';
import { waterOf } from '../src/model/solve/intent.ts';
import { dragFactorOf, fallOf, softEnvelopeMm3, SOAKED_ALONE, type FallWith } from '../src/model/solve/fall.ts';
import { balanceModel, sinkSpeed } from '../src/model/solve/balanceModel.ts';
import { body, eyes, laid, tail } from './build.ts';

const it = laid([eyes(), tail(), body()]);
const depth = 1000;
const timeWith = (given: FallWith): number => timeTo(fallOf(it, given, 1.01 * depth), depth) ?? Infinity;

describe('the first zero', () => {
  test('of cosine is a quarter turn, of a parabola its smaller root', () => {
    expect(firstFall(Math.cos, 3, 10)).toBeCloseTo(Math.PI / 2, 7);
    expect(firstFall((x) => (x - 1) * (x - 2), 3, 12)).toBeCloseTo(1, 7);
  });
  test('where it stays above, the end', () => {
    expect(firstFall(() => 1, 5, 7)).toBe(5);
  });
});

describe('a leader', () => {
  const water = waterOf(undefined);
  if (!water.ok) throw new Error('no water');
  const leader = (lengthMm: number, diameterMm = 0.25): ((speed: number) => number) =>
    leaderDrag({ lengthMm, diameterMm }, water.value);

  test('2.5 m of 0.25 mm at 500 mm/s drags 373 mg, ten times what a flat plate of its skin would', () => {
    expect(leader(2500)(500)).toBeCloseTo(373, -0.5);
    expect(leader(2500)(0)).toBe(0);
  });
  test('it is the friction of each piece, one after another', () => {
    // The law itself, added up over x = L·u² in 4,000 pieces: dense at the leading end, where it is steepest.
    const { density, viscosity } = water.value;
    for (const [lengthMm, diameterMm, speed] of [
      [300, 0.2, 40],
      [2500, 0.25, 500],
      [9000, 1.1, 1500],
    ] as const) {
      const pieces = 4000;
      let sum = 0;
      for (let i = 0; i < pieces; i++) {
        const u = (i + 0.5) / pieces;
        const s = Math.sqrt((viscosity * lengthMm * u * u) / speed) / (diameterMm / 2);
        sum += (frictionAlong(s) * 2 * lengthMm * u) / pieces;
      }
      const drag = (2 * Math.PI * density * viscosity * speed * sum) / G;
      expect(leader(lengthMm, diameterMm)(speed) / drag).toBeCloseTo(1, 3);
    }
  });
  test('a very thick one is a plate of its skin: C_f = 1.328/√Re, by Blasius', () => {
    // Of 400 mm radius the layer of a few mm is thin; the curvature adds 0.69·s a radius.
    const [lengthMm, diameterMm, speed] = [1000, 800, 500];
    const { density, viscosity } = water.value;
    const re = (speed * lengthMm) / viscosity;
    const plate = ((density * speed ** 2) / (2 * G)) * (1.328 / Math.sqrt(re)) * Math.PI * diameterMm * lengthMm;
    expect(leader(lengthMm, diameterMm)(speed) / plate).toBeCloseTo(1, 1);
  });
  test('slows the fly, and so does air in its soft parts; too much of it floats the fly', () => {
    const alone = timeWith(SOAKED_ALONE);
    expect(timeWith({ leader: { lengthMm: 3000, diameterMm: 0.25 }, airShare: 0 })).toBeGreaterThan(alone);
    expect(timeWith({ leader: null, airShare: 0.05 })).toBeGreaterThan(alone);
    const plume = laid([tail({ pinch: '6 mm' })]);
    expect(softEnvelopeMm3(plume)).toBeGreaterThan(plume.submergedMg);
    expect(fallOf(plume, { leader: null, airShare: 1 }, depth)).toBeNull();
  });
});

describe('a sink test', () => {
  test('timed as computed it gives one; twice the drag is found again', () => {
    const alone = timeWith(SOAKED_ALONE);
    expect(dragFactorOf(it, { depthMm: depth }, alone)).toBeCloseTo(1, 2);
    const twice = laid([eyes(), tail(), body()], { measured: { dragFactor: 2 } });
    const slow = timeTo(fallOf(twice, SOAKED_ALONE, 1.01 * depth), depth) ?? 0;
    expect(dragFactorOf(it, { depthMm: depth }, slow)).toBeCloseTo(2, 2);
    // The factor it has already is left out of the reckoning.
    expect(dragFactorOf(twice, { depthMm: depth }, slow)).toBeCloseTo(2, 2);
    expect(balanceModel(twice).dragFactor).toBe(2);
    expect(sinkSpeed(twice)).toBeLessThan(0.8 * sinkSpeed(it));
  });
  test('a time that no such drag gives is refused', () => {
    expect(dragFactorOf(it, { depthMm: depth }, 0.1)).toBeNull();
    expect(dragFactorOf(it, { depthMm: depth }, 600)).toBeNull();
  });
});
