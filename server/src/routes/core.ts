import { flyJsonSchema, readFlyValue, reportFly, reportSchema, solveFly } from '@jobbet/core';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { errorSchema } from '@jobbet/core/exchange/stored';
import type { DrawerStore } from '../drawers.ts';
import { ApiError } from '../errors.ts';

/** What needs no database: health, the schema of the pattern file, solving. */
export const coreRoutes =
  (version: string, drawers: DrawerStore): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.get(
      '/api/health',
      { schema: { response: { 200: z.object({ status: z.literal('ok'), version: z.string() }) } } },
      () => ({ status: 'ok' as const, version }),
    );
    app.get('/api/schema.json', { schema: { response: { 200: z.record(z.string(), z.unknown()) } } }, () =>
      flyJsonSchema(),
    );
    app.post(
      '/api/solve',
      { schema: { body: z.unknown().describe('a pattern file'), response: { 200: reportSchema, '4xx': errorSchema } } },
      async (request) => {
        const file = readFlyValue(request.body);
        const solved = file.ok ? solveFly(file.value, await drawers.drawers()) : file;
        if (!solved.ok) throw new ApiError('invalid-fly', undefined, { faults: solved.faults });
        return reportFly(solved.value);
      },
    );
    done();
  };
