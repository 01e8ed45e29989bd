import { parentPort, workerData } from 'node:worker_threads';
import { ApiError } from '../errors.ts';
import { toldError } from '../db/ledger.ts';
import { doJob, type Job } from './jobs.ts';
import type { Told } from './thread.ts';

/** Does the job a thread was started for, and tells how it goes. */
const stop = new AbortController();
parentPort?.on('message', () => {
  stop.abort();
});
const tell = (told: Told): void => {
  parentPort?.postMessage(told);
};
let last = 0;
try {
  const answer = await doJob(workerData as Job, {
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
parentPort?.close();
