import { type By, type FishedAs, type Group, groupsOf } from './groups.ts';
import { groupWords, togetherWords } from './words.ts';
import { type Version, versionsOf } from './versions.ts';

const round = (value: number, places = 3): number => Math.round(value * 10 ** places) / 10 ** places;
const bound = (value: number): number | null => (Number.isFinite(value) ? round(value) : null);

/** What outings tell, under the keys the command line promises. */
export interface LogReport {
  readonly by: By;
  readonly outings: number;
  readonly hours: number;
  readonly takes: number;
  readonly groups: readonly {
    readonly name: string;
    readonly hours: number;
    readonly takes: number;
    readonly rate_per_h: number;
    readonly interval: readonly [number, number];
    readonly outings: number;
    readonly lost: number;
    readonly verdict: Group['verdict'];
    readonly against: {
      readonly hours: number;
      readonly takes: number;
      /** Null where it has no end. */
      readonly ratio: readonly [number | null, number | null];
      readonly chance: number;
      readonly level: number;
      readonly hours_more: number | null;
    } | null;
    readonly confounded: readonly string[];
  }[];
  readonly versions: readonly Version[] | null;
  readonly words: readonly string[];
}

/** @param versionsOfFly the name of a fly whose versions are told too */
export function reportLog(fished: readonly FishedAs[], by: By, versionsOfFly: string | null = null): LogReport {
  const groups = groupsOf(fished, by);
  const named = (each: FishedAs): string => (each.traits?.name ?? each.fly).toLowerCase();
  return {
    by,
    outings: new Set(fished.map(({ outing }) => outing)).size,
    hours: round(fished.reduce((sum, { minutes }) => sum + minutes, 0) / 60),
    takes: fished.reduce((sum, { takes }) => sum + takes, 0),
    groups: groups.map(
      ({ name, hours, takes, ratePerHour, interval, outings, lost, verdict, against, confounded }) => ({
        name,
        hours: round(hours),
        takes,
        rate_per_h: round(ratePerHour),
        interval: [round(interval[0]), round(interval[1])],
        outings,
        lost,
        verdict,
        against: against && {
          hours: round(against.hours),
          takes: against.takes,
          ratio: [bound(against.ratio[0]), bound(against.ratio[1])],
          chance: round(against.chance, 4),
          level: round(against.level, 4),
          hours_more: against.hoursMore === null ? null : round(against.hoursMore, 1),
        },
        confounded,
      }),
    ),
    versions:
      versionsOfFly === null ? null : versionsOf(fished.filter((each) => named(each) === versionsOfFly.toLowerCase())),
    words: [...groups.map((group) => groupWords(group)), togetherWords(groups)],
  };
}
