import { useCallback, useLayoutEffect, useRef } from 'react';

/** A function that stays the same and does what the newest one does: what is given it is not drawn anew for it. */
export function useStable<A extends unknown[]>(now: (...given: A) => void): (...given: A) => void {
  const newest = useRef(now);
  useLayoutEffect(() => {
    newest.current = now;
  });
  return useCallback((...given: A) => newest.current(...given), []);
}
