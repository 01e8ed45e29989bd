import type { LaidFly } from '@jobbet/core/model';
import type { FigureCache, View, ViewName } from '@jobbet/core/drawing';
import { stageOf, stageView, type Step } from '@jobbet/core/tying';
import { useMemo, type ReactNode } from 'react';
import { FlyCanvas } from './FlyCanvas.tsx';
import { useSettings } from '../settings/settings.ts';

interface StageProps {
  /** The whole fly, which gives the scale. */
  readonly laid: LaidFly;
  readonly step: Step;
  readonly width: number;
  readonly height: number;
  /** The part this step is of, drawn with a broad line under it. */
  readonly lit?: string | null;
  readonly view?: ViewName;
  /** What fills the frame: the whole fly, it as far as it is tied, or the part of the step. */
  readonly fit?: 'whole' | 'stage' | 'part';
  /** Seen from the far side. */
  readonly far?: boolean;
  readonly figures?: FigureCache;
  /** What is drawn over the fly, in px of its frame. */
  readonly over?: (view: View) => ReactNode;
}

/** The fly as far as it is tied, on the scale of the whole; turned over where the hook is. */
export function StageDrawing({
  laid,
  step,
  width,
  height,
  lit,
  view = 'profile',
  far = false,
  fit = 'whole',
  figures,
  over,
}: StageProps) {
  const { hand } = useSettings();
  const { drawn, turned } = step;
  const stage = useMemo(() => stageOf(laid, step.drawn, step.beside), [laid, step]);
  const seen = useMemo(
    () =>
      stageView(laid, width, height, {
        hand,
        view,
        far,
        turned,
        ...(fit === 'stage' ? { of: stage } : {}),
        ...(fit === 'part' ? { part: step.part } : {}),
      }),
    [laid, stage, fit, step.part, width, height, hand, view, far, turned],
  );
  const views = useMemo(() => [seen], [seen]);
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
      {over && (
        <svg
          className="absolute inset-0 overflow-visible pointer-events-none"
          width={width}
          height={height}
          aria-hidden="true"
        >
          {over(seen)}
        </svg>
      )}
    </div>
  );
}
