import { pageSchema } from '@jobbet/core/paper/items';
import { pagesPdf } from '@jobbet/print/pdf';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';

const body = z.strictObject({ title: z.string().min(1).max(200), pages: z.array(pageSchema).min(1).max(60) });

/** Pages laid out by a view, as a PDF true to scale. */
export const printRoutes: FastifyPluginCallbackZod = (app, _options, done) => {
  app.post('/api/print.pdf', { schema: { body, hide: true } }, async (request, reply) => {
    const pdf = await pagesPdf(request.body.pages, request.body.title);
    return reply.type('application/pdf').send(pdf);
  });
  done();
};
