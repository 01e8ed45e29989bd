import { readNumber } from '../../units/index.ts';

/** Units of relations as people write more than one of them. */
const PLURAL = /\b(shank|gap|station|hook)s\b/gi;
/** `120 % of`, `1¼x`, `1.2 × `: how many times, in front of what it is times of. */
const TIMES = /^\s*(%|[x×])\s*(?:of\s+)?(?:the\s+)?/i;

/**
 * A relation as people write it, in the words of the grammar: plurals, percent, times. What is times of nothing is times of the shank.
 * @example loose('120 %') // '1.2 shank'
 * @example loose('1¼x gap') // '1¼ gap'
 */
export function loose(text: string): string {
  const plain = text.replace(PLURAL, '$1');
  const number = readNumber(plain, 0);
  const times = number && TIMES.exec(plain.slice(number.end));
  if (!number || number.ask !== undefined || !times) return plain;
  const written = times[1] === '%' ? String(Math.round(number.value * 1e4) / 1e6) : plain.slice(0, number.end);
  return `${written} ${plain.slice(number.end + times[0].length).trim() || 'shank'}`;
}
