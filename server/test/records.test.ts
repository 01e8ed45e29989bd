import type {
  StoredBatch,
  StoredBeat,
  StoredDate,
  StoredDrill,
  StoredOuting,
  StoredSpecimen,
} from '@jobbet/core/contract';
import { type DrawerName, type Goods, NOMINAL_MATERIALS } from '@jobbet/core/drawers';
import { type BatchFile, goneOn, withoutRow, withState } from '@jobbet/core/records';
import type { FastifyInstance } from 'fastify';
import { pictureNames } from '../src/records/store.ts';
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
      {
        id,
        name: 'Opening week',
        day: '2026-03-14',
        summary: { flies: 3, by: { kept: 1, 'to-come': 2 }, kept: { a: 1 } },
      },
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

describe('what is tied takes from the drawers', () => {
  const strip = {
    ...fly(),
    parts: [
      {
        id: 'wing',
        role: 'wing',
        construction: 'strip',
        material: 'mink strip',
        colour: 'slate',
        width: '3 mm',
        at: 'station 3',
        length: '40 mm',
      },
    ],
  };
  const item = (drawer: DrawerName, name: string) => async (): Promise<Goods> => {
    const found = (await house.drawers.list()).find((each) => each.drawer === drawer && each.name === name);
    if (!found) throw new Error(`no ${name}`);
    return found.item;
  };
  const hooks = item('hooks', 'sixes');
  const strips = item('materials', 'mink strip');
  const left = async () => [(await hooks()).count, (await strips()).stock];
  let stored: StoredBatch;
  beforeEach(async () => {
    const mink = NOMINAL_MATERIALS.find(({ name }) => name === 'mink strip');
    const stock = [{ colour: 'slate', count: 2, lengths: ['100 mm', '60 mm'] }];
    await house.drawers.layIn({
      hooks: [{ name: 'sixes', form: 'single', size: '6', shankMm: 17, count: 5 }],
      materials: [{ ...mink, stock }],
    });
    stored = await made({ rows: [{ fly: 'a', pattern: strip, count: 3 }] });
  });
  const save = async (change: (now: BatchFile) => BatchFile | null) => {
    const record = change(stored.record);
    const answer = await ask<StoredBatch>('PUT', `/api/batches/${stored.id}`, { record, revision: stored.revision });
    if (answer.status === 200) stored = answer.body;
    return answer.status;
  };
  const first = { row: 1, n: 1 };
  const NOW = '2026-03-02T20:12';

  test('once, from the length it is laid on; taken back, all of it lies there again', async () => {
    expect(await left()).toEqual([5, [{ colour: 'slate', count: 2, lengths: ['100 mm', '60 mm'] }]]);
    await save((now) => goneOn(now, first, 0, NOW));
    const [count, stock] = await left();
    expect(count).toBe(4);
    // 40 mm behind the tie, and what lies under the thread: two of them on 100 mm, the third on 60.
    const total = (lots: unknown): number =>
      (lots as { lengths: string[] }[]).flatMap(({ lengths }) => lengths).reduce((sum, mm) => sum + parseFloat(mm), 0);
    expect(160 - total(stock)).toBeGreaterThan(40);
    expect(160 - total(stock)).toBeLessThan(60);
    // On with it and out of the vise: it took what it takes already.
    await save((now) => goneOn(now, first, 1, NOW));
    expect(await left()).toEqual([count, stock]);
    const before = (await ask<{ item: Goods }[]>('GET', `/api/batches/${stored.id}/drawers`)).body;
    expect(before.find((each) => each.item.name === 'sixes')?.item.count).toBe(5);
    await save((now) => ({ ...now, flies: [] }));
    expect(await left()).toEqual([5, [{ colour: 'slate', count: 2, lengths: ['100 mm', '60 mm'] }]]);
  });
  test('from two windows once: whoever comes second takes nothing', async () => {
    const record = goneOn(stored.record, first, 0, NOW);
    const both = await Promise.all(
      [0, 1].map(() => ask('PUT', `/api/batches/${stored.id}`, { record, revision: stored.revision })),
    );
    expect(new Set(both.map(({ status }) => status))).toEqual(new Set([200, 409]));
    expect((await hooks()).count).toBe(4);
  });
  test('a spoilt one too; one that is taken apart gives its hook back, but not its strip', async () => {
    await save((now) => withState(now, first, 'spoilt', NOW));
    await save((now) => withState(now, { row: 1, n: 2 }, 'vise', NOW));
    const [, stock] = await left();
    expect((await hooks()).count).toBe(3);
    await save((now) => withState(now, { row: 1, n: 2 }, 'apart', NOW));
    expect(await left()).toEqual([4, stock]);
    await save((now) => withState(now, { row: 1, n: 2 }, 'vise', NOW));
    expect(await left()).toEqual([3, stock]);
  });
  test('what becomes of a row that is taken out goes with it; purging leaves the drawers as they are', async () => {
    await save((now) => ({ ...now, rows: [...now.rows, { fly: 'a', count: 1 }] }));
    await save((now) => goneOn(now, { row: 2, n: 1 }, 0, NOW));
    await save((now) => withoutRow(now, 2));
    expect((await hooks()).count).toBe(4);
    const before = (await ask<{ item: Goods }[]>('GET', `/api/batches/${stored.id}/drawers`)).body;
    expect(before.find((each) => each.item.name === 'sixes')?.item.count).toBe(4);
    await ask('DELETE', `/api/batches/${stored.id}`);
    await ask('DELETE', `/api/batches/${stored.id}/purge`);
    expect((await hooks()).count).toBe(4);
  });
  test('an item that somebody changes meanwhile is not written over', async () => {
    const of = (await house.drawers.list()).find(({ name }) => name === 'sixes');
    await save((now) => goneOn(now, first, 0, NOW));
    const change = house.drawers.change(of?.id ?? '', { ...of?.item, count: 9 }, of?.revision ?? 0);
    await expect(change).rejects.toMatchObject({ code: 'stale' });
  });
  test('a fly that cannot be worked out is begun all the same, and takes nothing', async () => {
    await save((now) => ({ ...now, rows: now.rows.map((row) => ({ ...row, on: 'jig:99' })) }));
    expect(await save((now) => goneOn(now, first, 0, NOW))).toBe(200);
    expect((await hooks()).count).toBe(5);
  });
});

