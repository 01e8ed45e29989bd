import { z } from 'zod';
import { partSchema, relation } from './parts.ts';

/** The pattern file, version 1: the one description of a fly. Types are inferred from it and the published JSON Schema is generated from it. */
export const FORMAT = 'jobbet.fly';
export const VERSION = 1;
export const MAX_PARTS = 120;

const quantity = (meaning: string) => z.string().min(1).max(40).describe(meaning).optional();

export const hookKeys = {
  packet: z.string().min(1).max(120).describe('a drawer item').optional(),
  size: z.string().min(1).max(6).describe('nominal hook size: 8, 2, 1/0').optional(),
  longX: z.number().int().min(-8).max(10).optional(),
  heavyX: z.number().int().min(-6).max(6).optional(),
  eye: z.enum(['straight', 'up', 'down', 'looped-up', 'looped-down']).optional(),
  bend: z.enum(['round', 'sproat', 'limerick', 'continuous', 'wide-gap']).optional(),
  barb: z.enum(['none', 'pinched', 'full']).optional(),
  finish: z.enum(['bronze', 'japanned', 'nickel', 'stainless', 'tin']).optional(),
  shank: quantity('measured shank'),
  gap: quantity('measured clear gap'),
  wire: quantity('measured wire'),
};
const headSpace = { headSpace: relation('bare shank left for the head, a length relation').optional() };

const single = z.strictObject({ kind: z.literal('single'), ...hookKeys, ...headSpace });
const double = z.strictObject({
  kind: z.literal('double'),
  ...hookKeys,
  ...headSpace,
  splay: quantity('angle between the bends'),
});
const jig = z.strictObject({
  kind: z.literal('jig'),
  ...hookKeys,
  ...headSpace,
  bendUp: z.enum(['60 deg', '90 deg']).optional(),
});
const hookBehind = z.discriminatedUnion('kind', [
  z.strictObject({
    ...hookKeys,
    kind: z.literal('single'),
    ride: z.enum(['point-down', 'point-up', 'free']).optional(),
  }),
  z.strictObject({
    ...hookKeys,
    kind: z.literal('double'),
    splay: quantity('angle between the bends'),
    ride: z.enum(['point-down', 'point-up', 'free']).optional(),
  }),
]);
const tube = z.strictObject({
  kind: z.literal('tube'),
  ...headSpace,
  length: z.string().max(40),
  outside: quantity('outer diameter'),
  inside: quantity('bore'),
  material: z.string().min(1).max(60).optional(),
  hookGap: quantity('from the tube to the hook'),
  hook: hookBehind.optional(),
});
const shank = z.strictObject({
  kind: z.literal('shank'),
  ...headSpace,
  length: z.string().max(40),
  wire: quantity('wire'),
  loop: quantity('length of the loop'),
  loopOf: z.enum(['braid', 'wire']).optional(),
  hook: hookBehind.optional(),
});

export const platformSchema = z.discriminatedUnion('kind', [single, double, jig, tube, shank]);

export const intentSchema = z.strictObject({
  ride: z.enum(['point-up', 'point-down']).optional(),
  trim: z.enum(['nose-first', 'level', 'tail-first']).optional(),
  sink: z.enum(['hang', 'slow', 'medium', 'fast', 'very fast']).optional(),
  depth: quantity('depth it is fished at'),
  current: quantity('side current it must hold'),
  line: z.enum(['floating', 'intermediate', 'sink-tip', 'sinking']).optional(),
  manner: z.enum(['swing', 'strip', 'dead-drift', 'jig', 'hang']).optional(),
  place: z.enum(['point', 'dropper']).optional(),
  water: z
    .strictObject({
      kind: z.enum(['fresh', 'brackish', 'salt']).optional(),
      temperature: quantity('temperature'),
      salinity: quantity('salinity, overrides the kind'),
    })
    .optional(),
});

export const flySchema = z.strictObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  name: z.string().min(1).max(120),
  notes: z.string().max(20_000).optional(),
  group: z.string().min(1).max(60).describe('a word that the box keeps it with others by').optional(),
  intent: intentSchema.optional(),
  school: z.string().min(1).max(60).optional(),
  platform: platformSchema,
  thread: z
    .strictObject({ denier: z.number().min(10).max(1000).optional(), colour: z.string().min(1).max(60).optional() })
    .optional(),
  head: z.enum(['small', 'neat', 'bold']).optional(),
  finish: z
    .strictObject({
      whips: z.number().int().min(0).max(6).optional(),
      glueOnThread: z.boolean().optional(),
      varnishBetween: z.boolean().describe('a drop of varnish between two whips').optional(),
      coats: z
        .array(z.enum(['cement', 'varnish', 'resin', 'epoxy', 'superglue']))
        .max(12)
        .optional(),
    })
    .optional(),
  parts: z.array(partSchema).max(MAX_PARTS),
  sizeOf: z
    .strictObject({
      fly: z.string().min(1).max(120).describe('name of the fly whose run it is a size of'),
      id: z.string().min(1).max(80).optional().describe('its id in the box it was saved from'),
      size: z.string().min(1).max(40).describe('the size as it stands in the run, such as double:6'),
    })
    .optional(),
  measured: z
    .strictObject({
      dragFactor: z.number().min(0.2).max(5).describe('times the computed drag, by a timed sink test').optional(),
      waterFactor: z.number().min(0).max(5).describe('times the water its soft parts keep, by a wet scale').optional(),
    })
    .optional(),
  mutes: z
    .array(z.strictObject({ code: z.string().min(1).max(60), reason: z.string().min(1).max(400) }))
    .max(60)
    .optional(),
});

export type FlyFile = z.infer<typeof flySchema>;
export type PlatformFile = FlyFile['platform'];
export type HookFile = Extract<PlatformFile, { kind: 'single' | 'double' }>;
/** What any hook may be told by, in its own right or behind a tube or shank. */
export type HookKeys = Omit<z.infer<typeof single>, 'kind' | 'headSpace'>;
export type Intent = z.infer<typeof intentSchema>;
