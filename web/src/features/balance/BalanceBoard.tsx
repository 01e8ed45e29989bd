import { verdictSentence } from '@jobbet/core/contract';
import { tippingsOf } from '@jobbet/core/model';
import { useStyle } from '../../shared/settings/settings.ts';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { BoardFrame } from '../../fly/frame/BoardFrame.tsx';
import { goToChecks } from '../../fly/verdict/Checks.tsx';
import { useFindings } from '../../fly/verdict/useFindings.ts';
import type { Saver } from '../../fly/saver.ts';
import { leavePreview, useBench, useBenchStore } from '../../fly/store.ts';
import { changeUndoable } from '../../fly/undoable.ts';
import { useCertaintyAtRest } from '../../fly/verdict/useCertainty.ts';
import { VerdictStrip } from '../../fly/verdict/VerdictStrip.tsx';
import { bound } from '../../shared/commands/commands.ts';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { BACK } from './commands.ts';
import { PanelKeys, type Panel } from './Panels.tsx';
import { Ride } from './Ride.tsx';
import { ThreeCentres } from './ThreeCentres.tsx';
import { TippingBar } from './TippingBar.tsx';
import { Under } from './Under.tsx';
import { useBalance, useInCurrent, type Asked } from './useBalance.ts';
import { useShown } from './useShown.ts';

/** Which way up the fly rides, how firmly, and what brings it there. */
export function BalanceBoard({ saver }: { readonly saver: Saver }) {
  const bench = useBenchStore();
  const navigate = useNavigate();
  const id = useBench((state) => state.id);
  const refused = useBench((state) => state.refused);
  const shown = useShown();
  const { of, plan, laid, drawers, preview, setOff, shownAs, report, checked } = shown;
  const { counts } = useFindings(checked);
  const [panel, setPanel] = useState<Panel>('brings');
  const figures = useBalance(of).answer;
  const tippings = useMemo(() => tippingsOf(laid), [laid]);
  const [asked, setAsked] = useState<Asked>({ kind: 'rest' });
  const current = useInCurrent(of, asked);
  const back = bound(BACK, {
    leave: preview && (() => leavePreview(bench)),
    rest: asked.kind === 'rest' ? null : () => setAsked({ kind: 'rest' }),
    plan: shownAs === undefined ? null : () => setOff({}),
  });
  useOffered('balance', back.slice(0, 1));
  const certain = useCertaintyAtRest(laid, shown.current);
  const style = useStyle();
  return (
    <BoardFrame saver={saver}>
      <main className="flex flex-1 min-h-0">
        <Ride laid={laid} figures={figures} current={current} asked={asked} report={report} onAsk={setAsked} />
        <div className="flex-1 min-w-0 flex flex-col overflow-y-auto fade-end">
          <p className="px-4 pt-2 shrink-0 font-semibold min-h-7" data-testid="said">
            {report && verdictSentence(report, style)}
          </p>
          <div className="h-[226px] shrink-0 border-b border-hair">
            <ThreeCentres shown={laid} planned={shownAs === undefined} report={report} />
          </div>
          {tippings.map((tipping, i) => (
            <div key={tipping.part} className="border-b border-hair shrink-0">
              <TippingBar
                laid={plan}
                drawers={drawers}
                tipping={tipping}
                first={i === 0}
                onTake={(file, words) => changeUndoable(bench, file, `${tipping.part}: ${words}.`)}
              />
            </div>
          ))}
          {refused !== null && (
            <p role="alert" className="px-4 py-1 text-warn bg-warnwash">
              {refused}
            </p>
          )}
          <PanelKeys fly={id} panel={panel} onPanel={setPanel} />
          <Under panel={panel} shown={shown} figures={figures} />
        </div>
      </main>
      <VerdictStrip
        report={report}
        current={shown.current}
        again={shown.again}
        balls={tippings.length > 0}
        tight={laid.tight}
        laid={laid}
        certain={certain}
        shownAs={shownAs}
        checks={counts}
        onChecks={() => {
          goToChecks(bench);
          void navigate(`/fly/${id}`);
        }}
      />
    </BoardFrame>
  );
}
