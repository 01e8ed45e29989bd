import { type MaterialItem, NOMINAL_MATERIALS } from '@jobbet/core/drawers';
import { boathouse, type Boathouse } from './bench.ts';

let house: Boathouse;
beforeEach(async () => {
  house = await boathouse();
});
afterEach(() => house.close());

const dubbing = (name: string, more: object = {}): MaterialItem => {
  const nominal = NOMINAL_MATERIALS.find((item) => item.construction === 'wrap' && item.manner === 'dubbing');
  return { ...nominal, name, also: [], ...more } as MaterialItem;
};
const softnessOf = async (name: string): Promise<number> => {
  const found = (await house.drawers.list()).find((each) => each.name === name);
  const { softness } = (found?.item ?? {}) as { softness?: number };
  return softness ?? Number.NaN;
};
const half = [
  { of: 'a fur', share: 0.5 },
  { of: 'b fur', share: 0.5 },
];

describe('a mix in the drawers', () => {
  test('has the figures of what it is mixed of, and follows them through a start', async () => {
    await house.drawers.layIn({
      materials: [dubbing('a fur', { softness: 0.2 }), dubbing('b fur', { softness: 0.6 })],
    });
    const { item } = await house.drawers.add('materials', dubbing('rust', { mix: half, softness: 0.9 }));
    expect(item.item).toMatchObject({ softness: 0.4 });
    const b = (await house.drawers.list()).find(({ name }) => name === 'b fur');
    await house.drawers.change(b?.id ?? '', { ...b?.item, softness: 0.8 }, b?.revision ?? 0);
    expect(await softnessOf('rust')).toBe(0.5);
    house.drawers.forget();
    expect(await softnessOf('rust')).toBe(0.5);
  });
  test('of what does not lie there is refused, and nothing is kept', async () => {
    await house.drawers.layIn({ materials: [dubbing('a fur')] });
    await expect(house.drawers.add('materials', dubbing('rust', { mix: half }))).rejects.toMatchObject({
      code: 'invalid-item',
      details: { faults: [{ path: 'mix[1].of' }] },
    });
    expect((await house.drawers.list()).some(({ name }) => name === 'rust')).toBe(false);
  });
  test('keeps its figures where one of them is taken out', async () => {
    await house.drawers.layIn({
      materials: [dubbing('a fur', { softness: 0.2 }), dubbing('b fur', { softness: 0.6 })],
    });
    await house.drawers.add('materials', dubbing('rust', { mix: half }));
    const b = (await house.drawers.list()).find(({ name }) => name === 'b fur');
    await house.drawers.remove(b?.id ?? '');
    expect(await softnessOf('rust')).toBe(0.4);
  });
});
