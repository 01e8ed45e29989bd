import { readFlyValue } from '../src/pattern/read.ts';
import { PART_KEYS } from '../src/pattern/parts.ts';
import { faultLine } from '../src/base/fault.ts';

/** Every key the pattern file documents for a construction, each with a value it takes. */
const PARTS: Record<string, Record<string, unknown>> = {
  ball: { at: 'bend', shape: 'cone', diameter: '4 mm', bore: '1 mm', front: '2 mm', length: '4 mm', mass: '0.5 g' },
  wrap: {
    from: 'bend',
    to: 'head',
    strand: '0.2 mm',
    diameter: '4 mm',
    profile: ['2 mm', '3 mm', '4 mm'],
    turns: 5,
    pitch: '2 mm',
    layers: 2,
    direction: 'counter',
    binds: ['other'],
    buttsTo: 'bend',
  },
  bundle: {
    at: 'bend',
    pinch: '2 mm',
    strands: 8,
    dose: 'sparse',
    length: '1 shank',
    tip: 'bend + 2 mm',
    angle: '10 deg',
    ends: 'staggered',
    stacked: true,
    support: 'loop',
    buttsTo: 'bend',
  },
  feather: {
    at: 'head',
    form: 'slips',
    perSide: 2,
    width: '4 mm',
    length: '1 shank',
    tip: 'bend',
    lie: 'tented',
    angle: '10 deg',
    support: 'underlay',
    boundBy: 'other',
  },
  strip: {
    at: 'head',
    width: '3 mm',
    thickness: '0.7 mm',
    hair: '16 mm',
    length: '40 mm',
    tip: 'bend',
    boundAt: ['bend', 'station 5'],
    boundBy: 'other',
    angle: '0 deg',
    support: 'dam',
    ends: 'tapered',
  },
  hackle: {
    at: 'head',
    from: 'bend',
    to: 'head',
    style: 'palmer',
    fibre: '8 mm',
    tip: 'bend',
    turns: 3,
    by: 'tip',
    feathers: 2,
    binds: ['other'],
  },
  spun: {
    from: 'head',
    to: 'station 3',
    dose: 'a pencil',
    diameter: '8 mm',
    tip: 'bend',
    flatBelow: '2 mm',
    lean: -0.2,
  },
  sheet: { from: 'head', to: 'station 4', width: '4 mm', thickness: '0.5 mm', doubled: true },
  coat: { over: 'head', layers: 2 },
};
const COMMON = { material: 'any', colour: 'black', side: 'top', continues: 'other', note: 'as it comes' };
const OTHER = { id: 'other', role: 'tail', construction: 'bundle', pinch: '2 mm', at: 'bend', length: '10 mm' };
const PLATFORMS: Record<string, unknown>[] = [
  {
    kind: 'single',
    size: '6',
    longX: 3,
    heavyX: 0,
    eye: 'looped-down',
    bend: 'wide-gap',
    barb: 'none',
    finish: 'stainless',
    shank: '26.5 mm',
    gap: '7.4 mm',
    wire: '0.72 mm',
    headSpace: '3 mm',
    packet: 'mine',
  },
  { kind: 'double', size: '6', splay: '100 deg' },
  { kind: 'jig', size: '6', bendUp: '90 deg' },
  {
    kind: 'tube',
    length: '30 mm',
    outside: '3 mm',
    inside: '1.6 mm',
    material: 'aluminium',
    hookGap: '2 mm',
    hook: { kind: 'double', size: '8', ride: 'free' },
  },
  {
    kind: 'shank',
    length: '40 mm',
    wire: '1 mm',
    loop: '8 mm',
    loopOf: 'wire',
    hook: { kind: 'single', size: '4', ride: 'point-up' },
  },
];
const INTENT = {
  ride: 'point-down',
  trim: 'level',
  sink: 'very fast',
  depth: '4 m',
  current: '0.5 m/s',
  line: 'sink-tip',
  manner: 'dead-drift',
  place: 'dropper',
  water: { kind: 'brackish', temperature: '8 C', salinity: '20 g/kg' },
};
const read = (parts: unknown[], more: Record<string, unknown> = {}): string[] => {
  const result = readFlyValue({
    format: 'jobbet.fly',
    version: 1,
    name: 'Keys',
    platform: { kind: 'single', size: '6' },
    parts,
    ...more,
  });
  return result.ok ? [] : result.faults.map(faultLine);
};

