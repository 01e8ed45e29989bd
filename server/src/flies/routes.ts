import { ROUTES } from '@jobbet/core/contract';
import type { FastifyPluginCallback } from 'fastify';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';
import { addExamples } from './examples.ts';
import { movedByModel, seenMoved } from './refresh.ts';

/** Tells lists of one run of the server from those of another. */
const RUN = Date.now().toString(36);

/** What no longer reads or lays out, with what is kept of it. */
async function brokenRows({ flies, drawers }: House) {
  const broken = [...(await flies.list()), ...(await flies.trash())].filter((each) => each.broken !== null);
  const ofFlies = broken.map(async ({ id, name, broken: why }) => ({
    what: 'fly',
    name,
    why: why ?? '',
    text: (await flies.text(id)).text,
  }));
  const ofDrawers = (await drawers.broken()).map(({ drawer, name, why, text }) => ({ what: drawer, name, why, text }));
  return [...(await Promise.all(ofFlies)), ...ofDrawers];
}

/** The box: flies, their trash, their versions. */
export const flyRoutes =
  (house: House): FastifyPluginCallback =>
  (app, _options, done) => {
    const { flies } = house;
    serve(app, ROUTES.flies, async ({ request, reply }) => {
      const tag = `"${RUN}-${String(flies.version)}"`;
      void reply.header('etag', tag);
      if (request.headers['if-none-match'] === tag) return reply.code(304).send();
      return reply
        .type('application/json; charset=utf-8')
        .serializer(String)
        .send(await flies.listJson());
    });
    serve(app, ROUTES.trash, () => flies.trash());
    serve(app, ROUTES.createFly, ({ body }) => flies.create(body.file, body.sentAs));
    serve(app, ROUTES.examples, async () => ({ added: await addExamples(flies) }));
    serve(app, ROUTES.fly, ({ params }) => flies.get(params.id));
    serve(app, ROUTES.flyText, async ({ params, reply }) => {
      const { text } = await flies.text(params.id);
      return reply.type('text/plain; charset=utf-8').serializer(String).send(text);
    });
    serve(app, ROUTES.saveFly, ({ params, body }) => flies.save(params.id, body.file, body.revision, body.kind));
    serve(app, ROUTES.deleteFly, ({ params }) => flies.setDeleted(params.id, true));
    serve(app, ROUTES.undeleteFly, ({ params }) => flies.setDeleted(params.id, false));
    serve(app, ROUTES.purgeFly, async ({ params }) => {
      await flies.purge(params.id);
      return null;
    });
    serve(app, ROUTES.versions, ({ params }) => flies.history(params.id));
    serve(app, ROUTES.nameVersion, async ({ params, body }) => {
      await flies.nameVersion(params.id, body.revision, body.name);
      return null;
    });
    serve(app, ROUTES.restoreVersion, ({ params, body }) => flies.restore(params.id, body.version, body.revision));
    serve(app, ROUTES.moved, () => movedByModel(house.database.ledger));
    serve(app, ROUTES.seenMoved, async () => {
      await seenMoved(house.database.ledger);
      return null;
    });
    serve(app, ROUTES.broken, () => brokenRows(house));
    done();
  };
