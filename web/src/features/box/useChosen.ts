import { useState } from 'react';
import type { ListedFly } from '../../shared/api/client.ts';

/** Flies chosen to do one thing with all of them. */
export interface Chosen {
  /** In the order they are shown. */
  readonly flies: readonly ListedFly[];
  readonly has: (id: string) => boolean;
  /** Chooses one or lets it go. @param through everything from the last that was chosen to it too */
  readonly toggle: (id: string, through?: boolean) => void;
  /** Chooses all that are shown, or lets all go where they are chosen already. */
  readonly all: () => void;
  readonly none: () => void;
}

/** Ids from one place in a list to another, whichever comes first. */
export function stretchOf(ids: readonly string[], from: string | null, to: string): readonly string[] {
  const [a, b] = [from === null ? -1 : ids.indexOf(from), ids.indexOf(to)];
  return a < 0 || b < 0 ? [to] : ids.slice(Math.min(a, b), Math.max(a, b) + 1);
}

/** @param shown the flies that are shown, in their order: one that is no longer shown is no longer chosen */
export function useChosen(shown: readonly ListedFly[]): Chosen {
  const [ids, setIds] = useState<ReadonlySet<string>>(new Set());
  const [last, setLast] = useState<string | null>(null);
  const flies = shown.filter(({ id }) => ids.has(id));
  const shownIds = shown.map(({ id }) => id);
  return {
    flies,
    has: (id) => ids.has(id),
    toggle: (id, through = false) => {
      const next = new Set(flies.map((fly) => fly.id));
      if (through) for (const each of stretchOf(shownIds, last, id)) next.add(each);
      else if (!next.delete(id)) next.add(id);
      setIds(next);
      setLast(id);
    },
    all: () => setIds(flies.length === shown.length ? new Set() : new Set(shownIds)),
    none: () => setIds(new Set()),
  };
}
