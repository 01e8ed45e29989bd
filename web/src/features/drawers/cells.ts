import { solidNamed } from '@jobbet/core/data';
import {
  COLUMNS,
  hasColumn,
  type Column,
  type DrawerItem,
  type DrawerName,
  type HookItem,
  type WeightItem,
  headOf,
  withCell,
  writeCell,
} from '@jobbet/core/drawers';
import { computedMass, nominalMeasures } from '@jobbet/core/edit';
import type { Series, ReadingKind } from '@jobbet/core/instruments';
import { formatNumber, type Style, MG_PER, MM_PER } from '@jobbet/core/units';
import type { Outcome } from '@jobbet/core/base';
import type { Measures } from '../../shared/instruments/store.ts';

/** A column of the table: one of the items' own, which can be written in, or one that is told of them. */
export interface TableColumn {
  readonly key: string;
  readonly name: string;
  readonly own: Column | null;
  readonly numeric: boolean;
  readonly tell?: (item: DrawerItem) => number | string;
}

const NUMERIC: ReadonlySet<Column['kind']> = new Set(['number', 'whole', 'length', 'mass', 'share']);

/** The unit a column is shown in for one person, and how much of the file's unit it is. */
function shownUnit({ kind, unit }: Column, style: Style): { readonly unit: string | undefined; readonly size: number } {
  if (kind === 'length' && style.length === 'in') return { unit: 'in', size: MM_PER.in };
  if (kind === 'mass' && style.mass === 'gr') return { unit: 'gr', size: MG_PER.gr };
  return { unit, size: 1 };
}

/** The head of a column: its name and unit. */
export const headFor = (column: Column, style: Style): string => {
  const { unit } = shownUnit(column, style);
  return unit === undefined ? headOf(column) : `${column.name} (${unit})`;
};

const valueOf = (item: DrawerItem, key: string): unknown => (item as unknown as Readonly<Record<string, unknown>>)[key];

function wordsOf(item: DrawerItem, column: TableColumn, value: unknown): string {
  if (column.own) return writeCell(item, column.own);
  return typeof value === 'number' || typeof value === 'string' ? String(value) : '';
}

/** A value as the table shows it; `–` where such an item has none. */
export function cellText(item: DrawerItem, column: TableColumn, style: Style): string {
  if (column.own && !hasColumn(column.own, item)) return '–';
  const value = column.tell ? column.tell(item) : valueOf(item, column.key);
  if (column.own && typeof value === 'number') {
    const { size } = shownUnit(column.own, style);
    const digits = size === 1 ? 3 : 4;
    return formatNumber(Number((value / size).toFixed(digits)), decimals(value / size, digits), style);
  }
  return wordsOf(item, column, value);
}

/** No more decimals than the value has. */
function decimals(value: number, most: number): number {
  const text = value.toFixed(most).replace(/0+$/, '');
  return Math.max(0, text.length - text.indexOf('.') - 1);
}

/** What a cell is sorted by: numbers as numbers, words as words, nothing last. */
export function sortValue(item: DrawerItem, column: TableColumn): number | string | undefined {
  if (column.own && !hasColumn(column.own, item)) return undefined;
  const value = column.tell ? column.tell(item) : valueOf(item, column.key);
  if (typeof value === 'number') return value;
  const words = wordsOf(item, column, value);
  return words === '' ? undefined : words.toLowerCase();
}

/** Takes what is typed into a cell: a bare number is in the unit the head shows. */
export function typedCell(
  drawer: DrawerName,
  item: DrawerItem,
  column: Column,
  text: string,
  style: Style,
): Outcome<DrawerItem> {
  const { unit, size } = shownUnit(column, style);
  const bare = /^[\d.,\s/½¼¾⅛⅜⅝⅞]+$/.test(text.trim());
  return withCell(drawer, item, column, size !== 1 && bare ? `${text.trim()} ${unit ?? ''}` : text);
}

/** Columns a measured mean stands in, with those of how many and of the spread. */
const MEASURED: Readonly<Record<string, readonly [n: string, sd: string]>> = {
  shankMm: ['shankN', 'shankSdMm'],
  gapMm: ['gapN', 'gapSdMm'],
  wireMm: ['wireN', 'wireSdMm'],
  massMg: ['massN', 'massSdMg'],
};

