import { axisAt, eyeAt, fitView } from '../src/drawing/figure/fit.ts';
import { screenX, screenY } from '../src/drawing/figure/view.ts';

const bounds = { front: -3, rear: 40, top: 9, bottom: -4, aside: 6 };
const frame = { width: 300, height: 120, bare: [20, 10], hand: 'right' } as const;

describe('a fly in a frame', () => {
  test.each([
    ['right', 'profile', false],
    ['left', 'profile', false],
    ['right', 'profile', true],
    ['right', 'plan', false],
    ['left', 'plan', false],
  ] as const)('fills it from its middle without a part outside: %s hand, %s, turned %s', (hand, name, turned) => {
    const view = fitView(bounds, { ...frame, hand, name, turned });
    const xs = [bounds.front, bounds.rear].map((x) => screenX(view, [x, 0, 0]));
    expect((Math.min(...xs) + Math.max(...xs)) / 2).toBeCloseTo(150, 9);
    expect(Math.max(...xs) - Math.min(...xs)).toBeLessThanOrEqual(280 + 1e-9);
    const ys = (
      name === 'plan'
        ? [
            [0, 6, 0],
            [0, -6, 0],
          ]
        : [
            [0, 0, 9],
            [0, 0, -4],
          ]
    ).map((at) => screenY(view, at as [number, number, number]));
    expect((Math.min(...ys) + Math.max(...ys)) / 2).toBeCloseTo(60, 9);
    expect(Math.max(...ys) - Math.min(...ys)).toBeLessThanOrEqual(110 + 1e-9);
  });
  test('as large as the narrower of the two allows', () => {
    expect(fitView(bounds, frame).scale).toBeCloseTo(280 / 43, 9);
    expect(fitView(bounds, { ...frame, height: 62 }).scale).toBeCloseTo(52 / 13, 9);
  });
  test('the eye is right of the tail for a right hand, left of it for a left one', () => {
    expect([eyeAt('right', 10, bounds, 2), eyeAt('left', 10, bounds, 2)]).toEqual([90, 16]);
    expect(axisAt(100, { top: 10, bottom: 0 }, 2)).toBe(60);
  });
});
