import { offeredParts } from '@jobbet/core/edit';
import { NOMINAL_DRAWERS } from '@jobbet/core/drawers';
import { finderOf } from '../src/shared/ui/found.ts';

const words = finderOf(['tail', 'tubing tail', 'dumbbell eyes', 'collar hackle', 'squirrel hair'], {
  name: { weight: 1, of: (word: string) => word },
});

describe('what is found by typing', () => {
  test.each([
    ['tail', ['tail', 'tubing tail']],
    ['dumbel', ['dumbbell eyes']],
    ['dumb ey', ['dumbbell eyes']],
    ['hackle collar', ['collar hackle']],
    ['squirel', ['squirrel hair']],
  ])('%s finds %j', (typed, found) => {
    expect(words(typed)).toEqual(found);
  });
  test.each(['til', 'clh', 'sqh', 'xyz'])('letters in order are no match: %s', (typed) => {
    expect(words(typed)).toEqual([]);
  });
  test('a letter by itself among words is passed over', () => {
    expect(words('a tubing tail')).toEqual(['tubing tail']);
  });

  test('nothing typed leaves the list as it is', () => {
    expect(words(' ')).toHaveLength(5);
  });
});

describe('parts to tie in', () => {
  const parts = offeredParts(NOMINAL_DRAWERS);
  const find = finderOf(parts, {
    name: { weight: 4, of: ({ name }) => name },
    called: { weight: 2, of: ({ called }) => called },
    material: { weight: 2, of: ({ of }) => of ?? '' },
  });
  test.each([
    ['marabou', 'Tail', 'marabou'],
    ['barbell', 'Dumbbell eyes', null],
    ['beard', 'Throat', null],
    ['squirrel wing', 'Hair wing', 'squirrel hair'],
    ['flash', 'Flash', null],
  ])('%s offers %s of %s', (typed, name, of) => {
    expect(find(typed).map((each) => [each.name, each.of])).toContainEqual([name, of]);
  });
  test('a part is offered in what it is made of, and in nothing else', () => {
    const of = (name: string): (string | null)[] => parts.filter((each) => each.name === name).map((each) => each.of);
    expect(of('Flash')).not.toContain('fox hair');
    expect(of('Tail')).toEqual(expect.arrayContaining(['fox hair', 'marabou']));
    expect(of('Weight wire')).toEqual([null]);
    expect(of('Legs')).not.toContain('marabou');
  });
});
