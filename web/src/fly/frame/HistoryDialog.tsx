import { layFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { useMemo, useState } from 'react';
import useSWR, { mutate } from 'swr';
import { api, type FlyVersion } from '../../shared/api/client.ts';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';
import { ago, dateAndTime } from '../../shared/ui/dates.ts';
import { say } from '../../shared/ui/toast.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { diffFlies, differenceWords } from '@jobbet/core/edit';
import type { Saver } from '../saver.ts';
import { change, useBench, useBenchStore } from '../store.ts';

const KINDS: Readonly<Record<FlyVersion['kind'], string>> = {
  created: 'laid out',
  auto: 'changed',
  saved: 'saved',
  restored: 'restored',
};

/** What a version is called where it is spoken of. */
const wordsOf = ({ name, savedAt }: FlyVersion): string => name ?? `What was there ${ago(savedAt)}`;

/** So many things that were done are named; of more the number is told. */
const MOST_TOLD = 2;

/** What a version changed of the one before it. */
function whatWasDone(version: FlyVersion, before: FlyVersion | undefined): string {
  if (!before) return version.summary ? `${String(version.summary.parts)} parts` : '';
  const done = diffFlies(before.file, version.file).map(differenceWords);
  const more = done.length - MOST_TOLD;
  if (done.length === 0) return 'nothing else';
  return `${done.slice(0, MOST_TOLD).join('; ')}${more > 0 ? `; and ${String(more)} more` : ''}`;
}

/** Gives the fly as it is now a name, by which this version is kept for good. */
function KeepAs({ onKeep }: { readonly onKeep: (name: string) => Promise<void> }) {
  const [name, setName] = useState('');
  const keep = (event: { preventDefault: () => void }): void => {
    event.preventDefault();
    if (name.trim() === '') return;
    onKeep(name.trim()).then(
      () => {
        setName('');
        say(`Kept as ${name.trim()}.`);
      },
      (reason: unknown) => say(reason instanceof Error ? reason.message : 'It was not kept.'),
    );
  };
  return (
    <form className="flex items-center gap-3 mb-3" onSubmit={keep}>
      <label className="flex items-center gap-2 flex-1 text-ink2">
        Keep this version as
        <input
          className="field flex-1"
          maxLength={120}
          placeholder="before the longer wing"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <button type="submit" className="sheet-button" disabled={name.trim() === ''}>
        Keep it
      </button>
    </form>
  );
}

/** Every kept version: look at one, see what differs from now, bring it back. */
export function HistoryDialog({ saver, onClose }: { readonly saver: Saver; readonly onClose: () => void }) {
  const bench = useBenchStore();
  const { id, revision, file } = bench.getState();
  const key = `versions/${id}/${String(revision)}`;
  const { data: versions, error } = useSWR<FlyVersion[], unknown>(key, () => api.versions(id));
  const [picked, setPicked] = useState<number | null>(null);
  const version = versions?.find((each) => each.revision === picked) ?? versions?.[1] ?? versions?.[0];
  const restore = async (to: FlyVersion): Promise<void> => {
    await saver.settledDown();
    const stored = await api.restore(id, to.revision, bench.getState().revision);
    change(bench, stored.file);
    saver.settled(stored.file, stored.revision);
    say(`${wordsOf(to)} is back; what was there before stays in the history.`);
    onClose();
  };
  return (
    <DialogBox title="History" open onClose={onClose} wide>
      {error !== undefined && (
        <p role="alert" className="text-warn">
          The history cannot be fetched just now.
        </p>
      )}
      <KeepAs
        onKeep={async (name) => {
          await saver.settledDown();
          await api.nameVersion(id, bench.getState().revision, name);
          await mutate(key);
        }}
      />
      <div className="flex gap-5 max-[700px]:flex-col">
        <ol
          className="w-72 max-[700px]:w-auto shrink-0 border-t border-hair max-h-[56vh] overflow-auto"
          aria-label="Versions"
        >
          {versions?.map((each, i) => (
            <li
              key={each.revision}
              className={`border-b border-hair ${each.revision === version?.revision ? 'bg-sunk' : ''}`}
            >
              <button
                type="button"
                className="w-full text-left px-2 py-1.5"
                aria-pressed={each.revision === version?.revision}
                onClick={() => setPicked(each.revision)}
              >
                {each.name !== null && <strong className="block text-row">{each.name}</strong>}
                <span className="font-semibold">{KINDS[each.kind]}</span>{' '}
                <span className="italic text-ink2" title={dateAndTime(each.savedAt)}>
                  {ago(each.savedAt)}
                </span>
                <span className="block text-label text-ink2">{whatWasDone(each, versions[i + 1])}</span>
              </button>
            </li>
          ))}
        </ol>
        {version && (
          <Compare
            version={version}
            now={file}
            onRestore={() => {
              restore(version).catch((reason: unknown) =>
                say(reason instanceof Error ? reason.message : 'It did not come back.'),
              );
            }}
          />
        )}
      </div>
    </DialogBox>
  );
}

function Compare({
  version,
  now,
  onRestore,
}: {
  readonly version: FlyVersion;
  readonly now: FlyFile;
  readonly onRestore: () => void;
}) {
  const drawers = useBench((state) => state.drawers);
  const laid = useMemo(() => layFly(version.file, drawers), [version, drawers]);
  const differences = useMemo(() => diffFlies(version.file, now), [version, now]);
  return (
    <div className="flex-1 min-w-0">
      {laid.ok && <FlyThumb laid={laid.value} width={540} height={150} />}
      {differences.length === 0 ? (
        <p className="text-ink2 py-2">The same as now.</p>
      ) : (
        <table className="w-full my-2">
          <thead>
            <tr className="text-left italic text-ink3">
              <th className="font-normal py-1">what</th>
              <th className="font-normal">then</th>
              <th className="font-normal">now</th>
            </tr>
          </thead>
          <tbody>
            {differences.map((each) => (
              <tr key={each.what} className="border-t border-hair">
                <td className="py-1 pr-3 font-semibold">{each.what}</td>
                <td className="pr-3">{each.before}</td>
                <td>{each.after}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <button type="button" className="sheet-button primary" disabled={differences.length === 0} onClick={onRestore}>
        Bring this one back
      </button>
    </div>
  );
}
