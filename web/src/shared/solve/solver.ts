import type { Drawers } from '@jobbet/core/drawers';
import { wrap, type Endpoint, type Remote } from 'comlink';
import { say } from '../ui/toast.ts';
import { WorkerHost, WorkerLost, type WatchedWorker } from './host.ts';

/** What every worker does beside its handlers. */
export interface WorkerFrame {
  use(drawers: Drawers): void;
  leave(): void;
}

/** A short question that takes longer than this will not be answered any more. */
const SHORT_MS = 15_000;

type ReckoningWorker = WatchedWorker & Endpoint;

let start = (): ReckoningWorker => {
  throw new Error('no worker is named to reckon with');
};

/** Names the worker that all handlers stand in; called once, before anything is asked. */
export function reckonWith(make: () => ReckoningWorker): void {
  start = make;
}

type Handlers = WorkerFrame & Readonly<Record<string, object>>;

/** One worker with the drawers it was handed last. */
class Reckoning {
  private readonly host = new WorkerHost<Remote<Handlers>>(
    () => {
      const worker = start();
      return { worker, remote: wrap<Handlers>(worker) };
    },
    () => {
      say('What reckons the figures broke down; it was started again.');
    },
  );
  private handed: { readonly remote: Remote<Handlers>; readonly drawers: Drawers } | null = null;

  ask<T>(drawers: Drawers, question: (remote: Remote<Handlers>) => Promise<T>, withinMs?: number): Promise<T> {
    return this.host.ask(
      (remote) => {
        if (this.handed?.remote !== remote || this.handed.drawers !== drawers) {
          this.handed = { remote, drawers };
          // Not waited for: a worker takes one message after the other, so that no other drawers come between them and the question.
          remote.use(drawers).catch(() => undefined);
        }
        return question(remote);
      },
      withinMs === undefined ? {} : { withinMs },
    );
  }

  leave(): void {
    this.host.ask((remote) => remote.leave(), { withinMs: SHORT_MS }).catch(() => undefined);
  }
}

/** Short questions and long work go to workers of their own, so that a search never keeps a drag waiting. */
const short = new Reckoning();
const long = new Reckoning();

/** Handlers of one name, as they are asked. */
export interface Reckoner<H> {
  /**
   * Asks something short, with these drawers; where the worker is lost over it, once more.
   * @throws WorkerLost where the second one is lost too: it is the question then
   */
  readonly short: <T>(drawers: Drawers, question: (handlers: Remote<H>) => Promise<T>) => Promise<T>;
  /** Asks for work that goes on for seconds and tells how far it is. @throws WorkerLost */
  readonly long: <T>(drawers: Drawers, question: (handlers: Remote<H>) => Promise<T>) => Promise<T>;
}

/** The handlers that stand in the worker under a name. */
export function reckonerOf<H extends object>(name: string): Reckoner<H> {
  const named = (remote: Remote<Handlers>): Remote<H> => remote[name] as unknown as Remote<H>;
  return {
    short: async (drawers, question) => {
      const once = () => short.ask(drawers, (remote) => question(named(remote)), SHORT_MS);
      try {
        return await once();
      } catch (error) {
        if (error instanceof WorkerLost) return once();
        throw error;
      }
    },
    long: (drawers, question) => long.ask(drawers, (remote) => question(named(remote))),
  };
}

/** Ends the long work that goes on; one that does not hear it is ended with its worker. */
export const leaveLongWork = (): void => {
  long.leave();
};
