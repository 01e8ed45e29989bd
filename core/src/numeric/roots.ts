/** Halvings, or fewer where the secant gets there first, to within this of the whole interval. */
const NEAR = 1e-9;
const MOST_STEPS = 60;

/**
 * The first zero of a function in [0, to] that it comes down through, found in equal steps and closed in on by the Illinois rule.
 * @returns `to` where it stays above
 */
export function firstFall(excess: (at: number) => number, to: number, steps: number, nothing = 0): number {
  let [low, above] = [0, excess(0)];
  for (let i = 1; i <= steps; i++) {
    const high = (i / steps) * to;
    const value = excess(high);
    if (value > nothing) {
      [low, above] = [high, value];
      continue;
    }
    return closeIn(excess, low, above, high, value, NEAR * to);
  }
  return to;
}

/** The zero that a function comes down through between two places, the first above nothing and the second not, to within `near`. */
export const fallBetween = (excess: (at: number) => number, from: number, to: number, near: number): number =>
  closeIn(excess, from, excess(from), to, excess(to), near);

function closeIn(
  excess: (at: number) => number,
  from: number,
  fromValue: number,
  to: number,
  toValue: number,
  near: number,
): number {
  let [a, fa, b, fb] = [from, fromValue, to, toValue];
  let side = 0;
  for (let i = 0; i < MOST_STEPS && b - a > near; i++) {
    if (fa === fb) break;
    const c = (a * fb - b * fa) / (fb - fa);
    const fc = excess(c);
    if (fc > 0) {
      [a, fa] = [c, fc];
      if (side === 1) fb /= 2;
      side = 1;
    } else {
      [b, fb] = [c, fc];
      if (fc === 0) break;
      if (side === -1) fa /= 2;
      side = -1;
    }
  }
  return b;
}
