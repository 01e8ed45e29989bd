import { settleFly } from '@jobbet/core/solve/solveFly';
import { FigureCache } from '@jobbet/core/figure/cache';
import { sheetOf } from '@jobbet/core/sheet/sheet';
import { asides, measureLine, sheetHtml, sheetMarkdown } from '@jobbet/core/sheet/write';
import { brokenBy, constraintsOf } from '@jobbet/core/tying/constraints';
import { movesOf, travelMm } from '@jobbet/core/tying/order';
import { bestOrder, inOrder } from '@jobbet/core/tying/sequence';
import { formatLength, formatNumber } from '@jobbet/core/units/format';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { FlyOnBench } from '../bench/BenchView.tsx';
import { BoardFrame } from '../bench/BoardFrame.tsx';
import type { Saver } from '../bench/saver.ts';
import { useBench, useBenchStore } from '../bench/store.ts';
import { changeUndoable } from '../bench/undoable.ts';
import { useStyle } from '../settings/settings.ts';
import { saveFile } from '../shell/saveFile.ts';
import { useOffered } from '../shell/useKeys.ts';
import { SnagFlag } from '../ui/SnagFlag.tsx';
import { BulkChart } from './BulkChart.tsx';
import { isHeaded } from './progress.ts';
import { clock, usualTime } from './record.ts';
import { StageDrawing } from './StageDrawing.tsx';
import { WaysBox } from './WaysBox.tsx';

const STAGE = { width: 190, height: 66 };

/** How the fly is tied, on a sheet: on the table, step by step, its measures, what it does. */
export const SheetView = () => <FlyOnBench board={(saver) => <SheetBoard saver={saver} />} />;

