import type { SubstituteReport } from '@jobbet/core/batch';
import type { Fault } from '@jobbet/core/base';
import type { Drawers } from '@jobbet/core/drawers';
import { type BatchFile, type HookAt, laidOutOn, patternAt, withEvening } from '@jobbet/core/records';
import { readFlyValue } from '@jobbet/core/pattern';
import { useMemo, useRef, useState } from 'react';
import type { StoredBatch } from '../../shared/api/client.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { WordDialog } from '../../shared/ui/WordDialog.tsx';
import { BenchLine } from './BenchLine.tsx';
import { dayWords, useMinutes } from '../../fly/batches/clock.ts';
import { CutList } from './CutList.tsx';
import { Foot } from './Foot.tsx';
import { changeBatch, type Change, doing, replaceBatch } from '../../fly/batches/kept.ts';
import { Margin } from './Margin.tsx';
import { carriedOnce, plannedFly, rowOf } from '../../fly/batches/planning.ts';
import { useBatchKeys, type Dialog } from './useBatchKeys.ts';
import { Rack, RackWords } from './Rack.tsx';
import { rackLayout, type RackLayout } from './rackLayout.ts';
import type { StepTimes } from '../../fly/batches/times.ts';
import { batchInstead, type GoodPlan, usePlan, usePlanProgress, useSubstitutes } from '../../fly/batches/usePlan.ts';
import { RowDialog, type RowAsked } from './RowDialog.tsx';
import { Rows } from './Rows.tsx';
import { ShadeDialog } from './ShadeDialog.tsx';
import { useRowFlies } from './useRowFlies.ts';
import { faultWords, rowWords } from '../../fly/batches/words.ts';

interface OneBatchProps {
  readonly stored: StoredBatch;
  readonly drawers: Drawers;
  readonly times: StepTimes;
}

const CUT_MARGIN = 190;

/** One batch: its rows, its flies in foam, what they take, its evenings, and the item that is lit. */
export function OneBatch({ stored, drawers, times }: OneBatchProps) {
  const { id, record: batch } = stored;
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const [fly, setFly] = useState(0);
  const [item, setItem] = useState<number | null>(null);
  const [dialog, setDialog] = useState<Dialog>(null);
  const { shown, current, faults, again } = usePlan({ batch, drawers, times });
  const layout = useMemo(() => rackLayout(batch, Math.max(0, width - CUT_MARGIN - 16), fly), [batch, width, fly]);
  const report = shown?.report ?? null;
  const firstShort = report?.needs.findIndex(({ runsOutAt }) => runsOutAt !== null) ?? -1;
  const lit = Math.min(item ?? Math.max(0, firstShort), (report?.needs.length ?? 1) - 1);
  const at = layout.columns[Math.min(fly, layout.columns.length - 1)];
  const change: Change = (words, how) => doing(changeBatch(id, words, how));
  const substitutes = useSubstitutes({ batch, drawers, times }, report, lit);
  const told = report?.needs[lit];
  const need = told && { ...told, substitutes };
  const put = (hook: HookAt, evening: string): void =>
    change(`a fly of ${rowWords(batch, hook.row)} on ${dayWords(evening)}`, (now) => withEvening(now, [hook], evening));
  const take = (substitute: SubstituteReport | undefined): void => {
    // What is lit may be another item of a batch that is still being worked out.
    if (!substitute || !need || !current) return;
    const { item: name, colour } = substitute;
    doing(
      batchInstead({ batch, drawers, times }, lit, { item: name, colour }).then((next) =>
        replaceBatch(id, `${name} instead of ${need.item}`, batch, next),
      ),
    );
  };
  useBatchKeys({
    stored,
    at,
    report,
    change,
    lit,
    setFly,
    setItem,
    setDialog,
    take: (i) => take(substitutes[i]),
    columns: layout.columns.length,
  });
  return (
    <>
      <div className="flex-1 min-h-0 flex">
        <Rows
          {...{ batch, report }}
          lit={at?.row ?? 0}
          onChange={change}
          onAdd={() => setDialog('rows')}
          onShade={(row) => setDialog({ shadeOf: row })}
        />
        <div ref={frame} className="flex-1 min-w-0 flex flex-col">
          <Troubles faults={faults} onAgain={again} />
          {shown && width > 0 ? (
            <Board
              {...{ batch, drawers, shown, layout, fly, lit }}
              onFly={setFly}
              onItem={setItem}
              onLaid={(item) => change(`${item} laid out`, (now) => laidOutOn(now, item))}
              onPut={put}
            />
          ) : (
            <p className="p-6 text-ink2">{faults.length > 0 ? '' : 'Working out the batch'}</p>
          )}
          {!current && <Working />}
        </div>
        {report && <Margin report={report} need={need} onTake={take} />}
      </div>
      {report && <Foot batch={batch} report={report} />}
      <Dialogs {...{ stored, drawers, dialog, change }} onClose={() => setDialog(null)} />
    </>
  );
}

