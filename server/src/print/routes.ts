import { pageSchema, PAPERS, type Paper } from '@jobbet/core/drawing';
import { METRIC, styleSchema } from '@jobbet/core/units';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { ApiError } from '../errors.ts';
import type { House } from '../house.ts';
import { watchedFile, WATCHED } from '../wire/watched.ts';

const PDF = 'application/pdf';
const pagesBody = z.strictObject({ title: z.string().min(1).max(200), pages: z.array(pageSchema).min(1).max(60) });
const sheetBody = z.strictObject({
  file: z.unknown().describe('a pattern file'),
  paper: z.enum(Object.keys(PAPERS) as [Paper, ...Paper[]]).default('a4'),
  hand: z.enum(['right', 'left']).default('right').describe('the side the eye of the hook points to'),
  style: styleSchema.default(METRIC).describe('the units it is written in'),
});

/** What is printed: pages that a view laid out, and the tying sheet of a fly. */
export const printRoutes =
  ({ solvers, drawers }: House): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.post('/api/print.pdf', { ...WATCHED, schema: { body: pagesBody, hide: true } }, (request, reply) =>
      watchedFile(request, reply, PDF, ({ signal }) => solvers.ask('pages', request.body, null, { signal })),
    );
    app.post('/api/sheet.pdf', { ...WATCHED, schema: { body: sheetBody } }, (request, reply) =>
      watchedFile(request, reply, PDF, async ({ signal }) => {
        const { file: value, ...paper } = request.body;
        const sheet = await solvers.ask('sheet', { value, paper }, await drawers.snapshot(), { signal });
        if (!sheet.ok) throw new ApiError('invalid-fly', undefined, { faults: sheet.faults });
        return sheet.value;
      }),
    );
    done();
  };
