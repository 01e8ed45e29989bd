import type { DrawerName } from '@jobbet/core/drawers';
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
import { useMemo } from 'react';
import type { StoredItem } from '../../shared/api/client.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { cellText, headFor, sortValue, type TableColumn } from './cells.ts';
import { allColumns } from './columnSets.ts';

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  globalFilteringFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
});

/** The rows of a drawer, sorted by its heads and filtered by words that may stand in any column. */
export function useRowsTable(
  drawer: DrawerName,
  rows: readonly StoredItem[],
  columns: readonly TableColumn[],
  find: string,
) {
  const style = useStyle();
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
  return useTable({
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
}

function compare(a: unknown, b: unknown): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b;
  return String(a).localeCompare(String(b), undefined, { numeric: true });
}
