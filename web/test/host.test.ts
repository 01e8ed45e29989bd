import { jest } from '@jest/globals';
import { WorkerHost, WorkerLost, type WatchedWorker } from '../src/shared/solve/host.ts';

interface Remote {
  readonly solve: (question: string) => Promise<string>;
}

/** A host whose workers answer, are silent or break down as told. */
function hosted() {
  const workers: { readonly breakDown: (message: string) => void; terminated: boolean; silent: boolean }[] = [];
  const lost: string[] = [];
  const host = new WorkerHost<Remote>(
    () => {
      const listeners: ((event: { message: string }) => void)[] = [];
      const state = {
        terminated: false,
        silent: false,
        breakDown: (message: string) => {
          for (const tell of listeners) tell({ message });
        },
      };
      workers.push(state);
      const worker: WatchedWorker = {
        addEventListener: (_type, listener) => listeners.push(listener),
        terminate: () => {
          state.terminated = true;
        },
      };
      const n = workers.length;
      return {
        worker,
        remote: {
          solve: (question) =>
            state.silent ? new Promise<never>(() => undefined) : Promise.resolve(`${question} by ${String(n)}`),
        },
      };
    },
    (reason) => lost.push(reason.message),
  );
  return { host, workers, lost };
}

test('one worker answers question after question', async () => {
  const { host, workers } = hosted();
  expect(await host.ask((remote) => remote.solve('a'))).toBe('a by 1');
  expect(await host.ask((remote) => remote.solve('b'))).toBe('b by 1');
  expect(workers).toHaveLength(1);
});

test('what a worker that breaks down was asked is answered, it is said, and the next question goes to a new one', async () => {
  const { host, workers, lost } = hosted();
  await host.ask((remote) => remote.solve('a'));
  const [first] = workers;
  if (first) first.silent = true;
  const asked = host.ask((remote) => remote.solve('b'));
  first?.breakDown('out of memory');
  await expect(asked).rejects.toThrow(WorkerLost);
  expect([first?.terminated, lost]).toEqual([true, ['out of memory']]);
  expect(await host.ask((remote) => remote.solve('c'))).toBe('c by 2');
});

test('a worker that is silent for too long is lost once, however many wait', async () => {
  jest.useFakeTimers();
  const { host, workers, lost } = hosted();
  await host.ask((remote) => remote.solve('a'));
  const [first] = workers;
  if (first) first.silent = true;
  const asked = [1, 2].map((n) => host.ask((remote) => remote.solve(String(n)), { withinMs: 5000 }));
  const answers = Promise.allSettled(asked);
  await jest.advanceTimersByTimeAsync(5000);
  expect((await answers).map((each) => each.status)).toEqual(['rejected', 'rejected']);
  expect(lost).toEqual(['the worker gave no answer in 5 s']);
  jest.useRealTimers();
});

test('a fault of the question itself costs no worker', async () => {
  const { host, workers } = hosted();
  await expect(host.ask(() => Promise.reject(new Error('no such size')))).rejects.toThrow('no such size');
  expect(await host.ask((remote) => remote.solve('b'))).toBe('b by 1');
  expect(workers).toHaveLength(1);
});
