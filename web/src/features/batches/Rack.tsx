import type { BatchReport } from '@jobbet/core/batch';
import { progressAt, progressOf, stateAt, type BatchFile } from '@jobbet/core/records';
import { Fragment, useMemo } from 'react';
import { dryAt } from '../../fly/batches/clock.ts';
import { FlyUpright } from './FlyUpright.tsx';
import { RACK } from './rackSize.ts';
import type { RackColumn, RackLayout } from './rackLayout.ts';
import { eveningsByFly, hookWords, STATES } from '../../fly/batches/words.ts';
import type { RowLaid } from './useRowFlies.ts';

interface RackProps {
  readonly batch: BatchFile;
  readonly report: BatchReport;
  readonly layout: RackLayout;
  /** By row, from 0. */
  readonly flies: ReadonlyMap<number, RowLaid | null>;
  readonly scale: number;
  readonly picked: number;
  readonly now: number;
  readonly onPick: (index: number) => void;
}

/** Every fly of the batch stuck in foam by its bend: those that are tied dressed, the others as bare hooks. */
export function Rack(props: RackProps) {
  const { report, layout, picked, onPick } = props;
  const evenings = useMemo(() => eveningsByFly(report), [report]);
  return (
    <div className="relative" style={{ height: RACK.height + 62 }}>
      <div
        aria-hidden="true"
        className="absolute inset-x-0 bg-sunk border-y border-hair"
        style={{ top: 24 + RACK.foam - 6, height: 16 }}
      />
      {layout.spans.map(({ row, from, to }) => (
        <p
          key={row}
          className="absolute top-0 italic text-measure overflow-hidden text-label text-center truncate border-b border-measure"
          style={{ left: from, width: to - from }}
          title={report.rows[row - 1]?.name}
        >
          {to - from > 90
            ? `${String(report.rows[row - 1]?.count ?? 0)} on ${report.rows[row - 1]?.on ?? ''}`
            : (report.rows[row - 1]?.on ?? '')}
        </p>
      ))}
      <div
        role="listbox"
        aria-label="Rack"
        tabIndex={0}
        aria-activedescendant={`hook-${String(picked)}`}
        className="absolute inset-x-0 top-6"
        style={{ height: RACK.height + 38 }}
      >
        {layout.columns.map(
          (column, i) =>
            i >= layout.drawn[0] &&
            i < layout.drawn[1] && (
              <Hook
                key={`${String(column.row)}/${String(column.n)}`}
                {...props}
                evening={column.fly === null ? null : (evenings.get(column.fly) ?? null)}
                column={column}
                index={i}
                onPick={() => onPick(i)}
              />
            ),
        )}
      </div>
    </div>
  );
}

/** How far the batch has come, and what is done with the fly that is lit. */
export function RackWords({ batch, width }: { readonly batch: BatchFile; readonly width: number }) {
  const { by } = progressOf(batch);
  const told = (['kept', 'drying', 'vise', 'to-come', 'spoilt', 'apart'] as const).filter(
    (state) => by[state] > 0 || state === 'to-come' || state === 'kept',
  );
  return (
    <div className="shrink-0 pl-4 pr-3 flex flex-col" style={{ width }}>
      <h2 className="font-bold">
        Rack <span className="font-normal italic text-ink2 text-label">by the bend in foam</span>
      </h2>
      <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-3">
        {told.map((state) => (
          <Fragment key={state}>
            <dt className="font-bold text-right min-w-6">{by[state]}</dt>
            <dd>{STATES[state]}</dd>
          </Fragment>
        ))}
      </dl>
      <p className="mt-auto mb-2 text-ink2 leading-6">
        at the vise <span className="plain-key">⏎</span> on with it <span className="plain-key">O</span>
        <br />
        spoilt <span className="plain-key">X</span> fewer <span className="plain-key">-</span> more{' '}
        <span className="plain-key">+</span>
      </p>
    </div>
  );
}

interface HookProps extends Omit<RackProps, 'onPick'> {
  readonly column: RackColumn;
  /** The day it is tied on as it falls. */
  readonly evening: string | null;
  readonly index: number;
  readonly onPick: () => void;
}

