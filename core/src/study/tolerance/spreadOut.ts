/** The value below which a share of some values lies, between neighbours in proportion. @param values in any order @returns NaN for none */
export function quantile(values: ArrayLike<number>, share: number): number {
  const sorted = Float64Array.from(values).sort();
  const at = share * (sorted.length - 1);
  const [low, high] = [sorted[Math.floor(at)], sorted[Math.ceil(at)]];
  return low === undefined || high === undefined ? NaN : low + (high - low) * (at - Math.floor(at));
}

/** How many of some values lie in each of a row of bins of equal breadth. */
export interface Histogram {
  readonly from: number;
  readonly breadth: number;
  readonly counts: readonly number[];
}

const NICE = [1, 2, 5, 10];
const WANTED = 14;

/** Bins of a round breadth that hold all but the outermost of some values; those further out count in the first and last. */
export function histogramOf(values: ArrayLike<number>): Histogram {
  if (values.length === 0) return { from: 0, breadth: 1, counts: [] };
  const [low, high] = [quantile(values, 0.002), quantile(values, 0.998)];
  const rough = Math.max(1e-9, high - low) / WANTED;
  const power = 10 ** Math.floor(Math.log10(rough));
  const breadth = high - low < 1e-9 ? 1 : (NICE.find((each) => each * power >= rough) ?? 10) * power;
  const from = Math.floor(low / breadth) * breadth;
  const bins = Math.max(1, Math.floor((high - from) / breadth) + 1);
  const counts = Array.from({ length: bins }, () => 0);
  for (let i = 0; i < values.length; i++) {
    const bin = Math.min(bins - 1, Math.max(0, Math.floor(((values[i] ?? 0) - from) / breadth)));
    counts[bin] = (counts[bin] ?? 0) + 1;
  }
  return { from, breadth, counts };
}
