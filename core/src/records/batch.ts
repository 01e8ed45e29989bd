import { z } from 'zod';
import { firstKind } from '../document/index.ts';
import { clock, clockMinutes, day, moment, share } from './measures.ts';

/** A batch: which flies, on what, how many of each, on which evenings; and how far it has come. */
export const MOST_ROWS = 200;
export const MOST_OF_A_ROW = 10_000;
export const MOST_FLIES = 20_000;
const MOST_EVENINGS = 400;
const MOST_COATS = 12;
export const MOST_PLACES = 1000;
const MOST_MINUTES = 10_000;

const minutes = (meaning: string) => z.number().min(0).max(MOST_MINUTES).describe(meaning);

const given = z
  .strictObject({
    hands: minutes('from the hook in the vise to the fly out of it'),
    coats: z
      .array(z.strictObject({ hands: minutes('putting the coat on'), dry: minutes('until it may be touched') }))
      .max(MOST_COATS)
      .optional(),
  })
  .describe('the times of one fly; then there is no setting up, learning or prep');

/** What one part, the thread, the head or the platform has otherwise: its keys, or nothing for a part that is left out. */
const changes = z.union([z.null(), z.string().max(120), z.record(z.string().max(40), z.unknown())]);

const row = z.strictObject({
  fly: z.string().min(1).max(400).describe('a pattern file, or the name of a fly'),
  revision: z.union([z.string().max(80), z.number().int().min(0)]).optional(),
  pattern: z.record(z.string(), z.unknown()).describe('the pattern file itself, as it was when planned').optional(),
  on: z.string().min(1).max(40).describe('a size as a size run takes it: 6, double:6, tube:28mm').optional(),
  count: z.number().int().min(1).max(MOST_OF_A_ROW).describe('good flies'),
  hold: z.enum(['shape', 'ride', 'sink']).optional(),
  shade: z.record(z.string().min(1).max(60), changes).describe('by part, or thread, head, platform').optional(),
  minutes: given.optional(),
});

const evening = z
  .strictObject({ date: day('the day'), from: clock('begins'), to: clock('ends') })
  .superRefine(({ from, to }, into) => {
    if (clockMinutes(to) <= clockMinutes(from))
      into.addIssue({
        code: 'custom',
        path: ['to'],
        message: `"${to}" is no later than "${from}", when it begins: an evening ends after it begins`,
      });
  });

/** How much of an item is laid out: what this evening's flies take, or all. */
export const LAID_OUT = ['tonight', 'all'] as const;

export const FLY_STATES = ['to-come', 'vise', 'drying', 'kept', 'spoilt', 'apart'] as const;

const progress = z.strictObject({
  row: z.number().int().min(1).max(MOST_ROWS),
  n: z.number().int().min(1).max(MOST_FLIES),
  evening: day('the evening it was put on').optional(),
  pinned: z.boolean().describe('stays on its evening').optional(),
  state: z.enum(FLY_STATES).optional(),
  begun: moment('it was begun; what it took of the drawers is kept by that').optional(),
  coats: z.array(moment('a coat was put on')).max(MOST_COATS).optional(),
  specimen: z.string().min(1).max(200).optional(),
});

export const batchSchema = z
  .strictObject({
    format: z.literal('jobbet.batch'),
    version: z.literal(1),
    name: z.string().min(1).max(120),
    date: day('by when').optional(),
    notes: z.string().max(20_000).optional(),
    rows: z.array(row).min(1).max(MOST_ROWS),
    spoil: share('share that is spoilt', 0.9).optional(),
    evenings: z.array(evening).max(MOST_EVENINGS).optional(),
    way: z.enum(['one-by-one', 'by-steps']).optional(),
    rack: z.number().int().min(1).max(MOST_PLACES).describe('flies that may dry at once').optional(),
    laidOut: z
      .record(z.string().min(1).max(200), z.enum(LAID_OUT))
      .describe('what is made ready already, by the item and its colour')
      .optional(),
    flies: z.array(progress).max(MOST_FLIES).optional(),
  })
  .superRefine(({ rows, flies }, into) => {
    const seen = new Set<string>();
    for (const [i, each] of (flies ?? []).entries()) {
      const at = (key: string, message: string): void => {
        into.addIssue({ code: 'custom', path: ['flies', i, key], message });
      };
      const key = `${String(each.row)}/${String(each.n)}`;
      if (each.row > rows.length) at('row', `there is no row ${String(each.row)}; the last is ${String(rows.length)}`);
      else if (seen.has(key)) at('n', `fly ${String(each.n)} of row ${String(each.row)} is there twice`);
      seen.add(key);
    }
  });

export type BatchFile = z.infer<typeof batchSchema>;
export type BatchRow = BatchFile['rows'][number];
export type FlyProgress = NonNullable<BatchFile['flies']>[number];

export const BATCH_KIND = firstKind('batch', batchSchema);
