import { sentence } from '@jobbet/core/base';
import { layFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import type { Finding } from '@jobbet/core/checks';
import { FigureCache, type Page } from '@jobbet/core/drawing';
import {
  sheetPages,
  stageSvgs,
  sheetHtml,
  sheetMarkdown,
  changesInWords,
  compareSteps,
  inOrder,
  tyingPlan,
  threadOf,
} from '@jobbet/core/tying';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../../shared/api/client.ts';
import { useSaver } from '../../fly/frame/FlyOnBench.tsx';
import { BoardFrame } from '../../fly/frame/BoardFrame.tsx';
import { slug } from '../../shared/ui/saveFile.ts';
import { tieOfRunning } from '../../fly/batches/running.ts';
import { useBench, useBenchStore } from '../../fly/store.ts';
import { changeUndoable } from '../../fly/undoable.ts';
import { PrintedPages, screenWidth } from '../../shared/paper/PrintedPages.tsx';
import { PaperChoice } from '../../shared/fields/PaperChoice.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { saveFile } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { working } from '../../shared/ui/work.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useOfFly, useReport } from '../../shared/solve/useReport.ts';
import { SHEET } from './commands.ts';
import { BulkChart } from './BulkChart.tsx';
import { Findings } from './Findings.tsx';
import { OrderLine, useOrder } from './OrderLine.tsx';
import { SheetSteps } from './SheetSteps.tsx';
import { OnTheTable, Proportions, WaterAndCare } from './SheetTable.tsx';
import { TyingsBox } from './TyingsBox.tsx';
import { SheetPending } from '../../fly/tyings/SheetPending.tsx';
import { useSheet, type SheetOfFly } from '../../fly/tyings/useSheet.ts';
import { useTyings } from '../../fly/tyings/useTyings.ts';
import { useFindings } from '../../fly/verdict/useFindings.ts';
import { WaysBox } from './WaysBox.tsx';

/** The ways a sheet leaves the screen. */
function useSheetFiles({ sheet, laid }: SheetOfFly) {
  const style = useStyle();
  const { hand, paper, beginner } = useSettings();
  const [making, setMaking] = useState(false);
  const name = slug(laid.file.name);
  return {
    making,
    pdf: (): void => {
      setMaking(true);
      working('Setting the sheet', (watching) => api.sheetPdf(laid.file, { paper, hand, style, beginner }, watching))
        .then((pdf) => saveFile(`${name}-sheet.pdf`, pdf))
        .catch((reason: unknown) => say(reason instanceof Error ? reason.message : 'The sheet was not made.'))
        .finally(() => setMaking(false));
    },
    markdown: (): void => saveFile(`${name}.md`, sheetMarkdown(sheet, style), 'text/markdown'),
    html: (): void => saveFile(`${name}.html`, sheetHtml(sheet, style, stageSvgs(laid, sheet, hand)), 'text/html'),
  };
}

/** The pages of a sheet, as its PDF has them. */
function usePages({ sheet, laid }: SheetOfFly): () => readonly Page[] {
  const style = useStyle();
  const { hand, paper, beginner } = useSettings();
  return useCallback(
    () => sheetPages(sheet, laid, { paper, hand, style, beginner, textWidth: screenWidth() }),
    [sheet, laid, paper, hand, style, beginner],
  );
}

/** What is to be said of the order and of how the body grows, not of what the fly does. */
const isOfTying = ({ code }: Finding): boolean => /^(order|bulk)\./.test(code);

/** Ties the fly: one of the running batch where that ties it as it is, else one by itself. */
function useTie(file: FlyFile): () => void {
  const id = useBench((state) => state.id);
  const navigate = useNavigate();
  return () => {
    void tieOfRunning(id, file)
      .catch(() => null)
      .then((running) => {
        if (running) say(`This one counts into ${running.name}.`);
        return navigate(running ? `/batches/${running.id}/vise` : `/fly/${id}/vise`);
      });
  };
}

/** How the fly is tied, on a sheet: on the table, step by step, its measures, what it does. */
export function SheetView() {
  const saver = useSaver();
  const { beginner } = useSettings();
  const { answer, again } = useSheet(beginner);
  return <BoardFrame saver={saver}>{answer ? <SheetBoard {...answer} /> : <SheetPending again={again} />}</BoardFrame>;
}

