import { beadVolume, dumbbellVolume } from '../src/model/parts/ballShapes.ts';
import { helixLength } from '../src/model/parts/helix.ts';
import { sweepOf } from '../src/model/parts/hackle.ts';
import { body, collar, eyes, laid, partIn, strip, tail, wing } from './build.ts';

const THREAD = { thread: { denier: 140 } };
const wire = (more: Record<string, unknown> = {}) => ({
  id: 'weight',
  role: 'underbody',
  construction: 'wrap',
  material: 'lead-free wire',
  strand: '0.5 mm',
  turns: 10,
  from: 'station 3',
  ...more,
});

describe('balls', () => {
  test('a bead is a bored sphere', () => {
    expect(beadVolume(4, 1.2)).toBeCloseTo(29.0898, 3);
    expect(beadVolume(4, 0)).toBeCloseTo((Math.PI * 64) / 6, 9);
  });
  test('a dumbbell is two spheres and what of the neck lies outside them', () => {
    const d = 4;
    expect(dumbbellVolume(d)).toBeGreaterThan((Math.PI * d ** 3) / 3);
    expect(dumbbellVolume(d) - (Math.PI * d ** 3) / 3).toBeLessThan((Math.PI / 4) * (0.45 * d) ** 2 * 1.1 * d);
  });
  test('a weighed mass replaces the computed one; the volume and the place stay', () => {
    const [computed, weighed] = [partIn(laid([eyes()]), 'eyes'), partIn(laid([eyes({ mass: '0.4 g' })]), 'eyes')];
    expect(weighed.massMg).toBe(400);
    expect(weighed.volumeMm3).toBe(computed.volumeMm3);
    weighed.centroid.forEach((at, i) => {
      expect(at).toBeCloseTo(computed.centroid[i] ?? Number.NaN, 9);
    });
    expect(partIn(laid([eyes({ mass: '0.1 g' })]), 'eyes').built.notes[0]).toMatch(/another metal/);
  });
  test('eyes stand on the thread bed, over or under the shank, or on its axis', () => {
    const z = (more: Record<string, unknown>, fly = {}): number => partIn(laid([eyes(more)], fly), 'eyes').centroid[2];
    expect(z({})).toBeCloseTo(0.715064 / 2 + 0.9, 4);
    expect(z({}, THREAD)).toBeCloseTo(z({}) + 0.1, 6);
    expect(z({ side: 'bottom' })).toBeCloseTo(-z({}), 9);
    expect(z({ side: 'axis' })).toBe(0);
  });
  test('lead-free and tin are tin alloy, tungsten is tungsten alloy', () => {
    expect(partIn(laid([eyes({ material: 'lead-free' })]), 'eyes').built.figuredAs).toBe('tin alloy');
    expect(partIn(laid([eyes({ material: 'Tungsten beads' })]), 'eyes').built.figuredAs).toBe('tungsten alloy');
  });
});

describe('wound work', () => {
  test('a helix of touching turns', () => {
    const part = partIn(laid([wire()]), 'weight');
    expect(part.volumeMm3).toBeCloseTo((Math.PI / 4) * 0.25 * helixLength(10, 0.715064, 0.5, 0.5), 6);
    expect(part.extent.lengthMm).toBeCloseTo(5, 9);
  });
  test('a second layer goes over the first', () => {
    const [one, two] = [partIn(laid([wire()]), 'weight').massMg, partIn(laid([wire({ layers: 2 })]), 'weight').massMg];
    expect(two / one).toBeGreaterThan(2.5);
    expect(two / one).toBeLessThan(3);
  });
  test('a rib is wound over the body even where it is tied in before it', () => {
    const rib = {
      id: 'rib',
      role: 'rib',
      construction: 'wrap',
      material: 'copper',
      strand: '0.2 mm',
      turns: 5,
      from: 'bend',
      to: 'station 3',
    };
    const over = partIn(laid([rib, body()]), 'rib').massMg;
    expect(over).toBeCloseTo(partIn(laid([body(), rib]), 'rib').massMg, 9);
    expect(over).toBeGreaterThan(2 * partIn(laid([rib]), 'rib').massMg);
  });
  test('a body weighs its envelope less what lies under it', () => {
    const bare = partIn(laid([body()]), 'body');
    const span = bare.extent.lengthMm;
    expect(bare.massMg).toBeCloseTo((Math.PI / 4) * (16 - 0.715064 ** 2) * span * 0.12 * 1.3, 3);
    expect(
      partIn(
        laid(
          [wire({ to: 'bend', turns: undefined }), body()].map(
            (part) => JSON.parse(JSON.stringify(part)) as Record<string, unknown>,
          ),
        ),
        'body',
      ).massMg,
    ).toBeLessThan(bare.massMg);
  });
  test('a profile runs from the rear to the front, so its mass leans to the thick end', () => {
    expect(
      partIn(
        laid(
          [body({ diameter: undefined, profile: ['2 mm', '4 mm', '6 mm'] })].map(
            (part) => JSON.parse(JSON.stringify(part)) as Record<string, unknown>,
          ),
        ),
        'body',
      ).centroid[0],
    ).toBeLessThan(partIn(laid([body()]), 'body').centroid[0] - 1);
  });
  test('a span may be given from either end', () => {
    const [a, b] = [partIn(laid([body()]), 'body'), partIn(laid([body({ from: 'station 3', to: 'bend' })]), 'body')];
    expect([a.extent.startMm, a.extent.endMm]).toEqual([b.extent.startMm, b.extent.endMm]);
  });
});

