import type { Drawers } from '@jobbet/core/drawers';
import type { LaidFly } from '@jobbet/core/model';
import type { Certainty } from '@jobbet/core/study';
import { useMemo } from 'react';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked } from '../../shared/solve/useAsked.ts';
import { useSettled } from '../../shared/ui/useSettled.ts';
import { useBench } from '../store.ts';
import type { certaintyReckon } from './certaintyReckon.ts';

const reckoner = reckonerOf<ReturnType<typeof certaintyReckon>>('certainty');

interface Question {
  readonly laid: LaidFly;
  readonly drawers: Drawers;
}

const certaintyFor = ({ laid, drawers }: Question): Promise<Certainty> =>
  reckoner.short<Certainty>(drawers, async (certainty) => certainty.certainty(laid.file));

/** How far to trust the figures of a fly, reckoned off the main thread; null until it is in, and while nothing is asked. */
export function useCertainty(laid: LaidFly | null): Certainty | null {
  const drawers = useBench((state) => state.drawers);
  const question = useMemo(() => (laid ? { laid, drawers } : null), [laid, drawers]);
  const { answer, current } = useAsked(question, certaintyFor);
  return current ? answer : null;
}

/** The same of a fly that stands still: it is solved several times over for it. @param current whether its own figures are in */
export function useCertaintyAtRest(laid: LaidFly | null, current: boolean): Certainty['figures'] | null {
  const still = useSettled(current ? laid : null, null);
  return useCertainty(still === laid ? still : null)?.figures ?? null;
}