describe('every key of the documented format is read', () => {
  test.each(Object.keys(PARTS))('of a %s', (construction) => {
    expect(read([OTHER, { id: 'it', role: 'finish', construction, ...COMMON, ...PARTS[construction] }])).toEqual([]);
    const known = new Set(PART_KEYS[construction]);
    for (const key of Object.keys({ ...COMMON, ...PARTS[construction] })) expect(known).toContain(key);
  });
  test.each(PLATFORMS.map((platform) => [String(platform['kind']), platform] as const))(
    'of a platform: %s',
    (_kind, platform) => {
      expect(read([], { platform })).toEqual([]);
    },
  );
  test('of the fly itself', () => {
    const finish = { whips: 2, glueOnThread: true, coats: ['cement', 'varnish', 'resin', 'epoxy', 'superglue'] };
    expect(
      read([], {
        notes: 'n',
        intent: INTENT,
        school: 'mobile',
        thread: { denier: 140, colour: 'black' },
        head: 'bold',
        finish,
        mutes: [{ code: 'bulk.valley', reason: 'hidden' }],
      }),
    ).toEqual([]);
  });
});

describe('what a construction does not take is refused by name', () => {
  test.each(Object.keys(PARTS))('by a %s', (construction) => {
    const foreign = Object.entries(PARTS)
      .flatMap(([other, keys]) => (other === construction ? [] : Object.entries(keys)))
      .filter(([key]) => !PART_KEYS[construction]?.includes(key));
    for (const [key, value] of foreign) {
      const [fault] = read([OTHER, { id: 'it', role: 'finish', construction, ...PARTS[construction], [key]: value }]);
      expect(fault).toMatch(new RegExp(`^parts\\[1\\]\\.${key}: `));
    }
  });
  test('and so is a key of no construction, with the nearest right one', () => {
    expect(read([{ ...OTHER, pnich: '2 mm' }])).toEqual(['parts[0].pnich: unknown key "pnich"; did you mean "pinch"?']);
  });
});

describe('names', () => {
  test('outside relations are refused when no part has them, with the nearest', () => {
    const part = (more: Record<string, unknown>) => [
      OTHER,
      { id: 'it', role: 'wing', construction: 'strip', at: 'head', length: '20 mm', ...more },
    ];
    expect(read(part({ boundBy: 'othr' }))).toEqual(['parts[1].boundBy: unknown name "othr"; did you mean "other"?']);
    expect(read(part({ continues: 'zzz' }))).toEqual([
      'parts[1].continues: unknown name "zzz"; it must be the id of a part',
    ]);
    expect(read(part({ boundBy: 'OTHER' }))).toEqual([]);
  });
  test.each(['a', 'tail-2', 'Wing', 'x1'])('"%s" may be an id', (id) => {
    expect(read([{ ...OTHER, id }])).toEqual([]);
  });
  test.each(['', '2tail', 'tail-', 'tail--2', 'my tail', 'tail_2', 'Shank', 'head', 'turns', 'mm', 'x', 'body'])(
    '"%s" may not',
    (id) => {
      expect(read([{ ...OTHER, id }])[0]).toMatch(/^parts\[0\]\.id: /);
    },
  );
});

describe('limits', () => {
  test.each<[string, Record<string, unknown>, RegExp]>([
    [
      'too many parts',
      { parts: Array.from({ length: 121 }, (_, i) => ({ ...OTHER, id: `p${String(i)}` })) },
      /^parts: is too long; at most 120/,
    ],
    ['a denier of nothing', { thread: { denier: 0 } }, /^thread\.denier: is too small; at least 10/],
    ['a name of nothing', { name: '' }, /^name: is empty/],
    [
      'an endless relation',
      { parts: [{ ...OTHER, length: `1 mm ${'+ 1 mm '.repeat(60)}` }] },
      /^parts\[0\]\.length: is too long/,
    ],
    ['half a whip', { finish: { whips: 0.5 } }, /^finish\.whips: /],
    ['a mute without its reason', { mutes: [{ code: 'length.foul' }] }, /^mutes\[0\]\.reason: is missing/],
    ['parts that are a word', { parts: 'none' }, /^parts: expected a list, found a text/],
    ['no platform', { platform: undefined }, /^platform: /],
  ])('%s', (_name, more, words) => {
    expect(read([], more)[0]).toMatch(words);
  });
});
