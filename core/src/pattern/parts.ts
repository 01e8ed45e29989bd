import { z } from 'zod';

export const ROLES = [
  'underbody',
  'eyes',
  'bead',
  'tag',
  'butt',
  'tail',
  'rib',
  'body',
  'hackle',
  'collar',
  'throat',
  'underwing',
  'wing',
  'overwing',
  'flash',
  'cheek',
  'case',
  'legs',
  'head',
  'belly',
  'veil',
  'finish',
] as const;
export const SIDES_OF_SHANK = ['top', 'bottom', 'near', 'far', 'both', 'around', 'axis'] as const;

const word = z.string().min(1).max(60);
export const relation = (meaning: string) => z.string().min(1).max(200).describe(meaning);
const length = (meaning: string) => relation(`${meaning}, a length relation`).optional();
const position = (meaning: string) => relation(`${meaning}, a position relation`).optional();
const quantity = (meaning: string) => z.string().min(1).max(40).describe(meaning).optional();
const count = (meaning: string, most: number) => z.number().min(0).max(most).describe(meaning).optional();
const ids = z.array(word).max(20).optional();
const support = z.enum(['none', 'turn-under', 'dam', 'loop', 'underlay']).optional();

const common = {
  id: z
    .string()
    .max(40)
    .regex(
      /^[A-Za-z](?:[A-Za-z0-9]|-(?=[A-Za-z0-9]))*$/,
      'is not a name: begin with a letter, then letters, digits and single dashes',
    ),
  role: z.enum(ROLES),
  material: word.optional(),
  colour: word.optional(),
  side: z.enum(SIDES_OF_SHANK).optional(),
  continues: word.describe('id of the part whose piece goes on here').optional(),
  note: z.string().max(2000).optional(),
};
const at = { at: position('where it is tied in') };
const span = { from: position('one end of the span'), to: position('the other end of the span') };
const first = (does: string) => z.enum(['rear', 'front']).describe(`which end is ${does} first`).optional();
const butts = { buttsTo: position('where the butts are trimmed') };

