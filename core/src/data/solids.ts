import { remembering } from '../base/index.ts';

/** Something solid that eyes, beads and wire are made of. Density in mg/mm³. */
export interface Solid {
  readonly name: string;
  readonly density: number;
  readonly tint: string;
  /** Words it is matched by, besides its name; a metal is never matched by nearness. */
  readonly aliases: readonly string[];
  readonly lead: boolean;
}

const solid = (name: string, density: number, tint: string, ...aliases: string[]): Solid => ({
  name,
  density,
  tint,
  aliases,
  lead: name === 'lead',
});

/** Handbook densities, rounded; every one is corrected by weighing a pair. */
export const SOLIDS: readonly Solid[] = [
  solid('lead', 11.34, '#6d7478'),
  solid('tin alloy', 7.3, '#b4bbbd', 'tin', 'lead-free', 'leadfree', 'lead free', 'pewter'),
  solid('tungsten alloy', 17.5, '#5b6063', 'tungsten'),
  solid('brass', 8.5, '#c58f2e'),
  solid('copper', 8.96, '#b5673a'),
  solid('stainless', 7.9, '#a3adb1', 'stainless steel', 'steel'),
  solid('aluminium', 2.7, '#b9c2c6', 'aluminum', 'alloy'),
  solid('glass', 2.5, '#7fa7ad'),
  solid('plastic', 1.14, '#2a2f31', 'nylon', 'acetal'),
  solid('film', 1.39, '#c9d3d6', 'flat eye', 'flat', 'printed film', 'polyester film'),
  solid('resin', 1.15, '#d8d4c4', 'moulded', 'molded', 'moulded eye', 'epoxy'),
];

/** Nouns that say what a metal was made into, and how large, and nothing about which it is. */
const MADE_INTO = /\s+(?:wire|weight wire|beads?|eyes?|dumbbells?|cones?|balls?|chain|bead chain|discs?)$/;
const SO_LARGE = /[\s,]+[.\d/]+\s*(?:mm|in|")?$/;

/** Words without the size and what it was made into. @example solidWords('Lead-free wire .020 in') // 'lead-free' */
export const solidWords = remembering((word: string): string =>
  word.trim().toLowerCase().replace(/\s+/g, ' ').replace(SO_LARGE, '').replace(MADE_INTO, ''),
);

/** The solid of a name or alias, whatever it was made into (`brass wire`, `Tungsten beads`); null for an unknown one. */
export const solidNamed = remembering((word: string): Solid | null => {
  const plain = solidWords(word);
  return SOLIDS.find((each) => each.name === plain || each.aliases.includes(plain)) ?? null;
});

/** Names to offer and to suggest from, the shortest word for each. */
export const solidNames = (): string[] =>
  SOLIDS.map((each) => ({ 'tin alloy': 'lead-free', 'tungsten alloy': 'tungsten' })[each.name] ?? each.name);

/** Words of metals and the like that say which it is wherever they stand, the longest first: lead-free before lead. */
const TELLING = SOLIDS.flatMap((each) => [each.name, ...each.aliases].map((word) => ({ word, each })))
  .filter(({ word }) => !['alloy', 'flat', 'flat eye', 'film', 'moulded', 'molded'].includes(word))
  .sort((a, b) => b.word.length - a.word.length);

/** The solid that is named somewhere in some words: `black tungsten bead`, `painted lead eyes`; null where none is. */
export function solidIn(words: string): Solid | null {
  const plain = ` ${words.toLowerCase().replace(/[^a-z-]+/g, ' ')} `;
  return TELLING.find(({ word }) => plain.includes(` ${word} `))?.each ?? null;
}
