import fc from 'fast-check';
import { changesInWords, compareSteps } from '../src/tying/compareSteps.ts';
import { step, type Step } from '../src/tying/step.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { withWay } from '../src/tying/ways/ways.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { body, laid, palmer, rib, tail } from './build.ts';

const steps = (...keys: string[]): Step[] => keys.map((key) => step({ key, title: key.toUpperCase(), drawn: [] }));

test('new, gone, and at another place: as few as explain it', () => {
  expect(compareSteps(steps('a', 'b', 'c'), steps('a', 'b', 'c'))).toEqual({
    added: [],
    gone: [],
    moved: [],
    changed: [],
  });
  expect(compareSteps(steps('a', 'b', 'c', 'd'), steps('a', 'd', 'b', 'x', 'c'))).toEqual({
    added: ['X'],
    gone: [],
    moved: ['D'],
    changed: [],
  });
  expect(compareSteps(steps('a', 'b'), steps('b')).gone).toEqual(['A']);
});
test('of any two orders as few have moved as can be: what stays is the longest row both have', () => {
  /** How many of one row can stay, by trying every choice of them. */
  const most = (before: readonly string[], after: readonly string[]): number => {
    let best = 0;
    for (let choice = 0; choice < 2 ** before.length; choice++) {
      const stay = before.filter((_, i) => Math.floor(choice / 2 ** i) % 2 === 1);
      const places = stay.map((key) => after.indexOf(key));
      if (places.every((at, i) => i === 0 || at > (places[i - 1] ?? 0))) best = Math.max(best, stay.length);
    }
    return best;
  };
  const row = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];
  fc.assert(
    fc.property(fc.shuffledSubarray(row, { minLength: 7 }), (after) => {
      const { added, gone, moved } = compareSteps(steps(...row), steps(...after));
      expect([added, gone, moved.length]).toEqual([[], [], row.length - most(row, after)]);
    }),
  );
});
test('a step that says something else where it was is told as such', () => {
  const [a, b] = steps('a', 'b');
  if (!a || !b) throw new Error('no steps');
  expect(compareSteps([a, b], [{ ...a, how: ['Otherwise.'] }, b]).changed).toEqual(['A']);
});
test('in a line; nothing where nothing differs', () => {
  expect(changesInWords(compareSteps(steps('a', 'b', 'c'), steps('b', 'a', 'x')))).toMatch(
    /^New: X\. Gone: C\. At another place: [AB]\.$/,
  );
  expect(changesInWords(compareSteps(steps('a'), steps('a')))).toBe('');
});
test('another way of a real fly: a palmer from the rear is caught early and wound late', () => {
  const now = laid([tail(), rib(), body(), palmer({ from: 'body.front', to: 'bend' })]);
  const other = layFly(withWay(now, 'palmer', 'rear'));
  if (!other.ok) throw new Error('does not lay');
  const changes = compareSteps(tyingPlan(now).steps, tyingPlan(other.value).steps);
  expect(changes.added.join()).toContain('Palmer, tied in and left hanging');
  expect(changes.gone).toEqual(['Palmer']);
});
