import { layFly, type LaidFly } from '../src/model/solve/layFly.ts';
import type { FlyFile } from '../src/pattern/schema.ts';
import { brokenBy, constraintsOf } from '../src/tying/constraints.ts';
import { taperOf } from '../src/tying/ways/taper.ts';
import { waysOf, withWay } from '../src/tying/ways/ways.ts';
import { tyingPlan } from '../src/tying/steps.ts';
import { body, collar, eyes, fly, palmer as palmered, rib, tail, weightWire, wing } from './build.ts';

const palmer = (more: Record<string, unknown> = {}) =>
  palmered({ fibre: '1.2 gap', turns: 7, from: 'body.front', to: 'bend', ...more });
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
const settled = (file: FlyFile): LaidFly => {
  const laid = layFly(file);
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  return laid.value;
};
const take = (file: FlyFile, key: string, value: string): FlyFile => withWay(settled(file), key, value);
const now = (file: FlyFile) => Object.fromEntries(waysOf(settled(file)).map((way) => [way.key, way.now]));
const broken = (file: FlyFile): string[] =>
  brokenBy(
    constraintsOf(settled(file)),
    file.parts.map((part) => part.id),
  ).map((each) => each.code);
const order = (file: FlyFile, ...ids: string[]): string[] =>
  file.parts.map((part) => part.id).filter((id) => ids.includes(id));
const one = (file: FlyFile, id: string) => file.parts.find((part) => part.id === id);

