import { existsSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { Piscina } from 'piscina';
import { ApiError } from '../errors.ts';
import { doTask, type DrawerSnapshot, type TaskName, type Tasks } from './tasks.ts';
import { Turns, type Rank } from './turns.ts';

/** How long one task may compute before its thread is ended. */
export const LIMIT_MS = 5000;
/** What only waits is ended after so many limits. */
const MOST_LIMITS = 12;
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

/** Processor time of all threads since, in ms. A task has used this much at the most. */
const computedSince = (then: NodeJS.CpuUsage): number => {
  const { user, system } = process.cpuUsage(then);
  return (user + system) / 1000;
};

/**
 * A signal that comes once a task has had its time: by the clock, and by what was computed meanwhile, so that a machine that is
 * kept busy by something else ends nobody's work.
 */
export function whenTimeIsUp(limitMs: number, computed = computedSince): { signal: AbortSignal; forget: () => void } {
  const up = new AbortController();
  const then = process.cpuUsage();
  const begun = performance.now();
  const look = (): void => {
    const left = limitMs - computed(then);
    if (left <= 0 || performance.now() - begun >= limitMs * MOST_LIMITS) up.abort();
    else timer = setTimeout(look, Math.max(left, limitMs / 10));
  };
  let timer = setTimeout(look, limitMs);
  return { signal: up.signal, forget: () => clearTimeout(timer) };
}

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
        const { signal: late, forget } = whenTimeIsUp(limitMs);
        try {
          signal?.throwIfAborted();
          const ended = signal ? AbortSignal.any([late, signal]) : late;
          return { of: (await pool.run({ name, asks, drawers }, { signal: ended })) as Tasks[K]['answers'] };
        } catch (error) {
          if (isStopped(signal)) throw new ApiError('stopped');
          if (late.aborted) throw new ApiError('too-long');
          throw error;
        } finally {
          forget();
        }
      });
      if (!answer) throw new ApiError('busy');
      return answer.of;
    },
    close: () => pool.destroy(),
  };
}