describe('hair, hide and hackle', () => {
  test('2.5 mm of plume, 34 mm long, weighs about 27 mg', () => {
    expect(partIn(laid([tail({ length: '33.6 mm' })]), 'tail').massMg).toBeCloseTo(27, 0);
  });
  test('the centroid of a tapered clump lies (4t − 1)/(6t) behind its tie-in', () => {
    const plume = partIn(laid([tail({ length: '30 mm' })]), 'tail');
    expect(plume.centroid[0] - plume.extent.endMm).toBeCloseTo(30 / 3, 6);
    const flash = partIn(laid([tail({ material: 'flash', length: '30 mm' })]), 'tail');
    expect(flash.centroid[0] - flash.extent.endMm).toBeCloseTo(15, 6);
  });
  test('a count of strands weighs what the strands weigh', () => {
    const flash = partIn(
      laid([
        {
          id: 'flash',
          role: 'flash',
          construction: 'bundle',
          material: 'flash',
          strands: 8,
          at: 'bend',
          length: '40 mm',
        },
      ]),
      'flash',
    );
    expect(flash.massMg).toBeCloseTo(8 * 0.25 * 0.02 * 40 * 1.39, 6);
  });
  test('butts bound along the shank add their mass forward of the tie-in', () => {
    const [trimmed, bound] = [partIn(laid([tail()]), 'tail'), partIn(laid([tail({ buttsTo: 'station 4' })]), 'tail')];
    expect(bound.massMg).toBeGreaterThan(trimmed.massMg * 1.5);
    expect(bound.extent.startMm).toBeCloseTo(0.4 * 27.105, 2);
    expect(bound.extent.lengthMm).toBe(trimmed.extent.lengthMm);
  });
  test('both sides share what one side would hold', () => {
    const [one, both] = [
      partIn(laid([tail({ side: 'near' })]), 'tail'),
      partIn(laid([tail({ side: 'both' })]), 'tail'),
    ];
    expect(both.massMg).toBeCloseTo(one.massMg, 9);
    expect(both.centroid[1]).toBeCloseTo(0, 12);
    expect(one.centroid[1]).toBeGreaterThan(0.5);
  });
  test('a wing leaves the shank at 12°, a tail along it, and a file may say otherwise', () => {
    const rise = (part: Record<string, unknown>): number => {
      const it = partIn(laid([part]), String(part['id']));
      return ((it.extent.tipMm ?? 0) - it.extent.endMm) / it.extent.lengthMm;
    };
    expect(rise(wing())).toBeCloseTo(Math.cos((12 * Math.PI) / 180), 9);
    expect(rise(tail())).toBeCloseTo(1, 9);
    expect(rise(tail({ angle: '30 deg' }))).toBeCloseTo(Math.cos(Math.PI / 6), 9);
  });
  test('a 4 mm strip of rabbit, 40 mm long, is about 108 mg dry', () => {
    expect(partIn(laid([strip()]), 'strip').massMg).toBeCloseTo(107.8, 1);
  });
  test('what is bound of a strip is not free', () => {
    const part = partIn(laid([strip({ at: 'station 4', boundAt: ['bend'], length: '30 mm' })]), 'strip');
    expect(part.extent.lengthMm).toBeCloseTo(30 - 0.6 * 27.105, 2);
    expect(part.massMg).toBeCloseTo((107.848 * 30) / 40, 1);
  });
  test('stiff hackle stands at 70° or less, soft lies back, never under 30°', () => {
    expect([0.2, 0.35, 0.65, 1].map((s) => Math.round((sweepOf(s) * 180) / Math.PI))).toEqual([70, 69, 51, 30]);
  });
  test('a hackle named by where its tips lie has the fibre that reaches there', () => {
    const part = partIn(
      laid(
        [collar({ fibre: undefined, tip: 'point' })].map(
          (each) => JSON.parse(JSON.stringify(each)) as Record<string, unknown>,
        ),
      ),
      'collar',
    );
    expect(part.extent.tipMm).toBeCloseTo(27.105 - 0.9 * 7.4115, 2);
  });
  test('no length or no pinch: no section, no mass, a note', () => {
    for (const part of [
      tail({ length: '0 mm' }),
      tail({ pinch: '0 mm' }),
      strip({ width: '0 mm' }),
      collar({ turns: 0 }),
      body({ diameter: '0 mm' }),
    ]) {
      const only = laid([part]).parts[0];
      expect([only?.massMg, only?.built.sections.length]).toEqual([0, 0]);
      expect(only?.built.notes.some((note) => /weighs nothing/.test(note))).toBe(true);
    }
  });
  test('the nearest material by words is taken and said; an unknown one falls back', () => {
    expect(partIn(laid([tail({ material: 'long fox fur' })]), 'tail').built.notes).toEqual([
      '"long fox fur" is figured as fox hair',
    ]);
    expect(partIn(laid([tail({ material: 'moonbeam' })]), 'tail').built.notes).toEqual([
      '"moonbeam" is not in the drawers: figured as marabou',
    ]);
  });
});

