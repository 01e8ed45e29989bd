import type { Fault } from '@jobbet/core/base';
import { inspectFlies, type InspectReport, reportInspected } from '@jobbet/core/inspect';
import type { FlyFile } from '@jobbet/core/pattern';
import type { SpecimenFile } from '@jobbet/core/records';
import type { Desk } from '../../shared/solve/desk.ts';

/** Something that can be measured on the fly, as far as it is shown. */
export interface MeasureShown {
  readonly key: string;
  readonly words: string;
  readonly part: string | null;
  readonly planMm: number;
  readonly bandMm: readonly [number, number] | null;
}

/** Finished flies inspected: what is told of them, and each as it came out. */
export type InspectAnswer =
  | {
      readonly ok: true;
      readonly report: InspectReport;
      readonly measures: readonly MeasureShown[];
      readonly tied: readonly FlyFile[];
    }
  | { readonly ok: false; readonly faults: readonly Fault[] };

export const inspectReckon = (desk: Desk) => ({
  inspect(file: FlyFile, specimens: readonly SpecimenFile[]): InspectAnswer {
    const made = inspectFlies(file, specimens, desk.drawers);
    if (!made.ok) return made;
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
    };
  },
});
