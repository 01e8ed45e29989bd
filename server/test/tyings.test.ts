import type { FastifyInstance } from 'fastify';
import { appOn, boathouse, fly, type Boathouse } from './bench.ts';

let house: Boathouse;
let app: FastifyInstance;
let id: string;
beforeEach(async () => {
  house = await boathouse();
  app = await appOn(house);
  ({ id } = await house.flies.create(fly('Tied')));
});
afterEach(async () => {
  await app.close();
  await house.close();
});

const tying = (more: object = {}) => ({
  sheet: 'k2m4p',
  changed: 2000,
  step: 'tail',
  spent: { hook: 1500 },
  counts: { rib: 5 },
  differs: { tail: 'shorter' },
  drying: {},
  done: null,
  ...more,
});
async function ask(method: 'GET' | 'PUT' | 'POST' | 'DELETE', url: string, payload?: object) {
  const response = await app.inject({
    method,
    url,
    headers: { host: 'localhost:4100' },
    ...(payload === undefined ? {} : { payload }),
  });
  return { status: response.statusCode, type: response.headers['content-type'], text: response.body };
}
const list = async (): Promise<unknown> => JSON.parse((await ask('GET', `/api/flies/${id}/tyings`)).text) as unknown;

describe('how a fly was tied', () => {
  test('is kept as it goes on, one row a tying, the newest last', async () => {
    expect((await ask('PUT', `/api/flies/${id}/tyings/5000`, tying())).status).toBe(200);
    await ask('PUT', `/api/flies/${id}/tyings/1000`, tying());
    await ask('PUT', `/api/flies/${id}/tyings/5000`, tying({ changed: 3000, step: 'body' }));
    expect(await list()).toMatchObject([
      { begun: 1000, step: 'tail' },
      { begun: 5000, step: 'body', fly: id },
    ]);
  });
  test('an older account of it, come late, changes nothing and is answered with what is kept', async () => {
    await ask('PUT', `/api/flies/${id}/tyings/5000`, tying({ changed: 3000, done: 3000 }));
    const late = await ask('PUT', `/api/flies/${id}/tyings/5000`, tying());
    expect(JSON.parse(late.text)).toMatchObject({ changed: 3000, done: 3000 });
    expect(await list()).toMatchObject([{ changed: 3000 }]);
  });
  test('is taken out one by one, and goes with its fly', async () => {
    await ask('PUT', `/api/flies/${id}/tyings/1`, tying());
    await ask('PUT', `/api/flies/${id}/tyings/2`, tying());
    expect((await ask('DELETE', `/api/flies/${id}/tyings/1`)).status).toBe(204);
    expect(await list()).toMatchObject([{ begun: 2 }]);
    await house.flies.setDeleted(id, true);
    await house.flies.purge(id);
    expect(await list()).toEqual([]);
  });
  test('of a fly that is not there, or that does not read, is refused', async () => {
    expect((await ask('PUT', '/api/flies/none/tyings/1', tying())).status).toBe(404);
    expect((await ask('PUT', `/api/flies/${id}/tyings/1`, tying({ spent: { hook: -5 } }))).status).toBe(400);
    expect((await ask('PUT', `/api/flies/${id}/tyings/soon`, tying())).status).toBe(400);
  });
  test('the account that was changed more often is true, whatever the clocks say', async () => {
    await ask('PUT', `/api/flies/${id}/tyings/5000`, tying({ edits: 3, changed: 9000 }));
    await ask('PUT', `/api/flies/${id}/tyings/5000`, tying({ edits: 4, changed: 1000, step: 'body' }));
    expect(await list()).toMatchObject([{ edits: 4, step: 'body' }]);
    await ask('PUT', `/api/flies/${id}/tyings/5000`, tying({ edits: 3, changed: 99_000, step: 'head' }));
    expect(await list()).toMatchObject([{ edits: 4, step: 'body' }]);
  });
  test('one that does not read takes no other down', async () => {
    await ask('PUT', `/api/flies/${id}/tyings/1`, tying());
    await ask('PUT', `/api/flies/${id}/tyings/2`, tying());
    await house.database.client.execute("update tyings set record = '{' where begun = 1");
    expect(await list()).toMatchObject([{ begun: 2 }]);
  });
});

describe('the sheet as a PDF', () => {
  test('of any fly that is sent, on the paper and in the units asked for', async () => {
    const made = await ask('POST', '/api/sheet.pdf', { file: fly('Tied'), paper: 'letter', hand: 'left' });
    expect([made.status, made.type, made.text.slice(0, 4)]).toEqual([200, 'application/pdf', '%PDF']);
    expect(made.text).toMatch(/MediaBox \[0 0 612/);
  });
  test('faults are named; a paper there is not is refused', async () => {
    const bad = { ...fly('Tied'), parts: [{ ...fly().parts[0], length: 'tial' }] };
    const faulty = await ask('POST', '/api/sheet.pdf', { file: bad });
    expect([faulty.status, faulty.text]).toEqual([422, expect.stringContaining('parts[0].length')]);
    expect((await ask('POST', '/api/sheet.pdf', { file: fly('Tied'), paper: 'a0' })).status).toBe(400);
  });
});
