import { bad, good, type Outcome, suggestion } from '../base/index.ts';
import { alikeChance, type Counted, holm, type Interval, poissonInterval, ratioInterval } from '../numeric/index.ts';
import type { Fished } from './fished.ts';

/** What a fly is, as far as takes may hang on it: mg, mm². */
export interface Traits {
  readonly name: string;
  readonly ride: string;
  readonly submergedMg: number;
  readonly areaMm2: number;
  /** Its length squared over that, as Inspect tells it. */
  readonly slenderness: number;
  readonly colour: string;
}

/** A fly while it was fished, with what is known of it; depth in mm where it was computed. */
export interface FishedAs extends Fished {
  readonly traits: Traits | null;
  readonly depthMm: number | null;
  /** The run of fish that was on, by its name. */
  readonly run: string | null;
}

export const BY = [
  'fly',
  'version',
  'ride',
  'weight',
  'silhouette',
  'slenderness',
  'colour',
  'depth',
  'manner',
  'hand',
  'light',
  'level',
  'temperature',
  'run',
  'clarity',
] as const;
export type By = (typeof BY)[number];

/** All that was fished of one kind, counted. */
export interface Group {
  readonly name: string;
  readonly hours: number;
  readonly takes: number;
  readonly ratePerHour: number;
  /** Of the rate, takes an hour; it holds nine times in ten. */
  readonly interval: Interval;
  readonly outings: number;
  readonly lost: number;
  readonly verdict: 'more' | 'fewer' | 'too few to tell';
  readonly against: Against | null;
  /** What else sets it apart from all others, so that it may be that. */
  readonly confounded: readonly string[];
}

/** A group held against all others together. */
export interface Against {
  readonly hours: number;
  readonly takes: number;
  /** How many times as many takes an hour: the interval at the level it was held against. */
  readonly ratio: Interval;
  readonly chance: number;
  readonly level: number;
  /** How many more hours of this kind, with as many more of the others, would tell, were the rates as they are; null where they would not. */
  readonly hoursMore: number | null;
}

/** Not one of all comparisons is told wrongly more often than this. */
export const ALLOWED = 0.1;
const MOST_TIMES = 64;

/** Edges between bins of a figure, and its words. */
const binned = (value: number, edges: readonly number[], words: (value: number) => string, unit: string): string => {
  const at = edges.findIndex((edge) => value < edge);
  const [low, high] = at < 0 ? [edges.at(-1), undefined] : [edges[at - 1], edges[at]];
  if (low === undefined) return `under ${words(high ?? 0)} ${unit}`;
  return high === undefined ? `over ${words(low)} ${unit}` : `${words(low)} to ${words(high)} ${unit}`;
};

const WEIGHTS_MG = [150, 300, 500, 750, 1000] as const;
const AREAS_MM2 = [120, 220, 320, 450] as const;
const SLENDER = [4, 6, 9, 13] as const;
const DEPTHS_MM = [300, 600, 1000, 1500, 2500] as const;
/** Levels and clarities are parted so: a third of all hours each. */
const THIRDS = 3;

/** Edges that part what was fished in thirds by a figure. */
function thirdsOf(all: readonly FishedAs[], of: (each: FishedAs) => number | null): readonly number[] {
  const known = all.map(of).filter((each) => each !== null);
  const sorted = [...new Set(known)].sort((a, b) => a - b);
  if (sorted.length < THIRDS) return sorted.slice(1);
  const at = (share: number): number => sorted[Math.round(share * (sorted.length - 1))] ?? 0;
  return [...new Set([at(1 / THIRDS), at(2 / THIRDS)])];
}

const centimetres = (mm: number): string => (mm / 1000).toFixed(2);

/** The day each pattern of each fly was fished first. */
function firstFished(all: readonly FishedAs[]): ReadonlyMap<string, string> {
  const first = new Map<string, string>();
  for (const { fly, rod, date } of all) {
    const key = JSON.stringify([fly, rod.pattern]);
    const known = first.get(key);
    if (known === undefined || date < known) first.set(key, date);
  }
  return first;
}

