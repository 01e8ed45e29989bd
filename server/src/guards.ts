import type { FastifyInstance } from 'fastify';
import { ApiError } from './errors.ts';

const LOCAL = ['localhost', '127.0.0.1', '[::1]'];

const hostName = (host: string): string => host.toLowerCase().replace(/:\d+$/, '');

/** Refuses Host names that are not ours (DNS rebinding) and changes asked for by other sites' pages. */
export function addGuards(app: FastifyInstance, hosts: readonly string[]): void {
  const known = new Set([...LOCAL, ...hosts.map(hostName)]);
  app.addHook('onRequest', (request, _reply, done) => {
    const host = request.headers.host ?? '';
    if (!known.has(hostName(host))) {
      done(new ApiError('foreign-host'));
      return;
    }
    const { origin } = request.headers;
    const site = request.headers['sec-fetch-site'];
    const foreign =
      (origin !== undefined && origin.replace(/^https?:\/\//, '') !== host) ||
      (request.url.startsWith('/api/') && site !== undefined && !['same-origin', 'none'].includes(site));
    done(foreign ? new ApiError('foreign-origin') : undefined);
  });
}
