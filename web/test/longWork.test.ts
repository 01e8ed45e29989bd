import { jest } from '@jest/globals';
import { LongWork } from '../src/shared/solve/longWork.ts';

function* counting(to: number): Generator<number, string> {
  for (let i = 1; i <= to; i++) yield i;
  return 'done';
}
/** A clock that goes on by so many ms each time it is looked at. */
const everyLook = (ms: number): void => {
  let now = 0;
  jest.spyOn(performance, 'now').mockImplementation(() => (now += ms));
};
afterEach(() => {
  jest.restoreAllMocks();
});

test('quick work is not interrupted and tells nothing on its way', async () => {
  everyLook(0);
  const told: number[] = [];
  expect(await new LongWork().inBits(counting(500), (step) => told.push(step))).toBe('done');
  expect(told).toEqual([]);
});

test('slow work tells now and then and lets others in between', async () => {
  everyLook(25);
  const told: number[] = [];
  let between = 0;
  const other = setInterval(() => between++, 0);
  expect(await new LongWork().inBits(counting(12), (step) => told.push(step))).toBe('done');
  clearInterval(other);
  expect(told.length).toBeGreaterThan(3);
  expect(told.length).toBeLessThan(12);
  expect(told).toEqual([...told].sort((a, b) => a - b));
  expect(between).toBeGreaterThan(0);
});

test('a step that must be told is, however quick the work', async () => {
  everyLook(0);
  const told: number[] = [];
  await new LongWork().inBits(
    counting(10),
    (step) => told.push(step),
    (step) => step === 7,
  );
  expect(told).toEqual([7]);
});

test('work begun later ends what goes on, and so does the word to leave', async () => {
  everyLook(100);
  const work = new LongWork();
  const first = work.inBits(counting(50), () => undefined);
  const second = work.inBits(counting(3), () => undefined);
  expect(await first).toBeNull();
  expect(await second).toBe('done');
  const third = work.inBits(counting(50), () => undefined);
  work.leave();
  expect(await third).toBeNull();
});

test('what is ended does not go on', async () => {
  everyLook(100);
  const work = new LongWork();
  let steps = 0;
  function* endless(): Generator<number, never> {
    for (;;) yield ++steps;
  }
  const going = work.inBits(endless(), () => undefined);
  work.leave();
  await going;
  const then = steps;
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(steps).toBe(then);
});
