import { flyJsonSchema } from '@jobbet/core/pattern';
import { reportSchema } from '@jobbet/core/model';
import { errorSchema } from '@jobbet/core/contract';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { ApiError } from '../errors.ts';
import type { House } from '../house.ts';

/** Health, the schema of the pattern file, and solving what is kept nowhere. */
export const solvingRoutes =
  ({ solvers, drawers }: House, version: string): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    const schema = flyJsonSchema();
    app.get(
      '/api/health',
      { schema: { response: { 200: z.object({ status: z.literal('ok'), version: z.string() }) } } },
      () => ({ status: 'ok' as const, version }),
    );
    app.get('/api/schema.json', { schema: { response: { 200: z.record(z.string(), z.unknown()) } } }, () => schema);
    app.post(
      '/api/solve',
      { schema: { body: z.unknown().describe('a pattern file'), response: { 200: reportSchema, '4xx': errorSchema } } },
      async (request) => {
        const solved = await solvers.ask('report', { value: request.body }, await drawers.snapshot());
        if (!solved.ok) throw new ApiError('invalid-fly', undefined, { faults: solved.faults });
        return solved.value;
      },
    );
    done();
  };
