import { COLOUR_WORDS, mixTint, tintOf } from '../src/data/colours.ts';
import { HOOK_SIZES, NOMINAL, nominalHook, sizeSteps } from '../src/data/hooks.ts';
import { matchMaterial } from '../src/data/materials.ts';
import { BUNDLES, HACKLES, STRIPS, WOUND } from '../src/data/index.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { SOLIDS, solidNamed, solidNames } from '../src/data/solids.ts';
import { ANGLES, COATS, DOSES, HEAD_WIRES, SIDES } from '../src/data/tying.ts';
import { isReserved } from '../src/data/words.ts';
import { ROLES } from '../src/pattern/parts.ts';

describe('hook sizes', () => {
  test.each([
    ['10', 0],
    ['4', 3],
    ['1', 4.5],
    ['1/0', 5],
    ['2/0', 6],
    ['14', -2],
    [' 6 ', 2],
  ])('%s is %f steps from a 10', (size, steps) => {
    expect(sizeSteps(size)).toBe(steps);
  });
  test.each(['0', '', 'six', '6.5', '-4', '13/0', '0/0', '99', '1/2'])('"%s" is no hook size', (size) => {
    expect(sizeSteps(size)).toBeNull();
  });
  test('every size on offer is one, and each is larger than the one before', () => {
    const shanks = HOOK_SIZES.map((size) => nominalHook(sizeSteps(size) ?? Number.NaN, 0, 0).shankMm);
    for (const [i, shank] of shanks.entries()) expect(shank).toBeGreaterThan(shanks[i - 1] ?? 0);
  });
  test('long moves the shank alone, heavy the wire alone', () => {
    const [plain, long, heavy] = [nominalHook(2, 0, 0), nominalHook(2, 3, 0), nominalHook(2, 0, 2)];
    expect(long).toEqual({ ...plain, shankMm: plain.shankMm * NOMINAL.shankStep ** 3 });
    expect(heavy).toEqual({ ...plain, wireMm: plain.wireMm * NOMINAL.wireStep ** 2 });
  });
});

describe('solids', () => {
  test('are found by name, alias and what they were made into, in any case', () => {
    const found = (word: string): string | undefined => solidNamed(word)?.name;
    expect([
      found('Brass'),
      found('brass beads'),
      found('tungsten cone'),
      found('lead-free wire'),
      found('lead free eyes'),
      found('Stainless steel wire'),
      found('lead'),
    ]).toEqual(['brass', 'brass', 'tungsten alloy', 'tin alloy', 'tin alloy', 'stainless', 'lead']);
  });
  test('are never found by nearness', () => {
    for (const word of ['bras', 'heavy wire', 'wire', '', 'gold']) expect(solidNamed(word)).toBeNull();
  });
  test('lead is the only one that is lead, and every name on offer finds its solid', () => {
    expect(SOLIDS.filter((each) => each.lead).map((each) => each.name)).toEqual(['lead']);
    expect(new Set(solidNames().map((name) => solidNamed(name)?.name)).size).toBe(SOLIDS.length);
  });
  test('no alias means two of them', () => {
    const words = SOLIDS.flatMap((each) => [each.name, ...each.aliases]);
    expect(new Set(words).size).toBe(words.length);
  });
});

