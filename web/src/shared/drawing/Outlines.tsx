import { type LaidFly, outlineOf, PLAN_UP, PROFILE_UP, type Vec3 } from '@jobbet/core/model';
import { screenX, screenY, type View } from '@jobbet/core/drawing';
import { useId } from 'react';
import type { PlanLayout } from './layout.ts';

/** A fly shown by its outline alone, and what it is called. */
export interface Outlined {
  readonly laid: LaidFly;
  readonly name: string;
}

const LOOKS = [
  { stroke: 'var(--measure)', dash: undefined },
  { stroke: 'var(--shape)', dash: '7 4' },
] as const;

const pathOf = (laid: LaidFly, view: View): string =>
  laid.sections
    .map((section) => {
      const up = view.name === 'plan' ? PLAN_UP : PROFILE_UP;
      const points = outlineOf(section, up).map(([x, across]): string => {
        const at: Vec3 = view.name === 'plan' ? [x, across, 0] : [x, 0, across];
        return `${screenX(view, at).toFixed(1)} ${screenY(view, at).toFixed(1)}`;
      });
      return `M${points.join('L')}Z`;
    })
    .join('');

interface OneOutlineProps {
  readonly laid: LaidFly;
  readonly views: readonly View[];
  readonly width: number;
  readonly height: number;
  readonly stroke: string;
  readonly dash?: string | undefined;
}

/** The edge of all parts of a fly together, in one view or more. */
export function OneOutline({ laid, views, width, height, stroke, dash }: OneOutlineProps) {
  const mask = useId();
  const paths = views.map((view) => pathOf(laid, view));
  return (
    <>
      <mask id={mask} maskUnits="userSpaceOnUse" x={0} y={0} width={width} height={height}>
        <rect width={width} height={height} fill="white" />
        {paths.map((d) => (
          <path key={d} d={d} fill="black" />
        ))}
      </mask>
      <g mask={`url(#${mask})`}>
        {paths.map((d) => (
          <path key={d} d={d} fill="none" stroke={stroke} strokeWidth={4} strokeDasharray={dash} />
        ))}
      </g>
    </>
  );
}

/** Outlines of flies laid over the drawing, each the edge of all its parts together, with a legend. */
export function Outlines({ flies, layout }: { readonly flies: readonly Outlined[]; readonly layout: PlanLayout }) {
  return (
    <g data-testid="outlines" aria-hidden="true">
      {flies.map(({ laid, name }, i) => {
        const { stroke, dash } = LOOKS[i % 2] ?? LOOKS[0];
        const views = [layout.profile, layout.plan];
        return (
          <g key={name}>
            <OneOutline
              laid={laid}
              views={views}
              width={layout.width}
              height={layout.height}
              stroke={stroke}
              dash={dash}
            />
            <line
              x1={16}
              x2={46}
              y1={46 + i * 18}
              y2={46 + i * 18}
              stroke={stroke}
              strokeWidth={2}
              strokeDasharray={dash}
            />
            <text x={52} y={50 + i * 18} fontSize={12.5} fontStyle="italic" fill="var(--ink)">
              {name}
            </text>
          </g>
        );
      })}
    </g>
  );
}
