import type { Fault } from '@jobbet/core/base';
import { checkFly, shownOf, wantsSettling } from '@jobbet/core/checks';
import { reportFly, type FlyReport } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import {
  runOne,
  weightsOf,
  type Hold,
  type Pin,
  type RunFly,
  type RunSize,
  type WeightTaken,
} from '@jobbet/core/study';
import type { Desk } from '../../shared/solve/desk.ts';

/** A fly on one size of a run: its own file, its figures, and what is to be said of it. */
export type RunAnswer =
  | {
      readonly ok: true;
      readonly file: FlyFile;
      readonly report: FlyReport;
      readonly settle: number;
      readonly weight: RunFly['weight'];
      readonly notes: readonly string[];
    }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** What a run asks of one size: how the balance is held, and what is pinned on it. */
export interface RunAsked {
  readonly size: RunSize;
  readonly hold: Hold;
  readonly pins: readonly Pin[];
  /** Whether what costs looks counts among what is to settle. */
  readonly looks: boolean;
}

export const sizesReckon = (desk: Desk) => ({
  /** A fly on one size. */
  run(file: FlyFile, { size, hold, pins, looks }: RunAsked): RunAnswer {
    const { drawers } = desk;
    const own = desk.laid(file);
    const run = own.ok ? runOne(own.value, size, hold, drawers, pins) : own;
    if (!run.ok) return { ok: false, faults: run.faults };
    const { solved, weight, notes, left } = run.value;
    return {
      ok: true,
      file: run.value.file,
      report: reportFly(solved),
      settle: shownOf(checkFly(solved, { drawers }).findings, looks).filter(wantsSettling).length,
      weight,
      notes: [...notes, ...left.map((each) => `${each.part}, ${each.key}: ${each.why}`)],
    };
  },
  /** The weight each way of holding would take on one size; null where the fly does not lay out. */
  weights(file: FlyFile, size: RunSize, pins: readonly Pin[]): Readonly<Record<Hold, WeightTaken>> | null {
    const own = desk.laid(file);
    return own.ok ? weightsOf(own.value, size, desk.drawers, pins) : null;
  },
});
