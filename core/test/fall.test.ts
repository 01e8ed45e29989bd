import { timeTo } from '../src/model/balance/fromRest.ts';
import { leaderDrag } from '../src/model/balance/leader.ts';
import { firstFall } from '../src/numeric/roots.ts';
import { waterOf } from '../src/model/solve/intent.ts';
import { dragFactorOf, fallOf, softEnvelope, SOAKED_ALONE, type FallWith } from '../src/model/solve/fall.ts';
import { balanceModel, sinkSpeed } from '../src/model/solve/solveFly.ts';
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
  test('3 m of 0.25 mm at 200 mm/s in water of 1.306 mPa·s, by hand', () => {
    const water = waterOf(undefined);
    if (!water.ok) throw new Error('no water');
    // Re = 200·3000/1.3064 = 4.593e5; C_f = 1.328/√Re + 4.12/Re = 1.9686e-3; skin π·0.25·3000 = 2356.2 mm²;
    // ½ρv²/g = 0.9997·40000/(2·9806.65) = 2.0389 mg/mm²: together 9.457 mg.
    expect(leaderDrag({ lengthMm: 3000, diameterMm: 0.25 }, water.value)(200)).toBeCloseTo(9.457, 1);
    expect(leaderDrag({ lengthMm: 3000, diameterMm: 0.25 }, water.value)(0)).toBe(0);
  });
  test('slows the fly, and so does air in its soft parts; too much of it floats the fly', () => {
    const alone = timeWith(SOAKED_ALONE);
    expect(timeWith({ leader: { lengthMm: 3000, diameterMm: 0.25 }, airShare: 0 })).toBeGreaterThan(alone);
    expect(timeWith({ leader: null, airShare: 0.05 })).toBeGreaterThan(alone);
    const plume = laid([tail({ pinch: '6 mm' })]);
    expect(softEnvelope(plume)).toBeGreaterThan(plume.submergedMg);
    expect(fallOf(plume, { leader: null, airShare: 1 }, depth)).toBeNull();
  });
});

describe('a sink test', () => {
  test('timed as computed it gives one; twice the drag is found again', () => {
    const alone = timeWith(SOAKED_ALONE);
    expect(dragFactorOf(it, depth, alone)).toBeCloseTo(1, 2);
    const twice = laid([eyes(), tail(), body()], { measured: { dragFactor: 2 } });
    const slow = timeTo(fallOf(twice, SOAKED_ALONE, 1.01 * depth), depth) ?? 0;
    expect(dragFactorOf(it, depth, slow)).toBeCloseTo(2, 2);
    // The factor it has already is left out of the reckoning.
    expect(dragFactorOf(twice, depth, slow)).toBeCloseTo(2, 2);
    expect(balanceModel(twice).dragFactor).toBe(2);
    expect(sinkSpeed(twice)).toBeLessThan(0.8 * sinkSpeed(it));
  });
  test('a time that no such drag gives is refused', () => {
    expect(dragFactorOf(it, depth, 0.1)).toBeNull();
    expect(dragFactorOf(it, depth, 600)).toBeNull();
  });
});
