import type { BatchReport, ScheduleReport } from '@jobbet/core/batch';
import { stateAt, type BatchFile } from '@jobbet/core/records';
import { useRef } from 'react';
import { useSize } from '../../shared/ui/useSize.ts';
import { clockText, minutesOf } from '../../fly/batches/clock.ts';
import { dayWords } from './days.ts';

interface BenchLineProps {
  readonly batch: BatchFile;
  readonly report: BatchReport;
  /** Room for words before the line, px. */
  readonly margin: number;
  /** The fly that is lit on the rack, by its number; null for none. */
  readonly fly: number | null;
  readonly now: number;
}

/** One evening of the line: what is done in it, from when to when, and where it stands, px. */
interface Evening {
  readonly key: string;
  readonly blocks: readonly ScheduleReport[];
  readonly from: number;
  readonly to: number;
  readonly x: number;
  readonly width: number;
}

const BETWEEN = 26;
const LANE = 22;
/** What dries on over night is shown for so long, minutes. */
const MOST_AFTER = 45;

function eveningsOf(schedule: readonly ScheduleReport[], width: number): Evening[] {
  const keys = [...new Set(schedule.map(({ evening }) => evening ?? ''))];
  const spans = keys.map((key) => {
    const blocks = schedule.filter(({ evening }) => (evening ?? '') === key);
    const from = Math.min(...blocks.map(({ start }) => minutesOf(start)));
    const hands = Math.max(...blocks.filter(({ kind }) => kind === 'hands').map(({ end }) => minutesOf(end)));
    const dry = Math.max(hands, ...blocks.map(({ end }) => minutesOf(end)));
    return { key, blocks, from, to: Math.min(dry, hands + MOST_AFTER) };
  });
  const minutes = spans.reduce((sum, { from, to }) => sum + to - from, 0);
  const scale = Math.max(0, width - BETWEEN * (spans.length - 1)) / Math.max(1, minutes);
  let x = 0;
  return spans.map((span) => {
    const evening = { ...span, x, width: (span.to - span.from) * scale };
    x += evening.width + BETWEEN;
    return evening;
  });
}

/** Each fly by the clock: hands above, each coat as it dries below, evening beside evening. */
export function BenchLine({ batch, report, margin, fly, now }: BenchLineProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const { schedule } = report.time;
  const coats = Math.max(0, ...report.rows.map(({ coats_min: all }) => all.length));
  const evenings = eveningsOf(schedule, width - margin);
  const height = LANE * (coats + 1) + 34;
  const before = batch.rows.map((_, i) => batch.rows.slice(0, i).reduce((sum, { count }) => sum + count, 0));
  const tied = ({ row, fly: of }: ScheduleReport): boolean =>
    row !== null && of !== null && stateAt(batch, { row, n: of - (before[row - 1] ?? 0) }) !== 'to-come';
  return (
    <div ref={frame} role="img" aria-label={lineWords(report)} className="relative">
      <svg aria-hidden="true" width={width} height={height} className="block">
        <defs>
          <pattern id="drying" width={4} height={4} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width={1.2} height={4} fill="var(--ink3)" />
          </pattern>
        </defs>
        {LANES.slice(0, coats + 1).map((words, i) => (
          <text key={words} x={margin - 12} y={LANE * i + 12} textAnchor="end" fontSize={12.5} fill="var(--ink2)">
            {words}
          </text>
        ))}
        {evenings.map((evening) => (
          <g key={evening.key} transform={`translate(${String(margin + evening.x)} 0)`}>
            <line x1={0} x2={evening.width} y1={8} y2={8} stroke="var(--hair)" />
            {evening.blocks.map((block, i) => (
              <Piece
                key={i}
                block={block}
                evening={evening}
                lit={fly !== null && block.fly === fly}
                tied={tied(block)}
              />
            ))}
            <Axis evening={evening} y={LANE * (coats + 1) + 4} now={now} />
          </g>
        ))}
      </svg>
    </div>
  );
}

