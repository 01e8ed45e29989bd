import type { Care, Spread, SpreadKind } from '@jobbet/core/study';

export type Off = Readonly<Record<string, number>>;

/** How a spread is written: what it is of, its unit, and how many of that unit one in the model's is. */
const SPREAD: Readonly<Record<SpreadKind, readonly [words: string, unit: string, scale: number]>> = {
  along: ['place along the shank', '% of the shank', 100],
  roll: ['turned round the shank', '°', 1],
  length: ['length', '%', 100],
  width: ['breadth', '%', 100],
  amount: ['thickness of the clump', '%', 100],
  split: ['near half over the far', '%', 100],
  turns: ['turns', 'turns', 1],
  mass: ['weight as bought', '%', 100],
  wire: ['thickness of the wire', '%', 100],
};

export const spreadWords = ({ part, kind }: Pick<Spread, 'part' | 'kind'>): string =>
  `${part ?? 'hook'}, ${SPREAD[kind][0]}`;
export const spreadUnit = (kind: SpreadKind): string => SPREAD[kind][1];
export const spreadScale = (kind: SpreadKind): number => SPREAD[kind][2];

/** What a tier minds, in his words. */
export function careWords({ part, kind }: Pick<Care, 'part' | 'kind'>): string {
  if (part === null) return "the hook's wire";
  const words: Readonly<Record<Care['kind'], string>> = {
    place: `where the ${part} sits`,
    length: `how long the ${part} is`,
    amount: `how thick the ${part} is`,
    split: `the two sides of the ${part}`,
    bought: `what the ${part} weighs`,
  };
  return part.endsWith('s')
    ? words[kind]
        .replace(/ sits$/, ' sit')
        .replace(/ is$/, ' are')
        .replace(/ weighs$/, ' weigh')
    : words[kind];
}

/** Which way a thing came out that is off: "turned 6° to the near side", "8 % longer". */
export function offWords(kind: SpreadKind, off: number): string {
  const figure = `${(Math.abs(off) * SPREAD[kind][2]).toFixed(kind === 'turns' ? 1 : 0)}${kind === 'roll' ? '°' : kind === 'turns' ? ' turns' : ' %'}`;
  const more = off > 0;
  switch (kind) {
    case 'along':
      return `${figure} of the shank ${more ? 'aft' : 'forward'}`;
    case 'roll':
      return `turned ${figure}, near side ${more ? 'up' : 'down'}`;
    case 'length':
      return `${figure} ${more ? 'longer' : 'shorter'}`;
    case 'width':
      return `${figure} ${more ? 'broader' : 'narrower'}`;
    case 'amount':
    case 'wire':
      return `${figure} ${more ? 'thicker' : 'thinner'}`;
    case 'split':
      return `near half ${figure} ${more ? 'heavier' : 'lighter'}`;
    case 'turns':
      return `${figure} ${more ? 'more' : 'fewer'}`;
    case 'mass':
      return `${figure} ${more ? 'heavier' : 'lighter'}`;
  }
}
