import { parseQuantity } from '@jobbet/core/units';

/** mm of a length as it is written; null for none, NaN for what does not read. */
export function lengthOf(text: string): number | null {
  if (text.trim() === '') return null;
  const read = parseQuantity('length', text);
  return read.ok && read.value > 0 ? read.value : NaN;
}
