import { readNumber } from './number.ts';
import { parseQuantity, type QuantityKind } from './quantity.ts';

/** What someone typed where a figure goes: nothing, a figure, or something else and why it is none. */
export type Typed =
  | { readonly is: 'nothing' }
  | { readonly is: 'figure'; readonly value: number }
  | { readonly is: 'wrong'; readonly message: string };

/** What a figure must be besides, in the unit it is returned in. */
export interface Within {
  readonly above?: number;
  readonly least?: number;
  readonly most?: number;
}

const NOTHING: Typed = { is: 'nothing' };
const wrong = (message: string): Typed => ({ is: 'wrong', message });

function figure(value: number, text: string, { above = -Infinity, least = -Infinity, most = Infinity }: Within): Typed {
  if (value <= above) return wrong(`"${text}" is not above ${String(above)}`);
  if (value < least) return wrong(`"${text}" is below ${String(least)}`);
  if (value > most) return wrong(`"${text}" is above ${String(most)}`);
  return { is: 'figure', value };
}

/**
 * A quantity as typed in a field or on a command line.
 * @param more within what it must be, and the unit of a bare number; where there is none to be meant, a bare number is wrong
 * @returns the value in mm, mg, degrees, mm/s, °C or g/kg
 * @example readTyped('length', '85,6', { bare: 'mm' }) // { is: 'figure', value: 85.6 }
 */
export function readTyped(kind: QuantityKind, text: string, more: Within & { readonly bare?: string } = {}): Typed {
  const { bare, ...within } = more;
  const trimmed = text.trim();
  if (trimmed === '') return NOTHING;
  const read = parseQuantity(kind, trimmed);
  if (read.ok) return figure(read.value, trimmed, within);
  if (read.code === 'no-unit' && bare !== undefined) return readTyped(kind, `${trimmed} ${bare}`, within);
  return wrong(read.message);
}

/** A plain number as typed: with a comma or a dot, a fraction, a sign. @example readTypedNumber('−4,5') // { is: 'figure', value: -4.5 } */
export function readTypedNumber(text: string, within: Within = {}): Typed {
  const trimmed = text.trim();
  if (trimmed === '') return NOTHING;
  const minus = /^[-−]/.test(trimmed);
  const number = readNumber(trimmed, minus ? 1 : 0);
  if (number?.end !== trimmed.length) return wrong(`"${trimmed}" is not a number`);
  if (number.ask !== undefined) return wrong(number.ask);
  return figure(minus ? -number.value : number.value, trimmed, within);
}

/** The figure typed, or null for nothing and for what is none. */
export const figureOf = (typed: Typed): number | null => (typed.is === 'figure' ? typed.value : null);

/**
 * What was typed, with the unit where it is a bare number; all else as it is. A number that is ambiguous stays bare, to be asked back.
 * @example withUnit('1/8', 'in') // '1/8 in'
 */
export function withUnit(text: string, unit: string): string {
  const trimmed = text.trim();
  const number = readNumber(trimmed, /^[-−]/.test(trimmed) ? 1 : 0);
  return number?.end === trimmed.length && number.ask === undefined ? `${trimmed} ${unit}` : text;
}
