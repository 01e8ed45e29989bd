import { act, renderHook } from '@testing-library/react';
import type { ListedFly } from '../src/shared/api/client.ts';
import { called } from '../src/features/box/together.ts';
import { stretchOf, useChosen } from '../src/features/box/useChosen.ts';

const listed = (...ids: string[]): readonly ListedFly[] => ids.map((id) => ({ id, name: `fly ${id}` }) as ListedFly);

test('a stretch runs from the last chosen to the next, whichever comes first; without a last it is that one', () => {
  const ids = ['a', 'b', 'c', 'd'];
  expect(stretchOf(ids, 'a', 'c')).toEqual(['a', 'b', 'c']);
  expect(stretchOf(ids, 'd', 'b')).toEqual(['b', 'c', 'd']);
  expect(stretchOf(ids, null, 'b')).toEqual(['b']);
  expect(stretchOf(ids, 'gone', 'b')).toEqual(['b']);
});
test('flies are chosen one by one, in a stretch, all and none; one no longer shown is let go', () => {
  const { result, rerender } = renderHook(({ shown }) => useChosen(shown), {
    initialProps: { shown: listed('a', 'b', 'c', 'd') },
  });
  const chosen = (): string[] => result.current.flies.map(({ id }) => id);
  act(() => result.current.toggle('b'));
  act(() => result.current.toggle('d', true));
  expect(chosen()).toEqual(['b', 'c', 'd']);
  act(() => result.current.toggle('c'));
  expect(chosen()).toEqual(['b', 'd']);
  rerender({ shown: listed('a', 'b') });
  expect(chosen()).toEqual(['b']);
  act(() => result.current.all());
  expect(chosen()).toEqual(['a', 'b']);
  act(() => result.current.all());
  expect(chosen()).toEqual([]);
  act(() => result.current.all());
  act(() => result.current.none());
  expect(chosen()).toEqual([]);
});
test('several are told by their number, one by its name', () => {
  expect([called(listed('a')), called(listed('a', 'b'))]).toEqual(['fly a', '2 flies']);
});
