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
  const stop = (): void => ending.abort();
  const mine: { shown: Work | null; share: number | null } = { shown: null, share: null };
  const show = (): void => {
    mine.shown = { words, share: mine.share, stop };
    useWork.setState({ work: mine.shown });
  };
  const timer = setTimeout(show, SHOWN_AFTER_MS);
  try {
    return await doing({
      signal: ending.signal,
      onShare: (share) => {
        mine.share = share;
        if (mine.shown) show();
      },
    });
  } finally {
    clearTimeout(timer);
    if (mine.shown && useWork.getState().work === mine.shown) useWork.setState({ work: null });
  }
}