const LANES = ['in the vise', 'first coat', 'second coat', 'third coat', 'fourth coat', 'fifth coat'];

const laneOf = (step: string): number => (step.startsWith('coat ') ? Number(step.slice(5)) : 0);

interface PieceProps {
  readonly block: ScheduleReport;
  readonly evening: Evening;
  readonly lit: boolean;
  readonly tied: boolean;
}

/** A stretch of hands or of drying; in the vise a fly is a box, drying is hatched. */
function Piece({ block, evening, lit, tied }: PieceProps) {
  const { from, to, width } = evening;
  const px = (moment: string): number =>
    ((Math.min(to, Math.max(from, minutesOf(moment))) - from) / Math.max(1, to - from)) * width;
  const [x, end] = [px(block.start), px(block.end)];
  const y = LANE * laneOf(block.step);
  const prep = block.step === 'prep';
  const drying = block.kind === 'drying';
  if (drying)
    return (
      <rect
        x={x}
        y={y + 5}
        width={Math.max(1, end - x)}
        height={6}
        fill="url(#drying)"
        stroke={lit ? 'var(--ink)' : 'none'}
      />
    );
  return (
    <rect
      x={x + 0.5}
      y={y + 3}
      width={Math.max(1.5, end - x - 1)}
      height={10}
      fill={lit ? 'var(--pick)' : prep ? 'var(--hair)' : tied ? 'var(--ink)' : 'var(--sheet)'}
      stroke="var(--ink)"
      strokeWidth={laneOf(block.step) === 0 ? 1 : 0.6}
    />
  );
}

const TICKS_PX = 34;

/** The hours under an evening, its day, and now where it lies in it. */
function Axis({ evening, y, now }: { readonly evening: Evening; readonly y: number; readonly now: number }) {
  const { from, to, width, key } = evening;
  const px = (minutes: number): number => ((minutes - from) / Math.max(1, to - from)) * width;
  const step = [15, 30, 60, 120, 240].find((each) => px(from + each) >= TICKS_PX) ?? 480;
  const first = Math.ceil(from / step) * step;
  const ticks = Array.from({ length: Math.max(0, Math.floor((to - first) / step) + 1) }, (_, i) => first + i * step);
  return (
    <g transform={`translate(0 ${String(y)})`}>
      <line x1={0} x2={width} stroke="var(--ink)" />
      {ticks.map((tick) => (
        <g key={tick} transform={`translate(${String(px(tick))} 0)`}>
          <line y2={4} stroke="var(--ink)" />
          <text y={14} textAnchor="middle" fontSize={10.5} fill="var(--ink2)">
            {clockText(tick)}
          </text>
        </g>
      ))}
      {now >= from && now <= to && (
        <path
          transform={`translate(${String(px(now))} 0)`}
          d="M0 -60V0M-5 -6L0 2L5 -6Z"
          stroke="var(--ink)"
          fill="var(--ink)"
        />
      )}
      <text y={28} fontSize={12.5} fontWeight={700} fill="var(--ink)">
        {key === '' ? 'without evenings, from minute 0' : dayWords(key)}
      </text>
    </g>
  );
}

/** The same in words. */
function lineWords({ time }: BatchReport): string {
  const evenings = [...new Set(time.schedule.flatMap(({ evening }) => evening ?? []))];
  const said = evenings.map((each) => {
    const own = time.schedule.filter(({ evening, kind }) => evening === each && kind === 'hands');
    const flies = new Set(own.flatMap(({ fly, step }) => (step === 'tie' ? (fly ?? []) : []))).size;
    return `${dayWords(each)}: ${String(flies)} flies, ${own[0]?.start.slice(11, 16) ?? ''} to ${own.at(-1)?.end.slice(11, 16) ?? ''}`;
  });
  return said.length === 0 ? 'No evenings' : said.join('; ');
}
