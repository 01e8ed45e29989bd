import { dequal } from 'dequal';
import { useState } from 'react';

/** The same object as long as what is in it is the same: fetched anew, nothing is asked again for it. */
export function useSame<T>(now: T): T {
  const [kept, setKept] = useState(now);
  if (kept === now || dequal(kept, now)) return kept;
  setKept(now);
  return now;
}
