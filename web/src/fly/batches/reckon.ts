import {
  type BatchPlan,
  type BatchReport,
  carriedBy,
  type Instead,
  insteadOf,
  KnownFlies,
  planBatch,
  reportBatch,
  type SubstituteReport,
  substitutesOf,
} from '@jobbet/core/batch';
import type { Fault } from '@jobbet/core/base';
import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
import { lostOf, type BatchFile } from '@jobbet/core/records';
import type { StepTimes } from './times.ts';
import type { Desk } from '../../shared/solve/desk.ts';

/** A batch worked out: what it reports, and the pattern file each row ties. */
export type BatchAnswer =
  | { readonly ok: true; readonly report: BatchReport; readonly files: readonly FlyFile[] }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** Of so many items that run out it is told at once what may do instead; of others when they are lit. */
export const MOST_AT_ONCE = 6;

/** Told how many rows of all are worked out. */
type OnRow = (done: number, of: number) => void;

type Plan = ReturnType<typeof planBatch>;

/** Plans batches, each once for as long as nothing of it changes. */
class Planner {
  private readonly desk: Desk;
  private known: { readonly drawers: Drawers; readonly flies: KnownFlies } | null = null;
  private last: { readonly key: string; readonly drawers: Drawers; readonly plan: Plan } | null = null;

  constructor(desk: Desk) {
    this.desk = desk;
  }

  planOf(batch: BatchFile, times: StepTimes, onRow?: OnRow): Plan {
    const { drawers } = this.desk;
    // How far it has come changes nothing of the plan, but for those that have to be tied once more, and those that were put on an evening.
    const pinned = batch.flies?.filter((fly) => fly.pinned === true).map(({ row, n, evening }) => [row, n, evening]);
    const key = JSON.stringify([{ ...batch, laidOut: null, flies: [lostOf(batch), pinned] }, times]);
    if (this.last?.key === key && this.last.drawers === drawers) return this.last.plan;
    if (this.known?.drawers !== drawers) this.known = { drawers, flies: new KnownFlies() };
    const plan = planBatch(batch, {
      drawers,
      known: this.known.flies,
      ...(onRow ? { onRow } : {}),
      measured: (fly, step) => times[fly]?.[step] ?? null,
      flyOf: carriedBy(batch),
    });
    this.last = { key, drawers, plan };
    return plan;
  }
}

export const batchReckon = (desk: Desk) => {
  const planner = new Planner(desk);
  return {
    plan(batch: BatchFile, times: StepTimes, onRow?: OnRow): BatchAnswer {
      const plan = planner.planOf(batch, times, onRow);
      if (!plan.ok) return plan;
      return {
        ok: true,
        report: reportBatch(plan.value, desk.drawers, MOST_AT_ONCE),
        files: plan.value.rows.map(({ fly }) => fly.solved.laid.file),
      };
    },
    /** What may be tied in instead of an item that runs out. @param at the need's place in the report */
    substitutes(batch: BatchFile, times: StepTimes, at: number): readonly SubstituteReport[] {
      const plan = planner.planOf(batch, times);
      const need = plan.ok ? plan.value.needs[at] : undefined;
      return plan.ok && need ? substitutesOf(need, plan.value.rows, desk.drawers) : [];
    },
    /** The batch with something else from the fly that a need runs out on. @param at the need's place in the report */
    instead(batch: BatchFile, times: StepTimes, at: number, instead: Instead): BatchFile {
      const plan = planner.planOf(batch, times);
      const need = plan.ok ? plan.value.needs[at] : undefined;
      if (!plan.ok || !need) return batch;
      const now: BatchPlan = { ...plan.value, file: batch };
      return insteadOf(now, need, instead, desk.drawers);
    },
  };
};
