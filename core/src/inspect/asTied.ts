import { good, type Outcome } from '../base/index.ts';
import type { Drawers } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { type Askew, layFly, type LaidFly, settleFly, solveBalance, type SolvedFly } from '../model/index.ts';
import type { Measure } from './measures.ts';
import { heavierModel } from './weighed.ts';

/** A measure of one fly as it came out, mm. */
export interface Found {
  readonly measure: Measure;
  readonly mm: number;
}

/** What of a fly is known as it came out. */
export interface CameOut {
  readonly found: readonly Found[];
  /** What it weighs; null where nobody weighed it. */
  readonly dryMg: number | null;
  /** What of it is turned about the shank, by the part's id. */
  readonly askew: ReadonlyMap<string, Askew>;
}

/** Passes over all measures: one that leans on another follows it, and is set right after it. */
const PASSES = 4;
const NEAR_MM = 0.005;

/** The pattern of a fly as it came out: what was measured laid into it, the rest as planned. */
function tiedFile(laid: LaidFly, drawers: Drawers, found: readonly Found[]): Outcome<LaidFly> {
  let now = laid;
  for (let pass = 0; pass < PASSES; pass++) {
    let file: FlyFile = now.file;
    let moved = false;
    for (const { measure, mm } of found) {
      const is = measure.on(now);
      if (is === null || !measure.more || Math.abs(mm - is) < NEAR_MM) continue;
      file = measure.more(file, now, mm - is);
      moved = true;
      // Each is set on the fly that those before it left, so that what leans on them is not moved twice.
      const next = layFly(file, drawers);
      if (!next.ok) return next;
      now = next.value;
    }
    if (!moved) break;
  }
  return good(now);
}

/**
 * By how much more or less is asked of a measure on this very fly than on the plan, mm: flash told by a tail that came out long is meant to be
 * longer with it. Nothing where it leans on nothing that was measured, or the others are no fly without it.
 */
export function leaningMm(laid: LaidFly, drawers: Drawers, found: readonly Found[], { measure }: Found): number {
  const others = tiedFile(
    laid,
    drawers,
    found.filter((each) => each.measure !== measure),
  );
  const here = others.ok ? measure.on(others.value) : null;
  return here === null ? 0 : here - measure.planMm;
}

/**
 * A fly as it came out, laid and solved: its lengths as they were measured, its weight as it was weighed, what was not measured as planned.
 * @returns the solved fly, or why what was measured is no fly
 */
export function solveTied(laid: LaidFly, drawers: Drawers, { found, dryMg, askew }: CameOut): Outcome<SolvedFly> {
  const straight = tiedFile(laid, drawers, found);
  const tied = straight.ok && askew.size > 0 ? layFly(straight.value.file, drawers, askew) : straight;
  if (!tied.ok) return tied;
  const solved = settleFly(tied.value);
  if (dryMg === null) return good(solved);
  const model = heavierModel(tied.value, dryMg);
  return good({ ...solved, balance: solveBalance(model) });
}
