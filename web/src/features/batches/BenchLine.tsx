import type { BatchReport, ScheduleReport } from '@jobbet/core/batch';
import { pinOf, type BatchFile, type HookAt } from '@jobbet/core/records';
import { useMemo, useRef, useState, type PointerEvent } from 'react';
import { useSize } from '../../shared/ui/useSize.ts';
import { clockText, dayWords, minutesOf } from '../../fly/batches/clock.ts';

interface BenchLineProps {
  readonly batch: BatchFile;
  readonly report: BatchReport;
  /** Room for words before the line, px. */
  readonly margin: number;
  /** The fly that is lit on the rack, by its number; null for none. */
  readonly fly: number | null;
  readonly now: number;
  /** Told when a fly is put on another evening. */
  readonly onPut: (at: HookAt, evening: string) => void;
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
/** An evening on which nothing is done, px; where there are more evenings they are not drawn. */
const EMPTY = 70;
const MOST_EMPTY = 6;
const LANE = 22;
/** What dries on over night is shown for so long, minutes. */
const MOST_AFTER = 45;

function eveningsOf(schedule: readonly ScheduleReport[], named: readonly string[], width: number): Evening[] {
  const used = [...new Set(schedule.map(({ evening }) => evening ?? ''))];
  const keys = named.length > MOST_EMPTY ? used : [...new Set([...used, ...named])].sort();
  const spans = keys.map((key) => {
    const blocks = schedule.filter(({ evening }) => (evening ?? '') === key);
    if (blocks.length === 0) return { key, blocks, from: 0, to: 0 };
    const from = Math.min(...blocks.map(({ start }) => minutesOf(start)));
    const hands = Math.max(...blocks.filter(({ kind }) => kind === 'hands').map(({ end }) => minutesOf(end)));
    const dry = Math.max(hands, ...blocks.map(({ end }) => minutesOf(end)));
    return { key, blocks, from, to: Math.min(dry, hands + MOST_AFTER) };
  });
  const minutes = spans.reduce((sum, { from, to }) => sum + to - from, 0);
  const empty = EMPTY * spans.filter(({ blocks }) => blocks.length === 0).length;
  const scale = Math.max(0, width - empty - BETWEEN * (spans.length - 1)) / Math.max(1, minutes);
  let x = 0;
  return spans.map((span) => {
    const evening = { ...span, x, width: span.blocks.length === 0 ? EMPTY : (span.to - span.from) * scale };
    x += evening.width + BETWEEN;
    return evening;
  });
}

/** Which hook a block is of, and whether that fly was begun. */
function hooksOf(rows: BatchFile['rows'], flies: BatchFile['flies']) {
  let sum = 0;
  const before = rows.map(({ count }) => (sum += count) - count);
  const begun = new Set(
    (flies ?? []).flatMap(({ row, n, state = 'to-come' }) =>
      state === 'to-come' ? [] : [`${String(row)}/${String(n)}`],
    ),
  );
  const hookOf = ({ row, fly }: ScheduleReport): HookAt | null =>
    row === null || fly === null ? null : { row, n: fly - (before[row - 1] ?? 0) };
  return {
    hookOf,
    tied: (block: ScheduleReport): boolean => {
      const at = hookOf(block);
      return at !== null && begun.has(`${String(at.row)}/${String(at.n)}`);
    },
  };
}

/** Each fly by the clock: hands above, each coat as it dries below, evening beside evening. */
export function BenchLine({ batch, report, margin, fly, now, onPut }: BenchLineProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { width } = useSize(frame);
  const { schedule } = report.time;
  const coats = Math.max(0, ...report.rows.map(({ coats_min: all }) => all.length));
  const { evenings: days, rows, flies } = batch;
  const named = useMemo(() => (days ?? []).map(({ date }) => date), [days]);
  const evenings = useMemo(() => eveningsOf(schedule, named, width - margin), [schedule, named, width, margin]);
  const height = LANE * (coats + 1) + 34;
  const { hookOf, tied } = useMemo(() => hooksOf(rows, flies), [rows, flies]);
  const drawn = useMemo(() => evenings.map((evening) => merged(evening, tied)), [evenings, tied]);
  const { drag, begin, move, drop } = useDrag(evenings, margin, onPut);
  return (
    <div ref={frame} role="img" aria-label={lineWords(report)} className="relative">
      <svg
        aria-hidden="true"
        width={width}
        height={height}
        className="block touch-none"
        onPointerMove={move}
        onPointerUp={drop}
        onPointerCancel={drop}
      >
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
        {evenings.map((evening, at) => (
          <g key={evening.key} transform={`translate(${String(margin + evening.x)} 0)`}>
            <line x1={0} x2={evening.width} y1={8} y2={8} stroke="var(--hair)" />
            {drag !== null && drag.over === evening.key && (
              <rect y={-1} width={evening.width} height={LANE - 2} fill="none" stroke="var(--pick)" strokeWidth={3} />
            )}
            {drawn[at]?.map((block, i) => (
              <Piece
                key={i}
                block={block}
                evening={evening}
                lit={fly !== null && block.fly === fly}
                tied={tied(block)}
                pinned={block.step === 'tie' && isPinned(batch, hookOf(block))}
                onBegin={(event) => {
                  const at = hookOf(block);
                  if (at && !tied(block) && named.length > 1) begin(event, at);
                }}
              />
            ))}
            <Axis evening={evening} y={LANE * (coats + 1) + 4} now={now} />
          </g>
        ))}
      </svg>
    </div>
  );
}

/** More blocks than this are drawn together where nobody could tell them apart. */
const MANY = 400;
const TOGETHER_PX = 1.5;

/** The blocks of an evening as they are drawn: of very many those that touch as one. */
function merged({ blocks, from, to, width }: Evening, tied: (block: ScheduleReport) => boolean): ScheduleReport[] {
  if (blocks.length <= MANY) return [...blocks];
  const px = (moment: string): number => ((minutesOf(moment) - from) / Math.max(1, to - from)) * width;
  const last = new Map<string, { block: ScheduleReport; end: number }>();
  const drawn: ScheduleReport[] = [];
  const close = (block: ScheduleReport | undefined): void => {
    if (block) drawn.push(block);
  };
  for (const block of blocks) {
    const lane = `${block.step} ${block.kind} ${String(tied(block))}`;
    const before = last.get(lane);
    const [start, end] = [px(block.start), px(block.end)];
    if (before && start - before.end < TOGETHER_PX)
      last.set(lane, {
        block: { ...before.block, fly: null, end: end > before.end ? block.end : before.block.end },
        end: Math.max(end, before.end),
      });
    else {
      close(before?.block);
      last.set(lane, { block, end });
    }
  }
  for (const { block } of last.values()) close(block);
  return drawn;
}

const LANES = ['in the vise', 'first coat', 'second coat', 'third coat', 'fourth coat', 'fifth coat'];

const laneOf = (step: string): number => (step.startsWith('coat ') ? Number(step.slice(5)) : 0);

interface PieceProps {
  readonly block: ScheduleReport;
  readonly evening: Evening;
  readonly lit: boolean;
  readonly tied: boolean;
  readonly pinned: boolean;
  readonly onBegin: (event: PointerEvent<SVGElement>) => void;
}

/** A stretch of hands or of drying; in the vise a fly is a box, with a pin on it where it was put on its evening; drying is hatched. */
function Piece({ block, evening, lit, tied, pinned, onBegin }: PieceProps) {
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
    <g className={block.step === 'tie' ? 'cursor-grab' : undefined} onPointerDown={onBegin}>
      <rect
        x={x + 0.5}
        y={y + 3}
        width={Math.max(1.5, end - x - 1)}
        height={10}
        fill={lit ? 'var(--pick)' : prep ? 'var(--hair)' : tied ? 'var(--ink)' : 'var(--sheet)'}
        stroke="var(--ink)"
        strokeWidth={laneOf(block.step) === 0 ? 1 : 0.6}
      />
      {pinned && <circle cx={(x + end) / 2} cy={y + 3} r={2.6} fill="var(--ink)" stroke="var(--sheet)" />}
    </g>
  );
}

