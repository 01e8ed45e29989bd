import { BEAT_KIND, beatAt } from '@jobbet/core/records';
import { formatDepth, formatNumber, formatTemperature, saying, type Style } from '@jobbet/core/units';
import { readDocumentText } from '@jobbet/core/document';
import { useRef, useState } from 'react';
import type { StoredBeat } from '../../shared/api/client.ts';
import { BeatDialog, NEW_BEAT } from '../../shared/records/BeatDialog.tsx';
import { addBeat, removeBeat, useBeats } from '../../shared/records/beats.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { FilesInput } from '../../shared/ui/FilesInput.tsx';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';
import { saveFile, slug } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { DRAWER } from './commands.ts';
import { Fronts } from './Fronts.tsx';

const COLUMNS = ['name', 'depth', 'current', 'width', 'bed', 'white disc lost at', 'water', 'gauge'] as const;

/** A beat as a row, in the tier's units. */
function cellsOf({ name, record }: StoredBeat, style: Style): readonly string[] {
  const at = beatAt(record);
  const long = (mm: number | null): string => (mm === null ? '–' : Object.values(formatDepth(mm, style)).join(' '));
  if (!at.ok) return [name, ...Array.from({ length: COLUMNS.length - 1 }, () => '–')];
  const { depthMm, meanMmS, widthMm, clarityMm, temperatureC, kind } = at.value;
  return [
    `${name}${record.simulated === true ? ', made up' : ''}`,
    long(depthMm),
    saying(style).speed(meanMmS),
    long(widthMm),
    record.bed,
    long(clarityMm),
    `${kind}, ${Object.values(formatTemperature(temperatureC, style)).join(' ')}`,
    record.gauge
      ? `${record.gauge.station}, ${record.gauge.referenceLevel}: a metre more is ${formatNumber(record.gauge.depthPerLevel ?? 0, 1, style)} m deeper, ${formatNumber(record.gauge.speedPerLevel ?? 0, 1, style)} m/s faster`
      : '–',
  ];
}

async function takeIn(files: readonly File[]): Promise<void> {
  for (const file of files) {
    const read = readDocumentText(BEAT_KIND, await file.text());
    if (read.ok) {
      await addBeat(read.value);
      say(`${read.value.name} lies among the beats.`);
    } else say(`${file.name}: ${read.faults[0]?.message ?? 'it does not read'}`);
  }
}

/** The beats: stretches of water that flies are fished in. */
export function BeatsDrawer() {
  const beats = useBeats();
  const style = useStyle();
  const [open, setOpen] = useState<StoredBeat | 'new' | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const add = (): void => setOpen('new');
  useTable('drawers', DRAWER, {
    find: null,
    add,
    remove: null,
    columns: null,
    takeIn: () => file.current?.click(),
    save: beats && beats.length > 0 ? () => beats.forEach(saveBeat) : null,
    undo: null,
    redo: null,
  });
  return (
    <div className="flex flex-col h-full">
      <HouseBar
        title="Drawers"
        sub="what every fly is reckoned with"
        primary={{ words: 'Lay in another beat', run: add }}
      />
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1 px-4 pt-2 border-b border-hair shrink-0">
        <Fronts open="beats" />
        <button type="button" className="ml-auto pb-1.5" onClick={() => file.current?.click()}>
          import <span className="plain-key">I</span>
        </button>
      </div>
      <FilesInput
        ref={file}
        label="Beats from files"
        accept=".json"
        onTake={(files) => {
          // The list is emptied as soon as this is left.
          takeIn([...(files ?? [])]).catch((reason: unknown) =>
            say(reason instanceof Error ? reason.message : 'It was not read.'),
          );
        }}
      />
      <main className="flex-1 min-h-0 overflow-auto p-4">
        {beats?.length === 0 && (
          <p className="text-sentence text-ink2">No water is told yet. Say how deep a beat is and how fast it runs.</p>
        )}
        {beats && beats.length > 0 && (
          <table className="w-full" aria-label="Beats">
            <thead>
              <tr>
                {COLUMNS.map((name) => (
                  <th key={name} scope="col" className="text-left text-label italic text-ink2 font-normal pr-4 pb-1">
                    {name}
                  </th>
                ))}
                <th>
                  <span className="sr-only">what is done with it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {beats.map((beat) => (
                <BeatRow key={beat.id} cells={cellsOf(beat, style)} beat={beat} onOpen={() => setOpen(beat)} />
              ))}
            </tbody>
          </table>
        )}
      </main>
      <p className="shrink-0 px-4 py-1 border-t border-hair text-label text-ink2">
        Wading: know the way out before the way in; a river that rises is left. Water fishes flies on what is told here.
      </p>
      {open !== null && (
        <BeatDialog
          stored={open === 'new' ? null : open}
          record={open === 'new' ? NEW_BEAT : open.record}
          onMade={() => undefined}
          onClose={() => setOpen(null)}
        />
      )}
    </div>
  );
}

const saveBeat = ({ name, record }: StoredBeat): void =>
  saveFile(`${slug(name)}${BEAT_KIND.extension}`, `${JSON.stringify(record, null, 2)}\n`, 'application/json');

function BeatRow({
  beat,
  cells: [name, ...cells],
  onOpen,
}: {
  readonly beat: StoredBeat;
  readonly cells: readonly string[];
  readonly onOpen: () => void;
}) {
  return (
    <tr className="border-t border-hair hover:bg-sunk/50">
      <th scope="row" className="text-left font-bold py-1.5 pr-4">
        <button type="button" className="text-left" onClick={onOpen}>
          {name}
        </button>
      </th>
      {cells.map((cell, i) => (
        <td key={COLUMNS[i + 1]} className="pr-4">
          {cell}
        </td>
      ))}
      <td className="text-right whitespace-nowrap">
        <button type="button" className="text-ink2 hover:text-ink pr-4" onClick={() => saveBeat(beat)}>
          save
          <span className="sr-only"> {beat.name} as a file</span>
        </button>
        <button type="button" className="text-ink2 hover:text-ink" onClick={() => removeBeat(beat)}>
          trash
          <span className="sr-only"> {beat.name}</span>
        </button>
      </td>
    </tr>
  );
}
