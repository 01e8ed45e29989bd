/** Median and 95th percentile of times in ms. */
export function spread(times: readonly number[]): { readonly median: number; readonly p95: number } {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: sorted[Math.floor(sorted.length / 2)] ?? 0, p95: sorted[Math.floor(sorted.length * 0.95)] ?? 0 };
}

/** One line of a benchmark, with its share of what is allowed. */
export function tell(name: string, times: readonly number[], allowedMs: number | null): void {
  const { median, p95 } = spread(times);
  const share =
    allowedMs === null
      ? ''
      : `   ${(median / allowedMs).toFixed(2)} of the ${String(Math.round(allowedMs * 10) / 10)} ms allowed`;
  console.log(`${name.padEnd(60)} median ${median.toFixed(2)} ms   95 % ${p95.toFixed(2)} ms${share}`);
}
