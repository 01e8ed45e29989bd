import { ROUTES } from '@jobbet/core/contract';
import type { FastifyPluginCallback } from 'fastify';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';

/** How each fly was tied: kept as it goes on, so that nothing of it is lost. */
export const tyingRoutes =
  ({ tyings }: House): FastifyPluginCallback =>
  (app, _options, done) => {
    serve(app, ROUTES.tyings, ({ params }) => tyings.list(params.id));
    serve(app, ROUTES.keepTying, ({ params, body }) => tyings.keep({ ...body, fly: params.id, begun: params.begun }));
    serve(app, ROUTES.removeTying, async ({ params }) => {
      await tyings.remove(params.id, params.begun);
      return null;
    });
    done();
  };
