import { writeDrawers } from '@jobbet/core/drawers/file';
import { DRAWERS } from '@jobbet/core/drawers/items';
import { errorSchema, flyChangeSchema, storedItemSchema } from '@jobbet/core/exchange/stored';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import type { DrawerStore, Item } from '../drawers.ts';

const errors = { '4xx': errorSchema };
const byId = z.object({ id: z.string().min(1).max(80) });
const item = z.unknown().describe('an item of the drawer');
const changed = z.object({ item: storedItemSchema, changes: z.array(flyChangeSchema) });
const list = z.array(z.unknown()).max(5000).optional();

const itemOut = ({ id, drawer, item: held, revision, updatedAt }: Item): z.infer<typeof storedItemSchema> => ({
  id,
  drawer,
  item: held,
  revision,
  updatedAt,
});

/** Hooks, weights, materials and threads. Each change answers with the flies whose figures it moved. */
export const drawerRoutes =
  (store: DrawerStore): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.get('/api/drawers', { schema: { response: { 200: z.array(storedItemSchema) } } }, async () =>
      (await store.list()).map(itemOut),
    );
    app.get('/api/drawers/export', { schema: { response: { 200: z.record(z.string(), z.unknown()) } } }, async () =>
      writeDrawers(await store.items()),
    );
    app.post(
      '/api/drawers',
      { schema: { body: z.strictObject({ drawer: z.enum(DRAWERS), item }), response: { 201: changed, ...errors } } },
      async (request, reply) => {
        const { item: made, changes } = await store.add(request.body.drawer, request.body.item);
        return reply.code(201).send({ item: itemOut(made), changes: [...changes] });
      },
    );
    app.put(
      '/api/drawers/:id',
      {
        schema: {
          params: byId,
          body: z.strictObject({ item, revision: z.number().int().min(1) }),
          response: { 200: changed, ...errors },
        },
      },
      async (request) => {
        const { item: made, changes } = await store.change(request.params.id, request.body.item, request.body.revision);
        return { item: itemOut(made), changes: [...changes] };
      },
    );
    app.delete(
      '/api/drawers/:id',
      { schema: { params: byId, response: { 200: changed, ...errors } } },
      async (request) => {
        const { item: gone, changes } = await store.remove(request.params.id);
        return { item: itemOut(gone), changes: [...changes] };
      },
    );
    app.post(
      '/api/drawers/import',
      {
        schema: {
          body: z.strictObject(Object.fromEntries(DRAWERS.map((drawer) => [drawer, list]))),
          response: {
            200: z.object({
              added: z.number().int(),
              replaced: z.number().int(),
              changes: z.array(flyChangeSchema),
            }),
            ...errors,
          },
        },
      },
      async (request) => {
        const { added, replaced, changes } = await store.layIn(request.body);
        return { added, replaced, changes: [...changes] };
      },
    );
    done();
  };
