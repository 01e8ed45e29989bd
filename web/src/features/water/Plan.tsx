import type { Moment } from '@jobbet/core/water';
import { formatNumber } from '@jobbet/core/units';
import { useRef } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import type { Pulls } from './asking.ts';
import { useBeside } from './beside.ts';
import { CastHandles, MendLine, type Place } from './CastHandles.tsx';
import type { Shown } from './reckon.ts';
import { diamond, M, waterUnit } from './scene.tsx';
import { pathOf, scaleOf } from './scale.ts';
import { useHeld } from './useHeld.ts';

interface PlanProps {
  readonly shown: Shown;
  readonly moment: Moment;
  readonly pulls: Pulls;
  readonly pulling: boolean;
}

const MARGIN = { left: 26, right: 20, top: 46, bottom: 26 } as const;
/** Seconds are written beside marks that lie so far apart, px. */
const APART_PX = 16;
/** Seconds between the marks on the path. */
const EVERY_S = 4;

/** Nodes of a moment as places, m: downstream and out. */
const placesOf = ({ nodes }: Moment): (readonly [x: number, y: number])[] =>
  Array.from({ length: nodes.length / 3 }, (_, i) => [(nodes[3 * i] ?? 0) / M, (nodes[3 * i + 1] ?? 0) / M] as const);

/** A mark on the path every so many seconds, px; seconds are written where there is room, but for the first, where the cast ends. */
function marksOf(moments: readonly Moment[], at: (place: Place) => Place) {
  const marks: (readonly [t: number, x: number, y: number, written: boolean])[] = [];
  for (const { t, fly } of moments.filter((each) => Math.abs(each.t / EVERY_S - Math.round(each.t / EVERY_S)) < 0.01)) {
    const [x, y] = at([fly[0] / M, fly[1] / M]);
    const last = marks.findLast(([, , , written]) => written);
    marks.push([t, x, y, t > 0 && (!last || Math.hypot(x - last[1], y - last[2]) > APART_PX)]);
  }
  return marks;
}

/** The water from above, running down: where the fly comes round, and how the line lies now. */
export function Plan({ shown: { moments, asked }, moment, pulls, pulling }: PlanProps) {
  const frame = useRef<HTMLElement>(null);
  const { width, height } = useSize(frame);
  const style = useStyle();
  const flies = moments.map(({ fly }) => [fly[0] / M, fly[1] / M] as const);
  const { beside } = useBeside();
  const most = (k: 0 | 1): number =>
    Math.max(1, ...flies.map((each) => each[k]), ...placesOf(moment).map((each) => each[k]));
  // What is pulled along a scale does not move it.
  const least = useHeld(Math.min(0, ...flies.map(([x]) => x)), pulling);
  const wide = useHeld(most(1) * 1.08, pulling);
  const long = useHeld(most(0) * 1.06, pulling) - least;
  // One scale both ways, whichever is shorter of room.
  const px = Math.min((width - MARGIN.left - MARGIN.right) / wide, (height - MARGIN.top - MARGIN.bottom) / long);
  const out = scaleOf([0, 1], [MARGIN.left, MARGIN.left + px]);
  const down = scaleOf([least, least + 1], [MARGIN.top, MARGIN.top + px]);
  const at = ([x, y]: Place): Place => [out.to(y), down.to(x)];
  const marks = marksOf(moments, at);
  const [fx, fy] = at([moment.fly[0] / M, moment.fly[1] / M]);
  const { meanMmS } = asked.beat;
  return (
    <figure ref={frame} className="relative min-w-0 min-h-0 border-r border-hair overflow-hidden">
      <figcaption className="absolute left-4 top-1.5">
        <b>From above</b> <i className="text-ink2 text-label">running down</i>
      </figcaption>
      {width > 0 && height > 0 && (
        <svg width={width} height={height} aria-hidden="true">
          <line
            x1={MARGIN.left - 8}
            x2={MARGIN.left - 8}
            y1={MARGIN.top - 14}
            y2={height - 8}
            stroke="var(--rule)"
            strokeWidth={1.5}
          />
          {meanMmS > 0 && <RunsDown at={[0.3, 0.6, 0.9].map((share) => out.to(share * wide))} />}
          {beside && (
            <path
              d={pathOf(beside.moments.map(({ fly }) => at([fly[0] / M, fly[1] / M])))}
              fill="none"
              stroke="var(--weight)"
              strokeDasharray="2 3"
            />
          )}
          <path d={pathOf(flies.map(at))} fill="none" stroke="var(--ink3)" strokeDasharray="5 3" />
          {asked.fishing.manner === 'swing' && <MendLine asked={pulls.now ?? asked} at={at} />}
          <path
            d={pathOf(placesOf(moment).map(at))}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2}
            strokeLinejoin="round"
          />
          {marks.map(([t, mx, my, written]) => (
            <g key={t}>
              <circle cx={mx} cy={my} r={3} fill="var(--sheet)" stroke="var(--ink2)" />
              {written && (
                <text x={mx + 6} y={my + 4} className="text-label" fill="var(--ink2)">
                  {formatNumber(t, 0, style)}
                </text>
              )}
            </g>
          ))}
          <circle cx={out.to(0)} cy={down.to(0)} r={4} fill="var(--ink)" />
          <text x={out.to(0) + 8} y={down.to(0) - 4} className="text-label italic" fill="var(--ink)">
            you
          </text>
          <path d={diamond(fx, fy)} fill="var(--pick)" stroke="var(--ink)" />
          <Bar px={px} width={width} height={height} />
        </svg>
      )}
      {width > 0 && height > 0 && asked.fishing.manner !== 'dead-drift' && (
        <CastHandles asked={pulls.now ?? asked} {...{ at, pulls }} from={(px_, py) => [down.from(py), out.from(px_)]} />
      )}
    </figure>
  );
}

/** Which way the water runs. */
const RunsDown = ({ at }: { readonly at: readonly number[] }) =>
  at.map((x) => (
    <path key={x} d={`M${String(x)} ${String(MARGIN.top)}v26m-3 -7l3 7l3 -7`} stroke="var(--shape)" fill="none" />
  ));

/** The largest of 1, 2 and 5 times a power of ten below a figure. */
function roundBelow(most: number): number {
  const ten = 10 ** Math.floor(Math.log10(most));
  return ([5, 2, 1].find((each) => each * ten <= most) ?? 1) * ten;
}

/** How long a round figure of line is. */
function Bar({ px, width, height }: { readonly px: number; readonly width: number; readonly height: number }) {
  const { unit, metres } = waterUnit(useStyle());
  const long = roundBelow((width * 0.35) / (px * metres));
  const longPx = long * metres * px;
  return (
    <g stroke="var(--ink2)">
      <path d={`M16 ${String(height - 10)}v-6m0 3h${String(longPx)}m0 -3v6`} fill="none" />
      <text x={22 + longPx} y={height - 9} className="text-label" fill="var(--ink2)" stroke="none">
        {long} {unit}
      </text>
    </g>
  );
}
