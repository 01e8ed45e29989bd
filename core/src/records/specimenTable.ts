import { bad, type Fault, good, type Outcome, suggestion } from '../base/index.ts';
import { parseQuantity, type QuantityKind } from '../units/index.ts';
import { type Reading, type SpecimenFile, VERDICTS } from './specimen.ts';

/** Columns of a table of finished flies; besides them there is one for each measure, by its name. */
const COLUMNS = ['number', 'hand', 'tied', 'weight', 'weightWet', 'verdict', 'note'] as const;
type ColumnName = (typeof COLUMNS)[number];

/** A finished fly as a table has it. */
export type SpecimenRow = Pick<
  SpecimenFile,
  'number' | 'hand' | 'tied' | 'lengths' | 'weight' | 'weightWet' | 'verdict' | 'note'
>;

const textOf = (reading: Reading): string => (typeof reading === 'string' ? reading : reading.value);
const readingsText = (readings: readonly Reading[] = []): string => readings.map(textOf).join('; ');

/** Finished flies as rows of words, the head first: what a CSV holds. Several readings of one stand in one cell, `18.2 mm; 18.4 mm`. */
export function writeSpecimenTable(flies: readonly SpecimenFile[]): string[][] {
  const measures = [...new Set(flies.flatMap(({ lengths = {} }) => Object.keys(lengths)))];
  return [
    [...COLUMNS, ...measures],
    ...flies.map(({ number, hand = '', tied = '', weight, weightWet, verdict = '', note = '', lengths = {} }) => [
      number === undefined ? '' : String(number),
      hand,
      tied,
      readingsText(weight),
      readingsText(weightWet),
      verdict,
      note,
      ...measures.map((measure) => readingsText(lengths[measure])),
    ]),
  ];
}

/** A bare number has the unit a tier would mean. */
const BARE: Readonly<Record<'length' | 'mass', string>> = { length: 'mm', mass: 'g' };

/** Readings of one cell, or what is wrong with one of them. */
function readReadings(text: string, kind: Extract<QuantityKind, 'length' | 'mass'>): string[] | string {
  const readings: string[] = [];
  for (const each of text.split(';').map((one) => one.trim())) {
    if (each === '') continue;
    const whole = /^[\d.,/\s]+$/.test(each) ? `${each.replace(',', '.')} ${BARE[kind]}` : each;
    const read = parseQuantity(kind, whole);
    if (!read.ok) return read.message;
    if (read.value <= 0) return `"${each}" is nothing`;
    readings.push(whole);
  }
  return readings;
}

type Cells = ReadonlyMap<string, string>;

/** One row; a cell that says nothing is left out. */
function readRow(cells: Cells, measures: readonly string[], line: number): Outcome<SpecimenRow> {
  const faults: Fault[] = [];
  const fault = (column: string, message: string): void => {
    faults.push({ path: `line ${String(line)}, ${column}`, code: 'type', message });
  };
  const readings = (column: string, kind: 'length' | 'mass'): string[] => {
    const read = readReadings(cells.get(column) ?? '', kind);
    if (typeof read !== 'string') return read;
    fault(column, read);
    return [];
  };
  const text = (column: ColumnName): string => cells.get(column) ?? '';
  const number = Number(text('number'));
  if (text('number') !== '' && !(Number.isInteger(number) && number >= 1 && number <= 100_000))
    fault('number', `"${text('number')}" is no number of a fly, from 1`);
  const verdict = VERDICTS.find((each) => each === text('verdict').toLowerCase());
  if (text('verdict') !== '' && !verdict) fault('verdict', `"${text('verdict')}" is none of ${VERDICTS.join(', ')}`);
  const lengths = Object.fromEntries(
    measures.flatMap((measure) => {
      const read = readings(measure, 'length');
      return read.length === 0 ? [] : [[measure, read]];
    }),
  );
  const [weight, weightWet] = [readings('weight', 'mass'), readings('weightWet', 'mass')];
  const [hand, tied, note] = [text('hand'), text('tied'), text('note')];
  if (tied !== '' && !/^\d{4}-\d{2}-\d{2}/.test(tied)) fault('tied', `"${tied}" is no day such as 2026-03-01`);
  if (faults.length > 0) return bad(...faults);
  return good({
    ...(text('number') === '' ? {} : { number }),
    ...(hand === '' ? {} : { hand }),
    ...(tied === '' ? {} : { tied }),
    ...(weight.length === 0 ? {} : { weight }),
    ...(weightWet.length === 0 ? {} : { weightWet }),
    ...(verdict ? { verdict } : {}),
    ...(note === '' ? {} : { note }),
    ...(Object.keys(lengths).length === 0 ? {} : { lengths }),
  });
}

/** Columns by their heads, in any order; a measure in its own spelling. */
function columnsOf(head: readonly string[], measures: readonly string[]): Outcome<readonly string[]> {
  const known = [...COLUMNS, ...measures];
  const names = head.map((cell) => known.find((name) => name.toLowerCase() === cell.toLowerCase()) ?? '');
  const faults = head.flatMap((cell, i): Fault[] =>
    cell === '' || names[i] !== ''
      ? []
      : [
          {
            path: 'line 1',
            code: 'unknown-key',
            message: `there is no column "${cell}"${suggestion(cell, known)}; there are ${known.join(', ')}`,
          },
        ],
  );
  return faults.length > 0 ? bad(...faults) : good(names);
}

/**
 * Reads finished flies out of rows of words, the first of them the head.
 * @param measures the names of what is measured on their pattern
 * @returns the flies, or every fault by its line and column
 */
export function readSpecimenTable(
  rows: readonly (readonly string[])[],
  measures: readonly string[],
): Outcome<readonly SpecimenRow[]> {
  const [head = [], ...body] = rows.map((row) => row.map((cell) => cell.trim()));
  const columns = columnsOf(head, measures);
  if (!columns.ok) return columns;
  const told = measures.filter((measure) => columns.value.includes(measure));
  const read = body.flatMap((row, i) =>
    row.every((cell) => cell === '')
      ? []
      : [readRow(new Map(columns.value.map((name, k) => [name, row[k] ?? ''])), told, i + 2)],
  );
  const faults = read.flatMap((each) => (each.ok ? [] : each.faults));
  if (faults.length > 0) return bad(...faults);
  const flies = read.flatMap((each) => (each.ok ? [each.value] : []));
  return flies.length === 0
    ? bad({ path: '', code: 'missing', message: 'has no flies: a row for each, under a head of columns' })
    : good(flies);
}
