import { parseQuantity, readNumber } from '../units/index.ts';
import type { Lot, Mixed } from './items.ts';

/** What of an item counts when it is used up and bought again; every item of the drawers may have it. */
export interface Goods {
  readonly name: string;
  readonly count?: number | undefined;
  readonly price?: number | undefined;
  readonly yield?: string | undefined;
  readonly stock?: readonly Lot[] | undefined;
  readonly soldAs?: string | undefined;
  readonly discontinued?: boolean | undefined;
  readonly lookFor?: string | undefined;
  readonly doFirst?: string | undefined;
  readonly mix?: readonly Mixed[] | undefined;
}

/** What one of an item makes: so many mm, pieces (a pair is two) or flies. */
export interface Yield {
  readonly unit: 'mm' | 'pieces' | 'flies';
  readonly each: number;
}

const COUNTED: readonly (readonly [RegExp, Yield['unit'], number])[] = [
  [/^(pieces?|pcs)$/, 'pieces', 1],
  [/^pairs?$/, 'pieces', 2],
  [/^(fly|flies)$/, 'flies', 1],
];

/**
 * Reads what one of an item makes. @returns null for words that say none: they stay a note
 * @example readYield('0.9 m') // { unit: 'mm', each: 900 }
 * @example readYield('12 pairs') // { unit: 'pieces', each: 24 }
 */
export function readYield(text: string): Yield | null {
  const plain = text.trim().toLowerCase();
  const number = readNumber(plain, 0);
  if (!number || number.ask !== undefined || !(number.value > 0)) return null;
  const word = plain.slice(number.end).trim();
  const counted = COUNTED.find(([names]) => names.test(word));
  if (counted) return { unit: counted[1], each: number.value * counted[2] };
  const length = parseQuantity('length', plain);
  return length.ok && length.value > 0 ? { unit: 'mm', each: length.value } : null;
}

/** Lots of an item that serve a colour, every one where none is asked for; null where nobody counted. */
export function lotsOf({ count, stock }: Goods, colour: string | null): readonly Lot[] | null {
  if (stock === undefined) return count === undefined ? null : [{ count }];
  const wanted = colour?.trim().toLowerCase();
  return stock.filter(
    (lot) => wanted === undefined || lot.colour === undefined || lot.colour.trim().toLowerCase() === wanted,
  );
}

/** Fibres this much shorter or longer than wanted still make the collar (judgement): a step of a hackle gauge. */
export const FIBRE_SHARE = 0.12;

/** Whether fibres of a length serve where others are wanted. */
export const isFibre = (mm: number, wantedMm: number): boolean => Math.abs(mm / wantedMm - 1) <= FIBRE_SHARE;

/** A length of a lot, mm. */
export const mmOf = (text: string): number => {
  const read = parseQuantity('length', text);
  return read.ok ? read.value : 0;
};

/** One figure for each of a lot: its own, or the one all have. */
const each = (given: readonly string[], count: number): number[] =>
  given.length > 1 ? given.map(mmOf) : Array.from({ length: Math.floor(count) }, () => mmOf(given[0] ?? ''));

/** The lengths that lie there, mm, in the order they were written; null where nobody measured them. A part of one that is begun counts as so much of it. */
export function lengthsOf(goods: Goods, colour: string | null): readonly number[] | null {
  const lots = lotsOf(goods, colour);
  const made = goods.yield === undefined ? null : readYield(goods.yield);
  if (!lots) return null;
  const lengths = lots.map((lot): readonly number[] | null => {
    if (lot.lengths) return each(lot.lengths, lot.count);
    if (lot.count === 0) return [];
    if (made?.unit !== 'mm') return null;
    const begun = lot.count - Math.floor(lot.count);
    return [
      ...Array.from({ length: Math.floor(lot.count) }, () => made.each),
      ...(begun > 0 ? [begun * made.each] : []),
    ];
  });
  return lengths.some((found) => found === null) ? null : lengths.flatMap((found) => found ?? []);
}

/** Feathers and other pieces that lie there: each with the length of its fibres where it was measured, and its side. */
export interface Piece {
  readonly fibreMm: number | null;
  readonly side: 'left' | 'right' | null;
}

/** A count that is begun is written to so many places: what comes this near to a whole piece is one. */
const NEAR = 1e-4;

/** Most pieces that are told one by one; nobody counts further. */
const MOST_PIECES = 20_000;

/** Every piece that lies there; null where nobody counted. @param usual pieces that one of `count` makes where the item does not say */
export function piecesOf(goods: Goods, colour: string | null, usual: number | null): readonly Piece[] | null {
  const lots = lotsOf(goods, colour);
  const made = goods.yield === undefined ? null : readYield(goods.yield);
  // A yield that does not read is a note, and what one makes is not known then.
  const perOne = goods.yield === undefined ? usual : made?.unit === 'pieces' ? made.each : null;
  if (!lots) return null;
  const pieces: Piece[] = [];
  for (const lot of lots) {
    const { side } = lot;
    const pair = side === 'pair';
    // Lots of a side or with fibres of a length are counted feather by feather; a pair is two.
    const told = side !== undefined || lot.fibres !== undefined;
    const makes = told ? (pair ? 2 : 1) : perOne;
    if (makes === null) {
      if (lot.count === 0) continue;
      return null;
    }
    const fibres = lot.fibres ? each(lot.fibres, lot.count) : null;
    const count = Math.min(MOST_PIECES - pieces.length, Math.floor(lot.count * makes + NEAR));
    for (let i = 0; i < count; i++)
      pieces.push({
        fibreMm: fibres?.[Math.floor(i / makes)] ?? null,
        side: side === undefined ? null : side === 'pair' ? (i % 2 === 0 ? 'left' : 'right') : side,
      });
  }
  return pieces;
}

/** Flies that what lies there is enough for; null where nobody counted or nobody said. */
export function fliesOf(goods: Goods, colour: string | null): number | null {
  const lots = lotsOf(goods, colour);
  const made = goods.yield === undefined ? null : readYield(goods.yield);
  if (!lots) return null;
  const count = lots.reduce((sum, lot) => sum + lot.count, 0);
  return count === 0 ? 0 : made?.unit === 'flies' ? Math.floor(count * made.each + NEAR) : null;
}
