import { looksOf } from '@jobbet/core/inspect';
import { screenX, screenY, type View } from '@jobbet/core/drawing';
import type { LaidFly } from '@jobbet/core/model';

const R = 10;

/** Looks that are at one place stand beside each other. */
function placesOf(plan: LaidFly, view: View) {
  const taken = new Map<string, number>();
  return looksOf(plan).flatMap(({ key, at }, i) => {
    if (!at) return [];
    const [x, y] = [screenX(view, [at[0], 0, at[1]]), screenY(view, [at[0], 0, at[1]])];
    const near = `${String(Math.round(x / (2 * R)))} ${String(Math.round(y / (2 * R)))}`;
    const before = taken.get(near) ?? 0;
    taken.set(near, before + 1);
    return [{ key, n: i + 1, x: x + before * 2 * R, y }];
  });
}

interface LookMarksProps {
  readonly plan: LaidFly;
  readonly view: View;
  readonly width: number;
  readonly height: number;
}

/** Where on the fly each look of the list is taken, by its number. */
export const LookMarks = ({ plan, view, width, height }: LookMarksProps) => (
  <svg width={width} height={height} className="absolute inset-0 pointer-events-none" aria-hidden="true">
    {placesOf(plan, view).map(({ key, n, x, y }) => (
      <g key={key} transform={`translate(${x.toFixed(1)} ${y.toFixed(1)})`}>
        <circle r={R} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5} />
        <text textAnchor="middle" dy="0.35em" className="text-label font-bold" fill="var(--ink)">
          {n}
        </text>
      </g>
    ))}
  </svg>
);
