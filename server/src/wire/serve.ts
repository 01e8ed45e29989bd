import { errorSchema, type Route } from '@jobbet/core/contract';
import type { FastifyContextConfig, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { z } from 'zod';
import type { Watched } from '../drawers/settle.ts';
import { watched, watchedFile, WATCHED } from './watched.ts';

/** What a handler is given: what was asked, read by the route's schemas, and the way to tell how far it is. */
interface Asked<R extends Route> {
  readonly params: z.output<R['params']>;
  readonly body: z.output<R['body']>;
  readonly by: Required<Watched>;
  readonly request: FastifyRequest;
  readonly reply: FastifyReply;
}

interface ServeOptions {
  readonly bodyLimit?: number;
  readonly config?: FastifyContextConfig;
}

const isNothing = (schema: z.ZodType): boolean => schema instanceof z.ZodUndefined;
const never: Required<Watched> = { onShare: () => undefined, signal: new AbortController().signal };

/** What Fastify is told of a route: only what it reads and checks itself. */
function schemaOf({ params, body, out, status, bytes, hidden }: Route): Record<string, unknown> {
  return {
    hide: hidden,
    ...(isNothing(params) ? {} : { params }),
    ...(isNothing(body) ? {} : { body }),
    response: { ...(bytes === 'answered' ? {} : { [status]: out }), '4xx': errorSchema },
  };
}

/** Registers a route of the table. A handler that sends by itself answers with the reply. */
export function serve<R extends Route>(
  app: FastifyInstance,
  route: R,
  handler: (asked: Asked<R>) => Promise<z.input<R['out']> | FastifyReply>,
  options: ServeOptions = {},
): void {
  const asked = (request: FastifyRequest, reply: FastifyReply, by: Required<Watched>) =>
    handler({
      params: request.params as z.output<R['params']>,
      body: request.body as z.output<R['body']>,
      by,
      request,
      reply,
    });
  app.route({
    method: route.method,
    url: route.path,
    schema: schemaOf(route),
    ...(route.watched ? WATCHED : {}),
    ...options,
    handler: (request, reply) => {
      void reply.code(route.status);
      return route.watched ? watched(request, reply, (by) => asked(request, reply, by)) : asked(request, reply, never);
    },
  });
}

/** Registers a route that makes a file. */
export function serveFile<R extends Route>(
  app: FastifyInstance,
  route: R,
  type: string,
  handler: (asked: Pick<Asked<R>, 'body' | 'by'>) => Promise<Uint8Array>,
): void {
  app.route({
    method: route.method,
    url: route.path,
    schema: schemaOf(route),
    ...WATCHED,
    handler: (request, reply) =>
      watchedFile(request, reply, type, (by) => handler({ body: request.body as z.output<R['body']>, by })),
  });
}
