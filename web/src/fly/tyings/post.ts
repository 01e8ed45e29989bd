import { tyingSchema } from '@jobbet/core/contract';
import { z } from 'zod';
import { RequestError } from '../../shared/api/client.ts';
import { kept } from '../../shared/kept/kept.ts';
import type { TyingRecord } from '@jobbet/core/contract';

/** What the box has not confirmed yet stands in this browser, so that neither a crash nor a server that is away loses it. */
const unsent = kept('jobbet.tyings', z.array(tyingSchema), []);

const same = (a: TyingRecord, b: TyingRecord): boolean => a.fly === b.fly && a.begun === b.begun;

export const unsentOf = (fly: string): TyingRecord[] => unsent.read().filter((each) => each.fly === fly);

/** What will never be taken, whenever it is sent again. */
const isHopeless = (error: unknown): boolean =>
  error instanceof RequestError && (error.code === 'no-fly' || error.code === 'bad-request');

const SOON_MS = 10_000;

export interface Post {
  /** Keeps a tying here at once, and brings it to the box: now, or before long. */
  readonly keep: (tying: TyingRecord, now: boolean) => void;
  /** Brings everything that is not in the box there. */
  readonly sendAll: () => Promise<void>;
}

/** Brings tyings to the box. @param send to the server; answers with what is kept there */
export function createPost(send: (tying: TyingRecord) => Promise<unknown>): Post {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let going: Promise<void> | null = null;
  const sendEach = async (): Promise<void> => {
    for (const tying of unsent.read()) {
      const settled = await send(tying).then(
        () => true,
        (error: unknown) => isHopeless(error),
      );
      // What changed while it was on its way is sent again.
      if (settled)
        unsent.write(
          unsent
            .read()
            .filter((each) => !same(each, tying) || each.edits !== tying.edits || each.changed !== tying.changed),
        );
    }
  };
  const sendAll = (): Promise<void> => {
    clearTimeout(timer);
    timer = undefined;
    going = (going ?? Promise.resolve()).then(sendEach);
    return going;
  };
  return {
    keep: (tying, now) => {
      unsent.write([...unsent.read().filter((each) => !same(each, tying)), tying]);
      if (now) void sendAll();
      else timer ??= setTimeout(() => void sendAll(), SOON_MS);
    },
    sendAll,
  };
}
