import type { FastifyInstance, FastifyRequest } from 'fastify';
import { ApiError } from './errors.ts';

const LOCAL = ['localhost', '127.0.0.1', '[::1]'];
const READS: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS']);

const hostName = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/** Whether a request goes to the API, by the route it was matched to, however its address was written. What no route takes counts as such. */
export const isApi = ({ routeOptions }: FastifyRequest): boolean =>
  routeOptions.url === undefined || routeOptions.url.startsWith('/api/');

/** Refuses Host names that are not ours (DNS rebinding), and whatever other sites' pages ask for, those of the same domain too. */
export function addGuards(app: FastifyInstance, hosts: readonly string[]): void {
  const known = new Set([...LOCAL, ...hosts.map(hostName)]);
  app.addHook('onRequest', (request, reply, done) => {
    const api = isApi(request);
    if (api) void reply.header('cache-control', 'no-store');
    const host = request.headers.host ?? '';
    if (!known.has(hostName(host))) {
      done(new ApiError('foreign-host'));
      return;
    }
    const { origin } = request.headers;
    const site = request.headers['sec-fetch-site'];
    const guarded = api || !READS.has(request.method);
    const foreign =
      (origin !== undefined && origin.replace(/^https?:\/\//, '') !== host) ||
      (guarded && site !== undefined && !['same-origin', 'none'].includes(site));
    done(foreign ? new ApiError('foreign-origin') : undefined);
  });
}
