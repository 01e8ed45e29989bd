import { z } from 'zod';
import { DRAWERS, type DrawerItem } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import {
  type BatchFile,
  type BeatFile,
  type DateFile,
  type DrillFile,
  FLY_STATES,
  type OutingFile,
  type SpecimenFile,
} from '../records/index.ts';

/** What the server and its clients hand each other. One schema for each thing that crosses; types are inferred from it. */

/** A pattern file. Whoever uses what was sent reads it by `readFlyValue`, which names every fault; the server sends only what it has read. */
export const patternFile = z
  .unknown()
  .describe('a pattern file, see GET /api/schema.json') as unknown as z.ZodType<FlyFile>;
/** An item of a drawer; `readItem` reads it where it comes in. */
export const drawerItem = z.unknown().describe('an item of the drawer') as unknown as z.ZodType<DrawerItem>;

/** One thing to be settled of a fly, as it is kept with it. */
export const keptCheckSchema = z.object({
  code: z.string().max(100),
  severity: z.enum(['stop', 'warn']),
  costs: z.enum(['fish', 'strength', 'looks']),
  message: z.string(),
});
export type KeptCheck = z.infer<typeof keptCheckSchema>;

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
  /** What is to be settled of it; of flies kept before that was told there is none. */
  checks: z.array(keptCheckSchema).optional(),
  /** In which order it is tied, in short; of flies kept before that was told there is none. */
  order: z.string().max(20_000).optional(),
});
export type FlySummary = z.infer<typeof summarySchema>;

/** What the Box shows of a fly besides its figures and finds it by, and what of the drawers it names, in small letters. */
export const listedSchema = z.object({
  meant: z.enum(['point-up', 'point-down']).nullable(),
  /** Whether it has eyes or cones, which its ride glyph shows. */
  balls: z.boolean(),
  /** Ids, materials and colours of its parts. */
  words: z.string(),
  /** The word it is kept with others by. Lists of before there were any have none. */
  group: z.string().nullable().default(null),
  packet: z.string().nullable(),
  denier: z.number().nullable(),
  school: z.string().nullable(),
  materials: z.array(z.string()),
  /** Constructions of its parts. */
  made: z.array(z.string()),
  sizeOf: z.object({ id: z.string(), size: z.string() }).nullable(),
});
export type Listed = z.infer<typeof listedSchema>;

/** A fly as the server keeps it. Times are ms since 1970. */
export const storedFlySchema = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number().int(),
  file: patternFile,
  summary: summarySchema,
  createdAt: z.number(),
  updatedAt: z.number(),
  deletedAt: z.number().nullable(),
});
export type StoredFly = z.infer<typeof storedFlySchema>;

/**
 * A fly as lists have it: what is shown of it, without its file. One that cannot be solved any more has neither; `broken` says why, and its
 * file can still be had.
 */
export const listedFlySchema = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number().int(),
  summary: summarySchema.nullable(),
  listed: listedSchema.nullable(),
  broken: z.string().nullable(),
  createdAt: z.number(),
  updatedAt: z.number(),
  deletedAt: z.number().nullable(),
});
export type ListedFly = z.infer<typeof listedFlySchema>;
/** A fly of the list that solves. */
export type SoundFly = ListedFly & { readonly summary: FlySummary; readonly listed: Listed };

export const versionKinds = ['created', 'auto', 'saved', 'restored'] as const;

/** One kept version of a fly. */
export const flyVersionSchema = z.object({
  revision: z.number().int(),
  kind: z.enum(versionKinds),
  name: z.string().nullable().describe('what someone called it'),
  file: patternFile,
  summary: summarySchema.nullable(),
  startedAt: z.number(),
  savedAt: z.number(),
});
export type FlyVersion = z.infer<typeof flyVersionSchema>;

/** An item of a drawer as the server keeps it. */
export const storedItemSchema = z.object({
  id: z.string(),
  drawer: z.enum(DRAWERS),
  item: drawerItem,
  revision: z.number().int(),
  updatedAt: z.number(),
});
export type StoredItem = z.infer<typeof storedItemSchema>;

