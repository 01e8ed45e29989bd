import { chiSquareQuantile, studentQuantile } from '../numeric/index.ts';
import { DRILLED_MM, type DrillFile, type DrillItem, type DrillOf } from '../records/index.ts';

type Interval = readonly [low: number, high: number];

/** How far off answers of one kind were. */
export interface Tally {
  readonly n: number;
  /** Mean of given − truth, and its interval, nineteen times in twenty; null of one answer. */
  readonly bias: number;
  readonly biasInterval: Interval | null;
  /** Sample standard deviation, and its interval; null of one answer. */
  readonly sd: number | null;
  readonly sdInterval: Interval | null;
}

/** An interval leaves out so much at either end. */
const TAIL = 0.025;

/** Bias and spread of how far off some answers were, with the intervals of Student's t and of χ². */
export function tallyOf(offs: readonly number[]): Tally {
  const n = offs.length;
  const bias = offs.reduce((sum, off) => sum + off, 0) / Math.max(1, n);
  if (n < 2) return { n, bias, biasInterval: null, sd: null, sdInterval: null };
  const freedom = n - 1;
  const sd = Math.sqrt(offs.reduce((sum, off) => sum + (off - bias) ** 2, 0) / freedom);
  const by = (studentQuantile(1 - TAIL, freedom) * sd) / Math.sqrt(n);
  return {
    n,
    bias,
    biasInterval: [bias - by, bias + by],
    sd,
    sdInterval: [
      sd * Math.sqrt(freedom / chiSquareQuantile(1 - TAIL, freedom)),
      sd * Math.sqrt(freedom / chiSquareQuantile(TAIL, freedom)),
    ],
  };
}

/** An answer as it is held against the truth: both in mm. */
export interface Pulled {
  readonly of: DrillOf;
  readonly at: string;
  readonly item: DrillItem;
  readonly truthMm: number;
  readonly givenMm: number;
}

/** All answers in mm of some rounds, in the order they were given. */
export const pulledIn = (files: readonly DrillFile[]): readonly Pulled[] =>
  [...files]
    .sort((one, other) => one.at.localeCompare(other.at))
    .filter(({ of }) => DRILLED_MM.includes(of))
    .flatMap(({ of, at, items }) =>
      items.flatMap((item): Pulled[] =>
        typeof item.truth === 'number' && typeof item.given === 'number' && item.truth > 0
          ? [{ of, at, item, truthMm: item.truth, givenMm: item.given }]
          : [],
      ),
    );

/** By how much an answer was off, as a share of the truth. */
export const shareOff = ({ truthMm, givenMm }: Pick<Pulled, 'truthMm' | 'givenMm'>): number => givenMm / truthMm - 1;

/** Things by what they have in common, in the order they came. */
export function grouped<T>(all: readonly T[], keyOf: (each: T) => string): ReadonlyMap<string, readonly T[]> {
  const groups = new Map<string, T[]>();
  for (const each of all) {
    const key = keyOf(each);
    const group = groups.get(key);
    if (group) group.push(each);
    else groups.set(key, [each]);
  }
  return groups;
}

/** What answers are told apart by. */
export const TOLD_BY = {
  relation: ({ asked }: DrillItem) => asked,
  size: ({ on }: DrillItem) => on,
  platform: ({ platform }: DrillItem) => platform ?? 'not told',
  direction: ({ direction }: DrillItem) => direction ?? 'not told',
} as const;
export type ToldBy = keyof typeof TOLD_BY;

/** Answers that are alike in one thing, with those on each size. */
export interface GroupTally extends Tally {
  readonly name: string;
  readonly sizes: readonly (Tally & { readonly size: string })[];
}

/** How far off answers come out by what they have in common, as shares of the truth: Weber's share is the spread. */
export const talliedBy = (all: readonly Pulled[], by: ToldBy): readonly GroupTally[] =>
  [...grouped(all, ({ item }) => TOLD_BY[by](item))].map(([name, group]) => ({
    name,
    ...tallyOf(group.map(shareOff)),
    sizes: [...grouped(group, ({ item }) => item.on)].map(([size, some]) => ({ size, ...tallyOf(some.map(shareOff)) })),
  }));

/** How widely answers lie about their own relation's mean, all relations together, as a share of the truth; null of too few. */
export function pooledSpread(
  all: readonly Pulled[],
): { readonly sd: number; readonly interval: Interval; readonly n: number } | null {
  const groups = talliedBy(all, 'relation').filter(({ sd }) => sd !== null);
  const freedom = groups.reduce((sum, { n }) => sum + n - 1, 0);
  if (freedom < FEWEST) return null;
  const sd = Math.sqrt(groups.reduce((sum, { n, sd: own }) => sum + (n - 1) * (own ?? 0) ** 2, 0) / freedom);
  return {
    sd,
    interval: [
      sd * Math.sqrt(freedom / chiSquareQuantile(1 - TAIL, freedom)),
      sd * Math.sqrt(freedom / chiSquareQuantile(TAIL, freedom)),
    ],
    n: all.length,
  };
}
/** No hands are told by fewer degrees of freedom. */
const FEWEST = 10;
