import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import type { TightKeel } from '../src/model/balance/keel.ts';
import { toRad, type BalanceModel } from '../src/model/balance/model.ts';
import { sideHold } from '../src/model/balance/sideCurrent.ts';
import { project } from '../src/model/geometry/silhouette.ts';
import { holdRange } from '../src/model/solve/holdRange.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { balanceModel } from '../src/model/solve/balanceModel.ts';
import { readFly } from '../src/pattern/index.ts';
import { anyFly, lay } from './anyFly.ts';
import { laid, tail } from './build.ts';

const EXAMPLES = join(import.meta.dirname, '../../examples');
const STEP = 1.03;
const EVERY_DEG = 1.5;

/** Sucker and Brauer's cylinder and Clift and Gauvin's sphere, as written in the model. */
const cylinder = (re: number): number =>
  1.18 + 6.8 / re ** 0.89 + 1.96 / re ** 0.5 - (0.0004 * re) / (1 + 3.64e-7 * re ** 2);
const sphere = (re: number): number => (24 / re) * (1 + 0.15 * re ** 0.687) + 0.42 / (1 + 42500 * re ** -1.16);

/** Whether a stable heel is left within 45° of the rest: by small steps of heel, at one speed and flow, from the silhouettes themselves. */
function standing(model: BalanceModel, keel: TightKeel): (speed: number, flow: 1 | -1) => boolean {
  const stiffness = Math.hypot(keel.momentMgMm, keel.lateralMgMm);
  const { density, viscosity } = model.water;
  const cuts = Array.from({ length: 90 / EVERY_DEG + 1 }, (_, i) => {
    const off = toRad(EVERY_DEG * i - 45);
    const theta = toRad(keel.heelDeg ?? 0) + off;
    const shape = project(model.table, 'side', theta);
    const tow = model.tow[1] * Math.sin(theta) + model.tow[2] * Math.cos(theta);
    const cells = Array.from(shape.b, (b, c) => {
      const [ball, ballMm, dx] = [shape.ball[c] ?? 0, shape.ballMm[c] ?? 0, model.table.dx[c] ?? 0];
      return { b, ball, ballMm, lever: dx * ((shape.load[c] ?? 0) / b - tow) };
    }).filter(({ b }) => b > 0);
    return { rights: -stiffness * Math.sin(off), cells };
  });
  return (speed, flow) => {
    const [pressure, over] = [(density * speed ** 2) / (2 * 9806.65), speed / viscosity];
    let above = false;
    for (const { rights, cells } of cuts) {
      let push = 0;
      for (const { b, ball, ballMm, lever } of cells) {
        const spheres = ball > 0 ? sphere(over * ballMm) * ball : 0;
        push += lever * ((b > ball ? cylinder(over * b) * (b - ball) : 0) + spheres);
      }
      const torque = rights - flow * pressure * push;
      if (torque > 0) above = true;
      else if (torque < 0 && above) return true;
    }
    return false;
  };
}

/** The least speed at which it no longer stands, by small steps up to 2 m/s. */
function searched(model: BalanceModel, keel: TightKeel): number | null {
  const stands = standing(model, keel);
  for (let speed = 2; speed <= 2000; speed *= STEP) if (!stands(speed, 1) || !stands(speed, -1)) return speed;
  return null;
}

function expectAsSearched(model: BalanceModel, keel: TightKeel): void {
  const [got, want] = [sideHold(model, keel).holdsTo, searched(model, keel)];
  expect(got === null).toBe(want === null);
  if (got !== null && want !== null) {
    // The search stops up to one step late.
    expect(got / want).toBeGreaterThan(0.97 / STEP);
    expect(got / want).toBeLessThan(1.03);
  }
}

describe('holds to', () => {
  test('is the least speed at which no stable heel is left, on every example', () => {
    for (const name of readdirSync(EXAMPLES).filter((each) => each.endsWith('.fly.json'))) {
      const read = readFly(readFileSync(join(EXAMPLES, name), 'utf8'));
      const it = read.ok ? layFly(read.value) : read;
      if (!it.ok) throw new Error(name);
      if (it.value.tight.heelDeg !== null) expectAsSearched(balanceModel(it.value), it.value.tight);
    }
  });
  test('and on made-up flies', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const it = lay(given);
        if (it.tight.heelDeg !== null) expectAsSearched(balanceModel(it), it.tight);
      }),
      { numRuns: 5 },
    );
  });
});

describe('how far it moves with the soft lengths', () => {
  const withTail = (mm: number) => laid([tail({ length: `${mm.toFixed(6)} mm` })]);
  test('is what the same fly holds to with them a twentieth shorter and longer', () => {
    const it = withTail(30);
    const holds = [0.95, 1, 1.05].map((by) => {
      const { tight } = withTail(30 * by);
      return sideHold(balanceModel(withTail(30 * by)), tight).holdsTo ?? Infinity;
    });
    const range = holdRange(it);
    // A clump that is longer spreads wider and weighs more too, which the range leaves out.
    const [least, most] = [Math.min(...holds), Math.max(...holds)];
    expect((range?.least ?? 0) / least).toBeCloseTo(1, 0);
    expect((range?.most ?? 0) / most).toBeCloseTo(1, 0);
    expect(Math.log((range?.most ?? 0) / (range?.least ?? 1)) / Math.log(most / least)).toBeGreaterThan(0.5);
  });
  test('is not told where the silhouette lies well to one side of the axis, or hardly moves it', () => {
    expect(holdRange(withTail(14))).toBeNull();
    expect(holdRange(laid([]))).toBeNull();
  });
});
