/**
 * How small a difference between two things is seen: a weighted up-down staircase with two answers to choose from, which settles where three
 * of four are right. Source: C. Kaernbach, Simple adaptive testing with the weighted up-down method, Perception & Psychophysics 49 (1991).
 */

/** An answer: how large the difference was that was shown, as a share, and whether it was seen. */
export interface Seen {
  readonly share: number;
  readonly right: boolean;
}

/** The staircase settles where so many answers are right. */
export const SETTLES_AT = 0.75;
/** It begins with a difference anyone sees, and stays between these. */
const [FIRST, LEAST, MOST] = [0.4, 0.01, 0.8] as const;
/** A right answer makes the difference smaller by a factor; a wrong one larger by that factor to the power p / (1 − p). */
const STEP = 1.2;
const UP = SETTLES_AT / (1 - SETTLES_AT);
/** The difference that is shown next, going on from all that were answered, whenever that was. */
export function nextShare(seen: readonly Seen[]): number {
  const last = seen.at(-1);
  if (!last) return FIRST;
  const next = last.right ? last.share / STEP : last.share * STEP ** UP;
  return Math.min(MOST, Math.max(LEAST, next));
}

/** Share of a normal distribution below a quantile. Source: W. J. Cody's bound by the series of Abramowitz & Stegun 7.1.26, to 1.5e-7. */
function normalShare(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const erf = 1 - poly * Math.exp(-x * x);
  return z < 0 ? (1 - erf) / 2 : (1 + erf) / 2;
}

/** The quantile of three in four. */
const THREE_QUARTERS = 0.6744897501960817;
/** How steeply seeing grows with the difference: between an eye that grows with it and one that sets in late, so that either is told within a tenth. Judgement. */
const STEEP = 1.2;
/** One in so many answers is a slip of the hand, whatever is seen. */
const SLIPS = 0.02;

/** How likely a difference is told right by an eye that sees `threshold` three times in four. Two answers: half are right by chance. */
export const rightChance = (share: number, threshold: number): number =>
  (1 - SLIPS) * normalShare(THREE_QUARTERS * (share / threshold) ** STEEP) + SLIPS / 2;

function likelihood(seen: readonly Seen[], threshold: number): number {
  return seen.reduce((sum, { share, right }) => {
    const chance = rightChance(share, threshold);
    return sum + Math.log(right ? chance : 1 - chance);
  }, 0);
}

/** From which difference up it is seen three times in four, with its interval, nineteen times in twenty. */
export interface Threshold {
  readonly share: number;
  readonly interval: readonly [low: number, high: number];
  readonly n: number;
}

/** No eye is told by fewer answers. */
const FEWEST = 12;
/** Half the 95 % quantile of χ² with one degree of freedom: by so much the likelihood may be less. */
const DROP = 1.920729;
const GRID = 240;

/** What an eye sees, by likelihood over all answers; null where there are too few, or none was wrong yet. */
export function thresholdOf(seen: readonly Seen[]): Threshold | null {
  if (seen.length < FEWEST || seen.every(({ right }) => right)) return null;
  const at = (i: number): number => (LEAST / 4) * ((4 * MOST * 2) / LEAST) ** (i / GRID);
  const told = Array.from({ length: GRID + 1 }, (_, i) => likelihood(seen, at(i)));
  const best = told.reduce((so, value, i) => (value > (told[so] ?? -Infinity) ? i : so), 0);
  const within = told.flatMap((value, i) => (value >= (told[best] ?? 0) - DROP ? [i] : []));
  return {
    share: at(best),
    interval: [at(within[0] ?? best), at(within.at(-1) ?? best)],
    n: seen.length,
  };
}
