import { readNumber, parseQuantity } from '../units/index.ts';
import { suggestion, bad, good, type Fault, type Outcome } from '../base/index.ts';
import { COLUMNS, hasColumn, type Column } from './columns.ts';
import { readItem } from './file.ts';
import { readLots, writeLots } from './lots.ts';
import { readMix, writeMix } from './mixes.ts';
import { DRAWERS, kindOf, type DrawerItem, type DrawerName, type Lot, type Mixed } from './items.ts';

/** Drawers as rows of words: what a CSV holds and what is typed into a table. Lists are parted by semicolons. */

const LIST = ';';

/** A value as a table or a CSV writes it, in the column's own unit. */
export function writeCell(item: DrawerItem, { key, kind }: Column): string {
  const value = (item as unknown as Record<string, unknown>)[key];
  if (value === undefined || value === null) return '';
  if (kind === 'lots') return writeLots(value as readonly Lot[]);
  if (kind === 'mix') return writeMix(value as readonly Mixed[]);
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
  if (column.kind === 'lots') return readLots(plain);
  if (column.kind === 'mix') return readMix(plain);
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

/** A cell that is other than in the drawer: its column, what stands there, and what comes in its place; nothing is an empty text. */
export interface ReplacedCell {
  readonly column: string;
  readonly was: string;
  readonly is: string;
}

/** One row of a CSV: the line it stands on, and the item it makes or what is wrong with it. */
export interface ReadRow {
  readonly line: number;
  readonly cells: readonly string[];
  readonly read: Outcome<DrawerItem>;
  /** What it replaces of the item of that name and kind, cell by cell; null for one that is new. */
  readonly replaces: readonly ReplacedCell[] | null;
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

/** The item of the drawer that a row is about: of its name, and of its kind where the row says one; null where there is none or more. */
function itemOf(drawer: DrawerName, named: Record<string, unknown>, there: readonly DrawerItem[]): DrawerItem | null {
  const name = typeof named['name'] === 'string' ? named['name'].toLowerCase() : '';
  const kind = kindOf(drawer, named as unknown as DrawerItem) as string | undefined;
  const [first, ...more] = there.filter(
    (each) => each.name.toLowerCase() === name && (!kind || kindOf(drawer, each) === kind),
  );
  return first && more.length === 0 ? first : null;
}

/** What one item has other than another, column by column. */
const replacedCells = (drawer: DrawerName, before: DrawerItem, after: DrawerItem): ReplacedCell[] =>
  COLUMNS[drawer].flatMap((column) => {
    const [was, is] = [writeCell(before, column), writeCell(after, column)];
    return was === is ? [] : [{ column: headOf(column), was, is }];
  });

/** A row over what is there: what its columns do not name stays as it is. */
function readRow(
  drawer: DrawerName,
  columns: readonly Column[],
  cells: readonly string[],
  there: readonly DrawerItem[],
): Pick<ReadRow, 'read' | 'replaces'> {
  const faults: Fault[] = [];
  const item: Record<string, unknown> = {};
  columns.forEach((column, i) => {
    const value = readCell(cells[i] ?? '', column);
    if (!value.ok) faults.push(...value.faults.map((fault) => ({ ...fault, path: column.name })));
    else if (value.value !== undefined) item[column.key] = value.value;
  });
  if (faults.length > 0) return { read: { ok: false, faults }, replaces: null };
  const old = itemOf(drawer, item, there);
  const named = new Set(columns.map((each) => each.key));
  const stays = Object.entries(old ?? {}).filter(([key]) => !named.has(key));
  const whole = { ...Object.fromEntries(stays), ...item };
  const own = Object.fromEntries(
    Object.entries(whole).filter(([key]) => {
      const column = COLUMNS[drawer].find((each) => each.key === key);
      return column === undefined || hasColumn(column, whole);
    }),
  );
  const read = readItem(drawer, own);
  if (read.ok) return { read, replaces: old && replacedCells(drawer, old, read.value) };
  const nameOf = (key: string): string => COLUMNS[drawer].find((each) => each.key === key)?.name ?? key;
  return {
    read: { ok: false, faults: read.faults.map((fault) => ({ ...fault, path: nameOf(fault.path) })) },
    replaces: null,
  };
}

/** The drawer a table belongs to by its head: the one that has all of its columns; null where none or several do. */
export function drawerOfHead(head: readonly string[]): DrawerName | null {
  const [first, ...more] = DRAWERS.filter((drawer) => head.every((text) => columnFor(drawer, text) !== null));
  return head.length > 1 && first !== undefined && more.length === 0 ? first : null;
}

/**
 * Reads the rows of a CSV, the first of them its head. Each row stands for itself, so that a bad one spoils no other.
 * @param table rows of cells; empty rows are passed over
 * @param there what lies in the drawer: of an item of the same name and kind stays what the table has no column for
 */
export function readRows(
  drawer: DrawerName,
  table: readonly (readonly string[])[],
  there: readonly DrawerItem[] = [],
): ReadRows {
  const [head = [], ...body] = table;
  const other = drawerOfHead(head);
  if (other !== null && other !== drawer)
    return {
      rows: [],
      faults: [
        { path: 'line 1', code: 'choice', message: `this is a table of ${other}: Drawers, ${other}, import takes it` },
      ],
    };
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
  const rows = joined(known, body).map(({ line, cells }): ReadRow => ({
    line,
    cells,
    ...readRow(drawer, known, cells, there),
  }));
  return { rows, faults: [] };
}

/** A line of a CSV with the lots of those after it that say nothing but its name and a lot. */
interface Line {
  readonly line: number;
  readonly cells: readonly string[];
}

/** Lines that belong together as one: a lot stands in its item's own line, or in one of its own beneath it. Empty lines are passed over. */
function joined(columns: readonly Column[], body: readonly (readonly string[])[]): Line[] {
  const [name, lots] = ['name', 'stock'].map((key) => columns.findIndex((each) => each.key === key)) as [
    number,
    number,
  ];
  const plain = (cells: readonly string[], i: number): string => (cells[i] ?? '').trim();
  const isLot = (cells: readonly string[]): boolean =>
    plain(cells, lots) !== '' && cells.every((cell, i) => i === name || i === lots || cell.trim() === '');
  const lines: Line[] = [];
  body.forEach((cells, i) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const last = lines.at(-1);
    const goesOn =
      last && lots >= 0 && isLot(cells) && plain(cells, name).toLowerCase() === plain(last.cells, name).toLowerCase();
    // A lot that does not read is told by its own line, and leaves those above it alone.
    if (!goesOn || !readLots(plain(cells, lots)).ok) lines.push({ line: i + 2, cells });
    else
      lines[lines.length - 1] = {
        line: last.line,
        cells: Object.assign([...last.cells], {
          [lots]: [plain(last.cells, lots), plain(cells, lots)].filter((each) => each !== '').join(`${LIST} `),
        }),
      };
  });
  return lines;
}

/** Items as rows of a CSV with its head, a line a lot; columns that none of them fills are left out. */
export function writeRows(drawer: DrawerName, items: readonly DrawerItem[]): string[][] {
  const columns = COLUMNS[drawer].filter(
    (each) => each.required === true || items.some((item) => writeCell(item, each) !== ''),
  );
  const rowsOf = (item: DrawerItem): string[][] => {
    const [first = [], ...others] = ('stock' in item ? (item.stock ?? []) : []).map((lot) => [lot]);
    const lot = (of: readonly Lot[], column: Column): string =>
      column.key === 'stock' ? writeLots(of) : column.key === 'name' ? item.name : '';
    return [
      columns.map((each) => (each.key === 'stock' ? writeLots(first) : writeCell(item, each))),
      ...others.map((of) => columns.map((each) => lot(of, each))),
    ];
  };
  return [columns.map(headOf), ...items.flatMap(rowsOf)];
}
