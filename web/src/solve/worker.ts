import type { Fault, FlyFile, FlyReport } from '@jobbet/core';
import { checkFly, type Checked } from '@jobbet/core/checks/checkFly';
import { NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers/tables';
import type { Pin } from '@jobbet/core/run/pins';
import { runOne, weightsOf, type Hold, type RunFly, type WeightTaken } from '@jobbet/core/run/runFly';
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
  run(file: FlyFile, size: RunSize, hold: Hold, pins: readonly Pin[]): RunAnswer {
    const own = layFly(file, drawers);
    const run = own.ok ? runOne(own.value, size, hold, drawers, pins) : own;
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
  /** The weight each way of holding would take on one size. */
  weights(file: FlyFile, size: RunSize, pins: readonly Pin[]): Readonly<Record<Hold, WeightTaken>> | null {
    const own = layFly(file, drawers);
    return own.ok ? weightsOf(own.value, size, drawers, pins) : null;
  },
};
export type Solver = typeof solver;

expose(solver);
