import type { Fault } from '@jobbet/core/base';
import { hasColumn, type DrawerName } from '@jobbet/core/drawers';
import {
  columnFilteringFeature,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { StoredItem } from '../../shared/api/client.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { aimAt, useInstruments } from '../../shared/instruments/store.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { CellEditor, type Onward } from './CellEditor.tsx';
import { allColumns } from './columnSets.ts';
import {
  cellText,
  headFor,
  measuresOf,
  sortValue,
  typedCell,
  nominalText,
  withSeries,
  type TableColumn,
} from './cells.ts';
import { changeItem } from './history.ts';
import { Nominal, Troubles, whyOf, type Refused } from './Troubles.tsx';
import { moved, useGrid, type CellAt } from './useGrid.ts';

const ROW = 26;
const HEAD = 42;

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  globalFilteringFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
});

const keyOf = ({ row, col }: CellAt): string => `${row} ${col}`;

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
  const style = useStyle();
  const frame = useRef<HTMLDivElement>(null);
  const { height } = useSize(frame);
  const [refused, setRefused] = useState<Refused>({});
  const defs = useMemo(
    () =>
      columns.map((column): ColumnDef<typeof features, StoredItem> => ({
        id: column.key,
        accessorFn: (row: StoredItem) => sortValue(row.item, column),
        header: column.own ? headFor(column.own, style) : column.name,
        sortUndefined: 'last',
        sortFn: (a, b, id) => compare(a.getValue(id), b.getValue(id)),
      })),
    [columns, style],
  );
  const searched = useMemo(() => allColumns(drawer), [drawer]);
  const table = useTable({
    features,
    columns: defs,
    data: rows,
    getRowId: (row) => row.id,
    state: { globalFilter: find },
    getColumnCanGlobalFilter: () => true,
    globalFilterFn: (row, _id, words: string) =>
      words
        .toLowerCase()
        .split(/\s+/)
        .every((word) =>
          searched.some((column) => cellText(row.original.item, column, style).toLowerCase().includes(word)),
        ),
  });
  const shown = table.getRowModel().rows;
  const ids = shown.map((row) => row.id);
  const column = (key: string): TableColumn | undefined => columns.find((each) => each.key === key);
  const rowAt = (id: string): StoredItem | undefined => rows.find((row) => row.id === id);
  const canEdit = ({ row, col }: CellAt): boolean => {
    const [item, own] = [rowAt(row)?.item, column(col)?.own];
    return item !== undefined && own != null && hasColumn(own, item);
  };
  const grid = useGrid(
    frame,
    { rows: ids, cols: columns.map((each) => each.key), page: Math.max(1, Math.floor((height - HEAD) / ROW) - 1) },
    canEdit,
  );
  const { at } = grid;
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 8,
    scrollPaddingStart: HEAD,
  });
  const index = ids.indexOf(at.row);
  useEffect(() => {
    if (index >= 0) virtual.scrollToIndex(index);
  }, [virtual, index]);
  useEffect(() => {
    onCount(shown.length);
  }, [onCount, shown.length]);
  const picked = rowAt(at.row);
  useEffect(() => {
    onPick(picked);
  }, [onPick, picked]);
  const [begun, setBegun] = useState<string | null>(null);
  if (fresh !== null && fresh !== begun && ids.includes(fresh)) {
    setBegun(fresh);
    grid.write({ row: fresh, col: 'name' });
  }
  const write = (row: StoredItem, of: TableColumn, text: string, onward: Onward): readonly Fault[] => {
    if (!of.own) return [];
    const cell = { row: row.id, col: of.key };
    const typed = typedCell(drawer, row.item, of.own, text, style);
    if (!typed.ok) return typed.faults;
    setRefused(({ [keyOf(cell)]: _gone, ...rest }) => rest);
    const value = (typed.value as unknown as Readonly<Record<string, unknown>>)[of.key];
    changeItem(
      row,
      ({ ...item }) => {
        const { [of.key]: _old, ...rest } = item as unknown as Record<string, unknown>;
        return (value === undefined ? rest : { ...rest, [of.key]: value }) as unknown as typeof item;
      },
      `${row.item.name}, ${of.name}: ${text.trim() === '' ? 'nothing' : text.trim()}.`,
    ).catch((error: unknown) => setRefused((now) => ({ ...now, [keyOf(cell)]: { text, why: whyOf(error) } })));
    const keys: Readonly<Record<Onward, string | null>> = {
      stay: null,
      down: 'ArrowDown',
      next: 'ArrowRight',
      back: 'ArrowLeft',
    };
    grid.go(onwardFrom(ids, columns, cell, keys[onward]));
    return [];
  };
  const aim = (row: StoredItem, of: TableColumn): void => {
    const measures = of.own && hasColumn(of.own, row.item) ? measuresOf(drawer, row.item, of.own) : null;
    if (!measures) return;
    aimAt({
      id: `${row.id} ${of.key}`,
      name: `${of.name} of ${row.item.name}`,
      ...measures,
      land: (series) => {
        changeItem(
          row,
          (item) => withSeries(item, of, series, useInstruments.getState().port.simulated),
          `${row.item.name}, ${of.name} measured.`,
          `${row.id} ${of.key}`,
        ).catch((error: unknown) =>
          setRefused((now) => ({ ...now, [keyOf({ row: row.id, col: of.key })]: { text: '', why: whyOf(error) } })),
        );
      },
    });
  };
  const items = virtual.getVirtualItems();
  const above = items[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (items.at(-1)?.end ?? 0);
  return (
    <div ref={frame} className="flex-1 min-h-0 overflow-auto" onKeyDown={grid.onKey}>
      <table
        role="grid"
        aria-label={drawer}
        aria-rowcount={shown.length + 1}
        aria-colcount={columns.length}
        className="border-separate border-spacing-0 text-left"
      >
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
        <tbody>
          {above > 0 && <tr aria-hidden="true" style={{ height: above }} />}
          {items.map((each) => {
            const row = shown[each.index]?.original;
            if (!row) return null;
            const here = row.id === at.row;
            return (
              <tr
                key={row.id}
                aria-rowindex={each.index + 2}
                className={here ? 'bg-sunk' : 'hover:bg-sunk/60'}
                data-row={row.item.name}
                style={{ height: ROW }}
              >
                {columns.map((of, i) => {
                  const cell = { row: row.id, col: of.key };
                  const active = here && of.key === at.col;
                  const trouble = refused[keyOf(cell)];
                  const text = cellText(row.item, of, style);
                  const editing = active && grid.editing !== null && of.own;
                  return (
                    <td
                      key={of.key}
                      role="gridcell"
                      tabIndex={active ? 0 : -1}
                      aria-readonly={!canEdit(cell)}
                      data-col={of.key}
                      className={`relative border-b border-hair px-2 whitespace-nowrap max-w-56 ${editing ? 'overflow-visible' : 'overflow-hidden text-ellipsis'} ${of.numeric ? 'text-right' : ''} ${i === 0 ? `sticky left-0 font-semibold ${here ? 'bg-sunk' : 'bg-sheet'}` : ''} ${of.own ? '' : 'italic text-ink2'} focus:outline-2 focus:-outline-offset-2 focus:outline-ink`}
                      style={{ zIndex: editing ? 15 : i === 0 ? 5 : undefined }}
                      onMouseDown={() => {
                        if (!editing) grid.go(cell);
                      }}
                      onDoubleClick={() => grid.edit()}
                      onFocus={() => {
                        grid.pick(cell);
                        aim(row, of);
                      }}
                    >
                      {editing ? (
                        <CellEditor
                          label={`${of.name} of ${row.item.name}`}
                          column={editing}
                          text={text}
                          begin={grid.editing === '' ? (trouble?.text ?? null) : grid.editing}
                          fault={trouble?.why ?? null}
                          onTake={(typed, onward) => write(row, of, typed, onward)}
                          onLeave={grid.leave}
                        />
                      ) : (
                        <>
                          {trouble && (
                            <span className="text-warn" title={trouble.why}>
                              <SnagFlag /> {trouble.text}{' '}
                            </span>
                          )}
                          {of.own?.kind === 'tint' && (
                            <span
                              className="inline-block size-3 mr-1.5 border border-rule align-[-1px]"
                              style={{ background: text }}
                              aria-hidden="true"
                            />
                          )}
                          {text === '' ? <Nominal text={nominalText(drawer, row.item, of, style)} /> : text}
                        </>
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
          {below > 0 && <tr aria-hidden="true" style={{ height: below }} />}
        </tbody>
      </table>
      <Troubles refused={refused} />
    </div>
  );
}

function compare(a: unknown, b: unknown): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  return String(a).localeCompare(String(b), undefined, { numeric: true });
}

/** The cell a key leads to from another; the cell itself for none. */
function onwardFrom(
  rows: readonly string[],
  columns: readonly TableColumn[],
  from: CellAt,
  key: string | null,
): CellAt {
  return key === null
    ? from
    : (moved({ rows, cols: columns.map((each) => each.key), page: 1 }, from, key, false) ?? from);
}
