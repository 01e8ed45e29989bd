import { dequal } from 'dequal';
import { type KeyboardEvent, type PointerEvent, useEffect, useEffectEvent, useState } from 'react';
import type { Landmarks, OnView } from './photo.ts';

type Mark = keyof Landmarks;

/** A landmark that lies still for so long is let go for good: keys come one after the other. */
const STILL_MS = 250;
const tenth = (value: number): number => Math.round(value * 10) / 10;

/** Landmarks while they are moved; they are told once they lie still. */
export function useMarks(kept: Landmarks, onMove: (landmarks: Landmarks) => void) {
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

interface SpotsProps {
  /** The landmarks there may be, each as it is called. */
  readonly called: Partial<Readonly<Record<Mark, string>>>;
  readonly marks: Landmarks;
  readonly lies: SpotProps['lies'];
  readonly step: number;
  readonly each: string;
  readonly onPull: (name: Mark, to: [number, number]) => void;
  readonly onLet: (name: Mark, to: [number, number]) => void;
}

/** The landmarks of a picture, as many as there are. */
export const Spots = ({ called, marks, onPull, onLet, ...how }: SpotsProps) =>
  (Object.entries(called) as [Mark, string][]).map(([mark, name]) => {
    const at = marks[mark];
    return (
      at && (
        <Spot key={mark} {...{ name, at }} {...how} onPull={(to) => onPull(mark, to)} onLet={(to) => onLet(mark, to)} />
      )
    );
  });

interface SpotProps {
  readonly name: string;
  /** px of the picture. */
  readonly at: readonly [number, number];
  readonly lies: Pick<OnView, 'to' | 'from'>;
  /** px of the view a key moves it by, and that in words. */
  readonly step: number;
  readonly each: string;
  readonly onPull: (to: [number, number]) => void;
  readonly onLet: (to: [number, number]) => void;
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** A landmark: a crosshair that is pulled, or moved by the arrows. */
export function Spot({ name, at, lies, step, each, onPull, onLet }: SpotProps) {
  const [x, y] = lies.to(at[0], at[1]);
  const [held, setHeld] = useState<readonly [number, number] | null>(null);
  const placeOf = (event: PointerEvent, from: readonly [number, number]): [number, number] => {
    const [px, py] = lies.from(event.clientX - from[0], event.clientY - from[1]);
    return [px, py];
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const way = STEPS[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const [px, py] = lies.from(x + way[0] * step, y + way[1] * step);
    onLet([px, py]);
  };
  return (
    <button
      type="button"
      aria-label={`${name}, a landmark: pull it, or move it by the arrows, ${each}`}
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
