/** So many words are remembered before all are forgotten. */
const MOST = 2000;

/**
 * What is made of words, made once for each: a fly is laid again and again while a hand pulls at it, always in the same words.
 * @param of gives the same for the same words, and plain data that nobody changes
 */
export function remembering<W extends string | undefined, T>(of: (words: W) => T): (words: W) => T {
  const known = new Map<W, T>();
  return (words) => {
    const found = known.get(words);
    if (found !== undefined || known.has(words)) return found as T;
    if (known.size >= MOST) known.clear();
    const made = of(words);
    known.set(words, made);
    return made;
  };
}
