import { useState } from 'react';

/** A figure that stays as it was for as long as something is held: a scale that is pulled along. */
export function useHeld(value: number, held: boolean): number {
  const [was, setWas] = useState(value);
  if (!held && value !== was) setWas(value);
  return held ? was : value;
}
