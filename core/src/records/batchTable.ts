import { suggestion, type Fault, type Outcome } from '../base/index.ts';
import { type BatchRow, MOST_OF_A_ROW, MOST_ROWS } from './batch.ts';

/** The rows of a batch as a table: what a CSV holds. A shade is one cell, `wing colour black; thread denier 70; flash none`. */
export const BATCH_COLUMNS = ['fly', 'on', 'count', 'hold', 'shade'] as const;
type ColumnName = (typeof BATCH_COLUMNS)[number];

/** A row as a table has it: its fly by name. */
export type TableRow = Pick<BatchRow, 'fly' | 'on' | 'count' | 'hold' | 'shade'>;

type Shade = NonNullable<BatchRow['shade']>;
const HOLDS = ['shape', 'ride', 'sink'] as const;
const LIKE = 'write it as wing colour black; flash none';

const valueText = (value: unknown): string => (typeof value === 'string' ? value : JSON.stringify(value));

const shadeText = (shade: Shade): string =>
  Object.entries(shade)
    .flatMap(([part, change]) =>
      change === null
        ? [`${part} none`]
        : typeof change === 'string'
          ? [`${part} ${change}`]
          : Object.entries(change).map(([key, value]) => `${part} ${key} ${valueText(value)}`),
    )
    .join('; ');

/** @param nameOf the name of the fly of a row, from 1 */
export const writeBatchTable = (rows: readonly BatchRow[], nameOf: (row: number) => string): string[][] => [
  [...BATCH_COLUMNS],
  ...rows.map(({ on = '', count, hold = '', shade = {} }, i) => [
    nameOf(i + 1),
    on,
    String(count),
    hold,
    shadeText(shade),
  ]),
];

/** A value of a key: a number, a list, or words. */
function readValue(text: string): unknown {
  if (/^-?\d+(?:\.\d+)?$/.test(text)) return Number(text);
  if (!/^[[{]/.test(text)) return text;
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return text;
  }
}

/** @returns null where a change names no part or says nothing of it */
function readShade(text: string): Shade | null {
  const shade: Record<string, Shade[string]> = {};
  for (const each of text.split(';').map((one) => one.trim())) {
    if (each === '') continue;
    const [part = '', key, ...rest] = each.split(/\s+/);
    if (key === undefined) return null;
    const before = shade[part];
    if (rest.length === 0) shade[part] = key === 'none' ? null : key;
    else shade[part] = { ...(typeof before === 'object' ? before : {}), [key]: readValue(rest.join(' ')) };
  }
  return shade;
}

function readRow(cells: Readonly<Partial<Record<ColumnName, string>>>, line: number): Outcome<TableRow> {
  const { fly = '', on = '', count = '', hold = '', shade = '' } = cells;
  const faults: Fault[] = [];
  const fault = (column: ColumnName, message: string): void => {
    faults.push({ path: `line ${String(line)}, ${column}`, code: 'type', message });
  };
  if (fly === '') fault('fly', 'is empty: it is the name of a fly');
  const number = Number(count);
  if (!Number.isInteger(number) || number < 1 || number > MOST_OF_A_ROW)
    fault('count', `"${count}" is no count from 1 to ${String(MOST_OF_A_ROW)}`);
  const held = HOLDS.find((each) => each === hold.toLowerCase());
  if (hold !== '' && held === undefined) fault('hold', `"${hold}" is none of ${HOLDS.join(', ')}`);
  const changes = readShade(shade);
  if (changes === null) fault('shade', `"${shade}" says nothing of a part; ${LIKE}`);
  if (faults.length > 0) return { ok: false, faults };
  return {
    ok: true,
    value: {
      fly,
      count: number,
      ...(on === '' ? {} : { on }),
      ...(held === undefined ? {} : { hold: held }),
      ...(changes === null || Object.keys(changes).length === 0 ? {} : { shade: changes }),
    },
  };
}

/** Reads rows of words, the first of them the head, its columns in any order. @returns the rows, or every fault by its line and column */
export function readBatchTable(rows: readonly (readonly string[])[]): Outcome<TableRow[]> {
  const [head = [], ...body] = rows.map((row) => row.map((cell) => cell.trim()));
  const columns = head.map((cell) => BATCH_COLUMNS.find((name) => name === cell.toLowerCase()));
  const faults: Fault[] = head.flatMap((cell, i): Fault[] =>
    columns[i] !== undefined || cell === ''
      ? []
      : [
          {
            path: 'line 1',
            code: 'unknown-key',
            message: `there is no column "${cell}", they are ${BATCH_COLUMNS.join(', ')}${suggestion(cell, BATCH_COLUMNS)}`,
          },
        ],
  );
  for (const needed of ['fly', 'count'] as const)
    if (!columns.includes(needed))
      faults.push({ path: 'line 1', code: 'missing', message: `has no column "${needed}"` });
  if (faults.length > 0) return { ok: false, faults };
  const read = body.flatMap((row, i) =>
    row.every((cell) => cell === '')
      ? []
      : [readRow(Object.fromEntries(columns.flatMap((name, k) => (name ? [[name, row[k] ?? '']] : []))), i + 2)],
  );
  if (read.length === 0 || read.length > MOST_ROWS)
    return {
      ok: false,
      faults: [
        { path: '', code: 'range', message: `has ${String(read.length)} rows; a batch has 1 to ${String(MOST_ROWS)}` },
      ],
    };
  const wrong = read.flatMap((each) => (each.ok ? [] : each.faults));
  return wrong.length > 0
    ? { ok: false, faults: wrong }
    : { ok: true, value: read.flatMap((each) => (each.ok ? [each.value] : [])) };
}
