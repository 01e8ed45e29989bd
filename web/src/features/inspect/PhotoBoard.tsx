import type { LaidFly } from '@jobbet/core/model';
import type { View } from '@jobbet/core/drawing';
import { outlineOf, PROFILE_UP } from '@jobbet/core/model';
import { screenX, screenY } from '@jobbet/core/drawing';
import { dequal } from 'dequal';
import { type KeyboardEvent, type PointerEvent, useEffect, useEffectEvent, useId, useState } from 'react';
import { OneOutline } from '../../shared/drawing/Outlines.tsx';
import { type Landmarks, onView, type OnView, type Photo } from './photo.ts';

/** What of photograph and plan is shown. */
export const SHOWN = ['photograph', 'difference', 'plan'] as const;
export type Shown = (typeof SHOWN)[number];

interface PhotoBoardProps {
  readonly photo: Photo & { readonly landmarks: Landmarks };
  readonly plan: LaidFly;
  readonly view: View;
  readonly width: number;
  readonly height: number;
  readonly shown: Shown;
  readonly onMove: (landmarks: Landmarks) => void;
}

type Mark = keyof Landmarks;
const MARKS: readonly Mark[] = ['eye', 'bend', 'point'];

const pathOf = (points: readonly (readonly [number, number])[]): string =>
  points.length === 0 ? '' : `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;

/** The plan's parts as one path. */
const planPath = (plan: LaidFly, view: View): string =>
  plan.sections
    .map((section) =>
      pathOf(outlineOf(section, PROFILE_UP).map(([x, z]) => [screenX(view, [x, 0, z]), screenY(view, [x, 0, z])])),
    )
    .join('');

/** A photograph laid on the plan, eye on eye and bend on bend, its landmarks to be moved; over it the plan, and what lies beyond it. */
export function PhotoBoard({ photo, plan, view, width, height, shown, onMove }: PhotoBoardProps) {
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
      {MARKS.map((name) => {
        const at = marks[name];
        return (
          at && (
            <Spot
              key={name}
              name={name}
              at={at}
              lies={lies}
              perMm={view.scale}
              onPull={(to) => pull(name, to)}
              onLet={(to) => letGo(name, to)}
            />
          )
        );
      })}
    </div>
  );
}

/** A landmark that lies still for so long is let go for good: keys come one after the other. */
const STILL_MS = 250;
const tenth = (value: number): number => Math.round(value * 10) / 10;

/** Landmarks while they are moved; they are told once they lie still. */
function useMarks(kept: Landmarks, onMove: (landmarks: Landmarks) => void) {
  const [moved, setMoved] = useState<{ readonly marks: Landmarks; readonly held: boolean } | null>(null);
  if (moved && !moved.held && dequal(moved.marks, kept)) setMoved(null);
  const still = moved?.held === false ? moved.marks : null;
  const tell = useEffectEvent(onMove);
  useEffect(() => {
    if (!still) return undefined;
    const timer = setTimeout(() => tell(still), STILL_MS);
    return () => clearTimeout(timer);
  }, [still]);
  const marks = moved?.marks ?? kept;
  const put =
    (held: boolean) =>
    (name: Mark, [x, y]: readonly [number, number]): void =>
      setMoved({ marks: { ...marks, [name]: [tenth(x), tenth(y)] }, held });
  return { marks, pull: put(true), let: put(false) };
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

interface SpotProps {
  readonly name: Mark;
  /** px of the picture. */
  readonly at: readonly [number, number];
  readonly lies: OnView;
  /** px of the view. */
  readonly perMm: number;
  readonly onPull: (to: [number, number]) => void;
  readonly onLet: (to: [number, number]) => void;
}

/** A key moves a landmark by so much. */
const STEP_MM = 0.1;
const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A landmark: a crosshair that is pulled, or moved by the arrows. */
function Spot({ name, at, lies, perMm, onPull, onLet }: SpotProps) {
  const [x, y] = lies.to(at[0], at[1]);
  const [held, setHeld] = useState<readonly [number, number] | null>(null);
  const placeOf = (event: PointerEvent, from: readonly [number, number]): [number, number] => {
    const [px, py] = lies.from(event.clientX - from[0], event.clientY - from[1]);
    return [px, py];
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const [px, py] = lies.from(x + step[0] * STEP_MM * perMm, y + step[1] * STEP_MM * perMm);
    onLet([px, py]);
  };
  return (
    <button
      type="button"
      aria-label={`${name}, a landmark: pull it, or move it by the arrows, ${String(STEP_MM)} mm each`}
      className="absolute w-8 h-8 -ml-4 -mt-4 cursor-move touch-none"
      style={{ left: x, top: y }}
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld([event.clientX - x, event.clientY - y]);
      }}
      onPointerMove={(event) => {
        if (held) onPull(placeOf(event, held));
      }}
      onPointerUp={(event) => {
        if (!held) return;
        setHeld(null);
        onLet(placeOf(event, held));
      }}
      onPointerCancel={() => setHeld(null)}
    >
      <svg viewBox="-16 -16 32 32" width={32} height={32} aria-hidden="true" className="overflow-visible">
        <circle r={9} fill="none" stroke="var(--sheet)" strokeWidth={4} />
        <circle r={9} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
        <path d="M0 -4L4 0L0 4L-4 0Z" fill="var(--pick)" stroke="var(--ink)" />
        <text
          x={12}
          y={-8}
          className="text-label italic"
          fill="var(--ink)"
          stroke="var(--sheet)"
          strokeWidth={3}
          paintOrder="stroke"
        >
          {name}
        </text>
      </svg>
    </button>
  );
}
