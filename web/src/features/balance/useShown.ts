import type { LaidFly } from '@jobbet/core/model';
import { type Deviation, layDeviant, spreadKey, spreadsOf } from '@jobbet/core/study';
import { useMemo, useState } from 'react';
import { useBench } from '../../fly/store.ts';
import { useOfFly, useReport } from '../../shared/solve/useReport.ts';
import type { Off } from './handWords.ts';

const NOTHING: readonly Deviation[] = [];

/** The fly that the balance is shown of: as planned, with a change that is looked at before it is taken, or as it might come out. */
export function useShown() {
  const plan = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const preview = useBench((state) => state.preview);
  const [off, setOff] = useState<Off>({});
  const file = preview?.file ?? plan.file;
  const deviations = useMemo((): readonly Deviation[] => {
    if (preview || Object.keys(off).length === 0) return NOTHING;
    return spreadsOf(plan).flatMap(({ part, kind }) => {
      const value = off[spreadKey(part, kind)] ?? 0;
      return value === 0 ? [] : [{ part, kind, off: value }];
    });
  }, [preview, off, plan]);
  const laid = useMemo((): LaidFly => {
    if (preview) return preview.laid;
    const tied = deviations.length === 0 ? null : layDeviant(plan, drawers, deviations);
    return tied?.ok === true ? tied.value : plan;
  }, [preview, deviations, plan, drawers]);
  const of = useOfFly(file, drawers, deviations);
  const asPlanned = useOfFly(plan.file, drawers);
  const answer = useReport(of);
  const shownAs = preview ? 'shown only' : deviations.length > 0 ? 'as it might come out' : undefined;
  return { of, asPlanned, plan, laid, drawers, preview, off, setOff, shownAs, ...answer };
}

/** The fly the balance is shown of, and its figures. */
export type Shown = ReturnType<typeof useShown>;