function SheetBoard({ sheet, laid }: SheetOfFly) {
  const bench = useBenchStore();
  const tie = useTie(laid.file);
  const style = useStyle();
  const id = useBench((state) => state.id);
  const drawers = useBench((state) => state.drawers);
  const [figures] = useState(() => new FigureCache());
  const { tyings, remove, restore } = useTyings(id);
  const thread = useMemo(() => threadOf(laid.file, drawers.threads), [laid, drawers]);
  const order = useOrder(laid);
  const { all } = useFindings(useReport(useOfFly(laid.file, drawers)).checked);
  const found = useMemo(() => all.filter(isOfTying), [all]);
  const files = useSheetFiles({ sheet, laid });
  const pages = usePages({ sheet, laid });
  const take = (file: FlyFile, words: string): void => {
    changeUndoable(bench, file, words);
  };
  /** What another way of tying changes in the steps, in a line. */
  const changedSteps = (file: FlyFile): string => {
    const other = layFly(file, drawers);
    return other.ok ? changesInWords(compareSteps(sheet.steps, tyingPlan(other.value, style).steps)) : '';
  };
  const reorder = (): void => take(inOrder(laid.file, order.best), 'Put in an order that breaks nothing.');
  useTable('sheet', SHEET, {
    tie,
    print: () => window.print(),
    pdf: files.pdf,
    order: order.isBest ? null : reorder,
    markdown: files.markdown,
    html: files.html,
  });
  return (
    <main className="flex flex-1 min-h-0 max-[760px]:block max-[760px]:overflow-y-auto" data-testid="tying-sheet">
      <PrintedPages make={pages} />
      <aside
        className="w-[320px] max-[1000px]:w-[260px] shrink-0 border-r border-hair overflow-y-auto px-4 py-3 max-[760px]:w-auto max-[760px]:border-r-0 max-[760px]:border-b max-[760px]:overflow-visible"
        aria-label="On the table"
      >
        <p className="text-ink2">
          {sheet.hook}{' '}
          <span
            className="italic whitespace-nowrap"
            title="These letters change when the fly does: a printed sheet with others is of an older one"
          >
            version {sheet.id}
          </span>
        </p>
        <SheetKeys onTie={tie} files={files} />
        <TyingsBox tyings={tyings ?? []} onRemove={remove} onRestore={restore} />
        <OnTheTable sheet={sheet} />
        <Proportions sheet={sheet} />
        <div>
          <WaysBox laid={laid} onTake={(file, words) => take(file, `${sentence(words)} ${changedSteps(file)}`)} />
        </div>
        <WaterAndCare sheet={sheet} />
      </aside>
      <section
        className="flex-1 min-w-0 overflow-y-auto px-4 py-3 max-[760px]:overflow-visible"
        aria-label="Steps"
        tabIndex={0}
      >
        <BulkChart laid={laid} findings={found} />
        <OrderLine order={order} onReorder={reorder} />
        <Findings findings={found} onTake={take} />
        <SheetSteps
          laid={laid}
          steps={sheet.steps}
          thread={thread}
          tyings={tyings ?? []}
          figures={figures}
          onOrder={(ids, moved) => take(inOrder(laid.file, ids), `Moved the ${moved}.`)}
        />
      </section>
    </main>
  );
}

interface SheetKeysProps {
  readonly onTie: () => void;
  readonly files: ReturnType<typeof useSheetFiles>;
}

/** The ways from the sheet: to the vise, to paper, to a file. */
function SheetKeys({ onTie, files }: SheetKeysProps) {
  return (
    <p className="flex flex-wrap items-baseline gap-3 my-2">
      <button type="button" className="sheet-button primary" onClick={onTie}>
        Tie it <span className="plain-key">G</span>
      </button>
      <button type="button" className="sheet-button" onClick={() => window.print()}>
        Print <span className="plain-key">P</span>
      </button>
      <button type="button" className="sheet-button" onClick={files.pdf} disabled={files.making}>
        {files.making ? 'Making it' : 'PDF'} <span className="plain-key">E</span>
      </button>
      <span>
        printed on <PaperChoice />
      </span>
    </p>
  );
}
