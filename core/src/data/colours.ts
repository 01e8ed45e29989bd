/** Colours of materials by a tier's words. */
const COLOURS: Readonly<Record<string, string>> = {
  black: '#1f2224',
  white: '#eceae2',
  cream: '#e6d9b4',
  grey: '#878c8d',
  slate: '#4c5d6b',
  silver: '#c3c9cb',
  pearl: '#d5dcde',
  brown: '#5f4029',
  peat: '#3a2a1e',
  tan: '#b08d5c',
  fawn: '#c9ad80',
  ginger: '#b5763a',
  rust: '#8e4522',
  copper: '#a55a2c',
  amber: '#c07a22',
  gold: '#c79a2e',
  yellow: '#d9b722',
  lemon: '#e6d65a',
  orange: '#d2671f',
  'hot orange': '#ee5a1a',
  red: '#a8281f',
  claret: '#6a1f2c',
  wine: '#5a1e33',
  pink: '#d97f93',
  'hot pink': '#e0488a',
  purple: '#563463',
  violet: '#6b4a8b',
  blue: '#2f5f9b',
  teal: '#2f6f6c',
  'kingfisher blue': '#2385b5',
  green: '#3f6b35',
  olive: '#66652e',
  chartreuse: '#b0c331',
  insect: '#7d8f3c',
};

export const COLOUR_WORDS: readonly string[] = Object.keys(COLOURS);

const MODIFIERS: Readonly<Record<string, readonly [toward: string, by: number]>> = {
  dark: ['#000000', 0.35],
  deep: ['#000000', 0.25],
  light: ['#ffffff', 0.3],
  pale: ['#ffffff', 0.45],
};

const channels = (tint: string): number[] => [1, 3, 5].map((at) => Number.parseInt(tint.slice(at, at + 2), 16));

/** A tint between two, as #rrggbb. @param share 0 gives `from`, 1 gives `toward` */
export function mixTint(from: string, toward: string, share: number): string {
  const [a, b] = [channels(from), channels(toward)];
  return `#${a
    .map((value, i) =>
      Math.round(value + ((b[i] ?? 0) - value) * share)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
}

/** The tint of a colour in words (`dark olive`, `hot orange`, `#66652e`), or `usual` where none is named or known. */
export function tintOf(colour: string | undefined, usual: string): string {
  if (colour === undefined) return usual;
  const word = colour.trim().toLowerCase();
  if (/^#[0-9a-f]{6}$/.test(word)) return word;
  const whole = COLOURS[word];
  if (whole !== undefined) return whole;
  const words = word.split(/[\s,-]+/);
  const base = words.map((each) => COLOURS[each]).find((each) => each !== undefined);
  if (base === undefined) return usual;
  const modifier = words.map((each) => MODIFIERS[each]).find((each) => each !== undefined);
  return modifier ? mixTint(base, modifier[0], modifier[1]) : base;
}
