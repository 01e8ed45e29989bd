import type { MaterialItem } from '../src/drawers/items.ts';
import { mixFaults, readMix, withMixes, writeMix } from '../src/drawers/mixes.ts';
import { NOMINAL_MATERIALS } from '../src/drawers/tables.ts';

const named = (name: string): MaterialItem => {
  const found = NOMINAL_MATERIALS.find((item) => item.name === name && item.construction === 'wrap');
  if (!found) throw new Error(`no ${name}`);
  return found;
};
const [seal, loose] = [named('seal-type dubbing'), named('loose dubbing')] as const;
const mixOf = (text: string): MaterialItem => {
  const mix = readMix(text);
  if (!mix.ok) throw new Error(mix.faults[0]?.message);
  return { ...seal, name: 'rust', also: [], mix: mix.value };
};
const all = (...items: readonly MaterialItem[]) => items.map((item) => ({ drawer: 'materials' as const, item }));
const figure = (item: MaterialItem | undefined, key: string): number =>
  (item as unknown as Record<string, number>)[key] ?? NaN;

describe('what a material is mixed of', () => {
  test('is written as a cell and read as it was; shares come to a whole', () => {
    const text = '60 % seal-type dubbing, orange; 40 % loose dubbing';
    const read = readMix(text);
    expect(read).toEqual({
      ok: true,
      value: [
        { of: 'seal-type dubbing', share: 0.6, colour: 'orange' },
        { of: 'loose dubbing', share: 0.4 },
      ],
    });
    expect(read.ok && writeMix(read.value)).toBe(text);
    const parts = readMix('2 % a; 1 % b; 1 % c');
    expect(parts.ok && parts.value.map(({ share }) => share)).toEqual([0.5, 0.25, 0.25]);
  });
  test.each(['60 seal; 40 % b', 'half a; half b', '60 % ; 40 % b', '0 % a; 100 % b', '100 % a'])(
    '%s is none',
    (text) => {
      const read = readMix(text);
      expect(read.ok ? '' : read.faults[0]?.message).toMatch(/(is no share of a material|is one material)/);
    },
  );
  test('gives it its figures: means by weight, the density that of the volumes together', () => {
    const [, , rust] = withMixes(all(seal, loose, mixOf('75 % seal-type dubbing; 25 % loose dubbing')));
    for (const key of ['solid', 'opacity', 'softness', 'water'])
      expect(figure(rust?.item, key)).toBeCloseTo(0.75 * figure(seal, key) + 0.25 * figure(loose, key), 5);
    expect(1 / figure(rust?.item, 'density')).toBeCloseTo(
      0.75 / figure(seal, 'density') + 0.25 / figure(loose, 'density'),
      5,
    );
  });
  test('follows them, and stays as it is where nothing of it moved', () => {
    const before = withMixes(all(seal, loose, mixOf('50 % seal-type dubbing; 50 % loose dubbing')));
    expect(withMixes(before)[2]).toBe(before[2]);
    const moved = withMixes(before.map((each, i) => (i === 1 ? { ...each, item: { ...loose, softness: 0.1 } } : each)));
    expect(figure(moved[2]?.item, 'softness')).toBeCloseTo(0.5 * figure(seal, 'softness') + 0.05, 5);
  });
  test('lies there too, is made into the same, and is not mixed itself', () => {
    const rust = mixOf('50 % seal-type dubbing; 50 % deer hair');
    const items = all(seal, loose, rust, mixOf('50 % rust; 50 % loose dubbing')).map(({ item }) => item);
    expect(mixFaults(rust, items).map(({ path }) => path)).toEqual(['mix[1].of']);
    expect(
      mixFaults(
        {
          ...rust,
          mix: [
            { of: 'rust', share: 0.5 },
            { of: 'LOOSE dubbing', share: 0.5 },
          ],
        },
        items,
      ),
    ).toMatchObject([{ path: 'mix[0].of', message: expect.stringContaining('there is no "rust"') as string }]);
  });
});
