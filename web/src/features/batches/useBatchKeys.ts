import { type BatchReport, handfulFor, labelPages, prepPages } from '@jobbet/core/batch';
import type { Paper } from '@jobbet/core/drawing';
import {
  type BatchFile,
  counted,
  goneOn,
  hooksOf,
  type HookAt,
  inVise,
  laidOutOn,
  pinOf,
  stateAt,
  withEvening,
  withState,
  writeBatchTable,
} from '@jobbet/core/records';
import type { Style } from '@jobbet/core/units';
import { useNavigate, type NavigateFunction } from 'react-router';
import { dayWords, momentNow } from '../../fly/batches/clock.ts';
import { changeBatch, type Change, doing, redoBatch, undoBatch } from '../../fly/batches/kept.ts';
import { eveningsByFly, itemWords, rowWords } from '../../fly/batches/words.ts';
import { api, type StoredBatch } from '../../shared/api/client.ts';
import { useTable } from '../../shared/commands/useKeys.ts';
import { screenWidth } from '../../shared/paper/PrintedPages.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { csvText } from '../../shared/ui/csv.ts';
import { saveFile, slug } from '../../shared/ui/saveFile.ts';
import { say } from '../../shared/ui/toast.ts';
import { working } from '../../shared/ui/work.ts';
import { calendarOf } from './calendar.ts';
import { BATCH } from './commands.ts';

/** What is open over the batch. */
export type Dialog = 'rename' | 'rows' | { readonly shadeOf: number } | null;

/** The evening a fly is on: where it was put, else where it falls; null where it finds none. */
function eveningOf(batch: BatchFile, report: BatchReport, at: HookAt): string | null {
  const before = batch.rows.slice(0, at.row - 1).reduce((sum, { count }) => sum + count, 0);
  return pinOf(batch, at) ?? eveningsByFly(report).get(before + at.n) ?? null;
}

/** Commands that put flies on other evenings. */
function eveningKeys(batch: BatchFile, report: BatchReport | null, at: HookAt | undefined, change: Change) {
  const days = [...new Set((batch.evenings ?? []).map(({ date }) => date))].sort();
  const by = (step: number, flies: readonly HookAt[]) => (): void => {
    if (!at || !report) return;
    const from = eveningOf(batch, report, at);
    const to = days[from === null ? (step > 0 ? 0 : days.length - 1) : days.indexOf(from) + step];
    if (to === undefined) {
      say(step > 0 ? 'There is no evening after it: name one more.' : 'There is no evening before it.');
      return;
    }
    const what = flies.length > 1 ? `the flies of ${rowWords(batch, at.row)}` : `a fly of ${rowWords(batch, at.row)}`;
    change(`${what} on ${dayWords(to)}`, (now) => withEvening(now, flies, to));
  };
  if (!at || !report || days.length < 2)
    return { earlier: null, later: null, rowEarlier: null, rowLater: null, free: null };
  const row = Array.from({ length: hooksOf(batch, at.row) }, (_, i) => ({ row: at.row, n: i + 1 })).filter(
    (each) => stateAt(batch, each) === 'to-come',
  );
  const fly = stateAt(batch, at) === 'to-come' ? [at] : [];
  const moved = (step: number, flies: readonly HookAt[]) => (flies.length > 0 ? by(step, flies) : null);
  const pinned = row.filter((each) => pinOf(batch, each) !== null);
  return {
    earlier: moved(-1, fly),
    later: moved(1, fly),
    rowEarlier: moved(-1, row),
    rowLater: moved(1, row),
    free:
      pinned.length > 0
        ? () =>
            change(`the flies of ${rowWords(batch, at.row)} on any evening`, (now) => withEvening(now, pinned, null))
        : null,
  };
}

interface KeysOf {
  readonly stored: StoredBatch;
  readonly at: { readonly row: number; readonly n: number } | undefined;
  readonly report: BatchReport | null;
  readonly change: Change;
  readonly take: (index: number) => void;
  readonly setFly: (change: (now: number) => number) => void;
  readonly setItem: (index: number) => void;
  readonly lit: number;
  readonly setDialog: (dialog: Dialog) => void;
  readonly columns: number;
}

/** What is printed of a batch: what is made ready, bought and when it is tied; and labels for the fly box. */
const PRINTED = {
  prep: { pages: prepPages, words: 'prep sheet' },
  labels: { pages: labelPages, words: 'labels' },
} as const;

