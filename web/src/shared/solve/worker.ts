import { type Fault, good, type Outcome } from '@jobbet/core/base';
import type { FlyFile } from '@jobbet/core/pattern';
import { type FlyReport, layFly, reportFly, settleFly, solveFly, type SolvedFly } from '@jobbet/core/model';
import { checkFly, type Checked } from '@jobbet/core/checks';
import { NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers';
import {
  type Pin,
  runOne,
  weightsOf,
  type Hold,
  type RunFly,
  type WeightTaken,
  findWeights,
  type Finding,
  type Wish,
  type RunSize,
  layDeviant,
  type Deviation,
  scatterOf,
  type ScatterStep,
  type Solved,
  spreadsOf,
} from '@jobbet/core/study';
import { expose } from 'comlink';
import { LongWork } from './longWork.ts';

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

let drawers: Drawers = NOMINAL_DRAWERS;
const work = new LongWork();

/** A fly that came out off the plan, solved. */
function solveOff(file: FlyFile, off: readonly Deviation[]): Outcome<SolvedFly> {
  const plan = layFly(file, drawers);
  const laid = plan.ok ? layDeviant(plan.value, drawers, off) : plan;
  return laid.ok ? good(settleFly(laid.value)) : laid;
}

/** Solves a fly off the main thread. */
const solver = {
  /** Takes other drawers for what is solved from now on. */
  use(tables: Drawers): void {
    drawers = tables;
  },
  /** @param off what came out off the plan; nothing for the fly as planned */
  solve(file: FlyFile, off: readonly Deviation[]): SolveAnswer {
    const solved = off.length === 0 ? solveFly(file, drawers) : solveOff(file, off);
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
   * Looks for weights that do what is wished. Longer work asked for later, or `leave`, ends it: it answers null then.
   * @param onShare told how much of it is done, 0 to 1
   */
  async find(file: FlyFile, wish: Wish, onShare: (share: number) => void): Promise<Finding | null> {
    const own = layFly(file, drawers);
    return own.ok ? work.inBits(findWeights(own.value, drawers, wish), onShare) : null;
  },
  /**
   * Ties a fly ten thousand times, each a little off. Longer work asked for later, or `leave`, ends it: it answers null then.
   * @param spreads standard deviations other than the usual, by their keys
   * @param onStep told how much is done, 0 to 1, and what was reckoned once that is known
   */
  async scatter(
    file: FlyFile,
    spreads: Readonly<Record<string, number>>,
    seed: number,
    onStep: (step: ScatterStep) => void,
  ): Promise<Solved | null> {
    const own = layFly(file, drawers);
    return own.ok
      ? work.inBits(
          scatterOf(own.value, drawers, spreadsOf(own.value, spreads), seed),
          onStep,
          (step) => 'reckoned' in step,
        )
      : null;
  },
  leave(): void {
    work.leave();
  },
  /** The weight each way of holding would take on one size. */
  weights(file: FlyFile, size: RunSize, pins: readonly Pin[]): Readonly<Record<Hold, WeightTaken>> | null {
    const own = layFly(file, drawers);
    return own.ok ? weightsOf(own.value, size, drawers, pins) : null;
  },
};
export type Solver = typeof solver;

expose(solver);
