import { z } from 'zod';
import { firstKind } from '../document/index.ts';
import { parseQuantity, type QuantityKind } from '../units/index.ts';
import { moment, quantity } from './measures.ts';

/** One finished fly: what it measures and weighs, how it fell, how it looked, and what became of it. */
const MOST_READINGS = 60;
const MOST_MEASURES = 120;
const MOST_PHOTOS = 12;
const MOST_FALLS = 200;

/** A measure of something that is there. */
const some = (kind: QuantityKind, meaning: string) =>
  quantity(kind, meaning, (value, text) => (value <= 0 ? `"${text}" is nothing: a ${meaning} is more` : null));

/** By what a reading was taken. */
export const TOOLS = ['caliper', 'scale', 'rule', 'photograph'] as const;

const reading = (kind: QuantityKind, meaning: string) =>
  z.union([
    some(kind, meaning),
    z.strictObject({
      value: some(kind, meaning),
      by: z.enum(TOOLS).optional(),
      hand: z.string().min(1).max(80).describe('whose').optional(),
      at: moment('it was taken').optional(),
      simulated: z.boolean().describe('by a stand-in, not by a tool').optional(),
    }),
  ]);
const readings = (kind: QuantityKind, meaning: string) => z.array(reading(kind, meaning)).min(1).max(MOST_READINGS);

const pixel = z.tuple([z.number(), z.number()]);
const RIDES = ['point-down', 'point-up', 'on-its-side'] as const;

const photo = z.strictObject({
  file: z.string().min(1).max(400),
  view: z.enum(['side', 'top', 'front']),
  landmarks: z
    .strictObject({
      eye: pixel,
      bend: pixel,
      point: pixel.optional(),
      left: pixel.describe('the middle of the left eye, from above or from the front').optional(),
      right: pixel.optional(),
    })
    .optional(),
  contour: z.array(pixel).max(20_000).optional(),
  beyond: z
    .record(z.string().min(1).max(80), z.number().min(-1000).max(1000))
    .describe('mm by which lengths were found longer than their outline has them: thin tips reach beyond it')
    .optional(),
  mmPerPx: z
    .number()
    .positive()
    .max(10)
    .describe('how large a pixel is by a ruler or a card beside the fly; absent: by its hook')
    .optional(),
  simulated: z.boolean().describe('rendered by a stand-in, not taken').optional(),
});

const seconds = z
  .string()
  .regex(/^\d+(\.\d+)? ?s$/, 'a time such as "2.5 s"')
  .describe('a time in seconds');

const jar = z.strictObject({
  width: some('length', 'width of the jar'),
  depth: some('length', 'marked depth of the fall'),
  startAbove: some('length', 'height of the start above the upper mark').optional(),
  water: z
    .strictObject({
      kind: z.enum(['fresh', 'brackish', 'salt']).optional(),
      temperature: z.string().max(40).optional(),
    })
    .optional(),
  falls: z
    .array(z.strictObject({ time: seconds, fell: z.enum(RIDES).optional(), rest: z.enum(RIDES).optional() }))
    .max(MOST_FALLS),
  soaked: z.string().max(40).describe('how long it lay in water before it fell').optional(),
  floated: some('time', 'time it floated').describe('how long it floated, laid on dry').optional(),
});

export const VERDICTS = ['keep', 'retie', 'practice'] as const;

export const specimenSchema = z.strictObject({
  format: z.literal('jobbet.specimen'),
  version: z.literal(1),
  fly: z.string().min(1).max(400).describe('a pattern file, or the name of a fly'),
  revision: z.union([z.string().max(80), z.number().int().min(0)]).optional(),
  pattern: z.record(z.string(), z.unknown()).describe('the pattern file itself, as it was when tied').optional(),
  batch: z.string().max(200).optional(),
  number: z.number().int().min(1).max(100_000).describe('which of those it was tied with').optional(),
  tied: moment('it was tied')
    .or(z.string().regex(/^\d{4}-\d{2}-\d{2}$/))
    .optional(),
  hand: z.string().min(1).max(80).optional(),
  lengths: z
    .record(z.string().min(1).max(120), readings('length', 'length'))
    .refine((lengths) => Object.keys(lengths).length <= MOST_MEASURES, `at most ${String(MOST_MEASURES)} measures`)
    .optional(),
  weight: readings('mass', 'dry weight').optional(),
  weightWet: readings('mass', 'weight soaked and shaken').optional(),
  photos: z.array(photo).max(MOST_PHOTOS).optional(),
  jar: jar.optional(),
  looks: z.record(z.string().min(1).max(60), z.string().max(120)).optional(),
  verdict: z.enum(VERDICTS).optional(),
  fromStep: z.string().max(200).describe('the step it is tied again from').optional(),
  note: z.string().max(20_000).optional(),
});

export type SpecimenFile = z.infer<typeof specimenSchema>;
export type Reading = z.infer<ReturnType<typeof reading>>;

export const SPECIMEN_KIND = firstKind('specimen', specimenSchema);

/** What a reading says, in mm or mg. */
export function readingOf(kind: QuantityKind, of: Reading): number {
  const read = parseQuantity(kind, typeof of === 'string' ? of : of.value);
  return read.ok ? read.value : Number.NaN;
}
