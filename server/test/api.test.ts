import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { connect } from 'node:net';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { appOn, boathouse, fly, spoil, type Boathouse } from './bench.ts';

let house: Boathouse;
let app: FastifyInstance;
beforeAll(async () => {
  house = await boathouse();
  app = await appOn(house, { hosts: ['boathouse.local'] });
});
afterAll(async () => {
  await app.close();
  await house.close();
});

interface Answer {
  readonly status: number;
  readonly body: Record<string, unknown> & {
    error?: { code: string; message: string; faults?: { path: string; message: string }[]; revision?: number };
  };
}

async function ask(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  url: string,
  payload?: object,
  headers: Record<string, string> = {},
): Promise<Answer> {
  const response = await app.inject({
    method,
    url,
    headers: { host: 'localhost:4100', ...headers },
    ...(payload === undefined ? {} : { payload }),
  });
  return { status: response.statusCode, body: response.body === '' ? {} : response.json() };
}

describe('what needs no fly', () => {
  test('health, the schema of the pattern file, and the description of the API', async () => {
    expect(await ask('GET', '/api/health')).toEqual({ status: 200, body: { status: 'ok', version: 'test' } });
    expect((await ask('GET', '/api/schema.json')).body['title']).toBe('Jobbet pattern file');
    const { body } = await ask('GET', '/api/docs.json');
    expect(body['openapi']).toBe('3.1.0');
    expect(Object.keys(body['paths'] as object)).toEqual(
      expect.arrayContaining(['/api/flies', '/api/flies/{id}', '/api/solve', '/api/flies/{id}/restore']),
    );
  });
  test('solving gives the promised keys, faults their paths', async () => {
    const solved = await ask('POST', '/api/solve', fly());
    expect(Object.keys(solved.body)).toEqual(
      expect.arrayContaining(['platform', 'parts', 'weight', 'centres_mm', 'silhouette_mm2', 'keel', 'trim', 'sink']),
    );
    const wrong = await ask('POST', '/api/solve', { ...fly(), parts: [{ ...fly().parts[0], length: 'tial' }] });
    expect([wrong.status, wrong.body.error?.code, wrong.body.error?.faults?.[0]]).toEqual([
      422,
      'invalid-fly',
      { path: 'parts[0].length', code: 'unknown-name', message: 'unknown name "tial"; did you mean "tail"?' },
    ]);
  });
});

describe('flies over HTTP', () => {
  test('made, read, saved, listed, deleted and taken back', async () => {
    const made = await ask('POST', '/api/flies', { file: fly('Over HTTP') });
    expect(made.status).toBe(201);
    const url = `/api/flies/${String(made.body['id'])}`;
    expect(
      (await ask('PUT', url, { file: fly('Over HTTP', '2 shank'), revision: 1, kind: 'auto' })).body['revision'],
    ).toBe(2);
    const stale = await ask('PUT', url, { file: fly(), revision: 1, kind: 'auto' });
    expect([stale.status, stale.body.error?.code, stale.body.error?.revision]).toEqual([409, 'stale', 2]);
    expect((await ask('GET', `${url}/versions`)).body).toHaveLength(2);
    expect((await ask('POST', `${url}/restore`, { version: 1, revision: 2 })).body['revision']).toBe(3);
    await ask('DELETE', url);
    expect((await ask('GET', url)).body.error?.code).toBe('no-fly');
    expect((await ask('GET', '/api/trash')).body).toHaveLength(1);
    await ask('POST', `${url}/undelete`, {});
    expect((await ask('GET', url)).status).toBe(200);
  });
});