const isPinned = (batch: BatchFile, at: HookAt | null): boolean => at !== null && pinOf(batch, at) !== null;

/** A fly that is held by the pointer, and the evening it is held over. */
interface Drag {
  readonly at: HookAt;
  readonly over: string | null;
}

/** Flies taken along the line to another evening. */
function useDrag(evenings: readonly Evening[], margin: number, onPut: BenchLineProps['onPut']) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const overAt = (event: PointerEvent<SVGElement>): string | null => {
    const left = event.currentTarget.closest('svg')?.getBoundingClientRect().left ?? 0;
    const x = event.clientX - left - margin;
    return evenings.find((each) => x >= each.x - BETWEEN / 2 && x <= each.x + each.width + BETWEEN / 2)?.key ?? null;
  };
  return {
    drag,
    begin: (event: PointerEvent<SVGElement>, at: HookAt): void => {
      event.currentTarget.closest('svg')?.setPointerCapture(event.pointerId);
      setDrag({ at, over: overAt(event) });
    },
    move: (event: PointerEvent<SVGElement>): void => {
      if (drag) setDrag({ ...drag, over: overAt(event) });
    },
    drop: (event: PointerEvent<SVGElement>): void => {
      const over = event.type === 'pointerup' ? overAt(event) : null;
      const from = drag && evenings.find(({ key }) => key === over);
      if (drag && from && over !== null && over !== '') onPut(drag.at, over);
      setDrag(null);
    },
  };
}

const TICKS_PX = 34;
/** What runs on for longer is told in hours, minutes. */
const DAY = 1440;
const STEPS = [15, 30, 60, 120, 240, 480, 1440, 2880, 7200, 14_400];

/** The hours under an evening, its day, and now where it lies in it. */
function Axis({ evening, y, now }: { readonly evening: Evening; readonly y: number; readonly now: number }) {
  const { from, to, width, key } = evening;
  const px = (minutes: number): number => ((minutes - from) / Math.max(1, to - from)) * width;
  const step = STEPS.find((each) => px(from + each) >= TICKS_PX) ?? Math.ceil((to - from) / 1440) * 1440;
  const first = Math.ceil(from / step) * step;
  const ticks =
    evening.blocks.length === 0
      ? []
      : Array.from({ length: Math.max(0, Math.floor((to - first) / step) + 1) }, (_, i) => first + i * step);
  return (
    <g transform={`translate(0 ${String(y)})`}>
      <line x1={0} x2={width} stroke="var(--ink)" />
      {ticks.map((tick) => (
        <g key={tick} transform={`translate(${String(px(tick))} 0)`}>
          <line y2={4} stroke="var(--ink)" />
          <text y={14} textAnchor="middle" fontSize={10.5} fill="var(--ink2)">
            {key === '' && to - from > DAY ? `${String(Math.round((tick - from) / 60))} h` : clockText(tick)}
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
