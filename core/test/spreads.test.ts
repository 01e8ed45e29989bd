import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { layDeviant, type Deviation } from '../src/study/tolerance/deviant.ts';
import { scatterOf, type Reckoned } from '../src/study/tolerance/scatter.ts';
import { caresOf, MOST_SPREAD, SPREAD_KINDS, spreadsOf, USUAL_SPREADS } from '../src/study/tolerance/spreads.ts';
import { answersOf, changeOf, surfaceOf } from '../src/study/tolerance/surface.ts';
import {
  body,
  collar,
  eyes,
  feathers,
  laid,
  partIn,
  rib,
  sheet,
  spunHead,
  strip,
  tail,
  weightWire,
  wing,
} from './build.ts';

const kinds = (fly: LaidFly, part: string | null): string[] =>
  spreadsOf(fly)
    .filter((each) => each.part === part)
    .map((each) => each.kind);
const off = (fly: LaidFly, ...deviations: Deviation[]): LaidFly => {
  const came = layDeviant(fly, NOMINAL_DRAWERS, deviations);
  if (!came.ok) throw new Error(JSON.stringify(came.faults));
  return came.value;
};
function reckoned(fly: LaidFly): Reckoned {
  const steps = scatterOf(fly, NOMINAL_DRAWERS, spreadsOf(fly), 3, 0);
  for (;;) {
    const step = steps.next();
    if (step.done === true) throw new Error('nothing was reckoned');
    if ('reckoned' in step.value) return step.value.reckoned;
  }
}

describe('what of each kind of part varies', () => {
  test.each([
    ['a hair wing: length, thickness, sides', wing(), 'wing', ['length', 'amount', 'split']],
    ['one tied on the near side has no halves', wing({ side: 'near' }), 'wing', ['length', 'amount']],
    ['slips: length, breadth, sides', feathers({ form: 'slips' }), 'feathers', ['length', 'width', 'split']],
    [
      'a single flat feather lies in the middle',
      feathers({ form: 'single', lie: 'flat' }),
      'feathers',
      ['length', 'width'],
    ],
    ['a strip: length, breadth', strip(), 'strip', ['length', 'width']],
    ['a collar: length, turns', collar(), 'collar', ['length', 'turns']],
    ['a trimmed head: breadth, sides', spunHead(), 'hair', ['width', 'split']],
    ['weight wire: turns, wire', weightWire(), 'weight', ['turns', 'wire']],
    ['a body told by its diameter', body(), 'body', ['width']],
    ['a rib told by its turns', rib(), 'rib', ['turns']],
    ['a sheet is cut to measure', sheet(), 'case', []],
  ])('%s', (_name, part, id, expected) => {
    expect(kinds(laid([part]), id)).toEqual(expected);
  });
  test('eyes vary in place, turn and weight; the hook in its wire; a bare tube has no wire', () => {
    const fly = laid([eyes()]);
    expect(kinds(fly, 'eyes')).toEqual(['along', 'roll', 'mass']);
    expect(kinds(fly, null)).toEqual(['wire']);
    expect(kinds(laid([], { platform: { kind: 'tube', length: '30 mm' } }), null)).toEqual([]);
  });
  test('nothing varies on what weighs nothing', () => {
    expect(kinds(laid([tail({ length: '0 mm' })]), 'tail')).toEqual([]);
  });
  test('every kind has a usual figure below the most that may be asked for', () => {
    for (const kind of SPREAD_KINDS) {
      expect(USUAL_SPREADS[kind]).toBeGreaterThan(0);
      expect(USUAL_SPREADS[kind]).toBeLessThan(MOST_SPREAD[kind]);
    }
  });
  test('each spread belongs to one care, and to that of its own part', () => {
    const spreads = spreadsOf(laid([eyes(), weightWire(), tail(), body(), wing()]));
    const cares = caresOf(spreads);
    expect(cares.flatMap((care) => care.spreads).sort((a, b) => a - b)).toEqual(spreads.map((_, i) => i));
    for (const care of cares) for (const i of care.spreads) expect(spreads[i]?.part).toBe(care.part);
  });
});

