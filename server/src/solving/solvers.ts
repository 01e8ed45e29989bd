import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import { ApiError } from '../errors.ts';
import { doTask, type DrawerSnapshot, type TaskName, type Tasks } from './tasks.ts';
import { Turns, type Rank } from './turns.ts';

/** How long one task may take before its thread is ended. */
export const LIMIT_MS = 5000;
/** So many that are merely asked may wait. */
const MOST_WAITING = 24;

export interface Ask {
  readonly rank?: Rank;
  readonly signal?: AbortSignal | undefined;
}

/** Whoever solves flies: threads of their own, so that whatever is sent holds up nobody else. */
export interface Solvers {
  /** @throws ApiError `too-long`, `busy`, `stopped` */
  readonly ask: <K extends TaskName>(
    name: K,
    asks: Tasks[K]['asks'],
    drawers: DrawerSnapshot | null,
    more?: Ask,
  ) => Promise<Tasks[K]['answers']>;
  readonly close: () => Promise<void>;
}

/** Solves on the thread it is asked on; for what runs by itself, such as a command. */
export const solversHere = (): Solvers => ({
  ask: (name, asks, drawers) => doTask({ name, asks, drawers }),
  close: () => Promise.resolve(),
});

const BUNDLED = join(import.meta.dirname, 'solveWorker.mjs');
const FROM_SOURCE = join(import.meta.dirname, 'worker.dev.mjs');

const isStopped = (signal: AbortSignal | undefined): boolean => signal?.aborted === true;

/** A pool of threads; one that takes longer than the limit is ended, and another takes its place. */
export function solverPool({
  threads = Math.max(2, availableParallelism()),
  limitMs = LIMIT_MS,
}: { readonly threads?: number; readonly limitMs?: number } = {}): Solvers {
  const pool = new Piscina({
    filename: existsSync(BUNDLED) ? BUNDLED : FROM_SOURCE,
    // All stand ready: the start of a thread must not count as part of the first task it is given.
    minThreads: threads,
    maxThreads: threads,
    concurrentTasksPerWorker: 1,
  });
  const turns = new Turns(threads, MOST_WAITING);
  return {
    ask: async <K extends TaskName>(
      name: K,
      asks: Tasks[K]['asks'],
      drawers: DrawerSnapshot | null,
      { rank = 'asked', signal }: Ask = {},
    ): Promise<Tasks[K]['answers']> => {
      const answer = await turns.take(rank, async () => {
        const late = AbortSignal.timeout(limitMs);
        try {
          signal?.throwIfAborted();
          const ended = signal ? AbortSignal.any([late, signal]) : late;
          return { of: (await pool.run({ name, asks, drawers }, { signal: ended })) as Tasks[K]['answers'] };
        } catch (error) {
          if (isStopped(signal)) throw new ApiError('stopped');
          if (late.aborted) throw new ApiError('too-long');
          throw error;
        }
      });
      if (!answer) throw new ApiError('busy');
      return answer.of;
    },
    close: () => pool.destroy(),
  };
}
