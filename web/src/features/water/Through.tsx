import type { Moment, WaterFault } from '@jobbet/core/water';
import { formatNumber, saying } from '@jobbet/core/units';
import { useRef } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import type { Pulls } from './asking.ts';
import { type Beside, useBeside } from './beside.ts';
import { Handle } from './Handle.tsx';
import { momentWords } from './lies.ts';
import type { Shown, Whole } from './reckon.ts';
import { pathOf, scaleOf, type Scale, ticksOf } from './scale.ts';
import { Band, diamond, M, WaterBody } from './scene.tsx';
import { usePulled } from './usePulled.ts';

interface ThroughProps {
  readonly shown: Shown;
  readonly whole: Whole | null;
  readonly moment: Moment;
  readonly onTime: (t: number) => void;
  readonly pulls: Pulls;
}

const MARGIN = { left: 44, right: 18, top: 30, bottom: 26 } as const;

const MANNERS = {
  swing: 'Through the swing',
  strip: 'Through the strip',
  'dead-drift': 'Through the drift',
  jig: 'Through the lifts',
  hang: 'On the dangle',
  'count-down': 'Counted down',
} as const;

/** Depth against time with its band, the bed, what goes wrong; the moment is pulled along it. */
export function Through({ shown, whole, moment, onTime, pulls }: ThroughProps) {
  const frame = useRef<HTMLElement>(null);
  const { width, height } = useSize(frame);
  const style = useStyle();
  const { beside } = useBeside();
  const { moments, asked } = shown;
  const end = moments.at(-1)?.t ?? 1;
  const along = scaleOf([0, end], [MARGIN.left, width - MARGIN.right]);
  const down = scaleOf([0, asked.beat.depthMm / M], [MARGIN.top, height - MARGIN.bottom - 12]);
  const at = (each: Moment): readonly [number, number] => [along.to(each.t), down.to(-each.fly[2] / M)];
  const [mx, my] = at(moment);
  const pulled = usePulled({ onPlace: (x) => onTime(along.from(x)), own: true });
  return (
    <figure ref={frame} className="relative min-w-0 min-h-0 overflow-hidden" data-testid="through">
      <figcaption className="absolute left-4 top-1">
        <b>{MANNERS[asked.fishing.manner]}</b>{' '}
        <i className="text-ink2 text-label">depth by the second; pull along it</i>
        {beside && (
          <i className="text-label text-weight">
            {' '}
            beside {beside.words}, {saying(style).depth(beside.lowestMm)} at the most{' '}
          </i>
        )}
      </figcaption>
      {width > 0 && height > 0 && (
        <svg width={width} height={height} aria-hidden="true">
          <Axes
            {...{ along, down, end, depthMm: asked.beat.depthMm, wantMm: asked.wantMm }}
            right={width - MARGIN.right}
          />
          {whole && <Spread moments={moments} whole={whole} along={along} down={down} />}
          {moments.some((each) => each.pulled) && <Pulls moments={moments} along={along} y={down.to(0)} />}
          <path d={pathOf(moments.map(at))} fill="none" stroke="var(--ink)" strokeWidth={2} strokeLinejoin="round" />
          {beside && <Ghost {...{ beside, along, down, end }} />}
          {moments[0]?.dropper && (
            <path
              d={pathOf(
                moments.flatMap(({ t, dropper }) => (dropper ? [[along.to(t), down.to(-dropper.at[2] / M)]] : [])),
              )}
              fill="none"
              stroke="var(--ink3)"
              strokeWidth={1.5}
            />
          )}
          <GoesWrong {...{ shown, whole, at, along, down }} right={width - MARGIN.right} />
          <line x1={mx} x2={mx} y1={MARGIN.top - 6} y2={down.to(asked.beat.depthMm / M)} stroke="var(--ink)" />
          <path d={diamond(mx, my)} fill="var(--pick)" stroke="var(--ink)" />
        </svg>
      )}
      <div
        role="slider"
        tabIndex={0}
        aria-label="the moment that is looked at"
        aria-valuemin={0}
        aria-valuemax={Number(end.toFixed(1))}
        aria-valuenow={Number(moment.t.toFixed(1))}
        aria-valuetext={momentWords(moment, style)}
        className="absolute inset-0 cursor-ew-resize touch-none"
        {...pulled}
      />
      {width > 0 && (asked.fishing.manner === 'swing' || asked.fishing.manner === 'strip') && (
        <CountHandle fishing={(pulls.now ?? asked).fishing} {...{ along, pulls }} y={down.to(0)} />
      )}
    </figure>
  );
}

/** How long the line is fed or waited for, pulled along the surface. */
function CountHandle({
  fishing: { countS, seconds },
  along,
  y,
  pulls,
}: {
  readonly fishing: Shown['asked']['fishing'];
  readonly along: Scale;
  readonly y: number;
  readonly pulls: Pulls;
}) {
  const most = Math.max(0, Math.min(90, Math.ceil(seconds) - 1));
  const textOf = (s: number): string => `${String(Math.min(most, Math.max(0, Math.round(s))))} s`;
  return (
    <Handle
      label="the count"
      words={textOf(countS)}
      value={countS}
      least={0}
      most={most}
      upright={false}
      at={[along.to(countS), y]}
      onPull={(x) => pulls.pull({ count: textOf(along.from(x)) })}
      onDone={pulls.letGo}
      onStep={(right) => pulls.take({ count: textOf(countS + right) })}
    />
  );
}

