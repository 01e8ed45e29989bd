import type { FlyFile } from '@jobbet/core/pattern';
import type { FlyReport } from '@jobbet/core/model';
import type { Checked } from '@jobbet/core/checks';
import type { Drawers } from '@jobbet/core/drawers';
import type { Deviation } from '@jobbet/core/study';
import { useCallback, useEffect, useState } from 'react';
import { Latest } from './latest.ts';
import { askShort } from './solver.ts';
import type { SolveAnswer } from './worker.ts';

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

const solve = ({ file, off, drawers }: Question): Promise<SolveAnswer> =>
  askShort<SolveAnswer>(drawers, async (solver) => solver.solve(file, off));

/** Figures of a fly that is looked at. */
export interface Reckoned {
  readonly report: FlyReport | null;
  readonly checked: Checked | null;
  /** Whether they are of the fly as it is now. */
  readonly current: boolean;
  /** Asks again, where the figures of the fly as it is now could not be reckoned; else null. */
  readonly again: (() => void) | null;
}

/**
 * The newest figures of a fly, solved off the main thread.
 * @param off what came out off the plan; the same list as long as it is the same
 */
export function useReport(file: FlyFile, drawers: Drawers, off: readonly Deviation[] = AS_PLANNED): Reckoned {
  const [answer, setAnswer] = useState<Answer | null>(null);
  const [failed, setFailed] = useState<Question | null>(null);
  const [latest] = useState(
    () =>
      new Latest<Question, SolveAnswer>(
        solve,
        (asked, solved) => {
          if (solved.ok) setAnswer({ ...asked, report: solved.report, checked: solved.checked });
          else setFailed(asked);
        },
        setFailed,
      ),
  );
  const ask = useCallback(() => {
    latest.ask({ file, off, drawers });
  }, [latest, file, off, drawers]);
  useEffect(ask, [ask]);
  const again = (): void => {
    setFailed(null);
    ask();
  };
  const isOf = (asked: Question | null): boolean =>
    asked?.file === file && asked.off === off && asked.drawers === drawers;
  return {
    report: answer?.report ?? null,
    checked: answer?.checked ?? null,
    current: isOf(answer),
    again: isOf(failed) ? again : null,
  };
}
