import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createEmptyCard, fsrs, Rating } from 'ts-fsrs';
import { firstFly } from '../src/drill/firstFly.ts';
import { leansFrom } from '../src/drill/lean.ts';
import { brokenIn, leastMoves, orderAsk } from '../src/drill/order.ts';
import { pullsOn } from '../src/drill/pulls.ts';
import { reportDrills } from '../src/drill/report.ts';
import { type Answered, gradeOf, knownNow, nextKind } from '../src/drill/schedule.ts';
import { nextShare, rightChance, type Seen, thresholdOf } from '../src/drill/staircase.ts';
import { pooledSpread, pulledIn, talliedBy, tallyOf } from '../src/drill/tally.ts';
import { NOMINAL_DRAWERS } from '../src/drawers/index.ts';
import type { DrillFile, DrillItem } from '../src/records/drill.ts';
import { type LaidFly, layFly } from '../src/model/solve/layFly.ts';
import { solveFly } from '../src/model/solve/solveFly.ts';
import { checkFly } from '../src/checks/checkFly.ts';
import { measuresOf } from '../src/inspect/measures.ts';
import { readFly } from '../src/pattern/read.ts';
import { readRecord } from '../src/records/kinds.ts';
import { bestOrder, brokenBy, constraintsOf, techniquesIn, tyingPlan } from '../src/tying/index.ts';
import { noise } from '../src/numeric/random.ts';
import { normalOf } from '../src/numeric/chance.ts';
import { laid, tail } from './build.ts';

const example = (name: string): LaidFly => {
  const read = readFly(readFileSync(join(import.meta.dirname, `../../examples/${name}.fly.json`), 'utf8'));
  const made = read.ok ? layFly(read.value) : read;
  if (!made.ok) throw new Error(JSON.stringify(made.faults));
  return made.value;
};
const slate = example('slate-runner');

const item = (more: Partial<DrillItem> = {}): DrillItem => ({
  on: '6',
  platform: 'single',
  asked: '1.5 shank',
  direction: 'behind',
  truth: 20,
  given: 21,
  seconds: 4,
  ...more,
});
const drill = (items: readonly DrillItem[], more: Partial<DrillFile> = {}): DrillFile => ({
  format: 'jobbet.drill',
  version: 1,
  of: 'length',
  at: '2026-10-12T19:30',
  items: [...items],
  ...more,
});

