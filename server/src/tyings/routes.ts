import { errorSchema, tyingSchema } from '@jobbet/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import type { House } from '../house.ts';

const byFly = z.object({ id: z.string().min(1).max(80) });
const byOne = byFly.extend({ begun: z.coerce.number().int().min(0) });
const errors = { '4xx': errorSchema };

/** How each fly was tied: kept as it goes on, so that nothing of it is lost. */
export const tyingRoutes =
  ({ tyings: store }: House): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.get(
      '/api/flies/:id/tyings',
      { schema: { params: byFly, response: { 200: z.array(tyingSchema), ...errors } } },
      (request) => store.list(request.params.id),
    );
    app.put(
      '/api/flies/:id/tyings/:begun',
      {
        schema: {
          params: byOne,
          body: tyingSchema.omit({ fly: true, begun: true }),
          response: { 200: tyingSchema, ...errors },
        },
      },
      (request) => store.keep({ ...request.body, fly: request.params.id, begun: request.params.begun }),
    );
    app.delete(
      '/api/flies/:id/tyings/:begun',
      { schema: { params: byOne, response: { 204: z.null() } } },
      async (request, reply) => {
        await store.remove(request.params.id, request.params.begun);
        return reply.code(204).send(null);
      },
    );
    done();
  };
