import { useEffect, useRef, useState } from 'react';

const TURN_MS = 260;
const ease = (t: number): number => (t < 0.5 ? 2 * t * t : 1 - (2 - 2 * t) ** 2 / 2);

/** Turns between 0 and 1 within a quarter of a second, at once where less motion is wished. @returns how much of the turn is done */
export function useTurn(on: boolean): number {
  const [share, setShare] = useState(on ? 1 : 0);
  const now = useRef(share);
  useEffect(() => {
    const to = on ? 1 : 0;
    const from = now.current;
    const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
    const started = performance.now();
    const step = (time: number): void => {
      const t = still ? 1 : Math.min(1, (time - started) / TURN_MS);
      now.current = from + (to - from) * ease(Math.max(0, t));
      setShare(now.current);
      if (t < 1) frame = requestAnimationFrame(step);
    };
    let frame = from === to ? 0 : requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [on]);
  return share;
}
