/** Pieces cut from what is there: the cutting stock of one dimension. Lengths in mm. */

const EPSILON_MM = 1e-6;
/** So many choices are looked at where the rules of thumb leave something over; then theirs stands. */
const MOST_CHOICES = 20_000;

/** Which piece comes from which length: for each piece the index of the length, or null for one that comes from none. */
export type Layout = readonly (number | null)[];

/** What is left of each length. */
export function leftOf(lengths: readonly number[], pieces: readonly number[], layout: Layout): number[] {
  const left = [...lengths];
  layout.forEach((at, i) => {
    if (at !== null) left[at] = (left[at] ?? 0) - (pieces[i] ?? 0);
  });
  return left;
}

export const isWhole = (layout: Layout): boolean => layout.every((at) => at !== null);

type Choose = (left: readonly number[], piece: number) => number | null;

/** The first length it fits in. */
const firstFit: Choose = (left, piece) => {
  const at = left.findIndex((each) => each + EPSILON_MM >= piece);
  return at < 0 ? null : at;
};

/** The length that it leaves the least of. */
const bestFit: Choose = (left, piece) => {
  let best: number | null = null;
  left.forEach((each, i) => {
    if (each + EPSILON_MM >= piece && (best === null || each < (left[best] ?? Infinity))) best = i;
  });
  return best;
};

/** Pieces laid in turn. */
function lay(lengths: readonly number[], pieces: readonly number[], order: readonly number[], choose: Choose): Layout {
  const left = [...lengths];
  const layout: (number | null)[] = pieces.map(() => null);
  for (const i of order) {
    const piece = pieces[i] ?? 0;
    const at = choose(left, piece);
    layout[i] = at;
    if (at !== null) left[at] = (left[at] ?? 0) - piece;
  }
  return layout;
}

const longestFirst = (pieces: readonly number[]): number[] =>
  pieces.map((_, i) => i).sort((a, b) => (pieces[b] ?? 0) - (pieces[a] ?? 0) || a - b);

/** Shortest lengths first, so that what is begun is used up before a whole one is opened. */
function shortestFirst(lengths: readonly number[]): {
  readonly sorted: readonly number[];
  readonly from: readonly number[];
} {
  const from = lengths.map((_, i) => i).sort((a, b) => (lengths[a] ?? 0) - (lengths[b] ?? 0) || a - b);
  return { sorted: from.map((i) => lengths[i] ?? 0), from };
}

/** More pieces than this are not searched: the rules of thumb lay many small ones as well as anything. */
const MOST_SEARCHED = 200;

/** Looks for a layout of all pieces by trying, the longest first, no two lengths that are alike twice. @returns null where none was found */
function search(lengths: readonly number[], pieces: readonly number[]): Layout | null {
  const order = longestFirst(pieces);
  const left = [...lengths];
  const layout: (number | null)[] = pieces.map(() => null);
  let choices = 0;
  const place = (k: number): boolean => {
    if (k === order.length) return true;
    const i = order[k] ?? 0;
    const piece = pieces[i] ?? 0;
    const tried = new Set<number>();
    for (let at = 0; at < left.length; at++) {
      const here = left[at] ?? 0;
      const key = Math.round(here * 1e6);
      if (here + EPSILON_MM < piece || tried.has(key)) continue;
      if (++choices > MOST_CHOICES) return false;
      tried.add(key);
      left[at] = here - piece;
      layout[i] = at;
      if (place(k + 1)) return true;
      left[at] = here;
      layout[i] = null;
    }
    return false;
  };
  return place(0) ? layout : null;
}

const sum = (values: readonly number[]): number => values.reduce((all, each) => all + each, 0);
const opened = (layout: Layout): number => new Set(layout.filter((at) => at !== null)).size;

/**
 * Lays all pieces on the lengths that are there, none across two: first fit and best fit, the longest piece first, and a search where both
 * leave something over. Of two whole layouts the one that opens fewer lengths, so that what is left over is left in one.
 * @returns a layout of all of them, or null where none was found
 */
