import { seriesText, type TableColumn } from '../src/features/drawers/cells.ts';
import { COLUMNS, readDrawers, DRAWERS, type DrawerItem, type HookItem, type WeightItem } from '@jobbet/core/drawers';
import { METRIC } from '@jobbet/core/units';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  cellText,
  headFor,
  measuresOf,
  nominalText,
  own,
  sortValue,
  typedCell,
  withSeries,
} from '../src/features/drawers/cells.ts';
import { allColumns, columnsOf, setsOf } from '../src/features/drawers/columnSets.ts';
import { readCsv, writeCsv } from '../src/features/drawers/csv.ts';
import { newItem } from '../src/features/drawers/newItem.ts';
import { moved } from '../src/features/drawers/useGrid.ts';
import { landingColumn } from '../src/features/drawers/useWriting.ts';
import type { Measures } from '../src/shared/instruments/store.ts';
import { countsOf } from '../src/features/drawers/usedBy.ts';
import { fly, listed } from './build.ts';

const file = readDrawers(
  JSON.parse(readFileSync(join(import.meta.dirname, '../../examples/drawers.json'), 'utf8')) as unknown,
);
if (!file.ok) throw new Error(JSON.stringify(file.faults));
const drawers = file.value;
const INCHES = { ...METRIC, length: 'in', mass: 'gr' } as const;
const column = (drawer: 'hooks' | 'weights', key: string) => {
  const found = COLUMNS[drawer].find((each) => each.key === key);
  if (!found) throw new Error(key);
  return found;
};
const hook: HookItem = { name: 'a', form: 'double', size: '6', shankMm: 25.4 };

test('flies that name an item are counted, by any name it goes by', () => {
  const on = (packet: string) => listed(fly({ platform: { kind: 'single', size: '6', packet } }));
  const broken = { ...on('sixes'), listed: null };
  const count = countsOf([on('sixes'), on('SIXES'), on('old sixes'), on('eights'), listed(), broken], 'hooks');
  expect(count({ ...hook, name: 'Sixes', also: ['old sixes'] })).toBe(3);
  expect(count({ ...hook, name: 'fours' })).toBe(0);
  const materials = countsOf([listed(), listed(fly({ parts: [] }))], 'materials');
  expect(materials({ ...hook, name: 'Marabou' })).toBe(1);
});

