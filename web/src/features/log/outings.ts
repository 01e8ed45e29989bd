import { byDay } from '@jobbet/core/log';
import type { Fault } from '@jobbet/core/base';
import { readDocument } from '@jobbet/core/document';
import { OUTING_KIND, type OutingFile, outingSchema } from '@jobbet/core/records';
import { useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import { z } from 'zod';
import { api, RequestError, type StoredOuting } from '../../shared/api/client.ts';
import { OUTINGS } from '../../shared/api/keys.ts';
import { laidDown, unsentOf } from '../../shared/records/unsent.ts';
import { say } from '../../shared/ui/toast.ts';

/** The outings of the house, the first one first; undefined until they are here. */
export function useOutings(): readonly StoredOuting[] | undefined {
  const { data } = useSWR<StoredOuting[], unknown>(OUTINGS, api.outings);
  const waiting = unsent.use();
  unsent.useSending();
  return useMemo(
    () =>
      data
        ?.filter(({ deletedAt }) => deletedAt === null)
        // What was written here and has not arrived yet is how it is.
        .map((each) => ({ ...each, record: waiting[each.id]?.record ?? each.record }))
        .sort((one, other) => byDay(one.record, other.record)),
    [data, waiting],
  );
}

const refresh = (): Promise<unknown> => mutate(OUTINGS);
const told = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
};

/** What is shown at once is what was written last; the server follows. */
const show = (id: string, record: OutingFile): Promise<unknown> =>
  mutate(
    OUTINGS,
    (all: StoredOuting[] | undefined) => all?.map((each) => (each.id === id ? { ...each, record } : each)),
    { revalidate: false },
  );

/** The revision each outing was left at by the last save from here. */
const revisions = new Map<string, number>();

/** Outings the server has not confirmed. One is written over the revision the save before it left; where another device wrote it meanwhile both are kept, side by side. */
const unsent = unsentOf({
  key: 'jobbet.outings.unsent',
  /** `copyAs` is what a copy beside another device's is laid down by: this browser's own, so that it neither comes twice nor falls on another's. */
  schema: z.object({ revision: z.number(), record: outingSchema, copyAs: z.string().optional() }),
  bring: async (id, { revision: over, record, copyAs }) => {
    try {
      const { revision } = await api.saveOuting(id, record, revisions.get(id) ?? over);
      revisions.set(id, revision);
    } catch (error) {
      if (!(error instanceof RequestError) || error.code !== 'stale') throw error;
      await laidDown(
        record,
        () => api.createOuting(record, copyAs),
        (laid, revision) => api.saveOuting(laid, record, revision),
      );
      revisions.delete(id);
      say('Another device wrote this outing too: both are kept, side by side.');
    }
    await refresh();
    return (now) => now;
  },
});

/** Keeps an outing as it is now, here at once and on the server as soon as it answers; with words there is a way back. */
export function keepOuting(stored: StoredOuting, record: OutingFile, words: string | null = null): void {
  const { id, revision } = stored;
  if (!revisions.has(id)) revisions.set(id, revision);
  const copyAs = unsent.read()[id]?.copyAs ?? `${id} ${String(Math.random())}`;
  unsent.keep(id, { revision: revisions.get(id) ?? revision, record, copyAs });
  void show(id, record);
  told(unsent.send(id));
  if (words !== null) say(words, { name: 'Undo', run: () => keepOuting({ ...stored, record }, stored.record) });
}

export async function addOuting(record: OutingFile): Promise<string> {
  const made = await api.createOuting(record);
  await refresh();
  return made.id;
}

/** Puts an outing in the trash, with the way back. */
export const removeOuting = ({ id, name }: StoredOuting): void =>
  told(
    api
      .removeOuting(id)
      .then(refresh)
      .then(() =>
        say(`${name} is in the trash.`, { name: 'Undo', run: () => told(api.undeleteOuting(id).then(refresh)) }),
      ),
  );

/** Takes a change of an outing, or answers with why not. */
export function changed(stored: StoredOuting, record: OutingFile, words: string | null = null): readonly Fault[] {
  const read = readDocument(OUTING_KIND, record);
  if (!read.ok) return read.faults;
  keepOuting(stored, read.value, words);
  return [];
}
