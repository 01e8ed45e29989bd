import type { Drawers } from '../drawers/tables.ts';
import { NOMINAL_DRAWERS } from '../drawers/tables.ts';
import { readFly } from '../file/read.ts';
import type { Outcome } from '../units/fault.ts';
import { solveFly, type SolvedFly } from './solveFly.ts';

/** Reads the text of a pattern file and solves it. */
export function solveText(text: string, drawers: Drawers = NOMINAL_DRAWERS): Outcome<SolvedFly> {
  const file = readFly(text);
  return file.ok ? solveFly(file.value, drawers) : file;
}
