import type { Fault, FlyFile, FlyReport } from '@jobbet/core';
import { checkFly, type Checked } from '@jobbet/core/checks/checkFly';
import { NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers/tables';
import { runOne, type Hold, type RunFly } from '@jobbet/core/run/runFly';
import type { RunSize } from '@jobbet/core/run/sizes';
import { layFly } from '@jobbet/core/solve/layFly';
import { reportFly } from '@jobbet/core/solve/report';
import { solveFly } from '@jobbet/core/solve/solveFly';
import { expose } from 'comlink';

export type SolveAnswer =
  | { readonly ok: true; readonly report: FlyReport; readonly checked: Checked }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** A fly on one size of a run: its own file, its figures, and what is to be said of it. */
export type RunAnswer =
  | {
      readonly ok: true;
      readonly file: FlyFile;
      readonly report: FlyReport;
      readonly settle: number;
      readonly weight: RunFly['weight'];
      readonly notes: readonly string[];
    }
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
  /** A fly on one size. */
  run(file: FlyFile, size: RunSize, hold: Hold): RunAnswer {
    const own = layFly(file, drawers);
    const run = own.ok ? runOne(own.value, size, hold, drawers) : own;
    if (!run.ok) return { ok: false, faults: run.faults };
    const { solved, weight, notes, left } = run.value;
    return {
      ok: true,
      file: run.value.file,
      report: reportFly(solved),
      settle: checkFly(solved, { drawers }).findings.filter((each) => each.severity !== 'note').length,
      weight,
      notes: [...notes, ...left.map((each) => `${each.part}, ${each.key}: ${each.why}`)],
    };
  },
};
export type Solver = typeof solver;

expose(solver);
