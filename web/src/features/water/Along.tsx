import { alongLine, Current, dropOf, type Moment } from '@jobbet/core/water';
import { formatNumber, saying } from '@jobbet/core/units';
import { useMemo, useRef } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import type { Pulls } from './asking.ts';
import { Handle } from './Handle.tsx';
import { Band, diamond, M, WaterBody, waterUnit } from './scene.tsx';
import type { Shown } from './reckon.ts';
import { pathOf, type Scale, scaleOf } from './scale.ts';

interface AlongProps {
  readonly shown: Shown;
  readonly moment: Moment;
  readonly pulls: Pulls;
}

const MARGIN = { left: 44, right: 92, top: 40, bottom: 10 } as const;
const HANDLE_STEP_MM = 50;
/** A rod's tip is pulled so high at most. */
const TIP_MOST_MM = 3000;

/** Scales of the section: out along the line, and down; what is over the water has little room, and is not to scale with it. */
function scalesOf({ asked }: Shown, line: readonly (readonly [number, number])[], width: number, height: number) {
  const far = Math.max(2, line.at(-1)?.[0] ?? 1) * 1.06;
  const high = Math.max(TIP_MOST_MM, asked.fishing.rodTipMm) / M;
  const over = MARGIN.top - 6;
  const across = scaleOf([0, far], [MARGIN.left, width - MARGIN.right]);
  const down = scaleOf([0, asked.beat.depthMm / M], [MARGIN.top + 14, height - MARGIN.bottom - 16]);
  const up = (z: number): number => (z <= 0 ? down.to(-z) : down.to(0) - (z / high) * over);
  return {
    down,
    tipMm: (y: number): number => ((down.to(0) - y) / over) * high * M,
    at: ([x, z]: readonly [number, number]): readonly [number, number] => [across.to(x), up(z)],
    stretch: (down.to(1) - down.to(0)) / (across.to(1) - across.to(0)),
  };
}

/** The water in section along the line: rod tip, line, leader and fly, the bed, how fast it runs at each depth, the wanted band. */
export function Along({ shown, moment, pulls }: AlongProps) {
  const frame = useRef<HTMLElement>(null);
  const { width, height } = useSize(frame);
  const style = useStyle();
  const { asked } = shown;
  const line = alongLine(moment);
  // What is pulled stands where it was pulled to, before that is answered.
  const handled = { ...asked, ...pulls.now };
  const drifts = asked.fishing.manner === 'dead-drift';
  const { down, at, stretch, tipMm } = scalesOf(shown, line, width, height);
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
            {moment.dropper && <Second at={at(secondAt(moment, line) ?? [0, 0])} deepMm={-moment.dropper.at[2]} />}
            <Hung
              moment={moment}
              at={at(line.at(-1) ?? [0, 0])}
              bed={down.to(asked.beat.depthMm / M)}
              depthMm={asked.beat.depthMm}
            />
          </svg>
          <WantHandle {...{ asked: handled, down, pulls }} />
          {drifts ? (
            <DropHandle {...{ asked: handled, down, pulls }} x={at(line[0] ?? [0, 0])[0] + 24} />
          ) : (
            <TipHandle {...{ asked: handled, pulls }} at={at([0, handled.fishing.rodTipMm / M])} toMm={tipMm} />
          )}
        </>
      )}
    </figure>
  );
}

/** Where along the line a second fly is tied in: the node at its depth, out as far as the line is there. */
const secondAt = ({ dropper }: Moment, line: readonly (readonly [number, number])[]) =>
  line.findLast(([, high], i) => i < line.length - 1 && dropper && Math.abs(high * M - dropper.at[2]) < 0.5);

/** A second fly on the leader, and how deep. */
function Second({ at: [x, y], deepMm }: { readonly at: readonly [number, number]; readonly deepMm: number }) {
  const style = useStyle();
  return (
    <>
      <path d={diamond(x, y, 4)} fill="var(--sheet)" stroke="var(--ink)" />
      <text x={x + 8} y={y - 5} className="text-label italic" fill="var(--ink2)">
        dropper at {saying(style).depth(deepMm)}
      </text>
    </>
  );
}