describe('what is so malformed that no handler sees it', () => {
  let port: number;
  beforeAll(async () => {
    port = Number(new URL(await app.listen({ port: 0, host: '127.0.0.1' })).port);
  });
  /** What a raw request is answered with. */
  const spoken = (text: string): Promise<string> =>
    new Promise((resolve, reject) => {
      let heard = '';
      const socket = connect(port, '127.0.0.1', () => socket.write(text));
      socket.on('data', (data) => (heard += data.toString()));
      socket.on('close', () => {
        resolve(heard);
      });
      socket.on('error', reject);
    });
  test.each([
    ['no HTTP', 'hello\r\n\r\n', 400, 'bad-request'],
    [
      'a header without end',
      `GET / HTTP/1.1\r\nHost: localhost\r\nX: ${'x'.repeat(20_000)}\r\n\r\n`,
      431,
      'long-header',
    ],
    [
      'an address that is none',
      'GET /api/flies/%E0%A4%A HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n',
      400,
      'bad-request',
    ],
    [
      'a length that is none',
      'POST /api/solve HTTP/1.1\r\nHost: localhost\r\nContent-Length: x\r\n\r\n',
      400,
      'bad-request',
    ],
  ])('%s has the one shape of errors too', async (_what, text, status, code) => {
    const [head, body] = (await spoken(text)).split('\r\n\r\n');
    expect(head).toMatch(`HTTP/1.1 ${String(status)}`);
    expect((JSON.parse(body ?? '') as { error: { code: string } }).error.code).toBe(code);
  });
  test('whoever sends far too much is answered once he has sent it: who still sends hears nothing', async () => {
    const size = 3_000_000;
    const head = `POST /api/solve HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: ${String(size)}\r\n\r\n`;
    const socket = connect(port, '127.0.0.1');
    let heard = '';
    socket.on('data', (data) => (heard += data.toString()));
    const failed = new Promise<never>((_, reject) => socket.on('error', reject));
    socket.write(head);
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(heard).toBe('');
    socket.write(' '.repeat(size));
    await Promise.race([failed, once(socket, 'data')]);
    expect(heard).toMatch('HTTP/1.1 413');
    socket.destroy();
  });
});

describe('what is refused has one shape', () => {
  test.each<[string, 'GET' | 'POST' | 'PUT', string, object | undefined, number, string]>([
    ['a fly that is none', 'GET', '/api/flies/nothing', undefined, 404, 'no-fly'],
    ['a path that is none', 'GET', '/api/nothing', undefined, 404, 'not-found'],
    ['a body without its file', 'POST', '/api/flies', {}, 400, 'bad-request'],
    ['a body with keys of its own', 'POST', '/api/flies', { file: fly(), more: 1 }, 400, 'bad-request'],
    [
      'a revision that is no number',
      'PUT',
      '/api/flies/x',
      { file: fly(), revision: 'two', kind: 'auto' },
      400,
      'bad-request',
    ],
    ['a file of another format', 'POST', '/api/flies', { file: { format: 'recipe' } }, 422, 'invalid-fly'],
    [
      'a construction without its keys',
      'POST',
      '/api/solve',
      { ...fly(), parts: [{ id: 'case', role: 'case', construction: 'sheet', from: 'bend', to: 'eye' }] },
      422,
      'invalid-fly',
    ],
  ])('%s', async (_name, method, url, payload, status, code) => {
    const answer = await ask(method, url, payload);
    expect([answer.status, answer.body.error?.code]).toEqual([status, code]);
    expect(answer.body.error?.message.length).toBeGreaterThan(5);
  });
  const raw = async (payload: string, type = 'application/json'): Promise<unknown[]> => {
    const response = await app.inject({
      method: 'POST',
      url: '/api/solve',
      headers: { host: 'localhost', 'content-type': type },
      payload,
    });
    return [response.statusCode, response.json<{ error: { code: string } }>().error.code];
  };
  test('truncated JSON, 5 MB of it, 5 MB of nesting, and what is not JSON', async () => {
    expect(await raw('{"format": "jobbet.fly", ')).toEqual([400, 'bad-request']);
    expect(await raw(JSON.stringify({ notes: 'x'.repeat(5_000_000) }))).toEqual([413, 'too-large']);
    expect(await raw('['.repeat(5_000_000))).toEqual([413, 'too-large']);
    expect(await raw('['.repeat(500_000))).toEqual([400, 'bad-request']);
    expect(await raw('hello', 'text/plain')).toEqual([415, 'unsupported']);
  });
  test('deep nesting inside the limit is refused, not walked into', async () => {
    const deep = `${'{"a":'.repeat(50_000)}1${'}'.repeat(50_000)}`;
    expect((await raw(deep))[0]).toBeGreaterThanOrEqual(400);
    expect((await raw(deep))[0]).toBeLessThan(500);
  });
});

