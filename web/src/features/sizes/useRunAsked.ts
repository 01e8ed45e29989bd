import type { Outcome } from '@jobbet/core/base';
import type { FlyFile } from '@jobbet/core/pattern';
import { readSizes, setPin, usualSizes, type Hold, type Pin, type RunSize } from '@jobbet/core/study';
import { useEffect, useMemo, useState } from 'react';
import { keepRun, keptRun } from './runsKept.ts';

/** A size typed letter by letter is run when the hand rests so long. */
const RESTS_MS = 150;
const NONE: readonly RunSize[] = [];

/** What is asked of a run: its sizes as written and as read, what the weight holds, what is pinned. */
export interface RunOfFly {
  readonly text: string;
  readonly setText: (text: string) => void;
  readonly read: Outcome<readonly RunSize[]>;
  /** The sizes that are run: the last ones that read. */
  readonly sizes: readonly RunSize[];
  readonly hold: Hold;
  readonly setHold: (hold: Hold) => void;
  readonly pins: readonly Pin[];
  readonly setPins: (pins: readonly Pin[]) => void;
  readonly pin: (one: Pin) => void;
}

/** The run of a fly as it was left; what is asked of it is kept. */
export function useRunAsked(id: string, file: FlyFile): RunOfFly {
  const [left] = useState(() => keptRun(id));
  const [text, setText] = useState(left?.sizes ?? usualSizes(file));
  const [hold, setHold] = useState<Hold>(left?.hold ?? 'shape');
  const [pins, setPins] = useState<readonly Pin[]>(left?.pins ?? []);
  const read = useMemo(() => readSizes(text), [text]);
  const [sizes, setSizes] = useState<readonly RunSize[]>(NONE);
  useEffect(() => {
    if (read.ok) keepRun(id, { sizes: text, hold, pins });
  }, [read, id, text, hold, pins]);
  useEffect(() => {
    if (!read.ok) return;
    const timer = setTimeout(() => setSizes(read.value), RESTS_MS);
    return () => clearTimeout(timer);
  }, [read]);
  const pin = (one: Pin): void => setPins((now) => setPin(now, one));
  return { text, setText, read, sizes, hold, setHold, pins, setPins, pin };
}
