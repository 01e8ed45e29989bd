import { differenceWords, diffFlies } from '../edit/index.ts';
import { poissonInterval, ratioInterval, type Interval } from '../numeric/index.ts';
import { type FlyFile, readFlyValue } from '../pattern/index.ts';
import type { Fished } from './fished.ts';

/** A fly as it was for a while: what was changed in it, and what it did since. */
export interface Version {
  /** When it was fished first. */
  readonly since: string;
  /** What is other than in the version before; nothing of the first. */
  readonly changed: readonly string[];
  /** More than one thing was changed at once: what came of it may be either's. */
  readonly atOnce: boolean;
  readonly hours: number;
  readonly takes: number;
  readonly ratePerHour: number;
  readonly interval: Interval;
  readonly lost: number;
  readonly fouled: number;
  /** How many times as many takes an hour as the version before, nine times in ten; null of the first. */
  readonly ratio: Interval | null;
}

interface Kept {
  readonly key: string;
  readonly file: FlyFile;
  readonly fished: Fished[];
}

/** What of a file is the fly: not what is written beside it. */
const keyOf = ({ platform, parts, finish }: FlyFile): string => JSON.stringify([platform, parts, finish]);

const COLOUR = ', colour';

/** What differs between two versions, in words; another shade all over is one thing. */
function changesBetween(before: FlyFile, after: FlyFile): readonly string[] {
  const all = diffFlies(before, after);
  const shades = all.filter(({ what }) => what.endsWith(COLOUR));
  const [first] = shades;
  const alike = first && shades.every((each) => each.before === first.before && each.after === first.after);
  if (!alike || shades.length < 2) return all.map(differenceWords);
  const others = all.filter((each) => !shades.includes(each));
  return [`its shade: ${first.before} became ${first.after}`, ...others.map(differenceWords)];
}

/** The versions of one fly that were fished, the oldest first; those whose pattern was not kept are left out. */
export function versionsOf(fished: readonly Fished[]): readonly Version[] {
  const kept = new Map<string, Kept>();
  for (const each of [...fished].sort((one, other) => one.date.localeCompare(other.date))) {
    const read = each.rod.pattern === undefined ? null : readFlyValue(each.rod.pattern);
    if (read?.ok !== true || each.minutes === 0) continue;
    const key = keyOf(read.value);
    const there = kept.get(key) ?? { key, file: read.value, fished: [] };
    there.fished.push(each);
    kept.set(key, there);
  }
  const all = [...kept.values()];
  const count = (of: readonly Fished[]) => ({
    count: of.reduce((sum, { takes }) => sum + takes, 0),
    hours: of.reduce((sum, { minutes }) => sum + minutes, 0) / 60,
  });
  return all.map(({ file, fished: own }, i): Version => {
    const before = all[i - 1];
    const { count: takes, hours } = count(own);
    const changed = before ? changesBetween(before.file, file) : [];
    const [low, high] = poissonInterval(takes);
    return {
      since: own[0]?.date ?? '',
      changed,
      atOnce: changed.length > 1,
      hours,
      takes,
      ratePerHour: takes / hours,
      interval: [low / hours, high / hours],
      lost: own.reduce((sum, { lost }) => sum + lost.length, 0),
      fouled: own.reduce((sum, each) => sum + each.fouled, 0),
      ratio: before ? ratioInterval({ count: takes, hours }, count(before.fished)) : null,
    };
  });
}
