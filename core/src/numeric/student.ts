/** Distributions of means and spreads of few readings. */

const LANCZOS = [
  676.5203681218851, -1259.1392167224028, 771.3234287776531, -176.6150291621406, 12.507343278686905,
  -0.13857109526572012, 9.984369578019572e-6, 1.5056327351493116e-7,
];

/** ln Γ(x) for x > 0. Source: C. Lanczos (1964), with seven terms over nine. */
export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const z = x - 1;
  const sum = LANCZOS.reduce((all, term, i) => all + term / (z + i + 1), 0.99999999999980993);
  const t = z + LANCZOS.length - 0.5;
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

const TINY = 1e-300;
const ENOUGH = 1e-14;
const MOST_TERMS = 500;

/** The continued fraction of the incomplete beta function, by Lentz's method. */
function betaFraction(a: number, b: number, x: number): number {
  let c = 1;
  let d = 1 / Math.max(TINY, 1 - ((a + b) * x) / (a + 1));
  let value = d;
  for (let m = 1; m <= MOST_TERMS; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    for (const term of [even, odd]) {
      d = 1 + term * d;
      d = 1 / (Math.abs(d) < TINY ? TINY : d);
      c = 1 + term / c;
      if (Math.abs(c) < TINY) c = TINY;
      value *= d * c;
    }
    if (Math.abs(d * c - 1) < ENOUGH) break;
  }
  return value;
}

/** The regularised incomplete beta function I_x(a, b). */
export function betaShare(a: number, b: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2) ? (front * betaFraction(a, b, x)) / a : 1 - (front * betaFraction(b, a, 1 - x)) / b;
}

/** The regularised lower incomplete gamma function P(a, x), by its series. */
export function gammaShare(a: number, x: number): number {
  if (x <= 0) return 0;
  let term = 1 / a;
  let sum = term;
  for (let n = 1; n < 100_000 && term > sum * ENOUGH; n++) {
    term *= x / (a + n);
    sum += term;
  }
  return Math.min(1, sum * Math.exp(-x + a * Math.log(x) - logGamma(a)));
}

/** Where a rising function comes to a share, by halving. */
function whereShare(of: (x: number) => number, share: number): number {
  let [low, high] = [0, 1];
  while (of(high) < share && high < 1e12) [low, high] = [high, 2 * high];
  for (let i = 0; i < 200 && high - low > 1e-12 * high; i++) {
    const mid = (low + high) / 2;
    if (of(mid) < share) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/** Quantile of Student's t for a share in (0.5, 1). @param freedom degrees of freedom, at least 1 */
export const studentQuantile = (share: number, freedom: number): number =>
  whereShare((t) => 1 - betaShare(freedom / 2, 0.5, freedom / (freedom + t * t)) / 2, share);

/** Quantile of χ². @param freedom degrees of freedom, at least 1 */
export const chiSquareQuantile = (share: number, freedom: number): number =>
  whereShare((x) => gammaShare(freedom / 2, x / 2), share);
