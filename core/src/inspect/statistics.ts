import { chiSquareQuantile, studentQuantile } from '../numeric/index.ts';

/** What several readings of one thing come to. */
export interface Summary {
  readonly n: number;
  readonly mean: number;
  /** Of the sample; null of one reading. */
  readonly sd: number | null;
}

const sum = (values: readonly number[]): number => values.reduce((all, each) => all + each, 0);
export const meanOf = (values: readonly number[]): number => sum(values) / values.length;

export function summary(values: readonly number[]): Summary {
  const n = values.length;
  const mean = meanOf(values);
  return { n, mean, sd: n < 2 ? null : Math.sqrt(sum(values.map((each) => (each - mean) ** 2)) / (n - 1)) };
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 === 1 ? (sorted[mid] ?? 0) : ((sorted[mid - 1] ?? 0) + (sorted[mid] ?? 0)) / 2;
}

/** A normal deviate's median absolute deviation, in standard deviations. */
const MAD_OF_SIGMA = 0.6745;
/** Beyond so many of them a reading is asked about. Source: B. Iglewicz & D. Hoaglin, How to Detect and Handle Outliers (1993). */
const ASKED_BEYOND = 3.5;

/**
 * Readings far from the others: to be asked about, none is left out. Of fewer than three nothing can be said.
 * @param finest what the tool tells apart, in the unit of the readings: nothing nearer than a few of those is far
 */
export function farReadings(values: readonly number[], finest: number): readonly number[] {
  if (values.length < 3) return [];
  const mid = median(values);
  const spread = Math.max(median(values.map((each) => Math.abs(each - mid))), finest * MAD_OF_SIGMA);
  return values.filter((each) => (MAD_OF_SIGMA * Math.abs(each - mid)) / spread > ASKED_BEYOND);
}

export type Interval = readonly [low: number, high: number];

/** Where the mean lies, 19 times in 20; null of fewer than two. */
export function meanInterval(values: readonly number[]): Interval | null {
  const { n, mean, sd } = summary(values);
  if (sd === null) return null;
  const by = (studentQuantile(0.975, n - 1) * sd) / Math.sqrt(n);
  return [mean - by, mean + by];
}

/** Where the standard deviation lies, 19 times in 20; null of fewer than two. */
export function spreadInterval(values: readonly number[]): Interval | null {
  const { n, sd } = summary(values);
  if (sd === null) return null;
  const at = (share: number): number => sd * Math.sqrt((n - 1) / chiSquareQuantile(share, n - 1));
  return [at(0.975), at(0.025)];
}

/** From so many on a chart of individuals has limits. */
export const LEAST_LIMITS = 8;
/** Limits of individuals lie so many mean moving ranges from the mean: 3/d₂ with d₂ = 1.128. Source: W. Shewhart; ISO 7870-2. */
const LIMIT_RANGES = 2.66;
const D2 = 1.128;

export interface Limits {
  readonly low: number;
  readonly high: number;
  /** The spread from one to the next, which drift does not widen. */
  readonly sigma: number;
}

/** Control limits of individuals in their order; null of fewer than eight. */
export function limitsOf(values: readonly number[]): Limits | null {
  if (values.length < LEAST_LIMITS) return null;
  const moving = meanOf(values.slice(1).map((each, i) => Math.abs(each - (values[i] ?? 0))));
  const mean = meanOf(values);
  return { low: mean - LIMIT_RANGES * moving, high: mean + LIMIT_RANGES * moving, sigma: moving / D2 };
}

/** How a measure drifts from fly to fly. */
export interface Drift {
  /** In its unit a fly. */
  readonly perFly: number;
  /** The place from which on it does, from 0. */
  readonly from: number;
}

/** The slope of a line through the later ones, with the earlier held level where the line begins; and what is left over. */
function hinged(values: readonly number[], at: readonly number[], from: number): { slope: number; left: number } {
  const x = at.map((each) => Math.max(0, each - (at[from] ?? 0)));
  const [mx, my] = [meanOf(x), meanOf(values)];
  const sxx = sum(x.map((each) => (each - mx) ** 2));
  const slope = sxx === 0 ? 0 : sum(x.map((each, i) => (each - mx) * ((values[i] ?? 0) - my))) / sxx;
  const left = sum(values.map((each, i) => (each - my - slope * ((x[i] ?? 0) - mx)) ** 2));
  return { slope, left };
}

/** Fewer than these are only plotted. */
const LEAST_DRIFT = 4;

/**
 * Drift told from scatter: the slope over all of them, where its interval of 95 % leaves out nothing; and from which one on, where a line that
 * begins there leaves less than half of what a line through all of them leaves. Null where none can be told.
 * @param at the number of each fly, rising
 */
export function driftOf(values: readonly number[], at: readonly number[]): Drift | null {
  const n = values.length;
  if (n < LEAST_DRIFT) return null;
  const whole = hinged(values, at, 0);
  const mx = meanOf(at);
  const sxx = sum(at.map((each) => (each - mx) ** 2));
  const error = Math.sqrt(whole.left / (n - 2) / sxx);
  if (!(Math.abs(whole.slope) > studentQuantile(0.975, n - 2) * error)) return null;
  let best = { ...whole, from: 0 };
  for (let from = 1; from + 3 <= n; from++) {
    const line = hinged(values, at, from);
    if (line.left < 0.5 * whole.left && line.left < best.left) best = { ...line, from };
  }
  return { perFly: best.slope, from: best.from };
}
