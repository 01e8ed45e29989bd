import { jest } from '@jest/globals';
import type { PaintStep } from '@jobbet/core/drawing';
import { act, renderHook } from '@testing-library/react';
import type { WheelEvent } from 'react';
import { NOMINAL_DRAWERS } from '@jobbet/core/drawers';
import { byStations, dragOf, nudge, nudgePicked } from '../src/fly/pulling.ts';
import { change, createBench, undo } from '../src/fly/store.ts';
import { HOOK, partCalled } from '../src/fly/selection.ts';
import { comparedOf } from '../src/features/bench/SchoolCompare.tsx';
import type { CanvasSurface } from '../src/shared/drawing/canvas.ts';
import { layoutPlan, mmAt, NO_ZOOM, xOf, type Zoom } from '../src/shared/drawing/layout.ts';
import { inked, StillRuns } from '../src/shared/drawing/stillRuns.ts';
import { useZoom } from '../src/shared/drawing/useZoom.ts';
import { fly, stored, withTail } from './build.ts';

const length = (bench: ReturnType<typeof createBench>): unknown => bench.getState().file.parts[0];
const tipMm = (bench: ReturnType<typeof createBench>): number => bench.getState().laid.parts[0]?.extent.tipMm ?? NaN;

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

test('a pull says what it rests on, moves the fly at once and the margins a little later, and is one step of undo', () => {
  const bench = createBench(stored());
  const { laid } = bench.getState();
  const pull = dragOf(bench)('tail.length');
  const shank = laid.platform.shankMm;
  pull?.to(0.24 * shank, 0.6);
  expect(bench.getState().pull).toEqual({ gripId: 'tail.length', words: '1¼ shank', snapped: true });
  expect(bench.getState().moving).toBe(true);
  expect(bench.getState().calm).toBe(laid);
  jest.advanceTimersByTime(200);
  expect(bench.getState().calm).toBe(bench.getState().laid);
  pull?.to(0.31 * shank, 0);
  expect(bench.getState().pull).toMatchObject({ words: '1.31 shank', snapped: false });
  pull?.end();
  expect(bench.getState()).toMatchObject({ pull: null, moving: false });
  expect(bench.getState().calm).toBe(bench.getState().laid);
  undo(bench);
  expect(length(bench)).toMatchObject({ length: '1 shank' });
});
test('what cannot be pulled is not, and what cannot go there stays and says why', () => {
  const bench = createBench(stored());
  expect(dragOf(bench)('tail.nothing')).toBeNull();
  change(bench, {
    ...fly(),
    parts: fly().parts.map((part) => ({ ...part, length: undefined, tip: 'bend + 2 mm' })),
  });
  const pull = dragOf(bench)('tail.tip');
  pull?.to(-5, 0);
  expect(bench.getState().refused).toMatch(/ahead of where it is bound/);
  expect(length(bench)).toMatchObject({ tip: 'bend + 2 mm' });
  pull?.end();
});
test('steps by key: a twentieth of the factor, a tenth of the shank, and of the hook its head space', () => {
  const bench = createBench(stored());
  nudge(bench, 'tail.length', 1);
  expect(length(bench)).toMatchObject({ length: '1.05 shank' });
  const before = tipMm(bench);
  byStations(bench, 'tail.length', 1);
  expect(tipMm(bench) - before).toBeCloseTo(bench.getState().laid.platform.shankMm / 10, 0);
  bench.setState({ selected: partCalled('tail') });
  nudgePicked(bench, -1);
  expect(length(bench)).toMatchObject({ length: '1.1 shank' });
  bench.setState({ selected: HOOK });
  nudgePicked(bench, 1);
  expect(bench.getState().file.platform.headSpace).toMatch(/^[\d.]+ mm$/);
  nudge(bench, 'tail.pinch', 1);
  expect(length(bench)).toMatchObject({ pinch: '2.5 mm' });
});
test('a comparison of schools is worked out once for one fly, and anew for another', () => {
  const bench = createBench(stored(withTail('2 shank')));
  const words = ['compact', 'mobile'] as const;
  const one = comparedOf(bench.getState().laid, words, NOMINAL_DRAWERS);
  expect(one?.names).toEqual(['Compact', 'Mobile']);
  expect(comparedOf(bench.getState().laid, words, NOMINAL_DRAWERS)).toBe(one);
  change(bench, withTail('3 shank'));
  expect(comparedOf(bench.getState().laid, words, NOMINAL_DRAWERS)).not.toBe(one);
  expect(comparedOf(bench.getState().laid, ['compact', 'no such'], NOMINAL_DRAWERS)).toBeNull();
});
test('a picture is cut to its ink', () => {
  const data = new Uint8ClampedArray(4 * 6 * 5);
  expect(inked({ data, width: 6, height: 5 })).toBeNull();
  for (const [x, y] of [
    [2, 1],
    [4, 3],
  ] as const)
    data[4 * (y * 6 + x) + 3] = 9;
  expect(inked({ data, width: 6, height: 5 })).toEqual({ left: 2, top: 1, width: 3, height: 3 });
});

