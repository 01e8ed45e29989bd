import type { BatchFile } from '@jobbet/core/records';
import { dequal } from 'dequal';
import useSWR, { mutate } from 'swr';
import { create } from 'zustand';
import { api, RequestError, type ListedRecord, type StoredBatch, type StoredItem } from '../../shared/api/client.ts';
import { DRAWERS, openDrawers, type OpenDrawers } from '../../shared/api/useDrawers.ts';
import { inTurns } from '../../shared/kept/turns.ts';
import { BATCHES, batchKey } from './planning.ts';
import { say } from '../../shared/ui/toast.ts';

/** All batches that are not in the trash, the one changed last first; undefined until they are here, with why where they cannot be had. */
export function useBatches(): { readonly batches: readonly ListedRecord[] | undefined; readonly error: unknown } {
  const { data, error } = useSWR<ListedRecord[], unknown>(BATCHES, api.batches);
  return { batches: data?.filter(({ deletedAt }) => deletedAt === null), error };
}

/** Batches in the trash; undefined until they are here. */
export function useThrownBatches(): readonly ListedRecord[] | undefined {
  const { data } = useSWR<ListedRecord[], unknown>(BATCHES, api.batches);
  return data?.filter(({ deletedAt }) => deletedAt !== null);
}

/** One batch as it was saved last; undefined until it is here. */
export function useBatch(id: string): { readonly batch: StoredBatch | undefined; readonly error: unknown } {
  const { data, error } = useSWR<StoredBatch, unknown>(batchKey(id), () => api.batch(id));
  return { batch: data, error };
}

const beforeKey = (id: string): string => `batch/${id}/drawers`;

/** The drawers as they lay before flies of a batch took of them, with which it is planned; undefined until they are here. */
export function useDrawersBefore(id: string): OpenDrawers | undefined {
  const { data } = useSWR<StoredItem[], unknown>(beforeKey(id), () => api.batchDrawers(id));
  return data && openDrawers(data);
}

/** What flies took of the drawers, by the moments they were begun, and which of them were taken apart. */
const takenIn = ({ flies = [] }: BatchFile): string =>
  flies.flatMap(({ begun, state }) => (begun === undefined ? [] : `${begun} ${String(state === 'apart')}`)).join();

/** A change of a batch that can be taken back. */
interface Entry {
  readonly id: string;
  readonly words: string;
  readonly was: BatchFile;
  readonly is: BatchFile;
}

interface BatchHistory {
  readonly past: readonly Entry[];
  readonly future: readonly Entry[];
}
const MOST = 200;
export const useBatchHistory = create<BatchHistory>()(() => ({ past: [], future: [] }));
const { getState, setState } = useBatchHistory;

/** One save after the other, each from the revision the one before left. */
const inTurn = inTurns();

/** The batch as this window knows it, fetched where it does not yet. */
const known = (id: string): Promise<StoredBatch | undefined> =>
  mutate<StoredBatch>(batchKey(id), (now) => now ?? api.batch(id), { revalidate: false });

/** Saves a batch and shows it at once; what was saved elsewhere meanwhile is fetched, and nothing written over. */
async function save(id: string, record: BatchFile): Promise<void> {
  const now = await known(id);
  if (!now) return;
  try {
    await mutate<StoredBatch>(batchKey(id), () => api.saveBatch(id, record, now.revision), {
      optimisticData: { ...now, record },
      revalidate: false,
      throwOnError: true,
    });
  } catch (error) {
    if (error instanceof RequestError && error.code === 'stale') await mutate(batchKey(id));
    throw error;
  } finally {
    void mutate(BATCHES);
    if (takenIn(record) !== takenIn(now.record)) void Promise.all([mutate(DRAWERS), mutate(beforeKey(id))]);
  }
}

/** Says why something could not be done. */
export function doing(work: Promise<unknown>): void {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not saved.'));
}

/** Changes the batch, with what is said of it where it is taken back. */
export type Change = (words: string, change: (batch: BatchFile) => BatchFile | null) => void;

/** Changes a batch as it is by then. @param change answers with the changed batch, or null where there is nothing to change */
export function changeBatch(id: string, words: string, change: (batch: BatchFile) => BatchFile | null): Promise<void> {
  return inTurn(async () => {
    const was = (await known(id))?.record;
    const is = was && change(was);
    if (!was || !is || dequal(is, was)) return;
    await save(id, is);
    setState(({ past }) => ({ past: [...past, { id, words, was, is }].slice(-MOST), future: [] }));
  });
}

/** Puts a batch that was worked out elsewhere in the place of the one it was worked out of, as long as that is still the one there. */
export const replaceBatch = (id: string, words: string, of: BatchFile, next: BatchFile): Promise<void> =>
  changeBatch(id, words, (now) => {
    if (dequal(now, of)) return next;
    say('The batch was changed meanwhile; take it once more.');
    return null;
  });

/** Takes the last change of a batch back, or does it again. */
function walk(id: string, back: boolean): Promise<void> {
  return inTurn(async () => {
    const { past, future } = getState();
    const walked = back ? past : [...future].reverse();
    const entry = walked.findLast((each) => each.id === id);
    if (!entry) return;
    const [from, to] = back ? [entry.is, entry.was] : [entry.was, entry.is];
    if (!dequal((await known(id))?.record, from)) {
      say('The batch was changed elsewhere since then, so this is not taken back over it.');
      return;
    }
    await save(id, to);
    say(back ? `Taken back: ${entry.words}` : entry.words);
    setState(
      back
        ? { past: past.filter((each) => each !== entry), future: [entry, ...future] }
        : { past: [...past, entry], future: future.filter((each) => each !== entry) },
    );
  });
}
export const undoBatch = (id: string): void => doing(walk(id, true));
export const redoBatch = (id: string): void => doing(walk(id, false));

/** Puts a batch in the trash, with the way back. */
export async function removeBatch(id: string, name: string): Promise<void> {
  await api.removeBatch(id);
  await mutate(BATCHES);
  say(`${name} is in the trash.`, {
    name: 'Undo',
    run: () => doing(api.undeleteBatch(id).then(() => mutate(BATCHES))),
  });
}
