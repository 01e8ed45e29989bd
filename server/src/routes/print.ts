import { solveFly, readFlyValue } from '@jobbet/core';
import { pageSchema, PAPERS, type Paper } from '@jobbet/core/paper/items';
import { METRIC, styleSchema } from '@jobbet/core/units/format';
import { pagesPdf } from '@jobbet/print/pdf';
import { sheetPdf } from '@jobbet/print/sheet';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import type { DrawerStore } from '../drawers.ts';
import { ApiError } from '../errors.ts';

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
  (drawers: DrawerStore): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.post('/api/print.pdf', { schema: { body: pagesBody, hide: true } }, async (request, reply) => {
      const pdf = await pagesPdf(request.body.pages, request.body.title);
      return reply.type(PDF).send(pdf);
    });
    app.post('/api/sheet.pdf', { schema: { body: sheetBody } }, async (request, reply) => {
      const { file, ...paper } = request.body;
      const tables = await drawers.drawers();
      const read = readFlyValue(file);
      const solved = read.ok ? solveFly(read.value, tables) : read;
      if (!solved.ok) throw new ApiError('invalid-fly', undefined, { faults: solved.faults });
      return reply.type(PDF).send(await sheetPdf(solved.value, tables, paper));
    });
    done();
  };
