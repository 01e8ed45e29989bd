import type { Fault } from '@jobbet/core/base';
import { parseQuantity } from '@jobbet/core/units';

/** A length that was measured, millimetres where no unit is written; or what is wrong with it. */
export function lengthRead(text: string): { readonly mm: number } | { readonly fault: Fault } {
  const read = parseQuantity('length', /[a-z"″]/i.test(text) ? text : `${text} mm`);
  return read.ok ? { mm: read.value } : { fault: { path: '', code: 'syntax', message: read.message } };
}
