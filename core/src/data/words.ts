/** Named places on the platform, as the grammar of relations spells them. */
export const LANDMARKS = ['eye', 'head', 'mid', 'point', 'barb', 'bend', 'rear'] as const;
export type LandmarkName = (typeof LANDMARKS)[number];

/** Lengths every platform knows; `body` and `headSpace` depend on what is tied. */
export const QUANTITIES = ['shank', 'gap', 'wire', 'hook', 'body', 'headSpace'] as const;
export type QuantityName = (typeof QUANTITIES)[number];

/** Edges of a part that can be named after a dot. */
export const PROPERTIES = ['front', 'rear', 'tip', 'mid'] as const;
export type PartProperty = (typeof PROPERTIES)[number];

const GRAMMAR = [
  'station',
  'between',
  'and',
  'half',
  'way',
  'along',
  'against',
  'round',
  'at',
  'most',
  'same',
  'as',
  'turns',
  'x',
  'space',
];
const UNITS = ['mm', 'cm', 'm', 'in', 'inch', 'ft', 'g', 'mg', 'gr', 'gm', 'gauge', 'deg'];
const RESERVED = new Set([...LANDMARKS, ...QUANTITIES, ...GRAMMAR, ...UNITS].map((word) => word.toLowerCase()));

/** True for a word of the relations, which no part may be called. Case is ignored. */
export const isReserved = (word: string): boolean => RESERVED.has(word.toLowerCase());
