import { HEADS, hookWords, intentWords, partWords, WATER_KINDS } from '../src/pattern/words.ts';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { documentJsonSchema } from '../src/document/read.ts';
import { FLY_KIND } from '../src/pattern/read.ts';
import { readFly, readFlyValue } from '../src/pattern/read.ts';
import { solveText } from '../src/model/solve/solveText.ts';
import { migrate } from '../src/document/migrate.ts';
import { faultLine } from '../src/base/fault.ts';
import { body, eyes, faultsOf, fly, tail } from './build.ts';

const EXAMPLES = join(import.meta.dirname, '../../examples');
const lines = (value: unknown): string[] => {
  const read = readFlyValue(value);
  return read.ok ? [] : read.faults.map(faultLine);
};
const good = (): Record<string, unknown> =>
  JSON.parse(JSON.stringify(fly([tail(), eyes()]))) as Record<string, unknown>;

describe('every example of the boathouse solves', () => {
  test.each(readdirSync(EXAMPLES).filter((name) => name.endsWith('.fly.json')))('%s', (name) => {
    const result = solveText(readFileSync(join(EXAMPLES, name), 'utf8'));
    expect(result.ok ? [] : result.faults).toEqual([]);
  });
});

describe('faults name the place and the cure', () => {
  test.each<[string, (file: Record<string, unknown>) => unknown, RegExp]>([
    [
      'an unknown key of a part',
      (file) => ({ ...file, parts: [tail({ lenght: '2 mm' })] }),
      /^parts\[0\]\.lenght: unknown key "lenght"; did you mean "length"\?$/,
    ],
    [
      'a key of another construction',
      (file) => ({ ...file, parts: [tail({ bore: '2 mm' })] }),
      /^parts\[0\]\.bore: a bundle takes no "bore"/,
    ],
    [
      'an unknown key of the hook',
      (file) => ({ ...file, platform: { kind: 'single', size: '6', long: 3 } }),
      /^platform\.long: unknown key "long"; did you mean "longX"/,
    ],
    [
      'an unknown key of the water',
      (file) => ({ ...file, intent: { water: { sort: 'salt' } } }),
      /^intent\.water\.sort: unknown key/,
    ],
    [
      'an unknown key of the fly',
      (file) => ({ ...file, note: 'x' }),
      /^note: unknown key "note"; did you mean "notes"/,
    ],
    [
      'a wrong type',
      (file) => ({ ...file, parts: [tail({ length: 12 })] }),
      /^parts\[0\]\.length: expected a text, found a number/,
    ],
    [
      'a wrong word',
      (file) => ({ ...file, parts: [tail({ role: 'tial' })] }),
      /^parts\[0\]\.role: "tial" is not one of .*did you mean "tail"\?/,
    ],
    [
      'an unknown construction',
      (file) => ({ ...file, parts: [tail({ construction: 'bundel' })] }),
      /^parts\[0\]\.construction: unknown construction "bundel"; did you mean "bundle"/,
    ],
    [
      'no construction',
      (file) => ({ ...file, parts: [{ id: 'a', role: 'tail' }] }),
      /^parts\[0\]\.construction: is missing/,
    ],
    [
      'a part that is no object',
      (file) => ({ ...file, parts: ['tail'] }),
      /^parts\[0\]: expected an object, found a text/,
    ],
    ['no name', ({ name: _name, ...file }) => file, /^name: is missing/],
    ['a newer version', (file) => ({ ...file, version: 2 }), /^version: version 2 is newer/],
    ['another format', (file) => ({ ...file, format: 'recipe' }), /^format: is not "jobbet.fly"/],
    [
      'the same id twice',
      (file) => ({ ...file, parts: [tail(), tail({ id: 'Tail' })] }),
      /^parts\[1\]\.id: "Tail" is already the id of parts\[0\]/,
    ],
    [
      'a word of the grammar as an id',
      (file) => ({ ...file, parts: [tail({ id: 'Bend' })] }),
      /^parts\[0\]\.id: "Bend" is a word of the relations/,
    ],
    [
      'body on what is no body',
      (file) => ({ ...file, parts: [tail({ id: 'body' })] }),
      /^parts\[0\]\.id: only a part whose role is body/,
    ],
    [
      'an id with a double dash',
      (file) => ({ ...file, parts: [tail({ id: 'a--b' })] }),
      /^parts\[0\]\.id: is not a name/,
    ],
    ['a list for a file', () => [], /^a pattern file is an object/],
  ])('%s', (_what, change, reason) => {
    const found = lines(change(good()));
    expect(found).toHaveLength(1);
    expect(found[0]).toMatch(reason);
  });

  test('metals are matched by name, never by nearness', () => {
    expect(faultsOf([eyes({ material: 'brasss' })])[0]).toMatch(
      /^parts\[0\]\.material: "brasss" is no solid the tables know; did you mean "brass"/,
    );
    expect(
      faultsOf([
        {
          id: 'weight',
          role: 'underbody',
          construction: 'wrap',
          material: 'heavy wire',
          strand: '.02 in',
          turns: 5,
          from: 'station 3',
        },
      ])[0],
    ).toMatch(/^parts\[0\]\.material/);
  });
  test('two ways to say the same are one too many', () => {
    expect(faultsOf([tail({ tip: 'bend + 2 mm' })])[0]).toMatch(/^parts\[0\]\.tip: "length" and "tip"/);
    expect(faultsOf([tail({ dose: 'matchstick' })])[0]).toMatch(/exclude each other/);
    expect(faultsOf([body({ strand: '2 mm' })])[0]).toMatch(/exclude each other/);
  });
});

