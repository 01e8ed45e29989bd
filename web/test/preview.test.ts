import { shownOf, wantsSettling, type Finding } from '@jobbet/core/checks';
import { readSizes } from '@jobbet/core/study';
import { change, createBench, leavePreview, showPreview, takePreview, undo } from '../src/fly/store.ts';
import { usualSizes } from '@jobbet/core/study';
import { keepRun, keptRun } from '../src/features/sizes/runsKept.ts';
import { fly, stored, withTail } from './build.ts';

describe('a change that is shown before it is made', () => {
  test('is on the drawing and not in the fly; taken, it is one step to undo', () => {
    const bench = createBench(stored());
    const before = bench.getState().file;
    const longer = withTail('30 mm');
    showPreview(bench, 'longer', longer);
    expect([bench.getState().preview?.words, bench.getState().file]).toEqual(['longer', before]);
    expect(bench.getState().preview?.laid.parts[0]?.extent.lengthMm).toBeCloseTo(30);
    expect(takePreview(bench)).toBe('longer');
    expect([bench.getState().file, bench.getState().preview]).toEqual([longer, null]);
    undo(bench);
    expect(bench.getState().file).toEqual(before);
  });
  test('knows the changes it goes on from, so that what was said of them stays beside it', () => {
    const bench = createBench(stored());
    const [first, second] = [withTail('30 mm'), withTail('28 mm')];
    showPreview(bench, 'longer', first);
    expect(bench.getState().preview?.by).toEqual([first]);
    showPreview(bench, 'and shorter', second, [first]);
    expect(bench.getState().preview?.by).toEqual([first, second]);
    expect(takePreview(bench)).toBe('and shorter');
    expect(bench.getState().file).toEqual(second);
  });
  test('is left again, by being shown twice, and by any other change; with nothing shown there is nothing to take', () => {
    const bench = createBench(stored());
    const shown = withTail('30 mm');
    showPreview(bench, 'longer', shown);
    leavePreview(bench);
    expect(takePreview(bench)).toBeNull();
    showPreview(bench, 'longer', shown);
    showPreview(bench, 'longer', shown);
    expect(bench.getState().preview).toBeNull();
    showPreview(bench, 'longer', shown);
    change(bench, withTail('22 mm'));
    expect(bench.getState().preview).toBeNull();
  });
});

test('what costs only looks is folded away where it is not wished for; notes need no settling', () => {
  const find = (severity: Finding['severity'], costs: Finding['costs']): Finding => ({
    code: 'a.b',
    severity,
    costs,
    reason: '',
    message: '',
    parts: [],
    figure: null,
    limit: null,
    atMm: null,
    fix: null,
  });
  const all = [find('stop', 'fish'), find('warn', 'looks'), find('note', 'strength')];
  expect([true, false].map((looks) => shownOf(all, looks).filter(wantsSettling).length)).toEqual([2, 1]);
});

test('the run a fly begins with reads, holds its own size and other platforms; a written one is kept fly by fly', () => {
  for (const platform of [
    { kind: 'single', size: '6' },
    { kind: 'double', size: '14' },
    { kind: 'single', size: '6/0' },
    { kind: 'tube', length: '28 mm', hook: { kind: 'single', size: '8' } },
    { kind: 'shank', length: '30 mm' },
  ] as const) {
    const read = readSizes(usualSizes(fly({ platform })));
    expect([platform.kind, read.ok && read.value.length >= 3]).toEqual([platform.kind, true]);
  }
  expect(usualSizes(fly({ platform: { kind: 'single', size: '6' } }))).toBe('2, 4, 6, 8, 10, double:6, tube:28mm');
  const pins = [{ size: '4', part: 'tail', key: 'length', value: '22 mm' }];
  keepRun('one', { sizes: '4, 6', hold: 'ride', pins });
  keepRun('two', { sizes: '8', hold: 'shape', pins: [] });
  expect(keptRun('one')).toEqual({ sizes: '4, 6', hold: 'ride', pins });
  expect([keptRun('two')?.sizes, keptRun('three')]).toEqual(['8', null]);
  // As runs were kept before there were pins.
  localStorage.setItem('jobbet.runs', JSON.stringify({ old: '10, 12' }));
  expect(keptRun('old')).toEqual({ sizes: '10, 12', hold: 'shape', pins: [] });
  localStorage.setItem('jobbet.runs', 'broken');
  expect(keptRun('old')).toBeNull();
});
