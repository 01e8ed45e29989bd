import { useCallback, useState, type PointerEvent, type RefObject, type WheelEvent } from 'react';
import { NO_ZOOM, type Zoom } from './layout.ts';

const LARGEST = 8;
const PER_NOTCH = 1.15;
/** px the pointer may stray for a press still to be a press and not a pan. */
const STRAY = 4;

interface Zooming {
  readonly zoom: Zoom;
  /** Zooms about a place on the sheet, px from its left and top; about its middle where none is given. */
  readonly by: (factor: number, at?: { readonly x: number; readonly y: number }) => void;
  readonly fit: () => void;
  readonly onWheel: (event: WheelEvent) => void;
  /** Pans while zoomed in; a press that does not travel goes to `onPress` with its place on the sheet, px. */
  readonly press: (event: PointerEvent, onPress: (x: number, y: number) => void) => void;
}

const zoomed = (now: Zoom, by: number, px: number, py: number): Zoom => {
  const factor = Math.max(1, Math.min(LARGEST, now.factor * by));
  const k = factor / now.factor;
  return factor === 1 ? NO_ZOOM : { factor, dx: px - (px - now.dx) * k, dy: py - (py - now.dy) * k };
};

/** Wheel, buttons and pointer on the sheet: zoom about the pointer, pan, or a plain press. */
export function useZoom(frame: RefObject<HTMLElement | null>): Zooming {
  const [zoom, setZoom] = useState<Zoom>(NO_ZOOM);
  const by = useCallback(
    (factor: number, at?: { readonly x: number; readonly y: number }) => {
      const box = frame.current?.getBoundingClientRect();
      const [px, py] = box && at ? [at.x - box.width / 2, at.y - box.height / 2] : [0, 0];
      setZoom((now) => zoomed(now, factor, px, py));
    },
    [frame],
  );
  const fit = useCallback(() => setZoom(NO_ZOOM), []);
  const onWheel = (event: WheelEvent): void => {
    const box = frame.current?.getBoundingClientRect();
    if (!box || event.ctrlKey || event.metaKey) return;
    const [px, py] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
    setZoom((now) => zoomed(now, event.deltaY < 0 ? PER_NOTCH : 1 / PER_NOTCH, px, py));
  };
  const press = (event: PointerEvent, onPress: (x: number, y: number) => void): void => {
    const box = frame.current?.getBoundingClientRect();
    if (!box || event.button !== 0 || (event.target as Element).closest('button')) return;
    const from = { x: event.clientX, y: event.clientY };
    let panned = false;
    const move = (next: globalThis.PointerEvent): void => {
      const [dx, dy] = [next.clientX - from.x, next.clientY - from.y];
      if (!panned && Math.hypot(dx, dy) < STRAY) return;
      panned = true;
      if (zoom.factor > 1) setZoom((now) => ({ ...now, dx: zoom.dx + dx, dy: zoom.dy + dy }));
    };
    const up = (): void => {
      window.removeEventListener('pointermove', move);
      if (!panned) onPress(from.x - box.left, from.y - box.top);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up, { once: true });
  };
  return { zoom, by, fit, onWheel, press };
}
