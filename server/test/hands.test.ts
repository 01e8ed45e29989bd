import type { FastifyInstance } from 'fastify';
import { appOn, boathouse, spoil, type Boathouse } from './bench.ts';

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

const HEADERS = { host: 'localhost:4100' };
const list = async (): Promise<unknown> =>
  (await app.inject({ method: 'GET', url: '/api/hands', headers: HEADERS })).json();
const keep = (hand: object, revision: number) =>
  app.inject({ method: 'PUT', url: '/api/hands', headers: HEADERS, payload: { hand, revision } });
const own = (roll: number) => ({ name: 'own', spreads: { 'fly-1': { 'eyes.roll': roll } } });

describe('hands', () => {
  test('are kept over the revision they were read at; nothing newer is written over', async () => {
    expect((await keep(own(3), 0)).json()).toEqual({ ...own(3), revision: 1 });
    expect((await keep(own(5), 0)).statusCode).toBe(409);
    expect((await keep(own(5), 1)).json()).toEqual({ ...own(5), revision: 2 });
    const late = await keep(own(9), 1);
    expect([late.statusCode, late.json()]).toMatchObject([409, { error: { code: 'stale', revision: 2 } }]);
    expect(await list()).toEqual([{ ...own(5), revision: 2 }]);
  });
  test('that make no sense are refused by their place', async () => {
    const answer = await keep({ name: 'own', spreads: { 'fly-1': { 'eyes.roll': -1 } } }, 0);
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain('eyes.roll');
    expect(await list()).toEqual([]);
  });
  test('of which a row does not read take no other down', async () => {
    await keep(own(3), 0);
    await keep({ name: 'a guest', spreads: {} }, 0);
    await spoil(house, `update hands set hand = 'no' where name = 'own'`);
    expect(await list()).toEqual([{ name: 'a guest', spreads: {}, revision: 1 }]);
  });
});
