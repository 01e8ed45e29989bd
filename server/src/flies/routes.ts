import {
  errorSchema,
  flyVersionSchema,
  listedFlySchema,
  storedFlySchema,
  type FlyVersion,
} from '@jobbet/core/contract';
import type { FastifyReply } from 'fastify';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import type { House } from '../house.ts';
import { addExamples } from './examples.ts';

const file = z.unknown().describe('a pattern file, see GET /api/schema.json');
const byId = z.object({ id: z.string().min(1).max(80) });
const errors = { '4xx': errorSchema };
const listing = z.array(listedFlySchema);

/** Tells lists of one run of the server from those of another. */
const RUN = Date.now().toString(36);

/** The box: flies, their trash, their versions. */
export const flyRoutes =
  ({ flies, drawers }: House): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.get(
      '/api/flies',
      { schema: { response: { 200: listing } } },
      async (request, reply): Promise<z.infer<typeof listing>> => {
        const tag = `"${RUN}-${String(flies.version)}"`;
        void reply.header('etag', tag);
        if (request.headers['if-none-match'] === tag) return (reply as FastifyReply).code(304).send() as never;
        return (reply as FastifyReply)
          .type('application/json; charset=utf-8')
          .serializer(String)
          .send(await flies.listJson()) as never;
      },
    );
    app.get('/api/trash', { schema: { response: { 200: listing } } }, () => flies.trash());
    app.post(
      '/api/flies',
      { schema: { body: z.strictObject({ file }), response: { 201: storedFlySchema, ...errors } } },
      async (request, reply) => reply.code(201).send(await flies.create(request.body.file)),
    );
    app.post('/api/examples', { schema: { response: { 200: z.object({ added: z.number().int() }) } } }, async () => ({
      added: await addExamples(flies),
    }));
    app.get('/api/flies/:id', { schema: { params: byId, response: { 200: storedFlySchema, ...errors } } }, (request) =>
      flies.get(request.params.id),
    );
    app.get(
      '/api/flies/:id/file',
      { schema: { params: byId, response: { 200: z.string().describe('the pattern file as it is kept'), ...errors } } },
      async (request, reply) => {
        const { text } = await flies.text(request.params.id);
        return reply.type('text/plain; charset=utf-8').send(text);
      },
    );
    app.put(
      '/api/flies/:id',
      {
        schema: {
          params: byId,
          body: z.strictObject({ file, revision: z.number().int().min(1), kind: z.enum(['auto', 'saved']) }),
          response: { 200: storedFlySchema, ...errors },
        },
      },
      ({ params, body }) => flies.save(params.id, body.file, body.revision, body.kind),
    );
    app.delete(
      '/api/flies/:id',
      { schema: { params: byId, response: { 200: listedFlySchema, ...errors } } },
      (request) => flies.setDeleted(request.params.id, true),
    );
    app.post(
      '/api/flies/:id/undelete',
      { schema: { params: byId, response: { 200: listedFlySchema, ...errors } } },
      (request) => flies.setDeleted(request.params.id, false),
    );
    app.delete(
      '/api/trash/:id',
      { schema: { params: byId, response: { 204: z.null(), ...errors } } },
      async (request, reply) => {
        await flies.purge(request.params.id);
        return reply.code(204).send(null);
      },
    );
    app.get(
      '/api/flies/:id/versions',
      { schema: { params: byId, response: { 200: z.array(flyVersionSchema), ...errors } } },
      (request): Promise<FlyVersion[]> => flies.history(request.params.id),
    );
    app.post(
      '/api/flies/:id/restore',
      {
        schema: {
          params: byId,
          body: z.strictObject({ version: z.number().int().min(1), revision: z.number().int().min(1) }),
          response: { 200: storedFlySchema, ...errors },
        },
      },
      ({ params, body }) => flies.restore(params.id, body.version, body.revision),
    );
    app.get(
      '/api/broken',
      {
        schema: {
          response: {
            200: z
              .array(z.object({ what: z.string(), name: z.string(), why: z.string(), text: z.string() }))
              .describe('what no longer reads or lays out, with what is kept of it'),
          },
        },
      },
      async () => {
        const broken = [...(await flies.list()), ...(await flies.trash())].filter((each) => each.broken !== null);
        const ofFlies = broken.map(async ({ id, name, broken: why }) => ({
          what: 'fly',
          name,
          why: why ?? '',
          text: (await flies.text(id)).text,
        }));
        const ofDrawers = (await drawers.broken()).map(({ drawer, name, why, text }) => ({
          what: drawer,
          name,
          why,
          text,
        }));
        return [...(await Promise.all(ofFlies)), ...ofDrawers];
      },
    );
    done();
  };