describe('the list', () => {
  test('has what the Box shows and no files; asked again unchanged, it is not sent', async () => {
    await ask('POST', '/api/flies', { file: fly('Listed') });
    const first = await app.inject({ url: '/api/flies', headers: { host: 'localhost' } });
    const [one] = first.json<Record<string, unknown>[]>();
    expect(Object.keys(one ?? {}).sort()).toEqual(
      ['id', 'name', 'revision', 'summary', 'listed', 'broken', 'createdAt', 'updatedAt', 'deletedAt'].sort(),
    );
    const again = (etag: unknown) =>
      app.inject({ url: '/api/flies', headers: { host: 'localhost', 'if-none-match': String(etag) } });
    const second = await again(first.headers['etag']);
    expect([second.statusCode, second.body]).toEqual([304, '']);
    await ask('POST', '/api/flies', { file: fly('Another') });
    expect((await again(first.headers['etag'])).statusCode).toBe(200);
  });
  test('what no longer reads is told with its text, and takes nothing down', async () => {
    const { body } = await ask('POST', '/api/flies', { file: fly('Spoilt') });
    await spoil(house, "update flies set summary = '{}' where name = 'Spoilt'");
    expect((await ask('GET', '/api/flies')).status).toBe(200);
    expect((await ask('GET', '/api/broken')).body).toMatchObject([
      { what: 'fly', name: 'Spoilt', text: expect.stringContaining('Spoilt') as string },
    ]);
    const one = await ask('GET', `/api/flies/${String(body['id'])}`);
    expect([one.status, one.body.error?.code]).toEqual([409, 'broken-fly']);
    const { statusCode, headers } = await app.inject({
      url: `/api/flies/${String(body['id'])}/file`,
      headers: { host: 'localhost' },
    });
    expect([statusCode, headers['content-type']]).toEqual([200, 'text/plain; charset=utf-8']);
  });
});

describe('a database that is gone', () => {
  test('is said with 503 before anything is asked of it, and reading goes on', async () => {
    const other = await boathouse();
    const own = await appOn(other);
    const send = async (method: 'GET' | 'POST') =>
      await own.inject({
        method,
        url: '/api/flies',
        headers: { host: 'localhost' },
        ...(method === 'POST' ? { payload: { file: fly() } } : {}),
      });
    expect((await send('POST')).statusCode).toBe(201);
    rmSync(join(other.folder, 'jobbet.sqlite'));
    const refused = await send('POST');
    expect([refused.statusCode, refused.json<{ error: { code: string } }>().error.code]).toEqual([
      503,
      'database-gone',
    ]);
    expect((await send('GET')).statusCode).toBe(200);
    await own.close();
    await other.close();
  });
});

describe('who is answered', () => {
  test('foreign Host names are refused, listed ones and our own are not', async () => {
    expect((await ask('GET', '/api/health', undefined, { host: 'evil.example' })).body.error?.code).toBe(
      'foreign-host',
    );
    for (const host of ['localhost', '127.0.0.1:4100', '[::1]:4100', 'boathouse.local:4100'])
      expect((await ask('GET', '/api/health', undefined, { host })).status).toBe(200);
  });
  test('other sites cannot ask for changes, nor read', async () => {
    const foreign = { origin: 'http://evil.example' };
    expect((await ask('POST', '/api/flies', { file: fly() }, foreign)).body.error?.code).toBe('foreign-origin');
    expect((await ask('GET', '/api/flies', undefined, { 'sec-fetch-site': 'cross-site' })).body.error?.code).toBe(
      'foreign-origin',
    );
    expect((await ask('GET', '/api/flies', undefined, { origin: 'http://localhost:4100' })).status).toBe(200);
  });
  test.each(['/api/flies', '/%61pi/flies', '/api/%66lies', '/api//flies', '/API/flies'])(
    'nor by writing the address another way: %s',
    async (url) => {
      for (const site of ['cross-site', 'same-site']) {
        const answer = await app.inject({ url, headers: { host: 'localhost:4100', 'sec-fetch-site': site } });
        expect([answer.statusCode, answer.json<{ error: { code: string } }>().error.code]).toEqual([
          403,
          'foreign-origin',
        ]);
      }
    },
  );
  test('a page of the same site is another site', async () => {
    expect((await ask('POST', '/api/flies', { file: fly() }, { 'sec-fetch-site': 'same-site' })).status).toBe(403);
    expect((await ask('GET', '/api/flies', undefined, { 'sec-fetch-site': 'same-origin' })).status).toBe(200);
    expect((await ask('GET', '/api/flies', undefined, { 'sec-fetch-site': 'none' })).status).toBe(200);
  });
  test('no answer of the API is kept by anyone on the way', async () => {
    for (const url of ['/api/flies', '/api/nothing', '/api/flies/none'])
      expect((await app.inject({ url, headers: { host: 'localhost' } })).headers['cache-control']).toBe('no-store');
  });
  test('every answer bears the security headers', async () => {
    const { headers } = await app.inject({ url: '/api/health', headers: { host: 'localhost' } });
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['content-security-policy']).toContain("script-src 'self';");
    expect(headers['x-content-type-options']).toBe('nosniff');
  });
});
