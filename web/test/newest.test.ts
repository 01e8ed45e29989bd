import { renderHook } from '@testing-library/react';
import { useNewest } from '../src/features/water/useFished.ts';
import type { Refused, Shown } from '../src/features/water/reckon.ts';

/** An answer, told apart by how long the cast is. */
const answer = (castMm: number): Shown => ({ ok: true, asked: { castMm } }) as Shown;
type Answers = readonly [whole: Shown | null, current: boolean, once: Shown | Refused | null];

function newest(first: Answers) {
  const { result, rerender } = renderHook(
    ([whole, current, once]: Answers) => useNewest({ answer: whole, current }, { answer: once }),
    { initialProps: first },
  );
  return {
    shown: () => result.current?.asked.castMm ?? null,
    next: rerender,
  };
}

const REFUSED: Refused = { ok: false, faults: [] };
const [strip, drift, shorter] = [answer(1), answer(2), answer(3)];

test('one run is shown until the whole is there, and the next run once that is asked', () => {
  const { shown, next } = newest([null, false, null]);
  expect(shown()).toBeNull();
  next([null, false, strip]);
  expect(shown()).toBe(1);
  next([drift, true, strip]);
  expect(shown()).toBe(2);
  next([drift, false, shorter]);
  expect(shown()).toBe(3);
});

test('where the whole came before its one run, the next question does not bring back what was asked before it', () => {
  const { shown, next } = newest([strip, true, strip]);
  next([drift, true, strip]);
  expect(shown()).toBe(2);
  next([drift, false, strip]);
  expect(shown()).toBe(2);
  next([drift, false, shorter]);
  expect(shown()).toBe(3);
});

test('what is refused leaves what was last shown', () => {
  const { shown, next } = newest([drift, true, drift]);
  next([drift, false, REFUSED]);
  expect(shown()).toBe(2);
});
