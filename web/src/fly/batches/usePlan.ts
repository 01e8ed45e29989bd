import type { Fault } from '@jobbet/core/base';
import type { BatchReport, Instead, SubstituteReport } from '@jobbet/core/batch';
import type { Drawers } from '@jobbet/core/drawers';
import type { BatchFile } from '@jobbet/core/records';
import { proxy } from 'comlink';
import { useMemo, useState } from 'react';
import { create } from 'zustand';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked } from '../../shared/solve/useAsked.ts';
import type { StepTimes } from './times.ts';
import { type batchReckon, type BatchAnswer, MOST_AT_ONCE } from './reckon.ts';

const reckoner = reckonerOf<ReturnType<typeof batchReckon>>('batch');

/** What a batch is worked out of. */
export interface Planning {
  readonly batch: BatchFile;
  readonly drawers: Drawers;
  /** What its tier takes for each step. */
  readonly times: StepTimes;
}
/** Fewer rows are worked out before anyone would read how far it is. */
const FEW_ROWS = 8;

/** How many rows of the batch that is worked out just now are done; null while none is, or there are few. */
export const usePlanProgress = create<{ readonly done: number; readonly of: number } | null>()(() => null);
const tell = (done: number, of: number): void => usePlanProgress.setState(done < of ? { done, of } : null, true);

const planOf = ({ batch, drawers, times }: Planning): Promise<BatchAnswer> =>
  reckoner.long<BatchAnswer>(drawers, async (handlers) =>
    batch.rows.length < FEW_ROWS ? handlers.plan(batch, times) : handlers.plan(batch, times, proxy(tell)),
  );

export type GoodPlan = Extract<BatchAnswer, { ok: true }>;

interface Planned {
  /** The last plan that was good; null before the first. */
  readonly shown: GoodPlan | null;
  /** Whether it is of the batch as it is now. */
  readonly current: boolean;
  /** What keeps the batch as it is now from being worked out. */
  readonly faults: readonly Fault[];
  /** Asks again, where it could not be reckoned; else null. */
  readonly again: (() => void) | null;
}

/** A batch worked out off the main thread, as it is now or as it was last. */
export function usePlan({ batch, drawers, times }: Planning): Planned {
  const asked = useMemo(() => ({ batch, drawers, times }), [batch, drawers, times]);
  const { answer, current, again } = useAsked(asked, planOf);
  const [shown, setShown] = useState<GoodPlan | null>(null);
  if (answer?.ok && answer !== shown) setShown(answer);
  return {
    shown,
    current: current && answer?.ok === true,
    faults: answer && !answer.ok ? answer.faults : [],
    again,
  };
}

interface AskedSubstitutes extends Planning {
  readonly at: number;
}
const substitutesAt = ({ batch, drawers, times, at }: AskedSubstitutes): Promise<readonly SubstituteReport[]> =>
  reckoner.long<readonly SubstituteReport[]>(drawers, async (handlers) => handlers.substitutes(batch, times, at));

/** What may be tied in instead of the item that is lit: as the report has it, else asked for. */
export function useSubstitutes(
  { batch, drawers, times }: Planning,
  report: BatchReport | null,
  at: number,
): readonly SubstituteReport[] {
  const need = report?.needs[at];
  const before = report?.needs.slice(0, at).filter(({ runsOutAt }) => runsOutAt !== null).length ?? 0;
  const isLate = need !== undefined && need.runsOutAt !== null && before >= MOST_AT_ONCE;
  const asked = useMemo(() => (isLate ? { batch, drawers, times, at } : null), [isLate, batch, drawers, times, at]);
  const { answer, current } = useAsked(asked, substitutesAt);
  return isLate ? (current ? (answer ?? []) : []) : (need?.substitutes ?? []);
}

/** The batch with something else from the fly that a need runs out on. @param at the need's place in the report */
export const batchInstead = ({ batch, drawers, times }: Planning, at: number, instead: Instead): Promise<BatchFile> =>
  reckoner.long<BatchFile>(drawers, async (handlers) => handlers.instead(batch, times, at, instead));
