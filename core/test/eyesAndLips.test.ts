import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { constraintsOf } from '../src/tying/constraints.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { sheetOf } from '../src/tying/sheet/sheet.ts';
import { sheetMarkdown } from '../src/tying/sheet/write.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { gripBy } from '../src/edit/grips.ts';
import { body, eyes, faultsOf, laid, partIn, tail } from './build.ts';

type Loose = Record<string, unknown>;

const how = (fly: LaidFly, key: string): string =>
  tyingPlan(fly)
    .steps.find((each) => each.key === key)
    ?.how.join(' ') ?? '';
const paper = (fly: LaidFly): string => sheetMarkdown(sheetOf(settleFly(fly)));

describe('lead eyes', () => {
  const pair = (faces?: string): LaidFly =>
    laid([eyes({ material: 'lead', diameter: '4 mm', ...(faces === undefined ? {} : { faces }) })]);
  const lacks = (faces: string): number => partIn(pair(), 'eyes').volumeMm3 - partIn(pair(faces), 'eyes').volumeMm3;

  test('cut flat lack a cap on either side: faces 0.7 as wide as the ball', () => {
    // π·(R² − t²) summed over thin slices from the flat, at √(R² − 1.4²), to the rim; twice.
    const [radius, slices] = [2, 20_000];
    const flat = Math.sqrt(radius ** 2 - 1.4 ** 2);
    let cap = 0;
    for (let i = 0; i < slices; i++) {
      const t = flat + ((i + 0.5) / slices) * (radius - flat);
      cap += (Math.PI * (radius ** 2 - t ** 2) * (radius - flat)) / slices;
    }
    expect(lacks('flat')).toBeCloseTo(2 * cap, 6);
  });
  test('drilled lack two holes half as wide as the ball and a quarter as deep', () => {
    expect(lacks('drilled')).toBeCloseTo(2 * (Math.PI / 4) * 2 ** 2 * 1, 9);
  });
  test('weigh what is left of them, and the flat ones are narrower from above', () => {
    const [round, flat] = [pair(), pair('flat')].map((fly) => ({ eyes: partIn(fly, 'eyes'), fly }));
    expect(flat?.eyes.massMg).toBeCloseTo(11.34 * (flat?.eyes.volumeMm3 ?? 0), 9);
    const plan = (fly: LaidFly | undefined): number => (fly ? settleFly(fly).silhouette.planMm2 : 0);
    expect(plan(flat?.fly)).toBeLessThan(plan(round?.fly));
  });
  test('are called by their faces on paper; a bead has none', () => {
    expect(paper(pair('drilled'))).toContain('4 mm drilled lead dumbbell');
    expect(paper(pair('flat'))).toContain('flat-faced lead dumbbell');
    expect(faultsOf([eyes({ shape: 'bead', faces: 'flat', side: 'around' })])).toEqual([
      expect.stringContaining("parts[0].faces: is a dumbbell's"),
    ]);
  });
});

describe('eyes on stalks', () => {
  const stalked = (more: Loose = {}): LaidFly =>
    laid([eyes({ shape: 'stalked', material: 'nylon', diameter: '2 mm', stalk: '5 mm', at: 'bend', ...more })]);

  test('are two balls and the stalks between them and the tie-in, by hand', () => {
    const part = partIn(stalked(), 'eyes');
    const [balls, stalks] = [2 * (Math.PI / 6) * 2 ** 3, 2 * Math.PI * 0.4 ** 2 * (5 - 1)];
    expect(part.volumeMm3).toBeCloseTo(balls + stalks, 9);
    expect(part.massMg).toBeCloseTo(1.14 * (balls + stalks), 9);
    const bend = (part.extent.startMm + part.extent.endMm) / 2;
    const [ball, stalk] = [5 * Math.cos(Math.PI / 6), 2 * Math.cos(Math.PI / 6)];
    expect(part.centroid[0] - bend).toBeCloseTo((balls * ball + stalks * stalk) / (balls + stalks), 9);
    expect(part.centroid[1]).toBeCloseTo(0, 9);
  });
  test('point to the front where they are told to, as far ahead as they stood behind', () => {
    const off = (fly: LaidFly): number => {
      const { centroid, extent } = partIn(fly, 'eyes');
      return centroid[0] - (extent.startMm + extent.endMm) / 2;
    };
    expect(off(stalked({ toward: 'front' }))).toBeCloseTo(-off(stalked()), 9);
  });
  test('spread with their angle, which has its bounds', () => {
    const plan = (angle: string): number => settleFly(stalked({ angle })).silhouette.planMm2;
    expect(plan('50 deg')).not.toBeCloseTo(plan('10 deg'), 3);
    expect(faultsOf([eyes({ shape: 'stalked', angle: '80 deg' })])).toEqual([
      expect.stringContaining('between 0 and 75 degrees'),
    ]);
    expect(faultsOf([eyes({ stalk: '3 mm' })])).toEqual([expect.stringContaining('eyes on stalks')]);
  });
  test('are bound along the shank and crossed, and ask nothing of what is bound far in front of them', () => {
    expect(how(stalked(), 'eyes')).toContain(
      'one stalk along each side of the shank at the bend, the eyes to the rear',
    );
    expect(paper(stalked())).toContain('2 mm nylon eyes on stalks');
    const fly = laid([
      eyes({ shape: 'stalked', diameter: '2 mm', at: 'bend' }),
      { id: 'case', role: 'case', construction: 'sheet', width: '4 mm', from: 'head', to: 'station 5' },
    ]);
    expect(constraintsOf(fly).map(({ code }) => code)).not.toContain('order.eyes');
  });
});

