import { type Fault, MOST_MM, tooLong } from '../../base/index.ts';
import { parseQuantity } from '../../units/index.ts';

/** A length of the platform as written, mm, or null where none is given or a fault was told; it lies above zero and within a metre. */
export function lengthAbove(text: string | undefined, path: string, faults: Fault[]): number | null {
  if (text === undefined) return null;
  const read = parseQuantity('length', text);
  if (!read.ok) faults.push({ path, code: read.code, message: read.message });
  else if (read.value <= 0) faults.push({ path, code: 'range', message: `"${text}" is not above zero` });
  else if (read.value > MOST_MM) faults.push(tooLong(path, read.value));
  else return read.value;
  return null;
}
