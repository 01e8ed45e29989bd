import {
  formatAngle,
  formatDepth,
  formatLength,
  formatMass,
  formatSpeed,
  formatTemperature,
  METRIC,
} from '../src/units/format.ts';
import { editDistance, nearest } from '../src/base/nearest.ts';
import { parseQuantity } from '../src/units/quantity.ts';
import { saying } from '../src/units/saying.ts';
import { readTyped, readTypedNumber, withUnit } from '../src/units/typed.ts';

const mm = (text: string): number => {
  const read = parseQuantity('length', text);
  if (!read.ok) throw new Error(read.message);
  return read.value;
};

describe('lengths as people write them', () => {
  test.each([
    ['5/32 in', 3.96875],
    ['1 1/2 in', 38.1],
    ['.020"', 0.508],
    ['3.3 mm', 3.3],
    ['3,3mm', 3.3],
    ['⅝"', 15.875],
    ['1½ in', 38.1],
    ['2 cm', 20],
    ['0.5 m', 500],
    ['1 ft', 304.8],
    ['5/32″', 3.96875],
    [' 4 MM ', 4],
  ])('%s is %f mm', (text, value) => {
    expect(mm(text)).toBeCloseTo(value, 6);
  });

  test('the exact text is kept', () => {
    expect(parseQuantity('length', ' 5/32 in ')).toMatchObject({ ok: true, text: '5/32 in' });
  });
  test.each([
    ['5', 'no-unit'],
    ['⅝', 'no-unit'],
    ['0.25 gauge', 'ambiguous'],
    ['1,500 mm', 'ambiguous'],
    ['1.500,2 mm', 'ambiguous'],
    ['1,5.2 mm', 'ambiguous'],
    ['5/0 in', 'ambiguous'],
    ['mm', 'syntax'],
    ['5 parsecs', 'syntax'],
    ['', 'syntax'],
  ])('%s is not taken: %s', (text, code) => {
    expect(parseQuantity('length', text)).toMatchObject({ ok: false, code });
  });
});

describe('other quantities', () => {
  test('grams, milligrams and grains; gm is asked back', () => {
    expect(parseQuantity('mass', '0.52 g')).toMatchObject({ value: 520 });
    expect(parseQuantity('mass', '10 gr')).toMatchObject({ value: 647.9891 });
    expect(parseQuantity('mass', '5 gm')).toMatchObject({ ok: false, code: 'ambiguous' });
  });
  test('speeds, temperatures and salinity', () => {
    expect(parseQuantity('speed', '0.5 m/s')).toMatchObject({ value: 500 });
    expect(parseQuantity('temperature', '-2 C')).toMatchObject({ value: -2 });
    const boiling = parseQuantity('temperature', '212 F');
    expect(boiling.ok && boiling.value).toBeCloseTo(100, 9);
    expect(parseQuantity('salinity', '20 g/kg')).toMatchObject({ value: 20 });
  });
});

describe('figures for reading', () => {
  test('0.1 mm, and 0.01 mm below two', () => {
    expect(formatLength(31.26)).toEqual({ figure: '31.3', unit: 'mm' });
    expect(formatLength(0.508)).toEqual({ figure: '0.51', unit: 'mm' });
    expect(formatLength(-0.0001).figure).toBe('0.0');
  });
  test('inches in fractions that reduce', () => {
    const inches = { ...METRIC, length: 'in' as const };
    expect(formatLength(3.96875, inches)).toEqual({ figure: '5/32', unit: 'in' });
    expect(formatLength(38.1, inches).figure).toBe('1 1/2');
    expect(formatLength(0.4, inches).figure).toBe('1/64');
    expect(formatLength(-6.35, inches).figure).toBe('−1/4');
    expect(formatLength(25.4, inches).figure).toBe('1');
  });
  test('the decimal sign goes through every figure', () => {
    const comma = { ...METRIC, decimal: ',' as const };
    expect([formatLength(31.26, comma).figure, formatMass(970, comma).figure, formatSpeed(15, comma).figure]).toEqual([
      '31,3',
      '0,97',
      '1,5',
    ]);
  });
  test('masses, speeds, temperatures, angles', () => {
    expect(formatMass(970)).toEqual({ figure: '0.97', unit: 'g' });
    expect(formatMass(6.7)).toEqual({ figure: '6.7', unit: 'mg' });
    expect(formatMass(647.9891, { ...METRIC, mass: 'gr' })).toEqual({ figure: '10.0', unit: 'grains' });
    expect(formatSpeed(304.8, { ...METRIC, speed: 'ft/s' })).toEqual({ figure: '1.00', unit: 'ft/s' });
    expect(formatTemperature(10, { ...METRIC, temperature: 'F' }).figure).toBe('50');
    expect(formatAngle(-0.2)).toBe('0');
  });
});

