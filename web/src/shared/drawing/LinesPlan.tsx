import type { LaidFly } from '@jobbet/core/model';
import { partAt } from '@jobbet/core/drawing';
import { useMemo, useRef } from 'react';
import { setSettings, useSettings } from '../settings/settings.ts';
import { FlyCanvas } from './FlyCanvas.tsx';
import type { CommandTable } from '../commands/commands.ts';
import { useTable } from '../commands/useKeys.ts';
import { layoutPlan, xOf, type PlanLayout } from './layout.ts';
import type { Mark } from './Marks.tsx';
import type { DrawingActions } from './Grips.tsx';
import type { Band } from './Ladder.tsx';
import { Outlines, type Outlined } from './Outlines.tsx';
import { Overlay, type PullState } from './Overlay.tsx';
import { NARROW } from './Projection.tsx';
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
  front: { name: 'From the front, or folded away', group: 'Drawing', keys: 'f' },
} as const satisfies CommandTable;

/**
 * The lines plan: profile, plan and front view on one scale, with dimensions, landmarks, and tips that can be pulled.
 * A press on a part picks it.
 */
export function LinesPlan(props: LinesPlanProps) {
  const { laid, selected, moving, refused, outlines, onPick, onPullStart } = props;
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const { hand, mode, front } = useSettings();
  const { zoom, by, fit, onWheel, press } = useZoom(frame);
  const { held, pullOn } = useHeld<PlanLayout>(onPullStart);
  const layout = useMemo(
    () => held ?? (width > 0 ? layoutPlan(laid, width, height, hand, zoom, front) : null),
    [held, laid, width, height, hand, zoom, front],
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
  const turnFront = (): void => setSettings({ front: layout?.section === null });
  useTable('drawing', DRAWING, {
    closer: () => closer(KEY_ZOOM),
    off: () => closer(1 / KEY_ZOOM),
    whole: fit,
    front: turnFront,
  });
  const views = useMemo(
    () => (layout ? [layout.plan, layout.profile, ...(layout.section ? [layout.section] : [])] : []),
    [layout],
  );
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
          {width >= NARROW && <FrontKey shown={layout.section !== null} onTurn={turnFront} />}
          <ZoomKeys zoom={zoom} onZoom={by} onFit={fit} left={width >= NARROW ? 340 : 74} />
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

/** Shows the fly from the front too, or folds that view away. */
function FrontKey({ shown, onTurn }: { readonly shown: boolean; readonly onTurn: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={shown}
      className="absolute left-[190px] top-[9px] text-ink2 hover:text-ink no-print"
      onPointerDown={(event) => event.stopPropagation()}
      onClick={onTurn}
    >
      {shown ? 'fold the front view' : 'from the front'} <span className="plain-key">F</span>
    </button>
  );
}
