import { useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { say } from '../../shared/ui/toast.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { dropDraft } from '../drafts.ts';
import type { Saver } from '../saver.ts';
import { change, useBenchStore } from '../store.ts';

const WORDS = {
  conflict: {
    title: 'Saved elsewhere too',
    note: 'This fly was changed and saved in another window since you opened it.',
    mine: 'Keep mine',
    foot: 'Whichever you choose, what was saved stays in the history of the fly.',
  },
  gone: {
    title: 'No longer in the box',
    note: 'This fly was put in the trash or taken out for good since you opened it.',
    mine: 'Take it out of the trash and keep mine',
    foot: 'Until you choose, your work is kept on this device.',
  },
} as const;

interface ConflictProps {
  readonly saver: Saver;
  readonly as: keyof typeof WORDS;
}

/**
 * The fly was saved elsewhere, or is no longer in the box: keep mine, take theirs, or keep both. Nothing is lost whichever is chosen: what
 * is saved over stays in the history.
 */
export function ConflictDialog({ saver, as }: ConflictProps) {
  const bench = useBenchStore();
  const navigate = useNavigate();
  const words = WORDS[as];
  const [busy, setBusy] = useState(false);
  const { id, file } = bench.getState();
  const doing = (work: () => Promise<void>) => (): void => {
    setBusy(true);
    work()
      .catch((error: unknown) => say(error instanceof Error ? error.message : 'It did not work.'))
      .finally(() => setBusy(false));
  };
  const theirs = async (): Promise<void> => {
    const current = await api.fly(id);
    change(bench, current.file);
    saver.settled(current.file, current.revision);
    dropDraft(id);
  };
  const both = async (): Promise<void> => {
    const copy = await api.create({ ...file, name: `${file.name}, mine` });
    if (as === 'conflict') await theirs();
    else saver.settled(file, bench.getState().revision);
    await mutate('flies');
    void navigate(`/fly/${copy.id}`);
  };
  return (
    <DialogBox
      title={words.title}
      open
      onClose={() => say('Not settled yet: your work is kept on this device.')}
      note={words.note}
    >
      <div className="flex flex-col items-start gap-2">
        <button
          type="button"
          className="sheet-button primary"
          data-first
          disabled={busy}
          onClick={doing(() => saver.keepMine())}
        >
          {words.mine}
        </button>
        {as === 'conflict' && (
          <button type="button" className="sheet-button" disabled={busy} onClick={doing(theirs)}>
            Take theirs
          </button>
        )}
        <button type="button" className="sheet-button" disabled={busy} onClick={doing(both)}>
          Save mine as a copy
        </button>
      </div>
      <p className="mt-3 text-ink2">{words.foot}</p>
    </DialogBox>
  );
}
