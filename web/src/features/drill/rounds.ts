import { faultLine } from '@jobbet/core/base';
import { readDocumentText } from '@jobbet/core/document';
import { DRILL_KIND, drillSchema, type DrillFile, type DrillItem, type DrillOf } from '@jobbet/core/records';
import { useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import { z } from 'zod';
import { create } from 'zustand';
import { api, type StoredDrill } from '../../shared/api/client.ts';
import { DRILLS } from '../../shared/api/keys.ts';
import { laidDown, saidUnlessAway, unsentOf } from '../../shared/records/unsent.ts';
import { useSettings } from '../../shared/settings/settings.ts';
import { say } from '../../shared/ui/toast.ts';

/** A round as this browser has it: what the server has not confirmed yet stands here, so that neither a reload nor a server that is away loses it. */
const roundSchema = z.object({ id: z.string().nullable(), revision: z.number(), record: drillSchema });
type Round = z.infer<typeof roundSchema>;

/** Which round is going on here, by its key; it is begun with its first answer. */
const useGoing = create<{ readonly key: string | null; readonly round: Round | null }>()(() => ({
  key: null,
  round: null,
}));

/** Lays what was saved among the rounds that are known here; where none are yet, all of them are fetched. */
async function taken(saved: StoredDrill): Promise<void> {
  let known = false as boolean;
  const withSaved = (all: StoredDrill[] | undefined): StoredDrill[] | undefined => {
    known = all !== undefined;
    return all && [...all.filter(({ id }) => id !== saved.id), saved];
  };
  await mutate(DRILLS, withSaved, { revalidate: false });
  if (!known) await mutate(DRILLS);
}

/** Rounds the server has not confirmed. */
const unsent = unsentOf<Round>({
  key: 'jobbet.drill.unsent',
  schema: roundSchema,
  bring: async (key, { id: sent, record, revision: over }) => {
    const save = (id: string, revision: number): Promise<StoredDrill> => api.saveDrill(id, record, revision);
    const saved = await (sent === null ? laidDown(record, () => api.createDrill(record, key), save) : save(sent, over));
    await taken(saved);
    const { id, revision } = saved;
    if (useGoing.getState().key === key)
      useGoing.setState(({ round }) => ({ round: round && { ...round, id, revision } }));
    return (now) => ({ ...now, id, revision });
  },
});

function put(key: string, round: Round): void {
  useGoing.setState({ key, round });
  unsent.keep(key, round);
  saidUnlessAway(unsent.send(key));
}

/** The moment as a record has it. */
export const momentOf = (now: Date): string =>
  new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 19);

/** Keeps an answer with the round that goes on, or begins one with it. @param simulated whether a stand-in gave it: the round says so from then on */
export function keepAnswer(of: DrillOf, item: DrillItem, simulated = false): void {
  const made = simulated ? { simulated } : {};
  const { key, round } = useGoing.getState();
  if (key !== null && round?.record.of === of) {
    put(key, { ...round, record: { ...round.record, ...made, items: [...round.record.items, item] } });
    return;
  }
  const at = momentOf(new Date());
  const { tier } = useSettings.getState();
  put(`${at} ${of} ${String(Math.random())}`, {
    id: null,
    revision: 0,
    record: {
      format: 'jobbet.drill',
      version: 1,
      of,
      at,
      ...(tier === '' ? {} : { hand: tier }),
      ...made,
      items: [item],
    },
  });
}

/** Takes the last answer of the round back: a slip of the hand is none of the eye. */
export function takeBack(): boolean {
  const { key, round } = useGoing.getState();
  if (key === null || !round || round.record.items.length === 0) return false;
  put(key, { ...round, record: { ...round.record, items: round.record.items.slice(0, -1) } });
  return true;
}

/** Ends the round: the next answer begins another. */
export const endRound = (): void => useGoing.setState({ key: null, round: null });

/** The round that goes on here; null before its first answer. */
export const useRound = (): DrillFile | null => useGoing(({ round }) => round?.record ?? null);

/** All rounds of whoever's eye it is, first to last; undefined until they are here. */
export function useRounds(): readonly DrillFile[] | undefined {
  const { data, error } = useSWR<StoredDrill[], unknown>(DRILLS, api.drills);
  const rounds = unsent.use();
  unsent.useSending();
  const { tier } = useSettings();
  return useMemo(() => {
    if (!data && error === undefined) return undefined;
    const own = Object.values(rounds);
    const here = new Set(own.map(({ id }) => id));
    return [
      ...(data ?? []).filter(({ id, deletedAt }) => deletedAt === null && !here.has(id)).map(({ record }) => record),
      ...own.map(({ record }) => record),
    ]
      .filter(({ hand, items }) => (hand ?? '') === tier && items.length > 0)
      .sort((one, other) => one.at.localeCompare(other.at));
  }, [data, error, rounds, tier]);
}

/** Puts the round that goes on in the trash, with the way back. */
export async function removeRound(): Promise<void> {
  const { key } = useGoing.getState();
  if (key === null) return;
  // Where the server is away the round was never there, or stays where it is.
  await unsent.send(key).catch(() => undefined);
  const id = useGoing.getState().round?.id ?? null;
  endRound();
  if (id === null) {
    unsent.drop(key);
    return;
  }
  await api.removeDrill(id);
  await mutate(DRILLS);
  say('The round is in the trash.', {
    name: 'Undo',
    run: () => void api.undeleteDrill(id).then(() => mutate(DRILLS)),
  });
}

/** Takes rounds in from files; says which do not read, and why. */
export async function takeRounds(files: readonly File[]): Promise<void> {
  let count = 0;
  for (const file of files) {
    const read = readDocumentText(DRILL_KIND, await file.text());
    if (!read.ok) {
      say(`${file.name}: ${read.faults.slice(0, 3).map(faultLine).join('; ')}`);
      continue;
    }
    await taken(await api.createDrill(read.value));
    count += 1;
  }
  if (count > 0) say(`${String(count)} ${count === 1 ? 'round is' : 'rounds are'} taken in.`);
}