const BROADEST = 96;

/** One fly in the rack, with its coats as drops and where it is in a word. */
function Hook({ batch, report, layout, flies, scale, picked, now, column, evening, index, onPick }: HookProps) {
  const { row, x, width, fly } = column;
  const told = report.rows[row - 1];
  const state = stateAt(batch, column);
  const laid = flies.get(row - 1);
  const lit = picked === index;
  const gone = state === 'spoilt' || state === 'apart';
  const tied = state === 'kept' || state === 'drying' || state === 'vise';
  const broad = Math.max(width, BROADEST);
  const kept = layout.folded ? keptOf(batch, row) : 0;
  const words = layout.folded ? `${String(kept)} in the box` : hookWords(batch, column, told, now, evening);
  return (
    <div
      id={`hook-${String(index)}`}
      role="option"
      aria-selected={lit}
      aria-label={`fly ${fly === null ? 'in place of one that was lost' : String(fly)}, ${told?.name ?? ''}, ${words}`}
      onClick={onPick}
      className={`absolute top-0 cursor-pointer ${lit ? 'bg-sunk border-t-[3px] border-pick' : 'border-t-[3px] border-transparent'}`}
      style={{ left: x, width, height: RACK.height + 38 }}
    >
      <Drops column={column} batch={batch} of={told?.coats_min.length ?? 0} />
      {laid && !gone && (
        <div
          className="absolute top-0"
          style={{ left: (width - broad) / 2, width: broad, height: RACK.height, opacity: state === 'vise' ? 0.75 : 1 }}
        >
          <FlyUpright
            laid={tied ? laid.dressed : laid.bare}
            width={broad}
            height={RACK.height}
            scale={scale}
            foamPx={RACK.foam}
            mode={tied ? 'dressed' : 'lines'}
          />
        </div>
      )}
      <p className={`absolute inset-x-0 text-center ${lit ? 'font-bold' : ''}`} style={{ top: RACK.height - 2 }}>
        {layout.folded ? `× ${String(told?.count ?? 0)}` : (fly ?? '+')}
      </p>
      <p
        className="absolute inset-x-0 text-center italic text-label text-ink2 whitespace-nowrap overflow-hidden"
        style={{ top: RACK.height + 16 }}
      >
        {layout.folded
          ? words
          : state === 'drying'
            ? leftWords(dryAt(batch, column, told), now)
            : state === 'to-come'
              ? ''
              : SHORT[state]}
      </p>
    </div>
  );
}

const keptOf = (batch: BatchFile, row: number): number =>
  (batch.flies ?? []).filter((each) => each.row === row && each.state === 'kept').length;

const SHORT = { ...STATES, kept: 'box', vise: 'vise', apart: 'apart' } as const;

/** Minutes until it may be touched. */
const leftWords = (dry: number | null, now: number): string =>
  dry === null || dry <= now ? 'dry' : `${String(Math.ceil(dry - now))} min`;

/** A drop a coat, solid where it is on. */
function Drops({ column, batch, of }: { readonly column: RackColumn; readonly batch: BatchFile; readonly of: number }) {
  const known = progressAt(batch, column.row, column.n);
  if (known?.state !== 'drying' || of === 0) return null;
  const on = known.coats?.length ?? 0;
  return (
    <svg
      aria-hidden="true"
      className="absolute right-1 top-1"
      width={9}
      height={12 * of}
      viewBox={`0 0 9 ${String(12 * of)}`}
    >
      {Array.from({ length: of }, (_, i) => (
        <path
          key={i}
          transform={`translate(0 ${String(12 * i)})`}
          d="M4.5 0.8 C6.4 3.8 7.9 5.4 7.9 7.4 A3.4 3.4 0 0 1 1.1 7.4 C1.1 5.4 2.6 3.8 4.5 0.8 Z"
          fill={i < on ? 'var(--ink)' : 'none'}
          stroke="var(--ink)"
          strokeWidth={1}
        />
      ))}
    </svg>
  );
}
