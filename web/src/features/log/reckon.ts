import {
  type By,
  type Change,
  changesFor,
  depthFished,
  type FishedAs,
  fishedOf,
  type Group,
  groupsOf,
  groupWords,
  namesBy,
  runOn,
  strengthWords,
  togetherWords,
  traitsOf,
  type Version,
  versionsOf,
  within,
} from '@jobbet/core/log';
import type { Fault } from '@jobbet/core/base';
import { checkFly } from '@jobbet/core/checks';
import type { LaidFly } from '@jobbet/core/model';
import { type FlyFile, readFlyValue } from '@jobbet/core/pattern';
import type { BeatFile, DateFile, OutingFile } from '@jobbet/core/records';
import type { Style } from '@jobbet/core/units';
import type { Desk } from '../../shared/solve/desk.ts';

/** What is asked of all outings. */
export interface LogQuestion {
  readonly outings: readonly OutingFile[];
  readonly files: Readonly<Record<string, FlyFile>>;
  readonly beats: readonly BeatFile[];
  readonly dates: readonly DateFile[];
  readonly by: readonly By[];
  /** Only what was fished so: in high water, by one hand; null for all of it. */
  readonly only: Only | null;
  readonly style: Style;
}

/** One group of a kind. */
export interface Only {
  readonly by: By;
  readonly group: string;
}

/** Groups of one kind, each with what is said of it, and of all of them together. */
export interface Told {
  readonly by: By;
  readonly groups: readonly Group[];
  readonly words: readonly string[];
  readonly together: string;
  /** Two of them as flies: the group that stands out, else the first, and the next; null where there are no two, or one fly is both. */
  readonly two: TwoFlies | null;
}

/** Two groups, each as its fly that was fished longest. */
export interface TwoFlies {
  readonly flies: readonly [
    one: { readonly name: string; readonly file: object },
    other: { readonly name: string; readonly file: object },
  ];
  /** How many times as many takes an hour the first has, against all others. */
  readonly ratio: readonly [low: number, high: number] | null;
}

export interface LogAnswer {
  readonly told: readonly Told[];
  /** What it can be narrowed to. */
  readonly onlies: readonly Only[];
  /** What of an outing cannot be counted, by its place among all. */
  readonly faults: Readonly<Record<number, readonly Fault[]>>;
}

/** What is asked of one fly. */
export interface FlyQuestion {
  readonly outings: readonly OutingFile[];
  readonly fly: string;
  readonly file: FlyFile;
  readonly style: Style;
}
export interface FlyAnswer {
  readonly versions: readonly Version[];
  readonly changes: readonly Change[];
  /** What ended it, set against what its checks said of its strength. */
  readonly strength: readonly string[];
}

/** Flies laid out once, each as it was fished: by the pattern that was kept with it, or as the box has it. */
class Fleet {
  private readonly known = new Map<string, LaidFly | null>();
  private readonly desk: Desk;

  constructor(desk: Desk) {
    this.desk = desk;
  }

  laidOf({ fly, rod }: Pick<FishedAs, 'fly' | 'rod'>, files: LogQuestion['files']): LaidFly | null {
    const key = JSON.stringify([fly, rod.pattern ?? files[fly]]);
    const there = this.known.get(key);
    if (there !== undefined) return there;
    const kept = rod.pattern === undefined ? null : readFlyValue(rod.pattern);
    const file = kept?.ok === true ? kept.value : files[fly];
    const laid = file ? this.desk.laid(file) : null;
    const made = laid?.ok === true ? laid.value : null;
    this.known.set(key, made);
    return made;
  }
}

