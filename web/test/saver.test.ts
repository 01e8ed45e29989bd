import { jest } from '@jest/globals';
import { keepDraft, leftDrafts, takeDraft } from '../src/fly/drafts.ts';
import { saved, Saver } from '../src/fly/saver.ts';
import { change, createBench, type Bench } from '../src/fly/store.ts';
import { takeUpDraft } from '../src/fly/takeUp.ts';
import { fly, listed, stored, TAIL, withTail } from './build.ts';

interface Request {
  readonly method: string;
  readonly body: { revision: number; kind: string; file: { parts: { length: string }[] } };
}

let sent: Request[];
/** What the server answers next; a save it takes when nothing is queued. */
let answers: (() => Promise<Response>)[];
let revision: number;

const json = (status: number, body: unknown): Response =>
  ({ ok: status < 400, status, json: () => Promise.resolve(body) }) as Response;
const stale = (): Promise<Response> =>
  Promise.resolve(json(409, { error: { code: 'stale', message: 'saved elsewhere', revision: 5 } }));
const down = (): Promise<Response> => Promise.reject(new Error('no answer'));

let bench: Bench;
let saver: Saver;
let saves: number;

beforeEach(() => {
  jest.useFakeTimers();
  [sent, answers, revision, saves] = [[], [], 1, 0];
  localStorage.clear();
  globalThis.fetch = ((_url: string, init: { method: string; body?: string }) => {
    if (init.method === 'GET') return Promise.resolve(json(200, stored(withTail('9 mm'), { revision: 5 })));
    sent.push({ method: init.method, body: JSON.parse(init.body ?? '{}') as Request['body'] });
    const answer = answers.shift();
    return answer ? answer() : Promise.resolve(json(200, stored(fly(), { revision: ++revision })));
  }) as unknown as typeof fetch;
  bench = createBench(stored());
  saver = new Saver(bench, () => {
    saves++;
  });
  saver.start();
});
afterEach(() => {
  saver.stop();
  jest.useRealTimers();
});

const pass = (ms: number): Promise<void> => jest.advanceTimersByTimeAsync(ms);
const state = (): string => bench.getState().save;

test('work is on this device at once and on the server when the hand rests', async () => {
  change(bench, withTail('20 mm'));
  expect(state()).toBe('waiting');
  expect(takeDraft('f1')?.file).toEqual(withTail('20 mm'));
  change(bench, withTail('21 mm'));
  await pass(800);
  expect(sent.map((request) => [request.method, request.body.revision, request.body.file.parts[0]?.length])).toEqual([
    ['PUT', 1, '21 mm'],
  ]);
  expect([state(), bench.getState().revision, saves]).toEqual(['saved', 2, 1]);
  expect(takeDraft('f1')).toBeNull();
});

test('what is done while a save is under way goes with the next one', async () => {
  let answer: (response: Response) => void = () => undefined;
  answers.push(
    () =>
      new Promise((resolve) => {
        answer = resolve;
      }),
  );
  change(bench, withTail('20 mm'));
  await pass(800);
  change(bench, withTail('22 mm'));
  answer(json(200, stored(fly(), { revision: 2 })));
  await pass(1000);
  expect(sent.map((request) => [request.body.revision, request.body.file.parts[0]?.length])).toEqual([
    [1, '20 mm'],
    [2, '22 mm'],
  ]);
  expect(state()).toBe('saved');
});

test('a server that does not answer is tried again, and the work stays on this device', async () => {
  answers.push(down);
  change(bench, withTail('20 mm'));
  await pass(800);
  expect([state(), bench.getState().saveProblem]).toEqual(['failed', expect.stringMatching(/server does not answer/)]);
  expect(takeDraft('f1')).not.toBeNull();
  await pass(4100);
  expect([state(), bench.getState().saveProblem]).toEqual(['saved', null]);
});

test('saved elsewhere: nothing is sent until it is settled, then mine goes over the newest revision', async () => {
  answers.push(stale);
  change(bench, withTail('20 mm'));
  await pass(800);
  expect(state()).toBe('conflict');
  change(bench, withTail('23 mm'));
  await pass(5000);
  expect(sent).toHaveLength(1);
  await saver.keepMine();
  expect(sent[1]?.body).toMatchObject({ revision: 5, kind: 'saved' });
  expect(sent[1]?.body.file.parts[0]?.length).toBe('23 mm');
  expect(state()).toBe('saved');
});

test('an answer that was lost on its way is no conflict: what the server holds is this very file', async () => {
  answers.push(stale);
  change(bench, withTail('9 mm'));
  await pass(800);
  expect([state(), bench.getState().revision]).toEqual(['saved', 5]);
  expect(takeDraft('f1')).toBeNull();
});

test('in a conflict nothing is sent, whoever asks', async () => {
  answers.push(stale);
  change(bench, withTail('20 mm'));
  await pass(800);
  saver.flush();
  window.dispatchEvent(new Event('online'));
  window.dispatchEvent(new Event('pagehide'));
  saver.stop();
  await pass(10_000);
  expect(sent).toHaveLength(1);
});

test('a fly that is no longer in the box waits for a word, and comes out of the trash with what was done', async () => {
  answers.push(() => Promise.resolve(json(404, { error: { code: 'no-fly', message: 'no such fly' } })));
  change(bench, withTail('20 mm'));
  await pass(800);
  await pass(10_000);
  expect([state(), sent.length]).toEqual(['gone', 1]);
  expect(takeDraft('f1')).not.toBeNull();
  answers.push(() => Promise.resolve(json(200, listed(withTail('9 mm'), { revision: 7 }))));
  await saver.keepMine();
  expect(sent.map(({ method, body }) => [method, body.revision])).toEqual([
    ['PUT', 1],
    ['POST', undefined],
    ['PUT', 7],
  ]);
  expect(state()).toBe('saved');
});

