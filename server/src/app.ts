import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compress from '@fastify/compress';
import helmet from '@fastify/helmet';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import fastify, { type FastifyError, type FastifyInstance } from 'fastify';
import {
  hasZodFastifySchemaValidationErrors,
  jsonSchemaTransform,
  serializerCompiler,
  validatorCompiler,
  type ZodTypeProvider,
} from 'fastify-type-provider-zod';
import { ApiError, ERRORS, type ErrorCode } from './errors.ts';
import { addGuards } from './guards.ts';
import type { Database } from './db/open.ts';
import type { DrawerStore } from './drawers.ts';
import { backupRoutes } from './routes/backup.ts';
import { coreRoutes } from './routes/core.ts';
import { drawerRoutes } from './routes/drawers.ts';
import { flyRoutes } from './routes/flies.ts';
import { printRoutes } from './routes/print.ts';
import { tyingRoutes } from './routes/tyings.ts';
import type { FlyStore } from './store.ts';
import { TyingStore } from './tyings.ts';

export interface AppOptions {
  readonly store: FlyStore;
  readonly drawers: DrawerStore;
  /** The database and its folder, for the backup of everything. */
  readonly db: Database;
  readonly folder: string;
  readonly version: string;
  readonly hosts?: readonly string[];
  readonly logLevel?: string;
  readonly webFolder?: string;
}

export const WEB_FOLDER = join(import.meta.dirname, '../../web/dist');
const BODY_LIMIT = 1_048_576;

const CODES: Readonly<Record<string, ErrorCode>> = {
  FST_ERR_CTP_BODY_TOO_LARGE: 'too-large',
  FST_ERR_CTP_INVALID_MEDIA_TYPE: 'unsupported',
  FST_ERR_CTP_EMPTY_JSON_BODY: 'bad-request',
  FST_ERR_CTP_INVALID_JSON_BODY: 'bad-request',
};

/** Brings whatever was thrown to the one shape of errors. */
function shapeOf(error: FastifyError): { status: number; body: { error: { code: ErrorCode; message: string } } } {
  if (error instanceof ApiError)
    return {
      status: ERRORS[error.code].status,
      body: { error: { code: error.code, message: error.message, ...error.details } },
    };
  if (hasZodFastifySchemaValidationErrors(error)) {
    const first = error.validation[0];
    return {
      status: 400,
      body: {
        error: {
          code: 'bad-request',
          message: `${first?.instancePath.slice(1).replaceAll('/', '.') ?? ''} ${first?.message ?? ''}`.trim(),
        },
      },
    };
  }
  const code =
    CODES[error.code] ?? (error.statusCode !== undefined && error.statusCode < 500 ? 'bad-request' : 'internal');
  const message = code === 'bad-request' && error.message !== '' ? error.message : ERRORS[code].message;
  return { status: ERRORS[code].status, body: { error: { code, message } } };
}

/** Builds the server: guards, headers, typed routes, OpenAPI, and the web app where it is built. */
export async function buildApp({
  store,
  drawers,
  db,
  folder,
  version,
  hosts = [],
  logLevel = 'silent',
  webFolder = WEB_FOLDER,
}: AppOptions): Promise<FastifyInstance> {
  const app = fastify({
    logger: { level: logLevel },
    bodyLimit: BODY_LIMIT,
  }).withTypeProvider<ZodTypeProvider>();
  app.removeContentTypeParser('text/plain');
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  app.setErrorHandler((error: FastifyError, request, reply) => {
    const { status, body } = shapeOf(error);
    if (status >= 500) request.log.error(error);
    return reply.code(status).send(body);
  });
  addGuards(app, hosts);
  await app.register(helmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        'default-src': ["'self'"],
        'script-src': ["'self'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'", 'blob:'],
        'object-src': ["'none'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
      },
    },
    strictTransportSecurity: false,
  });
  await app.register(compress, { encodings: ['br', 'gzip'] });
  await app.register(swagger, {
    openapi: { openapi: '3.1.0', info: { title: 'Jobbet', version, description: 'Flies, solved and kept.' } },
    transform: jsonSchemaTransform,
  });
  await app.register(coreRoutes(version, drawers));
  await app.register(flyRoutes(store));
  await app.register(tyingRoutes(new TyingStore(db)));
  await app.register(drawerRoutes(drawers));
  await app.register(printRoutes(drawers));
  await app.register(backupRoutes(db, folder, drawers));
  app.get('/api/docs.json', { schema: { hide: true } }, () => app.swagger());
  const missing = { error: { code: 'not-found', message: ERRORS['not-found'].message } };
  if (existsSync(webFolder)) {
    await app.register(fastifyStatic, {
      root: webFolder,
      index: 'index.html',
      cacheControl: false,
      setHeaders: (res, path) => {
        void res.header(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
    });
    app.setNotFoundHandler((request, reply) =>
      request.method === 'GET' && !request.url.startsWith('/api/') && !/\.\w+$/.test(request.url.split('?')[0] ?? '')
        ? reply.sendFile('index.html')
        : reply.code(404).send(missing),
    );
  } else app.setNotFoundHandler((_request, reply) => reply.code(404).send(missing));
  return app;
}
