import { betaShare, chiSquareQuantile } from './student.ts';

/** Between two figures, the lesser first. */
export type Interval = readonly [low: number, high: number];

/** Left out of an interval at either end, where nothing else is said: nine times in ten it holds. */
export const TAIL = 0.05;

/** Exact interval of the mean of a Poisson count. Source: Garwood (1936), by χ². @param tail left out at either end */
export const poissonInterval = (count: number, tail = TAIL): Interval => [
  count === 0 ? 0 : chiSquareQuantile(tail, 2 * count) / 2,
  chiSquareQuantile(1 - tail, 2 * count + 2) / 2,
];

const HALVINGS = 80;

/** Quantile of the beta distribution. @param share in (0, 1) */
export function betaQuantile(share: number, a: number, b: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    if (betaShare(a, b, mid) < share) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/** Interval of a share by the prior of Jeffreys; it ends at 0 or 1 where none or all are counted. Source: Brown, Cai and DasGupta (2001). */
export const shareInterval = (count: number, of: number, tail = TAIL): Interval => [
  count === 0 ? 0 : betaQuantile(tail, count + 0.5, of - count + 0.5),
  count === of ? 1 : betaQuantile(1 - tail, count + 0.5, of - count + 0.5),
];

/** Exact interval of a share. Source: Clopper and Pearson (1934). */
export const exactShareInterval = (count: number, of: number, tail = TAIL): Interval => [
  count === 0 ? 0 : betaQuantile(tail, count, of - count + 1),
  count === of ? 1 : betaQuantile(1 - tail, count + 1, of - count),
];

/** A count over so much time. */
export interface Counted {
  readonly count: number;
  readonly hours: number;
}

/**
 * Interval of how many times as often one thing happens as another: given both counts together, the one is binomial by the hours. Source:
 * Przyborowski and Wilenski (1940), with the exact interval of the share.
 */
export function ratioInterval(one: Counted, other: Counted, tail = TAIL): Interval {
  const all = one.count + other.count;
  if (all === 0) return [0, Infinity];
  const times = (share: number): number => (share >= 1 ? Infinity : (share / (1 - share)) * (other.hours / one.hours));
  const [low, high] = exactShareInterval(one.count, all, tail);
  return [times(low), times(high)];
}

/** How likely counts as far apart as these, or further, are where both rates are one: twice the lesser tail. */
export function alikeChance(one: Counted, other: Counted): number {
  const all = one.count + other.count;
  if (all === 0) return 1;
  const share = one.hours / (one.hours + other.hours);
  const least = one.count === 0 ? 1 : betaShare(one.count, all - one.count + 1, share);
  const most = one.count === all ? 1 : 1 - betaShare(one.count + 1, all - one.count, share);
  return Math.min(1, 2 * Math.min(least, most));
}

/**
 * Which of several questions are answered, so that not one of them all is answered wrongly more often than is allowed. Source: Holm (1979).
 * @param chances of each, were there nothing to it
 * @returns for each whether it is answered, and the level it was held against
 */
export function holm(chances: readonly number[], allowed: number): readonly { holds: boolean; level: number }[] {
  const order = chances.map((_, i) => i).sort((a, b) => (chances[a] ?? 1) - (chances[b] ?? 1));
  const told: { holds: boolean; level: number }[] = [];
  let stopped: number | null = null;
  order.forEach((at, i) => {
    const level: number = stopped ?? allowed / (chances.length - i);
    const holds = stopped === null && (chances[at] ?? 1) <= level;
    if (!holds) stopped ??= level;
    told[at] = { holds, level };
  });
  return told;
}
