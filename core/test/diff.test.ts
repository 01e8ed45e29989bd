import { diffFlies } from '../src/edit/diff.ts';
import { eyes, fly, tail } from './build.ts';

describe('what differs between two versions', () => {
  const then = fly([tail()], { intent: { ride: 'point-up' } });
  const now = fly([eyes(), tail({ length: '2 shank' })], { name: 'Other' });
  test('is told by part and key, additions and order included', () => {
    expect(diffFlies(then, now)).toEqual([
      { what: 'name', before: 'Test', after: 'Other' },
      { what: 'intent, ride', before: 'point-up', after: 'none' },
      { what: 'tail, length', before: '1 shank', after: '2 shank' },
      { what: 'eyes', before: 'none', after: 'tied in' },
    ]);
    expect(diffFlies(now, { ...now, parts: [...now.parts].reverse() })).toEqual([
      { what: 'tying order', before: 'eyes, tail', after: 'tail, eyes' },
    ]);
  });
  test('is nothing between a fly and itself', () => {
    expect(diffFlies(now, now)).toEqual([]);
  });
});
