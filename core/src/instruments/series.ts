/** Mean of several readings, how many they are, and their spread (standard deviation of the sample, n − 1), in the unit of the readings. */
export interface Series {
  readonly n: number;
  readonly mean: number;
  /** null for a single reading: one says nothing of a spread. */
  readonly sd: number | null;
}

export function seriesOf(values: readonly number[]): Series | null {
  const n = values.length;
  if (n === 0) return null;
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  if (n === 1) return { n, mean, sd: null };
  return { n, mean, sd: Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (n - 1)) };
}

/**
 * One piece out of a reading of several on the pan together. It is the mean of all of them, of which the spread is unknown.
 * @param value of all @param pieces how many there are
 */
export const shareOf = (value: number, pieces: number): Series | null =>
  pieces >= 1 && Number.isInteger(pieces) ? { n: pieces, mean: value / pieces, sd: null } : null;