/** What a change in the drawers, or another model, did to a fly: its figures before and after. */
export const flyChangeSchema = z.object({
  flyId: z.string(),
  name: z.string(),
  before: summarySchema,
  after: summarySchema,
});
export type FlyChange = z.infer<typeof flyChangeSchema>;

/** A batch; `readDocument` reads it where it comes in, and names every fault. */
export const batchFile = z.unknown().describe('a batch, see docs/records.md') as unknown as z.ZodType<BatchFile>;

const kept = {
  id: z.string(),
  name: z.string(),
  day: z.string().nullable(),
  revision: z.number().int(),
  createdAt: z.number(),
  updatedAt: z.number(),
  deletedAt: z.number().nullable(),
};

/** A record as the server keeps it. Times are ms since 1970. */
export const storedRecordSchema = <S extends z.ZodType>(record: S) => z.object({ ...kept, record });
export type StoredRecord<T> = Omit<z.infer<ReturnType<typeof storedRecordSchema>>, 'record'> & { readonly record: T };
export type StoredBatch = StoredRecord<BatchFile>;

/** A finished fly. */
export const specimenFile = z
  .unknown()
  .describe('a finished fly, see docs/records.md') as unknown as z.ZodType<SpecimenFile>;
export type StoredSpecimen = StoredRecord<SpecimenFile>;

/** A stretch of water. */
export const beatFile = z.unknown().describe('a beat, see docs/records.md') as unknown as z.ZodType<BeatFile>;
export type StoredBeat = StoredRecord<BeatFile>;
export const dateFile = z.unknown().describe('a date one set, see docs/records.md') as unknown as z.ZodType<DateFile>;
export type StoredDate = StoredRecord<DateFile>;
export const drillFile = z
  .unknown()
  .describe('a round of the drill, see docs/records.md') as unknown as z.ZodType<DrillFile>;
export type StoredDrill = StoredRecord<DrillFile>;

/** Some hours on the water. */
export const outingFile = z.unknown().describe('an outing, see docs/records.md') as unknown as z.ZodType<OutingFile>;
export type StoredOuting = StoredRecord<OutingFile>;

/** A record as lists have it: how far it has come, without its file. One that does not read any more has neither; `broken` says why. */
export const listedRecordSchema = z.object({
  ...kept,
  summary: z
    .object({
      flies: z.number().int(),
      by: z.record(z.enum(FLY_STATES), z.number().int()),
      /** Flies in the box, by what the rows call them. */
      kept: z.record(z.string(), z.number().int()),
    })
    .nullable(),
  broken: z.string().nullable(),
});
export type ListedRecord = z.infer<typeof listedRecordSchema>;

const ms = z.number().min(0);
const byStep = z.record(z.string().max(200), ms);

/** One fly as it was tied: by which sheet, how far, how long each step took, what differed. Known by its fly and when it was begun. Times in ms. */
export const tyingSchema = z.object({
  fly: z.string().min(1).max(80),
  /** The sheet it is tied by: another version of the fly has another. */
  sheet: z.string().max(20),
  begun: z.number().int().min(0),
  /** Which fly of which batch it is: the batch's id and the moment the fly was begun. Absent for a fly by itself. */
  of: z.string().max(300).optional(),
  /** When anything of it changed last. */
  changed: ms.default(0),
  /** How often anything of it changed: of two accounts of one tying the one with more is true, whatever the clocks say. */
  edits: z.number().int().min(0).default(0),
  step: z.string().max(200),
  /** ms spent on each step, by its key. */
  spent: byStep,
  /** Turns counted, by the step's key. */
  counts: byStep,
  /** What differed from the plan, by the step's key. */
  differs: z.record(z.string().max(200), z.string().max(300)),
  /** When what was coated is dry, by the step's key. */
  drying: byStep,
  done: ms.nullable(),
});
export type TyingRecord = z.infer<typeof tyingSchema>;

/** Whether of two accounts of one tying the first is the truer: changed more often, or as often and later. */
export const isTruer = (a: TyingRecord, b: TyingRecord): boolean =>
  a.edits > b.edits || (a.edits === b.edits && a.changed >= b.changed);

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
