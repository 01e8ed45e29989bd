import { ROUTES } from '@jobbet/core/contract';
import { writeDrawers } from '@jobbet/core/drawers';
import type { FastifyPluginCallback } from 'fastify';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';
import { itemOut, type Changed, type Item } from './store.ts';

const changedOut = ({ item, changes }: Changed & { readonly item: Item }) => ({
  item: itemOut(item),
  changes: [...changes],
});

/** What lies in the drawers. Each change answers with the flies whose figures it moved; it can be watched, and stopped. */
export const drawerRoutes =
  ({ drawers }: House): FastifyPluginCallback =>
  (app, _options, done) => {
    serve(app, ROUTES.drawers, async () => (await drawers.list()).map(itemOut));
    serve(app, ROUTES.exportDrawers, async () => writeDrawers(await drawers.items()));
    serve(app, ROUTES.addItem, async ({ body, by }) => changedOut(await drawers.add(body.drawer, body.item, by)));
    serve(app, ROUTES.changeItem, async ({ params, body, by }) =>
      changedOut(await drawers.change(params.id, body.item, body.revision, by)),
    );
    serve(app, ROUTES.removeItem, async ({ params, by }) => changedOut(await drawers.remove(params.id, by)));
    serve(app, ROUTES.layIn, async ({ body, by }) => {
      const { added, replaced, changes } = await drawers.layIn(body, by);
      return { added, replaced, changes: [...changes] };
    });
    done();
  };
