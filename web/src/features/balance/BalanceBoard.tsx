import { tippingsOf } from '@jobbet/core/model';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { BoardFrame } from '../../fly/frame/BoardFrame.tsx';
import { goToChecks } from '../../fly/verdict/Checks.tsx';
import { useFindings } from '../../fly/verdict/useFindings.ts';
import type { Saver } from '../../fly/saver.ts';
import { leavePreview, showPreview, takePreview, useBench, useBenchStore, useChosenPart } from '../../fly/store.ts';
import { partCalled } from '../../fly/selection.ts';
import { changeUndoable, sayUndoable } from '../../fly/undoable.ts';
import { VerdictStrip } from '../../fly/verdict/VerdictStrip.tsx';
import type { Command } from '../../shared/commands/commands.ts';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { Contributions } from './Contributions.tsx';
import { CurrentBar } from './CurrentBar.tsx';
import { Curves } from './Curves.tsx';
import { Finder } from './Finder.tsx';
import { Hands } from './Hands.tsx';
import { PanelKeys, type Panel } from './Panels.tsx';
import { PulledAndSinking } from './PulledAndSinking.tsx';
import { RideDial } from './RideDial.tsx';
import { ThreeCentres } from './ThreeCentres.tsx';
import { TippingBar } from './TippingBar.tsx';
import { useBalance, useInCurrent, type Asked } from './useBalance.ts';
import { useShown } from './useShown.ts';

const AT_REST: Asked = { kind: 'rest' };

/** Which way up the fly rides, how firmly, and what brings it there. */
export function BalanceBoard({ saver }: { readonly saver: Saver }) {
  const bench = useBenchStore();
  const navigate = useNavigate();
  const id = useBench((state) => state.id);
  const selected = useChosenPart();
  const refused = useBench((state) => state.refused);
  const {
    of,
    asPlanned,
    plan,
    laid,
    drawers,
    preview,
    off,
    setOff,
    shownAs,
    report,
    checked,
    current: upToDate,
    again,
  } = useShown();
  const { counts } = useFindings(checked);
  const [panel, setPanel] = useState<Panel>('brings');
  const figures = useBalance(of).answer;
  const tippings = useMemo(() => tippingsOf(laid), [laid]);
  const [asked, setAsked] = useState<Asked>(AT_REST);
  const current = useInCurrent(of, asked);
  const shownDeg = asked.kind === 'heel' ? asked.deg : current ? current.restDeg : laid.tight.heelDeg;
  const rest = (): void => {
    setAsked(AT_REST);
  };
  /** What Escape goes back from: a shown change first, then what is done on the dial. */
  const back: readonly Command[] = preview
    ? [
        {
          name: 'Leave it as it was',
          group: 'Balance',
          keys: 'escape',
          run: () => {
            leavePreview(bench);
          },
        },
      ]
    : asked.kind !== 'rest'
      ? [{ name: 'Let it come to rest', group: 'Balance', keys: 'escape', run: rest }]
      : shownAs !== undefined
        ? [
            {
              name: 'Show it as planned',
              group: 'Balance',
              keys: 'escape',
              run: () => {
                setOff({});
              },
            },
          ]
        : [];
  useOffered('balance', back);
  return (
    <BoardFrame saver={saver}>
      <main className="flex flex-1 min-h-0">
        <div className="w-[536px] max-[1180px]:w-[500px] shrink-0 border-r border-hair overflow-y-auto py-3">
          <RideDial
            laid={laid}
            figures={figures}
            current={current}
            asked={asked}
            shownDeg={shownDeg}
            onAsk={setAsked}
          />
          <p className="px-4 text-ink2 leading-tight">
            <Key stroke="var(--weight)" width={2} /> turns it back, tight{' '}
            <Key stroke="var(--weight)" width={0.9} dash="2 3" /> slack, own scale{' '}
            <Key stroke="var(--shape)" width={1.6} dash="7 4" /> push of the current
            {asked.kind !== 'rest' && (
              <button type="button" className="underline underline-offset-2 ml-3 hover:text-ink" onClick={rest}>
                let it come to rest <span className="plain-key">Esc</span>
              </button>
            )}
          </p>
          {figures && (
            <CurrentBar laid={laid} limits={figures.limits} asked={asked} current={current} onAsk={setAsked} />
          )}
          {figures && <PulledAndSinking laid={laid} fall={figures.fall} report={report} />}
        </div>
        <div className="flex-1 min-w-0 flex flex-col overflow-y-auto">
          <div className="h-[250px] shrink-0 border-b border-hair">
            <ThreeCentres shown={laid} planned={shownAs === undefined} report={report} />
          </div>
          {tippings.map((tipping, i) => (
            <div key={tipping.part} className="border-b border-hair shrink-0">
              <TippingBar
                laid={plan}
                drawers={drawers}
                tipping={tipping}
                first={i === 0}
                onTake={(file, words) => {
                  changeUndoable(bench, file, `${tipping.part}: ${words}.`);
                }}
              />
            </div>
          ))}
          {refused !== null && (
            <p role="alert" className="px-4 py-1 text-warn bg-warnwash">
              {refused}
            </p>
          )}
          <PanelKeys fly={id} panel={panel} onPanel={setPanel} />
          {panel === 'find' && (
            <Finder
              laid={plan}
              drawers={drawers}
              shown={preview?.file ?? null}
              onShow={(words, file) => {
                showPreview(bench, words, file);
              }}
              onTake={() => {
                const taken = takePreview(bench);
                if (taken !== null) sayUndoable(bench, `${taken}.`);
              }}
            />
          )}
          {panel === 'hands' && <Hands key={id} fly={id} laid={plan} drawers={drawers} off={off} onOff={setOff} />}
          {panel === 'curves' && (
            <Curves
              of={of}
              plan={asPlanned}
              onKeep={(file, words) => {
                changeUndoable(bench, file, `${words}.`);
              }}
            />
          )}
          {panel === 'brings' && figures && (
            <Contributions
              laid={laid}
              contributions={figures.contributions}
              selected={selected}
              onPick={(picked) => {
                bench.setState({ selected: partCalled(picked) });
              }}
            />
          )}
        </div>
      </main>
      <VerdictStrip
        report={report}
        current={upToDate}
        again={again}
        balls={tippings.length > 0}
        tight={laid.tight}
        laid={laid}
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

/** A line of the legend. */
function Key({ stroke, width, dash }: { readonly stroke: string; readonly width: number; readonly dash?: string }) {
  return (
    <svg width={26} height={8} className="inline mx-1" aria-hidden="true">
      <line x1={1} x2={25} y1={4} y2={4} stroke={stroke} strokeWidth={width} strokeDasharray={dash} />
    </svg>
  );
}
