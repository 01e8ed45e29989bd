import { alongLine, Current, type Moment } from '@jobbet/core/water';
import { formatNumber, saying } from '@jobbet/core/units';
import { useMemo, useRef } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { Band, diamond, M, WaterBody, waterUnit } from './scene.tsx';
import type { Shown } from './reckon.ts';
import { pathOf, scaleOf } from './scale.ts';
import { usePulled } from './usePulled.ts';

interface AlongProps {
  readonly shown: Shown;
  readonly moment: Moment;
  /** Takes another wanted depth, mm. */
  readonly onWant: (mm: number) => void;
}

const MARGIN = { left: 44, right: 92, top: 40, bottom: 10 } as const;
const HANDLE_STEP_MM = 50;

/** Scales of the section: out along the line, and down; what is over the water has little room, and is not to scale with it. */
function scalesOf({ asked }: Shown, line: readonly (readonly [number, number])[], width: number, height: number) {
  const far = Math.max(2, line.at(-1)?.[0] ?? 1) * 1.06;
  const high = Math.max(0.2, asked.fishing.manner === 'dead-drift' ? 0.2 : asked.fishing.rodTipMm / M);
  const across = scaleOf([0, far], [MARGIN.left, width - MARGIN.right]);
  const down = scaleOf([0, asked.beat.depthMm / M], [MARGIN.top + 14, height - MARGIN.bottom - 16]);
  const up = (z: number): number => (z <= 0 ? down.to(-z) : down.to(0) - (z / high) * (MARGIN.top - 14));
  return {
    down,
    at: ([x, z]: readonly [number, number]): readonly [number, number] => [across.to(x), up(z)],
    stretch: (down.to(1) - down.to(0)) / (across.to(1) - across.to(0)),
  };
}

/** The water in section along the line: rod tip, line, leader and fly, the bed, how fast it runs at each depth, the wanted band. */
export function Along({ shown, moment, onWant }: AlongProps) {
  const frame = useRef<HTMLElement>(null);
  const { width, height } = useSize(frame);
  const style = useStyle();
  const { asked } = shown;
  const line = alongLine(moment);
  const { down, at, stretch } = scalesOf(shown, line, width, height);
  return (
    <figure ref={frame} className="relative min-w-0 min-h-0 overflow-hidden" data-testid="along">
      <figcaption className="absolute left-4 top-1.5">
        <b>Along the line at {formatNumber(moment.t, moment.t % 1 < 0.05 ? 0 : 1, style)} s</b>{' '}
        <i className="text-ink2 text-label">
          depths {formatNumber(stretch, 1, style)} times as tall, {waterUnit(style).unit}
        </i>
      </figcaption>
      {width > 0 && height > 0 && (
        <>
          <svg width={width} height={height} aria-hidden="true">
            <WaterBody depthMm={asked.beat.depthMm} down={down} left={MARGIN.left} right={width} />
            <Bed from={MARGIN.left} to={width} y={down.to(asked.beat.depthMm / M)} height={height} />
            {asked.wantMm !== null && (
              <Band
                wantMm={asked.wantMm}
                bed={down.to(asked.beat.depthMm / M)}
                down={down.to}
                from={MARGIN.left}
                to={width}
              />
            )}
            <Profile beat={asked.beat} down={down.to} right={width - 14} />
            <path d={pathOf(line.map(at))} fill="none" stroke="var(--ink)" strokeWidth={2} strokeLinejoin="round" />
            <Hung
              moment={moment}
              at={at(line.at(-1) ?? [0, 0])}
              bed={down.to(asked.beat.depthMm / M)}
              depthMm={asked.beat.depthMm}
            />
          </svg>
          {asked.wantMm !== null && (
            <WantHandle
              wantMm={asked.wantMm}
              depthMm={asked.beat.depthMm}
              y={down.to(asked.wantMm / M)}
              from={down.from}
              onWant={onWant}
            />
          )}
        </>
      )}
    </figure>
  );
}