describe('bias and spread', () => {
  test('of a few answers are their mean and sample deviation, with the intervals of t and χ²', () => {
    // 1, 2, 3, 4, 5: mean 3, deviation √2.5; t of four degrees of freedom is 2.776, χ² 11.143 and 0.484 (tables).
    const { bias, sd, biasInterval, sdInterval } = tallyOf([1, 2, 3, 4, 5]);
    expect([bias, sd]).toEqual([3, Math.sqrt(2.5)]);
    expect(biasInterval?.[1]).toBeCloseTo(3 + (2.7764 * Math.sqrt(2.5)) / Math.sqrt(5), 3);
    expect(sdInterval?.[0]).toBeCloseTo(Math.sqrt((4 * 2.5) / 11.1433), 3);
    expect(sdInterval?.[1]).toBeCloseTo(Math.sqrt((4 * 2.5) / 0.4844), 2);
    expect(tallyOf([0.1])).toMatchObject({ n: 1, bias: 0.1, sd: null, biasInterval: null });
  });
  test('planted in a tier who is made up are held by their intervals as often as is said', () => {
    const [bias, sd, tiers] = [0.06, 0.05, 400];
    let [biasHeld, sdHeld] = [0, 0];
    for (let tier = 0; tier < tiers; tier++) {
      const items = Array.from({ length: 15 }, (_, i) => item({ given: 20 * (1 + bias + sd * normalOf(tier, i, 0)) }));
      const [told] = talliedBy(pulledIn([drill(items)]), 'relation');
      if (!told?.biasInterval || !told.sdInterval) throw new Error('nothing told');
      if (told.biasInterval[0] <= bias && bias <= told.biasInterval[1]) biasHeld++;
      if (told.sdInterval[0] <= sd && sd <= told.sdInterval[1]) sdHeld++;
    }
    // Nineteen in twenty, within three standard errors of as many tiers.
    const slack = 3 * Math.sqrt((0.95 * 0.05) / tiers);
    for (const held of [biasHeld, sdHeld]) expect(Math.abs(held / tiers - 0.95)).toBeLessThan(slack);
  });
  test('are told apart by any of four things; the spread of all is that about each relation’s own mean', () => {
    const items = [
      item({ given: 18 }),
      item({ given: 22, platform: 'double' }),
      item({ asked: '1 gap', truth: 10, given: 12, direction: 'below' }),
      item({ asked: '1 gap', truth: 10, given: 14, on: '8' }),
    ];
    const all = pulledIn([drill(items)]);
    const names = (by: 'relation' | 'size' | 'platform' | 'direction') =>
      talliedBy(all, by).map(({ name, n }) => [name, n]);
    expect(names('relation')).toEqual([
      ['1.5 shank', 2],
      ['1 gap', 2],
    ]);
    expect(names('size')).toEqual([
      ['6', 3],
      ['8', 1],
    ]);
    expect(names('platform')).toEqual([
      ['single', 3],
      ['double', 1],
    ]);
    expect(names('direction')).toEqual([
      ['behind', 3],
      ['below', 1],
    ]);
    // Too few to tell of hands.
    expect(pooledSpread(all)).toBeNull();
    const twelve = (of: (i: number) => Partial<DrillItem>) => drill(Array.from({ length: 12 }, (_, i) => item(of(i))));
    const many = pulledIn([
      twelve((i) => ({ given: i % 2 ? 21 : 19 })),
      twelve((i) => ({ asked: '1 gap', truth: 10, given: i % 2 ? 15.5 : 14.5 })),
    ]);
    // 5 % about a mean of none, and 5 % about one of half too long: a bias is no spread.
    expect(pooledSpread(many)?.sd).toBeCloseTo(0.05 * Math.sqrt(12 / 11), 6);
  });
  test('are told by relation, size, platform and direction; null of one answer', () => {
    const files = [
      drill([item(), item({ given: 19 }), item({ on: '8', truth: 10, given: 12 })]),
      drill([item({ asked: '8 turns of 0.5 mm wire', truth: 4, given: 3 })], { of: 'butts' }),
      drill([item({ asked: 'left or right', truth: 0.2, given: -0.2 })], { of: 'equal' }),
    ];
    const { groups } = reportDrills(files);
    expect(groups).toEqual([
      {
        of: 'length',
        relation: '1.5 shank',
        size: '6',
        platform: 'single',
        direction: 'behind',
        n: 2,
        bias_mm: 0,
        sd_mm: 1.4142,
        bias_share: 0,
        sd_share: 0.0707,
      },
      {
        of: 'length',
        relation: '1.5 shank',
        size: '8',
        platform: 'single',
        direction: 'behind',
        n: 1,
        bias_mm: 2,
        sd_mm: null,
        bias_share: 0.2,
        sd_share: null,
      },
      expect.objectContaining({
        of: 'butts',
        relation: '8 turns of 0.5 mm wire',
        n: 1,
        bias_mm: -1,
        bias_share: -0.25,
      }),
    ]);
  });
});

describe('a drill’s file', () => {
  const paths = (file: unknown): readonly string[] => {
    const read = readRecord('drill', file);
    return read.ok ? [] : read.faults.map(({ path }) => path);
  };
  test('has answers of its own kind: mm, shares, lists and words', () => {
    expect(paths(drill([item()]))).toEqual([]);
    expect(paths(drill([item({ given: 'long' })]))).toEqual(['items[0].given']);
    expect(paths(drill([item({ truth: -1 })]))).toEqual(['items[0].truth']);
    expect(paths(drill([item({ truth: 'point-up', given: 'point-down' })], { of: 'ride' }))).toEqual([]);
    expect(paths(drill([item({ truth: ['tail'], given: 3 })], { of: 'order' }))).toEqual(['items[0].given']);
    expect(paths(drill([item({ truth: 20, given: 0.1 })], { of: 'equal' }))).toEqual(['items[0].truth']);
    expect(paths(drill([], { at: '2026-02-30T10:00' }))).toEqual(['at']);
  });
});

