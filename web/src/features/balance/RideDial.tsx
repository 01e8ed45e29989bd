import { boundsOf, CURVE_DEG, normalDeg, rightingMoment, toRad, type LaidFly } from '@jobbet/core/model';
import { viewOf } from '@jobbet/core/drawing';
import { leanWords } from '@jobbet/core/study';
import { formatMoment } from '@jobbet/core/units';
import { useMemo, useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { WhyButton } from '../../fly/verdict/WhyButton.tsx';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';
import { clockOf, DIAL, lineThrough, pointAt, rollOf } from './dial.ts';
import type { BalanceFigures } from './reckon.ts';
import type { Asked, CurrentShown } from './useBalance.ts';

interface RideDialProps {
  readonly laid: LaidFly;
  /** What is reckoned of it; null until it is. */
  readonly figures: BalanceFigures | null;
  /** The side current it is put in. */
  readonly current: CurrentShown | null;
  readonly asked: Asked;
  /** The roll that is shown, degrees; null where it has gone over. */
  readonly shownDeg: number | null;
  readonly onAsk: (asked: Asked) => void;
}

const STEP = { fine: 1, coarse: 5 };
const PUSH_SPAN = 90;

/** mg·mm as it is read: gram-force millimetres. */
export const momentWords = (mgMm: number, style: ReturnType<typeof useStyle>): string =>
  Object.values(formatMoment(mgMm, style)).join(' ');

/**
 * The section at its roll inside the righting curve: how far outside the zero circle, so strongly it is turned back; chevrons run toward the
 * rest. The dashed line is the push of the current it is put in; where it reaches the curve the fly gives way.
 */
export function RideDial({ laid, figures, current, asked, shownDeg, onAsk }: RideDialProps) {
  const { tight } = laid;
  const style = useStyle();
  const { hand } = useSettings();
  const svg = useRef<SVGSVGElement>(null);
  const most = Math.max(1e-6, Math.hypot(tight.momentMgMm, tight.lateralMgMm));
  const radius = (mgMm: number): number => DIAL.zero + Math.min(1.25, Math.abs(mgMm) / most) * (DIAL.most - DIAL.zero);
  const at = (deg: number, r: number): readonly [number, number] => pointAt(clockOf(deg, hand), r);
  const moment = (deg: number): number => rightingMoment(tight.momentMgMm, tight.lateralMgMm, toRad(deg));
  const curve = lineThrough(
    CURVE_DEG.map((deg) => at(deg, radius(moment(deg)))),
    true,
  );
  /** What turns it on a slack line, as a share of the most of it: a scale of its own. */
  const slackCurve = useMemo(() => {
    if (!figures) return null;
    const largest = Math.max(1e-6, ...figures.slackTorque.map(Math.abs));
    return figures.slackTorque.map((each) => each / largest);
  }, [figures]);
  const rest = tight.heelDeg;
  const limits = figures?.limits ?? [];
  const push = current && rest !== null ? pushLine(current, rest, limits, (deg, mgMm) => at(deg, radius(mgMm))) : '';
  const shown = shownDeg ?? rest ?? 0;
  const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const tall = Math.max(bounds.top, -bounds.bottom, bounds.aside);
  const scale = Math.min(16, (DIAL.zero - 14) / tall);
  const view = useMemo(
    () => viewOf('section', DIAL.centre, DIAL.centre, scale, hand, toRad(shown)),
    [scale, hand, shown],
  );
  const views = useMemo(() => [view], [view]);
  const rolled = (event: { clientX: number; clientY: number }): void => {
    const box = svg.current?.getBoundingClientRect();
    if (!box) return;
    const [dx, dy] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
    onAsk({ kind: 'heel', deg: Math.round(rollOf((Math.atan2(dx, -dy) * 180) / Math.PI, hand)) });
  };
  const grab = (event: PointerEvent<SVGGElement>): void => {
    event.preventDefault();
    event.currentTarget.focus();
    const up = (): void => {
      window.removeEventListener('pointermove', rolled);
      window.removeEventListener('pointercancel', up);
    };
    window.addEventListener('pointermove', rolled);
    window.addEventListener('pointerup', up, { once: true });
    window.addEventListener('pointercancel', up, { once: true });
  };
  const key = (event: KeyboardEvent): void => {
    const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (way === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    onAsk({ kind: 'heel', deg: normalDeg(Math.round(shown) + way * (event.shiftKey ? STEP.coarse : STEP.fine)) });
  };
  const knob = at(shown, DIAL.rim);
  return (
    <div className="relative mx-auto" style={{ width: DIAL.size, height: DIAL.size }}>
      <FlyCanvas laid={laid} views={views} width={DIAL.size} height={DIAL.size} mode="dressed" />
      <svg
        ref={svg}
        width={DIAL.size}
        height={DIAL.size}
        className="absolute inset-0"
        role="group"
        aria-label="Ride dial"
      >
        <g aria-hidden="true">
          <path
            d={`${curve}M${String(DIAL.centre - DIAL.zero)} ${String(DIAL.centre)}a${String(DIAL.zero)} ${String(DIAL.zero)} 0 1 0 ${String(2 * DIAL.zero)} 0a${String(DIAL.zero)} ${String(DIAL.zero)} 0 1 0 ${String(-2 * DIAL.zero)} 0Z`}
            fillRule="evenodd"
            fill="var(--m1)"
            opacity={0.5}
          />
          <circle cx={DIAL.centre} cy={DIAL.centre} r={DIAL.zero} fill="none" stroke="var(--rule)" strokeWidth={0.8} />
          <circle cx={DIAL.centre} cy={DIAL.centre} r={DIAL.rim} fill="none" stroke="var(--ink)" strokeWidth={1} />
          <Ticks />
          <path d={curve} fill="none" stroke="var(--weight)" strokeWidth={2} data-testid="righting" />
          {slackCurve && (
            <path
              d={lineThrough(
                CURVE_DEG.map((deg, i) => at(deg, radius((slackCurve[i] ?? 0) * most))),
                true,
              )}
              fill="none"
              stroke="var(--weight)"
              strokeWidth={0.9}
              strokeDasharray="2 3"
            />
          )}
          {CURVE_DEG.filter((_, i) => i % 3 === 0).map((deg) => (
            <Chevron key={deg} clock={clockOf(deg, hand)} way={Math.sign(moment(deg)) * (hand === 'right' ? 1 : -1)} />
          ))}
          {push !== '' && (
            <path
              d={push}
              fill="none"
              stroke="var(--shape)"
              strokeWidth={1.6}
              strokeDasharray="7 4"
              data-testid="push"
            />
          )}
          {rest !== null && <Rest clock={clockOf(rest, hand)} />}
          {limits.map(({ flow: from, atDeg }) => {
            if (atDeg === null) return null;
            const [x, y] = at(atDeg, radius(moment(atDeg)));
            return (
              <circle key={from} cx={x} cy={y} r={4.5} fill="var(--sheet)" stroke="var(--shape)" strokeWidth={1.6} />
            );
          })}
          <Names hand={hand} />
        </g>
        <g
          role="slider"
          tabIndex={0}
          className="handle cursor-grab"
          style={{ touchAction: 'none' }}
          aria-label="heel"
          aria-valuemin={-180}
          aria-valuemax={180}
          aria-valuenow={Math.round(shown)}
          aria-valuetext={`${String(Math.round(shown))} degrees, ${momentWords(Math.abs(moment(shown)), style)} back to rest`}
          transform={`translate(${String(knob[0])} ${String(knob[1])})`}
          onPointerDown={grab}
          onKeyDown={key}
        >
          <circle r={14} fill="transparent" />
          <circle r={7.5} fill="var(--pick)" stroke="var(--on-pick)" strokeWidth={1.2} />
        </g>
      </svg>
      <p className="absolute left-0 top-0 leading-tight" data-testid="dial-words">
        <b className="text-row">
          {asked.kind === 'rest'
            ? rest === null
              ? 'undecided'
              : `rests ${rideWords(tight.ride)}`
            : shownDeg === null
              ? 'gives way'
              : `point ${leanWords(shown, style)}`}
        </b>
        <br />
        <span className="italic text-ink2">
          {asked.kind === 'rest'
            ? rest === null
              ? 'no weight turns it either way'
              : leanWords(rest, style)
            : `${momentWords(Math.abs(moment(shown)), style)} ${Math.abs(moment(shown)) < 1e-3 * most ? '' : 'turn it back'}`}{' '}
          {asked.kind === 'rest' && <WhyButton asked="heel" laid={laid} />}
        </span>
      </p>
      <p className="absolute right-0 top-0 text-right leading-tight italic text-ink2">
        <WhyButton asked="slack" laid={laid}>
          on a slack line
        </WhyButton>
        <br />
        {figures && slackWords(figures.slack, style)}
      </p>
    </div>
  );
}

const slackWords = ({ heelDeg, ride }: BalanceFigures['slack'], style: ReturnType<typeof useStyle>): string =>
  heelDeg === null ? 'undecided' : `${rideWords(ride)}, ${leanWords(heelDeg, style)}`;

/** The push of a current from the rest toward the side it pushes to, as a line of the dial. */
function pushLine(
  { torque, flow }: CurrentShown,
  rest: number,
  limits: BalanceFigures['limits'],
  place: (deg: number, mgMm: number) => readonly [number, number],
): string {
  const toward = limits.find((limit) => limit.flow === flow)?.toward ?? 1;
  const points = CURVE_DEG.map((deg, i) => ({ off: normalDeg(toward * (deg - rest)), deg, mgMm: torque[i] ?? 0 }))
    .filter(({ off, mgMm }) => off >= 0 && off <= PUSH_SPAN && mgMm * toward >= 0)
    .sort((a, b) => a.off - b.off);
  return lineThrough(
    points.map(({ deg, mgMm }) => place(deg, mgMm)),
    false,
  );
}

function Ticks() {
  return Array.from({ length: 36 }, (_, i) => {
    const [a, b] = [pointAt(i * 10, DIAL.rim), pointAt(i * 10, DIAL.rim + (i % 3 === 0 ? 8 : 4))];
    return (
      <line key={i} x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="var(--ink)" strokeWidth={i % 3 === 0 ? 1 : 0.7} />
    );
  });
}

function Chevron({ clock, way }: { readonly clock: number; readonly way: number }) {
  const [x, y] = pointAt(clock, DIAL.zero - 9);
  if (way === 0) return null;
  return (
    <path
      d="M-3 -3l4 3l-4 3"
      transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${String(clock + (way > 0 ? 0 : 180))})`}
      fill="none"
      stroke="var(--ink3)"
      strokeWidth={1.1}
    />
  );
}

function Rest({ clock }: { readonly clock: number }) {
  const [x, y] = pointAt(clock, DIAL.rim + 2);
  const away = pointAt(clock + 180, DIAL.zero);
  return (
    <>
      <path
        d="M0 0l-7 -12h14z"
        transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${String(clock)})`}
        fill="var(--weight)"
      />
      <circle
        cx={away[0]}
        cy={away[1]}
        r={4.5}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1.2}
        strokeDasharray="2 2"
      />
    </>
  );
}

function Names({ hand }: { readonly hand: 'right' | 'left' }) {
  const far = hand === 'right' ? 1 : -1;
  const name = (words: string, x: number, y: number, turn = 0) => (
    <text
      x={x}
      y={y}
      textAnchor="middle"
      fontSize={12}
      fontStyle="italic"
      fill="var(--ink2)"
      transform={turn === 0 ? undefined : `rotate(${String(turn)} ${String(x)} ${String(y)})`}
    >
      {words}
    </text>
  );
  const side = (right: boolean): string => `point to the ${(right ? far : -far) > 0 ? 'far' : 'near'} side`;
  const c = DIAL.centre;
  return (
    <>
      {name('point up', c, c - DIAL.rim - 20)}
      {name('point down', c, c + DIAL.rim + 30)}
      {name(side(true), c + DIAL.rim + 22, c, 90)}
      {name(side(false), c - DIAL.rim - 22, c, -90)}
    </>
  );
}