/** The name of the group each falls in; null where what it would be grouped by is not known. */
function namer(all: readonly FishedAs[], by: By): (each: FishedAs) => string | null {
  const from = <T>(value: T | null | undefined, words: (value: T) => string): string | null =>
    value === null || value === undefined ? null : words(value);
  const levels = thirdsOf(all, ({ levelMm }) => levelMm);
  const clear = thirdsOf(all, ({ clarityMm }) => clarityMm);
  const since = firstFished(all);
  const warm = thirdsOf(all, ({ temperatureC }) => temperatureC);
  const namers: Readonly<Record<By, (each: FishedAs) => string | null>> = {
    fly: ({ traits, fly }) => traits?.name ?? fly,
    // A version is a pattern: told by the day it was fished first.
    version: ({ traits, fly, rod }) =>
      rod.pattern === undefined
        ? null
        : `${traits?.name ?? fly}, since ${since.get(JSON.stringify([fly, rod.pattern])) ?? ''}`,
    ride: ({ traits }) => traits?.ride ?? null,
    weight: ({ traits }) =>
      from(traits?.submergedMg, (mg) => binned(mg, WEIGHTS_MG, (v) => (v / 1000).toFixed(2), 'g')),
    silhouette: ({ traits }) => from(traits?.areaMm2, (mm2) => binned(mm2, AREAS_MM2, String, 'mm²')),
    slenderness: ({ traits }) => from(traits?.slenderness, (v) => binned(v, SLENDER, String, 'length² to area')),
    colour: ({ traits }) => traits?.colour ?? null,
    depth: ({ depthMm }) => from(depthMm, (mm) => binned(mm, DEPTHS_MM, (v) => (v / 1000).toFixed(1), 'm')),
    manner: ({ rod }) => rod.manner ?? null,
    hand: ({ hand }) => hand,
    light: ({ light }) => light,
    level: ({ levelMm }) => from(levelMm, (mm) => binned(mm, levels, centimetres, 'm')),
    temperature: ({ temperatureC }) => from(temperatureC, (c) => binned(c, warm, (v) => v.toFixed(1), '°C')),
    run: ({ run }) => run ?? 'no run',
    clarity: ({ clarityMm }) => from(clarityMm, (mm) => binned(mm, clear, centimetres, 'm')),
  };
  return namers[by];
}

const hoursOf = (all: readonly Fished[]): number => all.reduce((sum, { minutes }) => sum + minutes, 0) / 60;
const takesOf = (all: readonly Fished[]): number => all.reduce((sum, { takes }) => sum + takes, 0);
const counted = (all: readonly Fished[]): Counted => ({ count: takesOf(all), hours: hoursOf(all) });
const distinct = <T>(all: readonly FishedAs[], of: (each: FishedAs) => T): ReadonlySet<T> => new Set(all.map(of));

/** What a group has in common that the others have not, besides what it is grouped by. */
function confoundersOf(group: readonly FishedAs[], others: readonly FishedAs[], by: By): readonly string[] {
  const apart = <T>(of: (each: FishedAs) => T | null): T | null => {
    const own = distinct(group, of);
    const [only] = own;
    if (own.size !== 1 || only === null || only === undefined) return null;
    return others.length > 0 && others.every((each) => of(each) !== only) ? only : null;
  };
  const day = distinct(group, ({ outing }) => outing).size === 1;
  const beat = apart((each) => each.beat);
  const hand = by === 'hand' ? null : apart((each) => each.hand);
  const manner = by === 'manner' ? null : apart((each) => each.rod.manner ?? null);
  const fly = by === 'fly' ? null : apart((each) => each.traits?.name ?? each.fly);
  const first = (each: FishedAs): boolean => each.at === 0;
  return [
    ...(day ? ['one outing alone'] : []),
    ...(beat === null ? [] : [`only on ${beat}`]),
    ...(hand === null ? [] : [`only by ${hand}`]),
    ...(manner === null ? [] : [`only in one manner, ${manner}`]),
    ...(fly === null ? [] : [`only ${fly}`]),
    ...(group.length > 1 && group.every(first) && !others.some(first) ? ['always fished first'] : []),
  ];
}

