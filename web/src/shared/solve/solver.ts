import type { Drawers } from '@jobbet/core/drawers';
import { wrap, type Remote } from 'comlink';
import { say } from '../ui/toast.ts';
import { WorkerHost, WorkerLost } from './host.ts';
import type { Solver } from './worker.ts';

/** A short question that takes longer than this will not be answered any more. */
const SHORT_MS = 15_000;

const host = new WorkerHost<Remote<Solver>>(
  () => {
    const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' });
    return { worker, remote: wrap<Solver>(worker) };
  },
  () => {
    say('What reckons the figures broke down; it was started again.');
  },
);

let handed: { readonly remote: Remote<Solver>; readonly drawers: Drawers } | null = null;

/** Hands a worker the drawers to solve with, where it has others. */
async function withTables(remote: Remote<Solver>, drawers: Drawers): Promise<void> {
  if (handed?.remote === remote && handed.drawers === drawers) return;
  handed = { remote, drawers };
  await remote.use(drawers);
}

const asked =
  <T>(drawers: Drawers, question: (remote: Remote<Solver>) => Promise<T>) =>
  async (remote: Remote<Solver>): Promise<T> => {
    await withTables(remote, drawers);
    return question(remote);
  };

/**
 * Asks the worker something short, with these drawers; where the worker is lost over it, once more.
 * @throws WorkerLost where the second one is lost too: it is the question then
 */
export async function askShort<T>(drawers: Drawers, question: (remote: Remote<Solver>) => Promise<T>): Promise<T> {
  const once = (): Promise<T> => host.ask(asked(drawers, question), { withinMs: SHORT_MS });
  try {
    return await once();
  } catch (error) {
    if (error instanceof WorkerLost) return once();
    throw error;
  }
}

/** Asks for work that goes on for seconds and tells how far it is. @throws WorkerLost */
export const askLong = <T>(drawers: Drawers, question: (remote: Remote<Solver>) => Promise<T>): Promise<T> =>
  host.ask(asked(drawers, question));

/** Ends the long work that goes on; one that does not hear it is ended with its worker. */
export function leaveLongWork(): void {
  host.ask((remote) => remote.leave(), { withinMs: SHORT_MS }).catch(() => undefined);
}
