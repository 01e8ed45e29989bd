import type { FlyReport, LaidFly, LaidPart } from '@jobbet/core';
import { relationsOf } from '@jobbet/core/edit/relations';
import { tipRelation } from '@jobbet/core/edit/grips';
import { viewOf } from '@jobbet/core/figure/view';
import { boundsOf } from '@jobbet/core/geometry/bounds';
import type { Hold } from '@jobbet/core/run/runFly';
import type { RunSize } from '@jobbet/core/run/sizes';
import { formatLength, formatMass, formatNumber, formatSpeed, type Style } from '@jobbet/core/units/format';
import { useMemo, type ReactNode } from 'react';
import { FlyCanvas } from '../drawing/FlyCanvas.tsx';
import { useSettings, useStyle } from '../settings/settings.ts';
import type { RunAnswer } from '../solve/worker.ts';
import { RideGlyph, rideWords } from '../ui/RideGlyph.tsx';
import { SnagFlag } from '../ui/SnagFlag.tsx';

/** One size of the run, its answer once it is in, and the fly laid out on it for drawing. */
export interface Column {
  readonly size: RunSize;
  readonly answer: RunAnswer | null;
  readonly laid: LaidFly | null;
}

const HEADS = 172;
const LEAST = 104;
const TALL = 150;
const MOST_SCALE = 5;

interface RowOf {
  readonly name: string;
  readonly said: string;
  readonly cell: (report: FlyReport, laid: LaidFly, answer: Extract<RunAnswer, { ok: true }>) => ReactNode;
}

/** What a part is measured by: free length of what has a tip, across a ball, turns of wire. */
function partRow(part: LaidPart, style: Style): RowOf | null {
  const { id } = part.file;
  const length = (mm: number): string => formatLength(mm, style).figure;
  const of = (laid: LaidFly): LaidPart | undefined => laid.parts.find((each) => each.file.id === id);
  if (part.file.construction === 'ball')
    return {
      name: id,
      said: part.file.diameter,
      cell: (_report, laid) => {
        const ball = of(laid);
        return ball ? (
          <>
            {length(ball.extent.lengthMm)} <span className="italic text-ink2">{ball.built.material}</span>
          </>
        ) : (
          '–'
        );
      },
    };
  if (part.file.construction === 'wrap' && part.file.role === 'underbody')
    return {
      name: id,
      said: part.built.material,
      cell: (_report, laid) => `${formatNumber(of(laid)?.built.turns ?? 0, 0, style)} turns`,
    };
  const tip = tipRelation(part);
  if (!tip) return null;
  const strands = relationsOf(part.file).length > 0 && 'strands' in part.file ? part.file.strands : undefined;
  return {
    name: id,
    said: tip.text,
    cell: (_report, laid) => {
      const laidPart = of(laid);
      return laidPart
        ? `${length(laidPart.extent.lengthMm)}${strands === undefined ? '' : `, ${String(strands)} strands`}`
        : '–';
    },
  };
}

function rowsOf(own: LaidFly, style: Style): RowOf[] {
  const length = (mm: number): string => formatLength(mm, style).figure;
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  return [
    {
      name: 'shank, gap',
      said: style.length,
      cell: ({ platform }) =>
        `${length(platform.shank_mm)}${platform.gap_mm === null ? '' : `, ${length(platform.gap_mm)}`}`,
    },
    ...own.parts.flatMap((part) => partRow(part, style) ?? []),
    {
      name: 'rides',
      said: 'times the tipping weight',
      cell: ({ keel }, laid) => (
        <span className="flex items-center gap-1.5">
          <RideGlyph
            ride={keel.tight.ride}
            heelDeg={keel.tight.heel_deg}
            balls={laid.parts.some((part) => part.built.ball?.sided === true)}
            size={26}
          />
          <span
            className={
              laid.file.intent?.ride !== undefined && laid.file.intent.ride !== keel.tight.ride ? 'text-warn' : ''
            }
          >
            {rideWords(keel.tight.ride)}
            {keel.tipping && <span className="italic text-ink2"> {formatNumber(keel.tipping.ratio, 2, style)} ×</span>}
          </span>
        </span>
      ),
    },
    {
      name: 'holds to',
      said: 'side current',
      cell: ({ keel }) => (keel.holdsTo_mm_s === null ? 'any' : speed(keel.holdsTo_mm_s)),
    },
    { name: 'sinks', said: 'still water', cell: ({ sink }) => (sink ? speed(sink.terminal_mm_s) : 'floats') },
    { name: 'weighs', said: 'dry', cell: ({ weight }) => Object.values(formatMass(weight.dry_mg, style)).join(' ') },
    {
      name: 'checks',
      said: 'to settle',
      cell: (_report, _laid, { settle }) =>
        settle === 0 ? (
          '0'
        ) : (
          <span className="text-warn font-semibold">
            <SnagFlag /> {settle}
          </span>
        ),
    },
  ];
}

interface RunTableProps {
  readonly own: LaidFly;
  readonly columns: readonly Column[];
  readonly width: number;
  readonly hold: Hold;
  readonly onKeep: (column: Column) => void;
}