describe('what is asked by pulling', () => {
  const single = laid([tail()]).platform;
  test('is measured on the hook: a shank and a half is one and a half shanks', () => {
    const of = (asked: string) => pullsOn(single, 'length').find((each) => each.asked === asked);
    expect(of('1.5 shank')?.truthMm).toBeCloseTo(1.5 * single.shankMm, 9);
    expect(of('2 gap')?.truthMm).toBeCloseTo(2 * (single.gapMm ?? 0), 9);
    // Half way into the wing from where both are tied in.
    expect(of('half the wing')?.truthMm).toBeCloseTo((of('half the wing')?.wingMm ?? 0) / 2, 9);
    // A wing to the bend ends where the shank does.
    const bend = of('to the bend');
    expect((bend?.fromMm ?? 0) + (bend?.truthMm ?? 0)).toBeCloseTo(single.shankMm, 9);
    for (const { pieces, truthMm, asked } of pullsOn(single, 'length'))
      if (pieces.length > 0)
        expect([asked, pieces.reduce((sum, { mm }) => sum + mm, 0)]).toEqual([asked, expect.closeTo(truthMm, 9)]);
  });
  test('asks nothing of a hook where there is none', () => {
    const bare = { ...single, gapMm: null, landmarksMm: { ...single.landmarksMm, point: null, barb: null } };
    expect(pullsOn(bare, 'length').every(({ asked }) => !/gap|point/.test(asked))).toBe(true);
    expect(pullsOn(bare, 'butts').length).toBeGreaterThan(2);
  });
});

describe('the staircase', () => {
  test('goes down by one step where it was seen, up by three where it was not, and on from round to round', () => {
    const seen: Seen[] = [{ share: 0.2, right: false }];
    const up = nextShare([...seen, { share: 0.1, right: false }]);
    const down = nextShare([...seen, { share: 0.1, right: true }]);
    expect(Math.log(up / 0.1)).toBeCloseTo(-3 * Math.log(down / 0.1), 9);
    expect(nextShare([])).toBeGreaterThan(0.3);
    expect(thresholdOf(Array.from({ length: 30 }, () => ({ share: 0.1, right: true })))).toBeNull();
  });
  test('with its estimate comes within a tenth in the mean of two hundred tiers of sixty answers, whatever the eye', () => {
    // An eye is a normal distribution as it is reckoned by, one that grows with the difference itself, or Weibull’s, which is none of it.
    const plain = (share: number, threshold: number): number =>
      rightChance(threshold * (share / threshold) ** (1 / 1.2), threshold);
    const weibull = (share: number, threshold: number): number =>
      0.5 + 0.5 * (1 - Math.exp(-Math.LN2 * (share / threshold) ** 1.6));
    for (const [chance, threshold] of [
      [rightChance, 0.09],
      [rightChance, 0.2],
      [plain, 0.09],
      [weibull, 0.09],
    ] as const) {
      let [sum, held] = [0, 0];
      for (let tier = 0; tier < 200; tier++) {
        const seen: Seen[] = [];
        for (let i = 0; i < 60; i++) {
          const share = nextShare(seen);
          seen.push({ share, right: noise(tier + 1, i, 7) < chance(share, threshold) });
        }
        const told = thresholdOf(seen);
        if (!told) throw new Error('nothing told');
        sum += told.share / 200;
        if (told.interval[0] <= threshold && threshold <= told.interval[1]) held++;
      }
      expect(Math.abs(sum / threshold - 1)).toBeLessThan(0.1);
      expect(held).toBeGreaterThan(172);
    }
  });
});

