import { handfulFor } from '@jobbet/core/batch';
import type { FlyFile } from '@jobbet/core/pattern';
import { goneOn, inVise, rackOf, stateAt, type BatchFile, type BatchRow, type HookAt } from '@jobbet/core/records';
import { api } from '../../shared/api/client.ts';
import { momentNow } from './clock.ts';
import { changeBatch } from './kept.ts';
import { rowWords } from './words.ts';

/** Whether a row ties a fly as it is: on its own hook, with nothing otherwise. */
function isAsItIs({ fly, on, shade }: BatchRow, id: string, { platform }: FlyFile): boolean {
  const size = 'size' in platform ? platform.size : undefined;
  return (
    fly === id &&
    Object.keys(shade ?? {}).length === 0 &&
    (on === undefined || on === size || on === `${platform.kind}:${String(size)}`)
  );
}

/** The fly of a batch that is tied next where one is tied as it is: the one in the vise, or the first that is to come; null where there is none. */
function nextOf(batch: BatchFile, id: string, file: FlyFile): HookAt | null {
  const own = (at: HookAt | null): boolean => {
    const row = at && batch.rows[at.row - 1];
    return row ? isAsItIs(row, id, file) : false;
  };
  const held = inVise(batch);
  if (held) return own(held) ? held : null;
  return rackOf(batch).find((at) => own(at) && stateAt(batch, at) === 'to-come') ?? null;
}

/** Where a fly is tied: of the running batch that was changed last, one of it is put in the vise. @returns the batch's id and name; null where none runs */
export async function tieOfRunning(id: string, file: FlyFile): Promise<{ id: string; name: string } | null> {
  for (const { id: batchId, deletedAt, broken, summary } of await api.batches()) {
    if (deletedAt !== null || broken !== null || !summary || summary.by['to-come'] + summary.by.vise === 0) continue;
    const { record } = await api.batch(batchId);
    const at = nextOf(record, id, file);
    if (!at) continue;
    if (!inVise(record))
      await changeBatch(batchId, `a fly of ${rowWords(record, at.row)} into the vise`, (now) =>
        goneOn(now, at, 0, momentNow(), handfulFor(now)),
      );
    return { id: batchId, name: record.name };
  }
  return null;
}
