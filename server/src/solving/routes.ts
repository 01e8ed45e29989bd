import { ROUTES } from '@jobbet/core/contract';
import { documentJsonSchema } from '@jobbet/core/document';
import { FLY_KIND } from '@jobbet/core/pattern';
import type { FastifyPluginCallback } from 'fastify';
import { ApiError } from '../errors.ts';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';

/** Health, the schema of the pattern file, and solving what is kept nowhere. */
export const solvingRoutes =
  ({ solvers, drawers }: House, version: string): FastifyPluginCallback =>
  (app, _options, done) => {
    const schema = documentJsonSchema(FLY_KIND);
    serve(app, ROUTES.health, async () => ({ status: 'ok' as const, version }));
    serve(app, ROUTES.flySchema, async () => schema);
    serve(app, ROUTES.solve, async ({ body }) => {
      const solved = await solvers.ask('report', { value: body }, await drawers.snapshot());
      if (!solved.ok) throw new ApiError('invalid-fly', undefined, { faults: solved.faults });
      return solved.value;
    });
    done();
  };
