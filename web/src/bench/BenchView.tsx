import type { Drawers } from '@jobbet/core/drawers/tables';
import { useEffect, useState, type ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import useSWR, { mutate } from 'swr';
import { api, RequestError, type StoredFly } from '../api/client.ts';
import { useDrawers } from '../drawers/useDrawers.ts';
import { BenchBoard } from './BenchBoard.tsx';
import { dropDraft, takeDraft } from './drafts.ts';
import { Saver } from './saver.ts';
import { BenchProvider, change, createBench, withDrawers } from './store.ts';

/** The bench: one fly laid out, with everything done to it kept. */
export const BenchView = () => <FlyOnBench board={(saver) => <BenchBoard saver={saver} />} />;

interface BoardProps {
  /** The view that is laid over the fly on the bench. */
  readonly board: (saver: Saver) => ReactNode;
}

/** Fetches a fly, puts it on a bench and follows what is done to it, whichever view shows it. */
export function FlyOnBench({ board }: BoardProps) {
  const { id = '' } = useParams();
  const { data, error } = useSWR<StoredFly, unknown>(`fly/${id}`, () => api.fly(id), {
    revalidateOnFocus: false,
    revalidateOnReconnect: false,
    revalidateIfStale: true,
    dedupingInterval: 0,
  });
  const { drawers, error: shut } = useDrawers();
  if (error !== undefined || (shut !== undefined && !drawers))
    return (
      <NoFly
        words={
          (error ?? shut) instanceof RequestError
            ? ((error ?? shut) as RequestError).message
            : 'The fly cannot be opened.'
        }
      />
    );
  if (!data || !drawers)
    return (
      <div className="p-6 text-ink2" role="status">
        Fetching the fly from the box
      </div>
    );
  return <OpenFly key={data.id} fly={data} drawers={drawers.tables} board={board} />;
}

function NoFly({ words }: { readonly words: string }) {
  const navigate = useNavigate();
  return (
    <main className="p-6">
      <h1 className="text-fly font-bold mb-2">No fly on the bench</h1>
      <p className="mb-4">{words} It may be in the trash.</p>
      <button
        type="button"
        className="sheet-button primary"
        onClick={() => {
          void navigate('/');
        }}
      >
        To the box
      </button>
    </main>
  );
}

interface OpenFlyProps extends BoardProps {
  readonly fly: StoredFly;
  readonly drawers: Drawers;
}

function OpenFly({ fly, drawers, board }: OpenFlyProps) {
  const [{ bench, saver }] = useState(() => {
    const opened = createBench(fly, drawers);
    return {
      bench: opened,
      saver: new Saver(opened, () => {
        void mutate('flies');
      }),
    };
  });
  useEffect(() => {
    saver.start();
    const draft = takeDraft(fly.id);
    if (draft && JSON.stringify(draft.file) !== JSON.stringify(fly.file)) {
      // Work that never reached the server: taken up again, or set against what was saved meanwhile.
      if (change(bench, draft.file).length > 0) dropDraft(fly.id);
      else if (draft.revision !== bench.getState().revision) bench.setState({ save: 'conflict' });
    } else dropDraft(fly.id);
    return () => {
      saver.stop();
    };
  }, [bench, saver, fly]);
  useEffect(() => {
    withDrawers(bench, drawers);
  }, [bench, drawers]);
  return <BenchProvider value={bench}>{board(saver)}</BenchProvider>;
}
