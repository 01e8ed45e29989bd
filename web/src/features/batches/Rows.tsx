import type { BatchReport } from '@jobbet/core/batch';
import { type BatchFile, type BatchRow, counted, MOST_PLACES, withoutRow } from '@jobbet/core/records';
import { readSizes } from '@jobbet/core/study';
import { readShare } from '@jobbet/core/records';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState, type RefObject } from 'react';
import { TextField, ChoiceField } from '../../shared/fields/Fields.tsx';
import { ChangedSince } from './ChangedSince.tsx';
import { Evenings } from './Evenings.tsx';
import type { Change } from '../../fly/batches/kept.ts';
import { rowWords } from '../../fly/batches/words.ts';

interface RowsProps {
  readonly batch: BatchFile;
  readonly report: BatchReport | null;
  /** The row of the fly that is lit, from 1. */
  readonly lit: number;
  readonly onChange: Change;
  readonly onAdd: () => void;
  readonly onShade: (row: number) => void;
}

const fault = (message: string) => [{ path: '', code: 'syntax' as const, message }];

const withRow = (batch: BatchFile, row: number, change: Partial<BatchRow>): BatchFile => ({
  ...batch,
  rows: batch.rows.map((each, i) => {
    if (i !== row - 1) return each;
    const merged = { ...each, ...change };
    return Object.fromEntries(Object.entries(merged).filter(([, value]) => value !== undefined)) as BatchRow;
  }),
});

/** How many of which, on what, and when: what the batch is planned by. */
export function Rows({ batch, report, lit, onChange, onAdd, onShade }: RowsProps) {
  const frame = useRef<HTMLElement>(null);
  return (
    <section ref={frame} aria-label="Rows" className="w-[230px] shrink-0 border-r border-hair overflow-y-auto fade-end">
      {batch.rows.length > MANY ? (
        <RowsInSight {...{ batch, report, lit, onChange, onShade }} frame={frame} />
      ) : (
        batch.rows.map((row, i) => (
          <Row key={i} {...{ batch, report, row, onChange, onShade }} at={i + 1} lit={lit === i + 1} />
        ))
      )}
      <p className="px-3 py-2 border-b border-hair">
        <button type="button" className="underline" onClick={onAdd}>
          More flies
        </button>
      </p>
      <div className="px-3 py-2 border-b border-hair">
        spoilt, of all{' '}
        <TextField
          label="share that is spoilt"
          value={batch.spoil ?? ''}
          empty="none"
          onChange={(text) => {
            const plain = text.trim() === '' || text.trim().endsWith('%') ? text.trim() : `${text.trim()} %`;
            const share = plain === '' ? 0 : readShare(plain);
            if (!(share >= 0 && share <= 0.9)) return fault(`"${text}" is no share from 0 to 90 %`);
            onChange('the share that is spoilt', (now) => {
              const { spoil: _was, ...rest } = now;
              return plain === '' ? rest : { ...rest, spoil: plain };
            });
            return [];
          }}
        />
        <br />
        dry at once{' '}
        <TextField
          label="flies that may dry at once"
          value={batch.rack === undefined ? '' : String(batch.rack)}
          empty="any number"
          onChange={(text) => {
            const plain = text.trim();
            const places = Number(plain);
            if (plain !== '' && (!Number.isInteger(places) || places < 1 || places > MOST_PLACES))
              return fault(`"${text}" is no number of flies from 1 to ${String(MOST_PLACES)}`);
            onChange('the places of the rack', (now) => {
              const { rack: _was, ...rest } = now;
              return plain === '' ? rest : { ...rest, rack: places };
            });
            return [];
          }}
        />
        <br />
        tied{' '}
        <ChoiceField
          label="way of tying"
          value={batch.way ?? ''}
          empty="the quicker way"
          options={[
            ['one-by-one', 'one fly at a time'],
            ['by-steps', 'step by step'],
          ]}
          onChange={(way) =>
            onChange('the way of tying', (now) => {
              const { way: _was, ...rest } = now;
              return way === 'one-by-one' || way === 'by-steps' ? { ...rest, way } : rest;
            })
          }
        />
      </div>
      <Evenings batch={batch} onChange={onChange} />
    </section>
  );
}

/** More rows than this are laid out as they are scrolled to. */
const MANY = 30;
/** About what a row is high, px. */
const ROW = 64;

