import type { FallWith } from '@jobbet/core/model';
import { useMemo } from 'react';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked, type AnswerTo } from '../../shared/solve/useAsked.ts';
import type { OfFly } from '../../shared/solve/useReport.ts';
import { depthWatchedMm } from './depth.ts';
import type { BalanceFigures, balanceReckon, CurveFigures, InCurrent } from './reckon.ts';

/** What is done to the fly on the dial: left to rest, rolled by hand, or put in a side current. */
export type Asked =
  | { readonly kind: 'rest' }
  | { readonly kind: 'heel'; readonly deg: number }
  | { readonly kind: 'current'; readonly speedMmS: number; readonly flow: 1 | -1 };

export const balanceReckoner = reckonerOf<ReturnType<typeof balanceReckon>>('balance');

const shownOf = ({ file, off, drawers }: OfFly): Promise<BalanceFigures> =>
  balanceReckoner.short<BalanceFigures>(drawers, async (balance) => balance.shown(file, off, depthWatchedMm(file)));

/** What the balance of a fly is shown by, reckoned off the main thread. */
export const useBalance = (of: OfFly): AnswerTo<BalanceFigures> => useAsked(of, shownOf);

interface CurrentAsked {
  readonly of: OfFly;
  readonly speedMmS: number;
  readonly flow: 1 | -1;
}

/** A fly in a side current, and the current it is in. */
export interface CurrentShown extends InCurrent {
  readonly speedMmS: number;
  readonly flow: 1 | -1;
}

const inCurrent = async ({ of: { file, off, drawers }, speedMmS, flow }: CurrentAsked): Promise<CurrentShown> => ({
  ...(await balanceReckoner.short<InCurrent>(drawers, async (balance) => balance.inCurrent(file, off, speedMmS, flow))),
  speedMmS,
  flow,
});

/** What a side current does to a fly, where it is put in one; else null. */
export function useInCurrent(of: OfFly, asked: Asked): CurrentShown | null {
  const question = useMemo(
    () => (asked.kind === 'current' ? { of, speedMmS: asked.speedMmS, flow: asked.flow } : null),
    [of, asked],
  );
  const { answer } = useAsked(question, inCurrent);
  return question ? answer : null;
}

interface CurvesQuestion extends FallWith {
  readonly of: OfFly;
  readonly depthMm: number;
  readonly pullsMmS: readonly number[];
}

const curvesOf = ({ of: { file, off, drawers }, ...asked }: CurvesQuestion): Promise<CurveFigures> =>
  balanceReckoner.short<CurveFigures>(drawers, async (balance) => balance.curves(file, off, asked));

/** Falls from rest and the droop at each pull. @param question the same object as long as it is the same */
export const useCurves = (question: CurvesQuestion): CurveFigures | null => useAsked(question, curvesOf).answer;

interface SinkTestAsked {
  readonly of: OfFly;
  readonly depthMm: number;
  readonly seconds: number;
}

const factorOf = async ({
  of: { file, drawers },
  depthMm,
  seconds,
}: SinkTestAsked): Promise<{ factor: number | null }> => ({
  factor: await balanceReckoner.short<number | null>(drawers, async (balance) =>
    balance.dragFactor(file, depthMm, seconds),
  ),
});

/** What a timed fall says of the drag; null while nothing is asked or no answer is there yet. */
export function useDragFactor(asked: SinkTestAsked | null): { readonly factor: number | null } | null {
  const { answer, current } = useAsked(asked, factorOf);
  return current ? answer : null;
}
