import { importFiles } from '../src/features/box/importing.ts';
import { groupsOf, headingAt, matches, sortFlies } from '../src/features/box/sorting.ts';
import { pressed } from '../src/shared/commands/useKeys.ts';
import { lastOutOf } from '../src/fly/log/outings.ts';
import type { StoredOuting } from '../src/shared/api/client.ts';
import { fly, listed, withTail } from './build.ts';

const named = (name: string, sinkMmS: number | null, dryMg = 100) => {
  const one = listed(fly({ name }));
  return { ...one, id: name, summary: { ...one.summary, sinkMmS, dryMg } };
};

describe('the order of the box', () => {
  const flies = [named('Fast', 300, 50), named('Floats', null, 70), named('Slow', 60, 90)];
  test('by sinking, floating ones first; by weight; by name', () => {
    const order = (by: Parameters<typeof sortFlies>[1]): string =>
      sortFlies(flies, by)
        .map((each) => each.name)
        .join(' ');
    expect([order('sink'), order('weight'), order('name')]).toEqual([
      'Floats Slow Fast',
      'Fast Floats Slow',
      'Fast Floats Slow',
    ]);
  });
  test('by the last day each was fished, latest first; what never was comes last, by name', () => {
    const record = (date: string, ...flies: readonly string[]) =>
      ({ record: { date, rods: flies.map((name) => ({ fly: name })) } }) as unknown as StoredOuting;
    const lastOut = lastOutOf([
      record('2026-04-07', 'Slow', 'Fast'),
      record('2026-10-24', 'Slow'),
      record('2026-06-10', 'Slow'),
    ]);
    expect([...lastOut]).toEqual([
      ['Slow', '2026-10-24'],
      ['Fast', '2026-04-07'],
    ]);
    const order = sortFlies([...flies, named('Bare', 10)], 'out', { lastOut }).map(({ name }) => name);
    expect(order).toEqual(['Slow', 'Fast', 'Bare', 'Floats']);
  });
  test('what does not lay out comes first, whatever the order, and is found by that', () => {
    const broken = { ...named('Spoilt', 10), summary: null, listed: null, broken: 'parts[0].length: is missing' };
    for (const by of ['sink', 'weight', 'name', 'newest'] as const)
      expect(sortFlies([...flies, broken], by)[0]?.name).toBe('Spoilt');
    expect([matches(broken, 'spoilt lay'), matches(broken, 'marabou')]).toEqual([true, false]);
  });
  test('every word typed must fit: name, hook, ride, material', () => {
    const one = named('Slate Runner', 100);
    for (const words of ['slate', 'runner SINGLE', 'marabou point-down', '']) expect(matches(one, words)).toBe(true);
    expect(matches(one, 'slate tube')).toBe(false);
  });
});

describe('files on their way in', () => {
  const file = (name: string, text: string): File =>
    ({ name, size: text.length, text: () => Promise.resolve(text) }) as File;
  test('are sorted into new, known by name, and refused with why; nothing is thrown', async () => {
    const incoming = await importFiles(
      [
        file('new.fly.json', JSON.stringify(fly({ name: 'New' }))),
        file('known.fly.json', JSON.stringify(fly())),
        file('cut.fly.json', '{"format"'),
        file('wrong.fly.json', JSON.stringify(withTail('tial'))),
        file('huge.fly.json', 'x'.repeat(5_000_000)),
        file('nested.fly.json', '['.repeat(900_000)),
      ],
      [listed()],
    );
    expect(incoming.fresh.map((each) => each.name)).toEqual(['New']);
    expect(incoming.known.map((each) => each.file.name)).toEqual(['Test']);
    expect(incoming.refused.map(({ name, reasons }) => `${name}: ${reasons[0] ?? ''}`)).toEqual([
      expect.stringMatching(/^cut.fly.json: not JSON/),
      'wrong.fly.json: parts[0].length: unknown name "tial"; did you mean "tail"?',
      expect.stringMatching(/^huge.fly.json: the file is/),
      expect.stringMatching(/^nested.fly.json: nested deeper/),
    ]);
  });
  test('two of the same name in one go: the second is asked about too', async () => {
    const incoming = await importFiles(
      [file('a', JSON.stringify(fly({ name: 'Twin' }))), file('b', JSON.stringify(fly({ name: 'Twin' })))],
      [],
    );
    expect([incoming.fresh.length, incoming.known]).toMatchObject([1, [{ file: { name: 'Twin' }, stored: null }]]);
  });
});

describe('keys', () => {
  const press = (key: string, more: Partial<KeyboardEvent> = {}): KeyboardEvent =>
    ({ key, ctrlKey: false, metaKey: false, altKey: false, shiftKey: false, ...more }) as KeyboardEvent;
  test('Ctrl, Command and Shift are told apart; symbols need no Shift', () => {
    expect(pressed('ctrl+z', press('z', { ctrlKey: true }))).toBe(true);
    expect(pressed('ctrl+z', press('z', { metaKey: true }))).toBe(true);
    expect(pressed('ctrl+z', press('Z', { ctrlKey: true, shiftKey: true }))).toBe(false);
    expect(pressed('ctrl+shift+z', press('Z', { ctrlKey: true, shiftKey: true }))).toBe(true);
    expect(pressed('?', press('?', { shiftKey: true }))).toBe(true);
    expect(pressed('a', press('a', { altKey: true }))).toBe(false);
    expect(pressed('left', press('ArrowLeft'))).toBe(true);
  });
});

test('flies kept by a word stand together under it, those in no group last; the word finds them', () => {
  const kept = (name: string, group?: string) => listed(fly({ name, ...(group === undefined ? {} : { group }) }));
  const flies = [kept('D'), kept('B', 'spring'), kept('C', 'autumn'), kept('A', 'spring')];
  const shown = sortFlies(flies, 'group');
  expect(shown.map(({ name }) => name)).toEqual(['C', 'A', 'B', 'D']);
  expect(shown.map((_, at) => headingAt(shown, at))).toEqual(['autumn, 1', 'spring, 2', null, 'in no group, 1']);
  expect(groupsOf(flies)).toEqual(['autumn', 'spring']);
  expect(flies.filter((each) => matches(each, 'spring')).map(({ name }) => name)).toEqual(['B', 'A']);
});
