import { ROUTES } from '@jobbet/core/contract';
import type { FastifyInstance, FastifyPluginCallback } from 'fastify';
import { itemOut } from '../drawers/store.ts';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';
import type { RecordStore } from './store.ts';

interface Ways {
  readonly away: typeof ROUTES.deleteBatch;
  readonly back: typeof ROUTES.undeleteBatch;
  readonly out: typeof ROUTES.purgeBatch;
}

/** Into the trash, out of it, and out for good: the same for every kind of record. */
function serveTrash(
  app: FastifyInstance,
  store: Pick<RecordStore<'batch'>, 'setDeleted' | 'purge'>,
  { away, back, out }: Ways,
): void {
  const done = async (work: Promise<void>): Promise<null> => {
    await work;
    return null;
  };
  serve(app, away, ({ params }) => done(store.setDeleted(params.id, true)));
  serve(app, back, ({ params }) => done(store.setDeleted(params.id, false)));
  serve(app, out, ({ params }) => done(store.purge(params.id)));
}

/** Batches: planned, changed as they are tied, taken away and back; the finished flies of each pattern; beats; outings; dates; rounds of the drill. */
export const recordRoutes =
  ({ batches, specimens, beats, outings, dates, drills }: House): FastifyPluginCallback =>
  (app, _options, done) => {
    serve(app, ROUTES.batches, () => batches.list());
    serve(app, ROUTES.createBatch, ({ body }) => batches.create(body.record, body.sentAs));
    serve(app, ROUTES.batch, ({ params }) => batches.get(params.id));
    serve(app, ROUTES.batchDrawers, async ({ params }) => (await batches.drawersBefore(params.id)).map(itemOut));
    serve(app, ROUTES.saveBatch, ({ params, body }) => batches.save(params.id, body.record, body.revision));
    serveTrash(app, batches, { away: ROUTES.deleteBatch, back: ROUTES.undeleteBatch, out: ROUTES.purgeBatch });
    serve(app, ROUTES.specimens, ({ params }) => specimens.ofFly(params.id));
    serve(app, ROUTES.listedSpecimens, () => specimens.list());
    serve(app, ROUTES.createSpecimen, ({ body }) => specimens.create(body.record, body.sentAs));
    serve(app, ROUTES.saveSpecimen, ({ params, body }) => specimens.save(params.id, body.record, body.revision));
    serveTrash(app, specimens, {
      away: ROUTES.deleteSpecimen,
      back: ROUTES.undeleteSpecimen,
      out: ROUTES.purgeSpecimen,
    });
    serve(app, ROUTES.beats, () => beats.all());
    serve(app, ROUTES.createBeat, ({ body }) => beats.create(body.record, body.sentAs));
    serve(app, ROUTES.saveBeat, ({ params, body }) => beats.save(params.id, body.record, body.revision));
    serveTrash(app, beats, { away: ROUTES.deleteBeat, back: ROUTES.undeleteBeat, out: ROUTES.purgeBeat });
    serve(app, ROUTES.outings, () => outings.all());
    serve(app, ROUTES.createOuting, ({ body }) => outings.create(body.record, body.sentAs));
    serve(app, ROUTES.saveOuting, ({ params, body }) => outings.save(params.id, body.record, body.revision));
    serveTrash(app, outings, { away: ROUTES.deleteOuting, back: ROUTES.undeleteOuting, out: ROUTES.purgeOuting });
    serve(app, ROUTES.dates, () => dates.all());
    serve(app, ROUTES.createDate, ({ body }) => dates.create(body.record, body.sentAs));
    serve(app, ROUTES.saveDate, ({ params, body }) => dates.save(params.id, body.record, body.revision));
    serveTrash(app, dates, { away: ROUTES.deleteDate, back: ROUTES.undeleteDate, out: ROUTES.purgeDate });
    serve(app, ROUTES.drills, () => drills.all());
    serve(app, ROUTES.createDrill, ({ body }) => drills.create(body.record, body.sentAs));
    serve(app, ROUTES.saveDrill, ({ params, body }) => drills.save(params.id, body.record, body.revision));
    serveTrash(app, drills, { away: ROUTES.deleteDrill, back: ROUTES.undeleteDrill, out: ROUTES.purgeDrill });
    done();
  };
