/** Where a line lies between two edges, and what it stands for. */
interface Line {
  readonly at: number;
  readonly weight: number;
}

const rules = new Map<number, readonly Line[]>();

/** Fejér's first rule on [−1, 1]: its places are dense at both ends, where a chord begins as the root of the distance. */
export function fejer(count: number): readonly Line[] {
  const known = rules.get(count);
  if (known) return known;
  const lines = Array.from({ length: count }, (_, i): Line => {
    const t = ((i + 0.5) / count) * Math.PI;
    let sum = 0;
    for (let j = 1; j <= count >> 1; j++) sum += Math.cos(2 * j * t) / (4 * j * j - 1);
    return { at: -Math.cos(t), weight: (2 / count) * (1 - 2 * sum) };
  });
  rules.set(count, lines);
  return lines;
}
