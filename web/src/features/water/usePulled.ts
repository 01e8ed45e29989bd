import { type PointerEvent, useRef } from 'react';

interface Pulled {
  /** Told where the pointer is while it holds, in px of the measure. */
  readonly onPlace: (x: number, y: number) => void;
  /** Told when it is let go. */
  readonly onDone?: () => void;
  /** Whether the element itself is the measure, not what it lies in. */
  readonly own?: boolean;
}

/** Something that is pulled. */
export function usePulled({ onPlace, onDone, own = false }: Pulled) {
  const held = useRef<number | null>(null);
  const place = (event: PointerEvent<HTMLElement>): void => {
    const frame = own ? event.currentTarget : event.currentTarget.parentElement;
    const box = frame?.getBoundingClientRect();
    if (box) onPlace(event.clientX - box.left, event.clientY - box.top);
  };
  const letGo = (): void => {
    if (held.current === null) return;
    held.current = null;
    onDone?.();
  };
  return {
    onPointerDown: (event: PointerEvent<HTMLElement>): void => {
      held.current = event.pointerId;
      event.currentTarget.setPointerCapture(event.pointerId);
      if (own) place(event);
    },
    onPointerMove: (event: PointerEvent<HTMLElement>): void => {
      if (held.current === event.pointerId) place(event);
    },
    onPointerUp: letGo,
    onPointerCancel: letGo,
  };
}
