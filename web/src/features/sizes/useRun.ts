import type { FlyFile } from '@jobbet/core/pattern';
import type { Drawers } from '@jobbet/core/drawers';
import type { Pin, Hold, WeightTaken, RunSize } from '@jobbet/core/study';
import { useEffect, useState } from 'react';
import { reckonerOf } from '../../shared/solve/solver.ts';
import type { RunAnswer, sizesReckon } from './reckon.ts';

const reckoner = reckonerOf<ReturnType<typeof sizesReckon>>('sizes');

type Weights = Readonly<Record<Hold, WeightTaken>> | null;

const pinsOf = (pins: readonly Pin[], size: RunSize): readonly Pin[] => pins.filter((pin) => pin.size === size.text);

/** A size whose figures never came. */
const LOST: RunAnswer = {
  ok: false,
  faults: [{ path: '', code: 'interrupted', message: 'could not be reckoned; open the view again' }],
};

/** The fly on every size, one after the other off the main thread, so that the first is there at once. */
export function useRun(
  file: FlyFile,
  sizes: readonly RunSize[],
  hold: Hold,
  pins: readonly Pin[],
  drawers: Drawers,
  looks: boolean,
): {
  readonly answers: ReadonlyMap<string, RunAnswer>;
  readonly weights: ReadonlyMap<string, Weights>;
  readonly done: boolean;
} {
  const [weights, setWeights] = useState<ReadonlyMap<string, Weights>>(new Map());
  const [answers, setAnswers] = useState<ReadonlyMap<string, RunAnswer>>(new Map());
  const [done, setDone] = useState(false);
  useEffect(() => {
    if (sizes.length === 0) return;
    let left = false;
    const work = async (): Promise<void> => {
      setDone(false);
      const next = new Map<string, RunAnswer>();
      for (const size of sizes) {
        const answer = await reckoner
          .short<RunAnswer>(drawers, async (run) => run.run(file, { size, hold, pins: pinsOf(pins, size), looks }))
          .catch(() => LOST);
        // Another run was asked for meanwhile.
        if (left) return;
        next.set(size.text, answer);
        setAnswers(new Map(next));
      }
      setDone(true);
      // What the other ways would take comes after, so that the run itself is not kept waiting.
      const taken = new Map<string, Weights>();
      for (const size of sizes) {
        const weight = await reckoner
          .short<Weights>(drawers, async (run) => run.weights(file, size, pinsOf(pins, size)))
          .catch(() => null);
        if (left) return;
        taken.set(size.text, weight);
      }
      setWeights(taken);
    };
    void work();
    return () => {
      left = true;
    };
  }, [file, sizes, hold, pins, drawers, looks]);
  return { answers, weights, done };
}
