/** Figures of a report to the thousandth, and no negative nought. */
export const round = (value: number): number => Math.round(value * 1000) / 1000 + 0;

export const roundOrNone = (value: number | null | undefined): number | null =>
  value === null || value === undefined ? null : round(value);
