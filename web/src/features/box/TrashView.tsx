import { ago } from '../../shared/ui/dates.ts';
import useSWR, { mutate } from 'swr';
import { api, type ListedFly } from '../../shared/api/client.ts';
import { say } from '../../shared/ui/toast.ts';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';

/** Flies put in the trash, with their whole history, until they are thrown out. */
export function TrashView() {
  const { data } = useSWR<ListedFly[]>('trash', api.trash);
  const refresh = async (): Promise<void> => {
    await Promise.all([mutate('trash'), mutate('flies')]);
  };
  const back = async (fly: ListedFly): Promise<void> => {
    await api.undelete(fly.id);
    await refresh();
    say(`${fly.name} is back in the box.`);
  };
  const out = async (fly: ListedFly): Promise<void> => {
    if (!window.confirm(`Throw ${fly.name} out for good, with its history?`)) return;
    await api.purge(fly.id);
    await refresh();
  };
  return (
    <div className="flex flex-col h-full">
      <HouseBar title="Trash" sub="flies with their whole history, until they are thrown out" />
      <main tabIndex={0} className="p-4 overflow-auto">
        {data?.length === 0 && <p className="text-sentence text-ink2">The trash is empty.</p>}
        <ul className="max-w-3xl">
          {data?.map((fly) => (
            <li key={fly.id} className="flex items-baseline gap-4 border-b border-hair py-2">
              <span className="flex-1 min-w-0">
                <strong className="text-row">{fly.name}</strong>{' '}
                <span className="italic text-ink2">
                  {fly.summary?.platform ?? 'does not lay out'}, put here {ago(fly.deletedAt ?? fly.updatedAt)}
                </span>
              </span>
              <button type="button" className="sheet-button" onClick={() => void back(fly)}>
                Back to the box
              </button>
              <button type="button" className="sheet-button" onClick={() => void out(fly)}>
                Throw it out
              </button>
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}
