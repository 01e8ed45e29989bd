import { layFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { formatDistanceToNow } from 'date-fns';
import { useMemo, useState } from 'react';
import useSWR from 'swr';
import { api, type FlyVersion } from '../../shared/api/client.ts';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';
import { say } from '../../shared/ui/toast.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { diffFlies } from '@jobbet/core/edit';
import type { Saver } from '../saver.ts';
import { change, useBench, useBenchStore } from '../store.ts';

const KINDS: Readonly<Record<FlyVersion['kind'], string>> = {
  created: 'laid out',
  auto: 'changed',
  saved: 'saved',
  restored: 'restored',
};

/** Every kept version: look at one, see what differs from now, bring it back. */
export function HistoryDialog({ saver, onClose }: { readonly saver: Saver; readonly onClose: () => void }) {
  const bench = useBenchStore();
  const { id, revision, file } = bench.getState();
  const { data: versions, error } = useSWR<FlyVersion[], unknown>(`versions/${id}/${String(revision)}`, () =>
    api.versions(id),
  );
  const [picked, setPicked] = useState<number | null>(null);
  const version = versions?.find((each) => each.revision === picked) ?? versions?.[1] ?? versions?.[0];
  const restore = async (to: FlyVersion): Promise<void> => {
    await saver.settledDown();
    const stored = await api.restore(id, to.revision, bench.getState().revision);
    change(bench, stored.file);
    saver.settled(stored.file, stored.revision);
    say(`Version ${String(to.revision)} is back; what was there before stays in the history.`);
    onClose();
  };
  return (
    <DialogBox title="History" open onClose={onClose} wide>
      {error !== undefined && (
        <p role="alert" className="text-warn">
          The history cannot be fetched just now.
        </p>
      )}
      <div className="flex gap-5">
        <ol className="w-60 shrink-0 border-t border-hair max-h-[56vh] overflow-auto" aria-label="Versions">
          {versions?.map((each) => (
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
                <span className="font-semibold">{KINDS[each.kind]}</span>{' '}
                <span className="italic text-ink2">{formatDistanceToNow(each.savedAt, { addSuffix: true })}</span>
                <span className="block text-label text-ink3">
                  {each.summary &&
                    `${String(each.summary.parts)} parts, ${(each.summary.dryMg / 1000).toFixed(2)} g, ${each.summary.ride.replaceAll('-', ' ')}`}
                </span>
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
