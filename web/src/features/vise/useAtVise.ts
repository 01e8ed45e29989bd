import type { TyingRecord } from '@jobbet/core/contract';
import { mergedTyings } from '@jobbet/core/tying';
import { useEffect, useMemo, useState } from 'react';
import { post, useTyings } from '../../fly/tyings/useTyings.ts';
import { browserMachine, type ViseMachine } from './machine.ts';

/** What the machine does while one sits at the vise, whichever fly is in it. */
interface Seat {
  readonly machine: ViseMachine;
  /** Whether the steps are spoken. */
  readonly aloud: boolean;
  readonly setAloud: (change: (is: boolean) => boolean) => void;
}

/** What stays while one fly after another is in the vise. */
export interface AtVise extends Seat {
  /** How the fly was tied so far, what is tied now with it. */
  readonly all: readonly TyingRecord[];
  /** Keeps a tying. @param now whether it is brought to the box at once */
  readonly keep: (tying: TyingRecord, now: boolean) => void;
}

/** Sits down at the vise: the screen stays lit until one leaves. */
export function useSeat(machine: ViseMachine): Seat {
  const [aloud, setAloud] = useState(false);
  useLit(machine);
  return { machine, aloud, setAloud };
}

/** Sits down at the vise with a fly; null until it is known how it was tied before. */
export function useAtVise(fly: string): AtVise | null {
  const [machine] = useState(browserMachine);
  const seat = useSeat(machine);
  const { tyings } = useTyings(fly);
  const [now, setNow] = useState<readonly TyingRecord[]>([]);
  const all = useMemo(() => tyings && mergedTyings(tyings, now), [tyings, now]);
  return (
    all && {
      ...seat,
      all,
      keep: (tying, soon) => {
        post.keep(tying, soon);
        setNow((others) => mergedTyings(others, [tying]));
      },
    }
  );
}

/** Keeps the screen lit while something is shown, and is silent after it. */
function useLit(machine: ViseMachine): void {
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
