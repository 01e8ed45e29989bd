import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readFly } from '../src/pattern/read.ts';
import type { FlyFile } from '../src/pattern/schema.ts';
import { MM_PER_32, SIZES_32, sizeText } from '../src/edit/swap.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { setPin, type Pin } from '../src/study/sizes/pins.ts';
import { HOLDS, runFly, weightsOf, type Hold, type RunFly } from '../src/study/sizes/runFly.ts';
import { readSize, readSizes } from '../src/study/sizes/sizes.ts';

function example(name: string): FlyFile {
  const read = readFly(readFileSync(join(import.meta.dirname, `../../examples/${name}.fly.json`), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
function run(file: FlyFile, sizes: string, hold: Hold = 'shape'): RunFly[] {
  const read = readSizes(sizes);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const flies = runFly(file, read.value, hold);
  if (!flies.ok) throw new Error(JSON.stringify(flies.faults));
  return flies.value;
}
const slate = example('slate-runner');

describe('sizes as they are written', () => {
  test.each([
    ['4', { kind: null, size: '4', length: null }],
    ['1/0', { kind: null, size: '1/0', length: null }],
    ['double:6', { kind: 'double', size: '6', length: null }],
    [' jig: 8 ', { kind: 'jig', size: '8' }],
    ['tube:28mm', { kind: 'tube', size: null, length: '28 mm' }],
    ['shank:1 1/2 in', { kind: 'shank', length: '38.1 mm' }],
  ])('%s', (text, size) => {
    const read = readSize(text);
    expect(read.ok && read.value).toMatchObject(size);
  });
  test.each([
    ['99', 'no hook size'],
    ['treble:6', 'none of single, double'],
    ['tube', 'needs a length'],
    ['tube:28', 'needs a length'],
    ['tube:900mm', '2 to 200 mm'],
    ['', 'no hook size'],
  ])('%s is refused', (text, why) => {
    const read = readSize(text);
    expect(read.ok ? '' : read.faults[0]?.message).toContain(why);
  });
  test('a list; the same twice is one; an empty one asks for sizes', () => {
    const read = readSizes('4, 6,6 ,double:6,');
    expect(read.ok && read.value.map((each) => each.text)).toEqual(['4', '6', 'double:6']);
    expect(readSizes(' , ').ok).toBe(false);
  });
});

describe('a run', () => {
  test('relations follow the hook; the fly’s own size is the fly itself', () => {
    const [large, same, small] = run(slate, '4,6,8');
    expect(same?.file).toEqual(slate);
    const tail = (fly: RunFly | undefined): number =>
      fly?.solved.laid.parts.find((part) => part.file.id === 'tail')?.extent.lengthMm ?? 0;
    const shank = (fly: RunFly | undefined): number => fly?.solved.laid.platform.shankMm ?? 0;
    expect(tail(large) / tail(same)).toBeCloseTo(shank(large) / shank(same), 6);
    expect(tail(small)).toBeLessThan(tail(same));
    expect(large?.file.name).toBe('Slate Runner, 4');
  });

  test('measures of one packet say nothing of another size', () => {
    const [fly] = run(slate, '4');
    expect(fly?.file.platform).not.toHaveProperty('packet');
    expect(fly?.file.platform).toMatchObject({ size: '4', longX: 3 });
  });

  test('other platforms: a double in its own length, a tube with the hook behind it', () => {
    const [double, tube] = run(slate, 'double:6,tube:28mm');
    expect(double?.file.platform).toMatchObject({ kind: 'double', size: '6' });
    expect(double?.file.platform).not.toHaveProperty('longX', 3);
    expect(tube?.file.platform).toMatchObject({ kind: 'tube', length: '28 mm' });
    expect(tube?.solved.laid.platform.shankMm).toBeCloseTo(28, 6);
  });

  test.each(HOLDS.map((hold) => [hold]))('hold the %s: no other size to be had comes nearer', (hold) => {
    const eyes = (file: FlyFile, diameter: string): FlyFile => ({
      ...file,
      parts: file.parts.map((part) =>
        part.id === 'eyes' ? ({ ...part, material: 'brass', diameter } as typeof part) : part,
      ),
    });
    const figure = (file: FlyFile): number => {
      const laid = layFly(file);
      if (!laid.ok) return NaN;
      if (hold === 'ride') return laid.value.tipping?.ratio ?? NaN;
      if (hold === 'sink') return settleFly(laid.value).balance.sink?.terminal ?? NaN;
      return (
        (laid.value.parts.find((part) => part.file.id === 'eyes')?.extent.lengthMm ?? NaN) / laid.value.platform.shankMm
      );
    };
    const own = eyes(slate, '5/32 in');
    const [fly] = run(own, '2', hold);
    if (!fly) throw new Error('no fly');
    const wanted = figure(own);
    expect(fly.weight?.off).toBeCloseTo(figure(fly.file) / wanted - 1, 6);
    for (const size of SIZES_32) {
      const other = figure(eyes(fly.file, sizeText(size * MM_PER_32)));
      expect([
        size,
        Math.abs(figure(fly.file) - wanted) <= Math.abs(other - wanted) + 1e-6 || Number.isNaN(other),
      ]).toEqual([size, true]);
    }
  });

  test('the three ways of holding differ', () => {
    const runs = HOLDS.map((hold) => run(slate, '1/0', hold)[0]?.weight?.diameterMm ?? 0);
    expect(new Set(runs).size).toBeGreaterThan(1);
  });

  test('turns of wire keep their share of the shank', () => {
    const [large] = run(slate, '1/0');
    const turns = (file: FlyFile | undefined): number => {
      const part = file?.parts.find((each) => each.id === 'weight');
      return part?.construction === 'wrap' ? (part.turns ?? 0) : 0;
    };
    const own = layFly(slate);
    const share = (large?.solved.laid.platform.shankMm ?? 0) / (own.ok ? own.value.platform.shankMm : 1);
    expect(turns(large?.file)).toBe(Math.round(8 * share));
  });

  test('what does not scale is said', () => {
    const [fly] = run(slate, '1/0');
    expect(fly?.notes.join()).toMatch(
      /as thick as before: thread, each hair and fibre, body.*as much as before: tail, flash/,
    );
    const bead = {
      ...slate,
      parts: [
        {
          id: 'bead',
          role: 'bead',
          construction: 'ball',
          shape: 'bead',
          material: 'brass',
          diameter: '4 mm',
          bore: '0.9 mm',
          at: 'against eye',
        },
      ],
    } as unknown as FlyFile;
    expect(run(bead, '4/0')[0]?.notes.join()).toContain('does not pass the wire');
  });
});

describe('pins', () => {
  const own = () => {
    const laid = layFly(slate);
    if (!laid.ok) throw new Error('no fly');
    return laid.value;
  };
  const four = { size: '4', part: 'tail', key: 'length', value: '22 mm' };
  const runWith = (pins: readonly Pin[], hold: Hold = 'shape') => {
    const sizes = readSizes('4, 6, 8');
    const flies = sizes.ok ? runFly(slate, sizes.value, hold, NOMINAL_DRAWERS, pins) : null;
    if (!flies?.ok) throw new Error(JSON.stringify(flies));
    return flies.value;
  };
  const tail = (fly: RunFly | undefined): number =>
    fly?.solved.laid.parts.find((part) => part.file.id === 'tail')?.extent.lengthMm ?? 0;
  test('a length, a count and the thread of one size stay as pinned; other sizes follow', () => {
    const pins = [
      four,
      { ...four, part: 'flash', key: 'strands', value: '11' },
      { ...four, part: null, key: 'denier', value: '70' },
    ];
    const [large, , small] = runWith(pins);
    expect(tail(large)).toBeCloseTo(22, 9);
    expect(tail(small)).toBeCloseTo(tail(runWith([])[2]), 9);
    expect(large?.file.parts.find((part) => part.id === 'flash')).toMatchObject({ strands: 11 });
    expect(large?.file.thread?.denier).toBe(70);
    expect(small?.file.thread?.denier).toBe(140);
  });
  test('the hook of one size as it was measured: all that leans on the shank follows', () => {
    const pin = { size: '4', part: null, key: 'shank', value: '30 mm' };
    const [large, , small] = runWith([pin]);
    expect(large?.solved.laid.platform.shankMm).toBeCloseTo(30, 9);
    expect(tail(large)).toBeCloseTo(0.7 * 30, 6);
    expect(tail(small)).toBeCloseTo(tail(runWith([])[2]), 9);
    const sizes = readSizes('tube:28mm');
    const tube = sizes.ok
      ? runFly(slate, sizes.value, 'shape', NOMINAL_DRAWERS, [{ ...pin, size: 'tube:28mm' }])
      : null;
    expect(tube?.ok === false && tube.faults[0]?.message).toContain('is the length the size says');
  });
  test('the fly’s own size is the fly itself, pinned or not', () => {
    expect(runWith([{ ...four, size: '6' }])[1]?.file).toEqual(slate);
  });
  test('a pinned weight is taken as it is, and holds nothing', () => {
    const [large] = runWith([{ ...four, part: 'eyes', key: 'diameter', value: '3/16 in' }]);
    expect(large?.weight).toBeNull();
    expect(large?.file.parts.find((part) => part.id === 'eyes')).toMatchObject({ diameter: '3/16 in' });
  });
  test('one size may hold something else than the run', () => {
    const byRide = runWith([{ size: '4', part: null, key: 'hold', value: 'ride' }], 'shape');
    expect(byRide[0]?.weight).toEqual(runWith([], 'ride')[0]?.weight);
    expect(byRide[2]?.weight).toEqual(runWith([], 'shape')[2]?.weight);
  });
  test.each([
    [{ ...four, value: '1.5 tial' }, /^4: parts\[2\]\.length/],
    [{ ...four, part: 'gone' }, /^4: gone\.length there is no part/],
    [{ ...four, part: 'flash', key: 'strands', value: 'many' }, /^4: flash\.strands/],
    [{ ...four, part: null, key: 'denier', value: '3' }, /^4: denier/],
  ])('%j is refused by its place', (pin, words) => {
    const sizes = readSizes('4');
    const flies = sizes.ok ? runFly(slate, sizes.value, 'shape', NOMINAL_DRAWERS, [pin]) : null;
    if (!flies || flies.ok) throw new Error('it was taken');
    expect(`${flies.faults[0]?.path ?? ''} ${flies.faults[0]?.message ?? ''}`).toMatch(words);
  });
  test('one pin a place; an empty one lets go', () => {
    const once = setPin(setPin([], four), { ...four, value: ' 23 mm ' });
    expect(once).toEqual([{ ...four, value: '23 mm' }]);
    expect(setPin(once, { ...four, value: '' })).toEqual([]);
  });
  test('a pin leaves those of other sizes, parts and keys alone, set or let go', () => {
    const others = [
      { ...four, size: '8' },
      { ...four, part: 'flash' },
      { ...four, key: 'to' },
      { ...four, part: null },
    ];
    const all = setPin(others, four);
    expect(all).toEqual([...others, four]);
    expect(setPin(all, { ...four, value: ' ' })).toEqual(others);
  });
  test('what each way of holding would take is what it takes', () => {
    const size = readSize('1/0');
    if (!size.ok) throw new Error('no size');
    const weights = weightsOf(own(), size.value);
    for (const hold of HOLDS) expect(weights?.[hold]).toEqual(run(slate, '1/0', hold)[0]?.weight);
  });
});

test('a fly may say whose run it is a size of', () => {
  const sized = { ...slate, sizeOf: { fly: 'Slate Runner', id: 'f1', size: '4' } };
  const read = readFly(JSON.stringify(sized));
  expect(read.ok && read.value.sizeOf).toEqual(sized.sizeOf);
  const wrong = readFly(JSON.stringify({ ...slate, sizeOf: { fly: 'Slate Runner' } }));
  expect(wrong.ok ? '' : wrong.faults[0]?.path).toBe('sizeOf.size');
});
