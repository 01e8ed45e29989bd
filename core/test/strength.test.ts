import { checkFile, type CheckOptions } from '../src/checks/checkFly.ts';
import type { Finding } from '../src/checks/types.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/index.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import type { FlyFile } from '../src/pattern/schema.ts';
import { body, fly, palmer, rib, spunHead, strip, tail, weightWire } from './build.ts';

const found = (file: FlyFile, code: string, options?: CheckOptions): Finding | undefined => {
  const result = checkFile(file, options);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.value.findings.find((each) => each.code === code);
};
const says = (file: FlyFile, code: string): string => found(file, code)?.message ?? 'nothing';

const herl = (more = {}) => body({ material: 'herl', to: 'station 3', ...more });

describe('herl and floss are crossed', () => {
  test('by a rib the other way; one the same way is told to turn', () => {
    expect(says(fly([herl()]), 'strength.herl')).toBe('no rib crosses body');
    expect(says(fly([herl(), rib({ direction: 'counter' })]), 'strength.herl')).toBe('nothing');
    const along = fly([herl(), rib({ direction: 'with' })]);
    expect(says(along, 'strength.herl')).toBe('rib runs along the turns of body and does not cross them');
    expect(found(along, 'strength.herl')?.fix?.file.parts[1]).toMatchObject({ id: 'rib', direction: 'counter' });
    const other = fly([herl({ direction: 'counter' }), rib({ direction: 'counter' })]);
    expect(found(other, 'strength.herl')?.fix?.file.parts[1]).toMatchObject({ id: 'rib', direction: 'with' });
  });
  test('by the stem of a hackle that a rib binds, whichever way that goes', () => {
    expect(says(fly([herl(), palmer(), rib({ direction: 'with' })]), 'strength.herl')).toBe('nothing');
    // A hackle somewhere else crosses nothing, nor does a collar, nor a stem that nothing binds.
    const before = palmer({ from: 'station 2.5', to: 'station 1' });
    expect(says(fly([herl(), before, rib({ direction: 'with' })]), 'strength.herl')).toContain('does not cross');
    expect(says(fly([herl(), palmer()]), 'strength.herl')).toBe('no rib crosses body');
  });
  test('by an open rib over floss, which crosses its touching turns either way', () => {
    expect(says(fly([body({ material: 'floss' })]), 'strength.herl')).toBe('no rib crosses body');
    expect(says(fly([body({ material: 'floss' }), rib({ direction: 'with' })]), 'strength.herl')).toBe('nothing');
  });
  test.each(['tag', 'butt', 'head', 'rib', 'collar'])('too short for one: a %s', (role) => {
    const short = herl({ id: 'short', role, from: 'bend', to: 'bend - 1.5 mm' });
    expect(says(fly([short]), 'strength.herl')).toBe('nothing');
  });
  test('a rib over less than a third of it crosses nothing', () => {
    const third = (to: string) => says(fly([herl(), rib({ from: 'bend', to, direction: 'counter' })]), 'strength.herl');
    // The body covers seven stations.
    expect(third('station 7.8')).toBe('no rib crosses body');
    expect(third('station 7.5')).toBe('nothing');
  });
  test('what is neither herl nor floss needs none', () => {
    expect(says(fly([body()]), 'strength.herl')).toBe('nothing');
  });
});

describe('thread is as strong as it is pulled', () => {
  const hide = (thickness: string, width: string, denier = 70) =>
    says(fly([strip({ thickness, width })], { thread: { denier } }), 'strength.hide-thread');
  test('hide asks for it by its thickness or by its section', () => {
    expect(hide('0.7 mm', '3 mm')).toBe('nothing');
    // 1.6 mm², but thick; 2.5 mm², but thin.
    expect(hide('0.8 mm', '2 mm')).toBe('strip: hide of 1.6 mm² on 70 denier');
    expect(hide('0.5 mm', '5 mm')).toBe('strip: hide of 2.5 mm² on 70 denier');
    expect(hide('0.8 mm', '5 mm', 110)).toBe('nothing');
    expect(hide('0.8 mm', '5 mm', 109)).toContain('109 denier');
  });
  test('a fly that names no thread is tied with 140 denier', () => {
    expect(says(fly([spunHead()]), 'strength.spun-thread')).toBe('nothing');
    const fine = fly([spunHead()], { thread: { denier: 129, colour: 'black' } });
    expect(says(fine, 'strength.spun-thread')).toBe('hair: flared with 129 denier');
    expect(found(fine, 'strength.spun-thread')?.fix?.file.thread).toEqual({ denier: 130, colour: 'black' });
  });
});

describe('weight that slides', () => {
  const wire = weightWire({ from: 'station 5' });
  test('is glued by its fix, and what else finishes the fly stays', () => {
    const file = fly([wire], { finish: { coats: ['varnish'] } });
    expect(found(file, 'strength.weight')?.fix?.file.finish).toEqual({ coats: ['varnish'], glueOnThread: true });
    expect(says(fly([wire], { finish: { glueOnThread: true } }), 'strength.weight')).toBe('nothing');
  });
  test('is not told of what is no weight', () => {
    expect(says(fly([rib()]), 'strength.weight')).toBe('nothing');
  });
});

describe('a hook of bad temper', () => {
  const packet = { name: 'Test hooks', form: 'single', size: '6', temper: 'soft' } as const;
  const drawers = { ...NOMINAL_DRAWERS, hooks: [packet] };
  test('is told behind a tube and a shank too', () => {
    const hook = { kind: 'single', size: '6', packet: 'Test hooks' };
    const of = (platform: Record<string, unknown>) =>
      found(fly([tail()], { platform }), 'strength.temper', { drawers })?.message;
    expect(of({ kind: 'tube', length: '30 mm', hook })).toBe('the hooks of Test hooks proved soft');
    expect(of({ kind: 'tube', length: '30 mm' })).toBeUndefined();
    expect(of(hook)).toBe('the hooks of Test hooks proved soft');
  });
});

describe('drawers that hold nothing a part is made of', () => {
  test.each([
    [spunHead(), 'spun', 'parts[0].material', 'hair that spins'],
    [tail(), 'bundles', 'parts[0].material', 'hair, plume or strands'],
  ])('%#', (part, drawer, path, words) => {
    const result = layFly(fly([part]), { ...NOMINAL_DRAWERS, [drawer]: [] });
    if (result.ok) throw new Error('it lay');
    expect(result.faults).toHaveLength(1);
    expect(result.faults[0]).toMatchObject({ path, code: 'material' });
    expect(result.faults[0]?.message).toContain(words);
  });
});