describe('what is asked next', () => {
  const RATINGS = [Rating.Again, Rating.Good] as const;
  test('goes by FSRS-6 as it is published: intervals of days after good, again and good answers', () => {
    // The intervals of the algorithm’s reference implementation (open-spaced-repetition, FSRS-6, its own example): good six times, again twice, good on.
    const scheduler = fsrs({ enable_fuzz: false });
    let card = createEmptyCard(new Date('2022-11-29T12:30:00Z'));
    let now = card.due;
    const days: number[] = [];
    for (const good of [1, 1, 1, 1, 1, 1, 0, 0, 1, 1, 1, 1, 1] as const) {
      card = scheduler.next(card, now, RATINGS[good]).card;
      days.push(card.scheduled_days);
      now = card.due;
    }
    expect(days).toEqual([0, 2, 11, 46, 163, 498, 0, 0, 2, 4, 7, 12, 21]);
  });
  test('is what is known worst, or was never asked; not the same again at once', () => {
    const answers: Answered[] = [
      { kind: 'long', at: '2026-10-01T10:00', grade: 'easy' },
      { kind: 'bad', at: '2026-10-01T10:01', grade: 'again' },
      { kind: 'new to it', at: '2026-10-20T10:00', grade: 'good' },
    ];
    const kinds = ['long', 'bad', 'new to it', 'never', 'nor this'];
    const known = knownNow(answers, kinds, '2026-11-01T10:00');
    expect(known.get('bad')).toBeLessThan(known.get('long') ?? 0);
    expect(nextKind(answers, ['long', 'bad', 'new to it', 'other', 'x', 'y'], '2027-11-01T10:00')).not.toBe(
      'new to it',
    );
    // Those answered last are left alone; of those never asked the first comes.
    expect(nextKind(answers, kinds, '2026-11-01T10:00')).toBe('never');
    expect(nextKind([], ['a', 'b'], '2026-11-01T10:00')).toBe('a');
    expect(nextKind(answers, ['bad'], '2026-11-01T10:00')).toBe('bad');
    expect(nextKind([], [], '2026-11-01T10:00')).toBeNull();
  });
  test('is graded by how far off it was, either way', () => {
    expect([0.02, -0.06, 0.12, -0.3].map(gradeOf)).toEqual(['easy', 'good', 'hard', 'again']);
  });
});

describe('order', () => {
  const fly = slate;
  test('asks for the one part that can be next; each other breaks something, with its reason', () => {
    for (let seed = 1; seed < 40; seed++) {
      const ask = orderAsk(fly, seed);
      if (!ask) throw new Error('nothing to ask');
      expect(ask.choices).toContain(ask.right);
      expect(brokenIn(fly, [...ask.placed, ask.right])).toEqual([]);
      for (const wrong of ask.choices.filter((each) => each !== ask.right)) {
        const [broken] = brokenIn(fly, [...ask.placed, wrong]);
        expect(broken?.reason).toMatch(/[a-z].*\.$/);
        expect([broken?.before, broken?.after]).toContain(wrong);
      }
    }
  });
  test('that breaks nothing needs no move; one part out of place needs one', () => {
    const order = bestOrder(fly);
    expect(leastMoves(fly, order)).toBe(0);
    const all = constraintsOf(fly);
    const [first] = all;
    if (!first) throw new Error('no constraint');
    const moved = [first.after, ...order.filter((id) => id !== first.after)];
    expect(brokenBy(all, moved).length).toBeGreaterThan(0);
    expect(leastMoves(fly, moved)).toBe(1);
  });
  test('needs as few moves as trying all of them finds', () => {
    const ids = bestOrder(fly).slice(0, 6);
    const all = constraintsOf(fly);
    const mends = (order: readonly string[]): boolean =>
      brokenBy(all, order).every(({ before, after }) => !ids.includes(before) || !ids.includes(after));
    /** Orders that are one move away. */
    const near = (order: readonly string[]): string[][] =>
      order.flatMap((id, from) => {
        const rest = order.filter((_, k) => k !== from);
        return rest.map((_, to) => [...rest.slice(0, to), id, ...rest.slice(to)]).concat([[...rest, id]]);
      });
    for (let seed = 1; seed <= 12; seed++) {
      const order = ids
        .map((id, i) => ({ id, by: noise(seed, i, 3) }))
        .sort((one, other) => one.by - other.by)
        .map(({ id }) => id);
      let reached = [order];
      let moves = 0;
      while (!reached.some(mends) && moves < 4) {
        reached = [...new Map(reached.flatMap(near).map((each) => [each.join(), each])).values()];
        moves++;
      }
      if (reached.some(mends)) expect([seed, leastMoves(fly, order)]).toEqual([seed, moves]);
      else expect(leastMoves(fly, order)).toBeGreaterThanOrEqual(4);
    }
  });
});

