import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  CHECKS,
  checkFile,
  findingsOf,
  limitFaults,
  NOMINAL_LIMITS,
  schoolFaults,
  withMute,
  withoutMute,
  type Checked,
  type CheckOptions,
} from '../src/checks/checkFly.ts';
import { compareSchools } from '../src/checks/compare.ts';
import { shownOf, toSettle, wantsSettling } from '../src/checks/settle.ts';
import { followAll, slotOf, standing } from '../src/checks/standing.ts';
import type { Finding } from '../src/checks/types.ts';
import { SCHOOLS, SLOTS } from '../src/data/schools.ts';
import { named } from '../src/drawers/find.ts';
import type { RulesItem } from '../src/drawers/items.ts';
import { EMPTY_DRAWERS } from '../src/drawers/file.ts';
import { drawersOf, NOMINAL_DRAWERS, NOMINAL_SCHOOLS } from '../src/drawers/tables.ts';
import { readFly } from '../src/pattern/read.ts';
import type { FlyFile } from '../src/pattern/schema.ts';
import { parseLength, parsePosition } from '../src/pattern/relations/parse.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { solveFly } from '../src/model/solve/solveFly.ts';

const folder = join(import.meta.dirname, '../../examples');
type Loose = Record<string, unknown>;

function flyOf(value: Loose): FlyFile {
  const read = readFly(JSON.stringify({ format: 'jobbet.fly', version: 1, name: 'A fly', ...value }));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
function checked(file: FlyFile, options?: CheckOptions): Checked {
  const result = checkFile(file, options);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.value;
}
const codes = (file: FlyFile, options?: CheckOptions): string[] =>
  checked(file, options).findings.map((each) => each.code);
const one = (file: FlyFile, code: string, options?: CheckOptions): Finding | undefined =>
  checked(file, options).findings.find((each) => each.code === code);

/** What each check finds by itself, whatever it has in common with others. */
function apart(file: FlyFile, options: CheckOptions = {}): readonly Finding[] {
  const solved = solveFly(file, options.drawers);
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  return findingsOf(solved.value, options);
}

const schoolOf = (word: string) => named(SCHOOLS, word);
const asked = (rules: Omit<RulesItem, 'name'>): CheckOptions => ({
  drawers: { ...NOMINAL_DRAWERS, rules: [{ name: 'Mill Run', ...rules }] },
});

const HOOK = { kind: 'single', size: '6', longX: 3, barb: 'none', finish: 'stainless' };
const MEANT_UP = { intent: { ride: 'point-up' } };
const tail = (more: Loose = {}): Loose => ({
  id: 'tail',
  role: 'tail',
  construction: 'bundle',
  material: 'marabou',
  at: 'bend',
  length: '1 shank',
  pinch: '2 mm',
  ...more,
});
const eyes = (more: Loose = {}): Loose => ({
  id: 'eyes',
  role: 'eyes',
  construction: 'ball',
  shape: 'dumbbell',
  material: 'brass',
  diameter: '5/32 in',
  at: 'station 2',
  side: 'top',
  ...more,
});
const wing = (more: Loose = {}): Loose => ({
  id: 'wing',
  role: 'wing',
  construction: 'bundle',
  material: 'fox hair',
  at: 'head',
  length: '1.4 shank',
  pinch: '2 mm',
  ...more,
});
const body = (more: Loose = {}): Loose => ({
  id: 'body',
  role: 'body',
  construction: 'wrap',
  material: 'chenille',
  diameter: '3 mm',
  from: 'bend',
  to: 'station 2',
  ...more,
});
const rib = (more: Loose = {}): Loose => ({
  id: 'rib',
  role: 'rib',
  construction: 'wrap',
  material: 'oval tinsel',
  strand: '0.3 mm',
  turns: 6,
  from: 'bend',
  to: 'station 2',
  direction: 'counter',
  ...more,
});
const legs = (more: Loose = {}): Loose => ({
  id: 'legs',
  role: 'legs',
  construction: 'bundle',
  material: 'rubber leg',
  at: 'station 4',
  length: '0.9 gap',
  strands: 4,
  side: 'both',
  ...more,
});
const palmer = (more: Loose = {}): Loose => ({
  id: 'palmer',
  role: 'hackle',
  construction: 'hackle',
  style: 'palmer',
  material: 'saddle',
  fibre: '1.4 gap',
  turns: 6,
  from: 'station 3',
  to: 'bend',
  ...more,
});
const collar = (more: Loose = {}): Loose => ({
  id: 'collar',
  role: 'collar',
  construction: 'hackle',
  style: 'collar',
  material: 'hen',
  at: 'station 1.5',
  fibre: '1.4 gap',
  turns: 3,
  ...more,
});
const bead = (more: Loose = {}): Loose => ({
  id: 'bead',
  role: 'bead',
  construction: 'ball',
  shape: 'bead',
  material: 'brass',
  diameter: '0.7 gap',
  at: 'against eye',
  ...more,
});
const wire = (more: Loose = {}): Loose => ({
  id: 'weight',
  role: 'underbody',
  construction: 'wrap',
  material: 'lead-free wire',
  strand: '.020 in',
  turns: 10,
  from: 'bead.rear',
  ...more,
});
const strip = (more: Loose = {}): Loose => ({
  id: 'strip',
  role: 'wing',
  construction: 'strip',
  material: 'rabbit strip',
  at: 'station 2',
  tip: 'bend + 0.6 shank',
  boundAt: ['bend'],
  ...more,
});
const spun = (more: Loose = {}): Loose => ({
  id: 'hair',
  role: 'head',
  construction: 'spun',
  material: 'deer hair',
  diameter: '6 mm',
  from: 'eye + 1.5 mm',
  to: 'station 3',
  ...more,
});
const fly = (parts: Loose[], more: Loose = {}): FlyFile => flyOf({ platform: HOOK, parts, ...more });

/** Each check on a fly that trips it, and on one that just does not. */
const PAIRS: readonly (readonly [
  code: string,
  severity: string,
  trips: FlyFile,
  not: FlyFile,
  options?: CheckOptions,
])[] = [
  ['length.foul', 'note', fly([tail({ length: '27 mm' })]), fly([tail({ length: '25 mm' })])],
  ['length.foul', 'warn', fly([tail({ length: '38 mm' })]), fly([tail({ length: '38 mm', support: 'loop' })])],
  [
    'length.nip',
    'note',
    fly([body(), tail({ length: '1.9 shank' })], { school: 'mobile' }),
    fly([body(), tail({ length: '1.8 shank' })], { school: 'mobile' }),
  ],
  [
    'length.nip',
    'warn',
    fly([body(), tail({ length: '2.3 shank' })], { school: 'mobile' }),
    fly([body(), tail({ length: '1.8 shank' })], { school: 'mobile' }),
  ],
  [
    'length.band',
    'note',
    fly([body(), tail({ length: '1.7 shank' })], { school: 'nymph-lure' }),
    fly([body(), tail({ length: '1.19 shank' })], { school: 'nymph-lure' }),
  ],
  [
    'length.pair',
    'warn',
    fly([wing({ id: 'near', side: 'near', length: '30 mm' }), wing({ id: 'far', side: 'far', length: '28.5 mm' })]),
    fly([wing({ id: 'near', side: 'near', length: '30 mm' }), wing({ id: 'far', side: 'far', length: '29 mm' })]),
  ],
  [
    'length.flash-far',
    'warn',
    fly([tail(), tail({ id: 'flash', role: 'flash', material: 'flash', length: 'tail + 8 mm' })]),
    fly([tail(), tail({ id: 'flash', role: 'flash', material: 'flash', length: 'tail + 5 mm' })]),
  ],
  ['length.legs', 'note', fly([legs({ length: '1.05 gap' })]), fly([legs({ length: '1 gap' })])],
  ['length.legs', 'warn', fly([legs({ length: '2.6 gap' })]), fly([legs({ length: '2.4 gap' })])],
  ['length.cut', 'warn', fly([tail({ ends: 'cut' })]), fly([tail({ ends: 'torn' })])],
  ['length.cut', 'warn', fly([strip({ ends: 'square' })]), fly([strip({ ends: 'tapered' })])],
  ['side.wing-under', 'note', fly([eyes(), wing()]), fly([eyes(), wing({ side: 'bottom' })])],
  ['side.wing-under', 'warn', fly([eyes(), wing()], MEANT_UP), fly([eyes(), wing()])],
  [
    'bulk.gap-closed',
    'warn',
    fly([body({ material: 'flat tinsel', diameter: '6.8 mm' })]),
    fly([body({ material: 'flat tinsel', diameter: '6.4 mm' })]),
  ],
  [
    'bulk.gap-closed',
    'stop',
    fly([body({ material: 'flat tinsel', diameter: '9 mm' })]),
    fly([body({ material: 'flat tinsel', diameter: '6.4 mm' })]),
  ],
  ['bulk.eyes-large', 'warn', fly([eyes({ diameter: '0.78 gap' })]), fly([eyes({ diameter: '0.7 gap' })])],
  ['bulk.bead-large', 'note', fly([bead({ diameter: '0.78 gap' })]), fly([bead({ diameter: '0.74 gap' })])],
  ['bulk.bead-large', 'warn', fly([bead({ diameter: '0.92 gap' })]), fly([bead({ diameter: '0.74 gap' })])],
  ['bulk.weight-extent', 'warn', fly([bead(), wire({ turns: 40 })]), fly([bead(), wire({ turns: 20 })])],
  [
    'bulk.weight-extent',
    'note',
    fly([bead(), wire({ turns: 26 })], { intent: { manner: 'jig' } }),
    fly([bead(), wire({ turns: 26 })]),
  ],
  [
    'strength.herl',
    'note',
    fly([body({ material: 'herl' }), rib({ direction: 'with' })]),
    fly([body({ material: 'herl' }), rib()]),
  ],
  ['strength.herl', 'note', fly([body({ material: 'floss' })]), fly([body({ material: 'floss' }), rib()])],
  [
    'strength.palmer',
    'warn',
    fly([body({ material: 'tight dubbing' }), palmer()]),
    fly([body({ material: 'tight dubbing' }), palmer(), rib()]),
  ],
  ['strength.palmer', 'note', fly([body(), palmer()]), fly([body(), palmer(), rib()])],
  [
    'strength.hide-thread',
    'note',
    fly([strip({ thickness: '0.8 mm' })], { thread: { denier: 70 } }),
    fly([strip({ thickness: '0.8 mm' })], { thread: { denier: 110 } }),
  ],
  [
    'strength.spun-thread',
    'note',
    fly([spun()], { thread: { denier: 110 } }),
    fly([spun()], { thread: { denier: 140 } }),
  ],
  ['strength.eyes', 'note', fly([eyes()]), fly([eyes()], { finish: { glueOnThread: true } })],
  ['strength.weight', 'note', fly([bead(), wire({ from: 'station 4' })]), fly([bead(), wire()])],
  [
    'strength.weight',
    'note',
    fly([wire({ from: 'station 4' })]),
    fly([wire({ from: 'station 4' }), body({ from: 'bend', to: 'station 1' })]),
  ],
  [
    'balance.ride',
    'warn',
    fly([eyes({ diameter: '2 mm' }), body()], { intent: { ride: 'point-up' } }),
    fly([eyes(), body()], { intent: { ride: 'point-up' } }),
  ],
  ['balance.margin', 'warn', fly([eyes({ mass: '270 mg' }), body()]), fly([eyes({ mass: '420 mg' }), body()])],
  ['balance.margin', 'note', fly([eyes({ mass: '1.6 g' }), body()]), fly([eyes({ mass: '420 mg' }), body()])],
  [
    'balance.lean',
    'warn',
    fly([spun({ lean: 0.9 }), eyes({ side: 'near', material: 'brass', shape: 'disc' })]),
    fly([spun()]),
  ],
  [
    'balance.holds',
    'warn',
    fly([eyes(), body()], { intent: { current: '2 m/s' } }),
    fly([eyes(), body()], { intent: { current: '5 mm/s' } }),
  ],
  [
    'balance.trim',
    'warn',
    fly([eyes({ diameter: '3/16 in' }), tail()], { intent: { trim: 'tail-first' } }),
    fly([eyes({ diameter: '3/16 in' }), tail()], { intent: { trim: 'nose-first' } }),
  ],
  [
    'balance.sink',
    'warn',
    fly([eyes({ diameter: '3/16 in' }), tail()], { intent: { sink: 'slow' } }),
    fly([eyes({ diameter: '3/16 in' }), tail()], { intent: { sink: 'very fast' } }),
  ],
  [
    'balance.fights',
    'note',
    fly([eyes({ at: 'station 3.4' }), spun({ diameter: '11 mm', to: 'station 2.5' })]),
    fly([eyes({ at: 'station 5' }), spun({ diameter: '11 mm', to: 'station 2.5' })]),
  ],
  ['turns.rib', 'warn', fly([body(), rib({ turns: 2 })]), fly([body(), rib({ turns: 5 })])],
  ['turns.rib', 'note', fly([body(), rib({ turns: 4 })]), fly([body(), rib({ turns: 5 })])],
  ['turns.collar', 'note', fly([collar({ turns: 6 })]), fly([collar({ turns: 5 })])],
  ['turns.bushy', 'note', fly([body(), palmer({ turns: 13 })]), fly([body(), palmer({ turns: 9 })])],
  [
    'salt.hook',
    'warn',
    fly([tail()], { platform: { ...HOOK, finish: 'bronze' }, intent: { water: { kind: 'salt' } } }),
    fly([tail()], { intent: { water: { kind: 'salt' } } }),
  ],
  [
    'salt.wire',
    'note',
    fly([rib({ material: 'copper wire' })], { intent: { water: { kind: 'salt' } } }),
    fly([rib()], { intent: { water: { kind: 'salt' } } }),
  ],
  [
    'rules.lead',
    'stop',
    fly([eyes({ material: 'lead' })]),
    fly([eyes({ material: 'lead-free' })]),
    asked({ noLead: true }),
  ],
  [
    'rules.barbless',
    'stop',
    fly([tail()], { platform: { ...HOOK, barb: 'full' } }),
    fly([tail()], { platform: { ...HOOK, barb: 'pinched' } }),
    asked({ barbless: true }),
  ],
  [
    'rules.hooks',
    'stop',
    fly([tail()], { platform: { kind: 'double', size: '6' } }),
    fly([tail()]),
    asked({ singleHook: true }),
  ],
  [
    'rules.weight',
    'stop',
    fly([bead()]),
    fly([eyes({ shape: 'plastic', material: 'plastic' })]),
    asked({ noAddedWeight: true }),
  ],
  ['rules.gap', 'stop', fly([tail()]), fly([tail()], { platform: { ...HOOK, size: '8' } }), asked({ largestGapMm: 7 })],
  [
    'rules.length',
    'stop',
    fly([tail({ length: '1.4 shank' })]),
    fly([tail({ length: '0.8 shank' })]),
    asked({ longestMm: 60 }),
  ],
  ['order.bead', 'warn', fly([tail(), bead()]), fly([bead(), tail()])],
  ['order.weight', 'warn', fly([bead(), body(), wire()]), fly([bead(), wire(), body()])],
  ['order.eyes', 'note', fly([collar(), eyes()]), fly([eyes(), collar()])],
  ['order.rear', 'warn', fly([body(), tail()]), fly([tail(), body()])],
  ['order.rib', 'warn', fly([tail(), body(), rib()]), fly([tail(), rib(), body()])],
  [
    'order.palmer',
    'warn',
    fly([body(), palmer({ from: 'bend', to: 'station 2' })]),
    fly([palmer({ from: 'bend', to: 'station 2' }), body()]),
  ],
  ['order.body', 'warn', fly([palmer({ from: 'station 2' }), body()]), fly([body(), palmer({ from: 'station 2' })])],
  ['order.wing', 'warn', fly([wing(), body()]), fly([body(), wing()])],
  [
    'order.layers',
    'warn',
    fly([body(), wing(), wing({ id: 'underwing', role: 'underwing' })]),
    fly([body(), wing({ id: 'underwing', role: 'underwing' }), wing()]),
  ],
  ['order.hackle', 'warn', fly([collar(), body()]), fly([body(), collar()])],
  ['order.head', 'warn', fly([spun(), wing()]), fly([wing({ at: 'station 3' }), spun()])],
  [
    'order.cheek',
    'note',
    fly([wing({ id: 'cheeks', role: 'cheek', side: 'both', length: '0.4 shank' }), wing()]),
    fly([wing(), wing({ id: 'cheeks', role: 'cheek', side: 'both', length: '0.4 shank' })]),
  ],
  [
    'order.coat',
    'warn',
    fly([{ id: 'varnish', role: 'finish', construction: 'coat', over: 'body' }, body()]),
    fly([body(), { id: 'varnish', role: 'finish', construction: 'coat', over: 'body' }]),
  ],
  [
    'order.piece',
    'warn',
    fly([body({ continues: 'tail' }), tail({ buttsTo: 'station 8' })]),
    fly([tail({ buttsTo: 'station 8' }), body({ continues: 'tail' })]),
  ],
  [
    'bulk.step',
    'note',
    fly([tail({ pinch: '4 mm', buttsTo: 'station 7' }), body({ material: 'floss', diameter: '4 mm' })]),
    fly([tail({ pinch: '4 mm' }), body({ material: 'floss', diameter: '4 mm' })]),
  ],
  [
    'bulk.valley',
    'note',
    fly([wire({ from: 'station 3' }), tail({ pinch: '4 mm', buttsTo: 'station 7.5' }), body({ diameter: '5 mm' })]),
    fly([wire({ from: 'station 3' }), tail({ pinch: '4 mm', buttsTo: 'weight.rear' }), body({ diameter: '5 mm' })]),
  ],
  [
    'bulk.head-space',
    'warn',
    fly([body(), wing(), collar({ at: 'head' })], { platform: { ...HOOK, headSpace: '1 mm' } }),
    fly([body(), wing(), collar({ at: 'head' })], { platform: { ...HOOK, headSpace: '3 mm' } }),
  ],
  [
    'bulk.head-large',
    'note',
    fly([body(), wing({ pinch: '5 mm' })], { head: 'small', thread: { denier: 140 } }),
    fly([body(), wing({ pinch: '1.5 mm' })], { head: 'bold', thread: { denier: 140 } }),
  ],
];

describe('each check trips, and just does not', () => {
  test.each(PAIRS.map((pair) => [pair[0], pair[1], pair] as const))(
    '%s, %s',
    (code, severity, [, , trips, not, options]) => {
      const finding = apart(trips, options).find((each) => each.code === code);
      expect([finding?.severity, finding?.message]).toEqual([severity, expect.stringMatching(/\w/)]);
      expect(apart(not, options).filter((each) => each.code === code && each.severity === severity)).toEqual([]);
    },
  );

  test('every check has such a pair, or one of its own below', () => {
    const own = new Set(['strength.temper', 'balance.undecided']);
    const seen = new Set(PAIRS.map(([code]) => code));
    expect(CHECKS.map((check) => check.code).filter((code) => !seen.has(code) && !own.has(code))).toEqual([]);
    expect(CHECKS.length).toBeGreaterThanOrEqual(40);
    expect(new Set(CHECKS.map((check) => check.code)).size).toBe(CHECKS.length);
  });

  test('strength.temper reads the packet', () => {
    const file = fly([tail()], { platform: { ...HOOK, packet: 'long 6' } });
    const packet = (temper: 'good' | 'soft'): CheckOptions => ({
      drawers: { ...NOMINAL_DRAWERS, hooks: [{ name: 'long 6', form: 'single', size: '6', temper }] },
    });
    expect([
      one(file, 'strength.temper', packet('soft'))?.severity,
      one(file, 'strength.temper', packet('good')),
    ]).toEqual(['warn', undefined]);
  });

  test('balance.undecided: a bare tube rolls as it likes', () => {
    expect(codes(fly([], { platform: { kind: 'tube', length: '30 mm' } }))).toContain('balance.undecided');
    expect(codes(fly([tail()]))).not.toContain('balance.undecided');
  });
});

describe('fixes', () => {
  test('each one lays out, and what it was offered for is mended or milder', () => {
    const rank = { stop: 2, warn: 1, note: 0 };
    for (const [code, , trips, , options] of PAIRS) {
      const finding = one(trips, code, options);
      if (!finding?.fix) continue;
      const after = one(finding.fix.file, code, options);
      const mended =
        !after || rank[after.severity] < rank[finding.severity] || (after.figure ?? 0) < (finding.figure ?? 0);
      expect([code, finding.fix.words, mended]).toEqual([code, expect.any(String), true]);
    }
  });
});

describe('what the user writes', () => {
  test('a school of one’s own is read by slot; a rule that does not read is named', () => {
    const [first] = NOMINAL_SCHOOLS;
    if (!first) throw new Error('no school');
    expect(NOMINAL_SCHOOLS.flatMap(schoolFaults)).toEqual([]);
    expect(schoolFaults({ ...first, wing: 'tail.tip or 2..' })[0]).toMatchObject({ path: 'wing', code: 'syntax' });
  });
  test('limits go by the check and the key; an unknown one is answered with the nearest', () => {
    expect(NOMINAL_LIMITS.flatMap(limitFaults)).toEqual([]);
    expect(limitFaults({ name: 'length.fuol.warn', value: 1 })[0]?.message).toContain(
      'did you mean "length.foul.warn"',
    );
  });
  test.each([
    ['brass eyes', [eyes()], true],
    ['wire under a body', [wire({ turns: 10, from: 'station 3' }), body()], true],
    ['plastic eyes', [eyes({ shape: 'plastic', material: 'plastic' })], false],
    ['a glass bead', [bead({ material: 'glass' })], false],
    ['yarn under a body', [body({ id: 'under', role: 'underbody', material: 'wool yarn' }), body()], false],
    ['a body of tinsel', [tail(), body({ material: 'flat tinsel' })], false],
  ])('where no weight may be added, %s counts as weight: %s', (_what, parts, weight) => {
    expect(codes(fly(parts), asked({ noAddedWeight: true })).includes('rules.weight')).toBe(weight);
  });
  test('rules bind only while they are in force', () => {
    const rules: RulesItem[] = [
      { name: 'Mill Run', noLead: true },
      { name: 'Long Glide', noLead: true, inForce: true },
    ];
    expect(drawersOf({ ...EMPTY_DRAWERS, rules }).rules.map((each) => each.name)).toEqual(['Long Glide']);
  });
});

describe('muting and limits', () => {
  const file = fly([tail(), legs({ length: '1.2 gap' })]);
  test('a mute needs a reason, is kept with the fly, and can be taken back', () => {
    expect(withMute(file, 'length.legs', '  ').ok).toBe(false);
    const muted = withMute(file, 'length.legs', 'they are cut at the water');
    if (!muted.ok) throw new Error('refused');
    expect(flyOf(muted.value as unknown as Loose).mutes).toEqual([
      { code: 'length.legs', reason: 'they are cut at the water' },
    ]);
    expect(codes(muted.value)).not.toContain('length.legs');
    expect(checked(muted.value).muted[0]).toMatchObject({
      code: 'length.legs',
      muteReason: 'they are cut at the water',
    });
    expect(withoutMute(muted.value, 'length.legs')).toEqual(file);
  });
  test('a limit of one’s own takes the place of the usual one; stops come first', () => {
    expect(
      codes(file, {
        drawers: { ...NOMINAL_DRAWERS, limits: { 'length.legs.gaps': 1.3 } },
      }),
    ).not.toContain('length.legs');
    // What stands on a limit is at it: its own figure as the limit is still told, the next above it is not.
    const of = (limits: Readonly<Record<string, number>>) =>
      apart(fly([body(), tail({ length: '2.4 shank' })], { school: 'mobile' }), {
        drawers: { ...NOMINAL_DRAWERS, limits },
      }).find(({ code }) => code === 'length.nip');
    const figure = of({})?.figure ?? Number.NaN;
    const next = figure * (1 + 2 ** -50);
    expect([of({ 'length.nip.warn': figure }), of({ 'length.nip.warn': next })].map((each) => each?.severity)).toEqual([
      'warn',
      'note',
    ]);
    expect(
      [of({ 'length.nip.note': figure }), of({ 'length.nip.note': next })].map((each) => each !== undefined),
    ).toEqual([true, false]);
    const all = checked(
      fly([tail({ length: '38 mm' }), body({ material: 'flat tinsel', diameter: '9 mm' }), collar({ turns: 6 })]),
    );
    const order = all.findings.map((each) => ['stop', 'warn', 'note'].indexOf(each.severity));
    expect(order).toEqual(order.toSorted((a, b) => a - b));
    expect(new Set(order).size).toBe(3);
  });
});

describe('schools', () => {
  test('seven, each rule reads, and each has its reason', () => {
    expect(SCHOOLS).toHaveLength(7);
    for (const school of SCHOOLS)
      for (const slot of SLOTS) {
        const rules = school[slot]?.split(' or ') ?? [];
        for (const rule of rules)
          expect([school.name, slot, parseLength(rule).ok || parsePosition(rule).ok]).toEqual([
            school.name,
            slot,
            true,
          ]);
        if (rules.length > 0)
          expect([school.name, slot, school[`${slot}Why`] ?? '']).toEqual([
            school.name,
            slot,
            expect.stringMatching(/\w{4}/),
          ]);
      }
    expect([schoolOf('long-strip')?.name, schoolOf('Long strip')?.name, schoolOf('none')]).toEqual([
      'Long strip',
      'Long strip',
      null,
    ]);
  });

  const mobile = schoolOf('mobile');
  const laid = (file: FlyFile) => {
    const result = layFly(file);
    if (!result.ok) throw new Error(JSON.stringify(result.faults));
    return result.value;
  };
  test('a part stands within its band, outside, or follows; one word back and it follows again', () => {
    if (!mobile) throw new Error('no school');
    const at = (length: string) => standing(laid(fly([body(), tail({ length })])), 'tail', mobile, NOMINAL_DRAWERS);
    expect(at('1.2 shank')).toMatchObject({ slot: 'tail', key: 'length', within: true, follows: false });
    expect(at('2 shank')).toMatchObject({ within: false });
    const rejoined = at('2 shank')?.file;
    expect(rejoined?.parts[1]).toMatchObject({ length: '0.85 body..1.6 shank' });
    expect(at('0.85 body..1.6 shank')).toMatchObject({ follows: true, within: true });
    // As a tier may write it: in any case, with any spaces.
    expect(at('0.85  Body..1.6 SHANK')).toMatchObject({ follows: true });
    expect(at(' 0.85 body..1.6 shank ')).toMatchObject({ follows: true });
    // Of a body it is the place it begins at; a wing told by its tip has no length to read, and has one all the same.
    expect(standing(laid(fly([body()])), 'body', mobile, NOMINAL_DRAWERS)).toMatchObject({
      key: 'from',
      valueMm: laid(fly([body()])).platform.landmarksMm.bend,
    });
    const byTip = wing({ length: undefined, tip: 'bend + 10 mm' });
    expect(standing(laid(fly([body(), byTip])), 'wing', mobile, NOMINAL_DRAWERS)?.valueMm).toBeGreaterThan(10);
    expect(standing(laid(fly([body()])), 'tail', mobile, NOMINAL_DRAWERS)).toBeNull();
  });
  test('following the school again changes what left it, and nothing it says nothing of', () => {
    if (!mobile) throw new Error('no school');
    const { file, changed } = followAll(
      laid(fly([eyes(), body(), tail({ length: '2 shank' }), collar({ fibre: '3 gap' })])),
      mobile,
      NOMINAL_DRAWERS,
    );
    expect(changed).toEqual(['tail', 'collar']);
    const again = laid(file);
    expect(again.parts.map((part) => slotOf(part, again))).toEqual([null, 'body', 'tail', 'collar']);
  });
  test('a short tail, an outer collar and a roof are slots of their own, held to only where the school has them', () => {
    const slots = (file: FlyFile): Record<string, string | null> => {
      const own = laid(file);
      return Object.fromEntries(own.parts.map((part) => [part.file.id, slotOf(part, own)]));
    };
    expect(slots(fly([tail({ length: '0.8 gap' }), body()]))).toMatchObject({ tail: 'shortTail' });
    expect(slots(fly([tail({ length: '0.8 gap..1.1 body' }), body()]))).toMatchObject({ tail: 'tail' });
    expect(slots(fly([tail({ length: '1 shank' }), tail({ id: 'tag2', length: '0.4 shank' })]))).toMatchObject({
      tail: 'tail',
      tag2: 'shortTail',
    });
    expect(
      slots(fly([body(), collar({ id: 'inner', at: 'station 2' }), collar({ id: 'outer', at: 'station 1' })])),
    ).toMatchObject({
      inner: 'collar',
      outer: 'outerCollar',
    });
    const roof = {
      id: 'roof',
      role: 'overwing',
      construction: 'feather',
      form: 'slips',
      lie: 'tented',
      material: 'goose slip',
      at: 'head',
      length: '1.2 shank',
    };
    expect(slots(fly([roof]))).toMatchObject({ roof: 'roof' });
    expect(slots(fly([{ ...roof, role: 'wing' }]))).toMatchObject({ roof: 'wing' });
    const hide = (role: string) => slots(fly([strip({ id: 'hide', role })]))['hide'];
    expect(['wing', 'tail', 'overwing', 'belly'].map(hide)).toEqual(['strip', 'strip', 'overwing', null]);
    expect(slots(fly([body(), palmer()]))).toMatchObject({ palmer: 'palmer' });
    expect(slots(fly([collar({ style: 'throat' })]))).toMatchObject({ collar: null });
    if (!mobile) throw new Error('no school');
    // Mobile says nothing of short tails: one half a gap long is no fault of its own.
    expect(standing(laid(fly([tail({ length: '0.5 gap' })])), 'tail', mobile, NOMINAL_DRAWERS)).toBeNull();
    const compact = schoolOf('compact');
    expect(
      compact && standing(laid(fly([tail({ length: '0.8 gap' })])), 'tail', compact, NOMINAL_DRAWERS),
    ).toMatchObject({
      slot: 'shortTail',
      within: true,
    });
  });
  test('two schools on one fly: what either makes of each part, and nothing of what both leave alone', () => {
    const compact = schoolOf('compact');
    if (!mobile || !compact) throw new Error('no school');
    const own = laid(fly([eyes(), body({ from: 'bend', to: 'eyes.rear' }), tail({ length: '2 shank' }), rib()]));
    const { flies, differences } = compareSchools(own, compact, mobile, NOMINAL_DRAWERS);
    const tails = flies.map((each) => each.parts.find((part) => part.file.id === 'tail')?.extent.lengthMm ?? 0);
    expect(tails[0]).toBeLessThan(tails[1] ?? 0);
    const told = differences.find((each) => each.id === 'tail');
    expect(told?.mm).toEqual(tails);
    expect(told?.rules).toEqual(['0.8 gap..1.1 body', '0.85 body..1.6 shank']);
    expect(differences.map((each) => each.id)).not.toContain('eyes');
    expect(compareSchools(own, mobile, mobile, NOMINAL_DRAWERS).differences).toEqual([]);
    expect(own.file.parts[2]).toMatchObject({ length: '2 shank' });
  });
});

describe('quiet', () => {
  /** One correct fly of each school. */
  const SCHOOLED: Readonly<Record<string, FlyFile>> = {
    compact: fly(
      [
        eyes({ diameter: '3/16 in' }),
        tail({ material: 'calf hair', length: '0.8 gap..1.1 body' }),
        body({ to: 'eyes.rear' }),
        wing({ tip: 'tail.tip', length: undefined, at: 'eyes.front - 0.5 mm', side: 'bottom' }),
      ],
      { intent: { ride: 'point-up' } },
    ),
    mobile: fly([tail({ length: '1..1.4 shank' }), rib(), body(), palmer(), collar()]),
    'long-strip': fly(
      [eyes({ diameter: '3/16 in' }), body({ to: 'eyes.rear' }), strip({ side: 'bottom', at: 'eyes.rear' })],
      { intent: { ride: 'point-up' } },
    ),
    'hairwing-long': fly([
      tail({ material: 'fox hair', at: 'point', length: '1 body' }),
      rib({ from: 'point', to: 'head + 1 mm' }),
      body({ from: 'point', to: 'head + 1 mm', material: 'floss' }),
      wing({ tip: 'tail.tip + 2..5 mm', length: undefined }),
    ]),
    'hairwing-veiled': fly([
      rib({ from: 'point', to: 'head + 1 mm' }),
      body({ from: 'point', to: 'head + 1 mm', material: 'floss' }),
      wing({ id: 'under', role: 'underwing', length: '0.85..0.95 wing' }),
      wing({ length: '1.4..1.9 shank' }),
      collar({ at: 'head', fibre: '0.5..0.65 shank' }),
    ]),
    'built-wing': fly([
      tail({ construction: 'feather', pinch: undefined, material: 'crest feather', length: '0.5..1 shank' }),
      rib(),
      body({ material: 'floss' }),
      wing({ construction: 'feather', pinch: undefined, material: 'quill slip', tip: 'tail.tip', length: undefined }),
    ]),
    'nymph-lure': fly([
      tail({ length: '0.85 body..1.2 shank' }),
      rib(),
      body(),
      legs({ length: 'at most gap' }),
      collar({ fibre: '0.8..1.2 gap' }),
    ]),
  };
  test.each(SCHOOLS.map((school) => [school.also?.[0] ?? '']))(
    'a fly tied as %s says has no stop and no warn',
    (name) => {
      const file = SCHOOLED[name];
      if (!file) throw new Error(`no fly for ${name}`);
      const { findings } = checked({ ...file, school: name });
      expect(
        findings.filter((each) => each.severity !== 'note').map((each) => `${each.code}: ${each.message}`),
      ).toEqual([]);
    },
  );
  test.each<[string, Loose]>([
    ['single', HOOK],
    ['double', { kind: 'double', size: '6', finish: 'stainless' }],
    ['jig', { kind: 'jig', size: '6', longX: 1, finish: 'stainless' }],
    ['tube', { kind: 'tube', length: '28 mm', hook: { kind: 'single', size: '6' } }],
    ['shank', { kind: 'shank', length: '30 mm', hook: { kind: 'single', size: '4' } }],
  ])('a plain fly on a %s is quiet', (_kind, platform) => {
    const file = fly([tail({ length: '0.8 shank' }), rib(), body(), collar({ fibre: '1.3 gap' })], { platform });
    expect(
      checked(file)
        .findings.filter((each) => each.severity !== 'note')
        .map((each) => each.message),
    ).toEqual([]);
  });
  test('the flies of the boathouse: only the troubled one is told to stop or warned of what it lacks', () => {
    const loud = readdirSync(folder)
      .filter((name) => name.endsWith('.fly.json'))
      .map((name) => {
        const read = readFly(readFileSync(join(folder, name), 'utf8'));
        if (!read.ok) throw new Error(name);
        return {
          name: read.value.name,
          count: checked(read.value).findings.filter((each) => each.severity !== 'note').length,
        };
      });
    expect(loud.find((each) => each.name === 'Rowan Ember')?.count).toBeGreaterThanOrEqual(2);
    for (const { name, count } of loud) if (name !== 'Rowan Ember') expect([name, count <= 1]).toEqual([name, true]);
  });
});

describe('what trips no check', () => {
  test('eyes that a coat covers, or on what has no gap to measure them by, are told nothing of glue', () => {
    const coat = { id: 'gloss', role: 'finish', construction: 'coat', material: 'varnish', over: 'eyes' };
    const other = { ...coat, over: 'tail' };
    expect(codes(fly([eyes()]))).toContain('strength.eyes');
    expect(codes(fly([eyes(), coat]))).not.toContain('strength.eyes');
    expect(codes(fly([eyes(), tail(), other]))).toContain('strength.eyes');
    expect(codes(fly([eyes()], { platform: { kind: 'tube', length: '30 mm' } }))).not.toContain('strength.eyes');
  });
  test('a rib of exactly the widest turns allowed, and a palmer of many', () => {
    const wide = fly([body({ from: 'bend', to: 'bend - 20 mm' }), rib({ from: 'bend', to: 'bend - 20 mm', turns: 4 })]);
    expect(codes(wide)).not.toContain('turns.rib');
    const palmer = collar({ style: 'palmer', at: undefined, from: 'bend', to: 'station 3', turns: 9 });
    expect(codes(fly([body(), palmer]))).not.toContain('turns.collar');
    expect(codes(fly([collar({ turns: 9 })]))).toContain('turns.collar');
  });
  test('a rule of hook points reads the hook behind a tube, and none where there is none', () => {
    const behind = (hook: Loose | undefined) =>
      fly([tail()], { platform: { kind: 'tube', length: '30 mm', ...(hook ? { hook } : {}) } });
    const double = behind({ kind: 'double', size: '6' });
    expect(codes(double, asked({ singleHook: true }))).toContain('rules.hooks');
    expect(codes(behind({ kind: 'single', size: '6' }), asked({ singleHook: true }))).not.toContain('rules.hooks');
    expect(codes(behind(undefined), asked({ singleHook: true }))).not.toContain('rules.hooks');
  });
  test('a bronzed hook behind a tube in salt water is told to change there', () => {
    const intent = { water: { kind: 'salt' } };
    const tube = { kind: 'tube', length: '30 mm', hook: { kind: 'single', size: '6', finish: 'bronze' } };
    expect(one(fly([tail()], { platform: tube, intent }), 'salt.hook')?.message).toContain('bronze');
    expect(codes(fly([tail()], { platform: { kind: 'tube', length: '30 mm' }, intent }))).not.toContain('salt.hook');
  });
  test('in salt water a hook that says nothing of its finish is not blamed; tin stands it, in fresh water any does', () => {
    const of = (finish: string | undefined, kind: string): string | undefined =>
      one(fly([tail()], { platform: { ...HOOK, finish }, intent: { water: { kind } } }), 'salt.hook')?.severity;
    expect([of(undefined, 'salt'), of('tin', 'salt'), of('bronze', 'fresh')]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect([of('bronze', 'salt'), of('bronze', 'brackish')]).toEqual(['warn', 'note']);
  });
  test('a palmered stem lies sheltered only where it lies between the tufts of a bushy body', () => {
    const of = (...parts: Loose[]): string | undefined => one(fly(parts), 'strength.palmer')?.severity;
    expect(of(body(), palmer())).toBe('note');
    // Bushy, but no body; a body, but one that the hackle does not touch.
    expect(of(body({ id: 'butt', role: 'butt' }), palmer())).toBe('warn');
    expect(of(body({ from: 'bend', to: 'station 7' }), palmer({ from: 'station 6', to: 'station 3' }))).toBe('warn');
  });
  test('what costs looks alone is shown where it is wished for', () => {
    const findings = [{ costs: 'looks' }, { costs: 'fish' }] as Finding[];
    expect(shownOf(findings, true)).toHaveLength(2);
    expect(shownOf(findings, false).map((each) => each.costs)).toEqual(['fish']);
    expect(['stop', 'warn', 'note'].map((severity) => wantsSettling({ severity } as Finding))).toEqual([
      true,
      true,
      false,
    ]);
  });
  test('what is kept with a fly is what wants settling, without its fix and its parts', () => {
    const { findings } = checked(fly([body(), tail({ length: '3 shank' }), legs({ length: '1.4 gap' })]));
    const kept = toSettle(findings);
    expect(kept).toHaveLength(findings.filter(wantsSettling).length);
    expect(kept.length).toBeLessThan(findings.length);
    expect(kept[0]).toEqual({
      code: findings[0]?.code,
      severity: findings[0]?.severity,
      costs: findings[0]?.costs,
      message: findings[0]?.message,
    });
  });
  test('a bead that comes too late is one check, with all that is in its way; over the front of a tube it is not too late', () => {
    const late = fly([tail(), body(), bead({ diameter: '3 mm' })]);
    const [told, ...more] = checked(late).findings.filter(({ code }) => code === 'order.bead');
    expect(more).toEqual([]);
    expect(told).toMatchObject({
      message: 'the bead is put on after the tail and 1 more: it can no longer be slid on',
      parts: ['bead', 'tail', 'body'],
    });
    expect(told?.fix?.words).toBe('slide on bead before tail');
    expect(told?.fix?.file.parts.map(({ id }) => id)).toEqual(['bead', 'tail', 'body']);
    const tube = { kind: 'tube', length: '30 mm' };
    const onTube = (...parts: Loose[]) => codes(fly(parts, { platform: tube }));
    expect(onTube(tail(), body(), bead({ diameter: '4 mm' }))).not.toContain('order.bead');
    // Something tied in ahead of where it sits is in its way.
    const back = bead({ diameter: '4 mm', at: 'station 6' });
    expect(onTube(tail(), wing(), back)).toContain('order.bead');
    expect(onTube(tail(), back, wing())).not.toContain('order.bead');
    expect(
      codes(fly([tail(), bead({ diameter: '4 mm' })], { platform: { kind: 'shank', length: '30 mm' } })),
    ).toContain('order.bead');
  });
  test('an order that costs looks is told as such, and names the two parts and the fix', () => {
    const looks = CHECKS.filter((check) => check.code.startsWith('order.') && check.costs === 'looks').map(
      ({ code }) => code,
    );
    expect(looks.sort()).toEqual(['order.cheek', 'order.layers']);
    for (const each of checked(fly([rib(), body()])).findings.filter(({ code }) => code.startsWith('order.')))
      expect([each.parts.length, each.fix !== null]).toEqual([2, true]);
  });
});

describe('one cause, one check', () => {
  const long = fly([body(), tail({ length: '3 shank' }), tail({ id: 'flash', length: 'tail + 2 mm' })], {
    school: 'mobile',
  });
  test('a tail that is too long is told once, with all it costs and what is as long by it', () => {
    const { findings } = checked(long);
    const about = findings.filter((each) => each.code.startsWith('length.'));
    expect(about).toHaveLength(1);
    expect(about[0]?.parts).toEqual(['tail', 'flash']);
    expect(about[0]?.message).toMatch(/fouling .*the longest its school ties it/);
    expect(about[0]?.with).toContain('length.nip');
    // Said of the part once, and of what leans on it by name.
    expect(about[0]?.message.match(/tail/g)).toHaveLength(1);
    expect(about[0]?.message).toMatch(/; the flash with it$/);
    expect(apart(long).filter((each) => each.code.startsWith('length.')).length).toBeGreaterThan(3);
  });
  test('its fix mends it as a whole', () => {
    const fix = checked(long).findings.find((each) => each.code.startsWith('length.'))?.fix;
    expect(fix?.words).toMatch(/follow the school/);
    const after = fix ? checked(fix.file).findings : [];
    expect(after.filter((each) => each.code.startsWith('length.') && wantsSettling(each))).toEqual([]);
  });
  test('two parts that are too long by themselves are two', () => {
    const two = fly([body(), tail({ length: '3 shank' }), tail({ id: 'second', length: '2.9 shank' })], {
      school: 'mobile',
    });
    expect(checked(two).findings.filter((each) => each.code === 'length.foul')).toHaveLength(2);
  });
});

describe('weight under a body', () => {
  const under = (from: string): string[] =>
    codes(fly([body({ from: 'bend', to: 'station 4' }), wire({ from, to: 'station 8' })]));
  test('is held where at least nine tenths of it are covered', () => {
    // Of ten tenths to the eighth the body covers those from the fourth on.
    expect(under('station 4.2')).not.toContain('strength.weight');
    expect(under('station 3.7')).not.toContain('strength.weight');
    expect(under('station 3.3')).toContain('strength.weight');
  });
});

describe('weight wire', () => {
  const faults = (material: string | undefined): unknown => {
    const laid = layFly(fly([wire({ from: 'station 4', material })]));
    return laid.ok ? [] : laid.faults.map(({ path, message }) => [path, message.split(/[;"]/)[1] ?? message]);
  };
  test('needs a metal the tables know, and names the one that is asked for', () => {
    expect(faults('lead wire')).toEqual([]);
    expect(faults('moonstone weight')).toEqual([['parts[0].material', 'moonstone weight']]);
    expect(faults(undefined)).toEqual([['parts[0].material', ' weight wire needs its metal, such as ']]);
  });
});

describe('turns of a collar', () => {
  const told = (turns: number): Finding | undefined => one(fly([collar({ turns })]), 'turns.collar');
  test('are held against the limit they are past', () => {
    expect(told(9)).toMatchObject({ figure: 9, limit: 5 });
    expect(told(0.5)).toMatchObject({ figure: 0.5, limit: 2 });
    expect(told(2)).toBeUndefined();
  });
});
