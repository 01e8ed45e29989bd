import type { LaidFly } from '@jobbet/core/model';
import { FigureCache, screenX, screenY, type View, type ViewName } from '@jobbet/core/drawing';
import type { ByEye, Step } from '@jobbet/core/tying';
import { formatLength } from '@jobbet/core/units';
import { useRef, useState } from 'react';
import { Dimension } from '../../shared/drawing/Dimension.tsx';
import { useSize } from '../../shared/ui/useSize.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { StageDrawing } from '../../shared/drawing/StageDrawing.tsx';

/** Over the drawing, for the dimensions. px */
const HEADROOM = 62;
/** Dimensions are read from a metre away. */
const LARGER = 1.6;
/** The second look, px. */
const SECOND = { width: 230, height: 84 } as const;

interface ViseStageProps {
  readonly laid: LaidFly;
  readonly step: Step;
  /** Where the bobbin hangs, mm from the eye; null where no thread is on. */
  readonly threadMm: number | null;
  readonly alike: ByEye | null;
  readonly far: boolean;
  /** A tap on the drawing. */
  readonly onTap: () => void;
}

/** Which second look a step asks for. */
const asksFor = ({ look }: Step): ViewName => (look.some((each) => each.startsWith('From above')) ? 'plan' : 'profile');

/** The fly as it is after a step: the part of that step lit, its measure drawn, the bobbin where it hangs. */
export function ViseStage({ laid, step, threadMm, alike, far, onTap }: ViseStageProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const [figures] = useState(() => new FigureCache());
  const headroom = height < 260 ? HEADROOM / 2 : HEADROOM;
  return (
    <div
      ref={frame}
      className="relative flex-1 min-h-[150px] overflow-hidden"
      onClick={onTap}
      data-testid="vise-stage"
      data-turned={step.turned}
    >
      {width > 0 && height > headroom + 40 && (
        <div className="absolute inset-x-0" style={{ top: headroom }}>
          <StageDrawing
            laid={laid}
            step={step}
            width={width}
            height={height - headroom}
            fit="stage"
            lit={step.part}
            far={far}
            figures={figures}
            over={(view) => (
              <>
                <Measured step={step} alike={alike} view={view} limit={width} />
                {threadMm !== null && <Bobbin atMm={threadMm} view={view} foot={height - headroom} />}
              </>
            )}
          />
        </div>
      )}
    </div>
  );
}

/** What a step asks to be looked at besides: from above, or the other side. */
export function SecondLook({ laid, step, far }: Pick<ViseStageProps, 'laid' | 'step' | 'far'>) {
  const [figures] = useState(() => new FigureCache());
  const look = asksFor(step);
  return (
    <figure className="ml-auto shrink-0 text-[clamp(13px,1.4vw,18px)] text-ink2 max-[760px]:hidden">
      <figcaption className="text-right">
        {look === 'plan' ? 'From above' : far ? 'The near side' : 'The far side'}
      </figcaption>
      <StageDrawing
        laid={laid}
        step={step}
        {...SECOND}
        fit="stage"
        lit={step.part}
        view={look}
        far={look === 'profile' && !far}
        figures={figures}
      />
    </figure>
  );
}

interface MeasuredProps {
  readonly step: Step;
  readonly alike: ByEye | null;
  readonly view: View;
  readonly limit: number;
}

/** The measure where it lies along the shank, and beside it what is as long. */
function Measured({ step, alike, view, limit }: MeasuredProps) {
  const style = useStyle();
  const { measure } = step;
  if (!measure?.span) return null;
  const foot = screenY(view, [0, 0, 0]) / LARGER;
  const line = (span: readonly [number, number], y: number, words: string) => {
    const [x1, x2] = span.map((mm) => screenX(view, [mm, 0, 0]) / LARGER);
    return (
      <Dimension
        x1={x1 ?? 0}
        x2={x2 ?? 0}
        y={y / LARGER}
        foot1={foot}
        foot2={foot}
        relation=""
        result={words}
        limit={limit / LARGER}
      />
    );
  };
  const clear = alike?.span && (alike.span[1] <= measure.span[0] + 0.5 || alike.span[0] >= measure.span[1] - 0.5);
  return (
    <g transform={`scale(${String(LARGER)})`}>
      {line(measure.span, -14, formatLength(measure.mm, style).figure)}
      {alike?.span && line(alike.span, clear === true ? -14 : -44, 'the same')}
    </g>
  );
}

const THREAD_PX = 54;

/** The bobbin, hanging by its thread. */
function Bobbin({ atMm, view, foot }: { readonly atMm: number; readonly view: View; readonly foot: number }) {
  const x = screenX(view, [atMm, 0, 0]);
  const y = screenY(view, [atMm, 0, 0]);
  const long = Math.max(0, Math.min(THREAD_PX, foot - y - 30));
  return (
    <g data-testid="bobbin">
      <line x1={x} x2={x} y1={y} y2={y + long} stroke="var(--ink)" strokeWidth={1.6} />
      <path d={`M${String(x - 8)} ${String(y + long)}h16l-4 26h-8z`} fill="var(--ink)" />
    </g>
  );
}
