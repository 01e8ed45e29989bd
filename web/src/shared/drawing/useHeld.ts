import { useState } from 'react';
import type { Pulling } from './Grips.tsx';

/**
 * A sheet that keeps its scale and roll while something on it is pulled, so that what is pulled stays under the pointer.
 * @param onPullStart begins a pull; null where there is nothing to pull
 */
export function useHeld<S>(onPullStart: (gripId: string) => Pulling | null): {
  readonly held: S | null;
  /** Begins a pull and holds the sheet until it ends. */
  readonly pullOn: (sheet: S | null) => (gripId: string) => Pulling | null;
} {
  const [held, setHeld] = useState<S | null>(null);
  const pullOn =
    (sheet: S | null) =>
    (gripId: string): Pulling | null => {
      const pulled = onPullStart(gripId);
      if (!pulled) return null;
      setHeld(() => sheet);
      return {
        to: pulled.to,
        end: () => {
          pulled.end();
          setHeld(null);
        },
      };
    };
  return { held, pullOn };
}