describe('finished flies', () => {
  const specimen = (more: object = {}) => ({
    format: 'jobbet.specimen',
    version: 1,
    fly: 'a',
    number: 1,
    lengths: { tail: ['18.4 mm'] },
    ...more,
  });
  const laid = async (more: object = {}): Promise<StoredSpecimen> =>
    (await ask<StoredSpecimen>('POST', '/api/specimens', { record: specimen(more) })).body;
  const ofFly = async (id: string): Promise<StoredSpecimen[]> =>
    (await ask<StoredSpecimen[]>('GET', `/api/flies/${id}/specimens`)).body;

  test('are found by their fly, in the order of their numbers, and are no batches', async () => {
    await laid({ number: 2 });
    await laid({ number: 1, pattern: { name: 'Slate Runner' } });
    await laid({ fly: 'b' });
    expect((await ofFly('a')).map(({ name, record }) => [name, record.number])).toEqual([
      ['Slate Runner, fly 1', 1],
      ['a, fly 2', 2],
    ]);
    expect((await ask('GET', '/api/batches')).body).toEqual([]);
  });
  test('are saved from the revision one knows, put in the trash and taken out of it', async () => {
    const { id, record } = await laid();
    const saved = await ask<StoredSpecimen>('PUT', `/api/specimens/${id}`, {
      record: { ...record, weight: ['0.9 g'] },
      revision: 1,
    });
    expect(saved).toMatchObject({ status: 200, body: { revision: 2, record: { weight: ['0.9 g'] } } });
    expect((await ask('PUT', `/api/specimens/${id}`, { record, revision: 1 })).status).toBe(409);
    expect((await ask('DELETE', `/api/specimens/${id}`)).status).toBe(204);
    expect(await ofFly('a')).toEqual([]);
    await ask('POST', `/api/specimens/${id}/undelete`);
    expect(await ofFly('a')).toHaveLength(1);
    // What is not in the trash is not thrown out.
    expect((await ask('DELETE', `/api/specimens/${id}/purge`)).status).toBe(404);
    await ask('DELETE', `/api/specimens/${id}`);
    expect((await ask('GET', '/api/specimens')).body).toMatchObject([{ id, summary: null }]);
    expect((await ask('DELETE', `/api/specimens/${id}/purge`)).status).toBe(204);
    expect((await ask('GET', '/api/specimens')).body).toEqual([]);
  });
  test('that have faults are refused by their places', async () => {
    const { status, body } = await ask<{ error: { code: string; faults: { path: string }[] } }>(
      'POST',
      '/api/specimens',
      { record: specimen({ lengths: { tail: ['18 zz'] } }) },
    );
    expect([status, body.error.code, body.error.faults[0]?.path]).toEqual([422, 'invalid-record', 'lengths.tail[0]']);
  });
  test('one that does not read any more takes no other down', async () => {
    const { id } = await laid();
    await laid({ number: 2 });
    await house.database.client.execute({ sql: "update records set record = '{' where id = ?", args: [id] });
    expect((await ofFly('a')).map(({ record }) => record.number)).toEqual([2]);
  });
});

