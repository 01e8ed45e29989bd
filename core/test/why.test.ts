import { layDeviant } from '../src/study/tolerance/deviant.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { reportFly } from '../src/model/solve/report.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { formatMoment, METRIC, type Style } from '../src/units/format.ts';
import { ASKED, whyOf, type Asked } from '../src/study/explain/why.ts';
import { body, eyes, feathers, fly, laid, tail } from './build.ts';

const it = laid([eyes({ diameter: '5 mm' }), tail(), body()], { intent: { ride: 'point-up' } });
const IMPERIAL: Style = { length: 'in', mass: 'gr', speed: 'ft/s', temperature: 'F', decimal: ',' };
const figure = (of: LaidFly, asked: Asked, words: string): string =>
  whyOf(asked, of, METRIC).terms.find((term) => term.words.includes(words))?.figure ?? `no "${words}"`;

describe('every figure', () => {
  const floating = laid([tail({ material: 'closed-cell foam', pinch: '9 mm', construction: 'bundle' })]);
  test.each(ASKED)('%s is answered in whole words, with its rule, its source and how far to trust it', (asked) => {
    for (const each of [it, floating, laid([])])
      for (const style of [METRIC, IMPERIAL]) {
        const why = whyOf(asked, each, style);
        for (const text of [why.title, why.says, why.source, why.belief]) expect(text.length).toBeGreaterThan(3);
        for (const told of [why.says, ...why.terms.map((term) => `${term.words} ${term.figure}`)])
          expect(told).not.toMatch(/NaN|Infinity|undefined|null/);
      }
  });
});

describe('its terms are those of the report', () => {
  const report = reportFly(settleFly(it));
  test('keel moment, and what each part brings to it', () => {
    expect(figure(it, 'heel', 'above and below')).toBe(
      Object.values(formatMoment(report.keel.tight.moment_mg_mm)).join(' '),
    );
    expect(figure(it, 'keel', 'eyes, toward point-up')).not.toContain('no "');
    expect(figure(it, 'keel', 'hook, toward point-down')).not.toContain('no "');
  });
  test.each([
    ['a bare hook hangs by its bend', laid([tail()]), 'point-down'],
    ['heavy eyes on top turn it over', laid([eyes({ diameter: '6 mm' }), tail()]), 'point-up'],
    ['on a jig too', laid([tail()], { platform: { kind: 'jig', size: '6' } }), null],
    ['under the shank they hold it', laid([eyes({ diameter: '6 mm', side: 'bottom' }), tail()]), 'point-down'],
  ])('the way the keel moment turns it is the way it rides: %s', (_what, each, ride) => {
    expect(whyOf('keel', each, METRIC).says).toContain(`turn the fly ${each.tight.ride}.`);
    if (ride !== null) expect(each.tight.ride).toBe(ride);
  });
  test('the two shares of the drag add up to the weight under water', () => {
    const grams = (text: string): number => Number.parseFloat(text) / (text.endsWith('mg') ? 1000 : 1);
    const [below, front] = ['outline from below', 'front, trailing parts'].map((words) =>
      grams(figure(it, 'sink', words)),
    );
    expect((below ?? 0) + (front ?? 0)).toBeCloseTo(report.weight.submerged_mg / 1000, 1);
  });
  test('tipping weight, time to a metre, droop', () => {
    const { tipping } = report.keel;
    expect(whyOf('tipping', it, METRIC).says).toContain(`${((tipping?.mass_mg ?? 0) / 1000).toFixed(2)} g`);
    expect(whyOf('depth', it, METRIC).says).toContain(`1 m in ${(report.sink?.timeTo1m_s ?? 0).toFixed(1)} s`);
    expect(figure(it, 'droop', 'at 30 cm/s')).toBe(`${report.trim.droop_deg['300'].toFixed(0)}°`);
  });
});

test('a fly with a heavier slip is told to lean, by which part and to which side', () => {
  const even = laid([feathers({ form: 'slips' })]);
  expect(whyOf('heel', even, METRIC).says).toContain('upright');
  const came = layDeviant(even, NOMINAL_DRAWERS, [{ part: 'feathers', kind: 'split', off: 0.25 }]);
  if (!came.ok) throw new Error('not tied');
  // The near slip is heavier and goes down; the point, below the shank, swings to the far side.
  const { says } = whyOf('heel', came.value, METRIC);
  expect(says).toMatch(
    /leans 0\.6°, the point to the far side: its near side is the heavier one, most by the feathers/,
  );
});

test('a drag as it was timed is told', () => {
  const timed = laid([eyes(), tail()], { measured: { dragFactor: 1.4 } });
  const plain = laid([eyes(), tail()]);
  expect(figure(timed, 'sink', 'as it was timed')).toBe('1.40');
  const [slow, quick] = [timed, plain].map((each) => reportFly(settleFly(each)).sink?.terminal_mm_s ?? 0);
  expect(slow).toBeLessThan(quick ?? 0);
  expect(() => fly([eyes()], { measured: { dragFactor: 9 } })).toThrow('measured.dragFactor');
});
