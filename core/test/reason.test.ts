import fc from 'fast-check';
import { readFlyValue } from '../src/pattern/read.ts';
import { reportFly } from '../src/model/solve/report.ts';
import { solveFly } from '../src/model/solve/solveFly.ts';
import { summarySchema } from '../src/contract/stored.ts';
import { summarise } from '../src/contract/summary.ts';
import { nearest } from '../src/base/nearest.ts';
import { body, eyes, faultsOf, strip, tail } from './build.ts';

const NINES = '9'.repeat(180);

describe('what no fly has is refused with its place', () => {
  test.each([
    [`${NINES} mm`, 'more than can be measured'],
    [`${NINES} shank`, 'more than can be measured'],
    ['1.2 m', null],
    ['1200 mm', '1200 mm'],
    ['60 shank', String(Math.round(60 * 21.3))],
  ])('a tail of %s', (length, size) => {
    const [fault] = faultsOf([tail({ length })]);
    if (size === null) expect(fault).toMatch(/^parts\[0\]\.length: /);
    else expect(fault).toMatch(/^parts\[0\]\.length: comes to .+; nothing on a fly is over 1 m$/);
  });
  test('a metre itself is taken', () => {
    expect(faultsOf([tail({ length: '1000 mm' })])).toEqual([]);
  });
  test.each([
    ['a place', [tail({ at: `bend + ${NINES} mm` })], 'parts[0].at'],
    ['a diameter', [eyes({ diameter: '1001 mm' })], 'parts[0].diameter'],
    ['a body', [body({ diameter: '2000 mm' })], 'parts[0].diameter'],
    ['a strip', [strip({ width: `${NINES} mm` })], 'parts[0].width'],
    ['one that leans on it', [tail({ length: '900 mm' }), tail({ id: 'flash', length: '2 tail' })], 'parts[1].length'],
  ])('%s', (_what, parts, path) => {
    expect(faultsOf(parts)[0]).toMatch(`${path}: comes to `);
  });
  test.each([
    [{ kind: 'single', shank: '1100 mm', gap: '8 mm', wire: '1 mm' }, 'platform.shank: comes to 1100 mm'],
    [{ kind: 'single', size: '6', headSpace: '1001 mm' }, 'platform.headSpace: comes to 1001 mm'],
    [{ kind: 'tube', length: '2000 mm' }, 'platform.length: comes to 2000 mm'],
    [{ kind: 'single', shank: '900 mm', gap: '300 mm', wire: '60 mm' }, 'platform: the single comes to'],
  ])('a platform: %j', (platform, words) => {
    expect(faultsOf([], { platform })[0]).toMatch(words);
  });
  test('a part of over a kilogram', () => {
    expect(faultsOf([eyes({ mass: '1.2 m' })])[0]).toMatch(/^parts\[0\]\.mass/);
    expect(faultsOf([eyes({ mass: '1001 g' })])[0]).toBe(
      'parts[0]: the eyes comes to 1.0 kg; nothing on a fly is over 1 kg',
    );
    expect(faultsOf([eyes({ mass: '999 g' }), eyes({ id: 'eyes-2', mass: '999 g' })])[0]).toMatch(
      /^the fly comes to 2\.0 kg/,
    );
  });
  test('depths are none of it', () => {
    expect(faultsOf([tail()], { intent: { depth: '40 m' } })).toEqual([]);
  });
});

/** Figures as nobody writes them, in every place that takes a length. */
const wild = fc
  .tuple(
    fc.oneof(
      fc.integer({ min: 0, max: 300 }).map((n) => `1${'0'.repeat(n % 190)}`),
      fc.constantFrom(NINES, '0', '0.000000001', '-3', '1/3', '½'),
    ),
    fc.constantFrom('mm', 'in', 'shank', 'gap', 'tail', 'body.diameter', 'wire'),
  )
  .map(([figure, unit]) => `${figure} ${unit}`);

test('whatever lengths are written, a fly either has faults with a place, or all its figures are numbers', () => {
  fc.assert(
    fc.property(wild, wild, wild, wild, fc.integer({ min: 0, max: 5 }), (a, b, c, d, which) => {
      const parts = [
        tail({ length: a, pinch: which === 1 ? b : '2 mm' }),
        body({ diameter: which === 2 ? b : '3 mm' }),
        eyes({ diameter: which === 3 ? c : '4 mm', at: which === 4 ? `bend + ${c}` : 'station 2' }),
        strip({ width: which === 5 ? d : '3 mm' }),
      ];
      const read = readFlyValue({
        format: 'jobbet.fly',
        version: 1,
        name: 'Wild',
        platform: { kind: 'single', size: '6' },
        parts,
      });
      const solved = read.ok ? solveFly(read.value) : read;
      if (!solved.ok) {
        for (const fault of solved.faults) expect(fault.message).not.toBe('');
        return;
      }
      expect(summarySchema.safeParse(JSON.parse(JSON.stringify(summarise(solved.value)))).success).toBe(true);
      JSON.stringify(reportFly(solved.value), (key, value: unknown) => {
        if (typeof value === 'number' && !Number.isFinite(value)) throw new Error(`${key} is ${String(value)}`);
        return value;
      });
    }),
    { numRuns: 400 },
  );
});

describe('words that are not known', () => {
  test('over 80 signs nothing is suggested, and they are quoted in part', () => {
    expect(nearest('a'.repeat(81), ['a'.repeat(80)])).toBeNull();
    expect(nearest('tial', ['tail'])).toBe('tail');
    const [fault] = faultsOf([tail({ ['k'.repeat(5000)]: 1 })]);
    expect(fault?.length).toBeLessThan(700);
    expect(fault).toContain(`unknown key "${'k'.repeat(80)}…"`);
  });
  test('of very many faults the first fifty are told', () => {
    const many = Object.fromEntries(Array.from({ length: 20_000 }, (_, i) => [`key${String(i)}`, i]));
    expect(faultsOf([tail(many)])).toHaveLength(50);
    expect(faultsOf(Array.from({ length: 60 }, () => ({ colour: 3 })))).toHaveLength(50);
  });
});
