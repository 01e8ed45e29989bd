import fc from 'fast-check';
import { cutCells } from '../src/model/geometry/cells.ts';
import { project, sumSilhouette } from '../src/model/geometry/silhouette.ts';
import { layFly, type LaidFly } from '../src/model/solve/layFly.ts';
import { balanceModel } from '../src/model/solve/balanceModel.ts';
import { settleFly, type SolvedFly } from '../src/model/solve/solveFly.ts';
import { sideHeel, sideHold } from '../src/model/balance/sideCurrent.ts';
import { water } from '../src/model/balance/water.ts';
import { noseDownAngle } from '../src/model/balance/trim.ts';
import { sinkClass } from '../src/model/balance/sinking.ts';
import { speedFor } from '../src/model/balance/model.ts';
import { cylinderCd, cylinderCdFast, sphereCd, sphereCdFast } from '../src/model/balance/drag.ts';
import { anyFly, anyHook, lay, mm, near, number, type Loose } from './anyFly.ts';
import { body, collar, eyes, fly, laid, strip, tail, wing } from './build.ts';

const MIRRORED: Readonly<Record<string, string>> = { near: 'far', far: 'near' };

describe('laws of the model', () => {
  test('masses and volumes are never negative, totals are sums over parts, sections lie within bounds', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const it = lay(given);
        for (const part of it.parts) {
          expect(part.massMg).toBeGreaterThanOrEqual(0);
          expect(part.volumeMm3).toBeGreaterThanOrEqual(0);
        }
        const sum =
          it.platform.lumps.reduce((total, lump) => total + lump.massMg, 0) +
          it.parts.reduce((total, part) => total + part.massMg, 0);
        near(it.dryMg, sum);
        expect(it.castingMg).toBeGreaterThanOrEqual(it.dryMg);
        for (const section of it.sections) expect(section.toMm).toBeGreaterThanOrEqual(section.fromMm - 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  test('a mirror in y turns the signs of K_y and heel, and leaves every magnitude', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const mirrored = given.parts.map((part) => ({
          ...part,
          ...(part['side'] === undefined ? {} : { side: MIRRORED[part['side'] as string] ?? part['side'] }),
          ...(part['lean'] === undefined ? {} : { lean: -Number(part['lean']) }),
        }));
        const [a, b] = [lay(given), lay({ ...given, parts: mirrored })];
        near(b.tight.momentMgMm, a.tight.momentMgMm);
        near(b.tight.lateralMgMm, -a.tight.lateralMgMm);
        near(b.dryMg, a.dryMg);
        a.parts.forEach((part, i) => {
          near(b.parts[i]?.centroid[1] ?? Number.NaN, -part.centroid[1]);
        });
        const [one, other] = [settleFly(a).balance, settleFly(b).balance];
        const turned = (deg: number | null): number | null => (deg === null || deg === 180 ? deg : -deg + 0);
        expect(other.tight.heelDeg).toEqual(
          a.tight.heelDeg === null ? null : expect.closeTo(turned(one.tight.heelDeg) ?? 0, 6),
        );
        expect(other.hold.holdsTo).toEqual(one.hold.holdsTo === null ? null : expect.closeTo(one.hold.holdsTo, 3));
        expect(other.sink).toEqual(
          one.sink === null
            ? null
            : {
                ...one.sink,
                level: expect.closeTo(one.sink.level, 1),
                terminal: expect.closeTo(one.sink.terminal, 1),
                noseFirst: expect.closeTo(one.sink.noseFirst, 1),
              },
        );
      }),
      { numRuns: 40 },
    );
  });

  test('scaling every length by s: masses by s³, moments by s⁴, levers not at all', () => {
    const wire = (k: number): Loose => ({
      id: 'weight',
      role: 'underbody',
      construction: 'wrap',
      material: 'lead',
      strand: mm(0.5 * k),
      turns: 8,
      from: 'station 4',
    });
    const hook = (k: number): Loose => ({ kind: 'single', shank: mm(24 * k), gap: mm(8 * k), wire: mm(0.8 * k) });
    fc.assert(
      fc.property(number(0.5, 2), number(2.5, 5), number(1, 3), (s, d, pinch) => {
        const at = (k: number, more: readonly Loose[] = []): LaidFly =>
          laid([eyes({ diameter: mm(d * k), at: 'station 2' }), wire(k), ...more], { platform: hook(k) });
        const hair = (k: number): Loose[] => [
          tail({ pinch: mm(pinch * k), length: mm(30 * k) }),
          wing({ pinch: mm(pinch * k), length: mm(28 * k) }),
        ];
        const [one, other] = [at(1, hair(1)), at(s, hair(s))];
        near(other.dryMg, one.dryMg * s ** 3);
        near(other.tight.momentMgMm, one.tight.momentMgMm * s ** 4);
        // Fibres keep their thickness, so that only metal keeps its silhouette to scale.
        near(settleFly(at(s)).balance.trim.lever ?? 0, settleFly(at(1)).balance.trim.lever ?? 0, 1e-3);
      }),
      { numRuns: 30 },
    );
  });

  test('every platform and ball to scale: masses by s³, moments by s⁴', () => {
    const platforms = (k: number): Loose[] => [
      { kind: 'single', shank: mm(24 * k), gap: mm(8 * k), wire: mm(0.8 * k), bend: 'limerick', eye: 'looped-up' },
      { kind: 'single', shank: mm(24 * k), gap: mm(8 * k), wire: mm(0.8 * k), bend: 'continuous' },
      { kind: 'double', shank: mm(20 * k), gap: mm(8 * k), wire: mm(0.8 * k), eye: 'up' },
      { kind: 'jig', shank: mm(20 * k), gap: mm(8 * k), wire: mm(0.8 * k), bendUp: '60 deg' },
      {
        kind: 'tube',
        length: mm(30 * k),
        outside: mm(3 * k),
        inside: mm(1.6 * k),
        hookGap: mm(2 * k),
        material: 'copper',
        hook: { kind: 'single', shank: mm(12 * k), gap: mm(7 * k), wire: mm(0.7 * k), ride: 'point-up' },
      },
    ];
    const balls = (k: number): Loose[] => [
      eyes({ diameter: mm(4 * k) }),
      eyes({ id: 'bead', role: 'bead', shape: 'bead', diameter: mm(4 * k), bore: mm(1.2 * k), side: 'around' }),
      eyes({
        id: 'cone',
        role: 'bead',
        shape: 'cone',
        diameter: mm(5 * k),
        front: mm(3 * k),
        length: mm(4 * k),
        bore: mm(1.2 * k),
        at: 'station 6',
        side: 'around',
      }),
      eyes({ id: 'moulded', shape: 'disc', material: 'moulded', diameter: mm(4 * k), side: 'near', at: 'station 8' }),
    ];
    fc.assert(
      fc.property(number(0.5, 2), fc.integer({ min: 0, max: 4 }), (s, which) => {
        const at = (k: number): LaidFly => laid(balls(k), { platform: platforms(k)[which] ?? {} });
        const [one, other] = [at(1), at(s)];
        near(other.dryMg, one.dryMg * s ** 3);
        near(other.tight.momentMgMm, one.tight.momentMgMm * s ** 4);
        near(other.tight.lateralMgMm, one.tight.lateralMgMm * s ** 4);
      }),
      { numRuns: 30 },
    );
  });

  test('a part at the centre of gravity leaves it there', () => {
    fc.assert(
      fc.property(number(0.6, 2), number(3, 6), (pair, station) => {
        const before = laid([eyes({ mass: `${pair.toFixed(4)} g` })]);
        const [x, , z] = before.gravity;
        const after = laid([
          eyes({ mass: `${pair.toFixed(4)} g` }),
          eyes({ id: 'more', side: 'axis', at: `eye + ${x.toFixed(9)} mm`, mass: `${station.toFixed(3)} mg` }),
        ]);
        near(after.gravity[0], x);
        // The second pair sits on the shank's axis: the height moves by its share of the mass alone.
        near(after.gravity[2], (z * before.dryMg) / after.dryMg);
      }),
      { numRuns: 25 },
    );
  });

  test('the heel is the rest’s in still water, grows with the current, and ends where the fly capsizes', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const it = lay(given);
        const model = balanceModel(it);
        const { holdsTo } = sideHold(model, it.tight);
        if (it.tight.heelDeg === null || holdsTo === null) return;
        const speeds = [0, 0.2, 0.4, 0.6, 0.8, 0.97].map((share) => share * holdsTo);
        const heels = speeds.map((speed) => sideHeel(model, it.tight, speed));
        expect(heels[0]).toBe(0);
        for (const [i, heel] of heels.entries()) expect(heel).toBeGreaterThanOrEqual(heels[i - 1] ?? 0);
        expect(sideHeel(model, it.tight, 1.05 * holdsTo)).toBeNull();
      }),
      { numRuns: 40 },
    );
  });

  test('eyes on top never lower the keel moment as they grow heavier, and never slow the sink at a fixed attitude', () => {
    fc.assert(
      fc.property(anyFly, number(0.15, 0.5), number(1.05, 2), (given, grams, more) => {
        const parts = given.parts.filter((part) => part['id'] !== 'eyes');
        const withEyes = (g: number): SolvedFly =>
          settleFly(lay({ ...given, parts: [eyes({ mass: `${g.toFixed(4)} g` }), ...parts] }));
        const [light, heavy] = [withEyes(grams), withEyes(grams * more)];
        if ((light.laid.parts[0]?.centroid[2] ?? 0) <= light.laid.platform.towPoint[2]) return;
        expect(heavy.laid.tight.momentMgMm).toBeGreaterThanOrEqual(light.laid.tight.momentMgMm - 1e-6);
        if (light.balance.sink && heavy.balance.sink && heavy.balance.restDeg === light.balance.restDeg)
          expect(heavy.balance.sink.level).toBeGreaterThanOrEqual(light.balance.sink.level * (1 - 1e-3));
      }),
      { numRuns: 25 },
    );
  });

  test('hair that floats, above the tow axis, never raises K', () => {
    fc.assert(
      fc.property(anyHook, number(10, 40), (platform, length) => {
        const [without, withHair] = [
          lay({ platform, parts: [] }),
          lay({
            platform,
            parts: [wing({ material: 'floating synthetic hair', length: mm(length), angle: '30 deg' })],
          }),
        ];
        if ((withHair.parts[0]?.centroid[2] ?? 0) < withHair.platform.towPoint[2]) return;
        expect(withHair.tight.momentMgMm).toBeLessThanOrEqual(without.tight.momentMgMm + 1e-9);
      }),
      { numRuns: 30 },
    );
  });

  test('denser water: a smaller submerged weight, the same dry mass', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const [fresh, salt] = ['fresh', 'salt'].map((kind) =>
          laid(given.parts, { platform: given.platform, intent: { water: { kind } } }),
        );
        expect(salt?.submergedMg).toBeLessThan(fresh?.submergedMg ?? 0);
        expect(salt?.dryMg).toBe(fresh?.dryMg);
      }),
      { numRuns: 25 },
    );
  });

  test('tipping: eyes of just that mass leave no keel moment', () => {
    fc.assert(
      fc.property(number(3, 5), fc.constantFrom('brass', 'tin', 'tungsten'), (d, material) => {
        const weighed = laid([eyes({ diameter: mm(d), material, mass: '0.3 g' })]);
        if (!weighed.tipping) return;
        const balanced = laid([
          eyes({ diameter: mm(d), material, mass: `${(weighed.tipping.massMg / 1000).toFixed(9)} g` }),
        ]);
        expect(Math.abs(balanced.tight.momentMgMm)).toBeLessThan(1e-3);
      }),
      { numRuns: 20 },
    );
  });

  test('every figure is finite or plainly absent', () => {
    fc.assert(
      fc.property(anyFly, (given) => {
        const { balance, silhouette } = settleFly(lay(given));
        const figures = [
          balance.trim.lever,
          balance.trim.noseDownDeg,
          balance.hold.holdsTo,
          balance.hold.heelAt100Deg,
          balance.slack.heelDeg,
          balance.tight.heelDeg,
          ...(balance.sink ? [balance.sink.level, balance.sink.noseFirst, balance.sink.terminal] : []),
          ...Object.values(silhouette).flat(),
        ];
        for (const figure of figures) expect(figure === null || Number.isFinite(figure)).toBe(true);
        for (const deg of [balance.slack.heelDeg, balance.tight.heelDeg])
          if (deg !== null) {
            expect(deg).toBeGreaterThan(-180);
            expect(deg).toBeLessThanOrEqual(180);
            expect(Object.is(deg, -0)).toBe(false);
          }
      }),
      { numRuns: 40 },
    );
  });

  test('an empty list of parts is the hook alone', () => {
    const bare = layFly(fly([]));
    expect(bare.ok && bare.value.dryMg).toBeCloseTo(165.1298, 3);
    expect(bare.ok && bare.value.tight.ride).toBe('point-down');
  });
});

