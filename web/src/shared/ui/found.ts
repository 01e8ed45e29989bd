import Fuse, { type Expression } from 'fuse.js';

/** What something is found by: words, the more they weigh the earlier it stands. */
export type FoundBy<T> = Readonly<Record<string, { readonly weight: number; readonly of: (item: T) => string }>>;

/** So much of a word may be wrong: one letter of four. Of shorter ones none, so that letters in order are no match. */
const WRONG = 0.25;
/** Shorter matches are none. */
const LEAST = 2;

/** A finder in a list: every word that is typed must be found somewhere, the nearest first. */
export function finderOf<T>(items: readonly T[], by: FoundBy<T>): (words: string) => readonly T[] {
  const fuse = new Fuse(
    items.map((item) => ({ item })),
    {
      keys: Object.entries(by).map(([name, { weight, of }]) => ({
        name,
        weight,
        getFn: ({ item }: { item: T }) => of(item),
      })),
      threshold: WRONG,
      ignoreLocation: true,
      minMatchCharLength: LEAST,
    },
  );
  return (words) => {
    const typed = words.trim().split(/\s+/).filter(Boolean);
    // A letter by itself among words tells nothing: "as a table".
    const long = typed.filter((word) => word.length >= LEAST);
    const each = long.length > 0 ? long : typed;
    if (each.length === 0) return items;
    const query: Expression = {
      $and: each.map((word) => ({ $or: Object.keys(by).map((key): Expression => ({ [key]: word })) })),
    };
    return fuse.search(query).map(({ item: { item } }) => item);
  };
}
