import { z } from 'zod';
import { kept } from '../shared/kept/kept.ts';

const fishesHereSchema = z
  .object({
    /** The beat, and the level of its gauge where one was said. */
    where: z.string(),
    /** Flies in the order in which they fish there, with how in a few words. */
    flies: z.array(z.object({ id: z.string(), words: z.string() })),
  })
  .nullable();
export type FishesHere = NonNullable<z.infer<typeof fishesHereSchema>>;

/** How the flies of the box fish where that was asked last, kept in this browser. */
export const fishesHere = kept('jobbet.fishesHere', fishesHereSchema, null);