const ball = z.strictObject({
  ...common,
  ...at,
  construction: z.literal('ball'),
  shape: z.enum(['bead', 'cone', 'dumbbell', 'bead-chain', 'plastic', 'stalked', 'disc']),
  diameter: relation('diameter, a length relation'),
  bore: length('bore'),
  front: length("a cone's front diameter"),
  length: length("a cone's length"),
  mass: quantity('weighed mass, such as 0.52 g'),
  slotted: z.boolean().describe('a bead with a slot for a bent leg or eyes').optional(),
  faces: z.enum(['round', 'flat', 'drilled']).describe('how the outer faces of a dumbbell are').optional(),
  stalk: length('how far the eyes stand off the tie-in on their stalks'),
  angle: quantity('angle of each stalk away from the shank'),
  toward: z.enum(['rear', 'front']).describe('where eyes on stalks point').optional(),
});
const wrap = z.strictObject({
  ...common,
  ...span,
  ...butts,
  construction: z.literal('wrap'),
  strand: length('thickness of the strand, or the breadth of one that is flat'),
  width: length('breadth of a flat strand'),
  thickness: length('thickness of a flat strand'),
  density: z.enum(['sparse', 'usual', 'dense']).describe('how close turns of what stands off a core lie').optional(),
  diameter: length('diameter of the wound body'),
  profile: z
    .tuple([relation('rear'), relation('middle'), relation('front')])
    .describe('three diameters, rear to front')
    .optional(),
  turns: count('turns', 400),
  pitch: length('advance per turn'),
  layers: z.number().int().min(1).max(2).optional(),
  direction: z.enum(['with', 'counter']).optional(),
  binds: ids,
  dubbed: z.enum(['rope', 'touch', 'loop', 'split']).describe('how fur is brought onto the thread').optional(),
  crossed: z.boolean().describe('a head crossed between the eyes, so that it stays round').optional(),
  with: word.describe('a second material laid on the first in a dubbing loop, half and half').optional(),
  on: z.enum(['bare', 'thread']).describe('weight wire on the bare shank, or over thread').optional(),
  over: z.enum(['hackle', 'under']).describe('a rib over the hackle, or under it').optional(),
});
const bundle = z.strictObject({
  ...common,
  ...at,
  ...butts,
  construction: z.literal('bundle'),
  pinch: length('diameter squeezed'),
  strands: count('number of strands or fibres', 5000),
  dose: word.describe('sparse, matchstick, thumbnail, half a pencil, a pencil').optional(),
  length: length('from the tie-in to the tip'),
  tip: position('where the tip lies'),
  toward: z.enum(['rear', 'front']).describe('which way its tips lie').optional(),
  angle: quantity('angle away from the shank'),
  ends: z.enum(['even', 'natural', 'staggered', 'torn', 'cut']).optional(),
  stacked: z.boolean().optional(),
  held: z.enum(['bound', 'crossed', 'doubled']).describe('how legs are held').optional(),
  buttsWrapped: z.boolean().describe('butts that run along the shank are wrapped edge to edge').optional(),
  support,
});
const feather = z.strictObject({
  ...common,
  ...at,
  ...butts,
  construction: z.literal('feather'),
  form: z.enum(['pair', 'slips', 'tips', 'single']).optional(),
  perSide: count('feathers a side', 12),
  width: length('width'),
  length: length('from the tie-in to the tip'),
  tip: position('where the tip lies'),
  lie: z.enum(['flat', 'tented', 'sides', 'along-back']).optional(),
  married: z.array(word).min(2).max(12).describe('colours of married strands, top to bottom').optional(),
  angle: quantity('angle away from the shank'),
  support,
  boundBy: word.optional(),
});
const strip = z.strictObject({
  ...common,
  ...at,
  ...butts,
  construction: z.literal('strip'),
  width: length('width of the hide'),
  thickness: length('thickness of the hide'),
  hair: length('length of the hair'),
  length: length('from the tie-in to the tip'),
  tip: position('where the tip lies'),
  boundAt: z.array(relation('a binding, a position relation')).max(12).optional(),
  boundBy: word.optional(),
  angle: quantity('angle away from the shank'),
  support,
  ends: z.enum(['square', 'angled', 'tapered']).optional(),
  first: first('bound'),
});
const hackle = z.strictObject({
  ...common,
  ...at,
  ...span,
  ...butts,
  construction: z.literal('hackle'),
  style: z.enum(['collar', 'palmer', 'throat']).optional(),
  fibre: length('length of the fibres'),
  tip: position('where the fibre tips lie'),
  turns: count('turns', 60),
  by: z.enum(['tip', 'base']).optional(),
  feathers: z.number().int().min(1).max(6).optional(),
  binds: ids,
});
const spun = z.strictObject({
  ...common,
  ...span,
  ...butts,
  construction: z.literal('spun'),
  dose: word.optional(),
  diameter: length('trimmed diameter'),
  tip: position('where the collar ends'),
  flatBelow: z.union([z.boolean(), relation('how far below the shank it is trimmed flat')]).optional(),
  lean: z.number().min(-1).max(1).optional(),
  bands: z
    .array(word)
    .min(2)
    .max(12)
    .describe('colours stacked or packed one behind another, rear to front')
    .optional(),
});
const sheet = z.strictObject({
  ...common,
  ...span,
  ...butts,
  construction: z.literal('sheet'),
  width: length('width'),
  thickness: length('thickness'),
  doubled: z.boolean().optional(),
  first: first('tied in'),
  pads: length('how long its ends are left as pads'),
  padCut: z.enum(['square', 'round', 'notched']).describe('how the pads are cut').optional(),
});
const coat = z.strictObject({
  ...common,
  construction: z.literal('coat'),
  over: word,
  layers: z.number().int().min(1).max(12).optional(),
});

export const partSchema = z.discriminatedUnion('construction', [
  ball,
  wrap,
  bundle,
  feather,
  strip,
  hackle,
  spun,
  sheet,
  coat,
]);
export type Part = z.infer<typeof partSchema>;
export type Construction = Part['construction'];
export type PartOf<C extends Construction> = Extract<Part, { construction: C }>;

/** The keys each construction takes, for naming the nearest right one. */
export const PART_KEYS: Readonly<Record<string, readonly string[]>> = Object.fromEntries(
  partSchema.options.map((option) => [option.shape.construction.value, Object.keys(option.shape)]),
);
