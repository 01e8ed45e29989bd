import { leanWords } from '@jobbet/core/study';
import { clockOf, DIAL, pointAt, rollOf } from '../src/features/balance/dial.ts';

describe('the dial', () => {
  test('the point shows the way: up at the top, down at the foot, and to its own side for either hand', () => {
    expect(clockOf(180, 'right') % 360).toBe(0);
    expect(clockOf(0, 'left')).toBe(180);
    // A roll of a quarter turn points to the near side, which a right-handed tier has at his left from the front.
    expect(clockOf(90, 'right')).toBe(270);
    expect(clockOf(90, 'left')).toBe(90);
  });
  test.each(['right', 'left'] as const)('a place on it and the roll it stands for are one, %s hand', (hand) => {
    for (const roll of [-170, -90, -1, 0, 45, 90, 135, 180]) expect(rollOf(clockOf(roll, hand), hand)).toBe(roll);
  });
  test('points lie clockwise from the top', () => {
    const [x, y] = pointAt(90, 10);
    expect([x, y].map(Math.round)).toEqual([DIAL.centre + 10, DIAL.centre]);
    expect(pointAt(0, 10)[1]).toBeCloseTo(DIAL.centre - 10, 9);
  });
  test.each([
    [0, 'upright'],
    [180, 'upright'],
    [4, '4° to the near side'],
    [-176, '4° to the far side'],
    [90, '90° to the near side'],
  ])('a roll of %f: %s', (roll, words) => {
    expect(leanWords(roll)).toBe(words);
  });
});