describe('cells', () => {
  test('every column of every drawer is in one of its sets, and each set begins with the name', () => {
    for (const drawer of DRAWERS) {
      const sets = setsOf(drawer).map((set) => columnsOf(drawer, set, () => 0).map((each) => each.key));
      const seen = new Set(sets.flat());
      expect(
        allColumns(drawer)
          .filter((each) => !seen.has(each.key))
          .map((each) => each.key),
      ).toEqual([]);
      for (const keys of sets) expect([keys[0], new Set(keys).size]).toEqual(['name', keys.length]);
    }
  });

  test('a length is shown and taken in the unit of the one who reads it', () => {
    const shank = column('hooks', 'shankMm');
    expect([headFor(shank, METRIC), cellText(hook, own(shank), METRIC)]).toEqual(['shank (mm)', '25.4']);
    expect([headFor(shank, INCHES), cellText(hook, own(shank), INCHES)]).toEqual(['shank (in)', '1']);
    const typed = (text: string, style: typeof METRIC | typeof INCHES): unknown => {
      const read = typedCell('hooks', hook, shank, text, style);
      return read.ok ? (read.value as HookItem).shankMm : read.faults[0]?.message;
    };
    expect(typed('0.5', INCHES)).toBeCloseTo(12.7);
    expect(typed('1/2', INCHES)).toBeCloseTo(12.7);
    expect(typed('12 mm', INCHES)).toBe(12);
    expect(typed('1/2 in', METRIC)).toBeCloseTo(12.7);
    expect(typed('12,5', { ...METRIC, decimal: ',' })).toBe(12.5);
    expect(typed('', METRIC)).toBeUndefined();
    expect(typed('twelve', METRIC)).toContain('not a number');
  });

  test('what is not measured shows what it is nominally, and sorts last', () => {
    expect(nominalText('hooks', hook, own(column('hooks', 'shankMm')), METRIC)).toBeNull();
    expect(nominalText('hooks', hook, own(column('hooks', 'gapMm')), METRIC)).toMatch(/^≈ \d+\.\d$/);
    expect(nominalText('hooks', hook, own(column('hooks', 'gapN')), METRIC)).toBeNull();
    expect(sortValue(hook, own(column('hooks', 'gapMm')))).toBeUndefined();
  });

  test('a series is a mean, how many and a spread; one piece has no spread', () => {
    const gap = { key: 'gapMm', name: 'gap' };
    const first = withSeries(hook, gap, { mean: 7.12345, n: 3, sd: 0.0512 }, false) as HookItem;
    expect(first).toMatchObject({ gapMm: 7.123, gapN: 3, gapSdMm: 0.051 });
    const again = withSeries(first, gap, { mean: 7, n: 1, sd: null }, false);
    expect(again).toMatchObject({ gapMm: 7, gapN: 1 });
    expect(again).not.toHaveProperty('gapSdMm');
    expect(again).not.toHaveProperty('note');
  });

  test('a stand-in’s reading is told in the note until a real one takes its place', () => {
    const [gap, wire] = [
      { key: 'gapMm', name: 'gap' },
      { key: 'wireMm', name: 'wire' },
    ];
    const one = { mean: 1, n: 1, sd: null };
    const noted: HookItem = { ...hook, note: 'from the ferry' };
    const both = withSeries(withSeries(noted, gap, one, true), wire, one, true);
    expect(both).toMatchObject({ note: 'from the ferry (simulated: gap, wire)' });
    const left = withSeries(both, gap, one, false);
    expect(left).toMatchObject({ note: 'from the ferry (simulated: wire)' });
    expect(withSeries(left, wire, one, false)).toMatchObject({ note: 'from the ferry' });
    expect(withSeries(withSeries(hook, gap, one, true), gap, one, false)).not.toHaveProperty('note');
  });

  test('instruments measure lengths and weights, not counts and spreads', () => {
    const eyes: WeightItem = { name: 'e', form: 'dumbbell', material: 'brass', diameterMm: 4 };
    expect(measuresOf('hooks', hook, column('hooks', 'gapMm'))?.kind).toBe('length');
    expect(measuresOf('weights', eyes, column('weights', 'massMg'))?.nominal).toBeGreaterThan(400);
    for (const key of ['massN', 'massSdMg', 'price'])
      expect(measuresOf('weights', eyes, column('weights', key))).toBeNull();
  });
});

describe('a measure with its series', () => {
  const measured: HookItem = { name: 'long 6', form: 'single', size: '6', shankMm: 26.6, shankN: 10, shankSdMm: 0.254 };
  test.each([
    ['mm', '±0.254 of 10'],
    ['in', '±0.01 of 10'],
  ] as const)('stands beside it in %s, as the figure does', (length, told) => {
    expect(seriesText('hooks', measured, 'shankMm', { ...METRIC, length })).toBe(told);
  });
  test('is left out where nobody measured', () => {
    const { shankN: _n, ...uncounted } = measured;
    expect(seriesText('hooks', uncounted, 'shankMm', METRIC)).toBe('');
    expect(seriesText('hooks', measured, 'gapMm', METRIC)).toBe('');
  });
});

