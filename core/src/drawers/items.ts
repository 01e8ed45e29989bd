import { z } from 'zod';
import { parseQuantity } from '../units/index.ts';
import { HOOK_SIZES, SLOTS, type SlotName, solidNamed, WOUND_MANNERS } from '../data/index.ts';
import { shortLeader } from './plain.ts';

/**
 * What lies in the drawers: packets of hooks, eyes and beads, materials, threads. One flat record an item, so that a table, a CSV and the
 * file hold the same. Lengths mm, masses mg, densities mg/mm³, angles degrees; `...N` says how many were measured, `...Sd` their spread.
 */
export const DRAWERS = [
  'hooks',
  'weights',
  'materials',
  'threads',
  'lines',
  'leaders',
  'floats',
  'schools',
  'rules',
  'limits',
] as const;
export type DrawerName = (typeof DRAWERS)[number];

const NAME = 80;
const words = (most: number) => z.string().trim().min(1).max(most);
const above = z.number().positive().max(1e6);
const share = z.number().min(0).max(1);
const whole = z.number().int().min(0).max(1e6);
const list = z.array(words(NAME)).max(40);
const tint = z.string().regex(/^#[0-9a-f]{6}$/i, 'is a colour such as #6f7173');

const MOST_LOTS = 400;
const length = z
  .string()
  .max(40)
  .superRefine((text, to) => {
    const read = parseQuantity('length', text);
    if (!read.ok) to.addIssue(read.message);
    else if (read.value <= 0) to.addIssue(`"${text}" is no length`);
  });

/** So many of an item that are alike: of one colour, so long, with fibres so long, of one side. A single length is each one's; else there is one for each. */
export const lotSchema = z
  .strictObject({
    colour: words(NAME).optional(),
    count: z.number().min(0).max(1e6),
    lengths: z.array(length).min(1).max(MOST_LOTS).optional(),
    fibres: z.array(length).min(1).max(MOST_LOTS).optional(),
    side: z.enum(['left', 'right', 'pair']).optional(),
  })
  .superRefine(({ count, lengths, fibres }, to) => {
    for (const [key, given] of Object.entries({ lengths, fibres }))
      if (given && given.length > 1 && given.length !== count)
        to.addIssue({
          code: 'custom',
          path: [key],
          message: `has ${String(given.length)} for a count of ${String(count)}: write one for each, or one that all have`,
        });
  });
export type Lot = z.infer<typeof lotSchema>;

/** What is known of anything that is bought and not cut: how it is called, how much is there, and what it costs. */
const entire = {
  name: words(NAME),
  also: list.optional(),
  count: z.number().min(0).max(1e6).optional(),
  price: z.number().min(0).max(1e6).optional(),
  discontinued: z.boolean().optional(),
  note: z.string().max(500).optional(),
};

/** The same of what flies are tied of. */
const bought = {
  ...entire,
  /** What one of `count` makes: a length, pieces, pairs or flies; in words, which serve as a note where they do not read. */
  yield: z.string().max(NAME).optional(),
  /** What is there, lot by lot; `count` alone serves any colour. */
  stock: z.array(lotSchema).max(MOST_LOTS).optional(),
  /** What to look for in each, and what is done to it before it is cut. */
  lookFor: z.string().max(200).optional(),
  doFirst: z.string().max(200).optional(),
};

const measured = <K extends string>(key: K) =>
  ({
    [`${key}Mm`]: above.optional(),
    [`${key}N`]: whole.optional(),
    [`${key}SdMm`]: z.number().min(0).max(1e3).optional(),
  }) as Record<`${K}Mm` | `${K}SdMm`, z.ZodOptional<z.ZodNumber>> & Record<`${K}N`, z.ZodOptional<z.ZodNumber>>;

export const hookItemSchema = z.strictObject({
  ...bought,
  form: z.enum(['single', 'double', 'jig']),
  size: z.string().regex(/^\d{1,2}(\/0)?$/, `is a hook size such as ${HOOK_SIZES.slice(2, 5).join(', ')} or 1/0`),
  longX: z.number().int().min(-8).max(10).optional(),
  heavyX: z.number().int().min(-6).max(6).optional(),
  eye: z.enum(['straight', 'up', 'down', 'looped-up', 'looped-down']).optional(),
  bend: z.enum(['round', 'sproat', 'limerick', 'continuous', 'wide-gap']).optional(),
  barb: z.enum(['none', 'pinched', 'full']).optional(),
  finish: z.enum(['bronze', 'japanned', 'nickel', 'stainless', 'tin']).optional(),
  ...measured('shank'),
  ...measured('gap'),
  ...measured('wire'),
  temper: z.enum(['untried', 'good', 'soft', 'brittle']).optional(),
  saltSafe: z.boolean().optional(),
});
export type HookItem = z.infer<typeof hookItemSchema>;

export const weightItemSchema = z.strictObject({
  ...bought,
  form: z.enum(['bead', 'cone', 'dumbbell', 'bead-chain', 'plastic', 'disc', 'wire']),
  material: words(NAME).refine((word) => solidNamed(word) !== null, 'is no solid the tables know'),
  /** Across one ball, or the strand of a wire. */
  diameterMm: above,
  boreMm: above.optional(),
  frontMm: above.optional(),
  lengthMm: above.optional(),
  /** Weighed: of one piece (a pair of eyes is one), or of 100 mm of wire. */
  massMg: above.optional(),
  massN: whole.optional(),
  massSdMg: z.number().min(0).max(1e6).optional(),
});
export type WeightItem = z.infer<typeof weightItemSchema>;

/** One of those a material is mixed of: its share of the weight. */
const mixed = z.strictObject({ of: words(NAME), share: z.number().positive().max(1), colour: words(NAME).optional() });
export type Mixed = z.infer<typeof mixed>;
const MOST_MIXED = 6;

/** What is known of a material, whatever it is made into. */
const goods = {
  ...bought,
  colour: tint,
  colours: list.optional(),
  soldAs: z.enum(['patch', 'hank', 'spool', 'cape', 'packet', 'sheet', 'card', 'bottle']).optional(),
  leaves: z.string().max(NAME).optional(),
  substitutes: list.optional(),
  mix: z.array(mixed).min(2).max(MOST_MIXED).optional(),
  /** Minutes after which a charged glow is half as bright. */
  glowMin: above.optional(),
};
const wet = { softness: share, water: z.number().min(0).max(20) };

const bundle = z.strictObject({
  ...goods,
  construction: z.literal('bundle'),
  manner: z.enum(['plume', 'hair', 'strand', 'leg', 'tubing']),
  packing: share,
  taper: z.number().min(0.5).max(1),
  density: above,
  ...wet,
  spreadV: z.number().min(0).max(60),
  spreadH: z.number().min(0).max(60),
  fibreMm: above,
  strandMm2: above,
  /** Share of its cover that stays when it is wet and clings in locks. */
  clump: share.optional(),
});
const wrap = z.strictObject({
  ...goods,
  construction: z.literal('wrap'),
  manner: z.enum(WOUND_MANNERS),
  solid: share,
  density: above,
  opacity: share,
  ...wet,
  /** Of what lies flat: its breadth and thickness; of what stands off a core, the core's breadth; what a metre weighs. */
  flatMm: above.optional(),
  thickMm: above.optional(),
  coreMm: above.optional(),
  gPerM: above.optional(),
});
const strip = z.strictObject({
  ...goods,
  construction: z.literal('strip'),
  hideMm: above,
  pileMgMm2: above,
  hairMm: above,
  widthMm: above,
  softness: share,
});
const hackle = z.strictObject({
  ...goods,
  construction: z.literal('hackle'),
  fibresPerTurn: above,
  fibreMm: above,
  softness: share,
  clump: share.optional(),
});
const feather = z.strictObject({
  ...goods,
  construction: z.literal('feather'),
  thicknessMm: above,
  packing: share,
  density: above,
  widthMm: above,
  opacity: share,
  curve: share.optional(),
  ...wet,
});
const spun = z.strictObject({
  ...goods,
  construction: z.literal('spun'),
  packingTight: share,
  packingLoose: share,
  density: above,
  fibreMm: above,
  opacity: share,
  ...wet,
});
const sheet = z.strictObject({
  ...goods,
  construction: z.literal('sheet'),
  thicknessMm: above,
  density: above,
  opacity: share,
  ...wet,
});
export const materialItemSchema = z.discriminatedUnion('construction', [
  bundle,
  wrap,
  strip,
  hackle,
  feather,
  spun,
  sheet,
]);
export type MaterialItem = z.infer<typeof materialItemSchema>;
export const MATERIAL_SHAPES = { bundle, wrap, strip, hackle, feather, spun, sheet } as const;

export const threadItemSchema = z.strictObject({
  ...bought,
  denier: z.number().min(10).max(1000),
  aught: z.string().max(8).optional(),
  /** Laid flat. */
  widthMm: above,
  /** Breaking strain. */
  strengthG: above,
  material: z.enum(['nylon', 'polyester', 'gel-spun', 'monofilament', 'silk']),
  colours: list.optional(),
});
export type ThreadItem = z.infer<typeof threadItemSchema>;

const SCHOOL_WORDS = z.string().trim().min(1).max(120).optional();
const WHY = z.string().trim().min(1).max(300).optional();

/** A school: for each slot a relation (or two, parted by `or`) and its reason. */
export const schoolItemSchema = z.strictObject({
  name: words(NAME),
  also: list.optional(),
  means: z.string().trim().min(1).max(200),
  head: z.enum(['small', 'neat', 'bold']).optional(),
  headSpace: SCHOOL_WORDS,
  ...(Object.fromEntries(SLOTS.map((slot) => [slot, SCHOOL_WORDS])) as Record<SlotName, typeof SCHOOL_WORDS>),
  ...(Object.fromEntries(SLOTS.map((slot) => [`${slot}Why`, WHY])) as Record<`${SlotName}Why`, typeof WHY>),
});
export type SchoolItem = z.infer<typeof schoolItemSchema>;

/** What is asked of a fly on one water, as the user wrote it down. Lengths mm. */
export const rulesItemSchema = z.strictObject({
  name: words(NAME),
  also: list.optional(),
  inForce: z.boolean().optional(),
  noLead: z.boolean().optional(),
  barbless: z.boolean().optional(),
  singleHook: z.boolean().optional(),
  noAddedWeight: z.boolean().optional(),
  mostHooks: whole.optional(),
  largestGapMm: above.optional(),
  longestMm: above.optional(),
  note: z.string().max(500).optional(),
});
export type RulesItem = z.infer<typeof rulesItemSchema>;

/** A limit of a check, by the check's code and the limit's key: `length.foul.warn`. */
export const limitItemSchema = z.strictObject({
  name: z.string().regex(/^[a-z]+\.[a-z-]+\.[a-z]+$/, 'is a check and its limit, such as length.foul.warn'),
  also: list.optional(),
  value: z.number().min(0).max(1e6),
  note: z.string().max(500).optional(),
});
export type LimitItem = z.infer<typeof limitItemSchema>;

export const LINE_FORMS = ['floating', 'intermediate', 'sink-tip', 'sinking'] as const;

/** A fly line as it is sold: what sinks by its rate, or by what a foot of it weighs. */
export const lineItemSchema = z
  .strictObject({
    ...entire,
    form: z.enum(LINE_FORMS),
    lengthMm: above.optional(),
    tipMm: z.number().min(300).max(15_000).optional(),
    rateMmS: z.number().min(5).max(400).optional(),
    grainsPerFoot: z.number().min(1).max(60).optional(),
    diameterMm: z.number().min(0.3).max(3).optional(),
  })
  .superRefine(({ form, tipMm, rateMmS, grainsPerFoot }, to) => {
    const sinks = form === 'sink-tip' || form === 'sinking';
    if (sinks && rateMmS === undefined && grainsPerFoot === undefined)
      to.addIssue({
        code: 'custom',
        path: ['rateMmS'],
        message: 'is wanted of what sinks, or the grains a foot of it weighs',
      });
    if (form === 'sink-tip' && tipMm === undefined)
      to.addIssue({ code: 'custom', path: ['tipMm'], message: 'is wanted: how long is the tip?' });
  });
export type LineItem = z.infer<typeof lineItemSchema>;

/** What leaders are of, g/cm³. */
export const LEADER_DENSITY = { nylon: 1.14, fluorocarbon: 1.78 } as const;
const EXAMPLE = '1.8 m of 0.4 mm nylon, 0.9 m of 0.25 mm fluorocarbon';

/** A leader by its pieces, from the line to the fly. */
export const leaderItemSchema = z.strictObject({
  ...entire,
  pieces: z
    .string()
    .min(1)
    .max(300)
    .superRefine((text, to) => {
      for (const piece of shortLeader(text).split(',')) {
        const [long = '', thick = '', of = 'nylon', ...more] = piece.split(':').map((each) => each.trim());
        const reads =
          [long, thick].every((each) => parseQuantity('length', each).ok) && Object.hasOwn(LEADER_DENSITY, of);
        if (!reads || more.length > 0) to.addIssue(`"${piece.trim()}" is no piece of a leader: write ${EXAMPLE}`);
      }
    }),
});
export type LeaderItem = z.infer<typeof leaderItemSchema>;

/** A float that a fly drifts under: what it bears, and what it weighs itself. */
export const floatItemSchema = z.strictObject({
  ...entire,
  bearsMg: z.number().min(100).max(100_000),
  massMg: z.number().min(50).max(100_000).optional(),
});
export type FloatItem = z.infer<typeof floatItemSchema>;

/** The schema of the items of each drawer. */
export const ITEM_SCHEMAS = {
  hooks: hookItemSchema,
  weights: weightItemSchema,
  materials: materialItemSchema,
  threads: threadItemSchema,
  lines: lineItemSchema,
  leaders: leaderItemSchema,
  floats: floatItemSchema,
  schools: schoolItemSchema,
  rules: rulesItemSchema,
  limits: limitItemSchema,
} as const;
export type DrawerItems = {
  readonly hooks: readonly HookItem[];
  readonly weights: readonly WeightItem[];
  readonly materials: readonly MaterialItem[];
  readonly threads: readonly ThreadItem[];
  readonly lines: readonly LineItem[];
  readonly leaders: readonly LeaderItem[];
  readonly floats: readonly FloatItem[];
  readonly schools: readonly SchoolItem[];
  readonly rules: readonly RulesItem[];
  readonly limits: readonly LimitItem[];
};
export type DrawerItem = DrawerItems[DrawerName][number];

/** What tells two items of one name apart: hair for spinning is no hair for wings. */
export function kindOf(drawer: DrawerName, item: DrawerItem): string {
  if (drawer === 'materials') return (item as MaterialItem).construction;
  if (drawer === 'hooks' || drawer === 'weights' || drawer === 'lines')
    return (item as HookItem | WeightItem | LineItem).form;
  return KINDS[drawer];
}
const KINDS = {
  threads: 'thread',
  leaders: 'leader',
  floats: 'float',
  schools: 'school',
  rules: 'rules',
  limits: 'limit',
} as const;

/** The items of each drawer out of rows of all of them. */
export function drawersIn(rows: readonly { readonly drawer: DrawerName; readonly item: DrawerItem }[]): DrawerItems {
  return Object.fromEntries(
    DRAWERS.map((drawer) => [drawer, rows.filter((row) => row.drawer === drawer).map((row) => row.item)]),
  ) as unknown as DrawerItems;
}