/** The run: every size drawn at one scale over its figures. */
export function RunTable({ own, columns, width, hold, onKeep }: RunTableProps) {
  const style = useStyle();
  const rows = useMemo(() => rowsOf(own, style), [own, style]);
  const across = Math.max(LEAST, Math.floor((width - HEADS - 16) / Math.max(1, columns.length)));
  const { scale, tall: tallMm } = useMemo(() => {
    const bounds = columns.flatMap(({ laid }) =>
      laid ? [boundsOf(laid.sections, laid.platform.landmarksMm.rear)] : [],
    );
    const long = Math.max(20, ...bounds.map((each) => each.rear - each.front));
    const tall = Math.max(10, ...bounds.map((each) => each.top - each.bottom));
    return { scale: Math.min(MOST_SCALE, (across - 14) / long, (TALL - 10) / tall), tall };
  }, [columns, across]);
  return (
    <table className="border-separate border-spacing-0 text-left" aria-label="The run">
      <thead>
        <tr>
          <th scope="col" className="align-bottom px-4 pb-2 font-normal italic text-ink2" style={{ width: HEADS }}>
            {formatNumber(scale / (96 / 25.4), 1, style)} : 1
          </th>
          {columns.map((column) => (
            <th key={column.size.text} scope="col" className="align-top pt-3 font-normal" style={{ width: across }}>
              <span className="block px-2 text-part font-bold">{column.size.text.replace(':', ' ')}</span>
              <SizeDrawing laid={column.laid} width={across} height={Math.ceil(tallMm * scale) + 16} scale={scale} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name}>
            <th
              scope="row"
              className="border-t border-hair px-4 py-0.5 font-semibold whitespace-nowrap"
              style={{ maxWidth: HEADS }}
            >
              <span className="flex justify-between gap-2">
                {row.name} <span className="font-normal italic text-label text-measure truncate">{row.said}</span>
              </span>
            </th>
            {columns.map(({ size, answer, laid }) => (
              <td
                key={size.text}
                className="border-t border-hair px-2 py-0.5"
                data-size={size.text}
                data-row={row.name}
              >
                {answer?.ok && laid ? row.cell(answer.report, laid, answer) : ''}
              </td>
            ))}
          </tr>
        ))}
        <tr>
          <th scope="row" className="border-t border-ink px-4 py-1 align-top font-semibold">
            weight held
          </th>
          {columns.map(({ size, answer }) => (
            <td
              key={size.text}
              className="border-t border-ink px-2 py-1 align-top"
              data-size={size.text}
              data-row="held"
            >
              {answer && <Held answer={answer} hold={hold} />}
            </td>
          ))}
        </tr>
        <tr>
          <th scope="row" className="border-t border-hair px-4 py-1 align-top font-semibold">
            does not scale
          </th>
          {columns.map(({ size, answer }) => (
            <td key={size.text} className="border-t border-hair px-2 py-1 align-top text-label text-ink2">
              {answer?.ok ? answer.notes.map((note) => <p key={note}>{note}</p>) : <Faults answer={answer} />}
            </td>
          ))}
        </tr>
        <tr>
          <th scope="row" className="border-t border-hair px-4 py-2">
            <span className="sr-only">save</span>
          </th>
          {columns.map((column) => (
            <td key={column.size.text} className="border-t border-hair px-2 py-2">
              {column.answer?.ok && (
                <button
                  type="button"
                  className="underline"
                  aria-label={`Save ${column.size.text} as a fly of its own`}
                  onClick={() => {
                    onKeep(column);
                  }}
                >
                  save as a fly
                </button>
              )}
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  );
}

const HELD: Readonly<Record<Hold, string>> = { shape: 'of its shape', ride: 'of its ratio', sink: 'of its speed' };

function Held({ answer, hold }: { readonly answer: RunAnswer; readonly hold: Hold }) {
  const style = useStyle();
  if (!answer.ok) return null;
  const { weight } = answer;
  if (!weight) return <span className="text-ink3">as it is</span>;
  const off = Math.round(100 * weight.off);
  return (
    <>
      {weight.part}: {formatLength(weight.diameterMm, style).figure}{' '}
      <span className={Math.abs(off) > 15 ? 'text-warn' : 'text-ink2'}>
        {off === 0 ? 'just' : `${off > 0 ? '+' : '−'}${String(Math.abs(off))} %`} {HELD[hold]}
      </span>
    </>
  );
}

function Faults({ answer }: { readonly answer: RunAnswer | null }) {
  if (answer?.ok !== false) return null;
  return (
    <span className="text-warn">
      {answer.faults.map((fault) => (
        <p key={fault.path + fault.message}>
          {fault.path}: {fault.message}
        </p>
      ))}
    </span>
  );
}

function SizeDrawing({
  laid,
  width,
  height,
  scale,
}: {
  readonly laid: LaidFly | null;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
}) {
  const { hand, mode } = useSettings();
  const views = useMemo(() => {
    if (!laid) return [];
    const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
    const ox = hand === 'right' ? 7 + bounds.rear * scale : 7 - bounds.front * scale;
    return [viewOf('profile', ox, height / 2 + ((bounds.top + bounds.bottom) / 2) * scale, scale, hand)];
  }, [laid, scale, hand, height]);
  return (
    <span className="relative block" style={{ width, height }}>
      {laid && <FlyCanvas laid={laid} views={views} width={width} height={height} mode={mode} />}
    </span>
  );
}
