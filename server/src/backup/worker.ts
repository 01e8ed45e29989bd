import { parentPort } from 'node:worker_threads';
import { ApiError } from '../errors.ts';
import { toldError } from '../db/ledger.ts';
import { doJob, type Job } from './jobs.ts';
import type { Asked, Told } from './thread.ts';

/** Does the jobs a thread is asked for, one after another, and tells how each goes. */
let stop = new AbortController();
const tell = (told: Told): void => {
  parentPort?.postMessage(told);
};

async function doAsked(job: Job): Promise<void> {
  stop = new AbortController();
  let last = 0;
  try {
    const answer = await doJob(job, {
      signal: stop.signal,
      onShare: (share) => {
        if (share - last < 0.01) return;
        last = share;
        tell({ share });
      },
    });
    tell({ answer });
  } catch (error) {
    const told = toldError(error);
    tell(
      told instanceof ApiError
        ? { fault: { code: told.code, message: told.message } }
        : { fault: { code: 'internal', message: told instanceof Error ? (told.stack ?? told.message) : String(told) } },
    );
  }
}

parentPort?.on('message', (asked: Asked) => {
  if (asked === 'end') parentPort?.close();
  else if (asked === 'stop') stop.abort();
  else void doAsked(asked.job);
});
