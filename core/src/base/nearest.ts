/**
 * Edit distance that counts a swap of neighbours as one slip (optimal string alignment).
 * @example editDistance('tial', 'tail') // 1
 */
export function editDistance(a: string, b: string): number {
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      let best = Math.min((last[j] ?? 0) + 1, (row[j - 1] ?? 0) + 1, (last[j - 1] ?? 0) + cost);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        best = Math.min(best, (before[j - 2] ?? 0) + 1);
      row.push(best);
    }
    before = last;
    last = row;
  }
  return last[b.length] ?? a.length;
}

/** No word that is meant is longer; a longer one is compared with nothing, which would take its time. */
const LONGEST = 80;

/** A word as it is quoted in a sentence: a very long one in part. */
export const clipped = (word: string): string => (word.length > LONGEST ? `${word.slice(0, LONGEST)}…` : word);

/** The candidate that reads most like `name`, or null when none is near enough to suggest, or it is over 80 signs. Case is ignored. */
export function nearest(name: string, candidates: Iterable<string>): string | null {
  if (name.length > LONGEST) return null;
  const wanted = name.toLowerCase();
  let best: string | null = null;
  let bestDistance = Math.max(1, Math.floor(wanted.length * 0.45)) + 1;
  for (const candidate of candidates) {
    const distance = editDistance(wanted, candidate.toLowerCase());
    if (distance < bestDistance) [best, bestDistance] = [candidate, distance];
  }
  return best;
}

/** `; did you mean "tail"?`, or nothing. */
export function suggestion(name: string, candidates: Iterable<string>): string {
  const near = nearest(name, candidates);
  return near === null ? '' : `; did you mean "${near}"?`;
}
