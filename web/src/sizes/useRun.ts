import type { FlyFile } from '@jobbet/core';
import type { Drawers } from '@jobbet/core/drawers/tables';
import type { Hold } from '@jobbet/core/run/runFly';
import type { RunSize } from '@jobbet/core/run/sizes';
import { useEffect, useState } from 'react';
import { solver, withTables } from '../solve/useReport.ts';
import type { RunAnswer } from '../solve/worker.ts';

/** The fly on every size, one after the other off the main thread, so that the first is there at once. */
export function useRun(
  file: FlyFile | undefined,
  sizes: readonly RunSize[],
  hold: Hold,
  drawers: Drawers | undefined,
): { readonly answers: ReadonlyMap<string, RunAnswer>; readonly done: boolean } {
  const [answers, setAnswers] = useState<ReadonlyMap<string, RunAnswer>>(new Map());
  const [done, setDone] = useState(false);
  useEffect(() => {
    if (!file || !drawers) return;
    let left = false;
    const work = async (): Promise<void> => {
      setDone(false);
      await withTables(drawers);
      const next = new Map<string, RunAnswer>();
      for (const size of sizes) {
        const answer = await solver().run(file, size, hold);
        // Another run was asked for meanwhile.
        if (left) return;
        next.set(size.text, answer);
        setAnswers(new Map(next));
      }
      setDone(true);
    };
    void work();
    return () => {
      left = true;
    };
  }, [file, sizes, hold, drawers]);
  return { answers, done };
}
