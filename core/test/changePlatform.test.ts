import { asKind, changePlatform } from '../src/edit/platform.ts';
import type { PlatformFile } from '../src/pattern/schema.ts';
import { body, collar, eyes, laid, tail, wing } from './build.ts';

const single = {
  kind: 'single',
  size: '6',
  longX: 3,
  eye: 'looped-up',
  bend: 'continuous',
  barb: 'pinched',
  packet: 'p',
} as const;

describe('a fly put on another platform', () => {
  test('a hook keeps its size and make; what the other kind has not falls away', () => {
    expect(asKind(single, 'double', 27)).toEqual({
      kind: 'double',
      size: '6',
      longX: 3,
      eye: 'looped-up',
      barb: 'pinched',
      packet: 'p',
    });
    expect(asKind(single, 'jig', 27)).toEqual({ kind: 'jig', size: '6', longX: 3, barb: 'pinched', packet: 'p' });
  });
  test('a tube is as long as the shank was, with the hook behind it; and back again', () => {
    const tube = asKind({ ...single, headSpace: '2 mm' }, 'tube', 27.3);
    expect(tube).toEqual({
      kind: 'tube',
      length: '27 mm',
      hook: { kind: 'single', size: '6', eye: 'looped-up', bend: 'continuous', barb: 'pinched', ride: 'point-down' },
      headSpace: '2 mm',
    });
    expect(asKind(tube, 'shank', 0)).toMatchObject({
      kind: 'shank',
      length: '27 mm',
      hook: { size: '6', ride: 'point-down' },
    });
    expect(asKind(tube, 'single', 0)).toMatchObject({ kind: 'single', size: '6', headSpace: '2 mm' });
    expect(asKind({ kind: 'double', size: '8' }, 'shank', 15)).toMatchObject({
      hook: { kind: 'double', ride: 'point-up' },
    });
  });
  test('relations stay and take their new measure', () => {
    const before = laid([eyes(), tail(), body(), wing(), collar()]);
    const to: PlatformFile = { kind: 'double', size: '4' };
    const changed = changePlatform(before, to);
    if (!changed.ok) throw new Error('does not lay out');
    expect(changed.value.left).toEqual([]);
    expect(changed.value.file.parts).toEqual(before.file.parts);
  });
  test('what leans on a point that is not there keeps the measure it had, and is told', () => {
    const before = laid(
      [
        tail(),
        collar({ fibre: '1.2 gap' }),
        wing({ id: 'throat', role: 'throat', length: undefined, tip: 'between point and barb' }),
      ].map((part) => JSON.parse(JSON.stringify(part)) as Record<string, unknown>),
    );
    const changed = changePlatform(before, { kind: 'tube', length: '27 mm' });
    if (!changed.ok) throw new Error('does not lay out');
    expect(changed.value.left.map(({ part, key, was, now }) => [part, key, was, now])).toEqual([
      ['collar', 'fibre', '1.2 gap', '8.89 mm'],
      ['throat', 'tip', 'between point and barb', expect.stringMatching(/^eye \+ 2[0-9.]+ mm$/)],
    ]);
    expect(changed.value.left[0]?.why).toMatch(/a tube has no gap/);
  });
  test('a platform that is wrong in itself is refused', () => {
    const changed = changePlatform(laid([tail()]), { kind: 'tube', length: '20 mm', outside: '2 mm', inside: '3 mm' });
    expect(changed.ok).toBe(false);
  });
});
