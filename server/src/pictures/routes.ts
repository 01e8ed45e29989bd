import { ROUTES } from '@jobbet/core/contract';
import { keptPicture, MAX_PICTURE_BYTES } from '@jobbet/pictures';
import type { FastifyPluginCallback } from 'fastify';
import { z } from 'zod';
import { ApiError } from '../errors.ts';
import type { House } from '../house.ts';
import { serve } from '../wire/serve.ts';

const TYPES: Readonly<Record<string, string>> = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' };
const byName = z.object({ name: z.string().max(80) });

/** Pictures of finished flies: taken up by what is in them, kept without what a camera wrote beside, and shown. */
export const pictureRoutes =
  ({ pictures }: House): FastifyPluginCallback =>
  (app, _options, done) => {
    app.addContentTypeParser(
      [...Object.values(TYPES), 'application/octet-stream'],
      { parseAs: 'buffer', bodyLimit: MAX_PICTURE_BYTES },
      (_request, body, parsed) => parsed(null, body),
    );
    serve(
      app,
      ROUTES.keepPicture,
      async ({ body }) => {
        if (!Buffer.isBuffer(body)) throw new ApiError('unsupported', 'Send the picture itself.');
        const kept = await keptPicture(body);
        if (!kept.ok) throw new ApiError('bad-picture', undefined, { faults: kept.faults });
        const { bytes, extension, width, height } = kept.value;
        return { file: `pictures/${await pictures.keep(bytes, extension)}`, width, height };
      },
      { bodyLimit: MAX_PICTURE_BYTES },
    );
    app.get('/api/pictures/:name', { schema: { hide: true, params: byName } }, async (request, reply) => {
      const { name } = byName.parse(request.params);
      if (!pictures.has(name)) throw new ApiError('not-found', 'This picture is not here.');
      return (
        reply
          .header('content-type', TYPES[name.split('.')[1] ?? ''] ?? 'application/octet-stream')
          // It is named by its bytes, so that it never changes.
          .header('cache-control', 'private, max-age=31536000, immutable')
          .send(await pictures.read(name))
      );
    });
    done();
  };