describe('the silhouette', () => {
  /** A dense raster of the same sections, opacity combined at each point. */
  function raster(it: LaidFly, view: 'side' | 'plan', theta: number): number {
    const cells = cutCells(it.sections);
    const step = 0.02;
    let area = 0;
    for (let c = 0; c < cells.cells; c++) {
      const clear = new Map<number, number>();
      for (let i = cells.first[c] ?? 0; i < (cells.first[c + 1] ?? 0); i++) {
        const [y, z, a, b, o, turn] = [cells.y, cells.z, cells.semiY, cells.semiZ, cells.opacity, cells.turn].map(
          (column) => column[i] ?? 0,
        ) as [number, number, number, number, number, number];
        const [sin, cos] = [Math.sin(theta), Math.cos(theta)];
        const centre = view === 'side' ? y * sin + z * cos : y * cos - z * sin;
        const half =
          view === 'side'
            ? Math.hypot(a * Math.sin(theta + turn), b * Math.cos(theta + turn))
            : Math.hypot(a * Math.cos(theta + turn), b * Math.sin(theta + turn));
        for (let k = Math.ceil((centre - half) / step); k * step < centre + half; k++)
          clear.set(k, (clear.get(k) ?? 1) * (1 - o));
      }
      for (const share of clear.values()) area += (1 - share) * step * (cells.dx[c] ?? 0);
    }
    return area;
  }
  test.each([0, 37, 120])('agrees with a dense raster of the same sections at %i°', (deg) => {
    const it = laid([eyes(), tail(), body(), strip({ side: 'bottom' }), collar(), wing({ side: 'near' })], {
      thread: { denier: 140 },
      head: 'neat',
    });
    const theta = (deg * Math.PI) / 180;
    const table = cutCells(it.sections);
    for (const view of ['side', 'plan'] as const) {
      const exact = sumSilhouette(table, project(table, view, theta))?.areaMm2 ?? 0;
      expect(Math.abs(raster(it, view, theta) / exact - 1)).toBeLessThan(0.01);
    }
  });
  test('half a turn leaves the areas and turns the centres over', () => {
    const table = cutCells(laid([eyes(), tail({ side: 'near' }), wing()]).sections);
    const [a, b] = [0.4, 0.4 + Math.PI].map((theta) => sumSilhouette(table, project(table, 'side', theta)));
    near(b?.areaMm2 ?? 0, a?.areaMm2 ?? 0, 1e-9);
    near(b?.across ?? 0, -(a?.across ?? 0), 1e-9);
  });
  test('soft sections narrow with speed, stiff ones do not', () => {
    const area = (part: Loose, speedMmS: number): number => {
      const table = cutCells(laid([part]).sections);
      return sumSilhouette(table, project(table, 'plan', 0, { speedMmS }))?.areaMm2 ?? 0;
    };
    expect(area(tail(), 300)).toBeLessThan(0.8 * area(tail(), 0));
    near(area(eyes(), 300), area(eyes(), 0), 1e-9);
  });
});

