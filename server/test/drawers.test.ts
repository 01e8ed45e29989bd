import { readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import { type HookItem, type MaterialItem, type WeightItem, NOMINAL_MATERIALS } from '@jobbet/core/drawers';
import type { Item } from '../src/drawers/store.ts';
import { fillDrawersOnce, fillJudgementsOnce } from '../src/flies/examples.ts';
import { boathouse, fly, type Boathouse } from './bench.ts';

let house: Boathouse;
beforeEach(async () => {
  house = await boathouse();
});
afterEach(() => house.close());

const hook: HookItem = { name: 'sixes', form: 'single', size: '6', shankMm: 17 };
const pair: WeightItem = { name: 'eyes of mine', form: 'dumbbell', material: 'brass', diameterMm: 4, massMg: 300 };

/** A fly of eyes and a tail on the packet. */
function eyed(name: string, more: Record<string, unknown> = {}): FlyFile {
  const base = fly(name);
  const eyes = {
    id: 'eyes',
    role: 'eyes',
    construction: 'ball',
    shape: 'dumbbell',
    material: 'brass dumbbell',
    diameter: '4 mm',
    at: 'station 2',
    side: 'top',
    ...more,
  };
  const read = readFlyValue({ ...base, platform: { ...base.platform, packet: 'sixes' }, parts: [eyes, ...base.parts] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const add = async (drawer: 'hooks' | 'weights' | 'materials', item: object): Promise<Item> =>
  (await house.drawers.add(drawer, item)).item;

describe('the drawers', () => {
  test('are filled once, with the nominal goods or the boathouse’s', async () => {
    await fillDrawersOnce(house.database.ledger, house.drawers, true);
    const filled = await house.drawers.items();
    expect(filled.materials.length).toBeGreaterThanOrEqual(45);
    for (const drawer of ['hooks', 'weights', 'materials', 'threads'] as const)
      expect([drawer, filled[drawer].length > 5]).toEqual([drawer, true]);
    for (const row of await house.drawers.list()) await house.drawers.remove(row.id);
    await fillDrawersOnce(house.database.ledger, house.drawers, true);
    expect(await house.drawers.list()).toEqual([]);
    await fillJudgementsOnce(house.database.ledger, house.drawers, true);
    const judged = await house.drawers.items();
    expect([judged.schools.length, judged.rules.length, judged.limits.length > 20]).toEqual([7, 2, true]);
    for (const row of await house.drawers.list()) await house.drawers.remove(row.id);
    await fillJudgementsOnce(house.database.ledger, house.drawers, true);
    expect(await house.drawers.list()).toEqual([]);
  });
  test('an item changed solves anew the flies that name it, and tells their figures before and after', async () => {
    const packet = await add('hooks', hook);
    const mine = await house.flies.create(eyed('On the packet'));
    const other = await house.flies.create(fly('Bare'));
    const { item, changes } = await house.drawers.change(packet.id, { ...hook, shankMm: 20 }, packet.revision);
    expect(item.revision).toBe(2);
    expect(changes.map((each) => [each.name, each.before.shankMm, each.after.shankMm])).toEqual([
      ['On the packet', 17, 20],
    ]);
    expect((await house.flies.get(mine.id)).summary.shankMm).toBe(20);
    expect((await house.flies.get(mine.id)).revision).toBe(1);
    expect((await house.flies.get(other.id)).summary).toEqual(other.summary);
  });
  test('a weighed pair moves the verdict of the fly that names it', async () => {
    const weighed = await add('weights', { ...pair, massMg: 600 });
    await house.flies.create(eyed('Heavy', { material: 'eyes of mine' }));
    const { changes } = await house.drawers.change(weighed.id, { ...pair, massMg: 20 }, 1);
    expect(changes.map(({ before, after }) => [before.ride, after.ride])).toEqual([['point-up', 'point-down']]);
  });
  test('a change that would keep a fly from laying out is refused, and nothing is changed', async () => {
    const weighed = await add('weights', { ...pair, name: 'odd eyes' });
    await house.flies.create(eyed('Leans on it', { material: 'odd eyes' }));
    await expect(house.drawers.remove(weighed.id)).rejects.toMatchObject({
      code: 'breaks-fly',
      message: expect.stringMatching(/^With this Leans on it would no longer lay out: parts\[0\]\.material/) as string,
    });
    expect(await house.drawers.list()).toHaveLength(1);
  });
  test('a renamed item goes by its old name too', async () => {
    const packet = await add('hooks', hook);
    await house.flies.create(eyed('Named'));
    const { item, changes } = await house.drawers.change(packet.id, { ...hook, name: 'streamer sixes' }, 1);
    expect((item.item as HookItem).also).toEqual(['sixes']);
    expect(changes).toEqual([]);
    const back = await house.drawers.change(packet.id, { ...(item.item as HookItem), name: 'sixes' }, 2);
    expect((back.item.item as HookItem).also).toEqual(['streamer sixes']);
  });
  test('two of one name and kind are refused; hair to spin and hair for wings are two kinds', async () => {
    const [wool] = NOMINAL_MATERIALS.filter((each): each is MaterialItem => each.construction === 'wrap');
    await add('materials', { ...wool, name: 'wool' });
    await expect(house.drawers.add('materials', { ...wool, name: 'WOOL' })).rejects.toMatchObject({
      code: 'same-name',
    });
    const spun = NOMINAL_MATERIALS.find((each) => each.construction === 'spun');
    await expect(house.drawers.add('materials', { ...spun, name: 'wool' })).resolves.toBeDefined();
  });
  test('an older revision does not overwrite a newer one', async () => {
    const packet = await add('hooks', hook);
    await house.drawers.change(packet.id, { ...hook, count: 3 }, 1);
    await expect(house.drawers.change(packet.id, { ...hook, count: 4 }, 1)).rejects.toMatchObject({ code: 'stale' });
    await expect(house.drawers.change('nothing', hook, 1)).rejects.toMatchObject({ code: 'no-item' });
  });
  test('changes made at once are made one after the other', async () => {
    const packet = await add('hooks', hook);
    await house.flies.create(eyed('Raced'));
    const outcomes = await Promise.allSettled(
      [18, 19, 20].map((shankMm) => house.drawers.change(packet.id, { ...hook, shankMm }, 1)),
    );
    expect(outcomes.map((each) => each.status).sort()).toEqual(['fulfilled', 'rejected', 'rejected']);
  });
  test('many at once: those that are there are replaced, all or none', async () => {
    await add('hooks', hook);
    const { added, replaced } = await house.drawers.layIn({
      hooks: [
        { ...hook, count: 9 },
        { ...hook, name: 'eights', size: '8' },
      ],
      weights: [pair],
    });
    expect([added, replaced]).toEqual([2, 1]);
    await expect(
      house.drawers.layIn({
        hooks: [
          { ...hook, name: 'tens' },
          { ...hook, size: 'x' },
        ],
      }),
    ).rejects.toMatchObject({
      code: 'invalid-item',
      details: { faults: [{ path: 'hooks[1].size' }] },
    });
    expect((await house.drawers.items()).hooks.map((each) => [each.name, each.count])).toEqual([
      ['eights', undefined],
      ['sixes', 9],
    ]);
  });
});
