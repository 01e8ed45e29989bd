import { changesInWords, compareSteps } from '../src/tying/compareSteps.ts';
import { step, type Step } from '../src/tying/step.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { withWay } from '../src/tying/ways/ways.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { body, laid, rib, tail } from './build.ts';

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
  const palmer = {
    id: 'palmer',
    role: 'hackle',
    construction: 'hackle',
    style: 'palmer',
    material: 'saddle',
    fibre: '1 gap',
    turns: 6,
    from: 'body.front',
    to: 'bend',
  };
  const now = laid([tail(), rib(), body(), palmer]);
  const other = layFly(withWay(now, 'palmer', 'rear'));
  if (!other.ok) throw new Error('does not lay');
  const changes = compareSteps(tyingPlan(now).steps, tyingPlan(other.value).steps);
  expect(changes.added.join()).toContain('Palmer, tied in and left hanging');
  expect(changes.gone).toEqual(['Palmer']);
});