test('a fly has the ways its parts and its finish have, as it is', () => {
  expect(now(salmon)).toEqual({
    'taper body': 'level',
    palmer: 'front',
    'direction rib': 'with',
    'over rib': 'hackle',
    'butts tail': 'run',
    'support tail': 'none',
    'tips wing': 'natural',
    'side wing': 'top',
    'by throat': 'tip',
    'by collar': 'tip',
    throat: 'before',
    whips: '1',
    seal: 'cement',
  });
  expect(now(fly([tail()]))).toEqual({ 'support tail': 'none', whips: '1', seal: 'usual' });
  expect(now(fly([tail()], { finish: { coats: [] } }))).toMatchObject({ seal: 'bare' });
  expect(now(fly([tail()], { finish: { coats: ['resin', 'varnish'] } }))).toMatchObject({ seal: 'own' });
});
test('every way there is can be taken, says so afterwards, and lays out in an order that stands', () => {
  for (const way of waysOf(settled(salmon)))
    for (const { value } of way.options) {
      const other = take(salmon, way.key, value);
      expect([way.key, now(other)[way.key]]).toEqual([way.key, value]);
      expect([way.key, value, broken(other)]).toEqual([way.key, value, []]);
    }
});
test('a palmer from the rear is caught before the body, from the front wound after it; along the rib it has its turns', () => {
  const rear = take(salmon, 'palmer', 'rear');
  expect(order(rear, 'palmer', 'body')).toEqual(['palmer', 'body']);
  expect(one(rear, 'palmer')).toMatchObject({ from: 'bend', to: 'body.front', turns: 7 });
  expect(take(rear, 'palmer', 'front').parts).toEqual(salmon.parts);
  // Without a rib one is put in, caught before the body is wound over it.
  const ribless = { ...salmon, parts: salmon.parts.filter((part) => part.id !== 'rib') };
  expect(order(take(ribless, 'palmer', 'along'), 'rib', 'body')).toEqual(['rib', 'body']);
  const along = take(salmon, 'palmer', 'along');
  expect(one(along, 'palmer')).toMatchObject({ turns: 5 });
  // From there the rib crosses it again, whatever their turns.
  const crossed = take(along, 'palmer', 'rear');
  expect([now(crossed)['palmer'], one(crossed, 'rib')]).toMatchObject(['rear', { direction: 'counter' }]);
});
test('a palmer that begins a little before the rear of its body is caught before it too', () => {
  const parts = salmon.parts.map((part) => (part.id === 'palmer' ? { ...part, to: 'bend - 1 mm' } : part));
  const rear = take({ ...salmon, parts }, 'palmer', 'rear');
  expect(order(rear, 'palmer', 'body')).toEqual(['palmer', 'body']);
  expect(broken(rear)).toEqual([]);
});
test('an open palmer loses its rib, and what bound it; every other way gives it one that lies under the body', () => {
  const open = take(salmon, 'palmer', 'open');
  expect(one(open, 'rib')).toBeUndefined();
  const again = take(open, 'palmer', 'front');
  expect(one(again, 'rib')).toMatchObject({ role: 'rib', direction: 'counter', from: 'bend', to: 'body.front' });
  expect(order(again, 'rib', 'body', 'palmer')).toEqual(['rib', 'body', 'palmer']);
});
test('the throat goes before the wing, after it, or between two of them; whips and coats into the finish', () => {
  expect(order(take(salmon, 'throat', 'after'), 'throat', 'wing')).toEqual(['wing', 'throat']);
  const two = { ...salmon, parts: [...salmon.parts, ...fly([wing({ id: 'over', role: 'overwing' })]).parts] };
  expect(waysOf(settled(salmon)).find(({ key }) => key === 'throat')?.options.length).toBe(2);
  const between = take(two, 'throat', 'between');
  expect(order(between, 'throat', 'wing', 'over')).toEqual(['wing', 'throat', 'over']);
  expect(now(between)['throat']).toBe('between');
  expect(take(salmon, 'whips', '2').finish).toEqual({ whips: 2, coats: ['cement'] });
  expect(take(salmon, 'seal', 'superglue').finish?.coats).toEqual(['superglue', 'varnish']);
  expect(one(take(salmon, 'by collar', 'base'), 'collar')).toMatchObject({ by: 'base' });
});
test('a taper is written in the tier’s own relation, scaled; level takes the thickest again', () => {
  const file = fly([body({ diameter: '0.4 gap' })]);
  const cigar = take(file, 'taper body', 'cigar');
  expect(one(cigar, 'body')).toMatchObject({ profile: ['0.24 gap', '0.4 gap', '0.24 gap'] });
  expect(one(take(cigar, 'taper body', 'carrot'), 'body')).toMatchObject({
    profile: ['0.2 gap', '0.3 gap', '0.4 gap'],
  });
  expect(take(cigar, 'taper body', 'level').parts).toEqual(file.parts);
  expect(taperOf(2, 2.05, 2)).toBe('level');
  expect(taperOf(3, 2, 1)).toBe('own');
  expect(taperOf(1, 2, 1.5)).toBe('cigar');
});
test('a head past eyes is crossed between them, which its steps tell pass by pass; one without eyes has no such way', () => {
  const file = fly([eyes({ at: 'station 2' }), body({ material: 'tight dubbing', to: 'head' })]);
  const crossed = take(file, 'crossed body', 'crossed');
  expect(one(crossed, 'body')).toMatchObject({ crossed: true });
  const how = (of: FlyFile): string =>
    tyingPlan(settled(of))
      .steps.find((each) => each.part === 'body')
      ?.how.join(' ') ?? '';
  expect(how(file)).toContain('one turn across to the front on the far side');
  expect(how(crossed)).toContain('across between them to in front of the near one');
  expect(take(crossed, 'crossed body', 'round').parts).toEqual(file.parts);
  expect(now(fly([body({ material: 'tight dubbing', to: 'head' })]))).not.toHaveProperty('crossed body');
  expect(now(fly([eyes({ at: 'station 2' }), body({ material: 'flat tinsel', to: 'head' })]))).not.toHaveProperty(
    'crossed body',
  );
  // Behind the body they are none of its business.
  expect(now(fly([eyes({ at: 'station 1' }), body({ material: 'tight dubbing' })]))).not.toHaveProperty('crossed body');
});
test('weight wire goes on the bare shank or over thread where nothing before it needs thread; a bead has no such choice', () => {
  const bead = eyes({ id: 'bead', shape: 'bead', side: 'around', at: 'against eye' });
  const first = fly([bead, weightWire(), tail()]);
  expect(Object.keys(now(first)).filter((key) => key.startsWith('on '))).toEqual(['on weight']);
  expect(one(take(first, 'on weight', 'thread'), 'weight')).toMatchObject({ on: 'thread' });
  expect(now(fly([tail(), weightWire()]))).not.toHaveProperty('on weight');
});
test('a flat body is wound once, or to the rear and back: in at the front and off at the front', () => {
  const file = fly([tail(), body({ material: 'flat tinsel', from: 'bend', to: 'station 2' })]);
  const back = take(file, 'layers body', 'back');
  expect(one(back, 'body')).toMatchObject({ from: 'station 2', to: 'bend', layers: 2 });
  expect([now(file), now(back)].map((each) => each['layers body'])).toEqual(['once', 'back']);
  expect(take(back, 'layers body', 'once').parts).toEqual(file.parts);
  expect(now(fly([tail(), body()]))).not.toHaveProperty('layers body');
});
test('legs are bound, crossed or folded over the thread; butts wrapped; a wing on top or all round', () => {
  const file = fly([tail(), tail({ id: 'legs', role: 'legs', at: 'station 4' }), body(), wing()]);
  const how = (of: FlyFile, id: string): string =>
    tyingPlan(settled(of))
      .steps.filter((each) => each.part === id)
      .flatMap((each) => each.how)
      .join(' ');
  expect(how(take(file, 'held legs', 'crossed'), 'legs')).toContain('they stand out square');
  expect(how(take(file, 'held legs', 'doubled'), 'legs')).toContain('Fold them over the thread');
  const wrapped = take(file, 'butts tail', 'wrapped');
  expect(now(wrapped)['butts tail']).toBe('wrapped');
  expect(how(wrapped, 'tail')).toContain('wrap them with thread edge to edge');
  expect(one(take(wrapped, 'butts tail', 'cut'), 'tail')).not.toHaveProperty('buttsWrapped');
  expect(one(take(file, 'side wing', 'around'), 'wing')).toMatchObject({ side: 'around' });
});
test('varnish between two whips is one way of whipping, and leaves with it', () => {
  const between = take(salmon, 'whips', 'between');
  expect(between.finish).toEqual({ whips: 2, varnishBetween: true, coats: ['cement'] });
  const whip = tyingPlan(settled(between)).steps.find(({ key }) => key === 'whip');
  expect(whip?.how.join(' ')).toContain('A drop of varnish on it, and again over it');
  expect(whip?.caution).not.toBeNull();
  expect(take(between, 'whips', '1').finish).toEqual({ whips: 1, coats: ['cement'] });
  // With one whip there is nothing it could lie between.
  expect(now(fly([tail()], { finish: { whips: 1, varnishBetween: true } }))).toMatchObject({ whips: '1' });
});
test('what is no way of the fly leaves it as it is', () => {
  expect(take(salmon, 'colour', 'red')).toEqual(salmon);
  expect(take(salmon, 'whips', '9')).toEqual(salmon);
});
