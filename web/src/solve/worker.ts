import type { Fault, FlyFile, FlyReport } from '@jobbet/core';
import { checkFly, type Checked } from '@jobbet/core/checks/checkFly';
import { NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers/tables';
import type { Pin } from '@jobbet/core/run/pins';
import { runOne, weightsOf, type Hold, type RunFly, type WeightTaken } from '@jobbet/core/run/runFly';
import { findWeights, type Finding } from '@jobbet/core/find/finder';
import type { Wish } from '@jobbet/core/find/wishes';
import type { RunSize } from '@jobbet/core/run/sizes';
import { layFly } from '@jobbet/core/solve/layFly';
import { reportFly } from '@jobbet/core/solve/report';
import { solveFly } from '@jobbet/core/solve/solveFly';
import { expose } from 'comlink';

let searches = 0;
const REST_AFTER_MS = 40;

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
  /**
   * Looks for weights that do what is wished. A newer search, or `leave`, ends it: it answers null then.
   * @param onShare told how much of it is done, 0 to 1
   */
  async find(file: FlyFile, wish: Wish, onShare: (share: number) => void): Promise<Finding | null> {
    const mine = ++searches;
    const own = layFly(file, drawers);
    if (!own.ok) return null;
    const search = findWeights(own.value, drawers, wish);
    let rested = performance.now();
    for (;;) {
      const step = search.next();
      if (step.done === true) return step.value;
      if (performance.now() - rested < REST_AFTER_MS) continue;
      onShare(step.value);
      // Other questions, and the word to leave, come in between.
      await new Promise((resolve) => setTimeout(resolve));
      if (mine !== searches) return null;
      rested = performance.now();
    }
  },
  leave(): void {
    searches++;
  },
  /** The weight each way of holding would take on one size. */
  weights(file: FlyFile, size: RunSize, pins: readonly Pin[]): Readonly<Record<Hold, WeightTaken>> | null {
    const own = layFly(file, drawers);
    return own.ok ? weightsOf(own.value, size, drawers, pins) : null;
  },
};
export type Solver = typeof solver;

expose(solver);
