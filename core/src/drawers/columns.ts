import { wordsIn } from '../base/index.ts';
import { HOOK_SIZES, COLOUR_WORDS, SLOTS, slotWords, solidNames } from '../data/index.ts';
import {
  hookItemSchema,
  lineItemSchema,
  MATERIAL_SHAPES,
  schoolItemSchema,
  threadItemSchema,
  weightItemSchema,
  type DrawerName,
  type MaterialItem,
} from './items.ts';

/** How a figure of an item is written and read. Lengths and masses take units; a bare number is in the column's own. */
export type ColumnKind =
  | 'text'
  | 'number'
  | 'whole'
  | 'length'
  | 'mass'
  | 'share'
  | 'yes'
  | 'choice'
  | 'list'
  | 'tint'
  | 'lots'
  | 'mix';

/** One property of a drawer's items: its key in the file, its name on screen and at the head of a CSV, and how it is read. */
export interface Column {
  readonly key: string;
  readonly name: string;
  readonly kind: ColumnKind;
  /** Unit the file keeps it in, for what has one. */
  readonly unit?: string;
  readonly options?: readonly string[];
  readonly required?: boolean;
  /** Constructions that have it; all when absent. */
  readonly of?: readonly MaterialItem['construction'][];
  readonly means?: string;
}

const column = (key: string, name: string, kind: ColumnKind, more: Partial<Column> = {}): Column => ({
  key,
  name,
  kind,
  ...more,
});

const NAME = column('name', 'name', 'text', { required: true });
const STOCK: readonly Column[] = [
  column('count', 'in stock', 'number'),
  column('stock', 'lots', 'lots', {
    means: 'what is there lot by lot: slate: 220 mm, 172 mm; black: 3 x 310 mm; grey: 2',
  }),
  column('yield', 'yields', 'text', { means: 'what one of them makes: 0.9 m, 24 pieces, 12 pairs, 30 flies' }),
  column('price', 'price', 'number', { means: 'of one of them, in your own money' }),
  column('discontinued', 'discontinued', 'yes'),
  column('lookFor', 'look for', 'text', { means: 'when one is picked out' }),
  column('doFirst', 'do first', 'text', { means: 'before it is cut: wash, dye, comb out underfur' }),
  column('also', 'also called', 'list'),
  column('note', 'note', 'text'),
];

/** Of what is fished with and not cut. */
const ENTIRE = STOCK.filter(({ key }) => ['count', 'price', 'discontinued', 'also', 'note'].includes(key));

const measured = (key: 'shank' | 'gap' | 'wire'): readonly Column[] => [
  column(`${key}Mm`, key, 'length', { unit: 'mm', means: 'mean of what was measured' }),
  column(`${key}N`, `${key} measured`, 'whole', { means: 'how many were measured' }),
  column(`${key}SdMm`, `${key} spread`, 'length', { unit: 'mm', means: 'standard deviation' }),
];

const choiceOf = (
  schema: { readonly shape: Readonly<Record<string, unknown>> },
  key: string,
  name: string,
  more: Partial<Column> = {},
): Column => column(key, name, 'choice', { options: wordsIn(schema.shape[key]), ...more });

const HOOKS: readonly Column[] = [
  NAME,
  choiceOf(hookItemSchema, 'form', 'form', { required: true }),
  column('size', 'size', 'text', { required: true, options: HOOK_SIZES }),
  column('longX', 'X long', 'whole', { means: 'negative: short' }),
  column('heavyX', 'X heavy', 'whole', { means: 'negative: fine' }),
  ...measured('shank'),
  ...measured('gap'),
  ...measured('wire'),
  choiceOf(hookItemSchema, 'eye', 'eye'),
  choiceOf(hookItemSchema, 'bend', 'bend'),
  choiceOf(hookItemSchema, 'barb', 'barb'),
  choiceOf(hookItemSchema, 'finish', 'finish'),
  choiceOf(hookItemSchema, 'temper', 'temper'),
  column('saltSafe', 'salt-safe', 'yes'),
  ...STOCK,
];

