/** A straight scale from figures to px. */
export interface Scale {
  readonly to: (value: number) => number;
  readonly from: (px: number) => number;
}

export function scaleOf([low, high]: readonly [number, number], [a, b]: readonly [number, number]): Scale {
  const by = high === low ? 0 : (b - a) / (high - low);
  return { to: (value) => a + (value - low) * by, from: (px) => (by === 0 ? low : low + (px - a) / by) };
}

/** Round figures between two, not more than so many. */
export function ticksOf(low: number, high: number, most: number): number[] {
  const rough = Math.max(1e-9, (high - low) / most);
  const ten = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 5, 10].find((each) => each * ten >= rough) ?? 10) * ten;
  const ticks: number[] = [];
  for (let at = Math.ceil(low / step - 1e-9) * step; at <= high + 1e-9; at += step)
    ticks.push(Math.round(at / step) * step);
  return ticks;
}

export const pathOf = (points: readonly (readonly [number, number])[]): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');