describe('outings', () => {
  const outing = (date: string, more: object = {}) => ({
    format: 'jobbet.outing',
    version: 1,
    date,
    from: '15:10',
    to: '18:30',
    beat: 'Ferry Pool',
    rods: [{ fly: 'Slate Runner', takes: 2, lost: [{ how: 'bed' }] }],
    ...more,
  });
  const all = async (): Promise<StoredOuting[]> => (await ask<StoredOuting[]>('GET', '/api/outings')).body;

  test('are kept with their day, saved from the revision one knows, put in the trash and thrown out', async () => {
    const { id, name, record } = (await ask<StoredOuting>('POST', '/api/outings', { record: outing('2026-10-12') }))
      .body;
    expect([name, record.rods[0]?.takes]).toEqual(['Ferry Pool, 2026-10-12', 2]);
    const saved = await ask('PUT', `/api/outings/${id}`, { record: { ...record, light: 'dusk' }, revision: 1 });
    expect(saved).toMatchObject({ status: 200, body: { revision: 2, record: { light: 'dusk' } } });
    expect((await ask('PUT', `/api/outings/${id}`, { record, revision: 1 })).status).toBe(409);
    await ask('DELETE', `/api/outings/${id}`);
    expect((await all())[0]?.deletedAt).toEqual(expect.any(Number));
    await ask('DELETE', `/api/outings/${id}/purge`);
    expect(await all()).toEqual([]);
  });
  test('of takes below none, or a day there is not, are refused by their places', async () => {
    const { status, body } = await ask<{ error: { faults: { path: string }[] } }>('POST', '/api/outings', {
      record: outing('2026-02-30', { rods: [{ fly: 'Slate Runner', takes: -1 }] }),
    });
    expect([status, body.error.faults.map(({ path }) => path)]).toEqual([422, ['date', 'rods[0].takes']]);
  });
});

test('pictures that an outing names are named, in the trash and where it does not read too', async () => {
  const name = `${'a'.repeat(64)}.jpg`;
  const lost = `${'b'.repeat(64)}.png`;
  const record = {
    format: 'jobbet.outing',
    version: 1,
    date: '2026-10-12',
    from: '15:10',
    to: '18:30',
    beat: 'x',
    rods: [],
  };
  const put = async (photos: readonly string[]): Promise<string> =>
    (await ask<StoredOuting>('POST', '/api/outings', { record: { ...record, photos } })).body.id;
  await ask('DELETE', `/api/outings/${await put([`pictures/${name}`])}`);
  const broken = await put([`pictures/${lost}`]);
  await house.database.client.execute({
    sql: "update records set record = replace(record, '\"rods\":[],', '') where id = ?",
    args: [broken],
  });
  expect([...(await pictureNames(house.database.ledger))].sort()).toEqual([name, lost]);
});

describe('dates', () => {
  const date = (name: string, more: object = {}) => ({
    format: 'jobbet.date',
    version: 1,
    name,
    sort: 'run',
    from: '2026-07-10',
    ...more,
  });
  const all = async (): Promise<StoredDate[]> => (await ask<StoredDate[]>('GET', '/api/dates')).body;

  test('are kept with the day they begin, saved from the revision one knows, put in the trash and back', async () => {
    const { id, day, record } = (await ask<StoredDate>('POST', '/api/dates', { record: date('Summer run') })).body;
    expect(day).toBe('2026-07-10');
    const saved = await ask('PUT', `/api/dates/${id}`, { record: { ...record, every: 2 }, revision: 1 });
    expect(saved).toMatchObject({ status: 200, body: { revision: 2, record: { every: 2 } } });
    expect((await ask('PUT', `/api/dates/${id}`, { record, revision: 1 })).status).toBe(409);
    await ask('DELETE', `/api/dates/${id}`);
    expect((await all())[0]?.deletedAt).toEqual(expect.any(Number));
    await ask('POST', `/api/dates/${id}/undelete`);
    expect((await all())[0]?.deletedAt).toBeNull();
    await ask('DELETE', `/api/dates/${id}`);
    await ask('DELETE', `/api/dates/${id}/purge`);
    expect(await all()).toEqual([]);
  });
  test('that end before they begin are refused by their place', async () => {
    const { status, body } = await ask<{ error: { faults: { path: string }[] } }>('POST', '/api/dates', {
      record: date('Summer run', { to: '2026-07-01' }),
    });
    expect([status, body.error.faults.map(({ path }) => path)]).toEqual([422, ['to']]);
  });
});

