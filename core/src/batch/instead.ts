import type { Drawers } from '../drawers/index.ts';
import type { BatchFile, BatchRow, FlyProgress } from '../records/index.ts';
import type { Need } from './needs.ts';
import type { BatchPlan, PlannedRow } from './plan.ts';
import { itemFor, keysWith } from './substitutes.ts';
import { isOf } from './takes.ts';

/** What is tied in instead of something that runs out. */
export interface Instead {
  readonly item: string;
  readonly colour: string | null;
}

/** A row in two: its first `kept` flies, and the others as a row of their own. What became of each fly goes with it. */
export function splitRow(batch: BatchFile, row: number, kept: number): BatchFile {
  const of = batch.rows[row - 1];
  if (!of || kept <= 0 || kept >= of.count) return batch;
  const { pattern: _carried, ...rest } = of;
  const moved = (fly: FlyProgress): FlyProgress => {
    if (fly.row < row || (fly.row === row && fly.n <= kept)) return fly;
    return fly.row === row ? { ...fly, row: row + 1, n: fly.n - kept } : { ...fly, row: fly.row + 1 };
  };
  return {
    ...batch,
    rows: batch.rows.flatMap((each, i) =>
      i === row - 1
        ? [
            { ...of, count: kept },
            { ...rest, count: of.count - kept },
          ]
        : [each],
    ),
    ...(batch.flies ? { flies: batch.flies.map(moved) } : {}),
  };
}

/** A row whose parts of a need are tied with something else. */
function rowWith(
  row: BatchRow,
  { takes, fly }: PlannedRow,
  need: Need,
  { item, colour }: Instead,
  drawers: Drawers,
): BatchRow {
  const changed = takes.flatMap((take): [string, object][] => {
    const part = fly.solved.laid.file.parts.find(({ id }) => id === take.part);
    if (!part || !isOf(need.take, take)) return [];
    const found = itemFor(take, part, item, drawers);
    if (!found) return [];
    const before = row.shade?.[part.id];
    return [[part.id, { ...(typeof before === 'object' ? before : {}), ...keysWith(part, found, colour) }]];
  });
  return changed.length === 0 ? row : ({ ...row, shade: { ...row.shade, ...Object.fromEntries(changed) } } as BatchRow);
}

/**
 * A batch in which, from the fly that runs out on, something else is tied in. The flies before it stay as they are: their row is parted there.
 * @returns the same batch where nothing runs out, or only for those that will be spoilt
 */
export function insteadOf({ file, rows }: BatchPlan, need: Need, instead: Instead, drawers: Drawers): BatchFile {
  const { runsOutAt } = need;
  const planned = runsOutAt && rows[runsOutAt.row - 1];
  if (!runsOutAt || !planned) return file;
  const before = rows.slice(0, runsOutAt.row - 1).reduce((sum, { row }) => sum + row.count, 0);
  const kept = runsOutAt.fly - before - 1;
  if (kept >= planned.row.count) return file;
  const parted = splitRow(file, runsOutAt.row, kept);
  const split = parted.rows.length - file.rows.length;
  return {
    ...parted,
    rows: parted.rows.map((row, i) => {
      const of = rows[i < runsOutAt.row ? i : i - split];
      const from = runsOutAt.row - 1 + split;
      return of && i >= from ? rowWith(row, of, need, instead, drawers) : row;
    }),
  };
}
