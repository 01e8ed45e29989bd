import { calmMs } from '../src/fly/store.ts';

test('the margins follow a pull six times a second; where their figures take long a pull has two thirds of the time', () => {
  expect([calmMs(0), calmMs(20)]).toEqual([160, 160]);
  expect(calmMs(200)).toBe(600);
});
