import { formatNumber } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import { type Scale, ticksOf } from './scale.ts';

/** mm in a metre: water is drawn in metres. */
export const M = 1000;
/** Depths are written no nearer to one another, px. */
const APART_PX = 24;
/** A depth is as wanted within so much of it. */
const WANTED = 0.15;

export const diamond = (x: number, y: number, r = 6): string =>
  `M${String(x)} ${String(y - r)}l${String(r)} ${String(r)}l${String(-r)} ${String(r)}l${String(-r)} ${String(-r)}Z`;

/** Water from the surface to the bed, with how deep it is. */
export function WaterBody({
  depthMm,
  down,
  left,
  right,
}: {
  readonly depthMm: number;
  readonly down: Scale;
  readonly left: number;
  readonly right: number;
}) {
  const style = useStyle();
  const [surface, bed] = [down.to(0), down.to(depthMm / M)];
  return (
    <>
      <rect x={left} y={surface} width={right - left} height={bed - surface} fill="var(--air)" opacity={0.05} />
      <line x1={left} x2={right} y1={surface} y2={surface} stroke="var(--air)" strokeWidth={1.5} />
      <line x1={left} x2={right} y1={bed} y2={bed} stroke="var(--ink2)" strokeWidth={1.5} />
      {ticksOf(0, depthMm / M, Math.max(1, Math.min(6, (bed - surface) / APART_PX))).map((tick) => (
        <g key={tick}>
          <line x1={left - 5} x2={left} y1={down.to(tick)} y2={down.to(tick)} stroke="var(--ink2)" />
          <text x={left - 9} y={down.to(tick) + 4} textAnchor="end" className="text-label" fill="var(--ink2)">
            {formatNumber(tick, 1, style)}
          </text>
        </g>
      ))}
    </>
  );
}

/** The depths that are wanted. */
export const Band = ({
  wantMm,
  bed,
  down,
  from,
  to,
}: {
  readonly wantMm: number;
  /** Where the bed is, px: nothing is wanted below it. */
  readonly bed: number;
  readonly down: (m: number) => number;
  readonly from: number;
  readonly to: number;
}) => {
  const [top, bottom] = [down(((1 - WANTED) * wantMm) / M), Math.min(bed, down(((1 + WANTED) * wantMm) / M))];
  return (
    <>
      <rect x={from} y={top} width={to - from} height={bottom - top} fill="var(--measure)" opacity={0.14} />
      <text x={from + 8} y={top - 3} className="text-label italic" fill="var(--measure)">
        wanted
      </text>
    </>
  );
};
