import type { Fault } from '@jobbet/core/base';
import { hasColumn, type DrawerName } from '@jobbet/core/drawers';
import { useState } from 'react';
import type { StoredItem } from '../../shared/api/client.ts';
import { aimAt, aimNowhere, useInstruments, type Measures } from '../../shared/instruments/store.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { measuresOf, typedCell, withSeries, type TableColumn } from './cells.ts';
import { changeItem } from '../../fly/drawers/history.ts';
import { whyOf, type Refused } from './Troubles.tsx';
import type { CellAt } from './useGrid.ts';

/** What a cell is known by among those that were refused. */
export const cellKey = ({ row, col }: CellAt): string => `${row} ${col}`;

/** What is typed into a drawer or measured for it, and what of that was refused. */
export interface Writing {
  readonly refused: Refused;
  /** @returns the faults that keep a text from being taken */
  readonly write: (row: StoredItem, of: TableColumn, text: string) => readonly Fault[];
  /** Has what is measured next land in the lit row: in this cell where it can be measured, else in the column that took readings last, else in the row's first. */
  readonly aim: (row: StoredItem, of: TableColumn) => void;
}

/** The column of a row that readings land in while one of its cells has the focus; null where nothing of it is measured. */
export function landingColumn(
  of: TableColumn,
  columns: readonly TableColumn[],
  measures: (of: TableColumn) => Measures | null,
  last: string | undefined,
): TableColumn | null {
  const after = columns.find(({ key }) => key === last);
  return [of, ...(after ? [after] : []), ...columns].find((each) => measures(each) !== null) ?? null;
}

export function useWriting(drawer: DrawerName, columns: readonly TableColumn[]): Writing {
  const style = useStyle();
  const [refused, setRefused] = useState<Refused>({});
  const refuse = (row: StoredItem, of: TableColumn, text: string) => (error: unknown) =>
    setRefused((now) => ({ ...now, [cellKey({ row: row.id, col: of.key })]: { text, why: whyOf(error) } }));
  return {
    refused,
    write: (row, of, text) => {
      if (!of.own) return [];
      const typed = typedCell(drawer, row.item, of.own, text, style);
      if (!typed.ok) return typed.faults;
      setRefused(({ [cellKey({ row: row.id, col: of.key })]: _gone, ...rest }) => rest);
      const value = (typed.value as unknown as Readonly<Record<string, unknown>>)[of.key];
      const told = text.trim() === '' ? 'nothing' : text.trim();
      changeItem(
        row,
        ({ ...item }) => {
          const { [of.key]: _old, ...rest } = item as unknown as Record<string, unknown>;
          return (value === undefined ? rest : { ...rest, [of.key]: value }) as unknown as typeof item;
        },
        `${row.item.name}, ${of.name}: ${told}.`,
      ).catch(refuse(row, of, text));
      return [];
    },
    aim: (row, focused) => {
      const measured = ({ own }: TableColumn): Measures | null =>
        own && hasColumn(own, row.item) ? measuresOf(drawer, row.item, own) : null;
      const [, last] = useInstruments.getState().target?.id.split(' ') ?? [];
      const of = landingColumn(focused, columns, measured, last);
      const measures = of && measured(of);
      if (!of || !measures) {
        aimNowhere();
        return;
      }
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
          ).catch(refuse(row, of, ''));
        },
      });
    },
  };
}
