import { ROUTES } from '@jobbet/core/contract';
import type { FastifyPluginCallback } from 'fastify';
import { itemOut } from '../drawers/store.ts';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';

/** Batches: planned, changed as they are tied, taken away and back; and the finished flies of each pattern. */
export const recordRoutes =
  ({ batches, specimens }: House): FastifyPluginCallback =>
  (app, _options, done) => {
    serve(app, ROUTES.batches, () => batches.list());
    serve(app, ROUTES.createBatch, ({ body }) => batches.create(body.record));
    serve(app, ROUTES.batch, ({ params }) => batches.get(params.id));
    serve(app, ROUTES.batchDrawers, async ({ params }) => (await batches.drawersBefore(params.id)).map(itemOut));
    serve(app, ROUTES.saveBatch, ({ params, body }) => batches.save(params.id, body.record, body.revision));
    serve(app, ROUTES.deleteBatch, async ({ params }) => {
      await batches.setDeleted(params.id, true);
      return null;
    });
    serve(app, ROUTES.undeleteBatch, async ({ params }) => {
      await batches.setDeleted(params.id, false);
      return null;
    });
    serve(app, ROUTES.purgeBatch, async ({ params }) => {
      await batches.purge(params.id);
      return null;
    });
    serve(app, ROUTES.specimens, ({ params }) => specimens.ofFly(params.id));
    serve(app, ROUTES.listedSpecimens, () => specimens.list());
    serve(app, ROUTES.createSpecimen, ({ body }) => specimens.create(body.record));
    serve(app, ROUTES.saveSpecimen, ({ params, body }) => specimens.save(params.id, body.record, body.revision));
    serve(app, ROUTES.deleteSpecimen, async ({ params }) => {
      await specimens.setDeleted(params.id, true);
      return null;
    });
    serve(app, ROUTES.undeleteSpecimen, async ({ params }) => {
      await specimens.setDeleted(params.id, false);
      return null;
    });
    serve(app, ROUTES.purgeSpecimen, async ({ params }) => {
      await specimens.purge(params.id);
      return null;
    });
    done();
  };
