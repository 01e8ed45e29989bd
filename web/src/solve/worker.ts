import type { Fault, FlyFile, FlyReport } from '@jobbet/core';
import { checkFly, type Checked } from '@jobbet/core/checks/checkFly';
import { NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers/tables';
import { reportFly } from '@jobbet/core/solve/report';
import { solveFly } from '@jobbet/core/solve/solveFly';
import { expose } from 'comlink';

export type SolveAnswer =
  | { readonly ok: true; readonly report: FlyReport; readonly checked: Checked }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** Solves a fly off the main thread. */
let drawers: Drawers = NOMINAL_DRAWERS;
const solver = {
  /** Takes other drawers for what is solved from now on. */
  use(tables: Drawers): void {
    drawers = tables;
  },
  solve(file: FlyFile): SolveAnswer {
    const solved = solveFly(file, drawers);
    return solved.ok
      ? { ok: true, report: reportFly(solved.value), checked: checkFly(solved.value, { drawers }) }
      : { ok: false, faults: solved.faults };
  },
};
export type Solver = typeof solver;

expose(solver);
