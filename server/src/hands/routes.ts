import { ROUTES } from '@jobbet/core/contract';
import type { FastifyPluginCallback } from 'fastify';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';

/** Whose hands tie. */
export const handRoutes =
  ({ hands }: House): FastifyPluginCallback =>
  (app, _options, done) => {
    serve(app, ROUTES.hands, () => hands.list());
    serve(app, ROUTES.keepHand, ({ body }) => hands.keep(body.hand, body.revision));
    done();
  };
