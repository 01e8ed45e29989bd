import { type DrawerItem, type DrawerName, readRows, writeRows, type ReadRows } from '@jobbet/core/drawers';
import Papa from 'papaparse';

/** What a sheet program would take for a formula; of what begins with a minus only a plain number is none. */
const FORMULA = /^(?:[=+@\t\r]|-(?!\d*[.,]?\d+$))/;

/** Reads a CSV over what lies in a drawer; commas, semicolons or tabs part the cells. */
export function readCsv(drawer: DrawerName, text: string, there: readonly DrawerItem[] = []): ReadRows {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  return readRows(
    drawer,
    data.map((row) => row.map((cell) => cell.replace(/^'(?=[=+@\t\r-])/, ''))),
    there,
  );
}

/** A CSV of items, with its head; a sheet program reads it, and it comes in again as it was. */
export const writeCsv = (drawer: DrawerName, items: readonly DrawerItem[]): string =>
  `${Papa.unparse(writeRows(drawer, items), { newline: '\n', escapeFormulae: FORMULA })}\n`;
