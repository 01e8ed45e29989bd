import { useEffect, useRef, useState } from 'react';
import type { ViseMachine } from './machine.ts';
import { withTime } from '@jobbet/core/tying';
import type { TyingRecord } from '@jobbet/core/contract';
import { mergedTyings, newTying, openTying } from '@jobbet/core/tying';

const TICK_MS = 1000;

/** What is tied, and how what is kept of it is kept. */
export interface AtHand {
  readonly fly: string;
  readonly sheet: string;
  readonly first: string;
  readonly machine: ViseMachine;
  /** How the fly was tied so far. */
  readonly before: readonly TyingRecord[];
  /** Keeps a tying. @param now whether it is brought to the box at once */
  readonly onKeep: (tying: TyingRecord, now: boolean) => void;
}

export interface Tying {
  readonly tying: TyingRecord;
  /** All tyings of the fly with this one, the newest last. */
  readonly all: readonly TyingRecord[];
  readonly now: number;
  readonly take: (change: (tying: TyingRecord, now: number) => TyingRecord) => void;
}

/** A tying that goes on: its time runs, each change is kept at once, a reload takes it up where it was. */
export function useTying({ fly, sheet, first, machine, before, onKeep }: AtHand): Tying {
  const [all, setAll] = useState(before);
  const [tying, setTying] = useState(() => openTying(before, sheet) ?? newTying(fly, sheet, first, machine.now()));
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
    onKeep(newest.current, next !== timed);
    setTying(newest.current);
    setAll((others) => mergedTyings(others, [newest.current]));
  };
  const tick = useRef(take);
  useEffect(() => {
    tick.current = take;
  });
  useEffect(() => {
    const timer = setInterval(() => tick.current((same) => same), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  return { tying, all, now, take };
}

/** Keeps the screen lit while something is shown, and is silent after it. */
export function useLit(machine: ViseMachine): void {
  useEffect(() => {
    let letGo: (() => void) | null = null;
    let left = false;
    machine
      .keepLit?.()
      .then((release) => {
        if (left) release();
        else letGo = release;
      })
      .catch(() => undefined);
    return () => {
      left = true;
      letGo?.();
      machine.hush();
    };
  }, [machine]);
}
