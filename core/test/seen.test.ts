import { shapeOf } from '../src/study/visibility/shape.ts';
import { coloursOf, finestMm, seen, thresholdIn, type Sight } from '../src/study/visibility/sight.ts';
import { attenuationOf, daylight, sunWords, WATER_COLOURS } from '../src/study/visibility/water.ts';
import { reportFly } from '../src/model/solve/report.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { body, eyes, laid, tail } from './build.ts';

const at = (more: Partial<Sight> = {}): Sight => ({ water: 'clear', depthM: 1, distanceM: 0.5, sunDeg: 60, ...more });

describe('water', () => {
  test('pure water and humus by hand: clear, at 550 nm', () => {
    // 0.0565 + 0.15·exp(−0.014·110) + 0.05·0.25 = 0.0565 + 0.03216 + 0.0125 = 0.10116; the beam loses 0.5 more.
    const { absorbed, beam, down } = attenuationOf('clear');
    expect(absorbed[1]).toBeCloseTo(0.10116, 4);
    expect(beam[1]).toBeCloseTo(0.60116, 4);
    // √(0.10116² + 0.1755·0.10116·0.5)/0.86 = √(0.010233 + 0.008877)/0.86 = 0.16074.
    expect(down[1]).toBeCloseTo(0.16074, 4);
  });
  test('peat takes the blue, algae leave the green, silt scatters', () => {
    const [peat, green, milky, clear] = (['peat', 'green', 'milky', 'clear'] as const).map(attenuationOf);
    expect(peat?.absorbed[0]).toBeGreaterThan(5 * (peat?.absorbed[2] ?? 0));
    expect(green?.absorbed[1]).toBeLessThan(Math.min(green?.absorbed[0] ?? 0, green?.absorbed[2] ?? 0));
    expect((milky?.beam[1] ?? 0) - (milky?.absorbed[1] ?? 0)).toBeGreaterThan((clear?.beam[1] ?? 0) * 4);
    for (const { beam, absorbed, down } of [peat, green, milky, clear].flatMap((each) => each ?? []))
      for (const i of [0, 1, 2] as const) {
        expect(down[i]).toBeGreaterThan(absorbed[i]);
        expect(down[i]).toBeLessThan(beam[i] + absorbed[i]);
      }
  });
  test('daylight at the heights of the table and evenly between; held at its ends', () => {
    expect(daylight(60)).toBeCloseTo(100_000, 3);
    expect(daylight(0)).toBeCloseTo(400, 3);
    expect(daylight(-6)).toBeCloseTo(3.4, 3);
    // Half way from 0° to 5°: √(400·4000) = 1265.
    expect(daylight(2.5)).toBeCloseTo(1264.9, 0);
    expect(daylight(90)).toBe(daylight(60));
    expect(daylight(-30)).toBe(daylight(-6));
    expect([50, 20, 10, 0, -5].map(sunWords)).toEqual(['noon', 'afternoon', 'evening', 'sunset', 'dusk']);
  });
});

describe('what is left of a fly', () => {
  test('close by all of it; on a level each band falls by Beer-Lambert', () => {
    expect(seen(at({ distanceM: 0 }), 'level').contrast).toBeCloseTo(1, 9);
    const { beam } = attenuationOf('clear');
    const { left } = seen(at(), 'level');
    for (const i of [0, 1, 2] as const) expect(left[i]).toBeCloseTo(Math.exp(-0.5 * beam[i]), 9);
  });
  test.each(WATER_COLOURS)('in %s water: further, deeper and darker it is less; from below it is more', (water) => {
    const near = seen(at({ water }), 'level');
    expect(seen(at({ water, distanceM: 1 }), 'level').contrast).toBeLessThan(near.contrast);
    expect(seen(at({ water }), 'up').contrast).toBeGreaterThan(near.contrast);
    expect(seen(at({ water, sunDeg: -6 }), 'level').threshold).toBeGreaterThan(near.threshold);
    expect(seen(at({ water, depthM: 4 }), 'level').lux).toBeLessThan(near.lux);
    expect(seen(at({ water, sunDeg: -6, depthM: 4 }), 'level').lostAtM).toBeLessThan(near.lostAtM);
  });
  test('it is lost where its contrast is the least that is seen', () => {
    const { lostAtM } = seen(at({ water: 'milky' }), 'level');
    const there = seen(at({ water: 'milky', distanceM: lostAtM }), 'level');
    expect(there.contrast).toBeCloseTo(there.threshold, 4);
    expect(thresholdIn(1e5)).toBeCloseTo(0.02, 4);
    expect(thresholdIn(0)).toBe(1);
    // 0.02·√(1 + 10/10) at 10 lx.
    expect(thresholdIn(10)).toBeCloseTo(0.02828, 5);
  });
  test('peat is shown brown, green water green; the fly is never brighter than the water', () => {
    const peat = coloursOf(seen(at({ water: 'peat' }), 'up'));
    expect(peat.water[0]).toBeGreaterThan(peat.water[1] ?? 0);
    expect(peat.water[1]).toBeGreaterThan(peat.water[2] ?? 0);
    const green = coloursOf(seen(at({ water: 'green' }), 'up'));
    expect(green.water[1]).toBe(Math.max(...green.water));
    for (const { water, fly } of [peat, green])
      fly.forEach((each, i) => {
        expect(each).toBeLessThanOrEqual(water[i] ?? 0);
      });
    const dusk = coloursOf(seen(at({ sunDeg: -6 }), 'level'));
    const noon = coloursOf(seen(at(), 'level'));
    expect(dusk.water[1]).toBeLessThan(noon.water[1] ?? 0);
  });
  test('the finest of the eye grows with the distance: 2.62 mm at a metre', () => {
    expect(finestMm(1)).toBeCloseTo(2.618, 3);
    expect(finestMm(0.5)).toBeCloseTo(finestMm(1) / 2, 9);
  });
});

test('areas are those of the report where it rides upright; slenderness by its greatest depth', () => {
  const it = laid([eyes({ diameter: '5 mm' }), tail(), body()]);
  const { silhouette_mm2: area } = reportFly(settleFly(it));
  const shape = shapeOf(it, 0);
  expect(shape.sideMm2).toBeCloseTo(area.side, 9);
  expect(shape.belowMm2).toBeCloseTo(area.plan, 9);
  expect(shape.frontMm2).toBeCloseTo(area.front, 9);
  expect(shape.deepMm).toBeLessThan(shape.lengthMm);
  // Rolled a quarter turn, side and plan change places.
  expect(shapeOf(it, 90).sideMm2).toBeCloseTo(shape.belowMm2, 6);
  expect(shapeOf(laid([]), 0).lengthMm).toBeGreaterThan(20);
});