/** How far a batch of many rows is worked out. */
function Working() {
  const progress = usePlanProgress();
  return (
    progress && (
      <p role="status" className="px-4 py-1 border-t border-hair text-ink2 flex items-center gap-3">
        <progress
          className="w-40 accent-[var(--measure)]"
          value={progress.done / progress.of}
          aria-label="rows worked out"
        />
        row {progress.done} of {progress.of} worked out
      </p>
    )
  );
}

interface TroublesProps {
  readonly faults: readonly Fault[];
  readonly onAgain: (() => void) | null;
}

/** What keeps the batch from being worked out; what was good last stays on screen. */
const Troubles = ({ faults, onAgain }: TroublesProps) => (
  <>
    {faults.map((fault) => (
      <p key={fault.path} role="alert" className="px-3 py-1 bg-warnwash">
        {faultWords(fault)}
      </p>
    ))}
    {onAgain && (
      <p role="alert" className="px-3 py-1 bg-warnwash">
        The batch could not be reckoned.{' '}
        <button type="button" className="underline" onClick={onAgain}>
          Try again
        </button>
      </p>
    )}
  </>
);

interface BoardProps {
  readonly batch: BatchFile;
  readonly drawers: Drawers;
  readonly shown: GoodPlan;
  readonly layout: RackLayout;
  readonly fly: number;
  readonly lit: number;
  readonly onFly: (index: number) => void;
  readonly onItem: (index: number) => void;
  readonly onPut: (at: HookAt, evening: string) => void;
  readonly onLaid: (item: string) => void;
}

/** The rack over the cut list over the bench line: a column is a fly from one to the next. */
function Board({
  batch,
  drawers,
  shown: { files, report },
  layout,
  fly,
  lit,
  onFly,
  onItem,
  onPut,
  onLaid,
}: BoardProps) {
  const now = useMinutes();
  const drawn = useMemo(() => layout.columns.slice(...layout.drawn).map(({ row }) => row - 1), [layout]);
  const { rows: flies, scale } = useRowFlies(files, drawn, drawers);
  const at = layout.columns[Math.min(fly, layout.columns.length - 1)];
  return (
    <>
      <div className="shrink-0 pt-2 flex">
        <RackWords batch={batch} width={CUT_MARGIN} />
        <div className="flex-1 min-w-0">
          <Rack {...{ batch, report, layout, flies, scale, now }} picked={fly} onPick={onFly} />
        </div>
      </div>
      <div
        tabIndex={0}
        role="region"
        aria-label="What is taken, scrolled"
        className="flex-1 min-h-0 overflow-y-auto border-y border-ink"
      >
        <CutList {...{ batch, report, layout }} margin={CUT_MARGIN} picked={lit} onPick={onItem} onLaid={onLaid} />
      </div>
      <div className="shrink-0 pr-3 pt-2 pb-1">
        <BenchLine {...{ batch, report, now, onPut }} margin={CUT_MARGIN} fly={at?.fly ?? null} />
      </div>
    </>
  );
}

interface DialogsProps {
  readonly stored: StoredBatch;
  readonly drawers: Drawers;
  readonly dialog: Dialog;
  readonly change: Change;
  readonly onClose: () => void;
}

/** The dialog that is open, if any. */
function Dialogs({ stored, drawers, dialog, onClose }: DialogsProps) {
  const { id, record: batch } = stored;
  if (dialog === 'rename')
    return (
      <WordDialog
        title="Rename the batch"
        label="name"
        most={120}
        first={batch.name}
        doing={() => 'Rename'}
        onKeep={(name) => changeBatch(id, `called ${name}`, (now) => ({ ...now, name }))}
        onClose={onClose}
      />
    );
  if (dialog === 'rows') {
    const add = async ({ fly, on, count }: RowAsked): Promise<void> => {
      const row = rowOf(await plannedFly(fly), count, on);
      await changeBatch(id, 'more flies', (now) => ({ ...now, rows: carriedOnce([...now.rows, row]) }));
    };
    return <RowDialog whole={false} onKeep={add} onClose={onClose} />;
  }
  if (dialog === null) return null;
  const row = dialog.shadeOf;
  const file = readFlyValue(patternAt(batch, row - 1) ?? null);
  const asked = batch.rows[row - 1];
  if (!file.ok || !asked) return null;
  return (
    <ShadeDialog
      file={file.value}
      row={asked}
      drawers={drawers}
      onKeep={(shade) =>
        changeBatch(id, `${file.value.name} otherwise`, (now) => ({
          ...now,
          rows: now.rows.map((each, i) => {
            if (i !== row - 1) return each;
            const { shade: _was, ...rest } = each;
            return Object.keys(shade).length === 0 ? rest : { ...rest, shade };
          }),
        }))
      }
      onClose={onClose}
    />
  );
}
