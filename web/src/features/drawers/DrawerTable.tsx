import { hasColumn, type DrawerName } from '@jobbet/core/drawers';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import type { StoredItem } from '../../shared/api/client.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import type { Onward } from './CellEditor.tsx';
import type { TableColumn } from './cells.ts';
import { ItemCell } from './ItemCell.tsx';
import { Troubles } from './Troubles.tsx';
import { moved, useGrid, type CellAt } from './useGrid.ts';
import { useRowsTable } from './useRowsTable.ts';
import { useWriting } from './useWriting.ts';

const ROW = 26;
const HEAD = 42;

interface DrawerTableProps {
  readonly drawer: DrawerName;
  readonly rows: readonly StoredItem[];
  readonly columns: readonly TableColumn[];
  readonly find: string;
  /** The row to go to and write the name of: one just laid in. */
  readonly fresh: string | null;
  readonly onPick: (row: StoredItem | undefined) => void;
  readonly onCount: (count: number) => void;
}

/** One drawer as a table: sorted by its heads, filtered by words, each cell written in where it stands. */
export function DrawerTable({ drawer, rows, columns, find, fresh, onPick, onCount }: DrawerTableProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { height } = useSize(frame);
  const writing = useWriting(drawer, columns);
  const table = useRowsTable(drawer, rows, columns, find);
  const shown = table.getRowModel().rows;
  const ids = shown.map((row) => row.id);
  const cols = columns.map((each) => each.key);
  const rowAt = (id: string): StoredItem | undefined => rows.find((row) => row.id === id);
  const page = Math.max(1, Math.floor((height - HEAD) / ROW) - 1);
  const grid = useGrid(frame, { rows: ids, cols, page }, ({ row, col }) => {
    const [item, own] = [rowAt(row)?.item, columns.find((each) => each.key === col)?.own];
    return item !== undefined && own != null && hasColumn(own, item);
  });
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 8,
    scrollPaddingStart: HEAD,
  });
  const index = ids.indexOf(grid.at.row);
  useEffect(() => {
    if (index >= 0) virtual.scrollToIndex(index);
  }, [virtual, index]);
  useEffect(() => {
    onCount(shown.length);
  }, [onCount, shown.length]);
  const picked = rowAt(grid.at.row);
  useEffect(() => {
    onPick(picked);
  }, [onPick, picked]);
  const [begun, setBegun] = useState<string | null>(null);
  if (fresh !== null && fresh !== begun && ids.includes(fresh)) {
    setBegun(fresh);
    grid.write({ row: fresh, col: 'name' });
  }
  const onward = (from: CellAt, way: Onward): void => {
    const key = ONWARD[way];
    grid.go((key === null ? null : moved({ rows: ids, cols, page: 1 }, from, key, false)) ?? from);
  };
  const items = virtual.getVirtualItems();
  const above = items[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (items.at(-1)?.end ?? 0);
  const rowOf = (at: number) => {
    const row = shown[at]?.original;
    if (!row) return null;
    const looks = row.id === grid.at.row ? 'bg-sunk' : 'hover:bg-sunk/60';
    return (
      <tr key={row.id} aria-rowindex={at + 2} className={looks} data-row={row.item.name} style={{ height: ROW }}>
        {columns.map((of, i) => (
          <ItemCell key={of.key} {...{ drawer, row, of, grid, writing }} first={i === 0} onOnward={onward} />
        ))}
      </tr>
    );
  };
  return (
    <div ref={frame} className="flex-1 min-h-0 min-w-0 overflow-auto" onKeyDown={grid.onKey}>
      <table
        role="grid"
        aria-label={drawer}
        aria-rowcount={shown.length + 1}
        aria-colcount={columns.length}
        className="border-separate border-spacing-0 text-left"
      >
        <Heads table={table} columns={columns} />
        <tbody>
          {above > 0 && <tr aria-hidden="true" style={{ height: above }} />}
          {items.map((each) => rowOf(each.index))}
          {below > 0 && <tr aria-hidden="true" style={{ height: below }} />}
        </tbody>
      </table>
      <Troubles refused={writing.refused} />
    </div>
  );
}

/** Where it goes on from a cell that was written in, as the arrow keys go. */
const ONWARD: Readonly<Record<Onward, string | null>> = {
  stay: null,
  down: 'ArrowDown',
  next: 'ArrowRight',
  back: 'ArrowLeft',
};

interface HeadsProps {
  readonly table: ReturnType<typeof useRowsTable>;
  readonly columns: readonly TableColumn[];
}

/** The heads of the columns; a press sorts by one. */
function Heads({ table, columns }: HeadsProps) {
  const column = (key: string): TableColumn | undefined => columns.find((each) => each.key === key);
  return (
    <thead>
      {table.getHeaderGroups().map((group) => (
        <tr key={group.id}>
          {group.headers.map((header, i) => {
            const sorted = header.column.getIsSorted();
            const numeric = column(header.column.id)?.numeric === true;
            return (
              <th
                key={header.id}
                scope="col"
                aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                title={column(header.column.id)?.own?.means}
                className={`sticky top-0 z-10 bg-sheet border-b border-ink p-0 align-bottom font-semibold ${i === 0 ? 'left-0 z-20 min-w-48' : ''}`}
                style={{ height: HEAD }}
              >
                <button
                  type="button"
                  className={`size-full px-2 py-1 leading-tight ${numeric ? 'text-right max-w-24' : 'text-left max-w-40'}`}
                  onClick={() => header.column.toggleSorting(sorted === 'asc')}
                >
                  {String(header.column.columnDef.header)}
                  <span aria-hidden="true">{sorted === 'asc' ? ' ▴' : sorted === 'desc' ? ' ▾' : ''}</span>
                </button>
              </th>
            );
          })}
        </tr>
      ))}
    </thead>
  );
}