export function layAll(lengths: readonly number[], pieces: readonly number[]): Layout | null {
  if (sum(pieces) > sum(lengths) + EPSILON_MM) return null;
  const order = longestFirst(pieces);
  const { sorted, from } = shortestFirst(lengths);
  const back = (layout: Layout): Layout => layout.map((at) => (at === null ? null : (from[at] ?? null)));
  const thumbs = [
    lay(lengths, pieces, order, firstFit),
    lay(lengths, pieces, order, bestFit),
    back(lay(sorted, pieces, order, firstFit)),
  ].filter(isWhole);
  const best = thumbs.sort((a, b) => opened(a) - opened(b))[0];
  return best ?? (pieces.length > MOST_SEARCHED ? null : search(lengths, pieces));
}

/** The least number of lengths that so much has to be cut from: what no layout does better than. */
export function leastOpened(lengths: readonly number[], pieces: readonly number[]): number {
  let rest = sum(pieces) - EPSILON_MM;
  let count = 0;
  for (const each of [...lengths].sort((a, b) => b - a)) {
    if (rest <= 0) break;
    rest -= each;
    count++;
  }
  return count;
}

/** Pieces of one fly after another laid as they come, and the first fly for which what is left does not suffice. */
export interface InTurn {
  readonly layout: Layout;
  /** The index of the fly; null where all are laid. */
  readonly shortAt: number | null;
}

/** Where the pieces of each fly begin, and where the last of them end. @param flies for each piece which fly it is for, those of one fly one after another */
function beginnings(flies: readonly number[]): number[] {
  return [...flies.flatMap((fly, i) => (i === 0 || flies[i - 1] !== fly ? [i] : [])), flies.length];
}

/** Pieces laid as they come, the longest of each fly first, until one finds no room. @returns how many flies are laid, and how */
function layWhileThereIs(lengths: readonly number[], pieces: readonly number[], begins: readonly number[]) {
  const left = [...lengths];
  const layout: (number | null)[] = [];
  for (let k = 0; k + 1 < begins.length; k++) {
    const [from, to] = [begins[k] ?? 0, begins[k + 1] ?? 0];
    for (const own of longestFirst(pieces.slice(from, to))) {
      const at = bestFit(left, pieces[from + own] ?? 0);
      if (at === null) return { count: k, layout: layout.slice(0, from) };
      layout[from + own] = at;
      left[at] = (left[at] ?? 0) - (pieces[from + own] ?? 0);
    }
  }
  return { count: begins.length - 1, layout };
}

/**
 * Lays the pieces of one fly after another. Where one does not fit, all that went before is laid anew before it is said to run out; what comes
 * after that takes what it still finds.
 * @param flies for each piece which fly it is for, those of one fly one after another
 */
export function layInTurn(lengths: readonly number[], pieces: readonly number[], flies: readonly number[]): InTurn {
  const whole = layAll(lengths, pieces);
  if (whole) return { layout: whole, shortAt: null };
  const begins = beginnings(flies);
  let best: { readonly count: number; readonly layout: Layout } = layWhileThereIs(lengths, pieces, begins);
  // The most flies that can be laid when all of them are laid anew.
  let [low, high] = [best.count, begins.length - 2];
  while (low < high) {
    const mid = Math.ceil((low + high) / 2);
    const anew = layAll(lengths, pieces.slice(0, begins[mid]));
    if (anew) {
      best = { count: mid, layout: anew };
      low = mid;
    } else high = mid - 1;
  }
  const left = leftOf(lengths, pieces, best.layout);
  const layout = [...best.layout];
  for (let i = begins[best.count] ?? 0; i < pieces.length; i++) {
    const at = bestFit(left, pieces[i] ?? 0);
    layout[i] = at;
    if (at !== null) left[at] = (left[at] ?? 0) - (pieces[i] ?? 0);
  }
  const missing = layout.indexOf(null);
  return { layout, shortAt: missing < 0 ? null : (flies[missing] ?? null) };
}
