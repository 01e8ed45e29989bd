import { useLayoutEffect, useState, type RefObject } from 'react';

/** The size of an element in px, kept up to date. */
export function useSize(ref: RefObject<HTMLElement | null>): { width: number; height: number } {
  const [size, setSize] = useState({ width: 0, height: 0 });
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const read = (): void => {
      setSize((now) =>
        now.width === element.clientWidth && now.height === element.clientHeight
          ? now
          : { width: element.clientWidth, height: element.clientHeight },
      );
    };
    read();
    const observer = new ResizeObserver(read);
    observer.observe(element);
    return () => observer.disconnect();
  }, [ref]);
  return size;
}
