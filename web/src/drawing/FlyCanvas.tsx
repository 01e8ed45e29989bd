import type { LaidFly } from '@jobbet/core';
import { FigureCache } from '@jobbet/core/figure/cache';
import type { DrawMode } from '@jobbet/core/figure/options';
import { paintFly } from '@jobbet/core/figure/paint';
import type { View } from '@jobbet/core/figure/view';
import { useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useDark } from '../settings/useDark.ts';
import { CanvasSurface } from './canvas.ts';

interface FlyCanvasProps {
  readonly laid: LaidFly;
  readonly views: readonly View[];
  readonly width: number;
  readonly height: number;
  readonly mode: DrawMode;
  readonly picked?: string | undefined;
  readonly moving?: boolean;
  /** Degrees clockwise the profile is turned about the eye. */
  readonly turnDeg?: number;
}

const MOVING_SHARE = 0.6;

const token = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/** Paints a fly in one or more views on one canvas, sharp on the device's own pixels. The words beside it say what it shows. */
export function FlyCanvas({ laid, views, width, height, mode, picked, moving = false, turnDeg = 0 }: FlyCanvasProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const dark = useDark();
  const [cache] = useState(() => new FigureCache());
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
    const [ink, sheet, pick] = [token('--ink'), token('--sheet'), token('--pick')];
    for (const view of views) {
      context.setTransform(ratio, 0, 0, ratio, 0, 0);
      if (view.name === 'profile' && turnDeg !== 0) {
        context.translate(view.ox, view.oy);
        context.rotate((turnDeg * Math.PI) / 180);
        context.translate(-view.ox, -view.oy);
      }
      paintFly(surface.current, figure, view, {
        mode,
        ink,
        sheet,
        dark,
        sections: laid.sections,
        share: moving ? MOVING_SHARE : 1,
        picked: picked === undefined ? undefined : { id: picked, colour: pick },
      });
    }
  }, [figure, laid, views, width, height, mode, picked, moving, turnDeg, dark]);
  return (
    <canvas
      ref={canvas}
      aria-hidden="true"
      className="absolute inset-0 pointer-events-none"
      style={{ width, height }}
    />
  );
}
