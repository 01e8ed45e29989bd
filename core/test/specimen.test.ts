import { computedMass, nominalMeasures } from '../src/edit/specimen.ts';
import { readItem } from '../src/drawers/file.ts';
import type { WeightItem } from '../src/drawers/items.ts';

const weight = (item: Record<string, unknown>): WeightItem => {
  const read = readItem('weights', { name: 'it', ...item });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
};

test('a packet measures what the series says of its size', () => {
  const six = nominalMeasures({ name: 'a', form: 'single', size: '6', longX: 3 });
  const eight = nominalMeasures({ name: 'b', form: 'single', size: '8', longX: 3 });
  expect(six?.shankMm).toBeGreaterThan(eight?.shankMm ?? Infinity);
  expect(nominalMeasures({ name: 'c', form: 'single', size: '6' })?.shankMm).toBeLessThan(six?.shankMm ?? 0);
  expect(nominalMeasures({ name: 'd', form: 'single', size: '99' })).toBeNull();
});

test('a full solid weighs what its measures say; every form of weight has one', () => {
  const sphere = (Math.PI / 6) * 4 ** 3;
  const tungsten = computedMass(weight({ form: 'bead', material: 'tungsten alloy', diameterMm: 4, boreMm: 0.4 })) ?? 0;
  const brass = computedMass(weight({ form: 'bead', material: 'brass', diameterMm: 4, boreMm: 0.4 })) ?? 0;
  expect(brass).toBeGreaterThan(7 * sphere);
  expect(brass).toBeLessThan(8.6 * sphere);
  expect(tungsten).toBeGreaterThan(1.8 * brass);
  for (const form of ['bead', 'cone', 'dumbbell', 'bead-chain', 'plastic', 'disc'])
    for (const diameterMm of [2, 4, 7.9]) {
      const mass = computedMass(weight({ form, material: 'brass', diameterMm }));
      expect([form, diameterMm, (mass ?? 0) > 1]).toEqual([form, diameterMm, true]);
    }
});

test('wire is weighed by the 100 mm', () => {
  const lead = computedMass(weight({ form: 'wire', material: 'lead', diameterMm: 0.64 })) ?? 0;
  expect(lead).toBeCloseTo((Math.PI / 4) * 0.64 ** 2 * 100 * 11.34, 0);
});
