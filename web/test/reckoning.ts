import { deserialize, serialize } from 'node:v8';
import { expose, type Endpoint } from 'comlink';
import { handlersOf } from '../src/app/handlers.ts';
import { Desk } from '../src/shared/solve/desk.ts';
import { reckonWith } from '../src/shared/solve/solver.ts';

type Listener = (event: MessageEvent) => void;

/** Two ends of a line over which copies go, one after the other, as between a page and its worker. */
function line(): readonly [Endpoint, Endpoint] {
  const hear = [new Set<Listener>(), new Set<Listener>()] as const;
  const end = (own: 0 | 1): Endpoint => ({
    postMessage: (message: unknown) => {
      const data: unknown = deserialize(serialize(message));
      setTimeout(() => {
        for (const listener of hear[own === 0 ? 1 : 0]) listener({ data, origin: 'null' } as MessageEvent);
      }, 0);
    },
    addEventListener: (kind, listener) => {
      if (kind === 'message') hear[own].add(listener as Listener);
    },
    removeEventListener: (_kind, listener) => {
      hear[own].delete(listener as Listener);
    },
  });
  return [end(0), end(1)];
}

/** Lets what the app reckons off its main thread be reckoned in this one, by the same handlers. */
export function inThisThread(): void {
  reckonWith(() => {
    const [page, worker] = line();
    expose(handlersOf(new Desk()), worker);
    return { ...page, terminate: () => undefined };
  });
}
