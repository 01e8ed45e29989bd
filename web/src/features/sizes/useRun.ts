import type { FlyFile } from '@jobbet/core/pattern';
import type { Drawers } from '@jobbet/core/drawers';
import type { Pin, Hold, WeightTaken, RunSize } from '@jobbet/core/study';
import { useEffect, useState } from 'react';
import { askShort } from '../../shared/solve/solver.ts';
import type { RunAnswer } from '../../shared/solve/worker.ts';

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
        const answer = await askShort<RunAnswer>(drawers, async (solver) =>
          solver.run(file, size, hold, pinsOf(pins, size)),
        ).catch(() => LOST);
        // Another run was asked for meanwhile.
        if (left) return;
        next.set(size.text, answer);
        setAnswers(new Map(next));
      }
      setDone(true);
      // What the other ways would take comes after, so that the run itself is not kept waiting.
      const taken = new Map<string, Weights>();
      for (const size of sizes) {
        const weight = await askShort<Weights>(drawers, async (solver) =>
          solver.weights(file, size, pinsOf(pins, size)),
        ).catch(() => null);
        if (left) return;
        taken.set(size.text, weight);
      }
      setWeights(taken);
    };
    void work();
    return () => {
      left = true;
    };
  }, [file, sizes, hold, pins, drawers]);
  return { answers, weights, done };
}
