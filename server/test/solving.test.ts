import { once } from 'node:events';
import type { FastifyInstance } from 'fastify';
import { ApiError } from '../src/errors.ts';
import { solverPool, whenTimeIsUp, type Solvers } from '../src/solving/solvers.ts';
import { Turns } from '../src/solving/turns.ts';
import { appOn, boathouse, fly, type Boathouse } from './bench.ts';

const tick = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

describe('turns', () => {
  /** Work that ends when told. */
  function held() {
    const ends: (() => void)[] = [];
    const begun: string[] = [];
    const work = (name: string) => (): Promise<string> => {
      begun.push(name);
      return new Promise((resolve) => {
        ends.push(() => {
          resolve(name);
        });
      });
    };
    return { begun, work, end: (i: number) => ends[i]?.() };
  }
  test('what is merely asked never takes the last one', async () => {
    const { begun, work } = held();
    const turns = new Turns(2, 5);
    void turns.take('asked', work('a'));
    void turns.take('asked', work('b'));
    void turns.take('own', work('mine'));
    await tick();
    expect(begun).toEqual(['a', 'mine']);
  });
  test('one’s own comes before what waited longer', async () => {
    const { begun, work, end } = held();
    const turns = new Turns(1, 5);
    void turns.take('own', work('first'));
    void turns.take('asked', work('asked'));
    void turns.take('own', work('mine'));
    end(0);
    await tick();
    expect(begun).toEqual(['first', 'mine']);
    end(1);
    await tick();
    expect(begun).toEqual(['first', 'mine', 'asked']);
  });
  test('only so much that is merely asked may wait; a turn that fails gives way too', async () => {
    const turns = new Turns(1, 1);
    const { work, end } = held();
    const first = turns.take('asked', work('a'));
    const second = turns.take('asked', () => Promise.reject(new Error('no')));
    expect(await turns.take('asked', work('c'))).toBeNull();
    end(0);
    expect(await first).toBe('a');
    await expect(second).rejects.toThrow('no');
    expect(await turns.take('asked', () => Promise.resolve('d'))).toBe('d');
  });
});

describe('threads of their own', () => {
  let solvers: Solvers;
  beforeAll(() => {
    solvers = solverPool({ threads: 2, limitMs: 20_000 });
  });
  afterAll(() => solvers.close());
  test('solve as the thread that asks would', async () => {
    const read = await solvers.ask('read', { value: fly('Threaded') }, null);
    expect(read).toMatchObject({
      ok: true,
      value: { file: { name: 'Threaded' }, summary: { parts: 1 }, listed: { made: ['bundle'] } },
    });
    const faulty = await solvers.ask('read', { value: fly('Faulty', '1 tial') }, null);
    expect(faulty).toMatchObject({ ok: false, faults: [{ path: 'parts[0].length' }] });
  }, 30_000);
  test('are handed the drawers once, and again when they change', async () => {
    const packet = (shankMm: number) => {
      const rows = [{ drawer: 'hooks', item: { name: 'sixes', form: 'single', size: '6', shankMm } }];
      const bytes = new TextEncoder().encode(JSON.stringify(rows));
      const json = new SharedArrayBuffer(bytes.length);
      new Uint8Array(json).set(bytes);
      return { version: 1000 + shankMm, json };
    };
    const value = { ...fly('On it'), platform: { kind: 'single', packet: 'sixes' } };
    for (const shankMm of [17, 21, 17]) {
      const read = await solvers.ask('read', { value }, packet(shankMm));
      expect(read.ok && read.value.summary.shankMm).toBe(shankMm);
    }
  });
  test('a task that takes too long is ended and told so; the next one is answered', async () => {
    const hasty = solverPool({ threads: 2, limitMs: 1 });
    const parts = Array.from({ length: 60 }, (_, i) => ({ ...fly().parts[0], id: `tail${String(i)}` }));
    await expect(hasty.ask('read', { value: { ...fly(), parts } }, null)).rejects.toMatchObject({ code: 'too-long' });
    await hasty.close();
    expect((await solvers.ask('read', { value: fly() }, null)).ok).toBe(true);
  }, 30_000);
  test('on a machine busy with something else the time a task has is what it computed; what only waits ends too', async () => {
    const begun = performance.now();
    let computed = 0;
    const busy = whenTimeIsUp(20, () => computed);
    await new Promise((resolve) => setTimeout(resolve, 60));
    expect(busy.signal.aborted).toBe(false);
    computed = 20;
    await once(busy.signal, 'abort');
    const waiting = whenTimeIsUp(5, () => 0);
    await once(waiting.signal, 'abort');
    expect(performance.now() - begun).toBeGreaterThanOrEqual(60 + 12 * 5);
    const forgotten = whenTimeIsUp(1, () => 1);
    forgotten.forget();
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(forgotten.signal.aborted).toBe(false);
  });
  test('one that is stopped before its turn comes is told so', async () => {
    const asked = solvers.ask('read', { value: fly() }, null, { signal: AbortSignal.abort() });
    await expect(asked).rejects.toMatchObject({ code: 'stopped' });
  });
});

describe('a change in the drawers that many flies use', () => {
  let house: Boathouse;
  let app: FastifyInstance;
  let slow: { readonly ask: Solvers['ask']; asked: number };
  const hook = { name: 'sixes', form: 'single', size: '6', shankMm: 17 };
  beforeEach(async () => {
    house = await boathouse();
    app = await appOn(house);
    await house.drawers.add('hooks', hook);
    for (let i = 0; i < 20; i++)
      await house.flies.create({ ...fly(`Fly ${String(i)}`), platform: { kind: 'single', packet: 'sixes' } });
    slow = { ask: house.solvers.ask, asked: 0 };
  });
  afterEach(async () => {
    await app.close();
    await house.close();
  });
  test('tells how far it is and ends with what it did', async () => {
    const [row] = await house.drawers.list();
    const answer = await app.inject({
      method: 'PUT',
      url: `/api/drawers/${row?.id ?? ''}`,
      headers: { host: 'localhost', accept: 'text/event-stream' },
      payload: { item: { ...hook, shankMm: 19 }, revision: 1 },
    });
    const events = answer.body
      .trim()
      .split('\n\n')
      .map((each) => each.split('\n')[0]);
    expect(events).toEqual(['event: share', 'event: share', 'event: share', 'event: done']);
    expect(
      (JSON.parse(/event: done\ndata: (.+)/.exec(answer.body)?.[1] ?? '') as { changes: unknown[] }).changes,
    ).toHaveLength(20);
  });
  test('is stopped with nothing changed', async () => {
    const [row] = await house.drawers.list();
    const stop = new AbortController();
    const onShare = (): void => {
      slow.asked++;
      stop.abort();
    };
    const changing = house.drawers.change(row?.id ?? '', { ...hook, shankMm: 19 }, 1, { signal: stop.signal, onShare });
    await expect(changing).rejects.toBeInstanceOf(ApiError);
    await expect(changing).rejects.toMatchObject({ code: 'stopped' });
    expect([slow.asked, (await house.drawers.list())[0]?.revision]).toEqual([1, 1]);
    expect((await house.flies.list()).every((each) => each.summary?.shankMm === 17)).toBe(true);
  });
});