/** So much room words beside the fly take, px. */
const ROOM_PX = 170;

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
  // Near the left edge, words stand to the right of it.
  const left = x < ROOM_PX;
  const [anchor, aside] = left ? (['start', 18] as const) : (['end', -10] as const);
  return (
    <>
      <path d={diamond(x, y)} fill="var(--pick)" stroke="var(--ink)" />
      <text x={x + aside} y={y + 16} textAnchor={anchor} className="text-label italic" fill="var(--ink)">
        fly at {saying(style).depth(deepMm)}
      </text>
      {depthMm - deepMm > 50 && (
        <g>
          <line x1={x} x2={x} y1={y + 8} y2={bed} stroke="var(--measure)" />
          <text
            x={x + (left ? 5 : -5)}
            y={bed - 6}
            textAnchor={anchor}
            className="text-label italic"
            fill="var(--measure)"
          >
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

const clamped = (mm: number, [least, most]: readonly [number, number], step: number): number =>
  Math.min(most, Math.max(least, Math.round(mm / step) * step));

interface PulledProps {
  readonly asked: Shown['asked'];
  readonly down: Scale;
  readonly pulls: Pulls;
}

/** The wanted depth, to be pulled or moved by the arrows. */
function WantHandle({ asked: { wantMm, beat }, down, pulls }: PulledProps) {
  const { depth } = saying(useStyle());
  if (wantMm === null) return null;
  const bounds = [100, Math.max(100, beat.depthMm)] as const;
  return (
    <Handle
      label="wanted depth"
      words={depth(wantMm)}
      value={wantMm}
      least={bounds[0]}
      most={bounds[1]}
      upright
      at={[MARGIN.left, down.to(wantMm / M)]}
      onPull={(_x, y) => pulls.pull({ want: depth(clamped(M * down.from(y), bounds, 10)) })}
      onDone={pulls.letGo}
      onStep={(_right, by) => pulls.take({ want: depth(clamped(wantMm + by * HANDLE_STEP_MM, bounds, 10)) })}
    />
  );
}

/** What hangs below a float. */
function DropHandle({ asked, down, pulls, x }: PulledProps & { readonly x: number }) {
  const { depth } = saying(useStyle());
  const dropMm = dropOf(asked);
  const bounds = [100, Math.max(100, 1.5 * asked.beat.depthMm)] as const;
  return (
    <Handle
      label="from float to fly"
      words={depth(dropMm)}
      value={dropMm}
      least={bounds[0]}
      most={bounds[1]}
      upright
      at={[x, down.to(dropMm / M)]}
      onPull={(_x, y) => pulls.pull({ 'float-to-fly': depth(clamped(M * down.from(y), bounds, 10)) })}
      onDone={pulls.letGo}
      onStep={(_right, by) => pulls.take({ 'float-to-fly': depth(clamped(dropMm + by * HANDLE_STEP_MM, bounds, 10)) })}
    />
  );
}

/** How high the rod's tip is held. */
function TipHandle({
  asked: { fishing },
  at,
  pulls,
  toMm,
}: {
  readonly asked: Shown['asked'];
  readonly at: readonly [number, number];
  readonly pulls: Pulls;
  readonly toMm: (y: number) => number;
}) {
  const { depth } = saying(useStyle());
  const { rodTipMm } = fishing;
  const bounds = [0, TIP_MOST_MM] as const;
  return (
    <Handle
      label="height of the rod’s tip"
      words={depth(rodTipMm)}
      value={rodTipMm}
      least={bounds[0]}
      most={bounds[1]}
      upright
      at={at}
      onPull={(_x, y) => pulls.pull({ 'rod-tip': depth(clamped(toMm(y), bounds, 100)) })}
      onDone={pulls.letGo}
      onStep={(_right, by) => pulls.take({ 'rod-tip': depth(clamped(rodTipMm - by * 100, bounds, 100)) })}
    />
  );
}
