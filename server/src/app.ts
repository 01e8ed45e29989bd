import { existsSync } from 'node:fs';
import type { Socket } from 'node:net';
import { join } from 'node:path';
import { constants } from 'node:zlib';
import compress from '@fastify/compress';
import helmet from '@fastify/helmet';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import fastify, { type FastifyInstance, type FastifyReply } from 'fastify';
import {
  jsonSchemaTransform,
  serializerCompiler,
  validatorCompiler,
  type ZodTypeProvider,
} from 'fastify-type-provider-zod';
import { backupRoutes } from './backup/routes.ts';
import { drawerRoutes } from './drawers/routes.ts';
import { ApiError } from './errors.ts';
import { flyRoutes } from './flies/routes.ts';
import { addGuards, isApi } from './guards.ts';
import { handRoutes } from './hands/routes.ts';
import type { House } from './house.ts';
import { pictureRoutes } from './pictures/routes.ts';
import { recordRoutes } from './records/routes.ts';
import { printRoutes } from './print/routes.ts';
import { requireSignIn, signInRoutes } from './signin/routes.ts';
import { solvingRoutes } from './solving/routes.ts';
import { tyingRoutes } from './tyings/routes.ts';
import { drained } from './wire/drained.ts';
import { rawAnswer, shapeOf } from './wire/errorShape.ts';

export interface AppOptions {
  readonly house: House;
  readonly version: string;
  readonly hosts?: readonly string[];
  readonly proxies?: readonly string[];
  readonly logLevel?: string;
  readonly webFolder?: string;
}

export const WEB_FOLDER = join(import.meta.dirname, '../../web/dist');
const BODY_LIMIT = 1_048_576;
const TOO_LARGE = 413;
/** What goes over a loopback is squeezed quickly rather than well. */
const BROTLI_QUALITY = 1;

const POLICY = {
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
};

/** Answers what is so malformed that no handler sees it, in the one shape of errors. */
function refuseMalformed(error: Error & { code?: string }, socket: Socket): void {
  if (error.code === 'ECONNRESET' || !socket.writable) {
    socket.destroy();
    return;
  }
  socket.end(rawAnswer(error.code === 'HPE_HEADER_OVERFLOW' ? 'long-header' : 'bad-request'));
}

function newServer({ logLevel = 'silent', proxies = [] }: Pick<AppOptions, 'logLevel' | 'proxies'>) {
  const app = fastify({
    logger: { level: logLevel },
    bodyLimit: BODY_LIMIT,
    trustProxy: proxies.length > 0 ? [...proxies] : false,
    clientErrorHandler: refuseMalformed,
    frameworkErrors: (error, _request, reply) => {
      const { status, body } = shapeOf(error);
      void (reply as FastifyReply).code(status).header('cache-control', 'no-store').send(body);
    },
  }).withTypeProvider<ZodTypeProvider>();
  app.removeContentTypeParser('text/plain');
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  app.setErrorHandler(async (error, request, reply) => {
    const { status, body } = shapeOf(error);
    if (status >= 500) request.log.error(error);
    if (status === TOO_LARGE) await drained(request.raw);
    return reply.code(status).send(body);
  });
  return app;
}

async function serveWeb(app: FastifyInstance, webFolder: string): Promise<void> {
  const missing = shapeOf(new ApiError('not-found')).body;
  const has = existsSync(webFolder);
  if (has)
    await app.register(fastifyStatic, {
      root: webFolder,
      index: 'index.html',
      cacheControl: false,
      preCompressed: true,
      setHeaders: (res, path) => {
        void res.header(
          'cache-control',
          path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
        );
      },
    });
  app.setNotFoundHandler((request, reply) =>
    has && request.method === 'GET' && !/^\/+api(\/|$)|\.\w+$/i.test(pathOf(request.url))
      ? reply.header('cache-control', 'no-cache').sendFile('index.html')
      : reply.code(404).send(missing),
  );
}

/** The path of an address, as it is meant; what does not read as one is none of the app's. */
function pathOf(url: string): string {
  try {
    return decodeURIComponent(url.split('?')[0] ?? '');
  } catch {
    return '/api/';
  }
}

/** Builds the server: guards, headers, typed routes, OpenAPI, and the web app where it is built. */
export async function buildApp({
  house,
  version,
  hosts = [],
  proxies = [],
  logLevel = 'silent',
  webFolder = WEB_FOLDER,
}: AppOptions): Promise<FastifyInstance> {
  const app = newServer({ logLevel, proxies });
  addGuards(app, hosts);
  await app.register(helmet, {
    contentSecurityPolicy: { useDefaults: false, directives: POLICY },
    strictTransportSecurity: false,
  });
  await app.register(compress, {
    encodings: ['br', 'gzip'],
    brotliOptions: { params: { [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY } },
  });
  await requireSignIn(app, house.devices);
  // What was written is told as done only where the database it went into is still there.
  app.addHook('onRequest', (request, _reply, done) => {
    if (isApi(request) && request.method !== 'GET' && request.method !== 'HEAD') house.database.ledger.requireOpen();
    done();
  });
  await app.register(swagger, {
    openapi: { openapi: '3.1.0', info: { title: 'Jobbet', version, description: 'Flies, solved and kept.' } },
    transform: jsonSchemaTransform,
  });
  await app.register(solvingRoutes(house, version));
  await app.register(flyRoutes(house));
  await app.register(tyingRoutes(house));
  await app.register(drawerRoutes(house));
  await app.register(handRoutes(house));
  await app.register(recordRoutes(house));
  await app.register(pictureRoutes(house));
  await app.register(printRoutes(house));
  await app.register(backupRoutes(house));
  await app.register(signInRoutes(house.devices));
  app.get('/api/docs.json', { schema: { hide: true } }, () => app.swagger());
  await serveWeb(app, webFolder);
  return app;
}
