import fc from 'fast-check';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { readDocument } from '../src/document/read.ts';
import { solveTied } from '../src/inspect/asTied.ts';
import { inspectFlies, type Inspected } from '../src/inspect/inspect.ts';
import { measuresOf, type Measure } from '../src/inspect/measures.ts';
import { driftOf, farReadings, limitsOf, meanInterval, spreadInterval, summary } from '../src/inspect/statistics.ts';
import { withLearnt } from '../src/inspect/learnt.ts';
import { looksOf } from '../src/inspect/looks.ts';
import { heavierBy } from '../src/inspect/weighed.ts';
import { layFly, type LaidFly, settleFly } from '../src/model/index.ts';
import { normalOf } from '../src/numeric/index.ts';
import { headOf, readRecord } from '../src/records/kinds.ts';
import { SPECIMEN_KIND, type SpecimenFile } from '../src/records/specimen.ts';
import { body, collar, eyes, feathers, fly, rib, strip, tail, without } from './build.ts';

type Loose = Record<string, unknown>;

const runner = fly([
  eyes({ material: 'brass', diameter: '4 mm', at: 'station 2', side: 'top' }),
  tail({ length: '0.7 shank', at: 'bend' }),
  without(
    tail({ id: 'flash', role: 'flash', material: 'flash', strands: 6, length: 'tail + 2 mm', at: 'bend' }),
    'pinch',
  ),
  body({}),
  without(strip({ id: 'wing', boundAt: ['bend'], at: 'station 3', tip: 'bend + 0.6 shank', width: '3 mm' }), 'length'),
  collar({ fibre: '1.2 gap' }),
]);
const laidOf = (): LaidFly => {
  const laid = layFly(runner);
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  return laid.value;
};
const laid = laidOf();
const measures = measuresOf(laid, NOMINAL_DRAWERS);
const measure = (key: string): Measure => {
  const found = measures.find((each) => each.key === key);
  if (!found) throw new Error(`no ${key} among ${measures.map((each) => each.key).join()}`);
  return found;
};
const mm = (value: number): string => `${value.toFixed(2)} mm`;

