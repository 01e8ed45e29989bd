import {
  type BundleMaterial,
  type FeatherMaterial,
  type HackleMaterial,
  type SheetMaterial,
  type SpunMaterial,
  type StripMaterial,
  type WoundMaterial,
  BUNDLES,
  FEATHERS,
  HACKLES,
  SHEETS,
  SPUN,
  STRIPS,
  WOUND,
  SCHOOLS,
  type School,
} from '../data/index.ts';
import type {
  DrawerItems,
  FloatItem,
  HookItem,
  LeaderItem,
  LineItem,
  MaterialItem,
  RulesItem,
  SchoolItem,
  ThreadItem,
  WeightItem,
} from './items.ts';

/** What a fly is solved with: the built-in nominal tables, or a tier's own drawers. */
export interface Drawers {
  readonly bundles: readonly BundleMaterial[];
  readonly wound: readonly WoundMaterial[];
  readonly strips: readonly StripMaterial[];
  readonly hackles: readonly HackleMaterial[];
  readonly feathers: readonly FeatherMaterial[];
  readonly spun: readonly SpunMaterial[];
  readonly sheets: readonly SheetMaterial[];
  readonly hooks: readonly HookItem[];
  readonly weights: readonly WeightItem[];
  readonly threads: readonly ThreadItem[];
  /** What a fly is fished with; nothing of a fly rests on it. */
  readonly lines: readonly LineItem[];
  readonly leaders: readonly LeaderItem[];
  readonly floats: readonly FloatItem[];
  readonly schools: readonly School[];
  /** The rules in force. */
  readonly rules: readonly RulesItem[];
  /** Limits of checks that are other than usual, by check and key. */
  readonly limits: Readonly<Record<string, number>>;
}

export const NOMINAL_DRAWERS: Drawers = {
  bundles: BUNDLES,
  wound: WOUND,
  strips: STRIPS,
  hackles: HACKLES,
  feathers: FEATHERS,
  spun: SPUN,
  sheets: SHEETS,
  hooks: [],
  weights: [],
  threads: [],
  lines: [],
  leaders: [],
  floats: [],
  schools: SCHOOLS,
  rules: [],
  limits: {},
};

/** The items of one construction as the solver reads them; the nominal ones where the drawer holds none. */
function tableOf<T extends { readonly name: string }>(
  items: DrawerItems,
  construction: MaterialItem['construction'],
  nominal: readonly T[],
): readonly T[] {
  const own = items.materials
    .filter((item) => item.construction === construction)
    .map((item) => ({ ...item, also: item.also ?? [] }) as unknown as T);
  return own.length > 0 ? own : nominal;
}

/** The tables of a tier's drawers. A construction whose drawer is empty falls back to the nominal materials of it. */
export function drawersOf(items: DrawerItems): Drawers {
  return {
    bundles: tableOf(items, 'bundle', BUNDLES),
    wound: tableOf(items, 'wrap', WOUND),
    strips: tableOf(items, 'strip', STRIPS),
    hackles: tableOf(items, 'hackle', HACKLES),
    feathers: tableOf(items, 'feather', FEATHERS),
    spun: tableOf(items, 'spun', SPUN),
    sheets: tableOf(items, 'sheet', SHEETS),
    hooks: items.hooks,
    weights: items.weights,
    threads: items.threads,
    lines: items.lines,
    leaders: items.leaders,
    floats: items.floats,
    schools: items.schools.length > 0 ? items.schools : SCHOOLS,
    rules: items.rules.filter((each) => each.inForce === true),
    limits: Object.fromEntries(items.limits.map(({ name, value }) => [name, value])),
  };
}

/** The nominal materials as items of a drawer, with nothing in stock. */
export const NOMINAL_MATERIALS: readonly MaterialItem[] = [
  ...BUNDLES.map((each): MaterialItem => ({ construction: 'bundle', ...each, also: [...each.also] })),
  ...WOUND.map((each): MaterialItem => ({ construction: 'wrap', ...each, also: [...each.also] })),
  ...STRIPS.map((each): MaterialItem => ({ construction: 'strip', ...each, also: [...each.also] })),
  ...HACKLES.map((each): MaterialItem => ({ construction: 'hackle', ...each, also: [...each.also] })),
  ...FEATHERS.map((each): MaterialItem => ({ construction: 'feather', ...each, also: [...each.also] })),
  ...SPUN.map((each): MaterialItem => ({ construction: 'spun', ...each, also: [...each.also] })),
  ...SHEETS.map((each): MaterialItem => ({ construction: 'sheet', ...each, also: [...each.also] })),
];

const thread = (
  name: string,
  denier: number,
  aught: string | null,
  widthMm: number,
  strengthG: number,
  material: ThreadItem['material'],
): ThreadItem => ({ name, denier, widthMm, strengthG, material, ...(aught === null ? {} : { aught }) });

/**
 * Nominal threads. Aughts as the table of the relations has them; breaking strain about 4.5 g a denier for nylon and polyester, three
 * times that gel-spun, 3 g for monofilament; width laid flat about 0.02 mm for each √denier. Judgement, to be corrected by the spool.
 */
export const NOMINAL_THREADS: readonly ThreadItem[] = [
  thread('thread 40', 40, '12/0', 0.13, 180, 'polyester'),
  thread('thread 50', 50, '10/0', 0.14, 225, 'polyester'),
  thread('thread 70', 70, '8/0', 0.17, 315, 'polyester'),
  thread('thread 110', 110, null, 0.21, 500, 'polyester'),
  thread('thread 140', 140, '6/0', 0.24, 630, 'nylon'),
  thread('thread 220', 220, '3/0', 0.3, 990, 'nylon'),
  thread('gel-spun 100', 100, null, 0.2, 1350, 'gel-spun'),
  thread('gel-spun 200', 200, null, 0.28, 2700, 'gel-spun'),
  thread('fine monofilament', 130, null, 0.13, 390, 'monofilament'),
];

/** The schools that come with it, as items of a drawer. */
export const NOMINAL_SCHOOLS: readonly SchoolItem[] = SCHOOLS.map((each) => ({
  ...each,
  also: [...(each.also ?? [])],
}));
