import { readFlyValue, type FlyFile } from '@jobbet/core';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { errorSchema, flyVersionSchema, storedFlySchema } from '@jobbet/core/exchange/stored';
import { ApiError } from '../errors.ts';
import { addExamples } from '../examples.ts';
import type { Fly, FlyStore, Version } from '../store.ts';

const file = z.unknown().describe('a pattern file, see GET /api/schema.json');
const byId = z.object({ id: z.string().min(1).max(80) });
const errors = { '4xx': errorSchema };

/** @throws ApiError `invalid-fly` with every fault and its path */
function readBody(value: unknown): FlyFile {
  const read = readFlyValue(value);
  if (!read.ok) throw new ApiError('invalid-fly', undefined, { faults: read.faults });
  return read.value;
}

const flyOut = (fly: Fly): z.infer<typeof storedFlySchema> => fly;
const versionOut = ({
  revision,
  kind,
  file: kept,
  summary,
  startedAt,
  savedAt,
}: Version): z.infer<typeof flyVersionSchema> => ({ revision, kind, file: kept, summary, startedAt, savedAt });

/** The box: flies, their trash, their versions. */
export const flyRoutes =
  (store: FlyStore): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.get('/api/flies', { schema: { response: { 200: z.array(storedFlySchema) } } }, async () =>
      (await store.list()).map(flyOut),
    );
    app.get('/api/trash', { schema: { response: { 200: z.array(storedFlySchema) } } }, async () =>
      (await store.trash()).map(flyOut),
    );
    app.post(
      '/api/flies',
      { schema: { body: z.strictObject({ file }), response: { 201: storedFlySchema, ...errors } } },
      async (request, reply) => reply.code(201).send(flyOut(await store.create(readBody(request.body.file)))),
    );
    app.post('/api/examples', { schema: { response: { 200: z.object({ added: z.number().int() }) } } }, async () => ({
      added: await addExamples(store),
    }));
    app.get(
      '/api/flies/:id',
      { schema: { params: byId, response: { 200: storedFlySchema, ...errors } } },
      async (request) => flyOut(await store.get(request.params.id)),
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
      async (request) =>
        flyOut(
          await store.save(request.params.id, readBody(request.body.file), request.body.revision, request.body.kind),
        ),
    );
    app.delete(
      '/api/flies/:id',
      { schema: { params: byId, response: { 200: storedFlySchema, ...errors } } },
      async (request) => flyOut(await store.setDeleted(request.params.id, true)),
    );
    app.post(
      '/api/flies/:id/undelete',
      { schema: { params: byId, response: { 200: storedFlySchema, ...errors } } },
      async (request) => flyOut(await store.setDeleted(request.params.id, false)),
    );
    app.delete(
      '/api/trash/:id',
      { schema: { params: byId, response: { 204: z.null(), ...errors } } },
      async (request, reply) => {
        await store.purge(request.params.id);
        return reply.code(204).send(null);
      },
    );
    app.get(
      '/api/flies/:id/versions',
      { schema: { params: byId, response: { 200: z.array(flyVersionSchema), ...errors } } },
      async (request) => (await store.history(request.params.id)).map(versionOut),
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
      async (request) => flyOut(await store.restore(request.params.id, request.body.version, request.body.revision)),
    );
    done();
  };