describe('what stays as it is while something is pulled', () => {
  const painted: string[] = [];
  const one = {};
  const step = (name: string, matter: object = one, key = 'solid'): PaintStep => ({
    matter,
    key,
    paint: (_surface, share) => painted.push(`${name} ${String(share)}`),
  });
  const view = (...steps: PaintStep[]) => [{ steps, frame: () => ({ left: 0, top: 0, width: 10, height: 10 }) }];
  const context = { drawImage: () => undefined } as unknown as CanvasRenderingContext2D;
  const surface = {} as CanvasSurface;
  const other = {};
  const frames = (...moved: PaintStep[]): string[] => {
    const still = new StillRuns();
    still.rest(view(step('a'), step('b', other), step('c')));
    painted.length = 0;
    still.paint(context, surface, view(...moved), 1, 0.4);
    return [...painted];
  };
  test('is not painted anew', () => {
    expect(frames(step('a'), step('b', other), step('c'))).toEqual([]);
  });
  test.each([
    ['of other matter', step('b', {})],
    ['another side of the same matter', step('b', other, 'far')],
  ])('what is %s is, with fewer fibres', (_what, moved) => {
    expect(frames(step('a'), moved, step('c'))).toEqual(['b 0.4']);
  });
});

describe('the sheet for either hand, and closer to it', () => {
  const { laid } = createBench(stored()).getState();
  const [wide, tall] = [900, 600];
  const sheet = (hand: 'right' | 'left', zoom: Zoom = NO_ZOOM) => layoutPlan(laid, wide, tall, hand, zoom, true);
  test('a left-handed sheet is the right-handed one in a mirror: each place as far from the other edge', () => {
    const [right, left] = [sheet('right'), sheet('left')];
    for (const mm of [-2, 0, 7, 30]) expect(xOf(left, mm)).toBeCloseTo(wide - xOf(right, mm), 9);
    expect(left.section?.ox).toBeCloseTo(wide - (right.section?.ox ?? 0), 9);
    expect([left.profile.oy, left.plan.oy, left.scale]).toEqual([right.profile.oy, right.plan.oy, right.scale]);
    expect(mmAt(left, xOf(left, 12))).toBeCloseTo(12, 9);
  });
  test.each(['wheel', 'keys'] as const)('by the %s what lies under the pointer stays there', (how) => {
    const box = { left: 40, top: 30, width: wide, height: tall } as DOMRect;
    const frame = { current: { getBoundingClientRect: () => box } as HTMLElement };
    const { result } = renderHook(() => useZoom(frame));
    const at = { x: 610, y: 170 };
    const before = mmAt(sheet('right'), at.x);
    act(() => {
      if (how === 'keys') result.current.by(2, at);
      else
        result.current.onWheel({
          clientX: box.left + at.x,
          clientY: box.top + at.y,
          deltaY: -1,
          ctrlKey: false,
          metaKey: false,
        } as WheelEvent);
    });
    const closer = sheet('right', result.current.zoom);
    expect(result.current.zoom.factor).toBeGreaterThan(1.1);
    expect(mmAt(closer, at.x)).toBeCloseTo(before, 9);
    const up = (layout: typeof closer): number => (layout.profile.oy - at.y) / layout.scale;
    expect(up(closer)).toBeCloseTo(up(sheet('right')), 9);
    act(() => result.current.fit());
    expect(result.current.zoom).toBe(NO_ZOOM);
  });
});
