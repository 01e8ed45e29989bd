import { bad, type Fault, faultLine, good, type Outcome, suggestion } from '../base/index.ts';
import { readDocument } from '../document/index.ts';
import { LOSSES, OUTING_KIND, type OutingFile, type Rod } from './outing.ts';

/** A row of a table is a fly of an outing; rows of one day, beat and time are one outing. */
const OF_OUTING = ['date', 'from', 'to', 'beat', 'level', 'clarity', 'temperature', 'light', 'hand'] as const;
const OF_ROD = ['fly', 'put on', 'taken off', 'line', 'leader', 'manner', 'count', 'seen'] as const;
const COUNTS = ['casts', 'touches', 'takes', 'landed', 'fouled'] as const;
export const OUTING_COLUMNS = [...OF_OUTING, ...OF_ROD, ...COUNTS, 'lost'] as const;
type ColumnName = (typeof OUTING_COLUMNS)[number];

/** Outings as rows of words, the head first: what a CSV holds. What was lost stands in one cell, `bed; fish`. @param nameOf a fly by its id */
export function writeOutingTable(outings: readonly OutingFile[], nameOf: (fly: string) => string): string[][] {
  const text = (value: string | number | undefined): string => (value === undefined ? '' : String(value));
  return [
    [...OUTING_COLUMNS],
    ...outings.flatMap(({ date, from, to, beat, gauge, clarity, light, hand, rods }) =>
      rods.map((rod): string[] => {
        const cells: Readonly<Record<ColumnName, string | number | undefined>> = {
          date,
          from,
          to,
          beat,
          level: gauge?.level,
          clarity,
          temperature: gauge?.temperature,
          light,
          hand: rod.hand ?? hand,
          fly: nameOf(rod.fly ?? rod.specimen ?? ''),
          'put on': rod.from,
          'taken off': rod.to,
          line: rod.line,
          leader: rod.leader,
          manner: rod.manner,
          count: rod.count,
          seen: rod.seen,
          casts: rod.casts,
          touches: rod.touches,
          takes: rod.takes,
          landed: rod.landed?.length,
          fouled: rod.fouled,
          lost: rod.lost?.map(({ how }) => how).join('; '),
        };
        return OUTING_COLUMNS.map((name) => text(cells[name]));
      }),
    ),
  ];
}

/** What a table comes to: the outings that read, and what is wrong with rows that do not. */
export interface OutingsRead {
  readonly outings: readonly OutingFile[];
  readonly faults: readonly Fault[];
}

type Cells = ReadonlyMap<string, string>;
const kept = <K extends string>(cells: Cells, names: readonly K[]): Partial<Record<K, string>> =>
  Object.fromEntries(
    names.flatMap((name) => ((cells.get(name) ?? '') === '' ? [] : [[name, cells.get(name)]])),
  ) as Partial<Record<K, string>>;

/** A fly of an outing out of one row, or what is wrong with it. */
function rodOf(cells: Cells, line: number): Outcome<Rod> {
  const faults: Fault[] = [];
  const count = (name: (typeof COUNTS)[number]): number | undefined => {
    const text = cells.get(name) ?? '';
    if (text === '') return undefined;
    const value = Number(text);
    if (Number.isInteger(value) && value >= 0 && value <= 1000) return value;
    faults.push({
      path: `line ${String(line)}, ${name}`,
      code: 'type',
      message: `"${text}" is no count: write a whole number from 0`,
    });
    return undefined;
  };
  const lost = (cells.get('lost') ?? '').split(';').map((each) => each.trim().toLowerCase());
  const losses = lost.flatMap((each) => {
    const how = LOSSES.find((known) => known === each);
    if (each !== '' && how === undefined)
      faults.push({
        path: `line ${String(line)}, lost`,
        code: 'unknown-name',
        message: `"${each}" is no way to lose a fly${suggestion(each, [...LOSSES])}: ${LOSSES.join(', ')}`,
      });
    return how === undefined ? [] : [{ how }];
  });
  const { 'put on': from, 'taken off': to, ...told } = kept(cells, OF_ROD);
  const { landed, ...counts } = Object.fromEntries(
    COUNTS.flatMap((name) => {
      const value = count(name);
      return value === undefined ? [] : [[name, value]];
    }),
  ) as Partial<Record<(typeof COUNTS)[number], number>>;
  const rod: Rod = {
    ...told,
    ...(from === undefined ? {} : { from }),
    ...(to === undefined ? {} : { to }),
    ...counts,
    ...(landed === undefined || landed === 0 ? {} : { landed: Array.from({ length: landed }, () => ({})) }),
    ...(losses.length === 0 ? {} : { lost: losses }),
  };
  return faults.length > 0 ? bad(...faults) : good(rod);
}

