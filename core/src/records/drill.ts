import { z } from 'zod';
import { firstKind } from '../document/index.ts';
import { momentMinutes } from './measures.ts';

/** A round of the drill: what was asked by eye, what was so, and what was given. */
export const DRILLS = ['length', 'density', 'equal', 'order', 'butts', 'ride', 'sink'] as const;
export type DrillOf = (typeof DRILLS)[number];
/** Answers that are mm, shares, lists of parts, and words. */
export const DRILLED_MM: readonly DrillOf[] = ['length', 'butts'];
const SHARES: readonly DrillOf[] = ['density', 'equal'];

const [MOST_ITEMS, MOST_MM, MOST_SECONDS] = [2000, 1000, 86_400] as const;
const answer = z.union([
  z.number().min(-MOST_MM).max(MOST_MM),
  z.string().max(200),
  z.array(z.string().max(200)).max(60),
]);

const item = z.strictObject({
  fly: z.string().min(1).max(200).describe('the fly it was asked of').optional(),
  on: z.string().min(1).max(80).describe('the size of the hook, or what else it was on'),
  platform: z.string().min(1).max(80).describe('single, double, tube, shank or jig').optional(),
  asked: z.string().min(1).max(200).describe('the relation, or what else was asked'),
  direction: z.string().min(1).max(40).describe('behind, ahead or below what it is measured from').optional(),
  truth: answer,
  given: answer,
  seconds: z.number().min(0).max(MOST_SECONDS),
});
export type DrillItem = z.infer<typeof item>;

/** What an answer of a drill has to be, in words; null where it is that. */
function wrongAnswer(of: DrillOf, value: DrillItem['truth']): string | null {
  if (DRILLED_MM.includes(of)) return typeof value === 'number' && value >= 0 ? null : 'is a length in mm';
  if (SHARES.includes(of))
    return typeof value === 'number' && Math.abs(value) <= MOST_SHARE ? null : 'is a share, 0.1 for a tenth';
  if (of === 'order') return Array.isArray(value) ? null : 'is a list of parts';
  return typeof value === 'string' ? null : 'is a word';
}
const MOST_SHARE = 10;

export const drillSchema = z
  .strictObject({
    format: z.literal('jobbet.drill'),
    version: z.literal(1),
    of: z.enum(DRILLS),
    at: z
      .string()
      .max(19)
      .refine((text) => Number.isFinite(momentMinutes(text)), 'is no moment; write it as 2026-03-02T19:30')
      .describe('when it began'),
    hand: z.string().min(1).max(80).describe('whose eye').optional(),
    simulated: z.boolean().describe('made up, nobody answered it').optional(),
    items: z.array(item).max(MOST_ITEMS),
  })
  .superRefine(({ of, items }, into) =>
    items.forEach((each, i) => {
      for (const key of ['truth', 'given'] as const) {
        const wrong = wrongAnswer(of, each[key]);
        if (wrong !== null) into.addIssue({ code: 'custom', path: ['items', i, key], message: `of ${of} ${wrong}` });
      }
    }),
  );
export type DrillFile = z.infer<typeof drillSchema>;

export const DRILL_KIND = firstKind('drill', drillSchema);
