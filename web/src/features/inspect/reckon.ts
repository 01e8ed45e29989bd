import type { Fault } from '@jobbet/core/base';
import { changedFigures, summarise } from '@jobbet/core/contract';
import { inspectFlies, type InspectReport, type Learnt, reportInspected, withLearnt } from '@jobbet/core/inspect';
import { solveFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import type { SpecimenFile } from '@jobbet/core/records';
import type { Style } from '@jobbet/core/units';
import type { Desk } from '../../shared/solve/desk.ts';

/** Something that can be measured on the fly, as far as it is shown. */
export interface MeasureShown {
  readonly key: string;
  readonly words: string;
  readonly part: string | null;
  readonly planMm: number;
  readonly bandMm: readonly [number, number] | null;
}

/** What was learnt, taken into the pattern. */
export interface Take {
  readonly file: FlyFile;
  /** What is other than before, in words. */
  readonly moves: readonly string[];
}

/** Finished flies inspected: what is told of them, and each as it came out. */
export type InspectAnswer =
  | {
      readonly ok: true;
      readonly report: InspectReport;
      readonly measures: readonly MeasureShown[];
      readonly tied: readonly FlyFile[];
      /** For each of what is learnt, the pattern with it and what that moves; null for what goes elsewhere. */
      readonly takes: readonly (Take | null)[];
    }
  | { readonly ok: false; readonly faults: readonly Fault[] };

export const inspectReckon = (desk: Desk) => ({
  inspect(file: FlyFile, specimens: readonly SpecimenFile[], style: Style): InspectAnswer {
    const made = inspectFlies(file, specimens, desk.drawers);
    if (!made.ok) return made;
    const plan = summarise(made.value.plan);
    const takeOf = (learnt: Learnt): Take | null => {
      const taken = withLearnt(file, learnt);
      const solved = taken && solveFly(taken, desk.drawers);
      if (!taken || solved?.ok !== true) return null;
      return { file: taken, moves: changedFigures(plan, summarise(solved.value), style).map(({ words }) => words) };
    };
    return {
      ok: true,
      report: reportInspected(made.value),
      measures: made.value.measures.map(({ key, words, part, planMm, bandMm }) => ({
        key,
        words,
        part,
        planMm,
        bandMm,
      })),
      tied: made.value.tied.map(({ laid }) => laid.file),
      takes: made.value.learnt.map(takeOf),
    };
  },
});
