import Fuse, { type Expression } from 'fuse.js';

/** What something is found by: what it is called, in one way or more, and how much that counts. */
export interface FoundKey<T> {
  readonly weight: number;
  readonly of: (item: T) => string | readonly string[];
}
export type FoundBy<T> = Readonly<Record<string, FoundKey<T>>>;

/** So much of a word may be wrong: one letter of four. Of shorter ones none, so that letters in order are no match. */
const WRONG = 0.25;
/** Shorter matches are none. */
const LEAST = 2;
/** What a word that is only begun counts, of a whole one. */
const BEGUN = 0.8;

const wordsOf = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .split(/[\s,;()/-]+/)
    .filter(Boolean);

interface Named<T> {
  readonly item: T;
  /** Each name of the item as its words, with the weight of its key. */
  readonly names: readonly { readonly weight: number; readonly words: readonly string[] }[];
}

/** How well a typed word tells an item, 0 not at all: the more of a name it is, the better. */
function tells<T>({ names }: Named<T>, typed: string): number {
  let best = 0;
  for (const { weight, words } of names) {
    const word = words.includes(typed) ? 1 : words.some((each) => each.startsWith(typed)) ? BEGUN : 0;
    best = Math.max(best, (weight * word) / words.length);
  }
  return best;
}

/** What one name tells of all that is typed: the more of it is typed, and of the typed is in it, the better. */
function tellsTogether<T>({ names }: Named<T>, typed: readonly string[]): number {
  const shares = names.map(({ weight, words }) => {
    const said = typed.filter((each) => words.some((word) => word.startsWith(each))).length;
    return (weight * said * Math.min(said, words.length)) / words.length;
  });
  return Math.max(...shares);
}

/** Items of which so many of the typed words begin a word, what they tell best first; of those told alike the earlier stays first. */
function begunBy<T>(all: readonly Named<T>[], typed: readonly string[], least = typed.length): readonly T[] {
  return all
    .map((named) => ({ named, told: typed.map((word) => tells(named, word)) }))
    .filter(({ told }) => told.filter((each) => each > 0).length >= least)
    .map(({ named, told }) => ({
      item: named.item,
      sum: told.reduce((sum, each) => sum + each, 0) + tellsTogether(named, typed),
    }))
    .sort((one, other) => other.sum - one.sum)
    .map(({ item }) => item);
}

/** Items in which every typed word is found nearly, the nearest first: for what was mistyped. */
function nearlyBy<T>(items: readonly T[], by: FoundBy<T>): (typed: readonly string[]) => readonly T[] {
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
  return (typed) => {
    const query: Expression = {
      $and: typed.map((word) => ({ $or: Object.keys(by).map((key): Expression => ({ [key]: word })) })),
    };
    return fuse.search(query).map(({ item: { item } }) => item);
  };
}

/**
 * A finder in a list: every word that is typed must begin a word of what an item is called, what is told best first. Where nothing does, what
 * is spelt nearly so; of several words, what some of them tell.
 */
export function finderOf<T>(items: readonly T[], by: FoundBy<T>): (words: string) => readonly T[] {
  const all = items.map((item): Named<T> => ({
    item,
    names: Object.values(by)
      .flatMap(({ weight, of }) => [of(item)].flat().map((name) => ({ weight, words: wordsOf(name) })))
      .filter(({ words }) => words.length > 0),
  }));
  const nearly = nearlyBy(items, by);
  return (text) => {
    const typed = wordsOf(text);
    // A letter by itself among words tells nothing: "as a table".
    const long = typed.filter((word) => word.length >= LEAST);
    const each = long.length > 0 ? long : typed;
    if (each.length === 0) return items;
    const begun = begunBy(all, each);
    if (begun.length > 0) return begun;
    const close = nearly(each);
    return close.length > 0 || each.length < 2 ? close : begunBy(all, each, 1);
  };
}
