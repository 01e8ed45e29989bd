import type { LaidFly } from '@jobbet/core/model';
import { partAt } from '@jobbet/core/drawing';
import { useMemo, useRef } from 'react';
import { useSettings } from '../settings/settings.ts';
import { FlyCanvas } from './FlyCanvas.tsx';
import type { CommandTable } from '../commands/commands.ts';
import { useTable } from '../commands/useKeys.ts';
import { layoutPlan, xOf, type PlanLayout } from './layout.ts';
import type { Mark } from './Marks.tsx';
import type { DrawingActions } from './Grips.tsx';
import type { Band } from './Ladder.tsx';
import { Outlines, type Outlined } from './Outlines.tsx';
import { Overlay, type PullState } from './Overlay.tsx';
import { Grid } from './Scales.tsx';
import { useSize } from '../ui/useSize.ts';
import { useHeld } from './useHeld.ts';
import { useZoom } from './useZoom.ts';
import { ZoomKeys } from './ZoomKeys.tsx';

/** One press of a key. */
const KEY_ZOOM = 1.3;

interface LinesPlanProps extends DrawingActions {
  readonly laid: LaidFly;
  readonly selected: string | null;
  readonly hook: boolean;
  readonly moving: boolean;
  readonly pull: PullState | null;
  readonly band: Band | null;
  /** Flies laid over this one as outlines. */
  readonly outlines: readonly Outlined[] | null;
  readonly refused: string | null;
  readonly marks: readonly Mark[];
  /** A change is shown that is not made yet: nothing can be pulled on it. */
  readonly preview: boolean;
}

const DRAWING = {
  closer: { name: 'Closer to the part', group: 'Drawing', keys: '+ or =' },
  off: { name: 'Further off', group: 'Drawing', keys: '-' },
  whole: { name: 'The whole fly', group: 'Drawing', keys: '0' },
} as const satisfies CommandTable;

/**
 * The lines plan: profile, plan and front view on one scale, with dimensions, landmarks, and tips that can be pulled.
 * A press on a part picks it.
 */
export function LinesPlan(props: LinesPlanProps) {
  const { laid, selected, moving, refused, outlines, onPick, onPullStart } = props;
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const { hand, mode } = useSettings();
  const { zoom, by, fit, onWheel, press } = useZoom(frame);
  const { held, pullOn } = useHeld<PlanLayout>(onPullStart);
  const layout = useMemo(
    () => held ?? (width > 0 ? layoutPlan(laid, width, height, hand, zoom) : null),
    [held, laid, width, height, hand, zoom],
  );
  const pick = (x: number, y: number): void => {
    const id = layout && partAt(laid, [layout.profile, layout.plan], x, y);
    if (id) onPick(id);
  };
  const closer = (factor: number): void => {
    const part = laid.parts.find((each) => each.file.id === selected);
    const at = part?.extent.tipMm ?? part?.extent.startMm;
    by(factor, layout && at !== undefined ? { x: xOf(layout, at), y: layout.profile.oy } : undefined);
  };
  useTable('drawing', DRAWING, { closer: () => closer(KEY_ZOOM), off: () => closer(1 / KEY_ZOOM), whole: fit });
  const views = useMemo(() => (layout ? [layout.plan, layout.profile, layout.section] : []), [layout]);
  return (
    <div
      ref={frame}
      className="relative size-full overflow-hidden bg-sheet"
      onWheel={onWheel}
      onPointerDown={(event) => press(event, pick)}
    >
      {layout && (
        <>
          <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
            <Grid laid={laid} layout={layout} />
          </svg>
          <FlyCanvas
            laid={laid}
            views={views}
            width={width}
            height={height}
            mode={mode}
            picked={selected}
            moving={moving}
          />
          {outlines && (
            <svg width={width} height={height} className="absolute inset-0 pointer-events-none" aria-hidden="true">
              <rect width={width} height={height} fill="var(--sheet)" opacity={0.6} />
              <Outlines flies={outlines} layout={layout} />
            </svg>
          )}
          <Overlay
            {...props}
            layout={layout}
            held={props.preview}
            onPullStart={pullOn(layout)}
            width={width}
            height={height}
          />
          <ZoomKeys zoom={zoom} onZoom={by} onFit={fit} left={layout.dir < 0} />
        </>
      )}
      {refused !== null && (
        <p role="alert" className="absolute left-4 right-20 bottom-2 text-body text-warn bg-warnwash px-2 py-1">
          {refused}
        </p>
      )}
    </div>
  );
}
