import {
  insteadOf,
  KnownFlies,
  type BatchPlan,
  type BatchReport,
  type Instead,
  planBatch,
  reportBatch,
} from '@jobbet/core/batch';
import type { Fault } from '@jobbet/core/base';
import type { Drawers } from '@jobbet/core/drawers';
import { readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import { lostOf, patternAt, type BatchFile } from '@jobbet/core/records';
import type { StepTimes } from './times.ts';
import type { Desk } from '../../shared/solve/desk.ts';

/** A batch worked out: what it reports, and the pattern file each row ties. */
export type BatchAnswer =
  | { readonly ok: true; readonly report: BatchReport; readonly files: readonly FlyFile[] }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** Told how many rows of all are worked out. */
type OnRow = (done: number, of: number) => void;

export const batchReckon = (desk: Desk) => {
  let known: { readonly drawers: Drawers; readonly flies: KnownFlies } | null = null;
  let last: { readonly key: string; readonly drawers: Drawers; readonly plan: ReturnType<typeof planBatch> } | null =
    null;
  /** The plan of a batch, made once for as long as nothing of it changes. */
  const planOf = (batch: BatchFile, times: StepTimes, onRow?: OnRow): ReturnType<typeof planBatch> => {
    // How far it has come changes nothing of the plan, but for those that have to be tied once more, and those that were put on an evening.
    const key = JSON.stringify([
      {
        ...batch,
        laidOut: null,
        flies: [
          lostOf(batch),
          batch.flies?.filter(({ pinned }) => pinned === true).map(({ row, n, evening }) => [row, n, evening]),
        ],
      },
      times,
    ]);
    if (last?.key === key && last.drawers === desk.drawers) return last.plan;
    if (known?.drawers !== desk.drawers) known = { drawers: desk.drawers, flies: new KnownFlies() };
    const plan = planBatch(batch, {
      drawers: desk.drawers,
      known: known.flies,
      ...(onRow ? { onRow } : {}),
      measured: (fly, step) => times[fly]?.[step] ?? null,
      flyOf: (_row, i) => readFlyValue(patternAt(batch, i) ?? null),
    });
    last = { key, drawers: desk.drawers, plan };
    return plan;
  };
  return {
    plan(batch: BatchFile, times: StepTimes, onRow?: OnRow): BatchAnswer {
      const plan = planOf(batch, times, onRow);
      if (!plan.ok) return plan;
      return {
        ok: true,
        report: reportBatch(plan.value, desk.drawers),
        files: plan.value.rows.map(({ fly }) => fly.solved.laid.file),
      };
    },
    /** The batch with something else from the fly that a need runs out on. @param at the need's place in the report */
    instead(batch: BatchFile, times: StepTimes, at: number, instead: Instead): BatchFile {
      const plan = planOf(batch, times);
      const need = plan.ok ? plan.value.needs[at] : undefined;
      if (!plan.ok || !need) return batch;
      const now: BatchPlan = { ...plan.value, file: batch };
      return insteadOf(now, need, instead, desk.drawers);
    },
  };
};
