import { createHash, randomUUID } from 'node:crypto';

/**
 * The id of a new row.
 * @param sentAs a name of the sender’s own, where he gave one: the id is then always the same, so that what is sent twice is laid down once
 */
export function newId(kind: string, sentAs: string | undefined): string {
  if (sentAs === undefined) return randomUUID();
  const hex = createHash('sha256').update(`${kind} ${sentAs}`).digest('hex');
  // As a UUID that is made in a way of its own has it (RFC 9562, version 8).
  return [hex.slice(0, 8), hex.slice(8, 12), `8${hex.slice(13, 16)}`, `8${hex.slice(17, 20)}`, hex.slice(20, 32)].join(
    '-',
  );
}
