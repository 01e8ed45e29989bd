import type { BeatFile } from '@jobbet/core/records';
import { useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import { api, type StoredBeat } from '../api/client.ts';
import { inTurns } from '../kept/turns.ts';
import { say } from '../ui/toast.ts';

export const BEATS = 'beats';

/** The beats of the house, by name; undefined until they are here. */
export function useBeats(): readonly StoredBeat[] | undefined {
  const { data } = useSWR<StoredBeat[], unknown>(BEATS, api.beats);
  return useMemo(() => data?.filter(({ deletedAt }) => deletedAt === null), [data]);
}

const told = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
};
const inTurn = inTurns();
const refresh = (): Promise<unknown> => mutate(BEATS);

/** Keeps a beat, with the way back. */
export async function keepBeat(stored: StoredBeat, record: BeatFile): Promise<void> {
  const saved = await inTurn(() => api.saveBeat(stored.id, record, stored.revision));
  await refresh();
  say(`${record.name} is kept.`, {
    name: 'Undo',
    run: () => told(inTurn(() => api.saveBeat(saved.id, stored.record, saved.revision)).then(refresh)),
  });
}

export async function addBeat(record: BeatFile): Promise<string> {
  const made = await api.createBeat(record);
  await refresh();
  return made.id;
}

/** Puts a beat in the trash, with the way back. */
export const removeBeat = ({ id, name }: StoredBeat): void =>
  told(
    api
      .removeBeat(id)
      .then(refresh)
      .then(() =>
        say(`${name} is in the trash.`, { name: 'Undo', run: () => told(api.undeleteBeat(id).then(refresh)) }),
      ),
  );
