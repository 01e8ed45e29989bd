import { TextDecoder, TextEncoder } from 'node:util';
import { cleanup } from '@testing-library/react';

class StillObserver {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
const lightQuery = (media: string) => ({
  matches: false,
  media,
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
});

/** What jsdom lacks and the app asks for. */
Object.assign(globalThis, { TextEncoder, TextDecoder, ResizeObserver: StillObserver, matchMedia: lightQuery });
Object.assign(Element.prototype, { hasPointerCapture: () => false });
// There is no canvas: what would be painted is left out.
Object.assign(HTMLCanvasElement.prototype, { getContext: () => null });

afterEach(cleanup);
