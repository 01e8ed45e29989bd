import { PassThrough } from 'node:stream';
import type { FastifyReply, FastifyRequest } from 'fastify';
import type { Watched } from '../drawers/settle.ts';
import { ApiError } from '../errors.ts';
import { shapeOf } from './errorShape.ts';

/** The options of a route whose answer may be a stream of events: squeezed together they would come too late. */
export const WATCHED = { compress: false } as const;

const event = (name: string, data: unknown): string => `event: ${name}\ndata: ${JSON.stringify(data)}\n\n`;

/**
 * Does long work that whoever asked may watch and stop. Asked with `accept: text/event-stream` the answer is a stream of events, `share` (0 to
 * 1) as it goes on, then `done` with the answer or `fault` with an error in its one shape; asked otherwise, the answer itself. Work ends when
 * the connection does.
 */
export async function watched<T>(
  request: FastifyRequest,
  reply: FastifyReply,
  work: (watched: Required<Watched>) => Promise<T>,
): Promise<T> {
  const stop = new AbortController();
  reply.raw.once('close', () => {
    if (!reply.raw.writableFinished) stop.abort();
  });
  if (request.headers.accept?.includes('text/event-stream') !== true)
    return work({ signal: stop.signal, onShare: () => undefined });
  const events = new PassThrough();
  work({
    signal: stop.signal,
    onShare: (share) => {
      events.write(event('share', share));
    },
  })
    .then(
      (answer) => event('done', answer),
      (error: unknown) => {
        const { body, status } = shapeOf(error);
        if (status >= 500 && !(error instanceof ApiError)) request.log.error(error);
        return event('fault', body);
      },
    )
    .then((last) => {
      events.end(last);
    })
    .catch(() => undefined);
  return reply.header('cache-control', 'no-store').type('text/event-stream').send(events) as unknown as Promise<T>;
}

/** The same for work that makes a file: as an event it comes in base 64. */
export async function watchedFile(
  request: FastifyRequest,
  reply: FastifyReply,
  type: string,
  work: (watched: Required<Watched>) => Promise<Uint8Array>,
): Promise<unknown> {
  if (request.headers.accept?.includes('text/event-stream') === true)
    return watched(request, reply, async (by) => ({ type, base64: Buffer.from(await work(by)).toString('base64') }));
  const bytes = await watched(request, reply, work);
  return reply.type(type).send(Buffer.from(bytes));
}