describe('figures in a sentence', () => {
  test('a depth to a centimetre, or to a tenth of a foot', () => {
    expect(saying(METRIC).depth(250)).toBe('0.25 m');
    expect(saying({ ...METRIC, decimal: ',' }).depth(1310)).toBe('1,31 m');
    expect(saying({ ...METRIC, length: 'in' }).depth(1310)).toBe('4.3 ft');
    expect(formatDepth(18_000)).toEqual({ figure: '18', unit: 'm' });
    expect(formatDepth(1600)).toEqual({ figure: '1.6', unit: 'm' });
  });
});

describe('the nearest right name', () => {
  test('a swap of neighbours is one slip', () => {
    expect(editDistance('tial', 'tail')).toBe(1);
  });
  test('what is far from everything is not suggested', () => {
    expect(nearest('lenght', ['length', 'width'])).toBe('length');
    expect(nearest('xylophone', ['tail', 'rib'])).toBeNull();
  });
});

describe('a bare number', () => {
  test.each([
    ['35', 'mm', '35 mm'],
    [' 1/8 ', 'in', '1/8 in'],
    ['−4,5', 'mm', '−4,5 mm'],
    ['35 mm', 'in', '35 mm'],
    ['1.2 shank', 'mm', '1.2 shank'],
    ['1,500', 'mm', '1,500'],
    ['', 'mm', ''],
  ])('%s where %s is shown is %s', (text, unit, is) => {
    expect(withUnit(text, unit)).toBe(is);
  });
});

describe('what is typed into a field', () => {
  const figure = (value: number) => ({ is: 'figure', value: expect.closeTo(value, 9) as number });
  const wrong = (part: string) => ({ is: 'wrong', message: expect.stringContaining(part) as string });
  test.each([
    ['', undefined, { is: 'nothing' }],
    [' \u00a0', undefined, { is: 'nothing' }],
    ['3 m', undefined, figure(3000)],
    ['5/32', 'in', figure(3.96875)],
    ['12', 'cm', figure(120)],
    ['12 mm', 'cm', figure(12)],
    ['12', undefined, wrong('no unit')],
    ['12 elbows', 'cm', wrong('not a unit')],
    ['1,500', 'mm', wrong('may be a thousand')],
    ['far', 'mm', wrong('does not begin with a number')],
  ])('a length "%s", bare ones in %s', (text, bare, read) => {
    expect(readTyped('length', text, bare === undefined ? {} : { bare })).toEqual(read);
  });
  test('is held within what it must be, with its own unit or a bare one', () => {
    expect(readTyped('length', '0 mm', { above: 0 })).toEqual(wrong('not above 0'));
    expect(readTyped('length', '0', { bare: 'mm', least: 0 })).toEqual(figure(0));
    expect(readTyped('speed', '-1', { bare: 'cm/s', least: 0 })).toEqual(wrong('below 0'));
    expect(readTyped('length', '2 cm', { most: 19 })).toEqual(wrong('above 19'));
  });
  test.each([
    ['4,5', figure(4.5)],
    ['−4,5', figure(-4.5)],
    ['-0.5', figure(-0.5)],
    ['1 1/2', figure(1.5)],
    ['4 mm', wrong('not a number')],
    ['--4', wrong('not a number')],
    ['1/0', wrong('divides by zero')],
    ['', { is: 'nothing' }],
  ])('a plain number "%s"', (text, read) => {
    expect(readTypedNumber(text)).toEqual(read);
  });
});
