import type { Fault, Outcome } from '@jobbet/core/base';
import { checkFly, type Checked } from '@jobbet/core/checks';
import { reportFly, type FlyReport } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import type { Deviation } from '@jobbet/core/study';
import type { Desk } from './desk.ts';

/** Why a question has no answer: the fly does not solve. */
export class Unsolved extends Error {
  readonly faults: readonly Fault[];

  constructor(faults: readonly Fault[]) {
    super(faults.map(({ path, message }) => `${path}: ${message}`).join('\n'));
    this.faults = faults;
  }
}

/** What is good of an outcome. @throws Unsolved with its faults, where there is nothing good */
export function goodOf<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value;
  throw new Unsolved(outcome.faults);
}

export interface FlyFigures {
  readonly report: FlyReport;
  readonly checked: Checked;
}

/** The figures of any fly. */
export const figuresReckon = (desk: Desk) => ({
  /** @param off what came out off the plan; nothing for the fly as planned @throws Unsolved */
  figures(file: FlyFile, off: readonly Deviation[]): FlyFigures {
    const solved = goodOf(desk.solved(file, off));
    return { report: reportFly(solved), checked: checkFly(solved, { drawers: desk.drawers }) };
  },
});