function specimen(more: Loose): SpecimenFile {
  const read = readDocument(SPECIMEN_KIND, { format: 'jobbet.specimen', version: 1, fly: 'a', ...more });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
function inspected(...specimens: Loose[]): Inspected {
  const made = inspectFlies(
    runner,
    specimens.map((each, i) => specimen({ number: i + 1, ...each })),
    NOMINAL_DRAWERS,
  );
  if (!made.ok) throw new Error(JSON.stringify(made.faults));
  return made.value;
}

describe('readings', () => {
  test('mean and spread of some, by hand', () => {
    // 18.2, 18.4, 18.9: mean 18.5, squares 0.09 + 0.01 + 0.16 = 0.26, over 2.
    const { n, mean, sd } = summary([18.2, 18.4, 18.9]);
    expect([n, mean.toFixed(6), sd?.toFixed(6)]).toEqual([3, '18.500000', Math.sqrt(0.13).toFixed(6)]);
    expect(summary([4]).sd).toBeNull();
  });
  test('one far from the others is asked about and stays in the mean', () => {
    expect(farReadings([18.2, 18.4, 18.3, 25], 0.1)).toEqual([25]);
    expect(farReadings([18.2, 18.4, 18.3, 18.6], 0.1)).toEqual([]);
    expect(farReadings([18.2, 25], 0.1)).toEqual([]);
    const [first] = inspected({ lengths: { tail: ['18.2 mm', '18.4 mm', '18.3 mm', '25 mm'] } }).specimens;
    expect(first?.lengths[0]).toMatchObject({ mm: 19.975, n: 4, asked: [25] });
  });
  test('an interval of the mean and of the spread, against tables', () => {
    // n = 5, mean 10, s = 1: t(0.975, 4) = 2.776, χ² = 11.143 and 0.484.
    const values = [-1, -0.5, 0, 0.5, 1].map((each) => 10 + each / Math.sqrt(0.625));
    expect(summary(values).sd).toBeCloseTo(1, 12);
    expect(meanInterval(values)?.[0]).toBeCloseTo(10 - 2.776 / Math.sqrt(5), 3);
    expect(spreadInterval(values)?.[0]).toBeCloseTo(Math.sqrt(4 / 11.143), 3);
    expect(spreadInterval(values)?.[1]).toBeCloseTo(Math.sqrt(4 / 0.484), 2);
  });
});

describe('a series', () => {
  // NIST/SEMATECH e-Handbook 6.3.2.2: ten flow rates, mean 50.81, limits 45.8159 and 55.8041 by 3/1.128.
  const RATES = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];
  test('limits of individuals as the handbook has them', () => {
    const limits = limitsOf(RATES);
    expect(Math.abs((limits?.low ?? 0) - 45.8159)).toBeLessThan(0.002);
    expect(Math.abs((limits?.high ?? 0) - 55.8041)).toBeLessThan(0.002);
    expect(limitsOf(RATES.slice(0, 7))).toBeNull();
  });
  const numbers = Array.from({ length: 12 }, (_, i) => i + 1);
  test('drift is told from scatter, with where it begins', () => {
    const grown = numbers.map((n) => 18 + 0.3 * Math.max(0, n - 4) + 0.1 * normalOf(7, n, 0));
    const drift = driftOf(grown, numbers);
    expect(drift?.perFly).toBeCloseTo(0.3, 1);
    expect(Math.abs((drift?.from ?? 0) - 3)).toBeLessThanOrEqual(1);
  });
  test('scatter alone is taken for drift about once in twenty', () => {
    const seeds = Array.from({ length: 400 }, (_, seed) => seed);
    const taken = seeds.filter(
      (seed) =>
        driftOf(
          numbers.map((n) => normalOf(seed, n, 3)),
          numbers,
        ) !== null,
    );
    expect(taken.length / seeds.length).toBeGreaterThan(0.02);
    expect(taken.length / seeds.length).toBeLessThan(0.09);
  });
  test('names the step a drifting measure comes from, and what comes out long', () => {
    const told = inspected(...numbers.map((n) => ({ lengths: { tail: [mm(measure('tail').planMm + 0.4 * n)] } })));
    const [tails] = told.series;
    expect(tails).toMatchObject({ measure: 'tail', n: 12, drift: 0.4, since: 1 });
    expect(tails?.step?.title).toContain('Tail');
    expect(tails?.words).toEqual([expect.stringMatching(/^tail grows 0\.40 mm a fly \(step \d+, Tail/)]);
  });
});

describe('a fly as it came out', () => {
  const KEYS = ['tail', 'flash', 'wing', 'collar.fibre', 'hook.shank', 'eyes.at', 'hook.gap'];
  test('has every measure that was taken, whichever leans on which', () => {
    fc.assert(
      fc.property(
        fc.subarray(KEYS, { minLength: 1 }),
        fc.array(fc.double({ min: 0.9, max: 1.12, noNaN: true }), { minLength: 7, maxLength: 7 }),
        (keys, shares) => {
          const found = keys.map((key, i) => ({ measure: measure(key), mm: measure(key).planMm * (shares[i] ?? 1) }));
          const tied = solveTied(laid, NOMINAL_DRAWERS, { found, dryMg: null, askew: new Map() });
          if (!tied.ok) throw new Error(JSON.stringify(tied.faults));
          for (const { measure: each, mm: wanted } of found)
            expect(Math.abs((each.on(tied.value.laid) ?? 0) - wanted)).toBeLessThan(0.02);
        },
      ),
      { numRuns: 40 },
    );
  });
  test('what was not measured stays as planned; what leans on what was follows it', () => {
    const tied = solveTied(laid, NOMINAL_DRAWERS, {
      found: [{ measure: measure('tail'), mm: 25 }],
      dryMg: null,
      askew: new Map(),
    });
    if (!tied.ok) throw new Error('no fly');
    expect(measure('wing').on(tied.value.laid)).toBeCloseTo(measure('wing').planMm, 6);
    expect(measure('flash').on(tied.value.laid)).toBeCloseTo(27, 2);
  });
  test('nothing measured is the plan itself', () => {
    const [report] = inspected({}).specimens;
    const { balance } = settleFly(laid);
    expect(report?.asTied).toMatchObject({ ride: balance.tight.ride });
    expect(report?.asTied.sink_mm_s).toBeCloseTo(balance.sink?.terminal ?? 0, 3);
    expect(report).toMatchObject({ verdict: 'keep', measured: { found: 0 } });
  });
  test('a scale’s word is laid on the parts by how far off each may be, and adds up', () => {
    const heavier = heavierBy(laid, laid.dryMg - 60);
    expect(heavier.reduce((sum, { byMg }) => sum + byMg, 0)).toBeCloseTo(-60, 9);
    // Eyes nobody weighed may be far lighter than solid ones: they take the most of it.
    const ball = heavier.find(({ part }) => part.file.id === 'eyes');
    expect(ball?.byMg).toBeLessThan(-40);
    const [light, plain] = [inspected({ weight: [`${(laid.dryMg - 60).toFixed(1)} mg`] }), inspected({})];
    expect(light.specimens[0]?.asTied.sink_mm_s).toBeLessThan(plain.specimens[0]?.asTied.sink_mm_s ?? 0);
  });
});

describe('what is offered', () => {
  test('a fly that rides otherwise is tied again, from the first step of what is off', () => {
    const up = fly([
      eyes({ material: 'brass', diameter: '3 mm', at: 'station 2', side: 'top' }),
      strip({ length: '30 mm' }),
    ]);
    const rides = (diameter: string) => {
      const made = inspectFlies(up, [specimen({ lengths: { 'eyes.diameter': [diameter] } })], NOMINAL_DRAWERS);
      if (!made.ok) throw new Error(JSON.stringify(made.faults));
      return made.value.specimens[0];
    };
    const plan = rides('3 mm');
    const other = rides(plan?.asTied.ride === 'point-up' ? '1.2 mm' : '6 mm');
    expect(plan?.verdict).toBe('keep');
    expect(other?.asTied.ride).not.toBe(plan?.asTied.ride);
    expect(other?.verdict).toBe('retie');
    expect(other?.fromStep).toBeGreaterThan(0);
    expect(other?.why[0]).toMatch(/^it rides .*, the plan /);
  });
  test('what leans on a part that came out long is asked to be long with it', () => {
    const [plan, flash] = [measure('tail').planMm, measure('flash').planMm];
    const with3 = (more: number) =>
      inspected({ lengths: { tail: [mm(plan + 3)], flash: [mm(flash + more)] } }).specimens[0];
    const told = (more: number) => with3(more)?.lengths.find(({ part }) => part === 'flash');
    expect(told(3)).toMatchObject({ off: expect.closeTo(3, 1), here_mm: expect.closeTo(flash + 3, 1), in: true });
    expect(told(0)?.in).toBe(false);
    expect(with3(3)?.snip).toBeNull();
    // Of one that leans on nothing what is asked stays.
    expect(with3(3)?.lengths.find(({ part }) => part === 'tail')?.here_mm).toBeCloseTo(plan, 3);
  });
  test('strands of flash that are too long are cut; hair never is', () => {
    const long = (key: string) => inspected({ lengths: { [key]: [mm(measure(key).planMm + 6)] } }).specimens[0];
    expect(long('flash')?.snip).toMatch(/^take \d+\.\d mm off flash$/);
    expect(long('tail')?.snip).toBeNull();
  });
});

describe('what is learnt', () => {
  const flies = (count: number, of: (n: number) => Loose): Inspected =>
    inspected(...Array.from({ length: count }, (_, i) => of(i + 1)));
  test('hooks that measure otherwise than their packet, with an interval that leaves it out', () => {
    const shank = measure('hook.shank').planMm;
    const told = flies(5, (n) => ({ lengths: { 'hook.shank': [mm(shank + 0.5 + 0.1 * normalOf(1, n, 0))] } }));
    const [hook] = told.learnt;
    expect(hook).toMatchObject({ what: 'hook.shank', goesTo: 'drawers', unit: 'mm' });
    expect(hook?.interval[0]).toBeGreaterThan(shank);
    expect(flies(5, (n) => ({ lengths: { 'hook.shank': [mm(shank + 0.1 * normalOf(1, n, 0))] } })).learnt).toEqual([]);
  });
  test('what was learnt of hook and eyes is taken into the pattern as a tier writes it; lengths are not', () => {
    const told = flies(9, (n) => ({
      lengths: {
        'hook.shank': [mm(measure('hook.shank').planMm + 0.5)],
        tail: [mm(measure('tail').planMm + 1 + 0.01 * n)],
      },
      weight: [`${(laid.dryMg - 60 + n / 100).toFixed(2)} mg`],
    }));
    const taken = (what: string) => {
      const learnt = told.learnt.find((each) => each.what === what);
      return learnt && withLearnt(runner, learnt);
    };
    const shank = (measure('hook.shank').planMm + 0.5).toFixed(1);
    expect(taken('hook.shank')?.platform).toMatchObject({ shank: `${shank} mm` });
    const own = taken('weight of eyes')?.parts.find(({ id }) => id === 'eyes');
    const weighed = layFly(taken('weight of eyes') ?? runner);
    expect(own).toMatchObject({ mass: expect.stringMatching(/^0\.\d{3} g$/) });
    expect(weighed.ok && weighed.value.dryMg).toBeLessThan(laid.dryMg - 40);
    expect(taken('tail')).toBeNull();
  });
  test('a spread that is none of the usual, of eight flies on', () => {
    const near = (count: number) =>
      flies(count, (n) => ({ lengths: { tail: [mm(measure('tail').planMm * (1 + 0.01 * normalOf(2, n, 0)))] } }));
    expect(near(7).learnt).toEqual([]);
    expect(near(12).learnt).toEqual([expect.objectContaining({ what: 'spread of tail', goesTo: 'hands', was: 0.05 })]);
  });
  test('eyes nobody weighed, by flies on the scale; no surer than a scale can tell', () => {
    const ball = laid.parts.find(({ file }) => file.id === 'eyes')?.massMg ?? 0;
    const told = flies(6, (n) => ({ weight: [`${(laid.dryMg - 0.25 * ball + normalOf(3, n, 0)).toFixed(2)} mg`] }));
    const [weight] = told.learnt;
    expect(weight).toMatchObject({ what: 'weight of eyes', was: expect.closeTo(ball, 3) });
    expect(weight?.now).toBeLessThan(0.85 * ball);
    expect((weight?.interval[1] ?? 0) - (weight?.interval[0] ?? 0)).toBeGreaterThan(10);
  });
});

describe('bad input', () => {
  const faultsOf = (more: Loose): string[] => {
    const read = readDocument(SPECIMEN_KIND, { format: 'jobbet.specimen', version: 1, fly: 'a', ...more });
    const made = read.ok ? inspectFlies(runner, [read.value], NOMINAL_DRAWERS) : read;
    return made.ok ? [] : made.faults.map(({ path, message }) => `${path}: ${message}`);
  };
  test.each([
    [{ lengths: { tial: ['18 mm'] } }, /^0\.lengths\.tial: .*did you mean "tail"/],
    [{ lengths: { tail: ['18 zz'] } }, /^lengths\.tail\[0\]: .*is not a unit of length/],
    [{ lengths: { tail: ['-3 mm'] } }, /^lengths\.tail\[0\]: .*is nothing/],
    [{ lengths: { tail: [] } }, /^lengths\.tail/],
    [{ weight: ['0.93 mm'] }, /^weight\[0\]: /],
    [{ verdict: 'good' }, /^verdict: /],
    [{ lenghts: {} }, /lenghts/],
    [{ jar: { width: '90 mm', depth: '300 mm', falls: [{ time: 'about 3' }] } }, /^jar\.falls\[0\]\.time: /],
    [{ version: 2 }, /^version: .*newer/],
    [{ lengths: { tail: [{ value: '18 mm', hnad: 'own' }] } }, /^lengths\.tail\[0\]\.hnad: .*did you mean "hand"/],
    [
      { photos: [{ file: 'a', view: 'side', landmarks: { eye: [1, 2, 3], bend: [0, 0] } }] },
      /^photos\[0\]\.landmarks\.eye/,
    ],
  ])('%j is named by its place', (more, expected) => {
    expect(faultsOf(more)[0]).toMatch(expected);
  });
  test('whatever stands at whatever place, it is told as a fault', () => {
    const whole = {
      tied: '2025-10-08',
      lengths: { tail: ['18 mm', { value: '18 mm', by: 'caliper' }] },
      weight: ['0.9 g'],
      photos: [{ file: 'a', view: 'side', landmarks: { eye: [1, 2], bend: [1, 2] } }],
      jar: { width: '90 mm', depth: '300 mm', falls: [{ time: '2 s' }] },
      looks: { eyes: 'level' },
      pattern: { name: 'P' },
    };
    const places = (value: unknown, path: string[] = []): string[][] =>
      typeof value === 'object' && value !== null
        ? Object.entries(value).flatMap(([key, each]) => [[...path, key], ...places(each, [...path, key])])
        : [];
    fc.assert(
      fc.property(
        fc.constantFrom(...places(whole)),
        fc.oneof(fc.jsonValue(), fc.constant({ __proto__: null, constructor: ['1 mm'], toString: 1 })),
        fc.boolean(),
        (path, odd, beside) => {
          const copy = structuredClone(whole) as Record<string, unknown>;
          const at = path.slice(0, -1).reduce<Record<string, unknown>>((now, key) => now[key] as typeof now, copy);
          at[beside ? 'odd' : (path.at(-1) ?? '')] = odd;
          const read = readRecord('specimen', { format: 'jobbet.specimen', version: 1, fly: 'a', ...copy });
          expect(read.ok ? headOf('specimen', read.value).fly : read.faults.length > 0).toBeTruthy();
        },
      ),
      { numRuns: 300 },
    );
  });
  test('a length no fly has is told by the fly it is of', () => {
    expect(faultsOf({ number: 4, lengths: { tail: ['900 m'] } })[0]).toMatch(/^fly 4: /);
  });
});

describe('what a tier looks at', () => {
  const keys = (): string[] => looksOf(laid).map(({ key }) => key);

  test('is of the parts the fly has, what may come off before what is not even, the whole fly last', () => {
    expect(keys()).toEqual([
      'tail holds',
      'eyes turns',
      'wing on top',
      'eyes level',
      'collar round',
      ...(laid.headMm > 0 ? ['head'] : []),
      'strays',
      'ring',
    ]);
  });

  test('asks of a wing that is tied in beneath whether it hangs straight, not whether it is on top', () => {
    const under = layFly(
      fly([
        strip({ id: 'wing', boundAt: ['bend'], at: 'station 3', length: '1.6 shank', width: '3 mm', side: 'bottom' }),
      ]),
    );
    expect(under.ok && looksOf(under.value).map(({ key }) => key)).toEqual(
      expect.arrayContaining(['wing straight below']),
    );
  });

  test('is said of a pair as a pair, of a rib as a rib', () => {
    const pair = layFly(fly([body({}), rib(), feathers({ id: 'cheeks' })]));
    if (!pair.ok) throw new Error('does not lay out');
    expect(looksOf(pair.value).map(({ key }) => key)).toEqual(expect.arrayContaining(['cheeks alike', 'rib even']));
  });
});
