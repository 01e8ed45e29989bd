import { noise } from './random.ts';

/** A spread is cut off so many standard deviations out: what is further off is tied anew. */
export const CUT_SIGMA = 3;

/** Share of a normal distribution beyond the cut, on one side. */
const TAIL = 0.0013498980316300933;

const A = [
  -3.969683028665376e1, 2.209460984245205e2, -2.759285104469687e2, 1.38357751867269e2, -3.066479806614716e1,
  2.506628277459239,
];
const B = [-5.447609879822406e1, 1.615858368580409e2, -1.556989798598866e2, 6.680131188771972e1, -1.328068155288572e1];
const C = [
  -7.784894002430293e-3, -3.223964580411365e-1, -2.400758277161838, -2.549732539343734, 4.374664141464968,
  2.938163982698783,
];
const D = [7.784695709041462e-3, 3.224671290700398e-1, 2.445134137142996, 3.754408661907416];
const LOW = 0.02425;

const poly = (terms: readonly number[], x: number): number => terms.reduce((sum, term) => sum * x + term, 0);

/** Quantile of the standard normal distribution for a share in (0, 1), to 1.2e-9. Source: the rational fit of P. J. Acklam (2003). */
export function normalQuantile(share: number): number {
  if (share > 0.5) return -normalQuantile(1 - share);
  if (share >= LOW) {
    const q = share - 0.5;
    const r = q * q;
    return (poly(A, r) * q) / (poly(B, r) * r + 1);
  }
  const q = Math.sqrt(-2 * Math.log(share));
  return poly(C, q) / (poly(D, q) * q + 1);
}

/** The k-th normal number of fly i, cut at three standard deviations; the same for the same seed, whatever else varies. */
export const normalOf = (seed: number, i: number, k: number): number =>
  normalQuantile(TAIL + noise(seed, i, k) * (1 - 2 * TAIL));
