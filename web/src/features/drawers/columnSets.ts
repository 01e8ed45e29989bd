import { NOMINAL_LIMITS } from '@jobbet/core/checks';
import { SLOTS } from '@jobbet/core/data';
import { COLUMNS, type DrawerItem, type DrawerName } from '@jobbet/core/drawers';
import { own, TOLD_OF_WEIGHTS, type TableColumn } from './cells.ts';

/** The columns of a drawer are shown a set at a time, so that a row fits the window; the first ones are in every set. */
interface ColumnSets {
  readonly first: readonly string[];
  readonly sets: Readonly<Record<string, readonly string[]>>;
}

/** How much of it is there, what it costs, and what else is known of anything that is bought. */
const BOUGHT = ['count', 'stock', 'yield', 'price', 'discontinued', 'lookFor', 'doFirst', 'also', 'note', '=flies'];

const ENTIRE = ['count', 'price', 'discontinued', 'also', 'note'];

const SETS: Readonly<Record<DrawerName, ColumnSets>> = {
  hooks: {
    first: ['name', 'form', 'size', 'longX', 'heavyX'],
    sets: {
      measures: ['shankMm', 'gapMm', 'wireMm', 'saltSafe', 'count', '=flies'],
      series: ['shankN', 'shankSdMm', 'gapN', 'gapSdMm', 'wireN', 'wireSdMm'],
      make: ['eye', 'bend', 'barb', 'finish', 'temper', 'saltSafe', '=flies'],
      stock: [...BOUGHT],
    },
  },
  weights: {
    first: ['name', 'form', 'material', 'diameterMm'],
    sets: {
      measures: ['massMg', '=solid', '=lead', 'boreMm', 'frontMm', 'lengthMm', '=flies'],
      series: ['massN', 'massSdMg'],
      stock: ['=lead', ...BOUGHT],
    },
  },
  materials: {
    first: ['name', 'construction', 'colour'],
    sets: {
      goods: ['colours', 'count', 'stock', 'yield', 'price', 'soldAs', 'leaves', 'substitutes', '=flies'],
      figures: [
        'softness',
        'water',
        'density',
        'packing',
        'solid',
        'opacity',
        'taper',
        'fibreMm',
        'widthMm',
        'thicknessMm',
        'gPerM',
      ],
      more: [
        'manner',
        'strandMm2',
        'spreadV',
        'spreadH',
        'fibresPerTurn',
        'clump',
        'hideMm',
        'pileMgMm2',
        'hairMm',
        'curve',
        'packingTight',
        'packingLoose',
        'flatMm',
        'thickMm',
        'coreMm',
        'glowMin',
      ],
      notes: ['mix', 'lookFor', 'doFirst', 'discontinued', 'also', 'note', '=flies'],
    },
  },
  threads: {
    first: ['name', 'denier', 'aught'],
    sets: {
      all: ['widthMm', 'strengthG', 'material', 'colours', ...BOUGHT],
    },
  },
  lines: {
    first: ['name', 'form'],
    sets: { all: ['tipMm', 'rateMmS', 'grainsPerFoot', 'diameterMm', 'lengthMm', ...ENTIRE] },
  },
  leaders: { first: ['name', 'pieces'], sets: { all: ENTIRE } },
  floats: { first: ['name'], sets: { all: ['bearsMg', 'massMg', ...ENTIRE] } },
  schools: {
    first: ['name'],
    sets: {
      relations: [...SLOTS, 'head', 'headSpace', '=flies'],
      reasons: ['means', ...SLOTS.map((slot) => `${slot}Why`)],
      more: ['means', 'also', '=flies'],
    },
  },
  rules: {
    first: ['name', 'inForce'],
    sets: {
      all: [
        'noLead',
        'barbless',
        'singleHook',
        'noAddedWeight',
        'mostHooks',
        'largestGapMm',
        'longestMm',
        'note',
        'also',
      ],
    },
  },
  limits: { first: ['name', 'value'], sets: { all: ['=usual', 'note', 'also'] } },
};

export const setsOf = (drawer: DrawerName): readonly string[] => Object.keys(SETS[drawer].sets);

/** The columns of a set. @param flies how many flies name an item */
export function columnsOf(
  drawer: DrawerName,
  set: string,
  flies: (item: DrawerItem) => number,
): readonly TableColumn[] {
  const { first, sets } = SETS[drawer];
  const told: readonly TableColumn[] = [
    ...TOLD_OF_WEIGHTS,
    {
      key: '=usual',
      name: 'usual',
      own: null,
      numeric: true,
      tell: (item) => NOMINAL_LIMITS.find((each) => each.name === item.name)?.value ?? '',
    },
    { key: '=flies', name: 'flies', own: null, numeric: true, tell: flies },
  ];
  return [...first, ...(sets[set] ?? [])].flatMap((key) => {
    const column = COLUMNS[drawer].find((each) => each.key === key);
    const other = told.find((each) => each.key === key);
    return column ? [own(column)] : other ? [other] : [];
  });
}

/** Every column of every set, each once: what a search looks through. */
export const allColumns = (drawer: DrawerName): readonly TableColumn[] => COLUMNS[drawer].map(own);
