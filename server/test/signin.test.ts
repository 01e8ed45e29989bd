import type { FastifyInstance } from 'fastify';
import { Devices } from '../src/signin/devices.ts';
import { appOn, boathouse, fly, type Boathouse } from './bench.ts';

const PHRASE = 'the river in september';
let house: Boathouse;
let app: FastifyInstance;
beforeEach(async () => {
  house = await boathouse({ phrase: PHRASE });
  app = await appOn(house, { hosts: ['flies.example'], proxies: ['127.0.0.1'] });
});
afterEach(async () => {
  await app.close();
  await house.close();
});

const ask = (
  method: 'GET' | 'POST' | 'DELETE',
  url: string,
  more: { cookie?: string; payload?: object; headers?: object } = {},
) =>
  app.inject({
    method,
    url,
    headers: { host: 'flies.example', ...(more.cookie === undefined ? {} : { cookie: more.cookie }), ...more.headers },
    ...(more.payload ? { payload: more.payload } : {}),
  });
const signIn = (phrase = PHRASE, headers: object = {}) => ask('POST', '/api/sign-in', { payload: { phrase }, headers });
const cookieOf = ({ cookies }: Awaited<ReturnType<typeof signIn>>): string =>
  cookies.map(({ name, value }) => `${name}=${value}`).join('; ');

test('without signing in nothing is told but that it is needed, however the address is written', async () => {
  for (const url of [
    '/api/flies',
    '/api/drawers',
    '/%61pi/flies',
    '/api/devices',
    '/api/docs.json',
    '/api/backup/x',
    '/api/nothing',
  ])
    expect([url, (await ask('GET', url)).statusCode]).toEqual([url, 401]);
  expect((await ask('POST', '/api/flies', { payload: { file: fly() } })).statusCode).toBe(401);
  expect((await ask('GET', '/api/sign-in')).json()).toEqual({ needed: true, signedIn: false });
  expect((await ask('GET', '/api/health')).statusCode).toBe(200);
});

test('the phrase lets a device in, by a cookie that no script and no other site sees', async () => {
  const answer = await signIn();
  const [cookie] = answer.cookies;
  expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict', path: '/' });
  expect(cookie?.secure).toBeUndefined();
  expect((await ask('GET', '/api/flies', { cookie: cookieOf(answer) })).statusCode).toBe(200);
  const kept = await house.database.client.execute('select * from devices');
  expect(JSON.stringify(kept.rows)).not.toContain(cookie?.value ?? 'none');
  expect(JSON.stringify((await house.database.client.execute('select * from facts')).rows)).not.toContain('river');
});

test('behind a proxy that speaks TLS the cookie goes by TLS alone', async () => {
  const answer = await signIn(PHRASE, { 'x-forwarded-proto': 'https', origin: 'https://flies.example' });
  expect(answer.cookies[0]?.secure).toBe(true);
});

test('a wrong phrase is refused, and after eight tries so is every other for a while', async () => {
  for (let i = 0; i < 8; i++) {
    const answer = await signIn(`guess ${String(i)}`);
    expect([answer.statusCode, answer.json<{ error: { code: string } }>().error.code]).toEqual([401, 'wrong-phrase']);
  }
  const late = await signIn();
  expect([late.statusCode, late.json<{ error: { code: string } }>().error.code]).toEqual([429, 'too-many']);
  expect(late.headers['retry-after']).toBeDefined();
});

test('devices are listed, each can be signed out, and a device itself can leave', async () => {
  const [mine, other] = [
    cookieOf(await signIn(PHRASE, { 'user-agent': 'Mine' })),
    cookieOf(await signIn(PHRASE, { 'user-agent': 'Other' })),
  ];
  const list = (await ask('GET', '/api/devices', { cookie: mine })).json<
    { id: string; words: string; own: boolean }[]
  >();
  expect(new Map(list.map((each) => [each.words, each.own]))).toEqual(
    new Map([
      ['Mine', true],
      ['Other', false],
    ]),
  );
  const id = list.find((each) => !each.own)?.id ?? '';
  expect((await ask('DELETE', `/api/devices/${id}`, { cookie: mine })).statusCode).toBe(204);
  expect((await ask('GET', '/api/flies', { cookie: other })).statusCode).toBe(401);
  await ask('DELETE', '/api/sign-in', { cookie: mine });
  expect((await ask('GET', '/api/flies', { cookie: mine })).statusCode).toBe(401);
});

test('a device that was not seen for ninety days, a made-up secret and another phrase let nobody in', async () => {
  const cookie = cookieOf(await signIn());
  expect((await ask('GET', '/api/flies', { cookie: 'jobbet=made-up' })).statusCode).toBe(401);
  expect((await ask('GET', '/api/flies', { cookie: `jobbet=${'x'.repeat(5000)}` })).statusCode).toBe(401);
  const secret = cookie.slice('jobbet='.length);
  expect(await house.devices?.of(secret)).not.toBeNull();
  house.clock.minutes(91 * 24 * 60);
  expect((await ask('GET', '/api/flies', { cookie })).statusCode).toBe(401);
  const { ledger } = house.database;
  const again = cookieOf(await signIn()).slice('jobbet='.length);
  const changed = await Devices.open(ledger, 'another phrase by now', house.clock.now);
  expect([await changed.of(again), await changed.list()]).toEqual([null, []]);
});

test('where no phrase is set, nobody needs to sign in', async () => {
  const open = await boathouse();
  const own = await appOn(open);
  const state = await own.inject({ url: '/api/sign-in', headers: { host: 'localhost' } });
  expect(state.json()).toEqual({ needed: false, signedIn: true });
  await own.close();
  await open.close();
});
