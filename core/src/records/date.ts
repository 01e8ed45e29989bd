import { z } from 'zod';
import { firstKind } from '../document/index.ts';
import { day, dayMinutes } from './measures.ts';

/** A time of the year one sets oneself: fish that run, a season that is open, a trip; perhaps again every year, or every other one. */
export const DATE_SORTS = ['run', 'season', 'trip'] as const;
/** Years between one time and the next at most, and days before it by which flies are to be tied. */
const [MOST_YEARS, MOST_DAYS] = [10, 365] as const;

export const dateSchema = z
  .strictObject({
    format: z.literal('jobbet.date'),
    version: z.literal(1),
    name: z.string().min(1).max(120),
    sort: z.enum(DATE_SORTS).describe('fish that run, a season that is open, or a trip'),
    from: day('it begins'),
    to: day('it ends; the same day where nothing is told').optional(),
    every: z
      .int()
      .min(1)
      .max(MOST_YEARS)
      .describe('comes again after so many years; once where nothing is told')
      .optional(),
    tieDays: z.int().min(0).max(MOST_DAYS).describe('flies for it are ready so many days before').optional(),
    note: z.string().min(1).max(4000).optional(),
  })
  .superRefine(({ from, to }, into) => {
    if (to !== undefined && dayMinutes(to) < dayMinutes(from))
      into.addIssue({
        code: 'custom',
        path: ['to'],
        message: `it ends before it begins, on ${to} after ${from}: turn the two about`,
      });
  });
export type DateFile = z.infer<typeof dateSchema>;

export const DATE_KIND = firstKind('date', dateSchema);
