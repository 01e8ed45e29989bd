import fc from 'fast-check';
import { COLUMNS, hasColumn } from '../src/drawers/columns.ts';
import { EMPTY_DRAWERS, readDrawers, readItem, writeDrawers } from '../src/drawers/file.ts';
import type { DrawerItem, DrawerItems, HookItem, MaterialItem, WeightItem } from '../src/drawers/items.ts';
import { readRows, withCell, writeRows } from '../src/drawers/rows.ts';
import {
  NOMINAL_SCHOOLS,
  drawersOf,
  NOMINAL_DRAWERS,
  NOMINAL_MATERIALS,
  NOMINAL_THREADS,
} from '../src/drawers/tables.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { solveFly } from '../src/model/solve/solveFly.ts';
import { faultLine } from '../src/base/fault.ts';
import { listedOf } from '../src/contract/summary.ts';
import { mayUse } from '../src/contract/uses.ts';
import { body, eyes, fly, rib, tail } from './build.ts';

const packet: HookItem = {
  name: 'long streamer 6',
  form: 'single',
  size: '6',
  longX: 3,
  shankMm: 26.4,
  shankN: 8,
  shankSdMm: 0.12,
  gapMm: 7.2,
};
const pair: WeightItem = {
  name: 'brass dumbbell 4 mm',
  form: 'dumbbell',
  material: 'brass',
  diameterMm: 4,
  massMg: 380,
  massN: 10,
};
const wire: WeightItem = { name: 'soft wire', form: 'wire', material: 'tin', diameterMm: 0.5, massMg: 150 };
const with_ = (items: Partial<DrawerItems>) => drawersOf({ ...EMPTY_DRAWERS, ...items });

describe('what a fly takes from the drawers', () => {
  const named = fly([eyes({ material: 'brass dumbbell 4 mm' })], {
    platform: { kind: 'single', packet: 'long streamer 6', size: '6', longX: 3 },
  });
  test('a packet’s measures replace the nominal ones, each by itself', () => {
    const laid = layFly(named, with_({ hooks: [packet] }));
    if (!laid.ok) throw new Error('does not lay out');
    const { platform } = laid.value;
    expect([platform.shankMm, platform.gapMm]).toEqual([26.4, 7.2]);
    expect(platform.nominal).toEqual({ shank: false, gap: false, wire: true });
  });
  test('the fly’s own measures win over the packet’s, and another name of it is known', () => {
    const own = { ...named, platform: { ...named.platform, packet: 'LONG sixes', shank: '25 mm' } };
    const laid = layFly(own, with_({ hooks: [{ ...packet, also: ['long sixes'] }] }));
    expect(laid.ok && laid.value.platform.shankMm).toBe(25);
    expect(laid.ok && laid.value.platform.gapMm).toBe(7.2);
  });
  test('a packet that is not there is told, and nominal measures are taken', () => {
    const laid = layFly(named, NOMINAL_DRAWERS);
    expect(laid.ok && laid.value.platform.notes).toEqual([
      'the packet "long streamer 6" is not in the drawers: nominal measures are taken',
    ]);
    expect(laid.ok && laid.value.platform.shankMm).toBeCloseTo(27.105, 2);
  });
  test('a packet of another kind is told', () => {
    const laid = layFly(named, with_({ hooks: [{ ...packet, form: 'double' }] }));
    expect(laid.ok && laid.value.platform.notes.join()).toMatch(/holds a double, the fly says single/);
  });
  test('a weighed piece weighs what the drawer says, at its own size only', () => {
    const mass = (file: typeof named, drawers = with_({ weights: [pair] })): number => {
      const laid = layFly(file, drawers);
      return laid.ok ? (laid.value.parts[0]?.massMg ?? 0) : Number.NaN;
    };
    expect(mass(named)).toBe(380);
    const larger = fly([eyes({ material: 'brass dumbbell 4 mm', diameter: '4.5 mm' })]);
    expect(mass(larger)).toBeGreaterThan(700);
    // Where the drawer lacks the item its words still say the metal, so that a fly opens anywhere.
    expect(mass(named, NOMINAL_DRAWERS)).toBeGreaterThan(500);
    expect(mass(fly([eyes({ material: 'brass dumbbell 4 mm', mass: '0.5 g' })]))).toBe(500);
  });
  test('weighed wire is as dense as 100 mm of it was', () => {
    const rod = fly([rib({ material: 'soft wire', strand: '0.5 mm' })]);
    const dense = (drawers = with_({ weights: [wire] })): number => {
      const laid = layFly(rod, drawers);
      const part = laid.ok ? laid.value.parts[0] : undefined;
      return part ? part.massMg / part.volumeMm3 : Number.NaN;
    };
    expect(dense()).toBeCloseTo(150 / ((Math.PI / 4) * 0.25 * 100), 6);
  });
  test('a material of one’s own replaces the nominal one of that name', () => {
    const light = NOMINAL_MATERIALS.map((each): MaterialItem =>
      each.name === 'marabou' && each.construction === 'bundle' ? { ...each, packing: 0.5 } : each,
    );
    const [nominal, own] = [NOMINAL_DRAWERS, with_({ materials: light })].map((drawers) => {
      const laid = layFly(fly([tail()]), drawers);
      return laid.ok ? (laid.value.parts[0]?.massMg ?? 0) : 0;
    });
    expect(own).toBeCloseTo(2 * (nominal ?? 0), 6);
  });
  test('a drawer filled with the nominal materials solves as the built-in tables do', () => {
    const file = fly([eyes(), body(), tail(), rib()]);
    const [a, b] = [solveFly(file, NOMINAL_DRAWERS), solveFly(file, with_({ materials: NOMINAL_MATERIALS }))];
    expect(a.ok && b.ok && b.value.laid.dryMg).toBe(a.ok && a.value.laid.dryMg);
  });
  test('which items bear on a fly', () => {
    const hair = NOMINAL_MATERIALS.find((each) => each.name === 'fox hair') as DrawerItem;
    const strip = NOMINAL_MATERIALS.find((each) => each.construction === 'strip') as DrawerItem;
    const file = fly([tail(), eyes({ material: 'brass dumbbell 4 mm' })], {
      thread: { denier: 140 },
      platform: { kind: 'tube', length: '20 mm', hook: { kind: 'single', packet: 'long streamer 6' } },
    });
    expect([mayUse(listedOf(file), 'materials', hair), mayUse(listedOf(file), 'materials', strip)]).toEqual([
      true,
      false,
    ]);
    expect([
      mayUse(listedOf(file), 'hooks', packet),
      mayUse(listedOf(file), 'hooks', { ...packet, name: 'other' }),
    ]).toEqual([true, false]);
    expect([mayUse(listedOf(file), 'weights', pair), mayUse(listedOf(file), 'weights', wire)]).toEqual([true, false]);
    expect(
      NOMINAL_THREADS.filter((each) => mayUse(listedOf(file), 'threads', each)).map((each) => each.denier),
    ).toEqual([140]);
  });
});