describe('CSV', () => {
  test.each(DRAWERS.map((drawer) => [drawer]))('the drawer of %s comes in again as it went out', (drawer) => {
    const items: readonly DrawerItem[] = drawers[drawer];
    const text = writeCsv(drawer, items);
    const read = readCsv(drawer, text);
    expect([read.faults, read.rows.filter((row) => !row.read.ok)]).toEqual([[], []]);
    const back = read.rows.flatMap((row) => (row.read.ok ? [row.read.value] : []));
    expect(back.map((item) => item.name)).toEqual(items.map((item) => item.name));
    expect(writeCsv(drawer, back)).toBe(text);
  });

  test('semicolons, a byte order mark and a name that looks like a formula', () => {
    const read = readCsv('hooks', '\uFEFFname;form;size;X long\nlong 6;single;6;-2\n');
    expect(read.rows[0]?.read).toEqual({ ok: true, value: { name: 'long 6', form: 'single', size: '6', longX: -2 } });
    const odd: HookItem = { name: '=1+1', form: 'single', size: '6', longX: -1 };
    const text = writeCsv('hooks', [odd]);
    expect(text).toContain("'=1+1");
    expect(text).toContain(',-1');
    const back = readCsv('hooks', text).rows[0]?.read;
    expect(back).toEqual({ ok: true, value: odd });
  });
  test.each([
    ['-2+3', "'-2+3"],
    ["-1+cmd|' /C calc'!A0", "'-1+cmd"],
    ['--', "'--"],
    ['-SUM(A1)', "'-SUM(A1)"],
    ['@x', "'@x"],
  ])('of what begins with a minus only a plain number is none: %s', (name, written) => {
    const odd: HookItem = { name, form: 'single', size: '6', longX: -1 };
    const text = writeCsv('hooks', [odd]);
    expect(text).toContain(written);
    expect(readCsv('hooks', text).rows[0]?.read).toEqual({ ok: true, value: odd });
  });
});

test('a new item is made like the one picked, without what was measured and counted of that, under a free name', () => {
  const eyes: WeightItem = {
    name: 'eyes',
    form: 'dumbbell',
    material: 'brass',
    diameterMm: 4,
    massMg: 400,
    massN: 10,
    count: 3,
  };
  const next = newItem('weights', eyes, [eyes]);
  expect(next).toEqual({ name: 'eyes, another', form: 'dumbbell', material: 'brass', diameterMm: 4 });
  expect(newItem('weights', eyes, next ? [eyes, next] : [])?.name).toBe('eyes, another 2');
  for (const drawer of DRAWERS) expect(newItem(drawer, undefined, [])?.name).toBeTruthy();
});

test('keys walk the grid and stop at its edges', () => {
  const grid = { rows: ['r1', 'r2', 'r3'], cols: ['a', 'b', 'c'], page: 2 };
  const from = { row: 'r2', col: 'b' };
  const to = (key: string, ctrl = false): string => {
    const at = moved(grid, from, key, ctrl);
    return at ? `${at.row}${at.col}` : '';
  };
  expect(
    ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Home', 'End', 'PageUp', 'PageDown', 'x'].map((key) => to(key)),
  ).toEqual(['r1b', 'r3b', 'r2a', 'r2c', 'r2a', 'r2c', 'r1b', 'r3b', '']);
  expect([to('Home', true), to('End', true), to('ArrowDown', true)]).toEqual(['r1a', 'r3c', 'r3b']);
  expect(moved(grid, { row: 'r3', col: 'c' }, 'ArrowRight', false)).toEqual({ row: 'r3', col: 'c' });
});

test('readings land in the lit row: where the focus is, else in the column that took them last, else in the first that is measured', () => {
  const columns = ['name', 'shankMm', 'gapMm'].map((key) => ({ key }) as TableColumn);
  const [name, shank, gap] = columns as [TableColumn, TableColumn, TableColumn];
  const measured = ({ key }: TableColumn): Measures | null => (key === 'name' ? null : { kind: 'length' });
  expect(landingColumn(gap, columns, measured, 'shankMm')).toBe(gap);
  expect(landingColumn(name, columns, measured, 'gapMm')).toBe(gap);
  expect(landingColumn(name, columns, measured, undefined)).toBe(shank);
  expect(landingColumn(name, columns, () => null, 'gapMm')).toBeNull();
});