function SheetBoard({ saver }: { readonly saver: Saver }) {
  const bench = useBenchStore();
  const navigate = useNavigate();
  const style = useStyle();
  const id = useBench((state) => state.id);
  const laid = useBench((state) => state.calm);
  const [figures] = useState(() => new FigureCache());
  const [usual] = useState(() => usualTime(id));
  const sheet = useMemo(() => sheetOf(settleFly(laid), style), [laid, style]);
  const order = useMemo(() => {
    const now = laid.parts.map((part) => part.file.id);
    const best = bestOrder(laid);
    const travel = (ids: readonly string[]): number => travelMm(laid, movesOf(laid, ids));
    return {
      best,
      same: best.join() === now.join(),
      broken: brokenBy(constraintsOf(laid), now).length,
      travel: travel(now),
      bestTravel: travel(best),
    };
  }, [laid]);
  const reorder = (): void => {
    changeUndoable(bench, inOrder(laid.file, order.best), 'Put in an order that breaks nothing.');
  };
  const name = laid.file.name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  const print = (): void => {
    window.print();
  };
  useOffered('sheet', [
    {
      name: 'Tie it, step by step',
      group: 'Sheet',
      keys: 't',
      run: () => {
        void navigate(`/fly/${id}/vise`);
      },
    },
    { name: 'Print the sheet', group: 'Sheet', keys: 'p', run: print },
    ...(order.same ? [] : [{ name: 'Put the parts in order', group: 'Sheet', keys: 'o', run: reorder }]),
    {
      name: 'Save the sheet as Markdown',
      group: 'Sheet',
      run: () => {
        saveFile(`${name}.md`, sheetMarkdown(sheet, style), 'text/markdown');
      },
    },
    {
      name: 'Save the sheet as HTML',
      group: 'Sheet',
      run: () => {
        saveFile(`${name}.html`, sheetHtml(sheet, style), 'text/html');
      },
    },
  ]);
  const length = (mm: number): string => Object.values(formatLength(mm, style)).join(' ');
  return (
    <BoardFrame saver={saver} className="sheet-page">
      <main className="flex flex-1 min-h-0" data-testid="tying-sheet">
        <aside className="w-[320px] shrink-0 border-r border-hair overflow-y-auto px-4 py-3" aria-label="On the table">
          <h1 className="print-only text-fly font-bold">{sheet.name}</h1>
          <p className="text-ink2">
            {sheet.hook} <span className="italic whitespace-nowrap">sheet {sheet.id}</span>
          </p>
          <p className="flex gap-3 my-2 no-print">
            <Link className="sheet-button primary" to={`/fly/${id}/vise`}>
              Tie it <span className="plain-key">T</span>
            </Link>
            <button type="button" className="sheet-button" onClick={print}>
              Print <span className="plain-key">P</span>
            </button>
          </p>
          {usual !== null && (
            <p data-testid="usual-time">
              It usually takes <b>{clock(usual)}</b> at the vise.
            </p>
          )}
          <h2 className="font-semibold mt-3">On the table</h2>
          <ul>
            {sheet.materials.map((each) => (
              <li key={each.part ?? 'thread'} className="border-t border-hair py-0.5 flex gap-2">
                <span className="flex-1">
                  {each.part !== null && <b className="font-semibold">{each.part}: </b>}
                  {each.words}
                </span>
                {each.cut !== null && <span className="italic text-measure whitespace-nowrap">cut {each.cut}</span>}
              </li>
            ))}
          </ul>
          <h2 className="font-semibold mt-3">Proportions</h2>
          <ul>
            {sheet.proportions.map((each) => (
              <li key={each.part} className="border-t border-hair py-0.5 flex gap-2">
                <b className="font-semibold w-20 truncate">{each.part}</b>
                <span className="w-16 italic text-measure">{each.figure}</span>
                <span className="flex-1 text-ink2 italic">{each.relation}</span>
              </li>
            ))}
          </ul>
          <div className="no-print">
            <WaysBox
              laid={laid}
              onTake={(file, words) => {
                changeUndoable(bench, file, `${words}.`);
              }}
            />
          </div>
          <h2 className="font-semibold mt-3">In the water</h2>
          <ul>
            {sheet.does.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
          {sheet.cautions.length > 0 && (
            <>
              <h2 className="font-semibold mt-3">Take care</h2>
              <ul>
                {sheet.cautions.map((each) => (
                  <li key={each} className="text-ink2">
                    {each}
                  </li>
                ))}
              </ul>
            </>
          )}
        </aside>
        <section className="flex-1 min-w-0 overflow-y-auto px-4 py-3" aria-label="Steps" tabIndex={0}>
          <BulkChart laid={laid} />
          <p className="my-1 no-print" role="status" data-testid="order">
            {order.broken > 0 ? (
              <span className="text-warn">
                <SnagFlag /> {String(order.broken)} {order.broken === 1 ? 'thing stands' : 'things stand'} in the way of
                this order.{' '}
              </span>
            ) : (
              'The order breaks nothing; '
            )}
            the thread travels {length(order.travel)} along the shank.{' '}
            {!order.same && (
              <button type="button" className="underline underline-offset-2" onClick={reorder}>
                {order.broken > 0 ? 'Put the parts in order' : `Another order needs ${length(order.bestTravel)}`}{' '}
                <span className="plain-key">O</span>
              </button>
            )}
          </p>
          <ol>
            {sheet.steps.map((step, i) => (
              <li
                key={step.key}
                className="flex gap-4 border-t border-hair py-1.5 break-inside-avoid"
                data-step={step.key}
              >
                <b className="w-6 text-right text-row">{i + 1}</b>
                <StageDrawing laid={laid} drawn={step.drawn} headed={isHeaded(step)} figures={figures} {...STAGE} />
                <div className="flex-1 min-w-0 leading-snug">
                  <b className="text-row font-semibold">{step.title}</b>{' '}
                  <span className="italic text-measure">{measureLine(step, style)}</span>
                  <p>{step.how.join(' ')}</p>
                  <p className="text-ink2">
                    {[
                      ...(step.turns !== null && step.pitchMm !== null
                        ? [`${formatNumber(step.turns, 0, style)} turns, ${length(step.pitchMm)} a turn.`]
                        : []),
                      ...(step.buttAdvice === null ? [] : [`The butts would lie even run to ${step.buttAdvice}.`]),
                      ...asides(step),
                    ].join(' ')}
                  </p>
                </div>
                <p className="w-36 text-right italic text-ink2 leading-snug">
                  {step.thread && `thread ${step.thread.state}, at ${length(step.thread.toMm)}`}
                  {step.end !== null && <br />}
                  {step.end === 'final' ? 'as it stays' : step.end}
                </p>
              </li>
            ))}
          </ol>
        </section>
      </main>
    </BoardFrame>
  );
}
