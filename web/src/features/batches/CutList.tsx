import type { BatchReport, NeedReport } from '@jobbet/core/batch';
import { stateAt, type BatchFile } from '@jobbet/core/records';
import { useEffect, useRef } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import type { RackLayout } from './rackLayout.ts';
import { itemWords, shortWords, stockWords } from '../../fly/batches/words.ts';

interface CutListProps {
  readonly batch: BatchFile;
  readonly report: BatchReport;
  readonly layout: RackLayout;
  readonly margin: number;
  readonly picked: number;
  readonly onPick: (index: number) => void;
  /** Told when more of an item is laid out. */
  readonly onLaid: (item: string) => void;
}

/** What all flies take, item by item: under each fly its pieces, and under the row how far the drawer reaches. */
export function CutList(props: CutListProps) {
  const { report, picked, onPick } = props;
  const style = useStyle();
  const lit = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    // What it answers with is no way to undo it: some browsers promise to have scrolled.
    lit.current?.scrollIntoView({ block: 'nearest' });
  }, [picked]);
  return (
    <table className="w-full border-separate border-spacing-0 table-fixed" aria-label="Cut list">
      <tbody>
        {report.needs.map((need, i) => (
          <tr
            key={`${need.kind} ${itemWords(need)} ${need.unit}`}
            ref={i === picked ? lit : null}
            aria-current={i === picked}
            onClick={() => onPick(i)}
            className={`cursor-pointer ${i === picked ? 'bg-sunk' : ''}`}
          >
            <th
              scope="row"
              className={`text-left font-normal align-middle border-b border-hair pl-3 pr-2 border-l-4 ${i === picked ? 'border-l-pick' : 'border-l-transparent'}`}
              style={{ width: props.margin, height: 34 }}
            >
              <span className="flex gap-1.5 items-center font-semibold leading-tight" title={itemWords(need)}>
                <button
                  type="button"
                  tabIndex={-1}
                  aria-label={`${itemWords(need)}: ${LAID_WORDS[props.batch.laidOut?.[itemWords(need)] ?? 'none']}`}
                  onClick={(event) => {
                    event.stopPropagation();
                    props.onLaid(itemWords(need));
                  }}
                >
                  <LaidDot laid={props.batch.laidOut?.[itemWords(need)]} />
                </button>
                {need.runsOutAt !== null && <SnagFlag />} <span className="truncate">{itemWords(need)}</span>
              </span>
              <span
                className={`block italic text-label truncate leading-tight pl-4 ${need.runsOutAt === null ? 'text-ink2' : 'text-warn'}`}
              >
                {stockWords(need, style)}
              </span>
            </th>
            <td className="relative border-b border-l border-hair" style={{ height: 34 }}>
              <Pieces {...props} need={need} />
              <span className="sr-only">
                {shortWords(need, style) ?? 'enough for all'},{' '}
                {LAID_WORDS[props.batch.laidOut?.[itemWords(need)] ?? 'none']}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const LAID_WORDS = { none: 'not laid out yet', tonight: 'laid out for tonight', all: 'all laid out' } as const;

/** Open, half or full: none of it is laid out, tonight's, all. */
const LaidDot = ({ laid }: { readonly laid: 'tonight' | 'all' | undefined }) => (
  <svg aria-hidden="true" width={10} height={10} viewBox="0 0 10 10" className="shrink-0">
    <circle cx={5} cy={5} r={4.2} fill={laid === 'all' ? 'var(--ink)' : 'none'} stroke="var(--ink)" />
    {laid === 'tonight' && <path d="M5 0.8A4.2 4.2 0 0 0 5 9.2Z" fill="var(--ink)" />}
  </svg>
);

const SHARE_OF_COLUMN = 0.66;

/** A mark under each fly that takes of it: longer pieces are broader; what is tied in is faint, what is missing dashed. */
function Pieces({ batch, layout, need }: CutListProps & { readonly need: NeedReport }) {
  const longest = Math.max(0, ...need.byRow.map(({ cut_mm: mm }) => mm ?? 0));
  const out = need.runsOutAt?.fly ?? Infinity;
  const cuts = new Map(need.byRow.map(({ row, cut_mm: mm }) => [row, mm]));
  const takers = layout.columns.slice(...layout.drawn).filter(({ row, fly }) => fly !== null && cuts.has(row));
  const first = takers[0];
  const lastServed = takers.filter(({ last }) => last < out).at(-1);
  return (
    <svg aria-hidden="true" className="absolute inset-0 w-full h-full">
      {takers.map((column) => {
        const { row, x, width } = column;
        const mm = cuts.get(row) ?? null;
        const share = mm === null || longest === 0 ? 0.35 : mm / longest;
        const broad = Math.max(4, share * SHARE_OF_COLUMN * width);
        const tied = !layout.folded && stateAt(batch, column) !== 'to-come';
        const missing = column.last >= out;
        return (
          <rect
            key={`${String(row)}/${String(column.n)}`}
            x={x + (width - broad) / 2}
            y={9}
            width={broad}
            height={need.unit === 'mm' ? 7 : 9}
            rx={need.unit === 'mm' ? 0 : 4.5}
            fill={missing ? 'none' : tied ? 'var(--hair)' : 'var(--ink2)'}
            stroke={missing ? 'var(--warn)' : 'none'}
            strokeDasharray={missing ? '3 2' : undefined}
          />
        );
      })}
      {first && lastServed && (
        <line
          x1={first.x}
          x2={lastServed.x + lastServed.width}
          y1={28}
          y2={28}
          stroke="var(--measure)"
          strokeWidth={1.6}
          strokeDasharray={need.have === null ? '4 3' : undefined}
        />
      )}
      {need.runsOutAt !== null &&
        takers
          .filter(({ fly, last }) => (fly ?? Infinity) <= out && last >= out)
          .slice(0, 1)
          .map(({ x }) => (
            <g key={x} transform={`translate(${String(x + 2)} 16)`}>
              <path d="M0 14V0M0 0h9l-2.4 3L9 6H0" stroke="var(--warn)" fill="var(--warn)" strokeWidth={1.6} />
            </g>
          ))}
    </svg>
  );
}
