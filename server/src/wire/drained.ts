import type { IncomingMessage } from 'node:http';

/** What is read and thrown away of a body nobody wants, and for how long; whoever sends more hears nothing. */
const [MOST_BYTES, MOST_MS] = [64 * 2 ** 20, 10_000];

/**
 * Waits until all that is being sent was sent. An answer that comes before, with the connection closed after it, is lost to whoever is still sending:
 * he hears that nobody answers, and not why he was refused.
 */
export function drained(request: IncomingMessage): Promise<void> {
  if (request.readableEnded || request.destroyed) return Promise.resolve();
  return new Promise((resolve) => {
    let bytes = 0;
    const count = (chunk: Buffer): void => {
      bytes += chunk.length;
      if (bytes > MOST_BYTES) end();
    };
    const end = (): void => {
      clearTimeout(timer);
      request.off('data', count).off('end', end).off('close', end).off('error', end);
      resolve();
    };
    const timer = setTimeout(end, MOST_MS);
    request.on('data', count).on('end', end).on('close', end).on('error', end);
    request.resume();
  });
}
