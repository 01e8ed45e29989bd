import type { Drawers } from '@jobbet/core/drawers';
import type { SpecimenReport } from '@jobbet/core/inspect';
import { layFly, type LaidFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import type { SpecimenFile } from '@jobbet/core/records';
import type { Style } from '@jobbet/core/units';
import { useMemo, useState } from 'react';
import { type OwnSpreads, useSpreads, useTier } from '../../fly/hands/useSpreads.ts';
import { useBench } from '../../fly/store.ts';
import type { StoredSpecimen } from '../../shared/api/client.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked } from '../../shared/solve/useAsked.ts';
import type { InspectAnswer, inspectReckon } from './reckon.ts';

const reckoner = reckonerOf<ReturnType<typeof inspectReckon>>('inspect');

interface Question {
  readonly file: FlyFile;
  readonly records: readonly SpecimenFile[];
  readonly drawers: Drawers;
  readonly style: Style;
  readonly spreads: OwnSpreads;
}

const inspect = ({ file, records, drawers, style, spreads }: Question): Promise<InspectAnswer> =>
  reckoner.long<InspectAnswer>(drawers, async (handlers) => handlers.inspect(file, records, style, spreads));

export type Good = Extract<InspectAnswer, { ok: true }>;

interface InspectedNow {
  /** The last answer that was good; null before the first. */
  readonly good: Good | null;
  /** What keeps the readings as they are now from being worked out. */
  readonly faults: Extract<InspectAnswer, { ok: false }>['faults'];
  /** What is told of the fly that is looked at, and that fly as it came out. */
  readonly told: SpecimenReport | null;
  readonly tied: LaidFly | null;
}

/** The flies on the table held against the pattern, off the main thread. @param number of the fly that is looked at */
export function useInspected(specimens: readonly StoredSpecimen[], number: number | null): InspectedNow {
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const style = useStyle();
  const records = useMemo(() => specimens.map(({ record }) => record), [specimens]);
  const own = useSpreads(useBench((state) => state.id));
  const tier = useTier();
  const spreads = useMemo(() => own?.(tier) ?? null, [own, tier]);
  const { answer } = useAsked(
    useMemo(() => spreads && { file, records, drawers, style, spreads }, [file, records, drawers, style, spreads]),
    inspect,
  );
  const [good, setGood] = useState<Good | null>(null);
  if (answer?.ok === true && answer !== good) setGood(answer);
  const at = good?.report.specimens.findIndex((each) => each.number === number) ?? -1;
  const tiedFile = good?.tied[at];
  const tied = useMemo(() => {
    const made = tiedFile && layFly(tiedFile, drawers);
    return made?.ok === true ? made.value : null;
  }, [tiedFile, drawers]);
  return { good, faults: answer?.ok === false ? answer.faults : [], told: good?.report.specimens[at] ?? null, tied };
}
