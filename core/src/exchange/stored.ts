import { z } from 'zod';
import { DRAWERS, type DrawerItem } from '../drawers/items.ts';
import type { FlyFile } from '../file/schema.ts';

/** What the server and its clients hand each other. One schema for each thing that crosses; types are inferred from it. */

/** What the Box lists of a fly. Masses mg, speeds mm/s, lengths mm. */
export const summarySchema = z.object({
  platform: z.string(),
  ride: z.enum(['point-down', 'point-up', 'on-its-side', 'undecided']),
  heelDeg: z.number().nullable(),
  sinkMmS: z.number().nullable(),
  sinkClass: z.string().nullable(),
  dryMg: z.number(),
  holdsToMmS: z.number().nullable(),
  parts: z.number().int(),
  shankMm: z.number(),
  gapMm: z.number().nullable(),
  frontMm: z.number(),
  rearMm: z.number(),
  topMm: z.number(),
  bottomMm: z.number(),
});
export type FlySummary = z.infer<typeof summarySchema>;

/** A fly as the server keeps it. `file` is a pattern file, checked where it is read. Times are ms since 1970. */
export const storedFlySchema = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number().int(),
  file: z.unknown(),
  summary: summarySchema,
  createdAt: z.number(),
  updatedAt: z.number(),
  deletedAt: z.number().nullable(),
});
export type StoredFly = Omit<z.infer<typeof storedFlySchema>, 'file'> & { readonly file: FlyFile };

export const versionKinds = ['created', 'auto', 'saved', 'restored'] as const;

/** One kept version of a fly. */
export const flyVersionSchema = z.object({
  revision: z.number().int(),
  kind: z.enum(versionKinds),
  file: z.unknown(),
  summary: summarySchema,
  startedAt: z.number(),
  savedAt: z.number(),
});
export type FlyVersion = Omit<z.infer<typeof flyVersionSchema>, 'file'> & { readonly file: FlyFile };

/** An item of a drawer as the server keeps it. `item` is checked where it is read. */
export const storedItemSchema = z.object({
  id: z.string(),
  drawer: z.enum(DRAWERS),
  item: z.unknown(),
  revision: z.number().int(),
  updatedAt: z.number(),
});
export type StoredItem = Omit<z.infer<typeof storedItemSchema>, 'item'> & { readonly item: DrawerItem };

/** What a change in the drawers did to a fly: its figures before and after. */
export const flyChangeSchema = z.object({
  flyId: z.string(),
  name: z.string(),
  before: summarySchema,
  after: summarySchema,
});
export type FlyChange = z.infer<typeof flyChangeSchema>;

/** The one shape of every error the API answers with. */
export const errorSchema = z.object({
  error: z.object({
    code: z.string(),
    message: z.string(),
    faults: z.array(z.object({ path: z.string(), code: z.string(), message: z.string() })).optional(),
    revision: z.number().int().optional(),
  }),
});
export type ErrorAnswer = z.infer<typeof errorSchema>;
