import { layFly } from '../src/index.ts';
import { brokenBy, constraintsOf } from '../src/tying/constraints.ts';
import { waysOf, withWay } from '../src/tying/ways.ts';
import { body, collar, fly, rib, tail, wing } from './build.ts';

const palmer = (more = {}) => ({
  id: 'palmer',
  role: 'hackle',
  construction: 'hackle',
  style: 'palmer',
  material: 'saddle',
  fibre: '1.2 gap',
  turns: 7,
  from: 'body.front',
  to: 'bend',
  ...more,
});
const throat = {
  id: 'throat',
  role: 'throat',
  construction: 'hackle',
  style: 'throat',
  material: 'hen',
  at: 'head',
  fibre: '1 gap',
  turns: 2,
};
const salmon = fly([tail(), rib({ to: 'station 2' }), body({ to: 'station 2' }), palmer(), throat, wing(), collar()], {
  finish: { whips: 1, coats: ['cement'] },
});
const now = (file: typeof salmon) => Object.fromEntries(waysOf(file).map((way) => [way.key, way.now]));
const broken = (file: typeof salmon): string[] => {
  const laid = layFly(file);
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  return brokenBy(
    constraintsOf(laid.value),
    file.parts.map((part) => part.id),
  ).map((each) => each.code);
};

test('a fly has the ways its parts and its finish have, as it is', () => {
  expect(now(salmon)).toEqual({
    palmer: 'front',
    'by throat': 'base',
    'by collar': 'base',
    throat: 'before',
    whips: '1',
    seal: 'cement',
  });
  expect(now(fly([tail()]))).toEqual({ whips: '1', seal: 'bare' });
  expect(now(fly([tail()], { finish: { coats: ['resin', 'varnish'] } }))).toMatchObject({ seal: 'own' });
});
test('every way there is can be taken, says so afterwards, and lays out in an order that stands', () => {
  for (const way of waysOf(salmon))
    for (const { value } of way.options) {
      const other = withWay(salmon, way.key, value);
      expect([way.key, now(other)[way.key]]).toEqual([way.key, value]);
      expect([way.key, value, broken(other)]).toEqual([way.key, value, []]);
    }
});
test('a palmer from the rear is caught before the body, from the front wound after it; along the rib it has its turns', () => {
  const order = (file: typeof salmon): string[] =>
    file.parts.map((part) => part.id).filter((id) => id === 'palmer' || id === 'body');
  const rear = withWay(salmon, 'palmer', 'rear');
  expect(order(rear)).toEqual(['palmer', 'body']);
  expect(rear.parts.find((part) => part.id === 'palmer')).toMatchObject({ from: 'bend', to: 'body.front', turns: 7 });
  expect(withWay(rear, 'palmer', 'front').parts).toEqual(salmon.parts);
  expect(withWay(salmon, 'palmer', 'along').parts.find((part) => part.id === 'palmer')).toMatchObject({ turns: 5 });
});
test('the throat goes before the wing or after it, whips and coats into the finish', () => {
  const after = withWay(salmon, 'throat', 'after').parts.map((part) => part.id);
  expect(after.indexOf('throat')).toBe(after.indexOf('wing') + 1);
  expect(withWay(salmon, 'whips', '2').finish).toEqual({ whips: 2, coats: ['cement'] });
  expect(withWay(salmon, 'seal', 'superglue').finish?.coats).toEqual(['superglue', 'varnish']);
  expect(withWay(salmon, 'by collar', 'tip').parts.find((part) => part.id === 'collar')).toMatchObject({ by: 'tip' });
});
test('what is no way of the fly leaves it as it is', () => {
  expect(withWay(salmon, 'colour', 'red')).toBe(salmon);
  expect(withWay(salmon, 'whips', '9')).toBe(salmon);
});