test('rounds of the drill are kept, saved with more answers, and refused where an answer is of another kind', async () => {
  const item = { on: '6', asked: '1 shank', truth: 18, given: 17, seconds: 3 };
  const record = { format: 'jobbet.drill', version: 1, of: 'length', at: '2026-10-12T19:30', items: [item] };
  const { id, name, revision } = (await ask<StoredDrill>('POST', '/api/drills', { record })).body;
  expect([name, revision]).toEqual(['length, 2026-10-12', 1]);
  const more = { ...record, items: [item, item] };
  expect((await ask('PUT', `/api/drills/${id}`, { record: more, revision: 1 })).status).toBe(200);
  expect((await ask<StoredDrill[]>('GET', '/api/drills')).body[0]?.record.items).toHaveLength(2);
  const { status, body } = await ask<{ error: { faults: { path: string }[] } }>('POST', '/api/drills', {
    record: { ...record, items: [{ ...item, given: ['tail'] }] },
  });
  expect([status, body.error.faults.map(({ path }) => path)]).toEqual([422, ['items[0].given']]);
});

describe('beats', () => {
  const beat = (name: string, more: object = {}) => ({
    format: 'jobbet.beat',
    version: 1,
    name,
    depth: '1.2 m',
    speed: '0.6 m/s',
    bed: 'gravel',
    ...more,
  });
  const all = async (): Promise<StoredBeat[]> => (await ask<StoredBeat[]>('GET', '/api/beats')).body;

  test('are listed by name, saved from the revision one knows, put in the trash and taken out of it', async () => {
    const { id, record } = (await ask<StoredBeat>('POST', '/api/beats', { record: beat('Mill Run') })).body;
    await ask('POST', '/api/beats', { record: beat('Alder Run') });
    expect((await all()).map(({ name }) => name)).toEqual(['Alder Run', 'Mill Run']);
    const saved = await ask('PUT', `/api/beats/${id}`, { record: { ...record, depth: '2 m' }, revision: 1 });
    expect(saved).toMatchObject({ status: 200, body: { revision: 2, record: { depth: '2 m' } } });
    expect((await ask('PUT', `/api/beats/${id}`, { record, revision: 1 })).status).toBe(409);
    await ask('DELETE', `/api/beats/${id}`);
    expect((await all()).find((each) => each.id === id)?.deletedAt).toEqual(expect.any(Number));
    await ask('POST', `/api/beats/${id}/undelete`);
    expect((await all()).every(({ deletedAt }) => deletedAt === null)).toBe(true);
  });
  test('of no depth, or as fast as no water, are refused by their places', async () => {
    const { status, body } = await ask<{ error: { faults: { path: string }[] } }>('POST', '/api/beats', {
      record: beat('Nowhere', { depth: '0 m', speed: { surface: '20 m/s' } }),
    });
    expect([status, body.error.faults.map(({ path }) => path)]).toEqual([422, ['depth', 'speed.surface']]);
  });
  test('one that does not read any more takes no other down', async () => {
    const { id } = (await ask<StoredBeat>('POST', '/api/beats', { record: beat('Mill Run') })).body;
    await ask('POST', '/api/beats', { record: beat('Alder Run') });
    await house.database.client.execute({ sql: "update records set record = '{' where id = ?", args: [id] });
    expect((await all()).map(({ name }) => name)).toEqual(['Alder Run']);
  });
});

describe('what is sent by a name of the sender’s own', () => {
  const round = (items: number) => ({
    format: 'jobbet.drill',
    version: 1,
    of: 'length',
    at: '2026-03-14T19:00',
    items: Array.from({ length: items }, () => ({ on: '6', asked: '1 shank', truth: 18, given: 17, seconds: 3 })),
  });
  const send = (record: object, sentAs?: string) =>
    ask<StoredDrill>('POST', '/api/drills', { record, ...(sentAs === undefined ? {} : { sentAs }) });
  test('is laid down once, however often it comes, and at the same time too', async () => {
    const answers = await Promise.all([send(round(1), 'round seven'), send(round(1), 'round seven')]);
    const later = await send(round(2), 'round seven');
    expect([...answers, later].map(({ status }) => status)).toEqual([201, 201, 201]);
    expect(new Set([...answers, later].map(({ body }) => body.id)).size).toBe(1);
    // As it lies there: who sent more since saves it over that revision.
    expect([later.body.revision, later.body.record.items.length]).toEqual([1, 1]);
    expect((await ask<StoredDrill[]>('GET', '/api/drills')).body).toHaveLength(1);
  });
  test('by another name, by none, or as another kind is another', async () => {
    for (const name of ['round seven', 'round eight', undefined, undefined]) await send(round(1), name);
    const { status } = await ask('POST', '/api/batches', { record: batch(), sentAs: 'round seven' });
    expect(status).toBe(201);
    expect((await ask<StoredDrill[]>('GET', '/api/drills')).body).toHaveLength(4);
    expect((await send(round(1), 'short')).status).toBe(400);
  });
});
