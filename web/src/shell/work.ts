import { create } from 'zustand';
import type { Watching } from '../api/client.ts';

/** Work that goes on for a while: what it is, how far it is, and the way to stop it. */
interface Work {
  readonly words: string;
  readonly share: number | null;
  readonly stop: () => void;
}

/** What takes less is over before anyone would read of it. */
const SHOWN_AFTER_MS = 300;

export const useWork = create<{ readonly work: Work | null }>()(() => ({ work: null }));

/** Does work that may take a while; once it does, the foot of the window says how far it is and offers to stop it. */
export async function working<T>(words: string, doing: (watching: Watching) => Promise<T>): Promise<T> {
  const ending = new AbortController();
  let share: number | null = null;
  let mine: Work | null = null;
  const show = (): void => {
    mine = {
      words,
      share,
      stop: () => {
        ending.abort();
      },
    };
    useWork.setState({ work: mine });
  };
  const timer = setTimeout(show, SHOWN_AFTER_MS);
  try {
    return await doing({
      signal: ending.signal,
      onShare: (now) => {
        share = now;
        if (mine !== null) show();
      },
    });
  } finally {
    clearTimeout(timer);
    if (mine !== null && useWork.getState().work === mine) useWork.setState({ work: null });
  }
}