async function print(what: keyof typeof PRINTED, report: BatchReport, paper: Paper, style: Style): Promise<void> {
  const { pages, words } = PRINTED[what];
  const set = pages(report, { paper, style, textWidth: screenWidth() });
  const title = `${report.name}: ${words}`;
  const pdf = await working(`Setting the ${words}`, (watching) => api.printPdf(title, set, watching));
  saveFile(`${slug(report.name)}-${what}.pdf`, pdf);
}

/** Commands that take one fly on. */
function flyKeys(
  { id, record: batch }: StoredBatch,
  at: HookAt | undefined,
  report: BatchReport | null,
  change: Change,
  navigate: NavigateFunction,
) {
  const on = (): void => {
    if (!at) return;
    const coats = report?.rows[at.row - 1]?.coats_min.length ?? 0;
    const gone = (now: BatchFile): BatchFile | null =>
      goneOn(now, at, coats, momentNow(), handfulFor(now, report?.time.way));
    const other = inVise(batch);
    if (gone(batch)) change(`on with a fly of ${rowWords(batch, at.row)}`, gone);
    else if (other) say(`A fly of ${rowWords(batch, other.row)} is in the vise: finish that one first.`);
    else say('Nothing is left to do to this fly.');
  };
  const state = at && stateAt(batch, at);
  const toVise = (): void => {
    if (!at) return;
    if (state === 'vise') void navigate(`/batches/${id}/vise`);
    else if (inVise(batch)) on();
    else
      doing(
        changeBatch(id, `a fly of ${rowWords(batch, at.row)} into the vise`, (now) =>
          goneOn(now, at, 0, momentNow(), handfulFor(now, report?.time.way)),
        ).then(() => void navigate(`/batches/${id}/vise`)),
      );
  };
  const toInspect = (): void => {
    const fly = at && batch.rows[at.row - 1]?.fly;
    if (fly !== undefined) void navigate(`/fly/${fly}/inspect`);
  };
  return {
    vise: state === 'to-come' || state === 'vise' ? toVise : state === 'kept' ? toInspect : on,
    on,
    hang: state === 'to-come' ? on : null,
    spoilt:
      at &&
      (() => change(`a fly of ${rowWords(batch, at.row)} spoilt`, (now) => withState(now, at, 'spoilt', momentNow()))),
    apart:
      at && state !== 'to-come' && state !== 'apart'
        ? () =>
            change(`a fly of ${rowWords(batch, at.row)} taken apart`, (now) => withState(now, at, 'apart', momentNow()))
        : null,
  };
}

/** What can be done with the batch, by key and by name. */
export function useBatchKeys({
  stored,
  at,
  report,
  change,
  take,
  setFly,
  setItem,
  lit,
  setDialog,
  columns,
}: KeysOf): void {
  const { id, record: batch } = stored;
  const navigate = useNavigate();
  const style = useStyle();
  const { paper } = useSettings();
  const last = (report?.needs.length ?? 1) - 1;
  const need = report?.needs[lit];
  useTable('batch', BATCH, {
    ...eveningKeys(batch, report, at, change),
    left: () => setFly((now) => Math.max(0, Math.min(now, columns - 1) - 1)),
    right: () => setFly((now) => Math.min(columns - 1, now + 1)),
    above: () => setItem(Math.max(0, lit - 1)),
    below: () => setItem(Math.min(last, lit + 1)),
    ...flyKeys(stored, at, report, change, navigate),
    fewer: at && (() => change('one fewer', (now) => counted(now, at.row, -1))),
    more: at && (() => change('one more', (now) => counted(now, at.row, 1))),
    take: () => take(0),
    second: () => take(1),
    third: () => take(2),
    print: report && (() => doing(print('prep', report, paper, style))),
    laid: need && (() => change(`${itemWords(need)} laid out`, (now) => laidOutOn(now, itemWords(need)))),
    labels: report && (() => doing(print('labels', report, paper, style))),
    calendar:
      report && report.time.evenings > 0 && batch.evenings
        ? () => doing(calendarOf(id, report).then((text) => saveFile(`${slug(batch.name)}.ics`, text, 'text/calendar')))
        : null,
    table: () =>
      saveFile(
        `${slug(batch.name)}.csv`,
        csvText(writeBatchTable(batch.rows, (row) => rowWords(batch, row))),
        'text/csv',
      ),
    rename: () => setDialog('rename'),
    save: () => saveFile(`${slug(batch.name)}.batch.json`, `${JSON.stringify(batch, null, 2)}\n`, 'application/json'),
    undo: () => undoBatch(id),
    redo: () => redoBatch(id),
  });
}
