import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readFly } from '../src/pattern/read.ts';
import { readDrawers } from '../src/drawers/file.ts';
import { drawersOf } from '../src/drawers/tables.ts';
import { withKey, withPart } from '../src/edit/relations.ts';
import { swapOffers, type SwapOffer } from '../src/edit/swap.ts';
import { layFly, type LaidFly } from '../src/model/solve/layFly.ts';

const folder = join(import.meta.dirname, '../../examples');
const read = readDrawers(JSON.parse(readFileSync(join(folder, 'drawers.json'), 'utf8')) as unknown);
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const drawers = drawersOf(read.value);

function laidWith(change: Readonly<Record<string, string>>): LaidFly {
  const file = readFly(readFileSync(join(folder, 'slate-runner.fly.json'), 'utf8'));
  if (!file.ok) throw new Error(JSON.stringify(file.faults));
  const changed = withPart(file.value, 'eyes', (part) =>
    Object.entries(change).reduce((next, [key, value]) => withKey(next, key, value), part),
  );
  const laid = layFly(changed, drawers);
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  return laid.value;
}
const lead = laidWith({ material: 'lead', diameter: '5/32 in' });
const swap = swapOffers(lead, 'eyes', drawers);
const of = (metal: string, steps: number): SwapOffer | undefined =>
  swap?.offers.find((each) => each.metal === metal && each.steps === steps);

test('lead for lead-free: the same size tips less, one size up holds, and takes more room', () => {
  const [same, up] = [of('tin alloy', 0), of('tin alloy', 1)];
  expect([same?.holds, up?.holds]).toEqual([false, true]);
  expect(up?.ratio ?? 0).toBeGreaterThan(swap?.ratio ?? Infinity);
  expect((up?.acrossMm ?? 0) / (swap?.acrossMm ?? 1)).toBeCloseTo(6 / 5, 1);
  expect(up?.acrossOfGap).toBeCloseTo((up?.acrossMm ?? 0) / (lead.platform.gapMm ?? 1), 6);
});

test('a heavier metal holds in a smaller size', () => {
  const tungsten = swap?.offers.filter((each) => each.metal === 'tungsten alloy' && each.holds) ?? [];
  expect(Math.min(...tungsten.map((each) => each.steps))).toBeLessThanOrEqual(0);
  expect(of('aluminium', 0)?.holds).toBe(false);
});

test('each offer is what tying it in comes to, its weighed mass when it lies in the drawer', () => {
  for (const offer of swap?.offers ?? []) {
    const laid = layFly(offer.file, drawers);
    const part = laid.ok ? laid.value.parts.find((each) => each.file.id === 'eyes') : undefined;
    expect([offer.material, part?.massMg]).toEqual([offer.material, offer.massMg]);
    expect(part?.extent.lengthMm).toBeCloseTo(offer.diameterMm, 1);
  }
  const mine = swap?.offers.find((each) => each.material === 'lead-free dumbbell 4.8 mm');
  expect(mine).toMatchObject({ inDrawer: true, steps: 1, lead: false });
  expect(swap?.offers.filter((each) => each.metal === 'tin alloy' && each.steps === 1)).toHaveLength(1);
});

test('those that hold come first, the lightest foremost; what it is now is none of them', () => {
  const holds = swap?.offers.map((each) => each.holds) ?? [];
  expect(holds.indexOf(false)).toBe(holds.lastIndexOf(true) + 1);
  const masses = swap?.offers.filter((each) => each.holds).map((each) => each.massMg) ?? [];
  expect(masses).toEqual(masses.toSorted((a, b) => a - b));
  expect(of('lead', 0)?.inDrawer ?? true).toBe(true);
});

test('a weighed mass of the old piece goes with it; other parts have no metal to swap', () => {
  const weighed = laidWith({ material: 'lead', diameter: '5/32 in', mass: '0.5 g' });
  const offers = swapOffers(weighed, 'eyes', drawers)?.offers ?? [];
  expect(offers.length).toBeGreaterThan(10);
  for (const { file } of offers) expect(file.parts.find((part) => part.id === 'eyes')).not.toHaveProperty('mass');
  expect(swapOffers(lead, 'wing', drawers)).toBeNull();
  expect(swapOffers(laidWith({ material: 'glass' }), 'eyes', drawers)).toBeNull();
});
