import { useEffect, useRef, useState } from 'react';
import type { AtVise } from './useAtVise.ts';
import { withTime } from '@jobbet/core/tying';
import type { TyingRecord } from '@jobbet/core/contract';
import { mergedTyings, newTying, openTying } from '@jobbet/core/tying';

const TICK_MS = 1000;

/** What is tied, and how what is kept of it is kept. */
export interface AtHand extends Pick<AtVise, 'machine' | 'all' | 'keep'> {
  readonly fly: string;
  readonly sheet: string;
  readonly first: string;
  /** The fly of a batch it is; absent for one by itself. */
  readonly of?: string | undefined;
}

export interface Tying {
  readonly tying: TyingRecord;
  /** All tyings of the fly with this one, the newest last. */
  readonly all: readonly TyingRecord[];
  readonly now: number;
  readonly take: (change: (tying: TyingRecord, now: number) => TyingRecord) => void;
}

/** A tying that goes on: its time runs, each change is kept at once, a reload takes it up where it was. */
export function useTying({ fly, sheet, first, of, machine, all, keep }: AtHand): Tying {
  const [tying, setTying] = useState(() => openTying(all, sheet, of) ?? newTying(fly, sheet, first, machine.now(), of));
  const [now, setNow] = useState(machine.now);
  const since = useRef(now);
  const newest = useRef(tying);
  const take: Tying['take'] = (change) => {
    const at = machine.now();
    const timed = newest.current.done === null ? withTime(newest.current, at - since.current) : newest.current;
    since.current = at;
    const next = change(timed, at);
    setNow(at);
    if (next === newest.current) return;
    newest.current = { ...next, changed: at, edits: next.edits + 1 };
    keep(newest.current, next !== timed);
    setTying(newest.current);
  };
  const tick = useRef(take);
  useEffect(() => {
    tick.current = take;
  });
  useEffect(() => {
    const timer = setInterval(() => tick.current((same) => same), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  return { tying, all: mergedTyings(all, [tying]), now, take };
}
