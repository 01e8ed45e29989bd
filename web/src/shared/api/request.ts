import { errorSchema, pathOf, type ErrorAnswer, type Route } from '@jobbet/core/contract';
import { z } from 'zod';

/** A fault as it comes over the wire. */
type ToldFault = NonNullable<ErrorAnswer['error']['faults']>[number];

/** An answer that was not what was asked for: the server's code and words, or `offline`. */
export class RequestError extends Error {
  readonly code: string;
  readonly faults: readonly ToldFault[];
  readonly revision: number | null;

  constructor(code: string, message: string, faults: readonly ToldFault[] = [], revision: number | null = null) {
    super(message);
    this.code = code;
    this.faults = faults;
    this.revision = revision;
  }
}

/** Long work that is asked for: told how far it is, 0 to 1, and stopped by the signal. */
export interface Watching {
  readonly onShare?: (share: number) => void;
  readonly signal?: AbortSignal;
}

const OFFLINE = 'The server does not answer. What you do is kept on this device until it does.';

let onSignInNeeded: () => void = () => undefined;
/** Is told whenever the server wants this device to sign in. */
export const whenSignInIsNeeded = (tell: () => void): void => {
  onSignInNeeded = tell;
};

/** Sends a file as it is, anything else as JSON. */
function sent(body: unknown): RequestInit {
  if (body === undefined) return {};
  if (body instanceof Blob) return { headers: { 'content-type': 'application/octet-stream' }, body };
  const text = JSON.stringify(body);
  return { headers: { 'content-type': 'application/json' }, body: text, keepalive: text.length < 60_000 };
}

/** @throws RequestError `offline`, `stopped` */
export async function reach(
  method: string,
  path: string,
  body?: unknown,
  headers: Readonly<Record<string, string>> = {},
  signal?: AbortSignal,
): Promise<Response> {
  const init = sent(body);
  try {
    return await fetch(path, {
      method,
      ...init,
      headers: { ...(init.headers as Record<string, string> | undefined), ...headers },
      ...(signal ? { signal } : {}),
    });
  } catch {
    if (signal?.aborted === true) throw new RequestError('stopped', 'Stopped; nothing was changed.');
    throw new RequestError('offline', OFFLINE);
  }
}

function refusal(answer: ErrorAnswer | undefined, otherwise: string): RequestError {
  const error = answer?.error;
  if (error?.code === 'sign-in') onSignInNeeded();
  return new RequestError(
    error?.code ?? 'internal',
    error?.message ?? otherwise,
    error?.faults ?? [],
    error?.revision ?? null,
  );
}

/** @throws RequestError always, with what the server says */
export async function refused(response: Response): Promise<never> {
  const answer = errorSchema.safeParse(await response.json().catch(() => null));
  throw refusal(answer.data, `The server answered ${String(response.status)}.`);
}

type Schema = z.ZodType;

/** What is handed to a route: its places, and what is sent with it. */
interface Given<P extends Schema, B extends Schema> {
  readonly params?: z.input<P>;
  readonly body?: z.input<B> | Blob;
}
/** Nothing need be handed to a route that takes nothing. */
type Asking<P extends Schema, B extends Schema> = Given<P, B> &
  (undefined extends z.input<P> ? unknown : Required<Pick<Given<P, B>, 'params'>>) &
  (undefined extends z.input<B> ? unknown : Required<Pick<Given<P, B>, 'body'>>);

const addressOf = (route: Pick<Route, 'path'>, { params }: { readonly params?: unknown }): string =>
  pathOf(route, (params ?? {}) as Readonly<Record<string, string | number>>);

/** Asks the server one thing of the table. @throws RequestError */
export async function ask<P extends Schema, B extends Schema, O extends Schema>(
  route: Route<P, B, O>,
  given: Asking<P, B>,
): Promise<z.output<O>> {
  const response = await reach(route.method, addressOf(route, given), given.body);
  if (!response.ok) return refused(response);
  return route.out.parse(response.status === 204 ? null : await response.json());
}

/** Reads a stream of events to its end. @throws RequestError where it ends with a fault, or before its end */
async function* eventsOf(response: Response): AsyncGenerator<{ readonly name: string; readonly data: unknown }> {
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  for (;;) {
    const { value, done } = (await reader?.read()) ?? { value: undefined, done: true };
    if (done) return;
    text += value;
    for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
      const [first = '', second = ''] = text.slice(0, end).split('\n');
      text = text.slice(end + 2);
      yield { name: first.slice('event: '.length), data: JSON.parse(second.slice('data: '.length)) as unknown };
    }
  }
}

/** The same for work that takes a while: it is told how far it is, and ends when the signal says so. @throws RequestError `stopped` too */
export async function askWatched<P extends Schema, B extends Schema, O extends Schema>(
  route: Route<P, B, O>,
  given: Asking<P, B>,
  { onShare, signal }: Watching,
): Promise<z.output<O>> {
  const accept = { accept: 'text/event-stream' };
  const response = await reach(route.method, addressOf(route, given), given.body, accept, signal);
  if (!response.ok) return refused(response);
  try {
    for await (const { name, data } of eventsOf(response)) {
      if (name === 'share') onShare?.(z.number().parse(data));
      else if (name === 'done') return route.out.parse(data);
      else throw refusal(errorSchema.parse(data), 'It did not work.');
    }
  } catch (error) {
    if (error instanceof RequestError) throw error;
    if (signal?.aborted === true) throw new RequestError('stopped', 'Stopped; nothing was changed.');
  }
  throw new RequestError('offline', OFFLINE);
}

/** The last answer to a question whose answer seldom changes, and the mark the server gave it. */
const answers = new Map<string, { readonly tag: string; readonly value: unknown }>();

/** Asks for something that the server sends anew only where it changed. */
export async function askTagged<P extends Schema, B extends Schema, O extends Schema>(
  route: Route<P, B, O>,
): Promise<z.output<O>> {
  const known = answers.get(route.path);
  const response = await reach(route.method, route.path, undefined, known ? { 'if-none-match': known.tag } : {});
  if (response.status === 304 && known) return known.value as z.output<O>;
  if (!response.ok) return refused(response);
  const value = route.out.parse(await response.json());
  const tag = response.headers.get('etag');
  if (tag !== null) answers.set(route.path, { tag, value });
  return value;
}
