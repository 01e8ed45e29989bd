import { z } from 'zod';

const name = z.string().trim().min(1).max(80);
const byKey = z.record(z.string().max(200), z.number().min(0).max(1e3));

/** Whose hands: standard deviations other than the usual, fly by fly, by what they are of. */
export const handSchema = z.strictObject({
  name,
  spreads: z.record(z.string().max(80), byKey).describe('by the id of the fly'),
});
export type TyingHand = z.infer<typeof handSchema>;

/** Whose hands they are where nobody said. */
export const OWN_HANDS = 'own';

export const storedHandSchema = handSchema.extend({ revision: z.number().int().min(1) });
export type StoredHand = z.infer<typeof storedHandSchema>;
