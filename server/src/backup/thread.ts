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

const BUNDLED = join(import.meta.dirname, 'backupWorker.mjs');
const FROM_SOURCE = join(import.meta.dirname, 'worker.dev.mjs');

/** Does a job on a thread of its own. Stopping it is asked, not forced: it lets go of the database first. @throws ApiError */
export function inThread<J extends Job>(job: J, { onShare, signal }: Watched = {}): Promise<Jobs[J['kind']]> {
  const worker = new Worker(existsSync(BUNDLED) ? BUNDLED : FROM_SOURCE, { workerData: job });
  const stop = (): void => {
    worker.postMessage('stop');
  };
  signal?.addEventListener('abort', stop);
  return new Promise<Jobs[J['kind']]>((resolve, reject) => {
    worker.on('message', (told: Told) => {
      if ('share' in told) onShare?.(told.share);
      else if ('answer' in told) resolve(told.answer as Jobs[J['kind']]);
      else if (told.fault.code === 'internal') reject(new Error(told.fault.message));
      else reject(new ApiError(told.fault.code, told.fault.message));
    });
    worker.on('error', reject);
    worker.on('exit', () => {
      reject(new Error('the thread ended without an answer'));
    });
  }).finally(() => {
    signal?.removeEventListener('abort', stop);
  });
}
