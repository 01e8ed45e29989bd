import { useState } from 'react';
import { SheetPending } from '../../fly/tyings/SheetPending.tsx';
import { useSheet } from '../../fly/tyings/useSheet.ts';
import { post, useTyings } from '../../fly/tyings/useTyings.ts';
import { useBench } from '../../fly/store.ts';
import { AtTheVise } from './AtTheVise.tsx';
import { browserMachine } from './machine.ts';

/** The fly on the bench, tied step by step. */
export function ViseView() {
  const { answer, again } = useSheet();
  const [machine] = useState(browserMachine);
  const id = useBench((state) => state.id);
  const { tyings } = useTyings(id);
  const [before, setBefore] = useState(tyings);
  // What was there when one sat down: what is kept meanwhile is this fly.
  if (before === null && tyings !== null) setBefore(tyings);
  if (before === null)
    return (
      <main className="p-6 text-ink2" role="status">
        Fetching how it was tied before
      </main>
    );
  if (!answer) return <SheetPending again={again} />;
  return (
    <AtTheVise
      key={answer.sheet.id}
      {...answer}
      fly={id}
      out={`/fly/${id}/sheet`}
      machine={machine}
      before={before}
      onKeep={post.keep}
    />
  );
}
