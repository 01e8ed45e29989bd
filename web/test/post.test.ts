import type { TyingRecord } from '@jobbet/core/contract';
import { newTying } from '@jobbet/core/tying';
import { jest } from '@jest/globals';
import { RequestError } from '../src/shared/api/client.ts';
import { createPost, unsentOf } from '../src/fly/tyings/post.ts';

const begun = () => newTying('a', 'k2m4p', 'hook', 1000);

beforeEach(() => {
  localStorage.clear();
});

describe('bringing it to the box', () => {
  beforeEach(() => {
    jest.useFakeTimers();
  });
  afterEach(() => {
    jest.useRealTimers();
  });
  const settle = (): Promise<void> => jest.advanceTimersByTimeAsync(1);
  test('it is kept here until the box has it', async () => {
    const sent: TyingRecord[] = [];
    const post = createPost((tying) => {
      sent.push(tying);
      return Promise.resolve(tying);
    });
    post.keep(begun(), true);
    expect(unsentOf('a')).toHaveLength(1);
    await settle();
    expect(sent).toHaveLength(1);
    expect(unsentOf('a')).toEqual([]);
  });
  test('every second is kept here, and goes to the box before long, once', async () => {
    const sent: TyingRecord[] = [];
    const post = createPost((tying) => {
      sent.push(tying);
      return Promise.resolve(tying);
    });
    for (let i = 1; i <= 5; i++) post.keep({ ...begun(), changed: 1000 + i }, false);
    expect(unsentOf('a').map((each) => each.changed)).toEqual([1005]);
    expect(sent).toEqual([]);
    await jest.advanceTimersByTimeAsync(11_000);
    expect(sent.map((each) => each.changed)).toEqual([1005]);
  });
  test('a server that is away takes nothing: it is sent again', async () => {
    let away = true;
    const post = createPost((tying) =>
      away ? Promise.reject(new RequestError('offline', 'away')) : Promise.resolve(tying),
    );
    post.keep(begun(), true);
    await settle();
    expect(unsentOf('a')).toHaveLength(1);
    away = false;
    await post.sendAll();
    expect(unsentOf('a')).toEqual([]);
  });
  test('what changed on the way stays to be sent; what the box never takes is let go', async () => {
    const post = createPost((tying) => {
      post.keep({ ...tying, changed: tying.changed + 1 }, false);
      return Promise.resolve(tying);
    });
    post.keep(begun(), true);
    await settle();
    expect(unsentOf('a').map((each) => each.changed)).toEqual([1001]);
    const refusing = createPost(() => Promise.reject(new RequestError('no-fly', 'gone')));
    await refusing.sendAll();
    expect(unsentOf('a')).toEqual([]);
  });
  test('a damaged store costs what was not sent and nothing else; records of before have no time of change', () => {
    localStorage.setItem('jobbet.tyings', '{"no": "list"}');
    expect(unsentOf('a')).toEqual([]);
    const { changed: _none, ...old } = begun();
    localStorage.setItem('jobbet.tyings', JSON.stringify([old]));
    expect(unsentOf('a')).toMatchObject([{ begun: 1000, changed: 0 }]);
  });
});
