import type { LaidFly } from '@jobbet/core/model';
import { memo, useRef } from 'react';
import { Grips, PullWords, type DrawingActions } from './Grips.tsx';
import { Ladder, type Band } from './Ladder.tsx';
import type { PlanLayout } from './layout.ts';
import { Marks, type Mark } from './Marks.tsx';
import { Captions, Projection } from './Projection.tsx';
import { FootRule, StationScale } from './Scales.tsx';

/** A grip that is being pulled, and what it says. */
export interface PullState {
  readonly gripId: string;
  readonly words: string;
  readonly snapped: boolean;
}

interface OverlayProps extends DrawingActions {
  readonly laid: LaidFly;
  readonly selected: string | null;
  readonly hook: boolean;
  readonly layout: PlanLayout;
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
  readonly pull: PullState | null;
  readonly band: Band | null;
  /** Nothing can be pulled. */
  readonly held: boolean;
}

interface FrameProps {
  readonly laid: LaidFly;
  readonly layout: PlanLayout;
  readonly headMm: number;
  readonly landmarks: string;
}

/** The sheet's own lines and scales, which stay as they are while a part is pulled. */
const Frame = memo(
  ({ laid, layout }: FrameProps) => (
    <>
      <Captions layout={layout} />
      <Projection layout={layout} />
      <StationScale laid={laid} layout={layout} />
      <FootRule layout={layout} />
    </>
  ),
  (a, b) => a.layout === b.layout && a.headMm === b.headMm && a.landmarks === b.landmarks,
);
Frame.displayName = 'Frame';

/** What is drafted over the fly: scales, dimensions, projection lines and what can be pulled. */
export function Overlay({ laid, layout, selected, marks, held, pull, band, width, height, ...rest }: OverlayProps) {
  const svg = useRef<SVGSVGElement>(null);
  const part = laid.parts.find((each) => each.file.id === selected);
  return (
    <svg
      ref={svg}
      width={width}
      height={height}
      className="absolute inset-0"
      role="group"
      aria-label={`Lines plan of ${laid.file.name}: profile, plan and front view at ${layout.scale.toFixed(1)} pixels to the millimetre`}
    >
      <Frame
        layout={layout}
        headMm={laid.headMm}
        landmarks={Object.values(laid.platform.landmarksMm).join()}
        laid={laid}
      />
      <Ladder laid={laid} layout={layout} part={part} band={band} />
      <Marks laid={laid} layout={layout} marks={marks} onPick={rest.onPick} />
      {!held && <Grips laid={laid} layout={layout} selected={selected} svg={svg} {...rest} />}
      {pull && <PullWords laid={laid} layout={layout} pull={pull} />}
    </svg>
  );
}
