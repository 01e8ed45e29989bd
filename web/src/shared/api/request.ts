import type { Fault } from '@jobbet/core/base';
import type { ErrorAnswer } from '@jobbet/core/contract';

/** An answer that was not what was asked for: the server's code and words, or `offline`. */
export class RequestError extends Error {
  readonly code: string;
  readonly faults: readonly Fault[];
  readonly revision: number | null;

  constructor(code: string, message: string, faults: readonly Fault[] = [], revision: number | null = null) {
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

function refusal(answer: Partial<ErrorAnswer>, otherwise: string): RequestError {
  const { error } = answer;
  if (error?.code === 'sign-in') onSignInNeeded();
  return new RequestError(
    error?.code ?? 'internal',
    error?.message ?? otherwise,
    (error?.faults ?? []) as readonly Fault[],
    error?.revision ?? null,
  );
}

/** @throws RequestError always, with what the server says */
export async function refused(response: Response): Promise<never> {
  const answer = (await response.json().catch(() => ({}))) as Partial<ErrorAnswer>;
  throw refusal(answer, `The server answered ${String(response.status)}.`);
}

export async function call<T>(method: string, path: string, body?: unknown): Promise<T> {
  const response = await reach(method, path, body);
  if (response.status === 204) return undefined as T;
  return response.ok ? ((await response.json().catch(() => ({}))) as T) : refused(response);
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
export async function callWatched<T>(
  method: string,
  path: string,
  body: unknown,
  { onShare, signal }: Watching,
): Promise<T> {
  const response = await reach(method, path, body, { accept: 'text/event-stream' }, signal);
  if (!response.ok) return refused(response);
  try {
    for await (const { name, data } of eventsOf(response)) {
      if (name === 'share') onShare?.(data as number);
      else if (name === 'done') return data as T;
      else throw refusal(data as Partial<ErrorAnswer>, 'It did not work.');
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
export async function callTagged<T>(path: string): Promise<T> {
  const known = answers.get(path);
  const response = await reach('GET', path, undefined, known ? { 'if-none-match': known.tag } : {});
  if (response.status === 304 && known) return known.value as T;
  if (!response.ok) return refused(response);
  const value = (await response.json()) as T;
  const tag = response.headers.get('etag');
  if (tag !== null) answers.set(path, { tag, value });
  return value;
}
