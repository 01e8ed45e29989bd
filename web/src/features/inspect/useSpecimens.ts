import type { FlyFile } from '@jobbet/core/pattern';
import type { SpecimenFile } from '@jobbet/core/records';
import { dequal } from 'dequal';
import { useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import { momentNow } from '../../fly/batches/clock.ts';
import { api, RequestError, type StoredSpecimen } from '../../shared/api/client.ts';
import { inTurns } from '../../shared/kept/turns.ts';
import { say } from '../../shared/ui/toast.ts';

const keyOf = (fly: string): string => `specimens/${fly}`;
const inTurn = inTurns();

/** Says why something could not be kept. */
const told = (work: Promise<unknown>): void => {
  work.catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'));
};

type How = (record: SpecimenFile) => SpecimenFile;

/** Saves one as it is by then; what was saved elsewhere meanwhile is fetched, and nothing written over. @returns what it was and is */
async function changed(
  fly: string,
  id: string,
  how: How,
): Promise<readonly [was: SpecimenFile, is: SpecimenFile] | null> {
  const all = await api.specimens(fly);
  const now = all.find((each) => each.id === id);
  if (!now) throw new Error('It is no longer there: it may be in the trash.');
  const is = how(now.record);
  if (dequal(is, now.record)) return null;
  try {
    await mutate<StoredSpecimen[]>(
      keyOf(fly),
      async () => {
        const saved = await api.saveSpecimen(id, is, now.revision);
        return all.map((each) => (each.id === id ? saved : each));
      },
      {
        optimisticData: all.map((each) => (each.id === id ? { ...each, record: is } : each)),
        revalidate: false,
        throwOnError: true,
      },
    );
  } catch (error) {
    if (error instanceof RequestError && error.code === 'stale') await mutate(keyOf(fly));
    throw error;
  }
  return [now.record, is];
}

/** Takes a change back, as long as nothing else was changed since. */
const takenBack = (fly: string, id: string, words: string, [was, is]: readonly [SpecimenFile, SpecimenFile]): void =>
  told(
    inTurn(() =>
      changed(fly, id, (now) => {
        if (dequal(now, is)) return was;
        say('It was changed since then, so this is not taken back over it.');
        return now;
      }),
    ).then((done) => {
      if (done) say(`Taken back: ${words}`);
    }),
  );

/** Changes one as it is by then, with the way back. */
export const changeSpecimen = (fly: string, id: string, words: string, how: How): void =>
  told(
    inTurn(() => changed(fly, id, how)).then((done) => {
      if (done) say(words, { name: 'Undo', run: () => takenBack(fly, id, words, done) });
    }),
  );

/** Lays another one on the table, with the pattern as it is now. @param hand whose hands tied it; nothing where nobody says @returns its number */
export async function addSpecimen(fly: string, file: FlyFile, revision: number, hand: string): Promise<number> {
  const number = 1 + Math.max(0, ...(await api.specimens(fly)).map(({ record }) => record.number ?? 0));
  await api.createSpecimen({
    format: 'jobbet.specimen',
    version: 1,
    fly,
    revision,
    pattern: { ...file },
    number,
    tied: momentNow().slice(0, 10),
    ...(hand === '' ? {} : { hand }),
  });
  await mutate(keyOf(fly));
  return number;
}

/** Lays flies that came from elsewhere on the table, each under a number of its own, and fills in readings of those that lie there; one step back. */
export async function layIn(
  fly: string,
  fresh: readonly SpecimenFile[],
  changes: readonly { readonly id: string; readonly how: How }[],
): Promise<void> {
  const taken = new Set((await api.specimens(fly)).map(({ record }) => record.number ?? 0));
  const made: StoredSpecimen[] = [];
  for (const record of fresh) {
    const free = 1 + Math.max(0, ...taken);
    const number = record.number !== undefined && !taken.has(record.number) ? record.number : free;
    taken.add(number);
    made.push(await api.createSpecimen({ ...record, fly, number }));
  }
  await mutate(keyOf(fly));
  const done: { readonly id: string; readonly pair: readonly [SpecimenFile, SpecimenFile] }[] = [];
  for (const { id, how } of changes) {
    const pair = await inTurn(() => changed(fly, id, how));
    if (pair) done.push({ id, pair });
  }
  const words = [
    ...(made.length > 0 ? [`${String(made.length)} laid on the table`] : []),
    ...(done.length > 0 ? [`readings of ${String(done.length)} taken in`] : []),
  ].join(', ');
  const back = async (): Promise<void> => {
    for (const { id } of made) await api.removeSpecimen(id);
    for (const { id, pair } of done)
      await inTurn(() => changed(fly, id, (now) => (dequal(now, pair[1]) ? pair[0] : now)));
    await mutate(keyOf(fly));
  };
  say(words === '' ? 'Nothing in it is other than what lies there.' : `${words}.`, {
    name: 'Undo',
    run: () => told(back()),
  });
}

/** Puts one in the trash, with the way back. */
export const removeSpecimen = (fly: string, { id, name }: StoredSpecimen): void => {
  const back = (): void => told(api.undeleteSpecimen(id).then(() => mutate(keyOf(fly))));
  told(
    api
      .removeSpecimen(id)
      .then(() => mutate(keyOf(fly)))
      .then(() => say(`${name} is in the trash.`, { name: 'Undo', run: back })),
  );
};

/** Each with a number of its own: two batches of one fly may both begin at 1. */
function numbered(all: readonly StoredSpecimen[]): StoredSpecimen[] {
  const taken = new Set<number>();
  return all.map((each) => {
    let number = each.record.number ?? 1;
    while (taken.has(number)) number++;
    taken.add(number);
    return number === each.record.number ? each : { ...each, record: { ...each.record, number } };
  });
}

/** The finished flies of a pattern, by their numbers; undefined until they are here, with why where they cannot be had. */
export function useSpecimens(fly: string): {
  readonly specimens: readonly StoredSpecimen[] | undefined;
  readonly error: unknown;
} {
  const { data, error } = useSWR<StoredSpecimen[], unknown>(keyOf(fly), () => api.specimens(fly));
  return { specimens: useMemo(() => data && numbered(data), [data]), error };
}