test('how uneven two halves may be before the fly leans: just less leaves it, just more does not', () => {
  const spun = example('moss-anvil');
  const told = leansFrom(spun, NOMINAL_DRAWERS);
  if (told?.share === null || !told) throw new Error('it leans');
  const { part, share } = told;
  /** How far it leans with so much more on one side than on the other. */
  const leans = (more: number): number => {
    const made = layFly(spun.file, NOMINAL_DRAWERS, new Map([[part, { rollDeg: 0, split: more / (2 + more) }]]));
    if (!made.ok) throw new Error('it lays out');
    const heel = Math.abs(made.value.tight.heelDeg ?? 90) % 180;
    return Math.min(heel, 180 - heel);
  };
  expect(leans(0)).toBeLessThan(1);
  expect(leans(0.98 * share)).toBeLessThan(10);
  expect(leans(1.02 * share)).toBeGreaterThan(10);
});

test('a tube has no bend: nothing is asked to it, and its length is called after it', () => {
  const tube = laid([], { platform: { kind: 'tube', length: '30 mm', outside: '3 mm', inside: '2 mm' } }).platform;
  const asks = pullsOn(tube, 'length');
  expect(asks.length).toBeGreaterThan(1);
  for (const { words } of asks) expect(words).not.toMatch(/bend|shank|tail/);
  for (const { words, asked } of pullsOn(tube, 'butts')) expect(`${words} ${asked}`).not.toMatch(/bend|shank|eye/);
});

describe('the first fly', () => {
  const file = firstFly();
  const solved = solveFly(file);
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  test('lays out, can be tied in its order, and nothing is to be settled on it', () => {
    const { findings } = checkFly(solved.value, { drawers: NOMINAL_DRAWERS });
    expect(findings.filter(({ severity }) => severity !== 'note').map(({ message }) => message)).toEqual([]);
    expect(solved.value.balance.tight.ride).toBe('point-down');
  });
  test('says of every part why it is there and when it is right; eyes are melted with a caution', () => {
    for (const { note } of file.parts) expect(note).toMatch(/^Why: .*Right when: /);
    const { steps } = tyingPlan(solved.value.laid);
    const eyes = steps.find(({ part }) => part === 'eyes');
    expect(eyes?.techniques).toContain('melt');
    expect(techniquesIn(eyes ?? { techniques: [] }).find(({ key }) => key === 'melt')?.caution).toMatch(/flame/);
    const keys = steps.map(({ key }) => key);
    expect([keys.some((key) => key.startsWith('whip')), keys.at(-1)]).toEqual([
      true,
      expect.stringMatching(/coat|look|done|eye/),
    ]);
  });
});

test('spreads that an eye teaches are the bands lengths are held against', () => {
  const fly = laid([tail({ length: '20 mm' })]);
  const told = (spreads: Record<string, number>) =>
    measuresOf(fly, NOMINAL_DRAWERS, spreads).find(({ key }) => key === 'tail')?.bandMm ?? null;
  const plan = fly.parts[0]?.extent.lengthMm ?? 0;
  const [usual, own] = [told({}), told({ 'tail.length': 0.09 })];
  expect(own).not.toEqual(usual);
  expect(own?.[1]).toBeCloseTo(plan * 1.18, 6);
});
