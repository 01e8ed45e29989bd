import { laid, tail } from './build.ts';
import fc from 'fast-check';
import { readFlyValue } from '../src/pattern/read.ts';
import { layPlatform, PLATFORM_KINDS } from '../src/model/platform/registry.ts';
import type { Ellipse } from '../src/model/platform/section.ts';
import type { Platform } from '../src/model/platform/types.ts';

function platform(given: Record<string, unknown>): Platform {
  const read = readFlyValue({
    format: 'jobbet.fly',
    version: 1,
    name: 'Hook',
    platform: { kind: 'single', ...given },
    parts: [],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const laid = layPlatform(read.value.platform, []);
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  return laid.value;
}
const measured = { shank: '24 mm', gap: '8 mm', wire: '0.8 mm' };
const cutAt = (section: Platform['sections'][number], x: number): Ellipse => {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  section.at(x, cut);
  return cut;
};

describe('landmarks', () => {
  test('the point lies nine tenths of a gap ahead of the bend, the barb half way to it, the rear a half circle behind', () => {
    const { landmarksMm } = platform(measured);
    expect(landmarksMm).toEqual({
      eye: 0,
      mid: 12,
      point: expect.closeTo(24 - 7.2, 9),
      barb: expect.closeTo(24 - 3.6, 9),
      bend: 24,
      rear: expect.closeTo(24 + 4.4 + 0.4, 9),
    });
  });
  test('the whole hook reaches from the ring to the rear', () => {
    expect(platform(measured).hookMm).toBeCloseTo(28.8 + 2 * 1.3 * 0.8 + 0.4, 9);
  });
});

describe('the eye', () => {
  test.each([
    ['straight', -1.04, 0],
    ['up', -1.04 * Math.cos(Math.PI / 6), 0.52],
    ['down', -1.04 * Math.cos(Math.PI / 6), -0.52],
    ['looped-up', -1.04 * Math.cos(Math.PI / 6), 0.52],
    ['looped-down', -1.04 * Math.cos(Math.PI / 6), -0.52],
  ])('%s: the leader pulls at the middle of its ring', (eye, x, z) => {
    expect(platform({ ...measured, eye }).towPoint).toEqual([expect.closeTo(x, 9), 0, expect.closeTo(z, 9)]);
  });
  test('a loop adds half a wire of 0.3 shank, below the shank', () => {
    const [plain, looped] = [platform({ ...measured, eye: 'up' }), platform({ ...measured, eye: 'looped-up' })];
    const mass = (each: Platform): number => each.lumps.reduce((sum, lump) => sum + lump.massMg, 0);
    expect(mass(looped) - mass(plain)).toBeCloseTo(7.85 * (Math.PI / 4) * 0.64 * 0.5 * 7.2, 6);
    expect(looped.lumps.at(-1)?.centroid).toEqual([expect.closeTo(2.4, 9), 0, -0.8]);
  });
});

describe('the bend', () => {
  test('a point along the wire goes round and hangs lower, never past the rear', () => {
    const { alongWire } = platform(measured);
    expect(alongWire(0)).toEqual({ x: expect.closeTo(24, 9), z: expect.closeTo(0, 9), slope: expect.closeTo(0, 9) });
    const [near, far] = [alongWire(2), alongWire(100)];
    expect(near.z).toBeLessThan(0);
    expect(far).toEqual({
      x: expect.closeTo(28.4, 9),
      z: expect.closeTo(-4.4, 9),
      slope: expect.closeTo(Math.PI / 2, 9),
    });
  });
  test('the shank’s axis is straight to the bend and falls behind it', () => {
    const { axisZ } = platform(measured);
    expect([axisZ(0), axisZ(24)]).toEqual([0, 0]);
    expect(axisZ(27)).toBeLessThan(axisZ(25));
  });
});

describe('what is drawn of a hook is what is weighed', () => {
  const mm = (value: number): string => `${value.toFixed(4)} mm`;
  const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const size = fc.record({
    shank: between(12, 40).map(mm),
    gap: between(5, 12).map(mm),
    wire: between(0.4, 1.2).map(mm),
  });
  const bend = fc.constantFrom('round', 'sproat', 'limerick', 'wide-gap');
  const eye = fc.constantFrom('straight', 'up', 'down', 'looped-up');
  const trailing = fc.record({
    kind: fc.constantFrom('single', 'double'),
    size: fc.constantFrom('4', '8'),
    bend,
    ride: fc.constantFrom('point-down', 'point-up'),
  });
  const anyPlatform = fc.oneof(
    fc
      .tuple(size, bend, eye, fc.constantFrom('single', 'double'))
      .map(([hook, b, e, kind]) => ({ kind, bend: b, eye: e, ...hook })),
    size.map((hook) => ({ kind: 'single', bend: 'continuous', ...hook })),
    fc
      .tuple(size, bend, fc.constantFrom('60 deg', '90 deg'))
      .map(([hook, b, bendUp]) => ({ kind: 'jig', bend: b, bendUp, ...hook })),
    fc.record({
      kind: fc.constant('shank'),
      length: between(20, 50).map(mm),
      wire: between(0.5, 1.2).map(mm),
      loop: between(4, 12).map(mm),
      hook: trailing,
    }),
  );
  const massOf = (hook: Platform): number => hook.lumps.reduce((sum, lump) => sum + lump.massMg, 0);
  test('sections hold the volume of every wire, within the error of taking each slice for an ellipse', () => {
    fc.assert(
      fc.property(anyPlatform, (given) => {
        const hook = platform(given);
        const volume = hook.lumps.reduce((sum, lump) => sum + lump.volumeMm3, 0);
        let held = 0;
        for (const section of hook.sections) {
          const steps = 400;
          const dx = (section.toMm - section.fromMm) / steps;
          for (let i = 0; i < steps; i++) {
            const { semiY, semiZ } = cutAt(section, section.fromMm + (i + 0.5) * dx);
            held += Math.PI * semiY * semiZ * dx;
          }
        }
        // A leg or ring that stands straight across x is one slice, which an ellipse fills to four fifths or, its hole with it, half over.
        const upright = given.kind === 'jig' && 'bendUp' in given && given.bendUp === '90 deg';
        expect(Math.abs(held / volume - 1)).toBeLessThan(upright ? 0.3 : 0.15);
      }),
      { numRuns: 60 },
    );
  });
  test('every section lies between the front of the ring and the rear', () => {
    fc.assert(
      fc.property(anyPlatform, (given) => {
        const { sections, landmarksMm, hookMm } = platform(given);
        for (const section of sections) {
          expect(section.toMm).toBeLessThanOrEqual(landmarksMm.rear + 1e-3);
          expect(section.fromMm).toBeGreaterThanOrEqual(landmarksMm.rear - hookMm - 1e-3);
        }
      }),
      { numRuns: 40 },
    );
  });
  test('a bend weighs its length of wire: a half circle the same by either road, a limerick more than a sproat of its height', () => {
    const weigh = (given: Record<string, unknown>): number => massOf(platform({ ...measured, ...given }));
    const straight = 24 + 7.2 + 2 * Math.PI * 1.3 * 0.8;
    expect(weigh({})).toBeCloseTo(7.85 * (Math.PI / 4) * 0.64 * (straight + Math.PI * 4.4), 6);
    expect(weigh({ bend: 'wide-gap' })).toBeGreaterThan(weigh({}));
  });
  test('a double is its own mirror image, each bend turned out by half the splay', () => {
    const hook = platform({ kind: 'double', ...measured, splay: '90 deg' });
    const points = hook.wires.filter((wire) => wire.kind === 'hook').map((wire) => wire.points.at(-1) ?? [0, 0, 0]);
    expect(points).toHaveLength(2);
    expect(points[0]?.[1]).toBeCloseTo(-(points[1]?.[1] ?? 0), 9);
    // 8.8 mm down the bend plane, leaning 45°, from half a wire aside.
    expect(points[0]?.[1]).toBeCloseTo(0.4 + 8.8 * Math.SQRT1_2, 6);
    expect(points[0]?.[2]).toBeCloseTo(-8.8 * Math.SQRT1_2, 6);
  });
});

describe('a jig', () => {
  test.each([
    ['60 deg', Math.PI / 3],
    ['90 deg', Math.PI / 2],
  ])('of %s: the leg goes down to the point side, the leader pulls beyond its end', (bendUp, phi) => {
    const { towPoint, lumps } = platform({ kind: 'jig', ...measured, bendUp });
    const leg = 0.15 * 24;
    expect(towPoint).toEqual([
      expect.closeTo(-1.04 * Math.cos(phi), 9),
      0,
      expect.closeTo(-leg * Math.sin(phi) - 1.04 * Math.sin(phi), 9),
    ]);
    expect(lumps[0]?.centroid).toEqual([
      expect.closeTo((leg * Math.cos(phi)) / 2, 9),
      0,
      expect.closeTo((-leg * Math.sin(phi)) / 2, 9),
    ]);
    expect(lumps[0]?.massMg).toBeCloseTo(7.85 * (Math.PI / 4) * 0.64 * leg, 9);
    expect(lumps[1]?.massMg).toBeCloseTo(7.85 * (Math.PI / 4) * 0.64 * (24 - leg * Math.cos(phi)), 9);
  });
  test('what is tied on the leg sits lower', () => {
    const { axisZ } = platform({ kind: 'jig', ...measured, bendUp: '60 deg' });
    expect(axisZ(0)).toBeCloseTo(-3.6 * Math.sin(Math.PI / 3), 9);
    expect([axisZ(1.8), axisZ(10)]).toEqual([expect.closeTo(0, 9), 0]);
  });
});

describe('a continuous curve', () => {
  test('rises a tenth of its chord in the middle, and its bend goes on down its end', () => {
    const hook = platform({ ...measured, bend: 'continuous' });
    expect(hook.axisZ(12)).toBeCloseTo(2.4, 3);
    expect([hook.axisZ(0), hook.axisZ(24)].map((z) => Math.abs(z) < 0.02)).toEqual([true, true]);
    expect(hook.alongWire(0.01).slope).toBeCloseTo(2 * Math.atan(0.2), 2);
  });
});

describe('a tube', () => {
  const tube = (more: Record<string, unknown> = {}): Platform =>
    platform({ kind: 'tube', length: '30 mm', outside: '3 mm', inside: '1.6 mm', ...more });
  const weight = (each: Platform): number => each.lumps.reduce((sum, lump) => sum + lump.massMg, 0);
  const wall = (Math.PI / 4) * (9 - 2.56) * 30;
  test.each([
    ['plastic', 0.95],
    ['aluminium', 2.7],
    ['brass', 8.5],
    ['copper', 8.96],
    ['tungsten', 17.5],
  ])('of %s weighs its wall; the bore floods', (material, density) => {
    expect(weight(tube({ material }))).toBeCloseTo(density * wall, 6);
  });
  test('alone has no point, gap or wire; "shank" is its length and "bend" its rear', () => {
    expect(tube()).toMatchObject({
      shankMm: 30,
      gapMm: null,
      wireMm: null,
      landmarksMm: { eye: 0, mid: 15, point: null, barb: null, bend: 30, rear: 30 },
      towPoint: [0, 0, 0],
      leverMm: 30,
    });
  });
  test('with a hook behind it has that hook’s point, gap and wire, and its lever runs to that bend', () => {
    const it = tube({ hook: { kind: 'single', ...measured }, hookGap: '3 mm' });
    expect(it).toMatchObject({ shankMm: 30, gapMm: 8, wireMm: 0.8, leverMm: 57 });
    expect(it.landmarksMm).toMatchObject({
      bend: 30,
      point: expect.closeTo(33 + 16.8, 9) as number,
      rear: expect.closeTo(33 + 28.8, 3) as number,
    });
  });
  test('held point-up the hook hangs above, free its weight is at its eye', () => {
    const low = (ride: string): number => {
      const it = tube({ hook: { kind: 'single', ...measured, ride } });
      return it.lumps.slice(1).reduce((sum, lump) => sum + lump.massMg * lump.centroid[2], 0);
    };
    expect(low('point-up')).toBeCloseTo(-low('point-down'), 9);
    expect(low('point-down')).toBeLessThan(0);
    expect(low('free')).toBe(0);
    expect(tube({ hook: { kind: 'single', ...measured, ride: 'free' } }).lumps.at(-1)?.centroid[0]).toBeCloseTo(
      32 - 1.04,
      9,
    );
  });
  test('a double behind it is cut and weighed on both sides alike', () => {
    const it = tube({ hook: { kind: 'double', ...measured, ride: 'point-up' } });
    expect(it.lumps.reduce((sum, lump) => sum + lump.massMg * lump.centroid[1], 0)).toBeCloseTo(0, 9);
    expect(new Set(it.sections.map((section) => Math.round((section.turn * 180) / Math.PI)))).toEqual(
      new Set([0, -50, 50]),
    );
  });
});

describe('a bare shank', () => {
  test('has an eye at each end, and carries its hook a loop behind', () => {
    const bare = platform({ kind: 'shank', length: '40 mm', wire: '1 mm' });
    expect(bare.lumps.reduce((sum, lump) => sum + lump.massMg, 0)).toBeCloseTo(
      7.85 * (Math.PI / 4) * (40 + 2 * 2 * Math.PI * 1.3),
      6,
    );
    expect(bare.landmarksMm).toMatchObject({
      bend: 40,
      point: null,
      rear: expect.closeTo(40 + 2.6 + 0.5, 9) as number,
    });
    const rigged = platform({ kind: 'shank', length: '40 mm', loop: '10 mm', hook: { kind: 'single', ...measured } });
    expect(rigged.landmarksMm.point).toBeCloseTo(50 + 16.8, 9);
    expect(rigged.pointUp).toBe(true);
  });
});

describe('measures', () => {
  const faults = (given: Record<string, unknown>): string[] => {
    const read = readFlyValue({
      format: 'jobbet.fly',
      version: 1,
      name: 'Hook',
      platform: { kind: 'single', ...given },
      parts: [],
    });
    const laid = read.ok ? layPlatform(read.value.platform, []) : read;
    return laid.ok ? [] : laid.faults.map((fault) => `${fault.path}: ${fault.message}`);
  };
  test.each<[Record<string, unknown>, RegExp]>([
    [{}, /^platform\.size: is missing/],
    [{ size: '6½' }, /^platform\.size: "6½" is no hook size/],
    [{ size: '6', wire: '9 mm' }, /^platform\.wire: the wire .* as thick as the gap/],
    [{ size: '6', gap: '0 mm' }, /^platform\.gap: .* not above zero/],
    [{ size: '6', shank: '26.5' }, /^platform\.shank: "26.5" has no unit/],
    [{ shank: '20 mm', gap: '8 mm' }, /^platform\.size: is missing/],
    [{ kind: 'double', size: '6', splay: '200 deg' }, /^platform\.splay/],
    [{ kind: 'jig', size: '6', eye: 'up' }, /^platform\.eye: a jig’s eye lies on along its bent leg/],
    [{ kind: 'double', size: '6', bend: 'continuous' }, /^platform\.bend: a double has a straight shank/],
    [{ kind: 'tube', length: '30 mm', inside: '4 mm' }, /^platform\.inside: the bore is as wide/],
    [
      { kind: 'tube', length: '30 mm', material: 'bras' },
      /^platform\.material: "bras" is no tube .*did you mean "brass"/,
    ],
    [{ kind: 'tube', length: '30 mm', hook: { kind: 'single' } }, /^platform\.hook\.size: is missing/],
    [{ kind: 'shank', length: '0 mm' }, /^platform\.length: .* not above zero/],
  ])('%j is refused with its place', (given, words) => {
    expect(faults(given)[0]).toMatch(words);
  });
  test('kinds that can be laid out are said', () => {
    expect(PLATFORM_KINDS).toEqual(['single', 'double', 'jig', 'tube', 'shank']);
  });
});

describe.each(['round', 'sproat', 'limerick'])(
  'the wire behind a %s bend, that a strip or a tail lies along',
  (bend) => {
    const { platform } = laid([tail()], { platform: { kind: 'single', size: '6', bend } });
    const at = (mm: number) => platform.alongWire(mm);
    test('begins where the bend does, and goes round it as far as it runs straight down', () => {
      expect(at(-1)).toEqual(at(0));
      expect(at(0).x).toBeCloseTo(platform.landmarksMm.bend, 6);
      const far = at(1000);
      expect(far).toEqual(at(2000));
      expect(far.slope).toBeCloseTo(Math.PI / 2, 3);
      expect(far.x).toBeCloseTo(Math.max(...Array.from({ length: 400 }, (_, i) => at(i / 20).x)), 6);
      expect(far.z).toBeLessThan(at(0).z);
    });
    test('is so far along as it is asked', () => {
      const step = 0.01;
      let way = 0;
      for (let mm = 0; mm < 2; mm += step) way += Math.hypot(at(mm + step).x - at(mm).x, at(mm + step).z - at(mm).z);
      expect(way).toBeCloseTo(2, 3);
    });
  },
);
