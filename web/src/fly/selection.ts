import type { FlyFile } from '@jobbet/core/pattern';

/** What the inspector shows: the hook and what is said of the whole fly, all there is to say of it, or one part. */
export type Selection =
  | { readonly kind: 'hook' }
  | { readonly kind: 'checks' }
  | { readonly kind: 'part'; readonly id: string };

export const HOOK: Selection = { kind: 'hook' };
export const ALL_CHECKS: Selection = { kind: 'checks' };
export const partCalled = (id: string): Selection => ({ kind: 'part', id });

/** The id of the chosen part; null where none is chosen. */
export const partOf = (selected: Selection): string | null => (selected.kind === 'part' ? selected.id : null);

/** What is chosen of a fly that was just opened. */
export function firstOf({ parts }: FlyFile): Selection {
  const [first] = parts;
  return first ? partCalled(first.id) : HOOK;
}

/** Whether the chosen part is no longer tied on. */
export const isGone = (selected: Selection, { parts }: FlyFile): boolean =>
  selected.kind === 'part' && !parts.some((part) => part.id === selected.id);

/** The one above or below in the tying order; from the checks one comes to the hook, or to the first part. */
export function stepFrom(selected: Selection, { parts }: FlyFile, by: 1 | -1): Selection {
  const at = parts.findIndex((part) => part.id === partOf(selected));
  const next = parts[Math.min(parts.length - 1, at + by)];
  return at + by < 0 || !next ? HOOK : partCalled(next.id);
}

/** What is chosen once a part is off: the one after it, else the one before. */
export function besides({ parts }: FlyFile, id: string): Selection {
  const at = parts.findIndex((part) => part.id === id);
  const next = parts[at + 1] ?? parts[at - 1];
  return next ? partCalled(next.id) : HOOK;
}
