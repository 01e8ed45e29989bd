import { formatNumber, MM_PER, type Style } from '@jobbet/core/units';
import { NEAR_WANTED } from '@jobbet/core/water';
import { useStyle } from '../../shared/settings/settings.ts';
import { type Scale, ticksOf } from './scale.ts';

/** mm in a metre: water is drawn in metres, and written in the tier's unit. */
export const M = MM_PER.m;
/** The unit of depths and lengths of line, and how many metres it is. */
export const waterUnit = ({ length }: Style): { readonly unit: 'm' | 'ft'; readonly metres: number } =>
  length === 'in' ? { unit: 'ft', metres: MM_PER.ft / M } : { unit: 'm', metres: 1 };
/** Depths are written no nearer to one another, px. */
const APART_PX = 24;

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
  const { metres } = waterUnit(style);
  const ticks = ticksOf(0, depthMm / M / metres, Math.max(1, Math.min(6, (bed - surface) / APART_PX)));
  return (
    <>
      <rect x={left} y={surface} width={right - left} height={bed - surface} fill="var(--air)" opacity={0.05} />
      <line x1={left} x2={right} y1={surface} y2={surface} stroke="var(--air)" strokeWidth={1.5} />
      <line x1={left} x2={right} y1={bed} y2={bed} stroke="var(--ink2)" strokeWidth={1.5} />
      {ticks.map((tick) => (
        <g key={tick}>
          <line x1={left - 5} x2={left} y1={down.to(tick * metres)} y2={down.to(tick * metres)} stroke="var(--ink2)" />
          <text x={left - 9} y={down.to(tick * metres) + 4} textAnchor="end" className="text-label" fill="var(--ink2)">
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
  const [top, bottom] = [down(((1 - NEAR_WANTED) * wantMm) / M), Math.min(bed, down(((1 + NEAR_WANTED) * wantMm) / M))];
  if (top >= bed) return null;
  return (
    <>
      <rect x={from} y={top} width={to - from} height={bottom - top} fill="var(--measure)" opacity={0.14} />
      <text x={from + 8} y={top - 3} className="text-label italic" fill="var(--measure)">
        wanted
      </text>
    </>
  );
};
