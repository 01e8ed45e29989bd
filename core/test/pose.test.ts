import { clockwiseDeg, partWay, posedReach, restPose } from '../src/drawing/figure/pose.ts';

const bounds = { front: -2, rear: 30, top: 10, bottom: -4, aside: 3 };

test('a fly as tied reaches as far as its bounds, mirrored for the other hand', () => {
  const pose = { rollDeg: 0, noseDownDeg: 0 };
  expect(posedReach(bounds, pose, 'left')).toEqual({
    side: { left: -2, right: 30, top: -10, bottom: 4 },
    front: { left: -3, right: 3, top: -10, bottom: 4 },
  });
  expect(posedReach(bounds, pose, 'right').side).toEqual({ left: -30, right: 2, top: -10, bottom: 4 });
});

test('rolled half a turn, top and bottom change places', () => {
  const { side } = posedReach(bounds, { rollDeg: 180, noseDownDeg: 0 }, 'left');
  expect(side.top).toBeCloseTo(-4);
  expect(side.bottom).toBeCloseTo(10);
});

test('nose down, the tail stands above the eye on either hand', () => {
  for (const hand of ['left', 'right'] as const) {
    const { side } = posedReach(bounds, { rollDeg: 0, noseDownDeg: 90 }, hand);
    expect(side.top).toBeCloseTo(-30);
    expect(side.bottom).toBeCloseTo(2);
  }
  expect(clockwiseDeg('right', 20)).toBe(20);
  expect(clockwiseDeg('left', 20)).toBe(-20);
});

test('it rests at the slack heel, at the tight one where the slack is undecided, level where it floats', () => {
  expect(restPose({ slackDeg: 180, tightDeg: 170, noseDownDeg: 30 })).toEqual({ rollDeg: 180, noseDownDeg: 30 });
  expect(restPose({ slackDeg: null, tightDeg: 170, noseDownDeg: -30 })).toEqual({ rollDeg: 170, noseDownDeg: -30 });
  expect(restPose({ slackDeg: null, tightDeg: null, noseDownDeg: null })).toEqual({ rollDeg: 0, noseDownDeg: 0 });
});

test('on the way there the roll takes the short way round', () => {
  expect(partWay({ rollDeg: 350, noseDownDeg: 40 }, 0.5)).toEqual({ rollDeg: -5, noseDownDeg: 20 });
  expect(partWay({ rollDeg: -170, noseDownDeg: 0 }, 1).rollDeg).toBe(-170);
});
