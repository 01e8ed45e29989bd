import { bad, good, type Outcome } from '../base/index.ts';
import { parseQuantity, readNumber } from '../units/index.ts';
import type { Lot } from './items.ts';

/**
 * What lies there lot by lot, as it is written in a cell: `slate: 220 mm, 172 mm; black: 3 x 310 mm; grey: 2; 4 pairs; 12 fibres 9 mm`. Lots are parted by semicolons; a
 * colour stands before a colon.
 */

const SIDES: Readonly<Record<string, NonNullable<Lot['side']>>> = {
  left: 'left',
  right: 'right',
  pair: 'pair',
  pairs: 'pair',
};
const SHAPE = /^(?:(\d+(?:[.,]\d+)?)\s*)?(?:(pairs?|left|right)\b\s*)?(?:x\s+)?(?:(fibres?)\b\s*)?(.*)$/i;
const LIKE = 'write it as slate: 220 mm, 172 mm; black: 3 x 310 mm; grey: 2';

/** Parted by a comma and a blank, since a comma alone may stand within a number. */
const lengthsIn = (text: string): string[] =>
  text
    .split(/,\s+/)
    .map((each) => each.trim())
    .filter((each) => each !== '');

function readLot(text: string): Outcome<Lot> {
  const fault = (message: string): Outcome<Lot> => bad({ path: 'stock', code: 'syntax', message });
  const colon = text.indexOf(':');
  const colour = colon < 0 ? '' : text.slice(0, colon).trim();
  const amount = (colon < 0 ? text : text.slice(colon + 1)).trim();
  // A length by itself begins with a number too.
  const alone = parseQuantity('length', lengthsIn(amount)[0] ?? '').ok;
  const [, number, sideWord, fibreWord, rest = ''] = alone
    ? [amount, undefined, undefined, undefined, amount]
    : (SHAPE.exec(amount) ?? []);
  const lengths = lengthsIn(rest);
  const wrong = lengths.find((each) => !parseQuantity('length', each).ok);
  if (wrong !== undefined) return fault(`"${wrong}" is no length; ${LIKE}`);
  const read = number === undefined ? null : readNumber(number, 0);
  const count = read?.value ?? (lengths.length > 0 ? lengths.length : null);
  if (count === null) return fault(`"${text}" says no number and no length; ${LIKE}`);
  if (lengths.length > 1 && lengths.length !== count)
    return fault(
      `"${text}" has ${String(lengths.length)} for a count of ${String(count)}: write one for each, or one that all have`,
    );
  const side = sideWord === undefined ? undefined : SIDES[sideWord.toLowerCase()];
  return good({
    ...(colour === '' ? {} : { colour }),
    count,
    ...(lengths.length === 0 ? {} : fibreWord === undefined ? { lengths } : { fibres: lengths }),
    ...(side === undefined ? {} : { side }),
  });
}

/** Reads the lots of a cell. @returns them, or the first that does not read */
export function readLots(text: string): Outcome<Lot[]> {
  const lots: Lot[] = [];
  for (const part of text.split(';').map((each) => each.trim())) {
    if (part === '') continue;
    const read = readLot(part);
    if (!read.ok) return read;
    lots.push(read.value);
  }
  return good(lots);
}

function lotText({ colour, count, lengths, fibres, side }: Lot): string {
  const told = lengths ?? fibres;
  const each = told?.length === count && lengths !== undefined && side === undefined;
  const words = [
    ...(each ? [] : [String(Math.round(count * 1e6) / 1e6)]),
    ...(side === undefined ? [] : [side === 'pair' ? 'pairs' : side]),
    ...(lengths !== undefined && !each ? ['x'] : []),
    ...(fibres === undefined ? [] : ['fibres']),
    ...(told === undefined ? [] : [told.join(', ')]),
  ];
  return `${colour === undefined ? '' : `${colour}: `}${words.join(' ')}`;
}

/** Lots as a cell writes them. */
export const writeLots = (lots: readonly Lot[]): string => lots.map(lotText).join('; ');
