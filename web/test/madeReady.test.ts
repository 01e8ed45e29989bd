import { METRIC } from '@jobbet/core/units';
import { madeReadyWords } from '../src/fly/batches/words.ts';

type Prep = Parameters<typeof madeReadyWords>[0];
const prep = (more: Partial<Prep>): Prep => ({
  material: 'rabbit strip',
  colour: 'slate',
  what: 'cut from the hide side, hair lying one way, one end to a point',
  lookFor: null,
  doFirst: null,
  pieces: 4,
  cut_mm: 46.3,
  from: '2 of 2',
  of: 218,
  waste_mm: 0,
  leftover: null,
  points: [],
  byproduct: null,
  ...more,
});

test.each([
  ['what is cut, by its length and from what', {}, 'cut to 46.3 mm from piece 2 of 2, 218 mm'],
  ['what is short', { from: 'to buy', of: null }, 'cut to 46.3 mm to be bought first'],
  ['what nobody measured', { from: null, of: null }, 'cut to 46.3 mm'],
  [
    'one that goes on as another part',
    { from: null, points: [{ as: 'wing', at_mm: 31.2 }] },
    'cut to 46.3 mm; marked at 31.2 mm, where it goes on as wing',
  ],
  [
    'a hackle, which is not cut',
    { what: 'measured against the gap, fluff stripped off the stem', cut_mm: 43.9, from: null },
    'measured against the gap, fluff stripped off the stem',
  ],
] as const)('%s', (_what, more, words) => {
  expect(madeReadyWords(prep(more), METRIC)).toBe(words);
});
