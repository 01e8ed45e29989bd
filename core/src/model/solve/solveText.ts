import { type Drawers, NOMINAL_DRAWERS } from '../../drawers/index.ts';
import { readFly } from '../../pattern/index.ts';
import type { Outcome } from '../../base/index.ts';
import { solveFly, type SolvedFly } from './solveFly.ts';

/** Reads the text of a pattern file and solves it. */
export function solveText(text: string, drawers: Drawers = NOMINAL_DRAWERS): Outcome<SolvedFly> {
  const file = readFly(text);
  return file.ok ? solveFly(file.value, drawers) : file;
}
