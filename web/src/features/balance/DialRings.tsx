import { CURVE_DEG } from '@jobbet/core/model';
import { useSettings } from '../../shared/settings/settings.ts';
import { DIAL, pointAt, type Dial } from './dial.ts';
import type { BalanceFigures } from './reckon.ts';
import type { CurrentShown } from './useBalance.ts';

interface DialRingsProps {
  readonly dial: Dial;
  readonly figures: BalanceFigures | null;
  readonly current: CurrentShown | null;
}

/** The righting curve, tight and slack, the push of a current, where it rests and where it gives way. */
export function DialRings({ dial, figures, current }: DialRingsProps) {
  const { hand } = useSettings();
  const curve = dial.righting;
  const push = current && figures ? dial.push(current, figures.limits) : '';
  return (
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
      {figures && (
        <path
          d={dial.slack(figures.slackTorque)}
          fill="none"
          stroke="var(--weight)"
          strokeWidth={0.9}
          strokeDasharray="2 3"
        />
      )}
      {CURVE_DEG.filter((_, i) => i % 3 === 0).map((deg) => (
        <Chevron key={deg} clock={dial.clock(deg)} way={dial.way(deg)} />
      ))}
      {push !== '' && (
        <path d={push} fill="none" stroke="var(--shape)" strokeWidth={1.6} strokeDasharray="7 4" data-testid="push" />
      )}
      {dial.restDeg !== null && <Rest clock={dial.clock(dial.restDeg)} />}
      {figures?.limits.map(({ flow: from, atDeg }) => {
        if (atDeg === null) return null;
        const [x, y] = dial.along(atDeg, dial.moment(atDeg));
        return <circle key={from} cx={x} cy={y} r={4.5} fill="var(--sheet)" stroke="var(--shape)" strokeWidth={1.6} />;
      })}
      <Names hand={hand} />
    </g>
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