/** The run that is kept in sight. */
const Ghost = ({
  beside: { moments },
  along,
  down,
  end,
}: {
  readonly beside: Beside;
  readonly along: Scale;
  readonly down: Scale;
  readonly end: number;
}) => (
  <path
    d={pathOf(moments.filter(({ t }) => t <= end).map(({ t, fly }) => [along.to(t), down.to(-fly[2] / M)]))}
    fill="none"
    stroke="var(--weight)"
    strokeDasharray="2 3"
    strokeWidth={1.5}
  />
);

interface AxesProps {
  readonly along: Scale;
  readonly down: Scale;
  readonly end: number;
  readonly depthMm: number;
  readonly wantMm: number | null;
  readonly right: number;
}

/** Surface, bed and wanted band, seconds and depths. */
function Axes({ along, down, end, depthMm, wantMm, right }: AxesProps) {
  const style = useStyle();
  const bed = down.to(depthMm / M);
  return (
    <>
      <WaterBody {...{ depthMm, down, right }} left={MARGIN.left} />
      {wantMm !== null && <Band wantMm={wantMm} bed={bed} down={down.to} from={MARGIN.left} to={right} />}
      {ticksOf(0, end, 10).map((t) => (
        <g key={t}>
          <line x1={along.to(t)} x2={along.to(t)} y1={bed} y2={bed + 5} stroke="var(--ink2)" />
          <text x={along.to(t)} y={bed + 17} textAnchor="middle" className="text-label" fill="var(--ink2)">
            {formatNumber(t, 0, style)}
            {t === 0 ? ' s' : ''}
          </text>
        </g>
      ))}
    </>
  );
}

interface GoesWrongProps {
  readonly shown: Shown;
  readonly whole: Whole | null;
  readonly at: (each: Moment) => readonly [number, number];
  readonly along: Scale;
  readonly down: Scale;
  readonly right: number;
}

/** Times in which its point is dragged or it is turned over, thick on the path, and flags for all that goes wrong. */
const GoesWrong = ({ shown: { told, moments }, whole, at, along, down, right }: GoesWrongProps) => (
  <>
    {[...told.bed.touches.filter(({ pointDown }) => pointDown), ...told.capsizes].map(({ t, forS }) => (
      <Wrong key={t} {...{ moments, at, t, forS }} />
    ))}
    {whole?.wrong
      .filter(({ what }) => what !== 'unsettled')
      .map((fault) => (
        <Flag
          key={`${fault.what} ${String(fault.t)}`}
          fault={fault}
          x={along.to(fault.t)}
          y={down.to(depthAt(moments, fault.t))}
          right={right}
        />
      ))}
  </>
);

const depthAt = (moments: readonly Moment[], t: number): number => {
  const near = moments.reduce(
    (best, each) => (Math.abs(each.t - t) < Math.abs(best.t - t) ? each : best),
    moments[0] as Moment,
  );
  return -near.fly[2] / M;
};

/** Between slower and faster water. */
function Spread({
  moments,
  whole: { slowerMm, fasterMm },
  along,
  down,
}: {
  readonly moments: readonly Moment[];
  readonly whole: Whole;
  readonly along: Scale;
  readonly down: Scale;
}) {
  const edge = (deep: readonly number[]): (readonly [number, number])[] =>
    moments.flatMap(({ t }, i) => {
      const mm = deep[i];
      return mm === undefined ? [] : [[along.to(t), down.to(mm / M)] as const];
    });
  return (
    <path d={`${pathOf([...edge(slowerMm), ...edge(fasterMm).reverse()])}Z`} fill="var(--ink2)" fillOpacity={0.16}>
      <title>in water 15 % slower and faster</title>
    </path>
  );
}

/** When line is pulled in. */
const Pulls = ({
  moments,
  along,
  y,
}: {
  readonly moments: readonly Moment[];
  readonly along: Scale;
  readonly y: number;
}) => (
  <path
    d={moments.flatMap(({ t, pulled }) => (pulled ? [`M${along.to(t).toFixed(1)} ${String(y - 6)}v6`] : [])).join('')}
    stroke="var(--measure)"
  />
);

/** A time in which something goes wrong, thick on the path. */
const Wrong = ({
  moments,
  at,
  t,
  forS,
}: {
  readonly moments: readonly Moment[];
  readonly at: (each: Moment) => readonly [number, number];
  readonly t: number;
  readonly forS: number;
}) => (
  <path
    d={pathOf(moments.filter((each) => each.t >= t - 0.05 && each.t <= t + forS + 0.05).map(at))}
    fill="none"
    stroke="var(--warn)"
    strokeWidth={4}
    strokeLinecap="round"
  />
);

const Flag = ({
  fault: { what, forS },
  x,
  y,
  right,
}: {
  readonly fault: WaterFault;
  readonly x: number;
  readonly y: number;
  readonly right: number;
}) => {
  const end = x > right - 120;
  return (
    <text
      x={end ? x - 8 : x + 4}
      y={Math.max(y - 10, 42)}
      textAnchor={end ? 'end' : 'start'}
      className="text-label italic"
      fill="var(--warn)"
    >
      ⚑ {what}
      {forS > 0 ? `, ${forS.toFixed(1)} s` : ''}
    </text>
  );
};
