import fc from 'fast-check';
import { sumWeights, toRad } from '../src/model/balance/model.ts';
import { slackRest, slackTorque } from '../src/model/balance/slack.ts';
import { balanceModel } from '../src/model/solve/balanceModel.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { anyFly, lay } from './anyFly.ts';
import { body, eyes, laid, tail } from './build.ts';
import { laidOf, mixedFly } from './told.ts';

/** Energy of lying at an angle against lying at 0°, mg·mm·degrees, by steps of a degree and the trapezium. */
function energies(torque: (deg: number) => number): (deg: number) => number {
  const at = Array.from({ length: 361 }, (_, i) => torque(i));
  const sums = [0];
  for (let i = 1; i <= 360; i++) sums.push((sums[i - 1] ?? 0) - ((at[i - 1] ?? 0) + (at[i] ?? 0)) / 2);
  return (deg) => {
    const turned = (deg + 360) % 360;
    const i = Math.floor(turned);
    const t = turned - i;
    return (sums[i] ?? 0) + t * ((sums[i + 1] ?? 0) - (sums[i] ?? 0));
  };
}

describe('rests on a slack line', () => {
  test('are rests: nothing turns the fly there, and it is turned back from either side', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const model = balanceModel(lay(given));
        const { heelDeg, others, lowestDeg } = slackRest(model);
        const torque = (deg: number): number => slackTorque(model, toRad(deg));
        const size = Math.max(...Array.from({ length: 24 }, (_, i) => Math.abs(torque(15 * i))));
        for (const rest of [heelDeg, lowestDeg, ...others]) {
          if (rest === null) continue;
          expect(Math.abs(torque(rest))).toBeLessThan(1e-3 * size);
          expect(torque(rest - 0.1)).toBeGreaterThan(0);
          expect(torque(rest + 0.1)).toBeLessThan(0);
        }
        if (heelDeg !== null) expect(lowestDeg).toBe(heelDeg);
      }),
      { numRuns: 15 },
    );
  });
  // The last four are of those whose torque hardly turns them: where it is read between too few degrees, rests are missed there.
  test.each([...Array.from({ length: 2 }, (_, i) => 7001 + i), 5110, 5458, 5497, 5547])(
    'of mixed fly %s are those that every degree of the torque has',
    (seed) => {
      const fly = laidOf(mixedFly(seed, 9));
      if (!fly) throw new Error('it lays out');
      const model = balanceModel(fly);
      const { heelDeg, others } = slackRest(model);
      if (heelDeg === null) return;
      const torque = Array.from({ length: 361 }, (_, deg) => slackTorque(model, toRad(deg)));
      const nothing = 1e-6 * Math.max(...torque.map(Math.abs));
      const comesDown = torque.flatMap((at, deg) => {
        const next = torque[deg + 1] ?? at;
        return at > nothing && next < -nothing ? [deg] : [];
      });
      for (const deg of comesDown)
        expect([heelDeg, ...others].some((rest) => Math.abs(((rest + 360) % 360) - deg - 0.5) <= 0.5)).toBe(true);
    },
  );
  test('the one told first lies lowest; none that is deeper is left out', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const model = balanceModel(lay(given));
        const { heelDeg, others } = slackRest(model);
        if (heelDeg === null) return;
        const torque = (deg: number): number => slackTorque(model, toRad(deg));
        const energy = energies(torque);
        const deep = Math.max(...Array.from({ length: 360 }, (_, deg) => energy(deg))) - energy(heelDeg);
        for (const deg of others) expect(energy(deg)).toBeGreaterThanOrEqual(energy(heelDeg) - 0.01 * deep);
        for (let deg = 0; deg < 360; deg++) expect(energy(deg)).toBeGreaterThanOrEqual(energy(heelDeg) - 0.01 * deep);
      }),
      { numRuns: 4 },
    );
  });
});

describe('where nothing is decided on a slack line', () => {
  /** Eyes of a weight that all but cancels the keel of the hook: the fly hardly cares how it lies. */
  const eyed = (mg: number) => laid([eyes({ mass: `${mg.toFixed(6)} mg` }), tail(), body()]);
  const decided = (mg: number): boolean => slackRest(balanceModel(eyed(mg))).heelDeg !== null;
  test('it sinks as one that has just decided does', () => {
    const found = Array.from({ length: 300 }, (_, i) => 100 + 2 * i).find((mg) => decided(mg) !== decided(mg + 2));
    if (found === undefined) throw new Error('no such weight');
    let [low, high] = [found, found + 2];
    for (let i = 0; i < 30; i++)
      if (decided((low + high) / 2) === decided(low)) low = (low + high) / 2;
      else high = (low + high) / 2;
    const speeds = [low, high].map((mg) => settleFly(eyed(mg)).balance.sink?.level ?? 0);
    expect((speeds[0] ?? 0) / (speeds[1] ?? 1)).toBeCloseTo(1, 4);
    expect(sumWeights(balanceModel(eyed(low)).weights).total).toBeGreaterThan(0);
  });
});
