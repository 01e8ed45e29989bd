import { rackOf, stateAt, type BatchFile, type FlyState, type HookAt } from '@jobbet/core/records';

/** One hook on the rack: where its column begins and how broad it is, px. */
export interface RackColumn extends HookAt {
  readonly x: number;
  readonly width: number;
  /** Its number through all rows, as what runs out is told by; null for one that stands for a fly that was lost. */
  readonly fly: number | null;
  /** The number of the last fly it stands for: its own, or that of the row's last where a row is one column. */
  readonly last: number;
}

export interface RackLayout {
  readonly columns: readonly RackColumn[];
  /** Where each row begins and ends, px. */
  readonly spans: readonly { readonly row: number; readonly from: number; readonly to: number }[];
  /** Whether there are too many for a column each: then a row is one column. */
  readonly folded: boolean;
}

const WIDEST = 46;
const NARROWEST = 16;
const BETWEEN = 9;

const DONE: ReadonlySet<FlyState> = new Set(['kept', 'spoilt', 'apart']);

/** The fly of a row that is to be gone on with: the first that is not done. */
function nextOf(batch: BatchFile, row: number): HookAt {
  const own = rackOf(batch).filter((hook) => hook.row === row);
  return own.find((hook) => !DONE.has(stateAt(batch, hook))) ?? own.at(-1) ?? { row, n: 1 };
}

/** A column for every hook, row by row, as broad as there is room for; where that is less than a hook takes, a row is one column. */
export function rackLayout(batch: BatchFile, width: number): RackLayout {
  const hooks = rackOf(batch);
  const rows = batch.rows.length;
  const room = (width - BETWEEN * (rows - 1)) / Math.max(1, hooks.length);
  const folded = room < NARROWEST;
  const shown = folded ? batch.rows.map((_, i) => nextOf(batch, i + 1)) : hooks;
  const each = Math.min(WIDEST, folded ? (width - BETWEEN * (rows - 1)) / Math.max(1, rows) : room);
  const before = batch.rows.map((_, i) => batch.rows.slice(0, i).reduce((sum, { count }) => sum + count, 0));
  const columns = shown.map(({ row, n }, i): RackColumn => {
    const [count, first] = [batch.rows[row - 1]?.count ?? 0, before[row - 1] ?? 0];
    const fly = n <= count ? first + n : null;
    return { row, n, x: i * each + (row - 1) * BETWEEN, width: each, fly, last: folded ? first + count : (fly ?? 0) };
  });
  return {
    columns,
    folded,
    spans: batch.rows.map((_, i) => {
      const own = columns.filter(({ row }) => row === i + 1);
      return { row: i + 1, from: own[0]?.x ?? 0, to: (own.at(-1)?.x ?? 0) + each };
    }),
  };
}