/** Over how many pieces a figure was measured and how far they lay apart, as it stands beside it: `±0.15 of 10`; nothing where it was not. */
export function seriesText(drawer: DrawerName, item: DrawerItem, key: string, style: Style): string {
  const [nKey, sdKey] = MEASURED[key] ?? [];
  const column = COLUMNS[drawer].find((each) => each.key === sdKey);
  const count = nKey === undefined ? undefined : valueOf(item, nKey);
  if (typeof count !== 'number') return '';
  const spread = column ? cellText(item, own(column), style) : '';
  return `${spread === '' ? '' : `±${spread} `}of ${String(count)}`;
}

const READING: Partial<Record<Column['kind'], ReadingKind>> = { length: 'length', mass: 'mass' };

/** What an instrument may measure into a cell, and what that is nominally. */
export function measuresOf(drawer: DrawerName, item: DrawerItem, column: Column): Measures | null {
  const kind = READING[column.kind];
  if (!kind || column.key.endsWith('SdMm') || column.key.endsWith('SdMg')) return null;
  const known = valueOf(item, column.key);
  const told =
    drawer === 'hooks'
      ? nominalMeasures(item as HookItem)?.[column.key as 'shankMm']
      : column.key === 'massMg'
        ? (computedMass(item as WeightItem) ?? undefined)
        : undefined;
  return { kind, nominal: told ?? (typeof known === 'number' ? known : undefined) };
}

/** What a hook measures by its size, shown where nothing was measured. */
export function nominalText(drawer: DrawerName, item: DrawerItem, column: TableColumn, style: Style): string | null {
  if (drawer !== 'hooks' || !column.own || valueOf(item, column.key) !== undefined) return null;
  const nominal = measuresOf(drawer, item, column.own)?.nominal;
  if (nominal === undefined) return null;
  const { size } = shownUnit(column.own, style);
  return `≈ ${formatNumber(nominal / size, size === 1 ? (nominal < 2 ? 2 : 1) : 3, style)}`;
}

const round = (value: number): number => Math.round(value * 1000) / 1000;

const SIMULATED = /\s*\(simulated: ([^)]*)\)$/;
const LONGEST_NOTE = 500;

/** A note that names which of an item's measures are a stand-in's: no made-up reading passes for a real one later. */
function noteWith(note: string | undefined, name: string, simulated: boolean): string | undefined {
  const names = new Set(SIMULATED.exec(note ?? '')?.[1]?.split(', ') ?? []);
  if (simulated) names.add(name);
  else names.delete(name);
  const marked = names.size === 0 ? '' : ` (simulated: ${[...names].join(', ')})`;
  const text = `${(note ?? '').replace(SIMULATED, '').slice(0, LONGEST_NOTE - marked.length)}${marked}`.trim();
  return text === '' ? undefined : text;
}

/**
 * An item with what readings came to: mean, and where the drawer keeps them how many and their spread.
 * @param simulated whether a stand-in gave them; the note says so then
 */
export function withSeries(
  item: DrawerItem,
  { key, name }: Pick<Column, 'key' | 'name'>,
  { mean, n, sd }: Series,
  simulated: boolean,
): DrawerItem {
  const [nKey, sdKey] = MEASURED[key] ?? [];
  const note = noteWith('note' in item ? item.note : undefined, name, simulated);
  const kept = Object.entries(item).filter(([each]) => each !== sdKey && each !== 'note');
  return {
    ...Object.fromEntries(kept),
    [key]: round(mean),
    ...(nKey === undefined ? {} : { [nKey]: n }),
    ...(sdKey === undefined || sd === null ? {} : { [sdKey]: round(sd) }),
    ...(note === undefined ? {} : { note }),
  } as unknown as DrawerItem;
}

export const own = (column: Column): TableColumn => ({
  key: column.key,
  name: column.name,
  own: column,
  numeric: NUMERIC.has(column.kind),
});

/** Whether a weight is lead, and what it would weigh as the full solid its measures say. */
export const TOLD_OF_WEIGHTS: readonly TableColumn[] = [
  {
    key: '=lead',
    name: 'lead',
    own: null,
    numeric: false,
    tell: (item) => (solidNamed((item as WeightItem).material)?.lead === true ? 'lead' : 'no lead'),
  },
  {
    key: '=solid',
    name: 'full solid (mg)',
    own: null,
    numeric: true,
    tell: (item) => {
      const mass = computedMass(item as WeightItem);
      return mass === null ? '' : Math.round(mass);
    },
  },
];
