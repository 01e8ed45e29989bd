import { useEffect, useState } from 'react';

const SETTLED_MS = 500;

/** A value once it has rested for half a second: a text is spoken once, a fly that is being pulled is not asked about. */
export function useSettled<T>(value: T, first: T): T {
  const [settled, setSettled] = useState(first);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}
