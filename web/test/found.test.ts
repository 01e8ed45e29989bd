import { offeredParts } from '@jobbet/core/edit';
import { NOMINAL_DRAWERS } from '@jobbet/core/drawers';
import { PART_BY } from '../src/features/bench/partBy.ts';
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

describe('what is told best stands first', () => {
  const called = finderOf(['throat', 'throat hackle', 'collar hackle', 'hackle', 'chenille', 'hen'], {
    name: { weight: 1, of: (word: string) => [word, `made of ${word}`] },
  });
  test.each([
    // All of a name before half of one, a whole word before one that is begun.
    ['hackle', ['hackle', 'throat hackle', 'collar hackle']],
    ['throat', ['throat', 'throat hackle']],
    ['throat hackle', ['throat hackle']],
    // What only stands within a word is nothing of that name.
    ['hen', ['hen']],
    ['made hen', ['hen']],
    ['CHEN', ['chenille']],
  ])('%s: %j', (typed, found) => {
    expect(called(typed)).toEqual(found);
  });
  test('what is told alike stays in its order', () => {
    expect(called('made')).toEqual(['throat', 'hackle', 'chenille', 'hen', 'throat hackle', 'collar hackle']);
  });
  test('of several words that nothing has all of, what some of them tell; of one, nothing', () => {
    expect(called('throat peacock')).toEqual(['throat', 'throat hackle']);
    expect(called('peacock')).toEqual([]);
  });
  test('an item without a name is not found, and takes nothing from others', () => {
    const some = finderOf(['', 'wing'], { name: { weight: 1, of: (word: string) => word } });
    expect(some('wing')).toEqual(['wing']);
  });
});

describe('parts to tie in', () => {
  const parts = offeredParts(NOMINAL_DRAWERS);
  const find = finderOf(parts, PART_BY);
  const first = (typed: string): string => {
    const [part] = find(typed);
    return part ? `${part.name}${part.of === null ? '' : ` of ${part.of}`}` : '';
  };
  test.each([
    ['marabou', 'Tail of marabou'],
    ['barbell', 'Dumbbell eyes'],
    ['eyes', 'Dumbbell eyes'],
    ['beard', 'Throat'],
    ['throat hackle', 'Throat hackle'],
    ['hen', 'Collar hackle of hen'],
    ['hackle', 'Collar hackle'],
    ['wing', 'Hair wing'],
    ['squirrel wing', 'Hair wing of squirrel hair'],
    ['chenille', 'Body of chenille'],
    ['peacock', 'Body of herl'],
    ['flash', 'Flash'],
    ['lead', 'Weight wire'],
    ['lead eyes', 'Dumbbell eyes of lead'],
    ['tungsten bead', 'Bead of tungsten'],
    ['copper wire', 'Rib of copper wire'],
    ['jungle cheek', 'Cheeks'],
    ['fox wing', 'Hair wing'],
    ['brass bead', 'Bead'],
    ['topping', 'Topping'],
    ['varnish', 'Coat'],
    ['hackel', 'Collar hackle of partridge-type hackle'],
  ])('%s offers first: %s', (typed, offered) => {
    expect(first(typed)).toBe(offered);
  });
  test('a part is offered in what it is made of, and in nothing else', () => {
    const of = (name: string): (string | null)[] => parts.filter((each) => each.name === name).map((each) => each.of);
    expect(of('Flash')).not.toContain('fox hair');
    expect(of('Tail')).toEqual(expect.arrayContaining(['fox hair', 'marabou']));
    expect(of('Weight wire')).toEqual([null, 'lead wire']);
    expect(of('Legs')).not.toContain('marabou');
    expect(of('Topping')).toEqual([null]);
    expect(of('Rib')).not.toContain('chenille');
  });
});
