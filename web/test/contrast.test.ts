import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const css = readFileSync(join(import.meta.dirname, '../src/app/styles.css'), 'utf8');

type Tokens = Readonly<Record<string, string>>;
function tokensOf(block: RegExp): Tokens {
  const [, body = ''] = block.exec(css) ?? [];
  return Object.fromEntries(
    [...body.matchAll(/--([\w-]+):\s*(#[0-9a-f]{6});/gi)].map(([, name = '', colour = '']): [string, string] => [
      name,
      colour,
    ]),
  );
}
const light = tokensOf(/^:root \{([^}]+)\}/m);
const THEMES = { light, dark: { ...light, ...tokensOf(/^:root\.dark \{([^}]+)\}/m) } } as const;

/** Relative luminance of a colour, by WCAG 2.2. */
function luminance(colour: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const share = parseInt(colour.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [dark, bright] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (bright + 0.05) / (dark + 0.05);
}

/** Colours that words are written in, and what they are written on. */
const WORDS = ['ink', 'ink2', 'ink3', 'measure', 'weight', 'air', 'shape', 'warn'] as const;
const GROUNDS = ['sheet', 'sunk'] as const;
const PAIRS: readonly (readonly [words: string, ground: string])[] = [
  ...WORDS.flatMap((words) => GROUNDS.map((ground) => [words, ground] as const)),
  ['on-pick', 'pick'],
  ['sheet', 'ink'],
  ['ink', 'warnwash'],
  ['warn', 'warnwash'],
  ['ink', 'band'],
  ['ink2', 'band'],
];

describe.each(Object.entries(THEMES))('in the %s', (_name, tokens) => {
  test.each(PAIRS)('%s on %s can be read: 4.5 to 1 or more', (words, ground) => {
    expect(contrast(tokens[words] ?? '', tokens[ground] ?? '')).toBeGreaterThanOrEqual(4.5);
  });
  test.each(['rule', 'measure', 'warn'])('what is drawn in %s stands out: 3 to 1 or more', (line) => {
    expect(contrast(tokens[line] ?? '', tokens['sheet'] ?? '')).toBeGreaterThanOrEqual(3);
  });
});
test('both themes have every colour', () => {
  expect(Object.keys(tokensOf(/^:root\.dark \{([^}]+)\}/m)).sort()).toEqual(Object.keys(light).sort());
});
