import { dependants, movePart, removePart } from '@jobbet/core/edit/parts';
import { useEffect, useMemo, useState } from 'react';
import { useOutletContext } from 'react-router';
import { FishingSheet } from '../drawing/FishingSheet.tsx';
import { LinesPlan } from '../drawing/LinesPlan.tsx';
import { useTurn } from '../drawing/useTurn.ts';
import type { ShellContext } from '../shell/AppShell.tsx';
import { say } from '../shell/toast.ts';
import { useReport } from '../solve/useReport.ts';
import { useSettings } from '../settings/settings.ts';
import { BenchBar } from './BenchBar.tsx';
import { goToChecks, shownOf } from './Checks.tsx';
import { ConflictDialog } from './ConflictDialog.tsx';
import { AddPartDialog, CopyPartDialog, neighbour, RemoveDialog } from './dialogs.tsx';
import { HistoryDialog } from './HistoryDialog.tsx';
import { Inspector } from './Inspector.tsx';
import { ModeKeys } from './ModeKeys.tsx';
import { byStations, dragOf, nudge } from './pulling.ts';
import { comparedOf } from './SchoolCompare.tsx';
import { bandPlaces, standingOf } from './useStanding.ts';
import { PrintSheet } from './PrintSheet.tsx';
import type { Saver } from './saver.ts';
import { changeOrSay, HOOK, undo, useBench, useBenchStore } from './store.ts';
import { TyingOrder } from './TyingOrder.tsx';
import { editSentence, useBenchKeys } from './useBenchKeys.ts';
import { VerdictStrip } from './VerdictStrip.tsx';

type Asked = 'add' | 'history' | null;