describe('two furs in one loop', () => {
  const fur = (more: Loose = {}): LaidFly => laid([body({ material: 'tight dubbing', ...more })]);
  const two = fur({ with: 'flat tinsel' });

  test('weigh as their mean, standing off as the first does', () => {
    const density = (name: string): number =>
      NOMINAL_DRAWERS.wound.find((each) => each.name === name)?.density ?? Number.NaN;
    const mean = (density('tight dubbing') + density('flat tinsel')) / 2;
    expect(partIn(two, 'body').volumeMm3).toBeCloseTo(partIn(fur(), 'body').volumeMm3, 9);
    expect(partIn(two, 'body').massMg / partIn(fur(), 'body').massMg).toBeCloseTo(mean / density('tight dubbing'), 9);
  });
  test('are both on the paper, and laid on each other in the loop; a rope takes one', () => {
    expect(paper(two)).toContain('tight dubbing and flat tinsel');
    expect(how(two, 'body')).toContain('the flat tinsel on it');
    expect(faultsOf([body({ material: 'tight dubbing', with: 'flat tinsel', dubbed: 'rope' })])).toEqual([
      expect.stringContaining('parts[0].dubbed'),
    ]);
    expect(faultsOf([body({ material: 'bristle chenille', with: 'flat tinsel' })])).toEqual([
      expect.stringContaining('parts[0].with: is for what is spun in a dubbing loop'),
    ]);
  });
});

describe('a lip ahead of the eye', () => {
  const foam: Loose = {
    id: 'lip',
    role: 'head',
    construction: 'sheet',
    material: 'closed-cell foam',
    width: '6 mm',
    thickness: '2 mm',
    from: 'eye - 5 mm',
    to: 'head',
  };
  const hair = (more: Loose = {}): Loose => tail({ id: 'lip', role: 'head', at: 'head', toward: 'front', ...more });

  test('of foam lies on top, is bound once, by its rear, and the thread goes under it to the eye', () => {
    const fly = laid([body(), foam]);
    expect(tyingPlan(fly).steps.filter(({ part }) => part === 'lip')).toHaveLength(1);
    expect(how(fly, 'lip')).toContain('its front 5 mm ahead of the eye');
    expect(how(fly, 'lip')).toContain('bring the thread under it to the eye');
    expect(paper(fly)).not.toContain('-5 mm');
    expect(partIn(fly, 'lip').extent.startMm).toBeCloseTo(-5, 9);
  });
  test('is no head: what comes after it can still be tied in', () => {
    const fly = laid([body(), foam, tail()]);
    expect(constraintsOf(fly).map(({ code }) => code)).not.toContain('order.head');
  });
  test('of hair has its tips as far ahead as it is long', () => {
    const part = partIn(laid([hair({ length: '8 mm', angle: '0 deg' })]), 'lip');
    expect(part.extent.tipMm).toBeCloseTo(part.extent.endMm - 8, 9);
    expect(part.centroid[0]).toBeLessThan(part.extent.endMm);
    const { length: _, ...byTip } = hair({ angle: '0 deg', tip: 'eye - 6 mm' });
    expect(partIn(laid([byTip]), 'lip').extent.lengthMm).toBeCloseTo(part.extent.endMm + 6, 9);
    expect(faultsOf([{ ...byTip, tip: 'bend' }])).toEqual([expect.stringContaining('is behind where it is bound')]);
  });
  test('of hair grows as its tip is pulled to the front', () => {
    const fly = laid([hair({ length: '8 mm', angle: '20 deg' })]);
    const grip = gripBy(fly, 'lip.length');
    expect(grip?.mm).toBeCloseTo(partIn(fly, 'lip').extent.tipMm ?? 0, 9);
    expect(how(fly, 'lip')).toContain('Its tips lie to the front');
  });
  test('of hair is met by the water ahead of where it is bound', () => {
    const middle = (toward: string): number =>
      settleFly(laid([hair({ at: 'station 3', length: '8 mm', toward })])).silhouette.sideCentre[0];
    expect(middle('front')).toBeLessThan(middle('rear'));
  });
});
