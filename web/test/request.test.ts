import { ReadableStream, TransformStream } from 'node:stream/web';
import { jest } from '@jest/globals';
import { get, post } from '../../core/src/contract/route.ts';
import { z } from 'zod';
import { askTagged, askWatched, RequestError, whenSignInIsNeeded } from '../src/shared/api/request.ts';
import { useWork, working } from '../src/shared/ui/work.ts';

class Decoder extends TransformStream<Uint8Array, string> {
  constructor() {
    const decoder = new TextDecoder();
    super({
      transform: (chunk, controller) => {
        controller.enqueue(decoder.decode(chunk, { stream: true }));
      },
    });
  }
}
Object.assign(globalThis, { TextDecoderStream: Decoder });

/** An answer that comes in some pieces. */
function streamed(...pieces: string[]): Response {
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    start: (controller) => {
      for (const piece of pieces) controller.enqueue(encoder.encode(piece));
      controller.close();
    },
  });
  return { ok: true, status: 200, body, headers: new Map() } as unknown as Response;
}
const answer = (response: Partial<Response> & { tag?: string }): Response =>
  ({ ok: true, status: 200, headers: { get: () => response.tag ?? null }, ...response }) as unknown as Response;
const long = post('/api/x', z.object({ id: z.string() }));
const list = get('/api/t', z.array(z.string()));
const asked: RequestInit[] = [];
function answering(...answers: Response[]): void {
  asked.length = 0;
  globalThis.fetch = ((_url: string, init: RequestInit) => {
    asked.push(init);
    const next = answers.shift();
    return next ? Promise.resolve(next) : Promise.reject(new Error('no answer'));
  }) as typeof fetch;
}

describe('long work over the wire', () => {
  test('tells how far it is and ends with its answer, however its events are cut up', async () => {
    answering(
      streamed('event: share\ndata: 0.5\n\nevent: sh', 'are\ndata: 1\n\nevent: done\ndata: {"id"', ':"a"}\n\n'),
    );
    const shares: number[] = [];
    expect(await askWatched(long, {}, { onShare: (share) => shares.push(share) })).toEqual({ id: 'a' });
    expect([shares, (asked[0]?.headers as Record<string, string> | undefined)?.['accept']]).toEqual([
      [0.5, 1],
      'text/event-stream',
    ]);
  });
  test('that ends with a fault is refused in the server’s words; cut off it is no success', async () => {
    answering(
      streamed('event: fault\ndata: {"error":{"code":"stale","message":"saved elsewhere","revision":4}}\n\n'),
      streamed('event: share\ndata: 0.5\n\n'),
    );
    await expect(askWatched(long, {}, {})).rejects.toMatchObject({ code: 'stale', revision: 4 });
    await expect(askWatched(long, {}, {})).rejects.toMatchObject({ code: 'offline' });
  });
  test('an answer of another shape than was agreed is no answer', async () => {
    answering(streamed('event: done\ndata: {"id":3}\n\n'));
    await expect(askWatched(long, {}, {})).rejects.toThrow();
  });
});

test('what did not change is not sent again', async () => {
  answering(
    answer({ tag: '"1"', json: () => Promise.resolve(['a']) }),
    answer({ ok: false, status: 304 }),
    answer({ tag: '"2"', json: () => Promise.resolve(['b']) }),
  );
  expect([await askTagged(list), await askTagged(list), await askTagged(list)]).toEqual([['a'], ['a'], ['b']]);
  expect(asked.map((init) => (init.headers as Record<string, string>)['if-none-match'])).toEqual([
    undefined,
    '"1"',
    '"1"',
  ]);
});

test('a server that wants this device to sign in is heard', async () => {
  let needed = 0;
  whenSignInIsNeeded(() => needed++);
  answering(
    answer({
      ok: false,
      status: 401,
      json: () => Promise.resolve({ error: { code: 'sign-in', message: 'Sign in.' } }),
    }),
  );
  await expect(askTagged(get('/api/u', z.null()))).rejects.toBeInstanceOf(RequestError);
  expect(needed).toBe(1);
});

describe('work that takes a while', () => {
  beforeEach(() => {
    jest.useFakeTimers();
  });
  afterEach(() => {
    jest.useRealTimers();
  });
  test('is shown after 300 ms with how far it is, and no longer than it lasts', async () => {
    let end: () => void = () => undefined;
    let tell: (share: number) => void = () => undefined;
    const done = working('Setting', ({ onShare }) => {
      tell = onShare ?? tell;
      return new Promise<void>((resolve) => {
        end = resolve;
      });
    });
    tell(0.2);
    await jest.advanceTimersByTimeAsync(299);
    expect(useWork.getState().work).toBeNull();
    await jest.advanceTimersByTimeAsync(1);
    expect(useWork.getState().work).toMatchObject({ words: 'Setting', share: 0.2 });
    tell(0.7);
    expect(useWork.getState().work?.share).toBe(0.7);
    end();
    await done;
    expect(useWork.getState().work).toBeNull();
  });
  test('is stopped by whoever reads of it', async () => {
    const done = working(
      'Setting',
      ({ signal }) =>
        new Promise<string>((resolve) => {
          signal?.addEventListener('abort', () => {
            resolve('stopped');
          });
        }),
    );
    await jest.advanceTimersByTimeAsync(400);
    useWork.getState().work?.stop();
    expect(await done).toBe('stopped');
  });
});
