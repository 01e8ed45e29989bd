import { readNumber, parseQuantity } from '../units/index.ts';
import { suggestion, bad, good, type Fault, type Outcome } from '../base/index.ts';
import { COLUMNS, hasColumn, type Column } from './columns.ts';
import { readItem } from './file.ts';
import type { DrawerItem, DrawerName } from './items.ts';

/** Drawers as rows of words: what a CSV holds and what is typed into a table. Lists are parted by semicolons. */

const LIST = ';';

/** A value as a table or a CSV writes it, in the column's own unit. */
export function writeCell(item: DrawerItem, { key, kind }: Column): string {
  const value = (item as unknown as Record<string, unknown>)[key];
  if (value === undefined || value === null) return '';
  if (kind === 'list') return (value as readonly string[]).join(`${LIST} `);
  if (kind === 'yes') return value === true ? 'yes' : '';
  if (typeof value === 'number') return String(Math.round(value * 1e6) / 1e6);
  return typeof value === 'string' ? value : '';
}

const NUMBERS: ReadonlySet<Column['kind']> = new Set(['number', 'whole', 'share', 'length', 'mass']);

/** A number, or a length or mass with its unit; a bare one is in the column's unit. */
function readFigure(text: string, column: Column): Outcome<number> {
  const fault = (message: string): Outcome<number> => bad({ path: column.key, code: 'type', message });
  const minus = /^[-−]/.test(text);
  const plain = text.replace(/^[-−]/, '').trim();
  const number = readNumber(plain, 0);
  if (!number) return fault(`"${text}" is not a number`);
  if (number.ask !== undefined) return fault(number.ask);
  const rest = plain.slice(number.end).trim();
  if (rest === '' || rest === column.unit) return good(minus ? -number.value : number.value);
  if (column.kind !== 'length' && column.kind !== 'mass') return fault(`"${text}" is not a number`);
  const quantity = parseQuantity(column.kind, text);
  return quantity.ok ? good(Math.round(quantity.value * 1e6) / 1e6) : fault(quantity.message);
}

const YES = new Map([
  ['yes', true],
  ['y', true],
  ['true', true],
  ['1', true],
  ['no', false],
  ['n', false],
  ['false', false],
  ['0', false],
]);

/** The value of what is typed into a cell; undefined where it is emptied. */
export function readCell(text: string, column: Column): Outcome<unknown> {
  const plain = text.trim();
  const fault = (message: string): Outcome<unknown> => bad({ path: column.key, code: 'type', message });
  if (plain === '') return good(undefined);
  if (NUMBERS.has(column.kind)) return readFigure(plain, column);
  if (column.kind === 'yes') {
    const yes = YES.get(plain.toLowerCase());
    return yes === undefined ? fault(`"${text}" is neither yes nor no`) : good(yes ? true : undefined);
  }
  if (column.kind === 'list')
    return good(
      plain
        .split(LIST)
        .map((each) => each.trim())
        .filter((each) => each !== ''),
    );
  if (column.kind === 'choice') {
    const options = column.options ?? [];
    const option = options.find((each) => each.toLowerCase() === plain.toLowerCase());
    return option === undefined
      ? fault(`"${text}" is none of ${options.join(', ')}${suggestion(plain, options)}`)
      : good(option);
  }
  return good(plain);
}

/** An item with one cell changed, checked as a whole. */
export function withCell(drawer: DrawerName, item: DrawerItem, column: Column, text: string): Outcome<DrawerItem> {
  const value = readCell(text, column);
  if (!value.ok) return value;
  const { [column.key]: _old, ...rest } = item as unknown as Record<string, unknown>;
  return readItem(drawer, value.value === undefined ? rest : { ...rest, [column.key]: value.value });
}

/** One row of a CSV: the line it stands on, and the item it makes or what is wrong with it. */
export interface ReadRow {
  readonly line: number;
  readonly cells: readonly string[];
  readonly read: Outcome<DrawerItem>;
}

export interface ReadRows {
  readonly rows: readonly ReadRow[];
  /** What is wrong with the head of the table; nothing is read then. */
  readonly faults: readonly Fault[];
}

const headKey = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/** The name of a column at the head of a CSV, with its unit. */
export const headOf = ({ name, unit }: Column): string => (unit === undefined ? name : `${name} (${unit})`);

function columnFor(drawer: DrawerName, head: string): Column | null {
  const plain = headKey(head);
  return (
    COLUMNS[drawer].find((each) => [each.key, each.name, headOf(each)].some((name) => headKey(name) === plain)) ?? null
  );
}

function readRow(drawer: DrawerName, columns: readonly Column[], cells: readonly string[]): Outcome<DrawerItem> {
  const faults: Fault[] = [];
  const item: Record<string, unknown> = {};
  columns.forEach((column, i) => {
    const value = readCell(cells[i] ?? '', column);
    if (!value.ok) faults.push(...value.faults.map((fault) => ({ ...fault, path: column.name })));
    else if (value.value !== undefined) item[column.key] = value.value;
  });
  if (faults.length > 0) return { ok: false, faults };
  const own = Object.fromEntries(
    Object.entries(item).filter(([key]) => {
      const column = columns.find((each) => each.key === key);
      return column !== undefined && hasColumn(column, item);
    }),
  );
  const read = readItem(drawer, own);
  if (read.ok) return read;
  const named = (key: string): string => COLUMNS[drawer].find((each) => each.key === key)?.name ?? key;
  return { ok: false, faults: read.faults.map((fault) => ({ ...fault, path: named(fault.path) })) };
}

/**
 * Reads the rows of a CSV, the first of them its head. Each row stands for itself, so that a bad one spoils no other.
 * @param table rows of cells; empty rows are passed over
 */
export function readRows(drawer: DrawerName, table: readonly (readonly string[])[]): ReadRows {
  const [head = [], ...body] = table;
  const columns = head.map((text) => columnFor(drawer, text));
  const names = COLUMNS[drawer].map(headOf);
  const faults = head.flatMap((text, i): Fault[] =>
    columns[i] === null
      ? [
          {
            path: `column ${String(i + 1)}`,
            code: 'unknown-key',
            message: `"${text}" is no column of this drawer${suggestion(text, names) || `; it has ${names.slice(0, 6).join(', ')} and others`}`,
          },
        ]
      : [],
  );
  if (!columns.some((each) => each?.key === 'name'))
    faults.push({ path: 'line 1', code: 'missing', message: 'the first line names the columns; "name" is missing' });
  if (faults.length > 0) return { rows: [], faults };
  const known = columns.filter((each) => each !== null);
  const rows = body.flatMap((cells, i): ReadRow[] =>
    cells.every((cell) => cell.trim() === '') ? [] : [{ line: i + 2, cells, read: readRow(drawer, known, cells) }],
  );
  return { rows, faults: [] };
}

/** Items as rows of a CSV with its head; columns that none of them fills are left out. */
export function writeRows(drawer: DrawerName, items: readonly DrawerItem[]): string[][] {
  const columns = COLUMNS[drawer].filter(
    (each) => each.required === true || items.some((item) => writeCell(item, each) !== ''),
  );
  return [columns.map(headOf), ...items.map((item) => columns.map((each) => writeCell(item, each)))];
}
