import cookie from '@fastify/cookie';
import rateLimit from '@fastify/rate-limit';
import { errorSchema } from '@jobbet/core/contract';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { ApiError } from '../errors.ts';
import { isApi } from '../guards.ts';
import type { Device, Devices } from './devices.ts';

const COOKIE = 'jobbet';
/** What is answered to a device that is not signed in. */
const OPEN: ReadonlySet<string> = new Set(['/api/health', '/api/sign-in']);
const TRIES = 8;
const TRIES_MS = 15 * 60_000;
const YEAR_S = 365 * 86_400;

const device = z.object({
  id: z.string(),
  words: z.string(),
  signedInAt: z.number(),
  seenAt: z.number(),
  own: z.boolean().describe('whether it is the one that asks'),
});
const state = z.object({ needed: z.boolean(), signedIn: z.boolean() });
const errors = { '4xx': errorSchema };

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
  (devices: Devices | null): FastifyPluginAsyncZod =>
  async (app) => {
    app.get('/api/sign-in', { schema: { response: { 200: state } } }, async (request) => ({
      needed: devices !== null,
      signedIn: devices === null || (await devices.of(secretOf(request))) !== null,
    }));
    if (!devices) return;
    app.post(
      '/api/sign-in',
      {
        config: { rateLimit: { max: TRIES, timeWindow: TRIES_MS } },
        schema: {
          body: z.strictObject({ phrase: z.string().min(1).max(400) }),
          response: { 200: state, ...errors },
        },
      },
      async (request, reply) => {
        const secret = await devices.signIn(request.body.phrase, request.headers['user-agent'] ?? 'a device');
        void reply.setCookie(COOKIE, secret, {
          path: '/',
          httpOnly: true,
          sameSite: 'strict',
          secure: request.protocol === 'https',
          maxAge: YEAR_S,
        });
        return { needed: true, signedIn: true };
      },
    );
    app.delete('/api/sign-in', { schema: { response: { 200: state } } }, async (request, reply) => {
      const own = await devices.of(secretOf(request));
      if (own) await devices.remove(own.id);
      void reply.clearCookie(COOKIE, { path: '/' });
      return { needed: true, signedIn: false };
    });
    app.get('/api/devices', { schema: { response: { 200: z.array(device) } } }, async (request) => {
      const own = await devices.of(secretOf(request));
      return (await devices.list()).map((each: Device) => ({ ...each, own: each.id === own?.id }));
    });
    app.delete(
      '/api/devices/:id',
      { schema: { params: z.object({ id: z.string().min(1).max(80) }), response: { 204: z.null() } } },
      async (request, reply) => {
        await devices.remove(request.params.id);
        return reply.code(204).send(null);
      },
    );
  };