const WEIGHTS: readonly Column[] = [
  NAME,
  choiceOf(weightItemSchema, 'form', 'form', { required: true }),
  column('material', 'material', 'text', { required: true, options: solidNames() }),
  column('diameterMm', 'size', 'length', { unit: 'mm', required: true, means: 'across one ball, or the wire' }),
  column('massMg', 'weighed', 'mass', { unit: 'mg', means: 'one piece; a pair of eyes is one; of wire 100 mm' }),
  column('massN', 'weighed, how many', 'whole'),
  column('massSdMg', 'weighed, spread', 'mass', { unit: 'mg', means: 'standard deviation' }),
  column('boreMm', 'bore', 'length', { unit: 'mm' }),
  column('frontMm', 'front', 'length', { unit: 'mm', means: "a cone's" }),
  column('lengthMm', 'length', 'length', { unit: 'mm', means: "a cone's" }),
  ...STOCK,
];

const FIGURES: readonly Column[] = [
  column('softness', 'softness', 'share', { means: '0 stiff wire, 1 limp as plume' }),
  column('water', 'water kept', 'number', { means: 'times its dry mass' }),
  column('density', 'density', 'number', { unit: 'mg/mm³', means: 'of the solid' }),
  column('packing', 'packing', 'share', { means: 'solid share of what is squeezed' }),
  column('solid', 'solid', 'share', { means: 'solid share of what is wound' }),
  column('opacity', 'opacity', 'share'),
  column('taper', 'taper', 'share', { means: 'solid left on average over the length; 0.5 to 1' }),
  column('fibreMm', 'fibre', 'length', { unit: 'mm' }),
  column('strandMm2', 'strand section', 'number', { unit: 'mm²', means: 'solid section of one fibre or strand' }),
  column('spreadV', 'spread, up', 'number', { unit: 'deg' }),
  column('spreadH', 'spread, across', 'number', { unit: 'deg' }),
  column('fibresPerTurn', 'fibres a turn', 'number'),
  column('hideMm', 'hide', 'length', { unit: 'mm' }),
  column('pileMgMm2', 'pile', 'number', { unit: 'mg/mm²' }),
  column('hairMm', 'hair', 'length', { unit: 'mm' }),
  column('widthMm', 'width', 'length', { unit: 'mm' }),
  column('thicknessMm', 'thickness', 'length', { unit: 'mm' }),
  column('curve', 'curve', 'share', { means: 'how far the tip bends off the straight, of its length' }),
  column('packingTight', 'packed tight', 'share'),
  column('packingLoose', 'packed loose', 'share'),
];

type Construction = MaterialItem['construction'];
const CONSTRUCTIONS = Object.keys(MATERIAL_SHAPES) as Construction[];
/** Constructions whose schema has a key. */
const having = (key: string): readonly Construction[] =>
  CONSTRUCTIONS.filter((each) => key in MATERIAL_SHAPES[each].shape);

const MATERIALS: readonly Column[] = [
  NAME,
  column('construction', 'made into', 'choice', { required: true, options: CONSTRUCTIONS }),
  column('colour', 'shade', 'tint', { required: true, means: 'how it is drawn where a fly names no colour' }),
  column('colours', 'colours', 'list', { options: COLOUR_WORDS }),
  column('manner', 'manner', 'choice', {
    options: [...wordsIn(MATERIAL_SHAPES.bundle.shape.manner), ...wordsIn(MATERIAL_SHAPES.wrap.shape.manner)],
    of: having('manner'),
    required: true,
  }),
  ...FIGURES.map((each) => ({ ...each, of: having(each.key), required: true })),
  {
    ...column('clump', 'cover wet', 'share', {
      means: 'of its cover that stays when fibres cling in locks; 1 where they stand apart',
    }),
    of: having('clump'),
  },
  {
    ...column('flatMm', 'lies broad', 'length', { unit: 'mm', means: 'one pass of what lies flat' }),
    of: having('flatMm'),
  },
  { ...column('thickMm', 'lies thick', 'length', { unit: 'mm' }), of: having('thickMm') },
  {
    ...column('coreMm', 'core', 'length', { unit: 'mm', means: 'of what fibres stand off: its turns lie by it' }),
    of: having('coreMm'),
  },
  { ...column('gPerM', 'weighs', 'number', { unit: 'g/m', means: 'core and fibres' }), of: having('gPerM') },
  choiceOf(MATERIAL_SHAPES.bundle, 'soldAs', 'sold as'),
  column('leaves', 'leaves over', 'text'),
  column('substitutes', 'substitutes', 'list', { means: 'best first' }),
  column('mix', 'mixed of', 'mix', { means: 'by weight: 60 % seal-type dubbing, orange; 40 % rabbit dubbing' }),
  column('glowMin', 'glow, half-life', 'number', { unit: 'min' }),
  ...STOCK,
];

