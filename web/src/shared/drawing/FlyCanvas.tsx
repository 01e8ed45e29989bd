import { type LaidFly, boundsOf } from '@jobbet/core/model';
import { FigureCache, type DrawMode, paintSteps, type View } from '@jobbet/core/drawing';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useDark } from '../settings/useDark.ts';
import { CanvasSurface } from './canvas.ts';
import { StillRuns, type Place } from './stillRuns.ts';

interface FlyCanvasProps {
  readonly laid: LaidFly;
  readonly views: readonly View[];
  readonly width: number;
  readonly height: number;
  readonly mode: DrawMode;
  readonly picked?: string | null | undefined;
  readonly moving?: boolean;
  /** Degrees clockwise the profile is turned about the eye. */
  readonly turnDeg?: number;
  /** The colour a silhouette is painted in; the page's ink where none is given. */
  readonly ink?: string;
  /** Figures shared with other canvases of the same fly. */
  readonly figures?: FigureCache;
}

const MOVING_SHARE = 0.35;

/** Colours of the page by theme: asking for them in each frame has the whole page styled in each. */
const tokens = new Map<string, string>();
function token(name: string): string {
  const key = `${document.documentElement.className} ${name}`;
  const known = tokens.get(key);
  if (known !== undefined && known !== '') return known;
  const value = getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  tokens.set(key, value);
  return value;
}

/** Fibres may stand out of the sections by so much, mm. */
const BEYOND_MM = 6;

/** The piece of the canvas that a view of a fly takes, px. */
function frameOf(laid: LaidFly, view: View, width: number, height: number): Place {
  const { front, rear, top, bottom, aside } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const along = view.name === 'section' ? [-aside, aside] : [front, rear].map((mm) => mm * view.across[0]);
  const upright = view.name === 'plan' ? [-aside, aside] : [bottom, top];
  const clamp = (px: number, most: number): number => Math.max(0, Math.min(most, px));
  const [left, right] = [Math.min(...along) - BEYOND_MM, Math.max(...along) + BEYOND_MM].map((mm) =>
    clamp(Math.round(view.ox + mm * view.scale), width),
  );
  const [above, below] = [Math.max(...upright) + BEYOND_MM, Math.min(...upright) - BEYOND_MM].map((mm) =>
    clamp(Math.round(view.oy - mm * view.scale), height),
  );
  return {
    left: left ?? 0,
    top: above ?? 0,
    width: Math.max(1, (right ?? width) - (left ?? 0)),
    height: Math.max(1, (below ?? height) - (above ?? 0)),
  };
}

/** Paints a fly in one or more views on one canvas, sharp on the device's own pixels. The words beside it say what it shows. */
export function FlyCanvas({
  laid,
  views,
  width,
  height,
  mode,
  picked,
  moving = false,
  turnDeg = 0,
  ink: given,
  figures,
}: FlyCanvasProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const dark = useDark();
  const [own] = useState(() => new FigureCache());
  const cache = figures ?? own;
  const [still] = useState(() => new StillRuns());
  const surface = useRef<CanvasSurface | null>(null);
  const figure = useMemo(() => cache.figure(laid), [cache, laid]);
  useLayoutEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!canvas.current || !context || width <= 0 || height <= 0) return;
    const ratio = window.devicePixelRatio;
    const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
    if (canvas.current.width !== w || canvas.current.height !== h) {
      canvas.current.width = w;
      canvas.current.height = h;
    }
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.clearRect(0, 0, width, height);
    surface.current ??= new CanvasSurface(context);
    const painter = surface.current;
    const [ink, sheet, pick] = [given ?? token('--ink'), token('--sheet'), token('--pick')];
    const options = {
      mode,
      ink,
      sheet,
      dark,
      sections: laid.sections,
      picked: picked === undefined || picked === null ? undefined : { id: picked, colour: pick },
    };
    const steps = views.map((view) => ({
      steps: paintSteps(figure, view, options),
      frame: () => frameOf(laid, view, width, height),
    }));
    if (moving && turnDeg === 0) {
      still.paint(context, painter, steps, ratio, MOVING_SHARE);
      return;
    }
    views.forEach((view, v) => {
      context.setTransform(ratio, 0, 0, ratio, 0, 0);
      if (view.name === 'profile' && turnDeg !== 0) {
        context.translate(view.ox, view.oy);
        context.rotate((turnDeg * Math.PI) / 180);
        context.translate(-view.ox, -view.oy);
      }
      for (const step of steps[v]?.steps ?? []) step.paint(painter, moving ? MOVING_SHARE : 1);
    });
    still.rest(steps);
  }, [figure, laid, views, width, height, mode, picked, moving, turnDeg, given, dark, still]);
  return (
    <canvas
      ref={canvas}
      aria-hidden="true"
      className="absolute inset-0 pointer-events-none"
      style={{ width, height }}
    />
  );
}
