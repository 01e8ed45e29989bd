/**
 * A fault a user can read: where it is, what is wrong, what would be right.
 * `path` is the place in the pattern file (`parts[2].length`), empty for the file as a whole.
 */
export interface Fault {
  readonly path: string;
  readonly code: FaultCode;
  readonly message: string;
}

export type FaultCode =
  | 'json'
  | 'size'
  | 'depth'
  | 'version'
  | 'unknown-key'
  | 'missing'
  | 'type'
  | 'choice'
  | 'range'
  | 'syntax'
  | 'ambiguous'
  | 'no-unit'
  | 'unknown-name'
  | 'cycle'
  | 'negative'
  | 'order'
  | 'duplicate-id'
  | 'reserved-id'
  | 'material'
  | 'not-built'
  | 'contradiction'
  | 'interrupted'
  | 'picture';

/** A value, or the faults that kept it from being one. */
export type Outcome<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly faults: readonly Fault[] };

export const good = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const bad = (...faults: Fault[]): { readonly ok: false; readonly faults: readonly Fault[] } => ({
  ok: false,
  faults,
});

/** One line per fault, the path first: the form the command line prints. */
export const faultLine = (fault: Fault): string =>
  fault.path === '' ? fault.message : `${fault.path}: ${fault.message}`;
