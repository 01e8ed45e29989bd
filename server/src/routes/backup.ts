import { errorSchema } from '@jobbet/core/exchange/stored';
import type { FastifyPluginCallbackZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { BACKUP_ENDING, BACKUP_TYPE, keepBefore, makeBackup, readBackup, restoreBackup } from '../backup.ts';
import type { Database } from '../db/open.ts';
import type { DrawerStore } from '../drawers.ts';
import { ApiError } from '../errors.ts';

const counts = z.object({
  made: z.string(),
  flies: z.number().int(),
  versions: z.number().int(),
  items: z.number().int(),
});
const MOST_BYTES = 200 * 1024 * 1024;

/** Everything into one file and back. */
export const backupRoutes =
  (db: Database, folder: string, drawers: DrawerStore): FastifyPluginCallbackZod =>
  (app, _options, done) => {
    app.addContentTypeParser(
      [BACKUP_TYPE, 'application/octet-stream'],
      { parseAs: 'buffer', bodyLimit: MOST_BYTES },
      (_request, body, parsed) => {
        parsed(null, body);
      },
    );
    const bytesOf = (body: unknown): Buffer => {
      if (!Buffer.isBuffer(body)) throw new ApiError('unsupported', 'Send the backup file itself.');
      return body;
    };
    app.get('/api/backup', { schema: { hide: true } }, async (_request, reply) => {
      const { bytes } = await makeBackup(db);
      const day = new Date().toISOString().slice(0, 10);
      return reply
        .header('content-type', BACKUP_TYPE)
        .header('content-disposition', `attachment; filename="jobbet-${day}${BACKUP_ENDING}"`)
        .send(bytes);
    });
    const binary = {
      schema: { body: z.unknown().describe('a backup file'), response: { 200: counts, '4xx': errorSchema } },
      bodyLimit: MOST_BYTES,
    };
    app.post('/api/backup/look', binary, (request) => readBackup(bytesOf(request.body)).counts);
    app.post(
      '/api/backup/restore',
      {
        ...binary,
        schema: { ...binary.schema, response: { 200: counts.extend({ kept: z.string() }), '4xx': errorSchema } },
      },
      async (request) => {
        const backup = readBackup(bytesOf(request.body));
        const kept = await keepBefore(db, folder);
        await restoreBackup(db, backup);
        drawers.forget();
        return { ...backup.counts, kept };
      },
    );
    done();
  };
