import type { LaidFly } from '@jobbet/core/model';
import type { View } from '@jobbet/core/drawing';
import { outlineOf, PROFILE_UP } from '@jobbet/core/model';
import { screenX, screenY } from '@jobbet/core/drawing';
import { useId } from 'react';
import { OneOutline } from '../../shared/drawing/Outlines.tsx';
import { Spots, useMarks } from './Landmarks.tsx';
import { Ruler } from './Ruler.tsx';
import { type Landmarks, onView, type Photo, type Shown } from './photo.ts';

interface PhotoBoardProps {
  readonly photo: Photo & { readonly landmarks: Landmarks };
  readonly plan: LaidFly;
  readonly view: View;
  readonly width: number;
  readonly height: number;
  readonly shown: Shown;
  readonly onMove: (landmarks: Landmarks) => void;
  readonly onScale: (mmPerPx: number | null) => void;
}

/** A key moves a landmark by so much. */
const STEP_MM = 0.1;
const CALLED = { eye: 'eye', bend: 'bend', point: 'point' } as const;

export const pathOf = (points: readonly (readonly [number, number])[]): string =>
  points.length === 0 ? '' : `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;

/** The plan's parts as one path. */
const planPath = (plan: LaidFly, view: View): string =>
  plan.sections
    .map((section) =>
      pathOf(outlineOf(section, PROFILE_UP).map(([x, z]) => [screenX(view, [x, 0, z]), screenY(view, [x, 0, z])])),
    )
    .join('');

/** A photograph laid on the plan, eye on eye and bend on bend, its landmarks to be moved; over it the plan, and what lies beyond it. */
export function PhotoBoard({ photo, plan, view, width, height, shown, onMove, onScale }: PhotoBoardProps) {
  const { marks, pull, let: letGo } = useMarks(photo.landmarks, onMove);
  // While a landmark is pulled the picture stays; it is laid anew when it is let go.
  const lies = onView(photo.landmarks, plan, view);
  return (
    <div className="absolute inset-0 overflow-hidden" data-testid="photo">
      <img
        src={`/api/${photo.file}`}
        alt="The finished fly, photographed from the near side"
        draggable={false}
        className="absolute left-0 top-0 max-w-none dark:brightness-[0.8]"
        style={{ transformOrigin: '0 0', transform: `matrix(${lies.matrix.join()})` }}
      />
      <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
        {shown === 'difference' && photo.contour && (
          <Beyond contour={photo.contour.map(([x, y]) => lies.to(x, y))} plan={planPath(plan, view)} />
        )}
        <OneOutline laid={plan} views={[view]} width={width} height={height} stroke="var(--measure)" />
      </svg>
      <Spots
        called={CALLED}
        marks={marks}
        lies={lies}
        step={STEP_MM * view.scale}
        each={`${String(STEP_MM)} mm each`}
        onPull={pull}
        onLet={letGo}
      />
      <Ruler mmPerPx={photo.mmPerPx ?? null} {...{ lies, width, height, onScale }} />
    </div>
  );
}

/** What of the fly lies beyond the plan, hatched. */
function Beyond({
  contour,
  plan,
}: {
  readonly contour: readonly (readonly [number, number])[];
  readonly plan: string;
}) {
  const id = useId();
  return (
    <>
      <defs>
        <pattern id={`${id}h`} width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1={0} x2={0} y1={0} y2={6} stroke="var(--shape)" strokeWidth={2.5} />
        </pattern>
        <mask id={`${id}m`}>
          <rect width="100%" height="100%" fill="white" />
          <path d={plan} fill="black" />
        </mask>
      </defs>
      <path d={pathOf(contour)} fill={`url(#${id}h)`} mask={`url(#${id}m)`} />
    </>
  );
}
