/** A length, a speed or a time with its unit, somewhere in a text. */
const QUANTITY = String.raw`\d[\d.,/ ]*\s*(?:[a-zA-Z"″]+(?:\/s)?)`;

/** A way of saying tackle in words; each `Q` in it is a quantity. */
export const plainly = (pattern: string): RegExp => new RegExp(`^${pattern.replaceAll('Q', `(${QUANTITY})`)}$`, 'i');

/** The parts of a text that reads as a sentence, as the short way of writing has them; the text itself where it does not. */
export function inShort(text: string, pattern: RegExp, before = ''): string {
  const parts = pattern
    .exec(text.trim())
    ?.slice(1)
    .filter((each) => (each as string | undefined) !== undefined);
  return parts ? [before, ...parts.map((each) => each.trim())].filter((each) => each !== '').join(':') : text;
}

const PIECE = plainly(String.raw`Q of Q(?: (nylon|fluorocarbon))?`);

/** A leader in words, `1.8 m of 0.4 mm nylon, 0.9 m of 0.25 mm fluorocarbon`, in the short way. */
export const shortLeader = (text: string): string =>
  text
    .split(/,\s+|,(?=\d*\.?\d+ ?[a-z])| then /i)
    .map((piece) => inShort(piece, PIECE))
    .join(',');