/** Tying order, drawing, inspector and verdict of the fly on the bench. */
export function BenchBoard({ saver }: { readonly saver: Saver }) {
  const bench = useBenchStore();
  const { openCommands, openKeys } = useOutletContext<ShellContext>();
  const laid = useBench((state) => state.laid);
  const selected = useBench((state) => state.selected);
  const moving = useBench((state) => state.moving);
  const pull = useBench((state) => state.pull);
  const compare = useBench((state) => state.compare);
  const refused = useBench((state) => state.refused);
  const save = useBench((state) => state.save);
  const drawers = useBench((state) => state.drawers);
  const { report, checked, current } = useReport(laid.file, drawers);
  const { looks } = useSettings();
  const preview = useBench((state) => state.preview);
  const findings = useMemo(() => shownOf(checked?.findings ?? [], looks), [checked, looks]);
  const flagged = useMemo(() => findings.filter((each) => each.severity !== 'note'), [findings]);
  const drawn = preview?.laid ?? laid;
  const compared = comparedOf(laid, compare, drawers);
  const standing = selected === HOOK ? null : standingOf(drawn, selected, drawers);
  const [asked, setAsked] = useState<Asked>(null);
  const [fishing, setFishing] = useState(false);
  const turned = useTurn(fishing);
  const [removing, setRemoving] = useState<string | null>(null);
  const [copying, setCopying] = useState<string | null>(null);
  const pick = (id: string): void => {
    bench.setState({ selected: id });
  };
  const remove = (id: string): void => {
    if (dependants(laid.file, id).length > 0) setRemoving(id);
    else {
      changeOrSay(bench, removePart(laid.file, id), neighbour(laid, id));
      say(`The ${id} is off.`, {
        name: 'Undo',
        run: () => {
          undo(bench);
        },
      });
    }
  };
  useLeaveGuard(save);
  useBenchKeys({
    bench,
    onAdd: () => {
      setAsked('add');
    },
    onRemove: remove,
    onCopy: setCopying,
    onHistory: () => {
      setAsked('history');
    },
    onTurn: () => {
      setFishing((is) => !is);
    },
  });
  const drag = useMemo(() => dragOf(bench), [bench]);
  return (
    <>
      <PrintSheet laid={laid} report={report} />
      <div className="flex flex-col h-full min-w-[1000px] no-print">
        <BenchBar
          report={report}
          onHistory={() => {
            setAsked('history');
          }}
          onCommands={openCommands}
          onKeys={openKeys}
        />
        <main className="flex flex-1 min-h-0">
          <div className="w-[218px] border-r border-hair shrink-0 min-h-0">
            <TyingOrder
              laid={laid}
              selected={selected}
              flagged={new Set(flagged.flatMap((each) => each.parts))}
              onPick={pick}
              onMove={(from, to) => {
                changeOrSay(bench, movePart(laid.file, from, to));
              }}
              onAdd={() => {
                setAsked('add');
              }}
              onRemove={remove}
              onEdit={editSentence}
            />
          </div>
          <div className="flex-1 min-w-0 relative">
            <ModeKeys fishing={fishing} onFishing={setFishing} />
            {turned > 0 ? (
              <FishingSheet laid={drawn} report={report} share={turned} selected={selected} onPick={pick} />
            ) : (
              <LinesPlan
                laid={drawn}
                marks={flagged}
                preview={preview !== null}
                selected={selected}
                hook={selected === HOOK}
                moving={moving}
                pull={pull}
                band={standing && { places: bandPlaces(drawn, selected, standing), within: standing.within }}
                outlines={compared?.flies.map((each, i) => ({ laid: each, name: compared.names[i] ?? '' })) ?? null}
                refused={refused}
                onPick={pick}
                onPullStart={drag}
                onNudge={(gripId, steps) => {
                  nudge(bench, gripId, steps);
                }}
                onStation={(gripId, stations) => {
                  byStations(bench, gripId, stations);
                }}
              />
            )}
            {compared && !preview && (
              <p
                role="status"
                className="absolute left-1/2 bottom-3 -translate-x-1/2 z-10 bg-sheet border border-rule px-3 py-1 whitespace-nowrap"
              >
                Compared: {compared.names.join(' and ')}. Leave it <kbd className="font-bold">Esc</kbd>
              </p>
            )}
            {preview && (
              <p
                role="status"
                data-testid="preview"
                className="absolute left-1/2 bottom-3 -translate-x-1/2 z-10 bg-pick text-on-pick px-3 py-1 whitespace-nowrap"
              >
                Shown: {preview.words}. Take it <kbd className="font-bold">Enter</kbd>, back{' '}
                <kbd className="font-bold">Esc</kbd>
              </p>
            )}
            {laid.parts.length === 0 && (
              <p className="absolute left-1/2 top-16 -translate-x-1/2 text-sentence text-ink2">
                Tie in the first part. <span className="plain-key">A</span>
              </p>
            )}
          </div>
          <div className="w-[264px] border-l border-hair shrink-0 min-h-0">
            <Inspector checked={checked} onRemove={remove} onCopyTo={setCopying} />
          </div>
        </main>
        <VerdictStrip
          report={report}
          current={current}
          tight={laid.tight}
          balls={laid.parts.some((part) => part.built.ball?.sided === true)}
          checks={checked && { settle: flagged.length, notes: findings.length - flagged.length }}
          onChecks={() => {
            goToChecks(bench);
          }}
        />
        <AddPartDialog
          open={asked === 'add'}
          onClose={() => {
            setAsked(null);
          }}
        />
        {asked === 'history' && (
          <HistoryDialog
            saver={saver}
            onClose={() => {
              setAsked(null);
            }}
          />
        )}
        <RemoveDialog
          laid={laid}
          id={removing}
          onClose={() => {
            setRemoving(null);
          }}
        />
        <CopyPartDialog
          id={copying}
          onClose={() => {
            setCopying(null);
          }}
          onDone={say}
        />
        {save === 'conflict' && <ConflictDialog saver={saver} />}
      </div>
    </>
  );
}

/** Asks before the window closes only while something is not on the server. */
function useLeaveGuard(save: string): void {
  useEffect(() => {
    if (save !== 'failed' && save !== 'conflict') return;
    const guard = (event: BeforeUnloadEvent): void => {
      event.preventDefault();
    };
    window.addEventListener('beforeunload', guard);
    return () => {
      window.removeEventListener('beforeunload', guard);
    };
  }, [save]);
}
