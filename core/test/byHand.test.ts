import { findingsOf } from '../src/checks/checkFly.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { HOLD } from '../src/data/index.ts';
import { cylinderCdFast, G, sphereCdFast } from '../src/model/balance/drag.ts';
import { cellLoad } from '../src/model/balance/model.ts';
import { cutLength } from '../src/model/solve/cutLength.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { limpness } from '../src/model/parts/registry.ts';
import { body, eyes, laid, partIn, rib, sheet, spunHead, strip } from './build.ts';

type Loose = Record<string, unknown>;

/** Rules that a change of the code once passed unnoticed: each by hand. */
describe('a sheet', () => {
  test('lies on what is under it: its middle half its thickness over a body of 4 mm', () => {
    const fly = laid([body({ diameter: '4 mm', from: 'station 6', to: 'head' }), sheet({ from: 'station 2' })]);
    expect(partIn(fly, 'case').centroid[2]).toBeCloseTo(2 + 1 / 2, 6);
  });
  test('doubled is twice as thick, so that its middle lies a whole thickness over the body', () => {
    const fly = laid([
      body({ diameter: '4 mm', from: 'station 6', to: 'head' }),
      sheet({ from: 'station 2', doubled: true }),
    ]);
    expect(partIn(fly, 'case').centroid[2]).toBeCloseTo(2 + 2 / 2, 6);
  });
});

test('hair for spinning is cut as long as it is trimmed across, and what the hand holds', () => {
  const fly = laid([spunHead({ diameter: '9 mm' })]);
  const part = fly.parts[0];
  expect(part && cutLength(part, fly)).toBeCloseTo(9 + HOLD.spunMm, 6);
});

test('a strip narrower than 2 mm is less limp than a broad one', () => {
  const limp = (width: string): number | null => limpness(partIn(laid([strip({ width })]), 'strip'), NOMINAL_DRAWERS);
  expect([limp('1.5 mm'), limp('3 mm')]).toEqual([0.7, 1]);
});

describe('the load of a flow on a cell', () => {
  const water = { density: 1, viscosity: 1.3 };
  const cell = (b: number, ball: number, ballMm: number) => {
    const of = (value: number): Float64Array => Float64Array.of(value);
    return { b: of(b), moment: of(0), load: of(0), loadX: of(0), ball: of(ball), ballMm: of(ballMm) };
  };
  const speed = 300;
  const pressure = speed ** 2 / (2 * G);
  test('is that of a cylinder as broad as it is, where no ball covers it', () => {
    expect(cellLoad(cell(3, 0, 0), 0, speed, water as never)).toBeCloseTo(
      pressure * cylinderCdFast((speed * 3) / 1.3) * 3,
      9,
    );
  });
  test('is that of a sphere over what a ball covers, by the ball’s own diameter, and of a cylinder over the rest', () => {
    const sphere = sphereCdFast((speed * 4) / 1.3) * 2;
    const rest = cylinderCdFast((speed * 3) / 1.3) * 1;
    expect(cellLoad(cell(3, 2, 4), 0, speed, water as never)).toBeCloseTo(pressure * (sphere + rest), 9);
    expect(cellLoad(cell(2, 2, 4), 0, speed, water as never)).toBeCloseTo(pressure * sphere, 9);
  });
});

describe('checks that ask for one thing only', () => {
  const codes = (parts: readonly Loose[], more: Loose = {}): string[] =>
    findingsOf(settleFly(laid(parts, more))).map(({ code }) => code);
  test('bare brass and copper tarnish in salt water, and nowhere else', () => {
    const salt = { intent: { water: { kind: 'salt' } } };
    const wire = [body(), rib({ material: 'copper' })];
    expect(codes(wire, salt)).toContain('salt.wire');
    expect(codes(wire, { intent: { water: { kind: 'fresh' } } })).not.toContain('salt.wire');
    expect(codes(wire)).not.toContain('salt.wire');
  });
  test('room of the eyes is asked of eyes in pairs, not of a bead', () => {
    const broad = { diameter: '9 mm' };
    const asked = (parts: readonly Loose[]): boolean => codes(parts).some((code) => code === 'bulk.eyes-large');
    expect(asked([eyes(broad)])).toBe(true);
    expect(asked([eyes({ ...broad, shape: 'bead', side: 'around' })])).toBe(false);
  });
});