/** Columns by their heads, in any order and spelling of case. */
function columnsOf(head: readonly string[]): Outcome<readonly string[]> {
  const names = head.map((cell) => OUTING_COLUMNS.find((name) => name === cell.trim().toLowerCase()) ?? '');
  const faults = head.flatMap((cell, i): Fault[] =>
    cell.trim() === '' || names[i] !== ''
      ? []
      : [
          {
            path: 'line 1',
            code: 'unknown-key',
            message: `there is no column "${cell}"${suggestion(cell, [...OUTING_COLUMNS])}; there are ${OUTING_COLUMNS.join(', ')}`,
          },
        ],
  );
  const missing = ['date', 'from', 'to', 'beat', 'fly'].filter((name) => !names.includes(name as ColumnName));
  if (missing.length > 0)
    faults.push({ path: 'line 1', code: 'missing', message: `there is no column ${missing.join(', ')}` });
  return faults.length > 0 ? bad(...faults) : good(names);
}

interface Row {
  readonly line: number;
  readonly cells: Cells;
}

/** An outing out of the rows that are its own. */
function outingOf(rows: readonly Row[]): { readonly outing: OutingFile | null; readonly faults: readonly Fault[] } {
  const faults: Fault[] = [];
  const rods = rows.flatMap(({ cells, line }) => {
    const rod = rodOf(cells, line);
    if (rod.ok) return [rod.value];
    faults.push(...rod.faults);
    return [];
  });
  const [first] = rows;
  if (!first || rods.length === 0) return { outing: null, faults };
  const { level, temperature, ...told } = kept(first.cells, OF_OUTING);
  const gauge = { ...(level === undefined ? {} : { level }), ...(temperature === undefined ? {} : { temperature }) };
  const read = readDocument(OUTING_KIND, {
    format: 'jobbet.outing',
    version: 1,
    ...told,
    ...(Object.keys(gauge).length > 0 ? { gauge } : {}),
    rods,
  });
  if (read.ok) return { outing: read.value, faults };
  return {
    outing: null,
    faults: [
      ...faults,
      ...read.faults.map((fault) => ({ ...fault, path: `line ${String(first.line)}`, message: faultLine(fault) })),
    ],
  };
}

/** Reads outings out of rows of words, the first of them the head. Rows that do not read are told by their lines, and take no others down. */
export function readOutingTable(rows: readonly (readonly string[])[]): Outcome<OutingsRead> {
  const [head = [], ...body] = rows.map((row) => row.map((cell) => cell.trim()));
  const columns = columnsOf(head);
  if (!columns.ok) return columns;
  const own = new Map<string, Row[]>();
  body.forEach((row, i) => {
    if (row.every((cell) => cell === '')) return;
    const cells = new Map(columns.value.map((name, k) => [name, row[k] ?? '']));
    const key = ['date', 'from', 'to', 'beat'].map((name) => cells.get(name)).join('|');
    own.set(key, [...(own.get(key) ?? []), { line: i + 2, cells }]);
  });
  const read = [...own.values()].map(outingOf);
  const outings = read.flatMap(({ outing }) => (outing ? [outing] : []));
  const faults = read.flatMap((each) => each.faults);
  return outings.length === 0 && faults.length === 0
    ? bad({
        path: '',
        code: 'missing',
        message: 'has no outings: a row for each fly that was fished, under a head of columns',
      })
    : good({ outings, faults });
}
