import { readDrawers } from '../src/drawers/file.ts';
import { drawersOf, type Drawers } from '../src/drawers/tables.ts';
import { STRIPS } from '../src/data/nominal/others.ts';
import { inspectFlies, type Inspected } from '../src/inspect/inspect.ts';
import { drawersWith, layingOf, withLaying } from '../src/inspect/intoDrawer.ts';
import { withLearnt } from '../src/inspect/learnt.ts';
import { layFly } from '../src/model/index.ts';
import type { FlyFile } from '../src/pattern/index.ts';
import type { SpecimenFile } from '../src/records/specimen.ts';
import { body, eyes, fly, strip, tail } from './build.ts';

const hide = { construction: 'strip', ...STRIPS[0] };
const own = readDrawers({
  format: 'jobbet.drawers',
  version: 2,
  hooks: [{ name: 'long packet', form: 'single', size: '6', shankMm: 20 }],
  weights: [{ name: 'brass ball 4', form: 'dumbbell', material: 'brass', diameterMm: 4 }],
  materials: [hide],
});
if (!own.ok) throw new Error(JSON.stringify(own.faults));
const drawers: Drawers = drawersOf(own.value);

const { width: _cut, ...uncut } = strip({ material: hide.name });
const PARTS = [eyes({ material: 'brass ball 4', diameter: '4 mm' }), tail({}), body({}), uncut];
const pattern: FlyFile = fly(PARTS, { platform: { kind: 'single', size: '6', packet: 'long packet' } });

const finished = (more: Partial<SpecimenFile>, number: number): SpecimenFile => ({
  format: 'jobbet.specimen',
  version: 1,
  fly: 'Test',
  number,
  ...more,
});
function inspected(each: readonly Partial<SpecimenFile>[], file = pattern): Inspected {
  const made = inspectFlies(
    file,
    each.map((one, i) => finished(one, i + 1)),
    drawers,
  );
  if (!made.ok) throw new Error(JSON.stringify(made.faults));
  return made.value;
}
const told = (made: Inspected, what: string) => {
  const found = made.learnt.find((each) => each.what === what);
  if (!found) throw new Error(`nothing learnt of ${what}: ${made.learnt.map((each) => each.what).join(', ')}`);
  return found;
};

