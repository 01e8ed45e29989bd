import type { FlyFile, FlyReport } from '@jobbet/core';
import type { Checked } from '@jobbet/core/checks/checkFly';
import type { Drawers } from '@jobbet/core/drawers/tables';
import type { Deviation } from '@jobbet/core/scatter/deviant';
import { wrap, type Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { Latest } from './latest.ts';
import type { SolveAnswer, Solver } from './worker.ts';

let shared: Remote<Solver> | null = null;
export const solver = (): Remote<Solver> =>
  (shared ??= wrap<Solver>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })));

const AS_PLANNED: readonly Deviation[] = [];

interface Question {
  readonly file: FlyFile;
  readonly off: readonly Deviation[];
  readonly drawers: Drawers;
}
interface Answer extends Question {
  readonly report: FlyReport;
  readonly checked: Checked;
}

let inUse: Drawers | null = null;

/** Hands the worker the drawers to solve with, where it has others. */
export async function withTables(drawers: Drawers): Promise<void> {
  if (inUse === drawers) return;
  inUse = drawers;
  await solver().use(drawers);
}

/** Solves with the drawers asked for; they are handed to the worker only when they change. */
async function solve({ file, off, drawers }: Question): Promise<SolveAnswer> {
  await withTables(drawers);
  return solver().solve(file, off);
}

/**
 * The newest figures of a fly, solved off the main thread, and whether they are of the fly as it is now.
 * @param off what came out off the plan; the same list as long as it is the same
 */
export function useReport(
  file: FlyFile,
  drawers: Drawers,
  off: readonly Deviation[] = AS_PLANNED,
): { readonly report: FlyReport | null; readonly checked: Checked | null; readonly current: boolean } {
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [latest] = useState(
    () =>
      new Latest<Question, SolveAnswer>(solve, (asked, solved) => {
        if (solved.ok) setAnswer({ ...asked, report: solved.report, checked: solved.checked });
      }),
  );
  useEffect(() => {
    latest.ask({ file, off, drawers });
  }, [latest, file, off, drawers]);
  return {
    report: answer?.report ?? null,
    checked: answer?.checked ?? null,
    current: answer?.file === file && answer.off === off && answer.drawers === drawers,
  };
}
