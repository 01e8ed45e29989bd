import { numberOf, rackOf, type BatchFile, type FlyState, type HookAt } from '@jobbet/core/records';

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
  /** Which of them are drawn: all, but where even a column a row is too many those about the one that is lit. */
  readonly drawn: readonly [from: number, to: number];
  /** Where each row that is drawn begins and ends, px. */
  readonly spans: readonly { readonly row: number; readonly from: number; readonly to: number }[];
  /** Whether there are too many for a column each: then a row is one column. */
  readonly folded: boolean;
}

const WIDEST = 46;
const NARROWEST = 16;
/** A column that stands for a row is no narrower. */
const NARROWEST_ROW = 40;
const BETWEEN = 9;

const DONE: ReadonlySet<FlyState> = new Set(['kept', 'spoilt', 'apart']);

/** The fly of each row that is to be gone on with: the first that is not done. */
function nextOf({ rows, flies = [] }: BatchFile, hooks: readonly HookAt[]): HookAt[] {
  const done = new Set(
    flies.flatMap(({ row, n, state = 'to-come' }) => (DONE.has(state) ? [`${String(row)}/${String(n)}`] : [])),
  );
  const next = new Map<number, { readonly at: HookAt; readonly isDone: boolean }>();
  for (const at of hooks) {
    const known = next.get(at.row);
    if (!known || known.isDone) next.set(at.row, { at, isDone: done.has(`${String(at.row)}/${String(at.n)}`) });
  }
  return rows.map((_, i) => next.get(i + 1)?.at ?? { row: i + 1, n: 1 });
}

/** Where the columns of each row begin and end. */
function spansOf(columns: readonly RackColumn[], each: number): RackLayout['spans'] {
  const spans: { row: number; from: number; to: number }[] = [];
  for (const { row, x } of columns) {
    const last = spans.at(-1);
    if (last?.row === row) last.to = x + each;
    else spans.push({ row, from: x, to: x + each });
  }
  return spans;
}

/**
 * A column for every hook, row by row, as broad as there is room for; where that is less than a hook takes, a row is one column, and where those
 * are too many, as many of them are drawn as there is room for.
 * @param picked the place of the column that is lit
 */
export function rackLayout(batch: BatchFile, width: number, picked = 0): RackLayout {
  const hooks = rackOf(batch);
  const rows = batch.rows.length;
  const room = (width - BETWEEN * (rows - 1)) / Math.max(1, hooks.length);
  const folded = room < NARROWEST;
  const shown = folded ? nextOf(batch, hooks) : hooks;
  const most = Math.max(1, Math.floor((width + BETWEEN) / (NARROWEST_ROW + BETWEEN)));
  const at = Math.max(0, Math.min(picked, shown.length - 1));
  const from = folded && rows > most ? Math.floor(at / most) * most : 0;
  const to = folded && rows > most ? Math.min(rows, from + most) : shown.length;
  const across = folded ? Math.min(rows, most) : rows;
  const each = Math.min(WIDEST, folded ? (width - BETWEEN * (across - 1)) / Math.max(1, across) : room);
  const columns = shown.map(({ row, n }, i): RackColumn => {
    const fly = numberOf(batch, { row, n });
    const lastOfRow = numberOf(batch, { row, n: batch.rows[row - 1]?.count ?? 0 });
    return {
      row,
      n,
      x: (i - from) * each + (row - 1 - from) * BETWEEN,
      width: each,
      fly,
      last: (folded ? lastOfRow : fly) ?? 0,
    };
  });
  return {
    columns,
    drawn: [from, to],
    folded,
    spans: spansOf(columns.slice(from, to), each),
  };
}
