import { byDay } from '@jobbet/core/log';
import type { Fault } from '@jobbet/core/base';
import { readDocument } from '@jobbet/core/document';
import { OUTING_KIND, type OutingFile } from '@jobbet/core/records';
import { useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import { api, RequestError, type StoredOuting } from '../../shared/api/client.ts';
import { OUTINGS } from '../../shared/api/keys.ts';
import { inTurns } from '../../shared/kept/turns.ts';
import { say } from '../../shared/ui/toast.ts';

/** The outings of the house, the first one first; undefined until they are here. */
export function useOutings(): readonly StoredOuting[] | undefined {
  const { data } = useSWR<StoredOuting[], unknown>(OUTINGS, api.outings);
  return useMemo(
    () => data?.filter(({ deletedAt }) => deletedAt === null).sort((one, other) => byDay(one.record, other.record)),
    [data],
  );
}

const refresh = (): Promise<unknown> => mutate(OUTINGS);
const inTurn = inTurns();
const told = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
};

/** What is shown at once is what was written last; the server follows. */
const show = (id: string, record: OutingFile, revision?: number): Promise<unknown> =>
  mutate(
    OUTINGS,
    (all: StoredOuting[] | undefined) =>
      all?.map((each) => (each.id === id ? { ...each, record, revision: revision ?? each.revision } : each)),
    { revalidate: false },
  );

/** The revision each outing was left at by the last save from here. */
const revisions = new Map<string, number>();

/** Writes one over the revision the save before it left; where another device wrote it meanwhile both are kept, side by side. */
async function write(id: string, record: OutingFile): Promise<void> {
  try {
    const { revision } = await api.saveOuting(id, record, revisions.get(id) ?? 1);
    revisions.set(id, revision);
    await show(id, record, revision);
  } catch (error) {
    if (!(error instanceof RequestError) || error.code !== 'stale') throw error;
    revisions.delete(id);
    await api.createOuting(record);
    say('Another device wrote this outing too: both are kept, side by side.');
    await refresh();
  }
}

/** Keeps an outing as it is now; with words there is a way back. */
export function keepOuting(stored: StoredOuting, record: OutingFile, words: string | null = null): void {
  if (!revisions.has(stored.id)) revisions.set(stored.id, stored.revision);
  void show(stored.id, record);
  told(inTurn(() => write(stored.id, record)));
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
