import { settleFly } from '@jobbet/core/model';
import { sheetOf } from '@jobbet/core/tying';
import { useMemo, useState } from 'react';
import { useBench } from '../../fly/store.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { AtTheVise } from './AtTheVise.tsx';
import { browserMachine } from './machine.ts';
import { post, useTyings } from '../../fly/tyings/useTyings.ts';

/** The fly on the bench, tied step by step. */
export function ViseView() {
  const laid = useBench((state) => state.calm);
  const style = useStyle();
  const drawers = useBench((state) => state.drawers);
  const sheet = useMemo(() => sheetOf(settleFly(laid), style, drawers), [laid, style, drawers]);
  const [machine] = useState(browserMachine);
  const { tyings } = useTyings(useBench((state) => state.id));
  const [before, setBefore] = useState(tyings);
  // What was there when one sat down: what is kept meanwhile is this fly.
  if (before === null && tyings !== null) setBefore(tyings);
  if (before === null)
    return (
      <main className="p-6 text-ink2" role="status">
        Fetching how it was tied before
      </main>
    );
  return <AtTheVise key={sheet.id} sheet={sheet} machine={machine} before={before} onKeep={post.keep} />;
}
