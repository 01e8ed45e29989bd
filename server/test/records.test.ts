import type { StoredBatch } from '@jobbet/core/contract';
import type { FastifyInstance } from 'fastify';
import { appOn, boathouse, fly, spoil, type Boathouse } from './bench.ts';

let house: Boathouse;
let app: FastifyInstance;
beforeEach(async () => {
  house = await boathouse();
  app = await appOn(house);
});
afterEach(async () => {
  await app.close();
  await house.close();
});

const batch = (more: object = {}) => ({
  format: 'jobbet.batch',
  version: 1,
  name: 'Opening week',
  date: '2026-03-14',
  rows: [{ fly: 'a', pattern: fly(), count: 3 }],
  ...more,
});
// oxlint-disable-next-line no-unnecessary-type-parameters -- what is answered is told by whoever asks
async function ask<T = unknown>(method: 'GET' | 'PUT' | 'POST' | 'DELETE', url: string, payload?: object) {
  const response = await app.inject({
    method,
    url,
    headers: { host: 'localhost:4100' },
    ...(payload === undefined ? {} : { payload }),
  });
  return { status: response.statusCode, body: (response.body === '' ? null : JSON.parse(response.body)) as T };
}
const made = async (more: object = {}): Promise<StoredBatch> =>
  (await ask<StoredBatch>('POST', '/api/batches', { record: batch(more) })).body;

describe('batches', () => {
  test('are kept as they were sent, and listed by how far they have come', async () => {
    const { id, revision, record } = await made({ flies: [{ row: 1, n: 1, state: 'kept' }] });
    expect([revision, record.name]).toEqual([1, 'Opening week']);
    expect((await ask('GET', `/api/batches/${id}`)).body).toMatchObject({ id, record: batch() });
    expect((await ask('GET', '/api/batches')).body).toMatchObject([
      { id, name: 'Opening week', day: '2026-03-14', summary: { flies: 3, by: { kept: 1, 'to-come': 2 } } },
    ]);
  });
  test('that have faults are refused by their places, and nothing is kept', async () => {
    const { status, body } = await ask<{ error: { code: string; faults: { path: string }[] } }>(
      'POST',
      '/api/batches',
      {
        record: batch({ rows: [{ fly: 'a', count: 0 }], date: '2026-02-30' }),
      },
    );
    expect([status, body.error.code]).toEqual([422, 'invalid-record']);
    expect(body.error.faults.map(({ path }) => path).sort()).toEqual(['date', 'rows[0].count']);
    expect((await ask('GET', '/api/batches')).body).toEqual([]);
  });
  test('are saved over the revision they were read at, and nothing newer is written over', async () => {
    const { id } = await made();
    const save = (revision: number, name: string) =>
      ask<{ error: { code: string; revision: number } }>('PUT', `/api/batches/${id}`, {
        record: batch({ name }),
        revision,
      });
    expect((await save(1, 'Week two')).body).toMatchObject({ revision: 2, name: 'Week two' });
    const late = await save(1, 'Another tab');
    expect([late.status, late.body.error.code, late.body.error.revision]).toEqual([409, 'stale', 2]);
    expect((await ask('GET', `/api/batches/${id}`)).body).toMatchObject({ name: 'Week two' });
    expect((await ask('PUT', '/api/batches/none', { record: batch(), revision: 1 })).status).toBe(404);
  });
  test('go to the trash and come back; what is purged is gone, and only from there', async () => {
    const { id } = await made();
    expect((await ask('DELETE', `/api/batches/${id}/purge`)).status).toBe(404);
    expect((await ask('DELETE', `/api/batches/${id}`)).status).toBe(204);
    expect((await ask<{ deletedAt: number | null }[]>('GET', '/api/batches')).body[0]?.deletedAt).not.toBeNull();
    expect((await ask('POST', `/api/batches/${id}/undelete`)).status).toBe(204);
    expect((await ask<{ deletedAt: number | null }[]>('GET', '/api/batches')).body[0]?.deletedAt).toBeNull();
    await ask('DELETE', `/api/batches/${id}`);
    expect((await ask('DELETE', `/api/batches/${id}/purge`)).status).toBe(204);
    expect((await ask('GET', '/api/batches')).body).toEqual([]);
  });
  test('one that does not read any more says why and takes no other down', async () => {
    const [{ id }] = [await made(), await made({ name: 'Other' })];
    await spoil(house, `update records set record = '{"format":"jobbet.batch","version":1}' where id = ?`, [id]);
    const list = (await ask<{ id: string; broken: string | null }[]>('GET', '/api/batches')).body;
    expect(list.find((each) => each.id === id)?.broken).toMatch(/name: is missing/);
    expect(list.filter(({ broken }) => broken === null)).toHaveLength(1);
    expect((await ask<{ error: { code: string } }>('GET', `/api/batches/${id}`)).body.error.code).toBe('broken-record');
  });
});
