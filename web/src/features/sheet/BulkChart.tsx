import type { LaidFly } from '@jobbet/core/model';
import type { Finding } from '@jobbet/core/checks';
import { STEP_MM, tyingPlan } from '@jobbet/core/tying';
import { formatLength } from '@jobbet/core/units';
import { useMemo, useRef, useState } from 'react';
import { useSize } from '../../shared/ui/useSize.ts';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';

const TALL = 96;

interface BulkChartProps {
  readonly laid: LaidFly;
  /** What checks say of it; those with a place are marked there. */
  readonly findings: readonly Finding[];
}

/** The body as it grows: diameters along the shank after each part, with what is uneven, crowded or closed marked where it is. */
export function BulkChart({ laid, findings }: BulkChartProps) {
  const style = useStyle();
  const { hand } = useSettings();
  const frame = useRef<HTMLDivElement>(null);
  // It stands there by itself where it marks something.
  const [asked, setAsked] = useState(false);
  const { width } = useSize(frame);
  const { profiles, moves } = useMemo(() => tyingPlan(laid), [laid]);
  const { shankMm } = laid.platform;
  const most = Math.max(1, ...profiles.map((profile) => Math.max(...profile)));
  const x = (mm: number): number => {
    const px = 8 + (mm / (shankMm + 2)) * (width - 16);
    return hand === 'right' ? width - px : px;
  };
  const y = (mm: number): number => TALL - 16 - (mm / most) * (TALL - 26);
  const line = (profile: Float64Array): string =>
    `M${Array.from(profile, (d, i) => `${x(i * STEP_MM).toFixed(1)} ${y(d).toFixed(1)}`).join('L')}`;
  const at = moves.findIndex(({ part }) => part.file.role === 'body' && part.file.construction === 'wrap');
  const last = profiles.at(-1);
  const marks = findings.flatMap(({ code, atMm, message }) =>
    code.startsWith('bulk.') && atMm !== null ? [{ atMm, message }] : [],
  );
  // What lies under a body is marked on the line of what it is wound over.
  const thick = (mm: number): number => (at < 0 ? last : profiles[at])?.[Math.round(mm / STEP_MM)] ?? 0;
  const length = (mm: number): string => Object.values(formatLength(mm, style)).join(' ');
  const told = marks.map(({ message }) => message).join('; ');
  return (
    <figure data-testid="bulk">
      <figcaption className="leading-tight">
        <b className="font-semibold">Bulk</b>{' '}
        <span className="italic text-ink2">
          diameter along the shank after each part, the thickest {length(most)}
          {told === '' && '; even under the body'}
        </span>{' '}
        {told === '' && (
          <button type="button" className="underline" aria-expanded={asked} onClick={() => setAsked(!asked)}>
            {asked ? 'fold it' : 'show it'}
          </button>
        )}
      </figcaption>
      <div
        hidden={told === '' && !asked}
        ref={frame}
        role="img"
        aria-label={`Diameter along the shank as the fly is tied; ${told === '' ? 'even under the body' : told}`}
      >
        {width > 0 && (
          <svg width={width} height={TALL}>
            <Stations at={(station) => x((station * shankMm) / 10)} />
            {profiles.map((profile, i) => (
              <path
                key={i}
                d={line(profile)}
                fill="none"
                stroke={i === at ? 'var(--measure)' : 'var(--ink)'}
                strokeWidth={i === profiles.length - 1 || i === at ? 1.6 : 0.7}
                opacity={i === profiles.length - 1 || i === at ? 1 : 0.25 + (0.4 * i) / profiles.length}
              />
            ))}
            {marks.map((each) => (
              <circle
                key={each.message}
                cx={x(each.atMm)}
                cy={y(thick(each.atMm))}
                r={5}
                fill="none"
                stroke="var(--warn)"
                strokeWidth={1.4}
              >
                <title>{each.message}</title>
              </circle>
            ))}
          </svg>
        )}
      </div>
    </figure>
  );
}

/** The stations of the shank, nought at the eye. @param at px of one */
function Stations({ at }: { readonly at: (station: number) => number }) {
  return Array.from({ length: 11 }, (_, i) => (
    <g key={i}>
      <line x1={at(i)} x2={at(i)} y1={6} y2={TALL - 14} stroke="var(--grid)" />
      <text x={at(i)} y={TALL - 3} fontSize={11} textAnchor="middle" fill="var(--ink2)">
        {i}
      </text>
    </g>
  ));
}