/** Everything that was fished, each with what the fly is; what of an outing cannot be counted is told by its place. */
function fishedIn({ outings, files, beats, dates, by }: LogQuestion, fleet: Fleet, desk: Desk) {
  const faults: Record<number, readonly Fault[]> = {};
  const deep = by.includes('depth');
  const all = outings.flatMap((outing, i): FishedAs[] => {
    const fished = fishedOf(outing, i);
    if (!fished.ok) {
      faults[i] = fished.faults;
      return [];
    }
    return fished.value.map((each): FishedAs => {
      const laid = fleet.laidOf(each, files);
      const beat = beats.find(({ name }) => name === each.beat);
      return {
        ...each,
        traits: laid && traitsOf(laid),
        run: runOn(dates, each.date),
        depthMm: laid && beat && deep ? depthFished(laid, each, beat, desk.drawers) : null,
      };
    });
  });
  return { all, faults };
}

/** What a fly was while it was fished: the pattern kept with it, else as the box has it. */
const fileOf = ({ fly, rod }: FishedAs, files: LogQuestion['files']): object | undefined => rod.pattern ?? files[fly];

function twoOf(
  all: readonly FishedAs[],
  by: By,
  groups: readonly Group[],
  files: LogQuestion['files'],
): TwoFlies | null {
  const stands = groups.findIndex(({ verdict }) => verdict !== 'too few to tell');
  const first = groups[Math.max(0, stands)];
  const second = groups.find((each) => each !== first);
  if (!first || !second) return null;
  const typical = (group: string) => {
    const own = within(all, by, group);
    const minutes = new Map<string, { total: number; file: object }>();
    for (const each of own.ok ? own.value : []) {
      const file = fileOf(each, files);
      if (!file) continue;
      const key = JSON.stringify(file);
      const total = (minutes.get(key)?.total ?? 0) + each.minutes;
      minutes.set(key, { total, file });
    }
    return [...minutes.values()].sort((one, other) => other.total - one.total)[0]?.file;
  };
  const [one, other] = [typical(first.name), typical(second.name)];
  if (!one || !other || JSON.stringify(one) === JSON.stringify(other)) return null;
  return {
    flies: [
      { name: first.name, file: one },
      { name: second.name, file: other },
    ],
    ratio: first.against?.ratio ?? null,
  };
}

/** Kinds that what is told can be narrowed by. */
const ONLY_BY = ['level', 'temperature', 'run', 'light', 'hand', 'manner', 'ride'] as const;

function groupsIn(question: LogQuestion, fleet: Fleet, desk: Desk): LogAnswer {
  const { all, faults } = fishedIn(question, fleet, desk);
  const { only } = question;
  const narrowed = only ? within(all, only.by, only.group) : null;
  // What it was narrowed to may be gone since: then it is all of it.
  const some = narrowed?.ok === true ? narrowed.value : all;
  return {
    faults,
    onlies: ONLY_BY.flatMap((by) => namesBy(all, by).map((group) => ({ by, group }))),
    told: question.by.map((by) => {
      const groups = groupsOf(some, by);
      return {
        by,
        groups,
        words: groups.map((group) => groupWords(group, question.style)),
        together: togetherWords(groups),
        two: twoOf(some, by, groups, question.files),
      };
    }),
  };
}

function ofFlyIn({ outings, fly, file, style }: FlyQuestion, desk: Desk): FlyAnswer {
  const fished = outings.flatMap((outing, i) => {
    const read = fishedOf(outing, i);
    return read.ok ? read.value.filter((each) => each.fly === fly) : [];
  });
  const laid = desk.laid(file);
  const versions = versionsOf(fished);
  // What was seen of a version that is no more says nothing of the fly as it is.
  const since = versions.at(-1)?.since ?? '';
  const lately = fished.filter(({ date }) => date >= since);
  const solved = desk.solved(file);
  return {
    versions,
    changes: laid.ok ? changesFor(laid.value, lately, desk.drawers, style) : [],
    strength: solved.ok ? strengthWords(lately, checkFly(solved.value, { drawers: desk.drawers }), style) : [],
  };
}

export const logReckon = (desk: Desk) => {
  const fleet = new Fleet(desk);
  return {
    groups: (question: LogQuestion): LogAnswer => groupsIn(question, fleet, desk),
    ofFly: (question: FlyQuestion): FlyAnswer => ofFlyIn(question, desk),
  };
};
