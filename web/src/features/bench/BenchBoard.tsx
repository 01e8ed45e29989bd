import { dependants, movePart, removePart } from '@jobbet/core/edit';
import { useState } from 'react';
import { useTurn } from '../../shared/drawing/useTurn.ts';
import { say } from '../../shared/ui/toast.ts';
import { useOfFly, useReport } from '../../shared/solve/useReport.ts';
import { BoardFrame } from '../../fly/frame/BoardFrame.tsx';
import { BenchDrawing } from './BenchDrawing.tsx';
import { goToChecks } from '../../fly/verdict/Checks.tsx';
import { useFindings } from '../../fly/verdict/useFindings.ts';
import { AddPartDialog, CopyPartDialog, RemoveDialog } from './dialogs.tsx';
import { Inspector } from './Inspector.tsx';
import { LiveVerdict } from '../../fly/verdict/LiveVerdict.tsx';
import { ModeKeys } from './ModeKeys.tsx';
import { PrintPlan } from './PrintPlan.tsx';
import type { Saver } from '../../fly/saver.ts';
import { besides, HOOK, partCalled } from '../../fly/selection.ts';
import { changeOrSay, useBench, useBenchStore } from '../../fly/store.ts';
import { sayUndoable } from '../../fly/undoable.ts';
import { TyingOrder } from './TyingOrder.tsx';
import { editSentence, useBenchKeys } from './useBenchKeys.ts';

/** Tying order, drawing, inspector and verdict of the fly on the bench. */
export function BenchBoard({ saver }: { readonly saver: Saver }) {
  const bench = useBenchStore();
  const laid = useBench((state) => state.calm);
  const selected = useBench((state) => state.selected);
  const drawers = useBench((state) => state.drawers);
  const { report, checked, current, again } = useReport(useOfFly(laid.file, drawers));
  const { toSettle: flagged, counts } = useFindings(checked);
  const [adding, setAdding] = useState(false);
  const [fishing, setFishing] = useState(false);
  const turned = useTurn(fishing);
  const [removing, setRemoving] = useState<string | null>(null);
  const [copying, setCopying] = useState<string | null>(null);
  const pick = (id: string): void => bench.setState({ selected: partCalled(id) });
  const remove = (id: string): void => {
    if (dependants(laid.file, id).length > 0) setRemoving(id);
    else {
      changeOrSay(bench, removePart(laid.file, id), besides(laid.file, id));
      sayUndoable(bench, `The ${id} is off.`);
    }
  };
  useBenchKeys({
    bench,
    onAdd: () => setAdding(true),
    onRemove: remove,
    onCopy: setCopying,
    onTurn: () => setFishing((is) => !is),
  });
  return (
    <>
      <PrintPlan laid={laid} report={report} />
      <BoardFrame saver={saver} className="no-print">
        <main className="flex flex-1 min-h-0">
          <div className="w-[218px] max-[1000px]:w-[148px] border-r border-hair shrink-0 min-h-0">
            <TyingOrder
              laid={laid}
              selected={selected}
              flagged={new Set(flagged.flatMap((each) => each.parts))}
              onPick={pick}
              onHook={() => bench.setState({ selected: HOOK })}
              onMove={(from, to) => changeOrSay(bench, movePart(laid.file, from, to))}
              onAdd={() => setAdding(true)}
              onRemove={remove}
              onEdit={editSentence}
            />
          </div>
          <div className="flex-1 min-w-0 relative">
            <ModeKeys fishing={fishing} onFishing={setFishing} />
            <BenchDrawing report={report} turned={turned} flagged={flagged} onPick={pick} />
            {laid.parts.length === 0 && (
              <p className="absolute left-1/2 top-16 -translate-x-1/2 text-sentence text-ink2">
                Tie in the first part. <span className="plain-key">A</span>
              </p>
            )}
          </div>
          <div className="w-[264px] max-[1000px]:w-[236px] border-l border-hair shrink-0 min-h-0">
            <Inspector checked={checked} onRemove={remove} onCopyTo={setCopying} />
          </div>
        </main>
        <LiveVerdict
          report={report}
          current={current}
          again={again}
          balls={laid.parts.some((part) => part.built.ball?.sided === true)}
          checks={counts}
          onChecks={() => goToChecks(bench)}
        />
        <AddPartDialog open={adding} onClose={() => setAdding(false)} />
        <RemoveDialog laid={laid} id={removing} onClose={() => setRemoving(null)} />
        <CopyPartDialog id={copying} onClose={() => setCopying(null)} onDone={say} />
      </BoardFrame>
    </>
  );
}