test('a store that is full costs what stands on this device, and says so; the save goes on', async () => {
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  change(bench, withTail('20 mm'));
  expect(bench.getState().onDevice).toBe(false);
  await pass(800);
  expect([state(), sent.length]).toEqual(['saved', 1]);
  jest.restoreAllMocks();
  change(bench, withTail('21 mm'));
  expect(bench.getState().onDevice).toBe(true);
});

describe('work that never reached the server', () => {
  const closeTab = (file = withTail('20 mm'), of = 1): void => {
    keepDraft('f1', { file, revision: of, at: Date.now() });
  };
  test('is taken up and saved where nobody saved meanwhile', async () => {
    closeTab();
    expect(takeUpDraft(bench)).toBe('taken');
    await pass(800);
    expect(sent.map(({ body }) => [body.revision, body.file.parts[0]?.length])).toEqual([[1, '20 mm']]);
  });
  test('made from an older save is a conflict, opened as often as one likes, and never sent by itself', async () => {
    saver.stop();
    closeTab();
    for (const _ of [1, 2]) {
      const opened = createBench(stored(withTail('9 mm'), { revision: 5 }));
      const own = new Saver(opened, () => undefined);
      own.start();
      expect(takeUpDraft(opened)).toBe('conflict');
      await pass(10_000);
      change(opened, withTail('22 mm'));
      await pass(10_000);
      own.stop();
      await pass(10_000);
      expect([opened.getState().save, opened.getState().revision, sent.length]).toEqual(['conflict', 1, 0]);
    }
    expect(takeDraft('f1')).toMatchObject({ revision: 1, file: { parts: [{ length: '22 mm' }] } });
  });
  test('that no longer lays out is put aside, where no later work goes over it', async () => {
    closeTab({ ...fly(), parts: [{ ...TAIL, length: '1 tial' }] } as never);
    expect(takeUpDraft(bench)).toBe('aside');
    change(bench, withTail('21 mm'));
    await pass(800);
    expect(state()).toBe('saved');
    expect(leftDrafts().map(({ fly: of, draft }) => [of, draft.file['parts']])).toEqual([
      ['f1', [{ ...TAIL, length: '1 tial' }]],
    ]);
    expect(takeUpDraft(bench)).toBe('none');
  });
  test('that is what the server holds is nothing to take up', () => {
    closeTab(fly(), 9);
    expect(takeUpDraft(bench)).toBe('none');
    expect(takeDraft('f1')).toBeNull();
  });
});

test('while a tip is pulled nothing is sent', async () => {
  bench.setState({ moving: true });
  change(bench, withTail('20 mm'));
  await pass(3000);
  expect(sent).toHaveLength(0);
});

describe('drafts', () => {
  test('a tab finds its own; what a closed tab left is taken up, what an open one holds is not', () => {
    const draft = { file: withTail('20 mm'), revision: 3, at: 1000 };
    localStorage.setItem('jobbet.draft.f1.other-tab', JSON.stringify(draft));
    expect(takeDraft('f1', 30_000)).toBeNull();
    expect(takeDraft('f1', 90_000)).toEqual(draft);
    expect(localStorage.getItem('jobbet.draft.f1.other-tab')).toBeNull();
    expect(takeDraft('f1', 0)).toEqual(draft);
  });
  test('a broken one is passed over', () => {
    localStorage.setItem('jobbet.draft.f1.other-tab', '{');
    localStorage.setItem('jobbet.draft.f1.third-tab', '{"file": 3, "revision": "one"}');
    expect(takeDraft('f1')).toBeNull();
  });
});

test('whoever opens the fly anew waits for what is on its way, and no longer', async () => {
  let arrive: () => void = () => undefined;
  answers.push(
    () =>
      new Promise((resolve) => {
        arrive = () => {
          resolve(json(200, stored(fly(), { revision: 2 })));
        };
      }),
  );
  change(bench, withTail('20 mm'));
  saver.stop();
  let opened = false;
  void saved('f1').then(() => {
    opened = true;
  });
  await pass(100);
  expect(opened).toBe(false);
  arrive();
  await pass(1);
  expect(opened).toBe(true);
  answers.push(down);
  change(bench, withTail('21 mm'));
  saver.start();
  saver.flush();
  await pass(1);
  await expect(saved('f1')).resolves.toBeUndefined();
});

test('what is done while a save is on its way goes right after it where the bench is left, and is waited for', async () => {
  let arrive: () => void = () => undefined;
  answers.push(
    () =>
      new Promise((resolve) => {
        arrive = () => {
          resolve(json(200, stored(fly(), { revision: ++revision })));
        };
      }),
  );
  change(bench, withTail('20 mm'));
  await pass(800);
  change(bench, withTail('22 mm'));
  saver.stop();
  const opened = saved('f1');
  arrive();
  await pass(1);
  await opened;
  expect(sent.map(({ body }) => [body.revision, body.file.parts[0]?.length])).toEqual([
    [1, '20 mm'],
    [2, '22 mm'],
  ]);
  await pass(10_000);
  expect(sent).toHaveLength(2);
});
