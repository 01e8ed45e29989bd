import cookie from '@fastify/cookie';
import rateLimit from '@fastify/rate-limit';
import { ROUTES } from '@jobbet/core/contract';
import type { FastifyInstance, FastifyPluginCallback, FastifyRequest } from 'fastify';
import { ApiError } from '../errors.ts';
import { isApi } from '../guards.ts';
import { serve } from '../wire/serve.ts';
import type { Devices } from './devices.ts';

const COOKIE = 'jobbet';
/** What is answered to a device that is not signed in. */
const OPEN: ReadonlySet<string> = new Set(['/api/health', '/api/sign-in']);
const TRIES = 8;
const TRIES_MS = 15 * 60_000;
const YEAR_S = 365 * 86_400;

const secretOf = (request: FastifyRequest): string | undefined => request.cookies[COOKIE];

/** Lets no request to the API through that comes from a device which is not signed in. */
export async function requireSignIn(app: FastifyInstance, devices: Devices | null): Promise<void> {
  await app.register(cookie);
  await app.register(rateLimit, {
    global: false,
    errorResponseBuilder: () => new ApiError('too-many'),
    keyGenerator: (request) => request.ip,
  });
  if (!devices) return;
  app.addHook('onRequest', async (request) => {
    if (!isApi(request) || OPEN.has(request.routeOptions.url ?? '')) return;
    if (!(await devices.of(secretOf(request)))) throw new ApiError('sign-in');
  });
}

/** Signing in and out, and the devices that are signed in. */
export const signInRoutes =
  (devices: Devices | null): FastifyPluginCallback =>
  (app, _options, done) => {
    serve(app, ROUTES.signInState, async ({ request }) => ({
      needed: devices !== null,
      signedIn: devices === null || (await devices.of(secretOf(request))) !== null,
    }));
    if (devices) signedInRoutes(app, devices);
    done();
  };

function signedInRoutes(app: FastifyInstance, devices: Devices): void {
  serve(
    app,
    ROUTES.signIn,
    async ({ body, request, reply }) => {
      const secret = await devices.signIn(body.phrase, request.headers['user-agent'] ?? 'a device');
      void reply.setCookie(COOKIE, secret, {
        path: '/',
        httpOnly: true,
        sameSite: 'strict',
        secure: request.protocol === 'https',
        maxAge: YEAR_S,
      });
      return { needed: true, signedIn: true };
    },
    { config: { rateLimit: { max: TRIES, timeWindow: TRIES_MS } } },
  );
  serve(app, ROUTES.signOut, async ({ request, reply }) => {
    const own = await devices.of(secretOf(request));
    if (own) await devices.remove(own.id);
    void reply.clearCookie(COOKIE, { path: '/' });
    return { needed: true, signedIn: false };
  });
  serve(app, ROUTES.devices, async ({ request }) => {
    const own = await devices.of(secretOf(request));
    return (await devices.list()).map((each) => ({ ...each, own: each.id === own?.id }));
  });
  serve(app, ROUTES.signOutDevice, async ({ params }) => {
    await devices.remove(params.id);
    return null;
  });
}
