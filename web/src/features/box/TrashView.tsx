import { ago } from '../../shared/ui/dates.ts';
import useSWR, { mutate } from 'swr';
import {
  api,
  type ListedFly,
  type ListedRecord,
  type StoredBeat,
  type StoredDate,
  type StoredDrill,
  type StoredOuting,
} from '../../shared/api/client.ts';
import { BATCHES } from '../../fly/batches/planning.ts';
import { useThrownBatches } from '../../fly/batches/kept.ts';
import { say } from '../../shared/ui/toast.ts';
import { DRILLS, OUTINGS } from '../../shared/api/keys.ts';
import { BEATS } from '../../shared/records/beats.ts';
import { DATES } from '../../shared/records/dates.ts';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';

/** Something in the trash: what it is in words, where it goes back to, and both ways out. */
interface Thrown {
  readonly id: string;
  readonly name: string;
  readonly words: string;
  readonly at: number;
  readonly back: string;
  /** Where it is then. */
  readonly where: string;
  readonly undelete: () => Promise<unknown>;
  readonly purge: () => Promise<unknown>;
  /** What lists it is in. */
  readonly lists: readonly string[];
}

const thrownFly = ({ id, name, summary, deletedAt, updatedAt }: ListedFly): Thrown => ({
  id,
  name,
  words: summary?.platform ?? 'does not lay out',
  at: deletedAt ?? updatedAt,
  back: 'Back to the box',
  where: 'in the box',
  undelete: () => api.undelete(id),
  purge: () => api.purge(id),
  lists: ['trash', 'flies'],
});

const thrownBatch = ({ id, name, summary, deletedAt, updatedAt }: ListedRecord): Thrown => ({
  id,
  name,
  words: summary ? `a batch of ${String(summary.flies)} flies` : 'a batch that does not read',
  at: deletedAt ?? updatedAt,
  back: 'Back to the batches',
  where: 'among the batches',
  undelete: () => api.undeleteBatch(id),
  purge: () => api.purgeBatch(id),
  lists: [BATCHES],
});

const SPECIMENS = 'specimens';

const thrownSpecimen = ({ id, name, deletedAt, updatedAt }: ListedRecord): Thrown => ({
  id,
  name,
  words: 'a finished fly with its readings',
  at: deletedAt ?? updatedAt,
  back: 'Back on the table',
  where: 'on the table',
  undelete: () => api.undeleteSpecimen(id),
  purge: () => api.purgeSpecimen(id),
  lists: [SPECIMENS],
});

const thrownBeat = ({ id, name, deletedAt, updatedAt }: StoredBeat): Thrown => ({
  id,
  name,
  words: 'a beat',
  at: deletedAt ?? updatedAt,
  back: 'Back among the beats',
  where: 'among the beats',
  undelete: () => api.undeleteBeat(id),
  purge: () => api.purgeBeat(id),
  lists: [BEATS],
});

const thrownOuting = ({ id, name, deletedAt, updatedAt }: StoredOuting): Thrown => ({
  id,
  name,
  words: 'an outing',
  at: deletedAt ?? updatedAt,
  back: 'Back in the log',
  where: 'in the log',
  undelete: () => api.undeleteOuting(id),
  purge: () => api.purgeOuting(id),
  lists: [OUTINGS],
});

const thrownDate = ({ id, name, deletedAt, updatedAt }: StoredDate): Thrown => ({
  id,
  name,
  words: 'a date',
  at: deletedAt ?? updatedAt,
  back: 'Back among the dates',
  where: 'among the dates of the log',
  undelete: () => api.undeleteDate(id),
  purge: () => api.purgeDate(id),
  lists: [DATES],
});

const thrownDrill = ({ id, name, deletedAt, updatedAt }: StoredDrill): Thrown => ({
  id,
  name,
  words: 'a round of the drill',
  at: deletedAt ?? updatedAt,
  back: 'Back to the drill',
  where: 'in the drill',
  undelete: () => api.undeleteDrill(id),
  purge: () => api.purgeDrill(id),
  lists: [DRILLS],
});

/** Flies, finished flies, batches, beats, outings, dates and rounds put in the trash, with their whole history, until they are thrown out. */
export function TrashView() {
  const { data } = useSWR<ListedFly[]>('trash', api.trash);
  const batches = useThrownBatches();
  const { data: specimens } = useSWR<ListedRecord[]>(SPECIMENS, api.listedSpecimens);
  const { data: beats } = useSWR<StoredBeat[]>(BEATS, api.beats);
  const { data: outings } = useSWR<StoredOuting[]>(OUTINGS, api.outings);
  const { data: dates } = useSWR<StoredDate[]>(DATES, api.dates);
  const { data: drills } = useSWR<StoredDrill[]>(DRILLS, api.drills);
  const thrown = [
    ...(data ?? []).map(thrownFly),
    ...(batches ?? []).map(thrownBatch),
    ...(specimens ?? []).filter(({ deletedAt }) => deletedAt !== null).map(thrownSpecimen),
    ...(beats ?? []).filter(({ deletedAt }) => deletedAt !== null).map(thrownBeat),
    ...(outings ?? []).filter(({ deletedAt }) => deletedAt !== null).map(thrownOuting),
    ...(dates ?? []).filter(({ deletedAt }) => deletedAt !== null).map(thrownDate),
    ...(drills ?? []).filter(({ deletedAt }) => deletedAt !== null).map(thrownDrill),
  ].sort((a, b) => b.at - a.at);
  return (
    <div className="flex flex-col h-full">
      <HouseBar
        title="Trash"
        sub="flies with their whole history, finished ones, and batches, until they are thrown out"
      />
      <main tabIndex={0} className="p-4 overflow-auto">
        {data && batches && specimens && beats && outings && dates && drills && thrown.length === 0 && (
          <p className="text-sentence text-ink2">The trash is empty.</p>
        )}
        <ul className="max-w-3xl">
          {thrown.map((each) => (
            <Line key={each.id} thrown={each} />
          ))}
        </ul>
      </main>
    </div>
  );
}

function Line({ thrown: { name, words, at, back, where, undelete, purge, lists } }: { readonly thrown: Thrown }) {
  const done = async (work: () => Promise<unknown>): Promise<void> => {
    try {
      await work();
    } catch (error) {
      say(error instanceof Error ? error.message : 'It did not work.');
    }
    await Promise.all(lists.map((list) => mutate(list)));
  };
  const takeBack = (): Promise<void> =>
    done(async () => {
      await undelete();
      say(`${name} is back ${where}.`);
    });
  const throwOut = async (): Promise<void> => {
    if (window.confirm(`Throw ${name} out for good, with its history?`)) await done(purge);
  };
  return (
    <li className="flex items-baseline gap-4 border-b border-hair py-2">
      <span className="flex-1 min-w-0">
        <strong className="text-row">{name}</strong>{' '}
        <span className="italic text-ink2">
          {words}, put here {ago(at)}
        </span>
      </span>
      <button type="button" className="sheet-button" onClick={() => void takeBack()}>
        {back}
      </button>
      <button type="button" className="sheet-button" onClick={() => void throwOut()}>
        Throw it out
      </button>
    </li>
  );
}
