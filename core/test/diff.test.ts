import { diffFlies, differenceWords } from '../src/edit/diff.ts';
import { eyes, fly, tail } from './build.ts';

describe('what differs between two versions', () => {
  const then = fly([tail()], { intent: { ride: 'point-up' } });
  const now = fly([eyes(), tail({ length: '2 shank' })], { name: 'Other' });
  test('is told by part and key, additions and order included', () => {
    expect(diffFlies(then, now)).toEqual([
      { what: 'name', before: 'Test', after: 'Other' },
      { what: 'meant, ride', before: 'point-up', after: 'none' },
      { what: 'tail, length', before: '1 shank', after: '2 shank' },
      { what: 'eyes', before: 'none', after: 'tied in' },
    ]);
    expect(diffFlies(now, { ...now, parts: [...now.parts].reverse() })).toEqual([
      { what: 'tying order', before: 'eyes, tail', after: 'tail, eyes' },
    ]);
  });
  test('is told in words, never as it stands in the file', () => {
    const spoken = diffFlies(now, {
      ...now,
      platform: { ...now.platform, longX: 3 } as typeof now.platform,
      mutes: [{ code: 'length.tail', reason: 'short takes' }],
      parts: [tail({ length: '1.2 shank', stacked: true })] as unknown as typeof now.parts,
    }).map(differenceWords);
    expect(spoken).toContain('left as it is: short takes');
    expect(spoken).toContain('eyes taken off');
    expect(spoken).toContain('tail, length: 2 shank became 1.2 shank');
    expect(spoken).toContain('tail, stacked: yes');
    expect(spoken.join()).not.toMatch(/[{}[\]"]/);
  });
  test('is nothing between a fly and itself', () => {
    expect(diffFlies(now, now)).toEqual([]);
  });
});
