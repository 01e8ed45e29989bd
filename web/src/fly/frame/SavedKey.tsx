import { useEffect, useState } from 'react';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { isToSettle, undo, useBench, useBenchStore, useHistory, type SaveState } from '../store.ts';

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'saved',
  waiting: 'saving',
  saving: 'saving',
  failed: 'not saved, kept on this device',
  conflict: 'saved elsewhere too',
  gone: 'no longer in the box',
};
/** How long after a change the way back stands in the bar. */
const WAY_BACK_MS = 6000;

/** Whether the fly was changed a moment ago. */
function useJustChanged(): boolean {
  const bench = useBenchStore();
  const [just, setJust] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const leave = bench.subscribe((now, before) => {
      if (now.file === before.file) return;
      clearTimeout(timer);
      setJust(true);
      timer = setTimeout(() => setJust(false), WAY_BACK_MS);
    });
    return () => {
      clearTimeout(timer);
      leave();
    };
  }, [bench]);
  return just;
}

const keyed = (words: string, key: string) => (
  <>
    <span className="max-[1180px]:hidden">{words} </span>
    <span className="plain-key">{key}</span>
  </>
);

/** How the fly is saved, which opens its history; just after a change the way back instead. */
export function SavedKey({ onHistory }: { readonly onHistory: () => void }) {
  const bench = useBenchStore();
  const save = useBench((state) => state.save);
  const onDevice = useBench((state) => state.onDevice);
  const saveProblem = useBench((state) => state.saveProblem);
  const canUndo = useHistory((history) => history.pastStates.length > 0);
  const back = useJustChanged() && canUndo;
  const trouble = save === 'failed' || isToSettle(save);
  const words = save === 'failed' && !onDevice ? 'not saved anywhere' : SAVE_WORDS[save];
  return (
    <>
      <span role="status" data-testid="save" className="sr-only">
        {words}
      </span>
      {trouble ? (
        <button
          type="button"
          aria-label={`${words}, history`}
          title={saveProblem ?? undefined}
          className="flex items-center gap-1.5 text-warn font-semibold"
          onClick={onHistory}
        >
          <SnagFlag /> {words}
        </button>
      ) : back ? (
        <button type="button" aria-label="undo" className="min-w-[51px] text-left" onClick={() => undo(bench)}>
          {keyed('undo', 'Z')}
        </button>
      ) : (
        <button
          type="button"
          aria-label={`${words}, history`}
          title="Saved by itself; its history"
          className="min-w-[51px] text-left"
          onClick={onHistory}
        >
          {keyed(words, 'H')}
        </button>
      )}
    </>
  );
}