/** Of very many rows those in sight. */
function RowsInSight({
  frame,
  lit,
  ...props
}: Omit<RowsProps, 'onAdd'> & { readonly frame: RefObject<HTMLElement | null> }) {
  const { rows } = props.batch;
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 4,
  });
  useEffect(() => {
    if (lit > 0) virtual.scrollToIndex(lit - 1);
  }, [virtual, lit]);
  return (
    <div className="relative" style={{ height: virtual.getTotalSize() }}>
      {virtual.getVirtualItems().map(({ index, start, key }) => {
        const row = rows[index];
        return (
          row && (
            <div
              key={key}
              ref={virtual.measureElement}
              data-index={index}
              className="absolute inset-x-0"
              style={{ transform: `translateY(${String(start)}px)` }}
            >
              <Row {...props} row={row} at={index + 1} lit={lit === index + 1} />
            </div>
          )
        );
      })}
    </div>
  );
}

interface RowProps extends Pick<RowsProps, 'batch' | 'report' | 'onChange' | 'onShade'> {
  readonly row: BatchRow;
  readonly at: number;
  readonly lit: boolean;
}

/** One row: how many, on what, holding what, in which shade; and what is to be known of it. */
function Row({ batch, report, row, at, lit, onChange, onShade }: RowProps) {
  const told = report?.rows[at - 1];
  const name = rowWords(batch, at);
  return (
    <div
      className={`px-3 py-2 border-b border-hair border-l-4 ${lit ? 'border-l-pick bg-sunk' : 'border-l-transparent'}`}
    >
      <p className="leading-7">
        <TextField
          label={`how many of row ${String(at)}`}
          value={String(row.count)}
          onStep={(steps) => String(row.count + Math.sign(steps))}
          onChange={(text) => {
            const count = Number(text);
            const by = Number.isInteger(count) ? count - row.count : Number.NaN;
            if (!Number.isFinite(by) || counted(batch, at, by) === null)
              return fault('a whole number from 1 to 10,000');
            onChange(`${String(count)} of ${name}`, (now) => counted(now, at, count - (now.rows[at - 1]?.count ?? 0)));
            return [];
          }}
        />{' '}
        <b>{name}</b> on{' '}
        <TextField
          label={`what row ${String(at)} is tied on`}
          value={row.on ?? ''}
          empty="its own hook"
          onChange={(text) => {
            const read = text.trim() === '' ? null : readSizes(text);
            if (read && (!read.ok || read.value.length !== 1))
              return fault(read.ok ? 'one size a row' : (read.faults[0]?.message ?? 'no size'));
            onChange(`${name} on ${text}`, (now) =>
              withRow(now, at, { on: text.trim() === '' ? undefined : text.trim() }),
            );
            return [];
          }}
        />
      </p>
      <RowHow {...{ batch, row, at, onChange, onShade }} />
      <ChangedSince {...{ batch, at, onChange }} />
      {told && <Warnings warnings={told.warnings} />}
    </div>
  );
}

/** In which shade a row is tied, what its size holds, and the way out of the batch. */
function RowHow({ batch, row, at, onChange, onShade }: Omit<RowProps, 'report' | 'lit'>) {
  const name = rowWords(batch, at);
  return (
    <p className="text-label text-ink2 flex flex-wrap gap-x-3">
      <button type="button" className="underline italic text-left" onClick={() => onShade(at)}>
        {row.shade === undefined ? 'as the fly is' : shadeShort(row)}
      </button>
      {row.on !== undefined && (
        <ChoiceField
          label={`what row ${String(at)} holds`}
          value={row.hold ?? 'shape'}
          options={[
            ['shape', 'same shape'],
            ['ride', 'same ride'],
            ['sink', 'same sink'],
          ]}
          onChange={(hold) =>
            onChange(`${name}, what is held`, (now) =>
              withRow(now, at, { hold: hold === 'ride' || hold === 'sink' ? hold : undefined }),
            )
          }
        />
      )}
      {batch.rows.length > 1 && (
        <button
          type="button"
          className="underline"
          onClick={() => onChange(`${name} out of the batch`, (now) => withoutRow(now, at))}
        >
          take out
        </button>
      )}
    </p>
  );
}

/** What is to be known of a row before it is tied: the first of it, and the rest when asked. */
function Warnings({ warnings }: { readonly warnings: readonly string[] }) {
  const [open, setOpen] = useState(false);
  if (warnings.length === 0) return null;
  return (
    <button type="button" className="text-left text-label" aria-expanded={open} onClick={() => setOpen(!open)}>
      {(open ? warnings : warnings.slice(0, 1)).map((warning) => (
        <span key={warning} className="block first-letter:uppercase text-ink2">
          {warning}
        </span>
      ))}
      {!open && warnings.length > 1 && <span className="underline">and {warnings.length - 1} more</span>}
    </button>
  );
}

const shadeShort = ({ shade }: BatchRow): string =>
  Object.entries(shade ?? {})
    .map(([part, by]) =>
      by === null
        ? `no ${part}`
        : typeof by === 'string'
          ? `${part} ${by}`
          : `${part} ${Object.values(by).map(String).join(', ')}`,
    )
    .join('; ');
