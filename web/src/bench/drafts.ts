import type { FlyFile } from '@jobbet/core';

/** Work not yet on the server, kept on this device from the moment it is done. */
export interface Draft {
  readonly file: FlyFile;
  readonly revision: number;
  readonly at: number;
}

const PREFIX = 'jobbet.draft';
const TAB_KEY = 'jobbet.tab';
/** A draft of another tab this old has been left behind: a tab that is open saves or writes again within seconds. */
const LEFT_BEHIND_MS = 60_000;

/** This tab's own name; it outlives a reload, so that a reloaded tab finds its own work. */
function tab(): string {
  const known = sessionStorage.getItem(TAB_KEY);
  if (known !== null) return known;
  const made = `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`;
  sessionStorage.setItem(TAB_KEY, made);
  return made;
}

const ownKey = (id: string): string => `${PREFIX}.${id}.${tab()}`;

function read(key: string): Draft | null {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Draft | null;
  } catch {
    return null;
  }
}

/** Keeps what is on the bench; each tab has its own, so that none overwrites another's. */
export function keepDraft(id: string, draft: Draft): void {
  localStorage.setItem(ownKey(id), JSON.stringify(draft));
}

export function dropDraft(id: string): void {
  localStorage.removeItem(ownKey(id));
}

/** This tab's draft of a fly, else the newest that a closed tab left behind, which becomes this tab's own. */
export function takeDraft(id: string, now = Date.now()): Draft | null {
  const own = read(ownKey(id));
  if (own) return own;
  const left = Object.keys(localStorage)
    .filter((key) => key.startsWith(`${PREFIX}.${id}.`))
    .flatMap((key) => {
      const draft = read(key);
      return draft && now - draft.at > LEFT_BEHIND_MS ? [{ key, draft }] : [];
    })
    .sort((a, b) => b.draft.at - a.draft.at)[0];
  if (!left) return null;
  localStorage.removeItem(left.key);
  keepDraft(id, left.draft);
  return left.draft;
}