const THREADS: readonly Column[] = [
  NAME,
  column('denier', 'denier', 'number', { required: true }),
  column('aught', 'aught', 'text', { means: 'nominal' }),
  column('widthMm', 'width', 'length', { unit: 'mm', required: true, means: 'laid flat' }),
  column('strengthG', 'breaks at', 'number', { unit: 'g', required: true }),
  choiceOf(threadItemSchema, 'material', 'material', { required: true }),
  column('colours', 'colours', 'list', { options: COLOUR_WORDS }),
  ...STOCK,
];

const LINES: readonly Column[] = [
  NAME,
  choiceOf(lineItemSchema, 'form', 'form', { required: true }),
  column('lengthMm', 'length', 'length', { unit: 'mm' }),
  column('tipMm', 'tip', 'length', { unit: 'mm', means: 'of what has a tip that sinks' }),
  column('rateMmS', 'sinks at', 'number', { unit: 'mm/s', means: 'as it is sold; 25.4 mm/s are an inch a second' }),
  column('grainsPerFoot', 'grains a foot', 'number', { means: 'where it is sold by weight' }),
  column('diameterMm', 'diameter', 'length', { unit: 'mm', means: '1.1 mm where nothing is said' }),
  ...ENTIRE,
];

const LEADERS: readonly Column[] = [
  NAME,
  column('pieces', 'pieces', 'text', {
    required: true,
    means: 'from the line to the fly: 1.8 m of 0.4 mm nylon, 0.9 m of 0.25 mm fluorocarbon',
  }),
  ...ENTIRE,
];

const FLOATS: readonly Column[] = [
  NAME,
  column('bearsMg', 'bears', 'mass', { unit: 'mg', required: true }),
  column('massMg', 'weighs', 'mass', { unit: 'mg' }),
  ...ENTIRE,
];

const SCHOOLS: readonly Column[] = [
  NAME,
  column('means', 'for', 'text', { required: true }),
  ...SLOTS.map((slot) => column(slot, slotWords(slot), 'text', { means: 'a relation, or two parted by or' })),
  choiceOf(schoolItemSchema, 'head', 'head'),
  column('headSpace', 'head space', 'text', { means: 'a length' }),
  ...SLOTS.map((slot) => column(`${slot}Why`, `why: ${slotWords(slot)}`, 'text')),
  column('also', 'also called', 'list'),
];

const RULES: readonly Column[] = [
  NAME,
  column('inForce', 'in force', 'yes', { means: 'flies are held against it' }),
  column('noLead', 'no lead', 'yes'),
  column('barbless', 'barbless', 'yes'),
  column('singleHook', 'single hooks only', 'yes'),
  column('noAddedWeight', 'no added weight', 'yes'),
  column('mostHooks', 'points at most', 'whole'),
  column('largestGapMm', 'largest gap', 'length', { unit: 'mm' }),
  column('longestMm', 'longest fly', 'length', { unit: 'mm' }),
  column('note', 'note', 'text'),
  column('also', 'also called', 'list'),
];

const LIMITS: readonly Column[] = [
  column('name', 'check and limit', 'text', { required: true }),
  column('value', 'limit', 'number', { required: true }),
  column('note', 'means', 'text'),
  column('also', 'also called', 'list'),
];

export const COLUMNS: Readonly<Record<DrawerName, readonly Column[]>> = {
  hooks: HOOKS,
  weights: WEIGHTS,
  materials: MATERIALS,
  threads: THREADS,
  lines: LINES,
  leaders: LEADERS,
  floats: FLOATS,
  schools: SCHOOLS,
  rules: RULES,
  limits: LIMITS,
};

/** Whether items of this construction (or any item, outside the materials) have a column. */
export const hasColumn = (each: Column, item: object): boolean =>
  each.of === undefined || ('construction' in item && each.of.includes(item.construction as Construction));