describe('bad files', () => {
  const text = JSON.stringify(good());
  test('truncated, the place is named', () => {
    const read = readFly(text.slice(0, 80));
    expect(read.ok ? '' : read.faults[0]?.message).toMatch(/ends too soon \(line 1, column 81\)/);
  });
  test('huge and deeply nested ones are refused before they are parsed', () => {
    expect(readFly(`{"a":"${'x'.repeat(5_000_000)}"}`)).toMatchObject({ ok: false, faults: [{ code: 'size' }] });
    expect(readFly('['.repeat(400_000))).toMatchObject({ ok: false, faults: [{ code: 'depth' }] });
  });
  test('a byte order mark is passed over', () => {
    expect(readFly(`\uFEFF${text}`).ok).toBe(true);
  });
  test('any JSON value is read or refused, never thrown at', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(typeof readFlyValue(value).ok).toBe('boolean');
      }),
      { numRuns: 400 },
    );
  });
  test('any damage to a sound file is read or refused with a message', () => {
    fc.assert(
      fc.property(fc.nat(text.length - 1), fc.string({ maxLength: 3 }), (at, put) => {
        const read = solveText(text.slice(0, at) + put + text.slice(at + 1));
        if (!read.ok) for (const fault of read.faults) expect(fault.message.length).toBeGreaterThan(5);
      }),
      { numRuns: 400 },
    );
  });
});

test('the JSON Schema names every construction and refuses further keys', () => {
  const schema = JSON.stringify(documentJsonSchema(FLY_KIND));
  for (const word of [
    'ball',
    'wrap',
    'bundle',
    'feather',
    'strip',
    'hackle',
    'spun',
    'sheet',
    'coat',
    'buttsTo',
    'boundAt',
    'flatBelow',
  ])
    expect(schema).toContain(`"${word}"`);
  expect(schema).toContain('"additionalProperties":false');
});

test('older versions are brought up step by step', () => {
  const steps = {
    1: (file: Record<string, unknown>) => ({ ...file, version: 2, a: 1 }),
    2: (file: Record<string, unknown>) => ({ ...file, version: 3, b: 2 }),
  };
  expect(migrate({ version: 1 }, steps)).toEqual({ version: 3, a: 1, b: 2 });
});

describe('words a key takes', () => {
  test('are those of the schema, in its order', () => {
    expect(partWords('strip', 'ends')).toEqual(['square', 'angled', 'tapered']);
    expect(partWords('bundle', 'ends')).toEqual(['even', 'natural', 'staggered', 'torn', 'cut']);
    expect(hookWords('barb')).toEqual(['none', 'pinched', 'full']);
    expect(intentWords('ride')).toEqual(['point-up', 'point-down']);
    expect([WATER_KINDS, HEADS]).toEqual([
      ['fresh', 'brackish', 'salt'],
      ['small', 'neat', 'bold'],
    ]);
  });
  test('are none where a key takes a figure, a relation, or is not there', () => {
    expect([partWords('bundle', 'length'), partWords('bundle', 'shape'), hookWords('longX')]).toEqual([[], [], []]);
  });
});
