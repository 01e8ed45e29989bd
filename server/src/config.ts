import { resolve } from 'node:path';
import { StartError } from './errors.ts';

/** How the server is started, read from its environment. */
export interface Config {
  readonly folder: string;
  readonly port: number;
  readonly host: string;
  /** Host names it answers to besides its own address and this machine's. */
  readonly hosts: readonly string[];
  readonly logLevel: string;
  readonly seed: boolean;
  /** What devices sign in with; null where only this machine reaches it. */
  readonly phrase: string | null;
  /** Addresses of proxies whose word on who asks, and whether by TLS, is taken. */
  readonly proxies: readonly string[];
}

const LEVELS = ['fatal', 'error', 'warn', 'info', 'debug', 'trace', 'silent'];
/** Signs a phrase has at least. */
const LEAST_PHRASE = 12;

type Env = Readonly<Record<string, string | undefined>>;

const listed = (text: string | undefined): string[] =>
  (text ?? '')
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '');

/** Whether an address or name is this machine's own, which no other machine reaches. */
export const isLoopback = (host: string): boolean =>
  /^(localhost|\[?::1\]?|127(\.\d{1,3}){3})$/i.test(host.replace(/(?<=[^:]|\]):\d+$/, ''));

function phraseOf(env: Env, reachedAs: readonly string[]): string | null {
  const phrase = env['JOBBET_PHRASE'];
  const away = reachedAs.find((name) => !isLoopback(name));
  if (phrase === undefined || phrase === '') {
    if (away === undefined) return null;
    throw new StartError(
      `Others would reach Jobbet at ${away} and change your flies. Set JOBBET_PHRASE to a phrase of ${String(LEAST_PHRASE)} signs or more that they sign in with, or leave HOST and JOBBET_HOSTS to this machine.`,
    );
  }
  if (Array.from(phrase).length < LEAST_PHRASE)
    throw new StartError(`JOBBET_PHRASE is too short: give it ${String(LEAST_PHRASE)} signs or more.`);
  return phrase;
}

/**
 * Reads JOBBET_DATA, PORT, HOST, JOBBET_HOSTS, JOBBET_PHRASE, JOBBET_PROXY and LOG_LEVEL; `--seed` lays the examples into a new database.
 * @throws StartError naming the variable and what it may be
 */
export function readConfig(env: Env, args: readonly string[]): Config {
  const port = Number(env['PORT'] ?? 4100);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new StartError(`PORT is "${env['PORT'] ?? ''}"; it must be a number from 1 to 65535.`);
  const logLevel = env['LOG_LEVEL'] ?? 'warn';
  if (!LEVELS.includes(logLevel)) throw new StartError(`LOG_LEVEL is "${logLevel}"; it must be ${LEVELS.join(', ')}.`);
  const host = env['HOST'] ?? '127.0.0.1';
  const hosts = listed(env['JOBBET_HOSTS']);
  return {
    folder: resolve(env['JOBBET_DATA'] ?? 'data'),
    port,
    host,
    hosts: [host, ...hosts],
    logLevel,
    seed: args.includes('--seed'),
    phrase: phraseOf(env, [host, ...hosts]),
    proxies: listed(env['JOBBET_PROXY']),
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
