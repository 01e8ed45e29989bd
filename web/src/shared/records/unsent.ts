import { dequal } from 'dequal';
import { useEffect } from 'react';
import { z, type ZodType } from 'zod';
import { create } from 'zustand';
import { RequestError } from '../api/client.ts';
import { kept } from '../kept/kept.ts';
import { inTurns } from '../kept/turns.ts';
import { say } from '../ui/toast.ts';

/** What is brought to the server again after so long, where it was away. */
const AGAIN_MS = 10_000;

const isOffline = (reason: unknown): boolean => reason instanceof RequestError && reason.code === 'offline';

/** Says why something was not kept; that the server is away is no news: it is sent later. */
export function saidUnlessAway(work: Promise<unknown>): void {
  work.catch((reason: unknown) => {
    if (!isOffline(reason)) say(reason instanceof Error ? reason.message : 'It was not kept.');
  });
}

/**
 * Lays a record down that may lie there already, its answer lost: then it is written over what was laid down.
 * @param create by a name of its own, so that it is laid down once
 */
export async function laidDown<S extends { readonly id: string; readonly revision: number; readonly record: unknown }>(
  record: unknown,
  create: () => Promise<S>,
  save: (id: string, revision: number) => Promise<S>,
): Promise<S> {
  const laid = await create();
  return dequal(laid.record, record) ? laid : save(laid.id, laid.revision);
}

interface UnsentOf<T> {
  /** Where it stands in this browser. */
  readonly key: string;
  readonly schema: ZodType<T>;
  /** Brings one to the server. @returns what of it goes on where it was changed meanwhile, as it is to be sent then */
  readonly bring: (name: string, waiting: T) => Promise<(now: T) => T>;
}

/**
 * Records of one kind that the server has not confirmed yet: they stand in this browser, so that neither a reload nor a server that is away
 * loses them, and are brought one after another as soon as it answers.
 */
export function unsentOf<T extends { readonly record: unknown }>({ key, schema, bring }: UnsentOf<T>) {
  type All = Readonly<Record<string, T>>;
  const store = kept<All>(key, z.record(z.string(), schema), {});
  const useStore = create<{ readonly all: All }>()(() => ({ all: store.read() }));
  const inTurn = inTurns();
  let again: ReturnType<typeof setTimeout> | undefined;

  const write = (all: All): void => {
    store.write(all);
    useStore.setState({ all });
  };
  const drop = (name: string): void => {
    const { [name]: _gone, ...others } = store.read();
    write(others);
  };
  const bringOne = async (name: string): Promise<void> => {
    const waiting = store.read()[name];
    if (!waiting) return;
    try {
      const goesOn = await bring(name, waiting);
      const now = store.read()[name];
      // What changed while it was on its way is sent again.
      if (now && !dequal(now.record, waiting.record)) write({ ...store.read(), [name]: goesOn(now) });
      else drop(name);
    } catch (error) {
      if (isOffline(error)) {
        clearTimeout(again);
        again = setTimeout(sendAll, AGAIN_MS);
      }
      throw error;
    }
  };
  /** Brings one, after those that are on their way. @throws RequestError */
  const send = (name: string): Promise<void> => inTurn(() => bringOne(name));
  function sendAll(): void {
    for (const name of Object.keys(store.read())) saidUnlessAway(send(name));
  }

  return {
    read: store.read,
    use: () => useStore(({ all }) => all),
    /** Keeps one here until it is confirmed. */
    keep: (name: string, waiting: T) => write({ ...store.read(), [name]: waiting }),
    drop,
    send,
    /** Brings whatever waits, now and whenever the way to the server is there again. */
    useSending: () =>
      useEffect(() => {
        sendAll();
        window.addEventListener('online', sendAll);
        return () => window.removeEventListener('online', sendAll);
      }, []),
  };
}
