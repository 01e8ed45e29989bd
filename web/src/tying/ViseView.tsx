import { settleFly } from '@jobbet/core/solve/solveFly';
import { sheetOf } from '@jobbet/core/sheet/sheet';
import { useMemo, useState } from 'react';
import { FlyOnBench } from '../bench/BenchView.tsx';
import { useBench } from '../bench/store.ts';
import { useStyle } from '../settings/settings.ts';
import { AtTheVise } from './AtTheVise.tsx';
import { browserMachine } from './machine.ts';

/** The fly on the bench, tied step by step. */
export const ViseView = () => <FlyOnBench board={() => <ViseBoard />} />;

function ViseBoard() {
  const laid = useBench((state) => state.calm);
  const style = useStyle();
  const sheet = useMemo(() => sheetOf(settleFly(laid), style), [laid, style]);
  const [machine] = useState(browserMachine);
  return <AtTheVise key={sheet.id} sheet={sheet} machine={machine} />;
}
