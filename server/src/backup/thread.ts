import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { Watched } from '../drawers/settle.ts';
import { ApiError, type ErrorCode } from '../errors.ts';
import type { Job, Jobs } from './jobs.ts';

/** What a job's thread tells: how far it is, what it came to, or why not. */
export type Told =
  | { readonly share: number }
  | { readonly answer: unknown }
  | { readonly fault: { readonly code: ErrorCode; readonly message: string } };

/** What a thread is told: to do a job, to stop the one it does, or that none will come. */
export type Asked = { readonly job: Job } | 'stop' | 'end';

const BUNDLED = join(import.meta.dirname, 'backupWorker.mjs');
const FROM_SOURCE = join(import.meta.dirname, 'worker.dev.mjs');

/** A thread that is done waits so long for another job: a backup is looked at before it is taken up, and a thread takes a second to start. */
const WAITS_MS = 30_000;
let waiting: { readonly worker: Worker; readonly timer: NodeJS.Timeout } | null = null;

/** The thread that waits, or a new one. */
function taken(): Worker {
  if (!waiting) return new Worker(existsSync(BUNDLED) ? BUNDLED : FROM_SOURCE);
  const { worker, timer } = waiting;
  waiting = null;
  clearTimeout(timer);
  worker.ref();
  return worker;
}

const tell = (worker: Worker, asked: Asked): void => {
  worker.postMessage(asked);
};

/** Lets a thread wait for the next job; where one waits already it ends. Neither keeps the program running. */
function leave(worker: Worker): void {
  for (const event of ['message', 'error', 'exit']) worker.removeAllListeners(event);
  worker.unref();
  if (waiting) {
    tell(worker, 'end');
    return;
  }
  // One that breaks down while it waits is not asked again.
  for (const event of ['error', 'exit'])
    worker.once(event, () => {
      if (waiting?.worker === worker) waiting = null;
    });
  const timer = setTimeout(() => {
    waiting = null;
    tell(worker, 'end');
  }, WAITS_MS).unref();
  waiting = { worker, timer };
}

/** Does a job on a thread of its own. Stopping it is asked, not forced: it lets go of the database first. @throws ApiError */
export function inThread<J extends Job>(job: J, { onShare, signal }: Watched = {}): Promise<Jobs[J['kind']]> {
  const worker = taken();
  const stop = (): void => {
    tell(worker, 'stop');
  };
  signal?.addEventListener('abort', stop);
  return new Promise<Jobs[J['kind']]>((resolve, reject) => {
    worker.on('message', (told: Told) => {
      if ('share' in told) {
        onShare?.(told.share);
        return;
      }
      leave(worker);
      if ('answer' in told) resolve(told.answer as Jobs[J['kind']]);
      else if (told.fault.code === 'internal') reject(new Error(told.fault.message));
      else reject(new ApiError(told.fault.code, told.fault.message));
    });
    worker.on('error', reject);
    worker.on('exit', () => {
      reject(new Error('the thread ended without an answer'));
    });
    tell(worker, { job });
  }).finally(() => {
    signal?.removeEventListener('abort', stop);
  });
}