describe('what was learnt goes to the drawer it is of', () => {
  const shanks = [21.1, 21.3, 21.2, 21.0, 21.2];
  const measured = inspected(shanks.map((mm) => ({ lengths: { 'hook.shank': [`${String(mm)} mm`] } })));

  test('a hook to its packet, with how many were measured and how they spread', () => {
    const laying = layingOf(told(measured, 'hook.shank'), measured.plan.laid, drawers);
    expect(laying).toMatchObject({ drawer: 'hooks', name: 'long packet', kind: 'single' });
    expect(laying?.set).toEqual({ shankMm: 21.16, shankN: 5, shankSdMm: expect.closeTo(0.114, 3) as number });
    const packet = drawers.hooks[0];
    if (!laying || !packet) throw new Error('no packet');
    expect(withLaying(packet, laying)).toMatchObject({ name: 'long packet', size: '6', shankMm: 21.16 });
    // The fly laid with it has the hook that was measured, and nothing is left to learn.
    const then = layFly(pattern, drawersWith(drawers, laying));
    expect(then.ok && then.value.platform.shankMm).toBeCloseTo(21.16, 6);
  });

  test('not where the pattern has a shank of its own: that one is said there', () => {
    const stated: FlyFile = { ...pattern, platform: { ...pattern.platform, shank: '20 mm' } as FlyFile['platform'] };
    const made = inspected(
      shanks.map((mm) => ({ lengths: { 'hook.shank': [`${String(mm)} mm`] } })),
      stated,
    );
    expect(layingOf(told(made, 'hook.shank'), made.plan.laid, drawers)).toBeNull();
    expect(withLearnt(stated, told(made, 'hook.shank'))?.platform).toMatchObject({ shank: '21.2 mm' });
  });

  test('eyes by the scale to the eyes that were bought', () => {
    const { plan } = measured;
    const heavy = plan.laid.dryMg + 120;
    const made = inspected([0, 4, -3, 2].map((by) => ({ weight: [`${String((heavy + by) / 1000)} g`] })));
    const laying = layingOf(told(made, 'weight of eyes'), made.plan.laid, drawers);
    expect(laying).toMatchObject({ drawer: 'weights', name: 'brass ball 4', kind: 'dumbbell', set: { massN: 4 } });
    const before = plan.laid.parts[0]?.massMg ?? 0;
    expect(laying?.set['massMg']).toBeGreaterThan(before + 60);
    const after = laying && layFly(pattern, drawersWith(drawers, laying));
    expect(after?.ok && after.value.parts[0]?.massMg).toBeCloseTo(laying?.set['massMg'] ?? 0, 6);
  });

  test('a hide that is sold broader to the material, as long as the pattern cuts no other', () => {
    const { id } = PARTS[3] ?? {};
    const key = `${String(id)}.width`;
    const sold = measured.measures.find((each) => each.key === key);
    expect(sold).toMatchObject({ planMm: STRIPS[0]?.widthMm, bandMm: null, bought: true });
    const made = inspected([3.9, 4.0, 4.1, 3.95].map((mm) => ({ lengths: { [key]: [`${String(mm + 2)} mm`] } })));
    const laying = layingOf(told(made, key), made.plan.laid, drawers);
    expect(laying).toEqual({ drawer: 'materials', name: hide.name, kind: 'strip', set: { widthMm: 5.99 } });
    // The fly as it came out has the hide that was measured, so it weighs more.
    expect(made.tied[0]?.laid.dryMg).toBeGreaterThan(made.plan.laid.dryMg);
  });
});

describe('a wet scale', () => {
  test('teaches the water that is cast, and nothing of what lies under water', () => {
    const { laid } = inspected([{}]).plan;
    const kept = laid.castingMg - laid.dryMg;
    const flies = [1.5, 1.52, 1.48].map((times) => ({
      weight: [`${(laid.dryMg / 1000).toFixed(4)} g`],
      weightWet: [`${((laid.dryMg + times * kept) / 1000).toFixed(4)} g`],
    }));
    const made = inspected(flies);
    const next = withLearnt(pattern, told(made, 'water kept'));
    expect(next?.measured?.waterFactor).toBeCloseTo(1.5, 1);
    const then = layFly(next ?? pattern, drawers);
    if (!then.ok) throw new Error('no fly');
    expect(then.value.castingMg).toBeCloseTo(laid.dryMg + (next?.measured?.waterFactor ?? 0) * kept, 6);
    expect([then.value.dryMg, then.value.submergedMg]).toEqual([laid.dryMg, laid.submergedMg]);
    // Laid with it, the same flies teach nothing more.
    expect(inspected(flies, next ?? pattern).learnt.find(({ what }) => what === 'water kept')).toBeUndefined();
  });
});

describe('hands', () => {
  test('two that share a box are told apart: each has a spread of its own', () => {
    const even = Array.from({ length: 8 }, (_, i) => ({
      hand: 'Anna',
      lengths: { tail: [`${String(20 + 0.05 * (i % 2))} mm`] },
    }));
    const uneven = Array.from({ length: 8 }, (_, i) => ({
      hand: 'Bo',
      lengths: { tail: [`${String(20 + 4 * (i % 2))} mm`] },
    }));
    const spreads = inspected([...even, ...uneven]).learnt.filter(({ what }) => what === 'spread of tail');
    expect(spreads.map(({ hand }) => hand)).toEqual(['Anna', 'Bo']);
    expect(spreads[0]?.now).toBeLessThan(0.01);
    expect(spreads[1]?.now).toBeGreaterThan(0.08);
    expect(spreads[0]?.why).toContain('by Anna');
  });
});