describe('small solvers', () => {
  test('water: the densities and viscosity of the sources', () => {
    expect(water(9, 0).density).toBeCloseTo(0.99978, 5);
    expect(water(10, 35).density).toBeCloseTo(1.02695, 5);
    expect(water(10, 0).viscosity * water(10, 0).density).toBeCloseTo(1.306, 3);
  });
  test('the tabulated drag curves stay within 0.05 % of the curves', () => {
    fc.assert(
      fc.property(number(-2.9, 5), (power) => {
        const re = 10 ** power;
        near(cylinderCdFast(re) / cylinderCd(re), 1, 5e-4);
        near(sphereCdFast(re) / sphereCd(re), 1, 5e-4);
      }),
      { numRuns: 300 },
    );
  });
  test('speedFor inverts a rising load, and says Infinity where it is not reached', () => {
    fc.assert(
      fc.property(number(1, 1500), number(0.8, 2.2), (speed, power) => {
        near(
          speedFor((v) => v ** power, speed ** power, 2000),
          speed,
          2e-3,
        );
      }),
      { numRuns: 200 },
    );
    expect(speedFor((v) => v, 3000, 2000)).toBe(Infinity);
    expect(speedFor(() => 0, 1, 2000)).toBe(Infinity);
  });
  test('nose-down: level when nothing pulls, straight down when nothing rights it, root of the balance between', () => {
    expect(noseDownAngle(0, 2, 30)).toBe(0);
    expect(noseDownAngle(20, 0, 10)).toBeCloseTo(90, 6);
    const phi = (noseDownAngle(5, 4, 30) * Math.PI) / 180;
    expect((5 - 0.3 * 30 * (1 - Math.cos(phi))) * Math.cos(phi)).toBeCloseTo(4 * Math.sin(phi), 6);
    expect(noseDownAngle(-5, 4, 30)).toBeCloseTo(-noseDownAngle(5, 4, 30), 9);
  });
  test('sink classes begin where the table says', () => {
    expect([39, 40, 119, 120, 220, 350].map(sinkClass)).toEqual([
      'hang',
      'slow',
      'slow',
      'medium',
      'fast',
      'very fast',
    ]);
  });
});
