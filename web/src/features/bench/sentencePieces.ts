import { partWords, type FlyFile } from '@jobbet/core/pattern';

export type Part = FlyFile['parts'][number];

/** Where the sentence ends and what is seldom changed begins. */
export const DETAILS = '\n';

/** A word or phrase of the sentence, or a blank in it that can be edited. */
export type Piece =
  | string
  | {
      /** A relation, a quantity with its unit, a count, a share from −1 to 1, a dose by name, yes or nothing, another part, colours in a row. */
      readonly kind: 'relation' | 'quantity' | 'count' | 'share' | 'dose' | 'yes' | 'part' | 'colours';
      readonly key: string;
      readonly label: string;
      readonly empty?: string;
    }
  | {
      readonly kind: 'words';
      readonly key: string;
      readonly label: string;
      readonly options: readonly string[];
      readonly empty?: string;
    }
  | {
      readonly kind: 'choice';
      readonly key: string;
      readonly label: string;
      readonly options: readonly string[];
      readonly empty?: string;
      /** True where the file holds a number. */
      readonly numeric?: boolean;
    }
  | { readonly kind: 'swap'; readonly label: string; readonly among: readonly Swap[] };

/** One of several ways to say the same; taking another writes its key and takes the others away. */
export interface Swap {
  readonly key: string;
  readonly words: string;
  readonly start: (now: {
    lengthMm: number;
    tipMm: number | null;
    bendMm: number;
  }) => string | number | readonly string[];
}

export const shown = (mm: number): string => String(Math.round(mm * 10) / 10);
export const relation = (key: string, label: string, empty?: string): Piece => ({
  kind: 'relation',
  key,
  label,
  ...(empty === undefined ? {} : { empty }),
});
export const material = (
  names: readonly string[],
  { key, label, empty } = { key: 'material', label: 'material', empty: 'any material' },
): Piece => ({ kind: 'words', key, label, options: names, empty });
export const side = (...options: string[]): Piece => ({
  kind: 'choice',
  key: 'side',
  label: 'side',
  options,
  empty: 'on its usual side',
});

export const REACH: Piece = {
  kind: 'swap',
  label: 'how its length is said',
  among: [
    { key: 'length', words: 'is', start: ({ lengthMm }) => `${shown(lengthMm)} mm` },
    {
      key: 'tip',
      words: 'reaches',
      start: ({ tipMm, bendMm }) =>
        tipMm === null
          ? 'bend'
          : tipMm >= bendMm
            ? `bend + ${shown(tipMm - bendMm)} mm`
            : `bend - ${shown(bendMm - tipMm)} mm`,
    },
  ],
};
export const FIBRE: Piece = {
  kind: 'swap',
  label: 'how its fibres are said',
  among: [
    { key: 'fibre', words: 'fibres of', start: ({ lengthMm }) => `${shown(lengthMm)} mm` },
    { key: 'tip', words: 'tips at', start: ({ tipMm }) => `eye + ${shown(tipMm ?? 0)} mm` },
  ],
};
export const AMOUNT: Piece = {
  kind: 'swap',
  label: 'how the amount is said',
  among: [
    { key: 'dose', words: 'as much as', start: () => 'matchstick' },
    { key: 'pinch', words: 'pinched to', start: () => '2 mm' },
    { key: 'strands', words: 'counted:', start: () => 10 },
  ],
};
export const THICK: Piece = {
  kind: 'swap',
  label: 'how its thickness is said',
  among: [
    { key: 'strand', words: 'a strand of', start: () => '0.4 mm' },
    { key: 'width', words: 'flat, broad', start: () => '1.2 mm' },
    { key: 'diameter', words: 'wound to', start: () => '4 mm' },
    { key: 'profile', words: 'wound, rear to front, to', start: () => ['3 mm', '4 mm', '5 mm'] },
  ],
};

export const has = (part: Part, key: string): boolean =>
  (part as unknown as Record<string, unknown>)[key] !== undefined;
export const choice = (key: string, label: string, options: readonly string[], empty?: string): Piece => ({
  kind: 'choice',
  key,
  label,
  options,
  ...(empty === undefined ? {} : { empty }),
});
export const layers = (most: number): Piece => ({
  kind: 'choice',
  key: 'layers',
  label: 'layers',
  options: Array.from({ length: most - 1 }, (_, i) => String(i + 2)),
  empty: '1',
  numeric: true,
});
export const count = (key: string, label: string, empty: string): Piece => ({ kind: 'count', key, label, empty });
export const angle = (empty: string): Piece => ({ kind: 'quantity', key: 'angle', label: 'angle', empty });
/** Another part of the fly, by name. */
export const otherPart = (key: string, label: string, empty: string): Piece => ({ kind: 'part', key, label, empty });
export const DOSE = (empty?: string): Piece => ({
  kind: 'dose',
  key: 'dose',
  label: 'dose',
  ...(empty === undefined ? {} : { empty }),
});

export function amount(part: Part): Piece {
  if (has(part, 'dose')) return DOSE();
  return has(part, 'strands') ? { kind: 'count', key: 'strands', label: 'strands' } : relation('pinch', 'pinch');
}

export const reach = (part: Part): Piece[] =>
  has(part, 'tip') ? [REACH, relation('tip', 'tip')] : [REACH, relation('length', 'length'), 'long'];
/** A blank that takes the words the file takes there. */
export const words = (of: Part['construction'], key: string, empty?: string): Piece =>
  choice(key, key, partWords(of, key), empty);
export const SUPPORT = choice('support', 'support', partWords('bundle', 'support'), 'no support');
/** A palmer is wound from somewhere, which the sentence says by itself. */
export const COLLARS = partWords('hackle', 'style').filter((style) => style !== 'palmer');
export const names = (items: readonly { readonly name: string }[]): readonly string[] => items.map((item) => item.name);