describe('materials', () => {
  const all = [...BUNDLES, ...WOUND, ...STRIPS, ...HACKLES];
  test('have figures that matter can have', () => {
    for (const each of BUNDLES) {
      expect(each.packing).toBeGreaterThan(0);
      expect(each.packing).toBeLessThanOrEqual(1);
      expect(each.taper).toBeGreaterThanOrEqual(0.5);
      expect(each.taper).toBeLessThanOrEqual(1);
      expect(each.strandMm2).toBeGreaterThan(0);
    }
    for (const each of WOUND) {
      expect(each.solid).toBeLessThanOrEqual(1);
      expect(each.opacity).toBeLessThanOrEqual(1);
    }
    for (const each of all) {
      expect(each.colour).toMatch(/^#[0-9a-f]{6}$/);
      if ('softness' in each) expect(each.softness).toBeLessThanOrEqual(1);
    }
  });
  test('none of a kind is called like another of it', () => {
    const tables = Object.values(NOMINAL_DRAWERS).filter((each): each is readonly { name: string }[] =>
      Array.isArray(each),
    );
    for (const items of tables) expect(new Set(items.map((each) => each.name)).size).toBe(items.length);
  });
  const [marabou] = BUNDLES;
  const taken = (word: string | undefined): [string, string | null] => {
    if (!marabou) throw new Error('no marabou');
    const { item, note } = matchMaterial(BUNDLES, word, marabou);
    return [item.name, note];
  };
  test('are matched by name, then by another name, then by the words that tell most, then the usual one', () => {
    expect(taken('Fox Hair')).toEqual(['fox hair', null]);
    expect(taken('fox')).toEqual(['fox hair', null]);
    expect(taken('natural grey squirrel tails')).toEqual([
      'squirrel hair',
      '"natural grey squirrel tails" is figured as squirrel hair',
    ]);
    expect(taken('some hair')[0]).toBe('marabou');
    expect(taken('moonbeam')).toEqual(['marabou', '"moonbeam" is not in the drawers: figured as marabou']);
    expect(taken(undefined)).toEqual(['marabou', 'no material named: figured as marabou']);
  });
  test('a flat strand is given the fibre whose clump shades as a row of its mean shadows does', () => {
    const film = BUNDLES.find((each) => each.name === 'flash');
    const shadowMm = (2 * (0.25 + 0.02)) / Math.PI;
    // n strands of shadow s and n·A/(π/4·f²) fibres of diameter f cover alike: s/A = 4/(π·f).
    expect(((film?.strandMm2 ?? 0) * 4) / (Math.PI * (film?.fibreMm ?? 1))).toBeCloseTo(shadowMm, 9);
  });
});

describe('colours', () => {
  test('words, two-word names, shades and plain codes', () => {
    expect(tintOf('hot orange', '#000000')).not.toBe(tintOf('orange', '#000000'));
    expect(tintOf('dark olive', '#000000')).toBe(mixTint(tintOf('olive', '#000000'), '#000000', 0.35));
    expect(tintOf('#12ABef', '#000000')).toBe('#12abef');
    expect(tintOf('natural', '#123456')).toBe('#123456');
    expect(tintOf(undefined, '#123456')).toBe('#123456');
  });
  test('every word on offer has a tint', () => {
    for (const word of COLOUR_WORDS) expect(tintOf(word, 'none')).toMatch(/^#/);
  });
  test('mixing keeps its ends', () => {
    expect([
      mixTint('#102030', '#ffffff', 0),
      mixTint('#102030', '#ffffff', 1),
      mixTint('#000000', '#ffffff', 0.5),
    ]).toEqual(['#102030', '#ffffff', '#808080']);
  });
});

describe('habits of tying', () => {
  test('doses grow from sparse to a pencil, heads from small to bold', () => {
    const pinches = Object.values(DOSES).map((dose) => dose.pinchMm);
    expect(pinches).toEqual([...pinches].sort((a, b) => a - b));
    expect(HEAD_WIRES).toEqual({ small: 2, neat: 3, bold: 4 });
  });
  test('sides and angles are of roles there are; a resin coat is the thickest', () => {
    for (const role of [...Object.keys(SIDES), ...Object.keys(ANGLES)]) expect(ROLES).toContain(role);
    expect(Math.max(...Object.values(COATS).map((coat) => coat.thicknessMm))).toBe(COATS.resin.thicknessMm);
  });
  test('words of the relations are reserved in any case, names of parts are not', () => {
    for (const word of ['Bend', 'SHANK', 'headspace', 'turns', 'x', 'gauge', 'mm', 'between'])
      expect(isReserved(word)).toBe(true);
    for (const word of ['tail', 'eyes', 'wing-2', 'bends']) expect(isReserved(word)).toBe(false);
  });
});
