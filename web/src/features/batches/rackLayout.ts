import { rackOf, type BatchFile, type HookAt } from '@jobbet/core/records';

/** One hook on the rack: where its column begins and how broad it is, px. */
export interface RackColumn extends HookAt {
  readonly x: number;
  readonly width: number;
  /** Its number through all rows, as what runs out is told by; null for one that stands for a fly that was lost. */
  readonly fly: number | null;
}

export interface RackLayout {
  readonly columns: readonly RackColumn[];
  /** Where each row begins and ends, px. */
  readonly spans: readonly { readonly row: number; readonly from: number; readonly to: number }[];
  /** Whether there are too many for a column each: then a row is one column. */
  readonly folded: boolean;
}

const WIDEST = 46;
const NARROWEST = 22;
const BETWEEN = 9;

/** A column for every hook, row by row, as broad as there is room for; where that is less than a hook takes, a row is one column. */
export function rackLayout(batch: BatchFile, width: number): RackLayout {
  const hooks = rackOf(batch);
  const rows = batch.rows.length;
  const room = (width - BETWEEN * (rows - 1)) / Math.max(1, hooks.length);
  const folded = room < NARROWEST;
  const shown = folded ? batch.rows.map((_, i): HookAt => ({ row: i + 1, n: 1 })) : hooks;
  const each = Math.min(WIDEST, folded ? (width - BETWEEN * (rows - 1)) / Math.max(1, rows) : room);
  const before = batch.rows.map((_, i) => batch.rows.slice(0, i).reduce((sum, { count }) => sum + count, 0));
  const columns = shown.map(({ row, n }, i): RackColumn => ({
    row,
    n,
    x: i * each + (row - 1) * BETWEEN,
    width: each,
    fly: n <= (batch.rows[row - 1]?.count ?? 0) ? (before[row - 1] ?? 0) + n : null,
  }));
  return {
    columns,
    folded,
    spans: batch.rows.map((_, i) => {
      const own = columns.filter(({ row }) => row === i + 1);
      return { row: i + 1, from: own[0]?.x ?? 0, to: (own.at(-1)?.x ?? 0) + each };
    }),
  };
}
