import { ROUTES } from '@jobbet/core/contract';
import type { FastifyPluginCallback } from 'fastify';
import { ApiError } from '../errors.ts';
import type { House } from '../house.ts';
import { serveFile } from '../wire/serve.ts';

const PDF = 'application/pdf';

/** What is printed: pages that a view laid out, and the tying sheet of a fly. */
export const printRoutes =
  ({ solvers, drawers }: House): FastifyPluginCallback =>
  (app, _options, done) => {
    serveFile(app, ROUTES.pagesPdf, PDF, ({ body, by }) => solvers.ask('pages', body, null, { signal: by.signal }));
    serveFile(app, ROUTES.sheetPdf, PDF, async ({ body, by }) => {
      const { file: value, ...paper } = body;
      const sheet = await solvers.ask('sheet', { value, paper }, await drawers.snapshot(), { signal: by.signal });
      if (!sheet.ok) throw new ApiError('invalid-fly', undefined, { faults: sheet.faults });
      return sheet.value;
    });
    done();
  };