describe('one thing off', () => {
  test('a strip a tenth broader, a head a tenth narrower, a body a tenth thinner', () => {
    const cases = [
      [strip(), 'strip', 'width', 1.1],
      [spunHead(), 'hair', 'diameter', 0.9],
      [body({ diameter: '5 mm' }), 'body', 'diameter', 0.9],
      [feathers(), 'feathers', 'width', 1.1],
    ] as const;
    for (const [part, id, key, share] of cases) {
      const fly = laid([part]);
      const was = partIn(fly, id).extent.lengths[key]?.mm ?? 0;
      const came = off(fly, { part: id, kind: 'width', off: share - 1 });
      expect(partIn(came, id).extent.lengths[key]?.mm).toBeCloseTo(share * was, 3);
    }
  });
  test('wire by the square of its thickness, turns by their count, a collar by its fibre', () => {
    const wired = laid([weightWire()]);
    const thick = off(wired, { part: 'weight', kind: 'wire', off: 0.1 });
    // Section by 1.21, and the coils a little wider round.
    expect(partIn(thick, 'weight').massMg / partIn(wired, 'weight').massMg).toBeGreaterThan(1.21);
    const more = off(wired, { part: 'weight', kind: 'turns', off: 1 });
    expect(partIn(more, 'weight').massMg / partIn(wired, 'weight').massMg).toBeCloseTo(9 / 8, 2);
    const fly = laid([collar()]);
    const long = off(fly, { part: 'collar', kind: 'length', off: 0.2 });
    expect(partIn(long, 'collar').extent.lengthMm).toBeCloseTo(1.2 * partIn(fly, 'collar').extent.lengthMm, 3);
  });
  test('the wire of a hook behind a tube', () => {
    const tube = laid([wing({ at: 'eye + 3 mm', length: '40 mm' })], {
      platform: { kind: 'tube', length: '30 mm', hook: { kind: 'single', size: '6' } },
    });
    expect(off(tube, { part: null, kind: 'wire', off: 0.1 }).platform.wireMm).toBeCloseTo(
      1.1 * (tube.platform.wireMm ?? 0),
      4,
    );
  });
  test('what is off by nothing is the fly', () => {
    const fly = laid([eyes(), tail()]);
    expect(off(fly, { part: 'eyes', kind: 'roll', off: 0 }).tight).toEqual(fly.tight);
  });
  test('a tip tied to another keeps its offset while it grows', () => {
    const fly = laid([tail(), wing({ length: undefined, tip: 'tail.tip + 3 mm' })]);
    const came = off(fly, { part: 'wing', kind: 'length', off: 0.1 });
    expect((partIn(came, 'wing').extent.tipMm ?? 0) - (partIn(fly, 'wing').extent.tipMm ?? 0)).toBeCloseTo(
      0.1 * ((partIn(fly, 'wing').extent.tipMm ?? 0) - partIn(fly, 'wing').extent.endMm),
      3,
    );
  });
});

describe('the surface', () => {
  const fly = laid([eyes(), weightWire({ from: 'eyes.rear' }), tail()]);
  const spreads = spreadsOf(fly);
  const steps = surfaceOf(fly, NOMINAL_DRAWERS, spreads);
  let surface = steps.next();
  const told: number[] = [];
  while (surface.done !== true) {
    told.push(surface.value);
    surface = steps.next();
  }
  const fitted = surface.value;
  test('tells how far it is, up to all of it', () => {
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(told.at(-1)).toBe(1);
  });
  test('goes through the plan and through each part a deviation and a half off', () => {
    expect(fitted.middle).toEqual(answersOf(fly));
    const at = spreads.findIndex((each) => each.key === 'eyes.mass');
    const z = spreads.map((_, i) => (i === at ? 1.5 : 0));
    const came = off(fly, { part: 'eyes', kind: 'mass', off: 1.5 * (spreads[at]?.sigma ?? 0) });
    answersOf(came).forEach((answer, a) => {
      expect((fitted.middle[a] ?? 0) + changeOf(fitted, z, a, () => true)).toBeCloseTo(answer, 6);
    });
  });
  test('what is let out counts nothing', () => {
    const z = spreads.map(() => 1);
    expect(changeOf(fitted, z, 0, () => false)).toBe(0);
    const whole = changeOf(fitted, z, 0, () => true);
    const parts = [...new Set(spreads.map((each) => each.part))].map((part) =>
      changeOf(fitted, z, 0, (i) => spreads[i]?.part === part),
    );
    expect(parts.reduce((sum, each) => sum + each, 0)).toBeCloseTo(whole, 6);
  });
});

describe('what is meant', () => {
  test('the intent where there is one, else the ride of the plan', () => {
    expect(reckoned(laid([tail()])).meant).toBe('point-down');
    const wished = reckoned(laid([tail()], { intent: { ride: 'point-up' } }));
    expect([wished.meant, wished.asMeant]).toEqual(['point-up', 0]);
    // Heels are told from where the plan rests, whatever is wished.
    expect(wished.uprightDeg).toBe(0);
    expect(Math.max(...wished.heelsDeg.map(Math.abs))).toBeLessThan(90);
  });
  test('a firm fly rides as meant in nearly all hands; a fly near its tipping weight does not', () => {
    const tip = laid([eyes(), tail()]).tipping?.massMg ?? 0;
    const share = (times: number): number =>
      reckoned(laid([eyes({ mass: `${(times * tip).toFixed(1)} mg` }), tail()], { intent: { ride: 'point-up' } }))
        .asMeant;
    expect(share(2.5)).toBeGreaterThan(0.99);
    expect(share(1.05)).toBeLessThan(0.8);
    expect(share(0.6)).toBe(0);
  });
});
