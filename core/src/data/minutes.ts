import type { BundleManner } from './kinds.ts';

/**
 * Minutes the work at the vise takes a practised tier: judgement, from the usual count of ten to fifteen minutes for a streamer of seven parts. A tier's
 * own times take their place as soon as there are any.
 */
export const MINUTES = {
  hook: 0.4,
  barb: 0.2,
  thread: 0.4,
  head: 0.8,
  whip: 0.5,
  /** Each coat put on. */
  coat: 0.5,
  /** Tying something on its way to two steps: caught now, finished later. */
  catch: 0.6,
  over: 0.8,
  wind: 0.8,
  /** Whatever else stands on the sheet: turning over, brushing out, clearing the eye. */
  other: 0.3,
} as const;

/** Of a part that is tied in one step, by its construction. */
export const PART_MINUTES = {
  ball: 1.2,
  wrap: 1,
  bundle: 1.6,
  feather: 2.4,
  strip: 1.2,
  hackle: 1.4,
  spun: 5,
  sheet: 0.8,
  coat: 0.5,
} as const;

/** Of a bundle more or less than the usual, by what it is of. */
export const BUNDLE_MINUTES: Readonly<Record<BundleManner, number>> = {
  plume: 1.2,
  hair: 1.8,
  strand: 1,
  leg: 1.4,
  tubing: 1,
};

/** How a batch of them goes: judgement. */
export const BATCH_MINUTES = {
  /** Making ready what one fly takes of one item, beforehand. */
  prepPiece: 0.2,
  /** Bringing another item to hand. */
  change: 0.3,
  /** Taking a hook out of the vise between two steps and putting the next in, half hitched. */
  remount: 0.15,
  /** Flies that are taken through a step together. */
  handful: 6,
  /** Times as long for each doubling of what was done already: a fly after a fly, and a step after the same step. */
  learnFly: 0.96,
  learnStep: 0.93,
  /** No hand gets quicker than this share of its first. */
  quickest: 0.75,
} as const;

type CoatName = 'cement' | 'varnish' | 'resin' | 'epoxy' | 'superglue';

/**
 * How long a coat dries until the next one or the box, minutes: look at the bottle. The first coat of varnish soaks in and dries soonest; each one over
 * it lies thicker. Resin is cured under its lamp while it is held there; a quick epoxy turns on its wheel until it no longer runs, and is hard after that.
 */
const DRY_MINUTES: Readonly<Record<CoatName, readonly number[]>> = {
  superglue: [2],
  cement: [10],
  varnish: [20, 40, 60],
  resin: [0.5],
  epoxy: [30],
};

/** Minutes the nth coat of its kind dries; null for a coat nobody knows. @param nth from 1 */
export function dryMinutes(coat: string, nth: number): number | null {
  const minutes = (DRY_MINUTES as Readonly<Record<string, readonly number[]>>)[coat];
  return minutes?.[Math.min(nth, minutes.length) - 1] ?? null;
}
