import type { LaidFly, LaidPart } from '@jobbet/core';
import { tipRelation } from '@jobbet/core/edit/pull';
import { screenX, screenY } from '@jobbet/core/figure/view';
import { formatLength } from '@jobbet/core/units/format';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { useStyle } from '../settings/settings.ts';
import { Handle } from './Handle.tsx';
import { Ladder } from './Ladder.tsx';
import { mmAt, xOf, type SheetLayout } from './layout.ts';
import { Marks, type Mark } from './Marks.tsx';
import { Captions, Projection } from './Projection.tsx';
import { FootRule, StationScale } from './Scales.tsx';

/** Where a part's tip is taken hold of in the profile, px. */
const place = (layout: SheetLayout, part: LaidPart): { x: number; y: number } | null => {
  const { tipMm } = part.extent;
  if (tipMm === null) return null;
  const form = part.built.forms[0];
  if (form?.kind === 'bundle' || form?.kind === 'strip') {
    const tip = form.line.root.map((at, i) => at + (form.line.along[i] ?? 0) * form.line.lengthMm) as [
      number,
      number,
      number,
    ];
    return { x: screenX(layout.profile, tip), y: screenY(layout.profile, tip) };
  }
  const fibres = part.built.sections[0];
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  if (fibres) fibres.at(Math.min(fibres.toMm, tipMm), cut);
  return { x: xOf(layout, tipMm), y: layout.profile.oy - (cut.z + cut.semiZ) * layout.scale };
};

/** What can be done to a fly on its drawing. */
export interface DrawingActions {
  readonly onPick: (id: string) => void;
  /** A pull begins on a part's tip; the answer takes each place the pointer comes to (mm from the eye), then ends. */
  readonly onPullStart: (id: string) => { readonly to: (mm: number) => void; readonly end: () => void };
  /** Nudges a tip by steps: aft when above zero. */
  readonly onNudge: (id: string, steps: number) => void;
}

interface OverlayProps extends DrawingActions {
  readonly laid: LaidFly;
  readonly selected: string;
  readonly layout: SheetLayout;
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  /** Nothing can be pulled. */
  readonly held: boolean;
}

/** What is drafted over the fly: scales, dimensions, projection lines and handles. */
export function Overlay(props: OverlayProps) {
  const { laid, layout, selected, marks, held, onPick, onPullStart, onNudge, width, height } = props;
  const style = useStyle();
  const svg = useRef<SVGSVGElement>(null);
  const part = laid.parts.find((each) => each.file.id === selected);
  const tips = held ? [] : laid.parts.filter((each) => tipRelation(each) !== null);
  const startPull = (id: string, event: PointerEvent<SVGGElement>): void => {
    event.preventDefault();
    event.stopPropagation();
    event.currentTarget.focus();
    onPick(id);
    const left = svg.current?.getBoundingClientRect().left ?? 0;
    const grabbed = laid.parts.find((each) => each.file.id === id)?.extent.tipMm ?? 0;
    const offset = grabbed - mmAt(layout, event.clientX - left);
    const pull = onPullStart(id);
    let next: number | null = null;
    const frame = (): void => {
      if (next !== null) pull.to(next);
      next = null;
    };
    const move = (moved: globalThis.PointerEvent): void => {
      if (next === null) requestAnimationFrame(frame);
      next = mmAt(layout, moved.clientX - left) + offset;
    };
    const up = (): void => {
      frame();
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointercancel', up);
      pull.end();
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up, { once: true });
    window.addEventListener('pointercancel', up, { once: true });
  };
  const key = (id: string, event: KeyboardEvent): void => {
    const steps = { ArrowLeft: -layout.dir, ArrowRight: layout.dir, ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (steps === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    onNudge(id, event.shiftKey ? steps / 5 : steps);
  };
  return (
    <svg
      ref={svg}
      width={width}
      height={height}
      className="absolute inset-0"
      role="group"
      aria-label={`Lines plan of ${laid.file.name}: profile, plan and front view at ${layout.scale.toFixed(1)} pixels to the millimetre`}
    >
      <Captions layout={layout} />
      <Projection layout={layout} />
      <StationScale laid={laid} layout={layout} />
      <FootRule layout={layout} />
      <Ladder laid={laid} layout={layout} part={part} />
      <Marks laid={laid} layout={layout} marks={marks} onPick={onPick} />
      {tips.map((each) => {
        const at = place(layout, each);
        const relation = tipRelation(each);
        return (
          at &&
          relation && (
            <Handle
              key={each.file.id}
              x={at.x}
              y={at.y}
              picked={each.file.id === selected}
              name={`${each.file.id} tip`}
              valueMm={each.extent.tipMm ?? 0}
              lowMm={each.extent.endMm}
              highMm={laid.platform.hookMm * 4}
              valueText={`${relation.text}, ${formatLength(each.extent.lengthMm, style).figure} ${formatLength(each.extent.lengthMm, style).unit}`}
              onPick={() => {
                onPick(each.file.id);
              }}
              onPull={(event) => {
                startPull(each.file.id, event);
              }}
              onKey={(event) => {
                key(each.file.id, event);
              }}
            />
          )
        );
      })}
    </svg>
  );
}
