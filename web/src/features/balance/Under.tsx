import { partCalled } from '../../fly/selection.ts';
import { showPreview, takePreview, useBench, useBenchStore, useChosenPart } from '../../fly/store.ts';
import { changeUndoable, sayUndoable } from '../../fly/undoable.ts';
import { Contributions } from './Contributions.tsx';
import { Curves } from './Curves.tsx';
import { Finder } from './Finder.tsx';
import { Hands } from './Hands.tsx';
import type { Panel } from './Panels.tsx';
import type { BalanceFigures } from './reckon.ts';
import type { Shown } from './useShown.ts';

interface UnderProps {
  readonly panel: Panel;
  readonly shown: Shown;
  readonly figures: BalanceFigures | null;
}

/** What stands under the tipping weight. */
export function Under({ panel, shown, figures }: UnderProps) {
  const bench = useBenchStore();
  const id = useBench((state) => state.id);
  const selected = useChosenPart();
  const { of, asPlanned, plan, laid, drawers, preview, off, setOff } = shown;
  if (panel === 'find')
    return (
      <Finder
        laid={plan}
        drawers={drawers}
        shown={preview?.file ?? null}
        onShow={(words, file) => showPreview(bench, words, file)}
        onTake={() => {
          const taken = takePreview(bench);
          if (taken !== null) sayUndoable(bench, `${taken}.`);
        }}
      />
    );
  if (panel === 'hands') return <Hands key={id} fly={id} laid={plan} drawers={drawers} off={off} onOff={setOff} />;
  if (panel === 'curves')
    return <Curves of={of} plan={asPlanned} onKeep={(file, words) => changeUndoable(bench, file, `${words}.`)} />;
  return (
    figures && (
      <Contributions
        laid={laid}
        contributions={figures.contributions}
        selected={selected}
        onPick={(picked) => bench.setState({ selected: partCalled(picked) })}
      />
    )
  );
}
