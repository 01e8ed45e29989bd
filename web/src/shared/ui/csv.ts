import Papa from 'papaparse';

/** What a sheet program would take for a formula; of what begins with a minus only a plain number is none. */
const FORMULA = /^(?:[=+@\t\r]|-(?!\d*[.,]?\d+$))/;

/** The cells of a CSV, row by row; commas, semicolons or tabs part them. */
export const cellsOf = (text: string): string[][] =>
  Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false }).data.map((row) =>
    row.map((cell) => cell.replace(/^'(?=[=+@\t\r-])/, '')),
  );

/** Rows of cells as a CSV that a sheet program reads, and that comes in again as it was. */
export const csvText = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(rows as string[][], { newline: '\n', escapeFormulae: FORMULA })}\n`;
