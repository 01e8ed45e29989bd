import { useEffect, useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { createPost, unsentOf } from './post.ts';
import type { TyingRecord } from '@jobbet/core/contract';
import { mergedTyings } from '@jobbet/core/tying';

export const post = createPost(api.keepTying);

const keyOf = (fly: string): string => `tyings/${fly}`;

interface Tyings {
  /** Null until the box has answered or cannot. */
  readonly tyings: readonly TyingRecord[] | null;
  readonly remove: (tying: TyingRecord) => Promise<void>;
  /** Puts one back that was taken out. */
  readonly restore: (tying: TyingRecord) => Promise<void>;
}

/** How a fly was tied so far: what the box has, and what has not come there yet. */
export function useTyings(fly: string): Tyings {
  const key = keyOf(fly);
  const { data, error } = useSWR<TyingRecord[], unknown>(key, () => api.tyings(fly));
  useEffect(() => {
    void post.sendAll().then(() => mutate(key));
    const leave = (): void => void post.sendAll();
    window.addEventListener('pagehide', leave);
    window.addEventListener('online', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('online', leave);
      // What was kept at the vise is in the box by the time the sheet asks for it.
      void post.sendAll().then(() => mutate(key));
    };
  }, [key]);
  const tyings = useMemo(
    () => (data || error !== undefined ? mergedTyings(data ?? [], unsentOf(fly)) : null),
    [data, error, fly],
  );
  return {
    tyings,
    remove: async (tying) => {
      await api.removeTying(tying);
      await mutate(key);
    },
    restore: async (tying) => {
      await api.keepTying(tying);
      await mutate(key);
    },
  };
}
