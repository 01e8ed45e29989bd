import type { Drawers } from '@jobbet/core/drawers';
import type { By } from '@jobbet/core/log';
import type { FlyFile } from '@jobbet/core/pattern';
import { useMemo } from 'react';
import type { StoredOuting } from '../../shared/api/client.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { useBeats } from '../../shared/records/beats.ts';
import { useDates } from '../../shared/records/dates.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked } from '../../shared/solve/useAsked.ts';
import { useSame } from '../../shared/ui/useSame.ts';
import type { FlyAnswer, FlyQuestion, LogAnswer, LogQuestion, logReckon, Only } from './reckon.ts';

const reckoner = reckonerOf<ReturnType<typeof logReckon>>('log');
interface Posed<Q> {
  readonly question: Q;
  readonly drawers: Drawers;
}
const groups = ({ question, drawers }: Posed<LogQuestion>): Promise<LogAnswer> =>
  reckoner.short<LogAnswer>(drawers, async (handlers) => handlers.groups(question));
const ofFly = ({ question, drawers }: Posed<FlyQuestion>): Promise<FlyAnswer> =>
  reckoner.short<FlyAnswer>(drawers, async (handlers) => handlers.ofFly(question));

/** What all outings tell, in groups of two kinds. */
export function useTold(
  outings: readonly StoredOuting[] | undefined,
  files: Readonly<Record<string, FlyFile>> | undefined,
  by: readonly By[],
  only: Only | null,
): LogAnswer | null {
  const { drawers } = useDrawers();
  const beats = useBeats();
  const dates = useDates();
  const style = useStyle();
  const posed = useMemo(
    () =>
      outings && files && drawers && beats && dates
        ? {
            question: {
              outings: outings.map(({ record }) => record),
              files,
              beats: beats.map(({ record }) => record),
              dates: dates.map(({ record }) => record),
              by,
              only,
              style,
            },
            drawers: drawers.tables,
          }
        : null,
    [outings, files, drawers, beats, dates, by, only, style],
  );
  return useAsked(useSame(posed), groups).answer;
}

/** What one fly did, version by version, and what may be changed of it. */
export function useOfFly(
  outings: readonly StoredOuting[] | undefined,
  fly: string | null,
  file: FlyFile | undefined,
): FlyAnswer | null {
  const { drawers } = useDrawers();
  const style = useStyle();
  const posed = useMemo(
    () =>
      outings && fly !== null && file && drawers
        ? { question: { outings: outings.map(({ record }) => record), fly, file, style }, drawers: drawers.tables }
        : null,
    [outings, fly, file, drawers, style],
  );
  const asked = useAsked(useSame(posed), ofFly);
  return asked.current ? asked.answer : null;
}
