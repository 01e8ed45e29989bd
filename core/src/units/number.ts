/** A number found in a text: its value, where it ends, and a question where the way it is written is ambiguous. */
export interface NumberRead {
  readonly value: number;
  readonly end: number;
  readonly ask?: string;
}

export const VULGAR: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

const MIXED = /(\d+)[ \u00a0]+(\d+)\/(\d+)/y;
const FRACTION = /(\d+)\/(\d+)/y;
const DECIMAL = /(\d+(?:[.,]\d+)?|[.,]\d+)(?:[ \u00a0]*([½⅓⅔¼¾⅛⅜⅝⅞]))?/y;

function match(pattern: RegExp, text: string, at: number): RegExpExecArray | null {
  pattern.lastIndex = at;
  return pattern.exec(text);
}

function over(top: string, bottom: string, end: number, whole = '0'): NumberRead {
  const value = Number(whole) + Number(top) / Number(bottom);
  return Number(bottom) === 0 ? { value: 0, end, ask: `"${top}/${bottom}" divides by zero` } : { value, end };
}

/**
 * Reads the number that begins at `at`, as a tier writes it: `1.5`, `1,5`, `.020`, `5/32`, `1 1/2`, `1½`, `⅝`.
 * A comma before three digits (`1,500`) or next to a dot is read but asked back, since it may be a thousand.
 * @returns null when no number begins there.
 * @example readNumber('1 1/2 shank', 0) // { value: 1.5, end: 5 }
 */
export function readNumber(text: string, at: number): NumberRead | null {
  const mixed = match(MIXED, text, at);
  if (mixed) return over(mixed[2] ?? '', mixed[3] ?? '', MIXED.lastIndex, mixed[1]);
  const fraction = match(FRACTION, text, at);
  if (fraction) return over(fraction[1] ?? '', fraction[2] ?? '', FRACTION.lastIndex);
  const vulgar = VULGAR[text[at] ?? ''];
  if (vulgar !== undefined) return { value: vulgar, end: at + 1 };
  const decimal = match(DECIMAL, text, at);
  if (!decimal) return null;
  const end = DECIMAL.lastIndex;
  const written = decimal[1] ?? '';
  const value = Number(written.replace(',', '.')) + (VULGAR[decimal[2] ?? ''] ?? 0);
  const runsOn = /^[.,]\d/.test(text.slice(end, end + 2));
  if (/^\d+,\d{3}$/.test(written) || (runsOn && written.includes(','))) {
    return {
      value,
      end,
      ask: `"${written}" may be a thousand or a decimal; write ${written.replace(',', '.')} or ${written.replace(',', '')}`,
    };
  }
  if (runsOn && text[end] === ',')
    return { value, end, ask: `"${text.slice(at)}" has a dot and a comma; write one of them` };
  return { value, end };
}
