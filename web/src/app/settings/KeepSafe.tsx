import { dateAndTime } from '../../shared/ui/dates.ts';
import { useRef, useState, type RefObject } from 'react';
import { mutate } from 'swr';
import { api, type BackupCounts } from '../../shared/api/client.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { saveFile } from '../../shared/ui/saveFile.ts';
import { working } from '../../shared/ui/work.ts';

const counted = ({ flies, versions, items, tyings, records }: BackupCounts): string =>
  `${String(flies)} flies with ${String(versions)} versions and ${String(tyings)} tyings, ${String(records)} batches, and ${String(items)} items of the drawers`;

const brokenWords = (broken: BackupCounts['broken']): string =>
  broken.length === 0
    ? ''
    : ` ${String(broken.length)} of them no longer read or lay out: ${broken
        .slice(0, 3)
        .map(({ name, why }) => `${name} (${why})`)
        .join('; ')}.`;

type Looked = { readonly file: File; readonly counts: BackupCounts };

/** Everything into one file and back, and the drawers as a file of their own. */
export function KeepSafe() {
  const input = useRef<HTMLInputElement>(null);
  const [looked, setLooked] = useState<Looked | null>(null);
  const [said, setSaid] = useState<{ readonly words: string; readonly bad: boolean } | null>(null);
  const [busy, setBusy] = useState(false);
  const work = (what: () => Promise<void>): void => {
    setBusy(true);
    setSaid(null);
    what()
      .catch((error: unknown) =>
        setSaid({ words: error instanceof Error ? error.message : 'It did not work.', bad: true }),
      )
      .finally(() => setBusy(false));
  };
  const look = (file: File): void => {
    work(async () =>
      setLooked({ file, counts: await working('Reading the backup', (watching) => api.lookAtBackup(file, watching)) }),
    );
  };
  const save = (): void => {
    work(async () => {
      const link = document.createElement('a');
      link.href = await working('Making the backup', (watching) => api.makeBackup(watching));
      link.download = '';
      link.click();
    });
  };
  const restore = ({ file, counts }: Looked): void => {
    setLooked(null);
    work(async () => {
      const { kept, broken } = await working('Restoring', (watching) => api.restoreBackup(file, watching));
      await mutate(() => true);
      setSaid({
        words: `Restored: ${counted(counts)}. What was there before is kept in ${kept}.${brokenWords(broken)}`,
        bad: broken.length > 0,
      });
    });
  };
  return (
    <section aria-label="Backup" className="py-3">
      <h2 className="text-part font-bold mb-1">Backup</h2>
      <p className="mb-2">
        Every fly with its versions, the trash and the drawers, in one file that is verified when it is read.
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="button" className="sheet-button primary" disabled={busy} onClick={save}>
          Save a backup
        </button>
        <button type="button" className="sheet-button" disabled={busy} onClick={() => input.current?.click()}>
          Restore from one
        </button>
        <button
          type="button"
          className="sheet-button"
          disabled={busy}
          onClick={() => {
            work(async () => saveFile('drawers.json', `${JSON.stringify(await api.exportDrawers(), null, 1)}\n`));
          }}
        >
          Save the drawers as a file
        </button>
        <FileInput input={input} onFile={look} />
      </div>
      {said && (
        <p role={said.bad ? 'alert' : 'status'} className={`mt-2 ${said.bad ? 'text-warn' : ''}`}>
          {said.words}
        </p>
      )}
      <p className="mt-2 text-ink2">
        At a prompt: <code>npx jobbet backup FILE</code> and <code>npx jobbet restore FILE</code>;{' '}
        <code>npx jobbet export</code> and <code>import</code> for flies and drawers as files.
      </p>
      {looked && <RestoreDialog looked={looked} onRestore={() => restore(looked)} onClose={() => setLooked(null)} />}
    </section>
  );
}

interface RestoreDialogProps {
  readonly looked: Looked;
  readonly onRestore: () => void;
  readonly onClose: () => void;
}

/** What a backup holds, before it takes the place of what is here. */
function RestoreDialog({ looked, onRestore, onClose }: RestoreDialogProps) {
  return (
    <DialogBox title="Restore from this backup?" open onClose={onClose}>
      <p className="mb-2">
        It was made {dateAndTime(looked.counts.made)} and holds {counted(looked.counts)}.
        {brokenWords(looked.counts.broken)}
      </p>
      <p className="mb-4">
        They take the place of everything that is here now; what is here is kept in a file beside the data.
      </p>
      <div className="flex gap-3">
        <button type="button" className="sheet-button primary" onClick={onRestore}>
          Restore it
        </button>
        <button type="button" className="sheet-button" onClick={onClose}>
          Leave all as it is
        </button>
      </div>
    </DialogBox>
  );
}

interface FileInputProps {
  readonly input: RefObject<HTMLInputElement | null>;
  readonly onFile: (file: File) => void;
}

function FileInput({ input, onFile }: FileInputProps) {
  return (
    <input
      ref={input}
      type="file"
      hidden
      aria-label="Backup file"
      onChange={(event) => {
        const [file] = event.target.files ?? [];
        if (file) onFile(file);
        event.target.value = '';
      }}
    />
  );
}
