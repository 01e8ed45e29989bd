import { effectiveGap } from '../src/model/solve/effectiveGap.ts';
import type { BuiltPart } from '../src/model/parts/types.ts';
import type { Platform } from '../src/model/platform/types.ts';

/** A hook of 8 mm gap, 1 mm wire and its point 15 mm behind the eye. */
const hook = { gapMm: 8, wireMm: 1, shankMm: 20, landmarksMm: { point: 15 } } as Platform;
const wound = (radiusMm: number, more: Partial<BuiltPart> = {}, startMm = 10, endMm = 18) => ({
  startMm,
  endMm,
  built: { construction: 'wrap', outer: () => radiusMm, seeThrough: false, ...more } as BuiltPart,
});

describe('what is left of a gap over the point', () => {
  test.each([
    ['bare wire and its bed of thread', [], 0.1, 8 + 0.5 - 0.6],
    ['a hard body takes its whole radius', [wound(2)], 0.1, 8.5 - 2],
    ['soft work is pressed to a quarter of its radius', [wound(4, { seeThrough: true })], 0, 8.5 - 1],
    ['what is thinner than the wire under it takes nothing more', [wound(1.2, { seeThrough: true })], 0, 8.5 - 0.5],
    ['of several the thickest counts', [wound(4, { seeThrough: true }), wound(1.5)], 0, 8.5 - 1.5],
    ['hackle and hair give way', [wound(4, { construction: 'hackle' }), wound(4, { outer: null })], 0, 8.5 - 0.5],
    ['what ends ahead of the point', [wound(2, {}, 2, 14.9)], 0, 8.5 - 0.5],
    ['what begins behind it', [wound(2, {}, 15.1, 18)], 0, 8.5 - 0.5],
    ['what ends just at it', [wound(2, {}, 2, 15)], 0, 8.5 - 2],
  ])('%s', (_what, parts, bedMm, left) => {
    expect(effectiveGap(hook, parts, bedMm)).toBeCloseTo(left, 12);
  });
  test('a point behind the shank stands under the bare wire of its own hook: no bed of thread there', () => {
    expect(effectiveGap({ ...hook, shankMm: 12 }, [], 0.1)).toBeCloseTo(8, 12);
  });
  test('where there is no hook there is no gap', () => {
    expect(effectiveGap({ ...hook, gapMm: null }, [], 0.1)).toBeNull();
    expect(effectiveGap({ ...hook, wireMm: null }, [], 0.1)).toBeNull();
    expect(effectiveGap({ ...hook, landmarksMm: { ...hook.landmarksMm, point: null } }, [], 0.1)).toBeNull();
  });
});
