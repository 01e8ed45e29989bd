import { solveFly, type FlyFile } from '@jobbet/core';
import type { Drawers } from '@jobbet/core/drawers/tables';
import type { FlySummary } from '@jobbet/core/exchange/stored';
import { summarise } from '@jobbet/core/exchange/summary';
import { ApiError } from './errors.ts';

/** Solves a fly for its summary; a fly that does not solve is not stored. @throws ApiError `invalid-fly` */
export function summaryOf(file: FlyFile, drawers: Drawers): FlySummary {
  const solved = solveFly(file, drawers);
  if (!solved.ok) throw new ApiError('invalid-fly', undefined, { faults: solved.faults });
  return summarise(solved.value);
}
