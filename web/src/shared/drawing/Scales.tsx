import type { LaidFly } from '@jobbet/core/model';
import { formatLength, MM_PER } from '@jobbet/core/units';
import { useStyle } from '../settings/settings.ts';
import { xOf, type PlanLayout } from './layout.ts';

interface ScaleProps {
  readonly laid: LaidFly;
  readonly layout: PlanLayout;
}

const label = { fontStyle: 'italic', fontSize: 12 } as const;

/** Every station and every 2 mm, behind the fly. */
export function Grid({ laid, layout }: ScaleProps) {
  const { bounds, plan, profile, scale } = layout;
  const station = laid.platform.shankMm / 10;
  const top = profile.oy - bounds.top * scale - 4;
  const bottom = plan.oy + (bounds.aside + 0.5) * scale;
  const left = Math.min(xOf(layout, bounds.front), xOf(layout, bounds.rear)) - 6;
  const right = Math.max(xOf(layout, bounds.front), xOf(layout, bounds.rear)) + 6;
  const rows = (from: number, to: number): number[] =>
    Array.from(
      { length: Math.max(0, Math.floor(to / 2) - Math.ceil(from / 2) + 1) },
      (_, i) => (Math.ceil(from / 2) + i) * 2,
    );
  return (
    <g stroke="var(--grid)" strokeWidth={1} aria-hidden="true">
      {Array.from({ length: 11 }, (_, i) => (
        <line key={i} x1={xOf(layout, i * station)} x2={xOf(layout, i * station)} y1={top} y2={bottom} />
      ))}
      {rows(bounds.bottom, bounds.top).map((z) => (
        <line key={z} x1={left} x2={right} y1={profile.oy - z * scale} y2={profile.oy - z * scale} />
      ))}
      {rows(-bounds.aside, bounds.aside).map((y) => (
        <line key={`p${String(y)}`} x1={left} x2={right} y1={plan.oy + y * scale} y2={plan.oy + y * scale} />
      ))}
    </g>
  );
}

/** The shank in tenths, with the landmarks a tier measures to. */
export function StationScale({ laid, layout }: ScaleProps) {
  const { landmarksMm, shankMm } = laid.platform;
  const y = layout.stationY;
  const marks: readonly (readonly [string, number | null])[] = [
    ['eye', 0],
    ['head', laid.headMm],
    ['point', landmarksMm.point],
    ['barb', landmarksMm.barb],
    ['bend', landmarksMm.bend],
  ];
  const placed = marks.flatMap(([name, mm]): (readonly [string, number])[] => (mm === null ? [] : [[name, mm]]));
  const words: { name: string; x: number }[] = [];
  for (const [name, mm] of placed) {
    const x = xOf(layout, mm);
    const close = words.find((word) => Math.abs(word.x - x) < 30);
    if (close) close.name = layout.dir < 0 ? `${name}, ${close.name}` : `${close.name}, ${name}`;
    else words.push({ name, x });
  }
  return (
    <g aria-hidden="true">
      <line x1={xOf(layout, 0)} x2={xOf(layout, shankMm)} y1={y} y2={y} stroke="var(--ink)" strokeWidth={0.8} />
      {Array.from(
        { length: 101 },
        (_, i) =>
          (layout.scale * shankMm > 160 || i % 5 === 0) && (
            <line
              key={i}
              x1={xOf(layout, (i * shankMm) / 100)}
              x2={xOf(layout, (i * shankMm) / 100)}
              y1={y}
              y2={y + (i % 10 === 0 ? 9 : i % 5 === 0 ? 6 : 3)}
              stroke="var(--ink)"
              strokeWidth={0.8}
            />
          ),
      )}
      {Array.from({ length: 11 }, (_, i) => (
        <text
          key={i}
          x={xOf(layout, (i * shankMm) / 10)}
          y={y + 20}
          fontSize={11}
          fill="var(--ink)"
          textAnchor="middle"
        >
          {i}
        </text>
      ))}
      {placed.map(([name, mm]) => (
        <path key={name} d={`M${String(xOf(layout, mm))} ${String(y)}l-4-6h8z`} fill="var(--ink)" />
      ))}
      {words.map((word) => (
        <text key={word.name} x={word.x} y={y - 10} {...label} fill="var(--ink2)" textAnchor="middle">
          {word.name}
        </text>
      ))}
    </g>
  );
}

/** The rule along the foot of the sheet: millimetres, or inches in tenths of the person's own unit. */
export function FootRule({ layout }: { readonly layout: PlanLayout }) {
  const style = useStyle();
  const unit = MM_PER[style.length];
  const step = style.length === 'in' ? 1 / 8 : 1;
  const long = style.length === 'in' ? 2 : 5;
  const count = Math.ceil(layout.bounds.rear / (unit * step));
  const y = layout.ruleY;
  const far = xOf(layout, count * step * unit);
  return (
    <g aria-hidden="true">
      <line x1={xOf(layout, 0)} x2={far} y1={y} y2={y} stroke="var(--ink)" strokeWidth={0.8} />
      {Array.from({ length: count + 1 }, (_, i) => {
        const x = xOf(layout, i * step * unit);
        const major = i % long === 0;
        const words = style.length === 'in' ? formatLength(i * step * unit, style).figure : String(i);
        return (
          <g key={i}>
            <line x1={x} x2={x} y1={y} y2={y + (major ? 7 : 3)} stroke="var(--ink)" strokeWidth={0.8} />
            {major && (long * step * unit * layout.scale > 18 || i % (2 * long) === 0) && (
              <text x={x} y={y + 18} fontSize={11} textAnchor="middle" fill="var(--ink2)">
                {words}
              </text>
            )}
          </g>
        );
      })}
      <text
        x={xOf(layout, 0) - layout.dir * 12}
        y={y + 18}
        {...label}
        textAnchor={layout.dir < 0 ? 'start' : 'end'}
        fill="var(--ink2)"
      >
        {style.length}
      </text>
    </g>
  );
}
