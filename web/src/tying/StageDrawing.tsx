import type { LaidFly } from '@jobbet/core';
import type { FigureCache } from '@jobbet/core/figure/cache';
import { viewOf, type ViewName } from '@jobbet/core/figure/view';
import { boundsOf } from '@jobbet/core/geometry/bounds';
import { stageOf } from '@jobbet/core/tying/stage';
import { useMemo } from 'react';
import { FlyCanvas } from '../drawing/FlyCanvas.tsx';
import { useSettings } from '../settings/settings.ts';

interface StageProps {
  /** The whole fly, which gives the scale. */
  readonly laid: LaidFly;
  readonly drawn: readonly string[];
  readonly headed: boolean;
  readonly width: number;
  readonly height: number;
  /** The part this step is of, drawn with a broad line under it. */
  readonly lit?: string | null;
  readonly view?: ViewName;
  /** Seen from the far side. */
  readonly far?: boolean;
  readonly figures?: FigureCache;
}

/** The fly as far as it is tied, on the scale of the whole. */
export function StageDrawing({
  laid,
  drawn,
  headed,
  width,
  height,
  lit,
  view = 'profile',
  far = false,
  figures,
}: StageProps) {
  const { hand } = useSettings();
  const stage = useMemo(() => stageOf(laid, drawn, headed), [laid, drawn, headed]);
  const views = useMemo(() => {
    const { front, rear, top, bottom, aside } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
    const tall = view === 'plan' ? 2 * aside : top - bottom;
    const scale = Math.min((width - 12) / (rear - front), (height - 8) / tall);
    const left = (width - (rear - front) * scale) / 2;
    const middle = view === 'plan' ? 0 : (top + bottom) / 2;
    // From the far side the fly is seen as the other hand has it.
    const looking = far ? (hand === 'right' ? 'left' : 'right') : hand;
    const eyeX = looking === 'right' ? left + rear * scale : left - front * scale;
    return [viewOf(view, eyeX, height / 2 + middle * scale, scale, looking)];
  }, [laid, width, height, hand, view, far]);
  return (
    <div className="relative shrink-0" style={{ width, height }}>
      <FlyCanvas
        laid={stage}
        views={views}
        width={width}
        height={height}
        mode="dressed"
        picked={lit !== undefined && lit !== null && drawn.includes(lit) ? lit : undefined}
        {...(figures ? { figures } : {})}
      />
    </div>
  );
}