describe('thread, head and coats', () => {
  test('nothing given, nothing counted', () => {
    expect(laid([]).dryMg).toBeCloseTo(laid([], { head: 'bold', finish: { coats: ['resin'] } }).dryMg, 9);
  });
  test('a bed from eye to bend, then a head over it, then coats over the head', () => {
    const [bare, bed, head, coated] = [
      laid([]),
      laid([], THREAD),
      laid([], { ...THREAD, head: 'neat' }),
      laid([], { ...THREAD, head: 'neat', finish: { coats: ['resin'] } }),
    ].map((each) => each.dryMg);
    const d = 0.715064;
    expect((bed ?? 0) - (bare ?? 0)).toBeCloseTo((Math.PI / 4) * ((d + 0.2) ** 2 - d ** 2) * 27.105 * 0.65 * 1.2, 2);
    expect(head).toBeGreaterThan(bed ?? 0);
    expect(coated).toBeGreaterThan(head ?? 0);
  });
});

describe('hooks', () => {
  const size = (platform: Record<string, unknown>) => {
    const { shankMm, gapMm, wireMm } = laid([], { platform: { kind: 'single', ...platform } }).platform;
    return [shankMm, gapMm ?? 0, wireMm ?? 0].map((mm) => Math.round(mm * 1000) / 1000);
  };
  test('the nominal series counts up from 10, through 1 to 1/0 and 2/0', () => {
    expect(size({ size: '10' })).toEqual([11.6, 5.278, 0.56]);
    expect(size({ size: '1' })[0]).toBeCloseTo(11.6 * 1.185 ** 4.5, 3);
    expect(size({ size: '2/0' })[0]).toBeCloseTo(11.6 * 1.185 ** 6, 3);
    expect(size({ size: '8', heavyX: -1 })[2]).toBe(0.56);
    expect(size({ size: '8', longX: 2 })[1]).toBe(size({ size: '8' })[1]);
  });
  test('each measure the caliper gives replaces the nominal one by itself', () => {
    expect(size({ size: '6', shank: '26.5 mm' })).toEqual([26.5, size({ size: '6' })[1], size({ size: '6' })[2]]);
    expect(
      laid([], { platform: { kind: 'single', shank: '1 in', gap: '8 mm', wire: '0.8 mm' } }).platform.nominal,
    ).toEqual({ shank: false, gap: false, wire: false });
  });
  test('a double has two of everything but the eye', () => {
    const [one, two] = [
      laid([], { platform: { kind: 'single', size: '6' } }),
      laid([], { platform: { kind: 'double', size: '6' } }),
    ];
    expect(two.dryMg).toBeGreaterThan(1.7 * one.dryMg);
    expect(two.gravity[1]).toBeCloseTo(0, 12);
  });
});