describe('the drawers as a file', () => {
  test('there are at least 45 generic materials, each of them sound', () => {
    expect(NOMINAL_MATERIALS.length).toBeGreaterThanOrEqual(45);
    for (const each of NOMINAL_MATERIALS) expect(readItem('materials', each)).toEqual({ ok: true, value: each });
    for (const each of NOMINAL_THREADS) expect(readItem('threads', each).ok).toBe(true);
  });
  test('a line that sinks says how fast, a tip how long; a leader reads piece by piece', () => {
    const faults = (drawer: 'lines' | 'leaders', item: object): readonly string[] => {
      const read = readItem(drawer, item);
      return read.ok ? [] : read.faults.map(({ path }) => path);
    };
    expect(faults('lines', { name: 'a', form: 'floating' })).toEqual([]);
    expect(faults('lines', { name: 'a', form: 'sinking', grainsPerFoot: 12 })).toEqual([]);
    expect(faults('lines', { name: 'a', form: 'sink-tip' })).toEqual(['rateMmS', 'tipMm']);
    expect(faults('leaders', { name: 'a', pieces: '1.8 m:0.4 mm, 0.9 m:0.25 mm:fluorocarbon' })).toEqual([]);
    expect(faults('leaders', { name: 'a', pieces: '1.8 m of 0.4 mm nylon, 0.9 m of 0.25 mm fluorocarbon' })).toEqual(
      [],
    );
    expect(faults('leaders', { name: 'a', pieces: '1.8 m:0.4 mm:silk, 3' })).toEqual(['pieces', 'pieces']);
  });
  test('what is written is read again', () => {
    const items: DrawerItems = {
      hooks: [packet],
      weights: [pair, wire],
      materials: NOMINAL_MATERIALS,
      threads: NOMINAL_THREADS,
      lines: [{ name: 'heavy tip', form: 'sink-tip', tipMm: 4500, rateMmS: 130 }],
      leaders: [{ name: 'short leader', pieces: '0.6 m:0.35 mm:nylon' }],
      floats: [{ name: 'small float', bearsMg: 2000 }],
      schools: NOMINAL_SCHOOLS,
      rules: [{ name: 'Mill Run', inForce: true, noLead: true, largestGapMm: 12 }],
      limits: [{ name: 'length.legs.gaps', value: 1.1 }],
    };
    const read = readDrawers(JSON.parse(JSON.stringify(writeDrawers(items))));
    expect(read).toEqual({ ok: true, value: items });
  });
  test('every fault names its place', () => {
    const lines = (value: unknown): string[] => {
      const read = readDrawers(value);
      return read.ok ? [] : read.faults.map(faultLine);
    };
    const file = (more: object): object => ({ format: 'jobbet.drawers', version: 1, ...more });
    expect(lines([])[0]).toMatch(/is an object/);
    expect(lines({ format: 'jobbet.fly' })[0]).toMatch(/^format: is not "jobbet.drawers"/);
    expect(lines(file({ version: 3 }))[0]).toMatch(/^version: version 3 is newer/);
    expect(lines(file({ hooks: {} }))[0]).toBe('hooks: is a list of items');
    expect(
      lines(
        file({
          hooks: [
            { ...packet, shankMm: 0 },
            { ...packet, colour: 'x' },
          ],
        }),
      ),
    ).toEqual(['hooks[0].shankMm: must be above 0', 'hooks[1]: unknown key "colour"']);
    expect(lines(file({ weights: [pair, { ...pair, name: 'BRASS dumbbell 4 mm' }] }))).toEqual([
      'weights[1].name: "BRASS dumbbell 4 mm" is there twice',
    ]);
    expect(lines(file({ weights: [{ ...pair, material: 'unobtainium' }] }))[0]).toMatch(/material: is no solid/);
  });
});

