import type { View } from '@jobbet/core/drawing';
import { formatNumber, MM_PER } from '@jobbet/core/units';
import { useSettings, useStyle } from '../settings/settings.ts';
import { xOf, type PlanLayout } from './layout.ts';

/** A board narrower than this has room for the names of the views and no more, px. */
export const NARROW = 620;

/** CSS px in a mm, by which the scale of the sheet is stated. */
export const PX_PER_MM = 96 / MM_PER.in;

const words = { fontSize: 12.5, fill: 'var(--ink)', fontWeight: 600 };
const note = { fontSize: 12, fill: 'var(--ink3)', fontStyle: 'italic', fontWeight: 400 } as const;

/** The names of the three views, the scale, and which side of the front view is near. */
export function Captions({ layout }: { readonly layout: PlanLayout }) {
  const style = useStyle();
  const planLeft = Math.min(xOf(layout, layout.bounds.front), xOf(layout, layout.bounds.rear));
  return (
    <g aria-hidden="true" stroke="var(--sheet)" strokeWidth={3} paintOrder="stroke">
      <text x={16} y={24} {...words}>
        Profile{' '}
        {layout.width >= NARROW && (
          <tspan {...note} dx={6}>
            near side, {formatNumber(layout.scale / PX_PER_MM, 1, style)} : 1
          </tspan>
        )}
      </text>
      <text x={Math.max(16, planLeft)} y={layout.plan.oy - (layout.bounds.aside + 0.4) * layout.scale - 2} {...words}>
        Plan{' '}
        <tspan {...note} dx={6}>
          from above
        </tspan>
      </text>
      {layout.section && <FrontCaptions layout={layout} at={layout.section.ox} />}
    </g>
  );
}

/** What the front view is, and which side of it is near. @param at px across of its middle */
function FrontCaptions({ layout, at }: { readonly layout: PlanLayout; readonly at: number }) {
  const { hand } = useSettings();
  return (
    <>
      <text x={at} y={layout.profile.oy - layout.bounds.top * layout.scale - 12} textAnchor="middle" {...words}>
        From the front
      </text>
      <text
        x={at + (hand === 'right' ? -1 : 1) * layout.bounds.aside * layout.scale}
        y={layout.stationY - 8}
        textAnchor="middle"
        {...note}
      >
        near
      </text>
      <text
        x={at - (hand === 'right' ? -1 : 1) * layout.bounds.aside * layout.scale}
        y={layout.stationY - 8}
        textAnchor="middle"
        {...note}
      >
        far
      </text>
    </>
  );
}

const centre = { stroke: 'var(--ink3)', strokeWidth: 0.7, strokeDasharray: '14 3 2.5 3' };

/** Centre lines, and the mitre that carries breadths from the front view to the plan. */
export function Projection({ layout }: { readonly layout: PlanLayout }) {
  const { profile, plan, section, bounds } = layout;
  const [left, right] = [
    Math.min(xOf(layout, bounds.front), xOf(layout, bounds.rear)) - 14,
    Math.max(xOf(layout, bounds.front), xOf(layout, bounds.rear)) + 14,
  ];
  return (
    <g aria-hidden="true" fill="none">
      <line x1={left} x2={right} y1={profile.oy} y2={profile.oy} {...centre} />
      <line x1={left} x2={right} y1={plan.oy} y2={plan.oy} {...centre} />
      {section && <Mitre layout={layout} section={section} to={layout.dir < 0 ? left : right} />}
    </g>
  );
}

interface MitreProps {
  readonly layout: PlanLayout;
  readonly section: View;
  /** px across to which the breadths are carried. */
  readonly to: number;
}

/** The centre lines of the front view, and the lines that carry its breadths to the plan. */
function Mitre({ layout: { profile, plan, bounds, scale, dir }, section, to }: MitreProps) {
  const reach = bounds.aside * scale;
  const corner = { x: section.ox, y: plan.oy };
  const line = { stroke: 'var(--rule)', strokeWidth: 0.6, strokeDasharray: '1.5 3' };
  return (
    <>
      <line
        x1={section.ox}
        x2={section.ox}
        y1={profile.oy - bounds.top * scale - 6}
        y2={profile.oy - bounds.bottom * scale + 8}
        {...centre}
      />
      <line x1={section.ox - reach - 6} x2={section.ox + reach + 6} y1={section.oy} y2={section.oy} {...centre} />
      <path
        d={`M${String(corner.x - dir * reach)} ${String(corner.y - reach)}L${String(corner.x + dir * reach)} ${String(corner.y + reach)}`}
        stroke="var(--ink3)"
        strokeWidth={0.8}
      />
      {[-1, 1].map((side) => (
        <g key={side} {...line}>
          <line
            x1={section.ox + dir * side * reach}
            x2={section.ox + dir * side * reach}
            y1={profile.oy - bounds.bottom * scale + 4}
            y2={corner.y + side * reach}
          />
          <line
            x1={section.ox + dir * side * reach}
            x2={to}
            y1={corner.y + side * reach}
            y2={corner.y + side * reach}
          />
        </g>
      ))}
    </>
  );
}
