import type { Drawers } from '@jobbet/core/drawers';
import { readFlyValue } from '@jobbet/core/pattern';
import { useEffect, useId, useState } from 'react';
import { Outlet, useLocation, useNavigate, useOutletContext, useParams } from 'react-router';
import useSWR, { mutate } from 'swr';
import { z } from 'zod';
import { api, RequestError, type StoredFly } from '../../shared/api/client.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { say } from '../../shared/ui/toast.ts';
import { Saver, saved } from '../saver.ts';
import { BenchProvider, createBench, leavePreview, showPreview, withDrawers, type Bench } from '../store.ts';
import { TopBar } from '../../shared/ui/TopBar.tsx';
import { FlyTabs } from './FlyTabs.tsx';
import { takeUpDraft } from '../takeUp.ts';
import { followUndo } from '../undoKept.ts';

/** What saves the fly on the bench. */
export const useSaver = (): Saver => useOutletContext<Saver>();

/** One fly on the bench for as long as any view of it is looked at: what was done in one is undone in another. */
export function FlyOnBench() {
  const { id = '' } = useParams();
  return <OneFly key={id} id={id} />;
}

function OneFly({ id }: { readonly id: string }) {
  // Each time it is put on the bench it is fetched anew, once what was saved last has arrived.
  const visit = useId();
  const fetched = async (): Promise<StoredFly> => {
    await saved(id);
    return api.fly(id);
  };
  const { data, error } = useSWR<StoredFly, unknown>(`fly/${id}/${visit}`, fetched, {
    revalidateOnFocus: false,
    revalidateOnReconnect: false,
    revalidateIfStale: false,
  });
  const { drawers, error: shut } = useDrawers();
  const failed = error ?? shut;
  if (error !== undefined || (shut !== undefined && !drawers))
    return <NoFly words={failed instanceof RequestError ? failed.message : 'The fly cannot be opened.'} />;
  if (!data || !drawers)
    return (
      <>
        <TopBar called="Fetching" title={<h1 className="text-fly font-bold">…</h1>} tabs={<FlyTabs id={id} />} />
        <p className="p-6 text-ink2" role="status">
          {data ? 'Waiting for the drawers' : 'Waiting for the fly from the box'}
        </p>
      </>
    );
  return <OpenFly fly={data} drawers={drawers.tables} />;
}

function NoFly({ words }: { readonly words: string }) {
  const navigate = useNavigate();
  return (
    <main className="p-6">
      <h1 className="text-fly font-bold mb-2">No fly on the bench</h1>
      <p className="mb-4">{words} It may be in the trash. What was not saved of it is in the settings.</p>
      <button type="button" className="sheet-button primary" onClick={() => void navigate('/')}>
        To the box
      </button>
    </main>
  );
}

/** Says once that this browser keeps nothing more of what is done, and why a save did not go through. */
function useSayTrouble(bench: Bench): void {
  useEffect(
    () =>
      bench.subscribe(({ onDevice, saveProblem }, before) => {
        if (saveProblem !== null && saveProblem !== before.saveProblem) say(saveProblem);
        if (before.onDevice && !onDevice)
          say('This browser keeps nothing more: its store is full or closed. What you do is kept on the server alone.');
      }),
    [bench],
  );
}

const shownSchema = z.object({ shown: z.object({ words: z.string(), file: z.unknown() }) });

/** A change that another view has to show: it is on the drawing as the bench opens, and made only where it is taken. */
function useShownFrom(bench: Bench): void {
  const { state } = useLocation() as { readonly state: unknown };
  useEffect(() => {
    const asked = shownSchema.safeParse(state).data?.shown;
    const read = asked ? readFlyValue(asked.file) : null;
    if (asked && read?.ok === true) showPreview(bench, asked.words, read.value);
  }, [bench, state]);
}

function OpenFly({ fly, drawers }: { readonly fly: StoredFly; readonly drawers: Drawers }) {
  const { pathname } = useLocation();
  const [{ bench, saver }] = useState(() => {
    const opened = createBench(fly, drawers);
    return {
      bench: opened,
      saver: new Saver(opened, () => void mutate('flies')),
    };
  });
  useEffect(() => {
    saver.start();
    if (takeUpDraft(bench) === 'aside')
      say(
        'Work on this fly that was kept on this device no longer lays out: it is in the settings, to be saved as a file.',
      );
    const leaveUndo = followUndo(bench);
    return () => {
      leaveUndo();
      saver.stop();
    };
  }, [bench, saver]);
  useSayTrouble(bench);
  useShownFrom(bench);
  useEffect(() => {
    withDrawers(bench, drawers);
  }, [bench, drawers]);
  useEffect(
    () => () => {
      // What was only looked at in one view is not there in the next.
      leavePreview(bench);
    },
    [bench, pathname],
  );
  return (
    <BenchProvider value={bench}>
      <Outlet context={saver} />
    </BenchProvider>
  );
}
