import type { Fault } from '@jobbet/core/base';
import type { Reading } from '@jobbet/core/records';
import { parseQuantity, type QuantityKind } from '@jobbet/core/units';

const textOf = (reading: Reading): string => (typeof reading === 'string' ? reading : reading.value);

/** A reading an instrument sent. @param value mm or mg @param simulated of a stand-in */
export const readingBy = (kind: 'length' | 'mass', value: number, simulated: boolean): Reading => ({
  value: kind === 'length' ? `${value.toFixed(2)} mm` : `${(value / 1000).toFixed(3)} g`,
  by: kind === 'length' ? 'caliper' : 'scale',
  ...(simulated ? { simulated } : {}),
});

/** Readings as they stand in a field: `19.4 mm; 19.6 mm`. */
export const readingsText = (readings: readonly Reading[] | undefined): string =>
  (readings ?? []).map(textOf).join('; ');

/** Bare numbers stand apart by a space; with units or fractions among them by `;` or a comma and a space. */
const apart = (text: string): RegExp => (/^[\d.\s]+$/.test(text) ? /\s+/ : /\s*;\s*|,\s+/);

/**
 * Readings as they were typed, one or several: `19.4; 19.6`. A bare number has the unit that is shown; one that stands there already keeps what
 * is known of it.
 * @param bare the unit of a bare number
 */
export function readReadings(
  text: string,
  kind: Extract<QuantityKind, 'length' | 'mass' | 'time'>,
  bare: string,
  before: readonly Reading[] | undefined,
): { readonly readings: readonly Reading[] } | { readonly faults: readonly Fault[] } {
  const typed = text
    .trim()
    .split(apart(text))
    .filter((each) => each !== '');
  const readings: Reading[] = [];
  for (const each of typed) {
    const whole = /^[\d.,/\s]+$/.test(each) ? `${each} ${bare}` : each;
    const read = parseQuantity(kind, whole);
    if (!read.ok) return { faults: [{ path: '', code: read.code, message: read.message }] };
    if (read.value <= 0) return { faults: [{ path: '', code: 'range', message: `"${each}" is nothing` }] };
    readings.push(before?.find((known) => textOf(known) === whole) ?? whole);
  }
  return { readings };
}
