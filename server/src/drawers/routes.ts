import { writeDrawers, DRAWERS } from '@jobbet/core/drawers';
import { errorSchema, flyChangeSchema, storedItemSchema } from '@jobbet/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import type { House } from '../house.ts';
import { WATCHED, watched } from '../wire/watched.ts';
import type { Changed, Item } from './store.ts';

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
const changedOut = ({ item: held, changes }: Changed & { readonly item: Item }): z.infer<typeof changed> => ({
  item: itemOut(held),
  changes: [...changes],
});

/** What lies in the drawers. Each change answers with the flies whose figures it moved; it can be watched, and stopped. */
export const drawerRoutes =
  ({ drawers }: House): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.get('/api/drawers', { schema: { response: { 200: z.array(storedItemSchema) } } }, async () =>
      (await drawers.list()).map(itemOut),
    );
    app.get('/api/drawers/export', { schema: { response: { 200: z.record(z.string(), z.unknown()) } } }, async () =>
      writeDrawers(await drawers.items()),
    );
    app.post(
      '/api/drawers',
      {
        ...WATCHED,
        schema: { body: z.strictObject({ drawer: z.enum(DRAWERS), item }), response: { 201: changed, ...errors } },
      },
      (request, reply) =>
        watched(request, reply.code(201), async (by) =>
          changedOut(await drawers.add(request.body.drawer, request.body.item, by)),
        ),
    );
    app.put(
      '/api/drawers/:id',
      {
        ...WATCHED,
        schema: {
          params: byId,
          body: z.strictObject({ item, revision: z.number().int().min(1) }),
          response: { 200: changed, ...errors },
        },
      },
      (request, reply) =>
        watched(request, reply, async (by) =>
          changedOut(await drawers.change(request.params.id, request.body.item, request.body.revision, by)),
        ),
    );
    app.delete(
      '/api/drawers/:id',
      { ...WATCHED, schema: { params: byId, response: { 200: changed, ...errors } } },
      (request, reply) =>
        watched(request, reply, async (by) => changedOut(await drawers.remove(request.params.id, by))),
    );
    app.post(
      '/api/drawers/import',
      {
        ...WATCHED,
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
      (request, reply) =>
        watched(request, reply, async (by) => {
          const { added, replaced, changes } = await drawers.layIn(request.body, by);
          return { added, replaced, changes: [...changes] };
        }),
    );
    done();
  };
