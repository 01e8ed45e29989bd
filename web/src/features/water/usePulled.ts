import { type PointerEvent, useRef } from 'react';

/** Something that is pulled: told where the pointer is while it holds, in px of the element. @param own whether the element itself is the measure, not what it lies in */
export function usePulled(onPlace: (x: number, y: number) => void, own: boolean) {
  const held = useRef<number | null>(null);
  const place = (event: PointerEvent<HTMLElement>): void => {
    const frame = own ? event.currentTarget : event.currentTarget.parentElement;
    const box = frame?.getBoundingClientRect();
    if (box) onPlace(event.clientX - box.left, event.clientY - box.top);
  };
  const letGo = (): void => {
    held.current = null;
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
