import type { TyingRecord } from '../contract/index.ts';
import { stepAt } from './progress.ts';
import { isFinished } from './record.ts';
import type { Step } from './step.ts';

/** A fly that is begun and not out of the vise, with how far it is; null where nothing was done to it yet. */
export interface InHand<At> {
  readonly at: At;
  readonly tying: TyingRecord | null;
}

/**
 * Which of the flies begun is worked on. A finished one comes out first; then, step by step, the one that is least far, so that every step is
 * done to all of them before the next; or fly by fly the one that is farthest. Of two alike the first.
 * @returns null where none is begun
 */
export function underHands<At>(
  steps: readonly Step[],
  flies: readonly InHand<At>[],
  bySteps: boolean,
): InHand<At> | null {
  const far = ({ tying }: InHand<At>): number => (tying ? stepAt(steps, tying) : 0);
  const finished = flies.find(({ tying }) => tying && isFinished(tying));
  if (finished) return finished;
  return flies.reduce<InHand<At> | null>((best, each) => {
    if (!best) return each;
    const ahead = bySteps ? far(each) < far(best) : far(each) > far(best);
    return ahead ? each : best;
  }, null);
}
