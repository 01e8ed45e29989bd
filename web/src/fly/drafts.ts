import type { FlyFile } from '@jobbet/core/pattern';
import { z } from 'zod';
import { browserStore, kept, tabStore, type Kept } from '../shared/kept/kept.ts';

/** Work not yet on the server, kept on this device from the moment it is done. The file is read anew where it is taken up. */
const draftSchema = z.object({
  file: z.record(z.string(), z.unknown()),
  revision: z.number().int().min(0),
  at: z.number(),
});
export type Draft = z.infer<typeof draftSchema>;

/** A draft that lies on this device: of which fly, and under which key. */
export interface LeftDraft {
  readonly key: string;
  readonly fly: string;
  readonly draft: Draft;
}

const PREFIX = 'jobbet.draft.';
/** What could not be taken up stands under this, where no later draft goes over it. */
const ASIDE = 'jobbet.aside.';
/** A draft of another tab this old has been left behind: a tab that is open saves or writes again within seconds. */
const LEFT_BEHIND_MS = 60_000;

const ownName = kept('jobbet.tab', z.string().nullable(), null, tabStore);

/** This tab's own name; it outlives a reload, so that a reloaded tab finds its own work. */
function tab(): string {
  const name = ownName.read() ?? `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}`;
  ownName.write(name);
  return name;
}

const placeOf = (key: string): Kept<Draft | null> => kept(key, draftSchema.nullable(), null);
const own = (id: string): Kept<Draft | null> => placeOf(`${PREFIX}${id}.${tab()}`);

/** Keeps what is on the bench; each tab has its own, so that none overwrites another's. @returns whether it outlives this page */
export const keepDraft = (id: string, draft: { file: FlyFile; revision: number; at: number }): boolean =>
  own(id).write(draft);

export const dropDraft = (id: string): void => {
  own(id).remove();
};

/** What tabs that are gone left behind, and what could not be taken up, the newest first. */
export function leftDrafts(now = Date.now()): LeftDraft[] {
  const mine = `.${tab()}`;
  return browserStore
    .keys()
    .flatMap((key): LeftDraft[] => {
      const aside = key.startsWith(ASIDE);
      if (!aside && (!key.startsWith(PREFIX) || key.endsWith(mine))) return [];
      const draft = placeOf(key).read();
      const name = key.slice((aside ? ASIDE : PREFIX).length);
      const fly = name.slice(0, name.lastIndexOf('.'));
      return draft && (aside || now - draft.at > LEFT_BEHIND_MS) ? [{ key, fly, draft }] : [];
    })
    .sort((a, b) => b.draft.at - a.draft.at);
}

export const dropLeft = ({ key }: LeftDraft): void => {
  placeOf(key).remove();
};

/** Puts back what was dropped. */
export const keepLeft = ({ key, draft }: LeftDraft): void => {
  placeOf(key).write(draft);
};

/** This tab's draft of a fly, else the newest that a closed tab left behind, which becomes this tab's own. */
export function takeDraft(id: string, now = Date.now()): Draft | null {
  const mine = own(id).read();
  if (mine) return mine;
  const left = leftDrafts(now).find((each) => each.fly === id && each.key.startsWith(PREFIX));
  if (!left) return null;
  dropLeft(left);
  own(id).write(left.draft);
  return left.draft;
}

/** Puts this tab's draft of a fly where it stays until someone settles it. */
export function putAside(id: string, draft: Draft): void {
  placeOf(`${ASIDE}${id}.${draft.at.toString(36)}`).write(draft);
  dropDraft(id);
}
