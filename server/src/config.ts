import { resolve } from 'node:path';
import { StartError } from './db/open.ts';

/** How the server is started, read from its environment. */
export interface Config {
  readonly folder: string;
  readonly port: number;
  readonly host: string;
  /** Host names it answers to besides its own address and this machine's. */
  readonly hosts: readonly string[];
  readonly logLevel: string;
  readonly seed: boolean;
}

const LEVELS = ['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent'];

/**
 * Reads JOBBET_DATA, PORT, HOST, JOBBET_HOSTS and LOG_LEVEL; `--seed` lays the examples into a new database.
 * @throws StartError naming the variable and what it may be
 */
export function readConfig(env: Readonly<Record<string, string | undefined>>, args: readonly string[]): Config {
  const port = Number(env['PORT'] ?? 4100);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new StartError(`PORT is "${env['PORT'] ?? ''}"; it must be a number from 1 to 65535.`);
  const logLevel = env['LOG_LEVEL'] ?? 'warn';
  if (!LEVELS.includes(logLevel)) throw new StartError(`LOG_LEVEL is "${logLevel}"; it must be ${LEVELS.join(', ')}.`);
  const host = env['HOST'] ?? '127.0.0.1';
  const listed = (env['JOBBET_HOSTS'] ?? '').split(',').map((name) => name.trim());
  return {
    folder: resolve(env['JOBBET_DATA'] ?? 'data'),
    port,
    host,
    hosts: [host, ...listed.filter((name) => name !== '')],
    logLevel,
    seed: args.includes('--seed'),
  };
}

/** Why listening failed, in words for the person who started it; null where it is no matter of theirs. */
export function listenProblem(code: string | undefined, { port, host }: Config): StartError | null {
  if (code === 'EADDRINUSE')
    return new StartError(
      `Port ${String(port)} is taken. Close the other program, or choose another port: PORT=${String(port + 1)} npm start`,
    );
  if (code === 'EACCES')
    return new StartError(`Port ${String(port)} may not be used by this account; choose one above 1023.`);
  if (code === 'EADDRNOTAVAIL' || code === 'ENOTFOUND')
    return new StartError(`HOST is "${host}", which is no address of this machine.`);
  return null;
}
