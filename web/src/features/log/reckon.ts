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
  togetherWords,
  traitsOf,
  type Version,
  versionsOf,
} from '@jobbet/core/log';
import type { Fault } from '@jobbet/core/base';
import type { LaidFly } from '@jobbet/core/model';
import { type FlyFile, readFlyValue } from '@jobbet/core/pattern';
import type { BeatFile, OutingFile } from '@jobbet/core/records';
import type { Style } from '@jobbet/core/units';
import type { Desk } from '../../shared/solve/desk.ts';

/** What is asked of all outings. */
export interface LogQuestion {
  readonly outings: readonly OutingFile[];
  readonly files: Readonly<Record<string, FlyFile>>;
  readonly beats: readonly BeatFile[];
  readonly by: readonly By[];
  readonly style: Style;
}

/** Groups of one kind, each with what is said of it, and of all of them together. */
export interface Told {
  readonly by: By;
  readonly groups: readonly Group[];
  readonly words: readonly string[];
  readonly together: string;
}

export interface LogAnswer {
  readonly told: readonly Told[];
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
function fishedIn({ outings, files, beats, by }: LogQuestion, fleet: Fleet, desk: Desk) {
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
        depthMm: laid && beat && deep ? depthFished(laid, each, beat, desk.drawers) : null,
      };
    });
  });
  return { all, faults };
}

function groupsIn(question: LogQuestion, fleet: Fleet, desk: Desk): LogAnswer {
  const { all, faults } = fishedIn(question, fleet, desk);
  return {
    faults,
    told: question.by.map((by) => {
      const groups = groupsOf(all, by);
      return {
        by,
        groups,
        words: groups.map((group) => groupWords(group, question.style)),
        together: togetherWords(groups),
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
  return { versions, changes: laid.ok ? changesFor(laid.value, lately, desk.drawers, style) : [] };
}

export const logReckon = (desk: Desk) => {
  const fleet = new Fleet(desk);
  return {
    groups: (question: LogQuestion): LogAnswer => groupsIn(question, fleet, desk),
    ofFly: (question: FlyQuestion): FlyAnswer => ofFlyIn(question, desk),
  };
};
