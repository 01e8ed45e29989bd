import { type DrawerItem, type DrawerName, readRows, writeRows, type ReadRows } from '@jobbet/core/drawers';
import { cellsOf, csvText } from '../../shared/ui/csv.ts';

/** Reads a CSV over what lies in a drawer. */
export const readCsv = (drawer: DrawerName, text: string, there: readonly DrawerItem[] = []): ReadRows =>
  readRows(drawer, cellsOf(text), there);

/** A CSV of items, with its head. */
export const writeCsv = (drawer: DrawerName, items: readonly DrawerItem[]): string => csvText(writeRows(drawer, items));