/** The fly on its line, how deep it is, and how far over the bed. */
function Hung({
  moment,
  at: [x, y],
  bed,
  depthMm,
}: {
  readonly moment: Moment;
  readonly at: readonly [number, number];
  readonly bed: number;
  readonly depthMm: number;
}) {
  const style = useStyle();
  const deepMm = -moment.fly[2];
  return (
    <>
      <path d={diamond(x, y)} fill="var(--pick)" stroke="var(--ink)" />
      <text x={x - 10} y={y + 16} textAnchor="end" className="text-label italic" fill="var(--ink)">
        fly at {saying(style).depth(deepMm)}
      </text>
      {depthMm - deepMm > 50 && (
        <g>
          <line x1={x} x2={x} y1={y + 8} y2={bed} stroke="var(--measure)" />
          <text x={x - 5} y={bed - 6} textAnchor="end" className="text-label italic" fill="var(--measure)">
            {saying(style).depth(depthMm - deepMm)} over the bed
          </text>
        </g>
      )}
    </>
  );
}

const Bed = ({
  from,
  to,
  y,
  height,
}: {
  readonly from: number;
  readonly to: number;
  readonly y: number;
  readonly height: number;
}) => (
  <>
    <defs>
      <pattern id="bed" width={8} height={8} patternUnits="userSpaceOnUse">
        <circle cx={2} cy={2} r={0.9} fill="var(--ink3)" />
        <circle cx={6} cy={6} r={0.9} fill="var(--ink3)" />
      </pattern>
    </defs>
    <rect x={from} y={y} width={to - from} height={Math.max(0, height - y)} fill="url(#bed)" />
  </>
);

const POINTS = 24;

/** How fast the water runs by depth, against the right edge. */
function Profile({
  beat,
  down,
  right,
}: {
  readonly beat: Shown['asked']['beat'];
  readonly down: (m: number) => number;
  readonly right: number;
}) {
  const style = useStyle();
  const { depthMm, meanMmS } = beat;
  const current = useMemo(() => new Current(beat), [beat]);
  if (meanMmS <= 0) return null;
  const wide = 46;
  const points = Array.from({ length: POINTS + 1 }, (_, i): [number, number] => {
    const share = i / POINTS;
    return [right - (wide * current.at(-share * depthMm, Infinity)) / current.surfaceMmS, down((share * depthMm) / M)];
  });
  return (
    <>
      <text x={right} y={down(0) - 6} textAnchor="end" className="text-label italic" fill="var(--shape)">
        {saying(style).speed(meanMmS)} mean
      </text>
      <path
        d={`${pathOf(points)}L${String(right)} ${String(down(depthMm / M))}L${String(right)} ${String(down(0))}Z`}
        fill="var(--shape)"
        fillOpacity={0.14}
        stroke="var(--shape)"
      />
    </>
  );
}

interface WantHandleProps {
  readonly wantMm: number;
  readonly depthMm: number;
  readonly y: number;
  readonly from: (px: number) => number;
  readonly onWant: (mm: number) => void;
}

/** The wanted depth, to be pulled or moved by the arrows. */
function WantHandle({ wantMm, depthMm, y, from, onWant }: WantHandleProps) {
  const style = useStyle();
  const clamp = (mm: number): number => Math.round(Math.min(depthMm, Math.max(100, mm)) / 10) * 10;
  const pulled = usePulled((_x, py) => onWant(clamp(M * from(py))), false);
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="wanted depth"
      aria-orientation="vertical"
      aria-valuemin={100}
      aria-valuemax={depthMm}
      aria-valuenow={wantMm}
      aria-valuetext={saying(style).depth(wantMm)}
      className="absolute left-[32px] w-6 h-6 -mt-3 cursor-ns-resize touch-none grid place-content-center"
      style={{ top: y }}
      onKeyDown={(event) => {
        const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        event.stopPropagation();
        onWant(clamp(wantMm + by * HANDLE_STEP_MM));
      }}
      {...pulled}
    >
      <span className="block w-3 h-3 rotate-45 bg-measure border border-sheet" />
    </div>
  );
}