describe('rows of words', () => {
  test('what is written to a table is read from it again, for every nominal material', () => {
    fc.assert(
      fc.property(fc.subarray([...NOMINAL_MATERIALS], { minLength: 1 }), (items) => {
        const { rows, faults } = readRows('materials', writeRows('materials', items));
        expect(faults).toEqual([]);
        rows.forEach((row, i) => {
          const want = items[i] as unknown as Record<string, unknown>;
          expect(row.read.ok).toBe(true);
          if (!row.read.ok) return;
          for (const [key, value] of Object.entries(row.read.value))
            if (typeof value === 'number') expect(value).toBeCloseTo(want[key] as number, 5);
            else expect(value).toEqual(want[key]);
        });
      }),
      { numRuns: 30 },
    );
  });
  test('lots go out a line each, and come in so, in one cell, or mixed; one that does not read spoils no other', () => {
    const there = NOMINAL_MATERIALS.filter(({ name }) => name === 'rabbit strip' || name === 'mink strip');
    const [strip] = there;
    const lots = [
      { colour: 'slate', count: 2, lengths: ['220 mm', '172 mm'] },
      { colour: 'black', count: 3, lengths: ['310 mm'] },
      { colour: 'grey', count: 2 },
    ];
    const stockOf = (table: readonly (readonly string[])[]) =>
      readRows('materials', table, there).rows.map(({ line, read }) => [
        line,
        read.ok ? (read.value as { stock?: unknown }).stock : read.faults.map(faultLine),
      ]);
    const read = readItem('materials', { ...strip, name: 'rabbit strip', stock: lots });
    if (!read.ok) throw new Error('no strip');
    const written = writeRows('materials', [read.value]);
    const at = written[0]?.indexOf('lots') ?? -1;
    expect(written.map((cells) => cells[at])).toEqual([
      'lots',
      'slate: 220 mm, 172 mm',
      'black: 3 x 310 mm',
      'grey: 2',
    ]);
    expect(stockOf(written)).toEqual([[2, lots]]);
    const head = ['name', 'construction', 'lots'];
    expect(
      stockOf([
        head,
        ['rabbit strip', 'strip', 'slate: 220 mm, 172 mm; black: 3 x 310 mm'],
        ['', '', ''],
        ['Rabbit strip', '', 'grey: 2'],
        ['mink strip', 'strip', 'grey: 1'],
      ]),
    ).toEqual([
      [2, lots],
      [5, [{ colour: 'grey', count: 1 }]],
    ]);
    const [whole, wrong] = stockOf([head, ['rabbit strip', 'strip', 'grey: 2'], ['rabbit strip', '', 'slate: long']]);
    expect(whole).toEqual([2, [{ colour: 'grey', count: 2 }]]);
    expect(wrong?.[0]).toBe(3);
    expect(String(wrong?.[1])).toContain('"long" is no length');
  });
  test('heads are read by name, by name with unit or by key, whatever their case', () => {
    const { rows, faults } = readRows('hooks', [
      ['NAME', 'form', 'Size', 'shank (mm)', 'gapMm', 'salt-safe'],
      ['tens', 'Single', '10', '5/8 in', '5,2', 'yes'],
      ['', '', '', '', '', ''],
    ]);
    expect(faults).toEqual([]);
    expect(rows).toHaveLength(1);
    expect(rows[0]?.read).toEqual({
      ok: true,
      value: { name: 'tens', form: 'single', size: '10', shankMm: 15.875, gapMm: 5.2, saltSafe: true },
    });
  });
  test('each bad row says what is wrong in it, and spoils no other', () => {
    const { rows } = readRows('weights', [
      ['name', 'form', 'material', 'size (mm)', 'weighed (mg)'],
      ['a', 'bead', 'brass', '3', '0.11 g'],
      ['b', 'bed', 'brass', '3', ''],
      ['c', 'bead', 'unobtainium', '3', ''],
      ['d', 'bead', 'brass', 'wide', ''],
      ['e', 'bead', 'brass', '', ''],
    ]);
    expect(rows.map((row) => [row.line, row.read.ok ? [] : row.read.faults.map(faultLine)])).toEqual([
      [2, []],
      [3, [expect.stringMatching(/^form: "bed" is none of bead, .*did you mean "bead"\?$/)]],
      [4, ['material: is no solid the tables know']],
      [5, ['size: "wide" is not a number']],
      [6, ['size: is missing']],
    ]);
  });
  test('what a table has no column for stays, and what it replaces is told cell by cell', () => {
    const there: HookItem[] = [
      { name: 'long 6', form: 'single', size: '6', longX: 3, shankMm: 26.6, shankN: 10, gapMm: 7.3 },
      { name: 'long 6', form: 'double', size: '6' },
    ];
    const { rows } = readRows(
      'hooks',
      [
        ['name', 'form', 'gap (mm)', 'X long'],
        ['LONG 6', 'single', '7.1', ''],
        ['long 8', 'single', '6', ''],
      ],
      there,
    );
    expect(rows[0]?.read).toEqual({
      ok: true,
      value: { name: 'LONG 6', form: 'single', size: '6', shankMm: 26.6, shankN: 10, gapMm: 7.1 },
    });
    expect(rows[0]?.replaces).toEqual([
      { column: 'name', was: 'long 6', is: 'LONG 6' },
      { column: 'X long', was: '3', is: '' },
      { column: 'gap (mm)', was: '7.3', is: '7.1' },
    ]);
    expect(rows[1]?.replaces).toBeNull();
    // Without its form a row may be about either of two, and is about neither.
    expect(
      readRows(
        'hooks',
        [
          ['name', 'gap (mm)'],
          ['long 6', '7'],
        ],
        there,
      ).rows[0]?.read.ok,
    ).toBe(false);
  });
  test('a table of another drawer is told where it belongs', () => {
    const { faults } = readRows('hooks', [['name', 'denier', 'breaks at (g)']]);
    expect(faults.map(faultLine)).toEqual(['line 1: this is a table of threads: Drawers, threads, import takes it']);
  });
  test('a column the drawer has not is refused by name, with the nearest', () => {
    const { faults } = readRows('threads', [['name', 'denierr']]);
    expect(faults.map(faultLine)).toEqual(['column 2: "denierr" is no column of this drawer; did you mean "denier"?']);
    expect(readRows('threads', [['denier']]).faults.map(faultLine)).toEqual([
      'line 1: the first line names the columns; "name" is missing',
    ]);
  });
  test('a cell typed into a table is taken or refused, and emptied it goes', () => {
    const column = (key: string) => COLUMNS.hooks.find((each) => each.key === key) ?? COLUMNS.hooks[0];
    const set = (key: string, text: string) => {
      const at = column(key);
      if (!at) throw new Error(key);
      return withCell('hooks', packet, at, text);
    };
    expect(set('shankMm', '1 1/16 in')).toEqual({ ok: true, value: { ...packet, shankMm: 26.9875 } });
    expect(set('shankMm', '')).toEqual({
      ok: true,
      value: Object.fromEntries(Object.entries(packet).filter(([key]) => key !== 'shankMm')),
    });
    expect(set('size', '3/1').ok).toBe(false);
    expect(set('gapMm', '-2 mm').ok).toBe(false);
    expect(set('name', '').ok).toBe(false);
  });
  test('only the columns a construction has are asked of it', () => {
    const strip = NOMINAL_MATERIALS.find((each) => each.construction === 'strip') ?? {};
    const names = COLUMNS.materials.filter((each) => hasColumn(each, strip)).map((each) => each.key);
    expect(names).toContain('hideMm');
    expect(names).not.toContain('taper');
  });
});
