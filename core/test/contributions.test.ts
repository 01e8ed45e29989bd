import { contributionsOf, tippingsOf } from '../src/model/solve/contributions.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { body, collar, eyes, fly, laid, tail } from './build.ts';

const it = laid([eyes(), tail(), body({ to: 'eyes.rear' }), collar()], { thread: { denier: 140 }, head: 'neat' });

describe('what each part brings', () => {
  const brought = contributionsOf(it);
  const sum = (key: 'submergedMg' | 'momentMgMm' | 'lateralMgMm'): number =>
    brought.reduce((total, each) => total + each[key], 0);
  test('adds up to the fly: weight under water, keel moment, lean', () => {
    expect(sum('submergedMg')).toBeCloseTo(it.submergedMg, 6);
    expect(sum('momentMgMm')).toBeCloseTo(it.tight.momentMgMm, 6);
    expect(sum('lateralMgMm')).toBeCloseTo(it.tight.lateralMgMm, 6);
  });
  test('names hook, thread and every part, each with its own silhouette', () => {
    expect(brought.map((each) => [each.id, each.kind])).toEqual([
      ['hook', 'hook'],
      ['thread', 'thread'],
      ['eyes', 'part'],
      ['tail', 'part'],
      ['body', 'part'],
      ['collar', 'part'],
    ]);
    for (const each of brought) expect(each.sideMm2).toBeGreaterThan(0);
    expect(contributionsOf(laid([])).map((each) => each.id)).toEqual(['hook']);
  });
  test('eyes on top turn it point-up, the bend point-down', () => {
    expect(brought.find((each) => each.id === 'eyes')?.momentMgMm).toBeGreaterThan(0);
    expect(brought.find((each) => each.id === 'hook')?.momentMgMm).toBeLessThan(0);
  });
  test('of eyes on one side the lean is theirs', () => {
    const [near] = contributionsOf(laid([tail({ side: 'near' })])).filter((each) => each.id === 'tail');
    expect(Math.abs(near?.lateralMgMm ?? 0)).toBeGreaterThan(0);
  });
});

describe('the mass at which a weight turns the fly over', () => {
  test('a weighed pair of just that mass leaves no moment', () => {
    const pair = (mass: string) => laid([eyes({ mass })]);
    const [told] = tippingsOf(pair('0.5 g'));
    if (!told?.asTied) throw new Error('nothing tips');
    const at = pair(`${String(told.asTied.massMg)} mg`);
    expect(Math.abs(at.tight.momentMgMm)).toBeLessThan(1e-6 * Math.abs(at.submergedMg));
    expect(told.asTied.ratio).toBeCloseTo(500 / told.asTied.massMg, 9);
  });
  test('tied on the other side it is what that side would say', () => {
    const [told] = tippingsOf(laid([eyes({ mass: '0.5 g' })]));
    const under = layFly(fly([eyes({ mass: '0.5 g', side: 'bottom' })]));
    if (!under.ok) throw new Error('no fly');
    const [other] = tippingsOf(under.value);
    expect(told?.otherSide?.massMg ?? null).toEqual(other?.asTied?.massMg ?? null);
  });
  test('a bead round the shank tips nothing and is not told', () => {
    expect(
      tippingsOf(
        laid([
          {
            id: 'bead',
            role: 'bead',
            construction: 'ball',
            shape: 'bead',
            material: 'brass',
            diameter: '4 mm',
            at: 'station 2',
          },
        ]),
      ),
    ).toEqual([]);
  });
});