/** How many more hours would tell two rates apart, were they as they are counted. */
function hoursMoreFor(one: Counted, other: Counted, level: number): number | null {
  const tells = (times: number): boolean => {
    const more = ({ count, hours }: Counted): Counted => ({ count: Math.round(times * count), hours: times * hours });
    return alikeChance(more(one), more(other)) <= level;
  };
  let high = 1;
  while (high <= MOST_TIMES && !tells(high)) high *= 2;
  if (high > MOST_TIMES) return null;
  let low = high / 2;
  for (let i = 0; i < 10; i++) {
    const mid = (low + high) / 2;
    if (tells(mid)) high = mid;
    else low = mid;
  }
  return Math.max(0, (high - 1) * one.hours);
}

/** The names of the groups of a kind, those with most hours first. */
export function namesBy(all: readonly FishedAs[], by: By): readonly string[] {
  const nameOf = namer(all, by);
  const hours = new Map<string, number>();
  for (const each of all) {
    const name = nameOf(each);
    if (name !== null) hours.set(name, (hours.get(name) ?? 0) + each.minutes);
  }
  return [...hours].sort(([, one], [, other]) => other - one).map(([name]) => name);
}

/** Only what was fished in one group of a kind: in high water, by one hand. */
export function within(all: readonly FishedAs[], by: By, group: string): Outcome<readonly FishedAs[]> {
  const nameOf = namer(all, by);
  const names = [...namesBy(all, by)].sort();
  const name = names.find((each) => each.toLowerCase() === group.trim().toLowerCase());
  return name === undefined
    ? bad({
        path: 'within',
        code: 'unknown-name',
        message: `there is no "${group}" by ${by}${suggestion(group, names)}: ${names.join(', ') || 'nothing is known of it'}`,
      })
    : good(all.filter((each) => nameOf(each) === name));
}

/** Which of some groups differ from the rest of them, so that not one of all those verdicts is wrong more often than is allowed. */
export function toldApart(
  pairs: readonly (readonly [own: Counted, rest: Counted])[],
): readonly { readonly chance: number; readonly holds: boolean; readonly level: number }[] {
  const chances = pairs.map(([own, rest]) => (rest.hours > 0 ? alikeChance(own, rest) : 1));
  // Two groups held against one another are one question.
  const answered = holm(pairs.length === 2 ? chances.slice(0, 1) : chances, ALLOWED);
  return chances.map((chance, i) => ({
    chance,
    ...(answered[Math.min(i, answered.length - 1)] ?? { holds: false, level: ALLOWED }),
  }));
}

/**
 * Everything that was fished, in groups, each held against all others together: they differ only where the interval of their ratio leaves out
 * one, and not one of all those verdicts is wrong more than one time in ten.
 */
export function groupsOf(all: readonly FishedAs[], by: By): readonly Group[] {
  const nameOf = namer(all, by);
  const groups = new Map<string, FishedAs[]>();
  for (const each of all) {
    const name = nameOf(each);
    if (name !== null && each.minutes > 0) groups.set(name, [...(groups.get(name) ?? []), each]);
  }
  const known = [...groups.values()].flat();
  const list = [...groups].map(([name, own]) => {
    const others = known.filter((each) => !own.includes(each));
    return { name, own, others, is: counted(own), rest: counted(others) };
  });
  const told = toldApart(list.map(({ is, rest }) => [is, rest] as const));
  return list
    .map(({ name, own, others, is, rest }, i): Group => {
      const { chance, holds, level } = told[i] ?? { chance: 1, holds: false, level: ALLOWED };
      const [low, high] = poissonInterval(is.count);
      const rate = is.count / is.hours;
      return {
        name,
        hours: is.hours,
        takes: is.count,
        ratePerHour: rate,
        interval: [low / is.hours, high / is.hours],
        outings: distinct(own, ({ outing }) => outing).size,
        lost: own.reduce((sum, { lost }) => sum + lost.length, 0),
        verdict: !holds ? 'too few to tell' : rate > rest.count / rest.hours ? 'more' : 'fewer',
        against:
          rest.hours > 0
            ? {
                hours: rest.hours,
                takes: rest.count,
                ratio: ratioInterval(is, rest, level / 2),
                chance,
                level,
                hoursMore: holds ? 0 : hoursMoreFor(is, rest, level),
              }
            : null,
        confounded: rest.hours > 0 ? confoundersOf(own, others, by) : [],
      };
    })
    .sort((one, other) => other.ratePerHour - one.ratePerHour || other.hours - one.hours);
}
