import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { pageSchema } from '../src/drawing/index.ts';
import { outingCards } from '../src/log/card.ts';
import { seasonMarkdown } from '../src/log/season.ts';
import { boundsOf } from '../src/model/index.ts';
import { readOutingTable, writeOutingTable } from '../src/records/outingTable.ts';
import { changesFor } from '../src/log/change.ts';
import { type Fished, fishedOf, lightWord, spanMinutes } from '../src/log/fished.ts';
import { ALLOWED, type FishedAs, groupsOf, toldApart } from '../src/log/groups.ts';
import { strengthWords } from '../src/log/strength.ts';
import { lossesOf } from '../src/log/losses.ts';
import { readLogLine } from '../src/log/line.ts';
import { traitsOf } from '../src/log/traits.ts';
import { versionsOf } from '../src/log/versions.ts';
import { groupWords, togetherWords } from '../src/log/words.ts';
import { noise } from '../src/numeric/random.ts';
import {
  alikeChance,
  betaQuantile,
  exactShareInterval,
  holm,
  poissonInterval,
  ratioInterval,
  shareInterval,
} from '../src/numeric/rates.ts';
import { readRecord } from '../src/records/kinds.ts';
import type { OutingFile } from '../src/records/outing.ts';
import { body, eyes, laid, tail } from './build.ts';

describe('intervals', () => {
  // Garwood (1936), table of 95 % limits.
  test.each([
    [0, 0, 3.689],
    [1, 0.0253, 5.572],
    [2, 0.242, 7.225],
    [5, 1.623, 11.668],
    [10, 4.795, 18.39],
    [30, 20.24, 42.83],
  ])('of a count of %i are those of the table', (count, low, high) => {
    const [is, to] = poissonInterval(count, 0.025);
    expect(is).toBeCloseTo(low, 2);
    expect(to).toBeCloseTo(high, 2);
  });

  test('of a mean hold it at least nine times in ten, summed exactly over means of 0.5 to 40', () => {
    const intervals = Array.from({ length: 121 }, (_, count) => poissonInterval(count));
    for (let mean = 0.5; mean <= 40; mean += 0.5) {
      let [chance, held] = [Math.exp(-mean), 0];
      for (const [count, [low, high]] of intervals.entries()) {
        if (count > 0) chance *= mean / count;
        if (low <= mean && mean <= high) held += chance;
      }
      expect(held).toBeGreaterThanOrEqual(0.9);
    }
  });

  test('of shares have their closed forms', () => {
    expect(betaQuantile(0.3, 1, 4)).toBeCloseTo(1 - 0.7 ** (1 / 4), 9);
    expect(betaQuantile(0.3, 3, 1)).toBeCloseTo(0.3 ** (1 / 3), 9);
    expect(exactShareInterval(0, 12)[1]).toBeCloseTo(1 - 0.05 ** (1 / 12), 9);
    expect(exactShareInterval(12, 12)).toEqual([expect.closeTo(0.05 ** (1 / 12), 9), 1]);
    // Symmetric about a half; narrower than the exact one.
    const [low, high] = shareInterval(4, 8);
    expect(low + high).toBeCloseTo(1, 9);
    expect(low).toBeGreaterThan(exactShareInterval(4, 8)[0]);
    expect(shareInterval(0, 9)[0]).toBe(0);
  });

  test('of a ratio leave one out where the chance of being alike is under what is left out, and only there', () => {
    for (const [a, b] of [
      [0, 6],
      [1, 6],
      [2, 9],
      [3, 3],
      [9, 2],
      [12, 4],
    ] as const)
      for (const hours of [2, 5, 11]) {
        const [one, other] = [
          { count: a, hours: 5 },
          { count: b, hours },
        ];
        const [low, high] = ratioInterval(one, other);
        expect(low > 1 || high < 1).toBe(alikeChance(one, other) < 0.1);
      }
    expect(ratioInterval({ count: 0, hours: 4 }, { count: 0, hours: 9 })).toEqual([0, Infinity]);
    expect(alikeChance({ count: 4, hours: 2 }, { count: 4, hours: 2 })).toBe(1);
  });

  test('several questions are answered the surest first, until one is not', () => {
    expect(holm([0.01, 0.04, 0.03, 0.005], 0.05).map(({ holds }) => holds)).toEqual([true, false, false, true]);
    expect(holm([0.02], 0.1)).toEqual([{ holds: true, level: 0.1 }]);
    expect(holm([], 0.1)).toEqual([]);
  });
});

const outing = (more: Partial<OutingFile> = {}): OutingFile => ({
  format: 'jobbet.outing',
  version: 1,
  date: '2026-10-12',
  from: '15:10',
  to: '18:30',
  beat: 'Ferry Pool',
  rods: [{ fly: 'Slate Runner', takes: 2 }],
  ...more,
});
const messages = (of: OutingFile): string[] => {
  const read = fishedOf(of);
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};

describe('what was fished', () => {
  test('the only fly was fished all the while; events are counted where there are any', () => {
    const all = fishedOf(
      outing({
        gauge: { level: '0.84 m' },
        light: '9 klx',
        rods: [
          {
            fly: 'Slate Runner',
            takes: 9,
            events: [
              { at: '16:08', what: 'take' },
              { at: '16:08', what: 'landed' },
              { at: '16:40', what: 'touch' },
              { at: '17:10', what: 'lost', how: 'wood' },
              { at: '17:20', what: 'fouled', part: 'wing' },
            ],
          },
        ],
      }),
    );
    expect(all).toMatchObject({
      ok: true,
      value: [
        { minutes: 200, takes: 1, landed: 1, touches: 1, lost: ['wood'], fouled: 1, levelMm: 840, light: 'dull' },
      ],
    });
  });

  test('nights go past midnight; what ends before it begins by day does not', () => {
    expect(spanMinutes('22:30', '01:15')).toBe(165);
    expect(spanMinutes('15:10', '14:30')).toBeNull();
    expect(messages(outing({ to: '14:30' }))).toEqual([
      expect.stringMatching(/^to: it ends before it begins, at 14:30/),
    ]);
    const night = fishedOf(
      outing({
        from: '22:30',
        to: '01:15',
        rods: [
          { fly: 'Slate Runner', from: '22:30', to: '23:30' },
          { fly: 'Night Sexton', from: '23:40', to: '01:00' },
        ],
      }),
    );
    expect(night).toMatchObject({ ok: true, value: [{ minutes: 60 }, { minutes: 80, fromMinutes: 23 * 60 + 40 }] });
  });

  test('what cannot be is named: a fly without hours, one before the outing, a clock that jumped', () => {
    const two = (from?: string, to?: string) =>
      messages(
        outing({
          rods: [
            { fly: 'Slate Runner', from: '15:10', to: '16:00' },
            { fly: 'Night Sexton', ...(from === undefined ? {} : { from }), ...(to === undefined ? {} : { to }) },
          ],
        }),
      );
    expect(two()).toEqual([expect.stringMatching(/^rods\[1\]\.from: Night Sexton: say from when/)]);
    expect(two('17:30', '17:00')).toEqual([expect.stringContaining('turn the two about')]);
    expect(two('14:10', '15:00')).toEqual([expect.stringContaining('did the clock jump?')]);
    expect(two('17:00', '20:10')).toEqual([expect.stringContaining('mend the one or the other')]);
    expect(two('17:00', '18:30')).toEqual([]);
    expect(readRecord('outing', { ...outing(), rods: [{ fly: 'Slate Runner', takes: -1 }] }).ok).toBe(false);
    expect(readRecord('outing', { ...outing(), rods: [{ takes: 1 }] })).toMatchObject({
      faults: [{ message: expect.stringContaining('which fly') as string }],
    });
  });

  test('light is told by word or by lux', () => {
    expect(['25 klx', '1200 lx', '0,2 klx', '4 lx', 'dusk', undefined].map(lightWord)).toEqual([
      'bright',
      'dull',
      'dusk',
      'dark',
      'dusk',
      null,
    ]);
  });
});

/** Flies fished for so many hours with so many takes, one an outing unless told otherwise. */
const fishedFor = (fly: string, hours: number, takes: number, more: Partial<FishedAs> = {}): FishedAs => ({
  outing: 0,
  at: 0,
  date: '2026-10-01',
  beat: 'Mill Run',
  fly,
  rod: { fly },
  fromMinutes: 600,
  minutes: 60 * hours,
  takes,
  touches: 0,
  landed: 0,
  lost: [],
  fouled: 0,
  hand: null,
  light: null,
  levelMm: null,
  clarityMm: null,
  temperatureC: null,
  run: null,
  traits: null,
  depthMm: null,
  ...more,
});

describe('groups', () => {
  test('are told apart only where the ratio leaves one out; what would tell more is said', () => {
    const few = groupsOf([fishedFor('Slate Runner', 4, 3), fishedFor('Night Sexton', 4, 1)], 'fly');
    expect(few.map(({ name, verdict }) => [name, verdict])).toEqual([
      ['Slate Runner', 'too few to tell'],
      ['Night Sexton', 'too few to tell'],
    ]);
    const more = few[0]?.against?.hoursMore ?? 0;
    expect(more).toBeGreaterThan(4);
    const times = (4 + more) / 4;
    expect(
      groupsOf(
        [
          fishedFor('Slate Runner', 4 * times, Math.round(3 * times)),
          fishedFor('Night Sexton', 4 * times, Math.round(times)),
        ],
        'fly',
      )[0]?.verdict,
    ).toBe('more');
    const many = groupsOf([fishedFor('Slate Runner', 20, 16), fishedFor('Night Sexton', 20, 2)], 'fly');
    expect(many.map(({ verdict }) => verdict)).toEqual(['more', 'fewer']);
    expect(many[0]?.against?.ratio[0]).toBeGreaterThan(1);
    expect(togetherWords(many)).toContain('Slate Runner: more');
    expect(togetherWords(few)).toContain('Nothing here can be told apart yet');
    // Two lines that overlap prove nothing: their ratio may leave one out all the same.
    const [one, other] = groupsOf([fishedFor('A', 20, 14), fishedFor('B', 20, 5)], 'fly');
    expect(one?.interval[0]).toBeLessThan(other?.interval[1] ?? 0);
    expect(one?.verdict).toBe('more');
  });

  test('hours without a take count as much as those with; equal rates are never told', () => {
    const [first] = groupsOf([fishedFor('A', 6, 0), fishedFor('B', 6, 0)], 'fly');
    expect(first).toMatchObject({ takes: 0, verdict: 'too few to tell', against: { hoursMore: null } });
    expect(first && groupWords(first)).toContain('nobody could tell');
    expect(groupsOf([fishedFor('A', 6, 2)], 'fly')[0]?.against).toBeNull();
  });

  test('say what else sets them apart', () => {
    const [own] = groupsOf(
      [
        fishedFor('A', 3, 4, { beat: 'Ferry Pool', outing: 1, hand: 'the older hand' }),
        fishedFor('A', 3, 3, { beat: 'Ferry Pool', outing: 2, hand: 'the older hand' }),
        fishedFor('B', 3, 1, { outing: 3, at: 1, hand: 'the younger hand' }),
        fishedFor('B', 3, 0, { outing: 4, at: 2, hand: 'the younger hand' }),
      ],
      'fly',
    );
    expect(own?.confounded).toEqual(['only on Ferry Pool', 'only by the older hand', 'always fished first']);
    expect(own && groupWords(own)).toContain('so that it may be that');
  });

  test('go by what a fly is, and leave out what is not known', () => {
    const heavy = traitsOf(laid([eyes({ diameter: '6 mm' }), tail(), body()]));
    const light = traitsOf(laid([tail(), body()]));
    const all = [
      fishedFor('heavy', 2, 1, { traits: heavy }),
      fishedFor('light', 2, 1, { traits: light }),
      fishedFor('?', 2, 1),
    ];
    expect(
      groupsOf(all, 'weight')
        .map(({ name }) => name)
        .sort(),
    ).toHaveLength(2);
    expect(
      groupsOf(all, 'ride')
        .map(({ name }) => name)
        .sort(),
    ).toEqual(['point-down', 'point-up']);
    expect(groupsOf(all, 'depth')).toEqual([]);
    const levels = [0.3, 0.4, 0.6, 0.7, 0.9, 1.2].map((m, i) => fishedFor('x', 1, 0, { levelMm: 1000 * m, outing: i }));
    expect(groupsOf(levels, 'level').map(({ name }) => name)).toHaveLength(3);
  });

  test('of a thousand seasons in which nothing differs not more than one in ten tells a difference', () => {
    let wrong = 0;
    const seasons = 1000;
    const chance = (i: number): number => noise(7, i, 0);
    let at = 0;
    const poisson = (mean: number): number => {
      const least = Math.exp(-mean);
      let [product, count] = [chance(at++), 0];
      while (product > least) {
        product *= chance(at++);
        count += 1;
      }
      return count;
    };
    for (let season = 0; season < seasons; season++) {
      const all = [6, 9, 12, 15].map((hours) => ({ hours, count: poisson(0.4 * hours) }));
      const sum = (of: 'hours' | 'count'): number => all.reduce((so, each) => so + each[of], 0);
      const pairs = all.map(
        (own) => [own, { hours: sum('hours') - own.hours, count: sum('count') - own.count }] as const,
      );
      if (toldApart(pairs).some(({ holds }) => holds)) wrong += 1;
    }
    expect(wrong / seasons).toBeLessThan(ALLOWED + 3 * Math.sqrt((ALLOWED * (1 - ALLOWED)) / seasons));
    expect(wrong).toBeGreaterThan(0);
  });
});

const FLIES = ['Slate Runner', 'Night Sexton', 'Copper Eel', 'Bell Weir', 'Slate'];

describe('a line as one writes it', () => {
  test.each<[string, object]>([
    [
      'Slate Runner, 40 min, 2 takes, lost on the bed',
      { minutes: 40, rod: { fly: 'Slate Runner', takes: 2, lost: [{ how: 'bed' }] } },
    ],
    ['slate runner 40 min', { minutes: 40, rod: { fly: 'Slate Runner' } }],
    ['Slate, an hour', { minutes: 60, rod: { fly: 'Slate' } }],
    ['Night Sexton, 1 h 20, nothing', { minutes: 80, rod: { fly: 'Night Sexton', takes: 0, touches: 0 } }],
    ['Night Sexton, 1h20m, no takes', { minutes: 80, rod: { takes: 0 } }],
    ['Copper Eel, 1.5 hours, a take', { minutes: 90, rod: { takes: 1 } }],
    ['Copper Eel, 1,5 h', { minutes: 90 }],
    ['Copper Eel, half an hour', { minutes: 30 }],
    ['Copper Eel, for 25 minutes', { minutes: 25 }],
    ['Copper Eel, 15:10 to 16:00', { rod: { from: '15:10', to: '16:00' } }],
    ['Copper Eel, from 9.05 till 10.30', { rod: { from: '09:05', to: '10:30' } }],
    ['Copper Eel, 15:10-16:00', { rod: { from: '15:10', to: '16:00' } }],
    ['Bell Weir, three takes', { rod: { takes: 3 } }],
    ['Bell Weir, 1 take, 2 touches', { rod: { takes: 1, touches: 2 } }],
    ['Bell Weir, two short takes', { rod: { touches: 2 } }],
    ['Bell Weir, four plucks', { rod: { touches: 4 } }],
    ['Bell Weir, a knock', { rod: { touches: 1 } }],
    ['Bell Weir, landed one', { rod: { takes: 1, landed: [{}] } }],
    ['Bell Weir, landed one of 62 cm', { rod: { takes: 1, landed: [{ length: '62 cm' }] } }],
    ['Bell Weir, landed a fish of 4 lb', { rod: { seen: 'landed a fish of 4 lb', landed: [{}] } }],
    ['Bell Weir, 2 landed', { rod: { takes: 2, landed: [{}, {}] } }],
    ['Bell Weir, 3 takes, landed two', { rod: { takes: 3, landed: [{}, {}] } }],
    ['Bell Weir, lost on the bottom', { rod: { lost: [{ how: 'bed' }] } }],
    ['Bell Weir, lost two on the rocks', { rod: { lost: [{ how: 'bed' }, { how: 'bed' }] } }],
    ['Bell Weir, lost in a tree', { rod: { lost: [{ how: 'wood' }] } }],
    ['Bell Weir, left in the alders', { rod: { lost: [{ how: 'wood' }] } }],
    ['Bell Weir, broke off on a fish', { rod: { lost: [{ how: 'fish' }] } }],
    ['Bell Weir, lost by a bad knot', { rod: { lost: [{ how: 'knot' }] } }],
    ['Bell Weir, came unravelled', { rod: { lost: [{ how: 'unraveled' }] } }],
    ['Bell Weir, fell apart', { rod: { lost: [{ how: 'unraveled' }] } }],
    ['Bell Weir, hook opened', { rod: { lost: [{ how: 'hook' }] } }],
    ['Bell Weir, knot slipped', { rod: { lost: [{ how: 'knot' }] } }],
    ['Bell Weir, fouled 3 times', { rod: { fouled: 3 } }],
    ['Bell Weir, fouled twice', { rod: { fouled: 2 } }],
    ['Bell Weir, fouled', { rod: { fouled: 1 } }],
    ['Bell Weir, tail wrapped the bend twice', { rod: { fouled: 2, seen: 'tail wrapped the bend twice' } }],
    ['Bell Weir, swung', { rod: { manner: 'swing' } }],
    ['Bell Weir, on the swing', { rod: { manner: 'swing' } }],
    ['Bell Weir, stripped', { rod: { manner: 'strip' } }],
    ['Bell Weir, under a float', { rod: { manner: 'dead-drift' } }],
    ['Bell Weir, on the dangle', { rod: { manner: 'hang' } }],
    ['Bell Weir, jigged', { rod: { manner: 'jig' } }],
    ['Bell Weir, on the intermediate', { rod: { line: 'intermediate' } }],
    ['Bell Weir, floating line', { rod: { line: 'floating' } }],
    ['Bell Weir, on a sink tip of 3 m, 75 mm/s', { rod: { line: 'sink tip of 3 m, 75 mm/s' } }],
    ['Bell Weir, count 6', { rod: { count: '6 s' } }],
    ['Bell Weir, counted to 10', { rod: { count: '10 s' } }],
    ['Bell Weir, 30 casts', { rod: { casts: 30 } }],
    ['Bell Weir; 20 min; rode on its side', { minutes: 20, rod: { seen: 'rode on its side' } }],
    ['Bell Weir. 20 min. Followed and turned.', { minutes: 20, rod: { seen: 'Followed and turned' } }],
    ['Bell Weir, 20 min, and 1 take', { minutes: 20, rod: { takes: 1 } }],
  ])('%s', (line, is) => {
    expect(readLogLine(line, FLIES)).toMatchObject({ ok: true, value: is });
  });

  test('a fly that is not there is named with the one that may be meant', () => {
    expect(readLogLine('Slat Runer, 40 min', FLIES)).toMatchObject({
      ok: false,
      faults: [{ path: 'fly', message: expect.stringContaining('Slate Runner') as string }],
    });
    expect(readLogLine('  ', FLIES).ok).toBe(false);
  });
});

describe('outings as a table', () => {
  const season = [
    outing({
      gauge: { level: '0.84 m' },
      rods: [{ fly: 'a', from: '15:10', to: '16:00', takes: 2, lost: [{ how: 'bed' }, { how: 'fish' }] }],
    }),
    outing({
      date: '2026-10-13',
      rods: [
        { fly: 'b', from: '15:10', to: '16:00', fouled: 1 },
        { fly: 'a', from: '16:00', to: '18:00', landed: [{}] },
      ],
    }),
  ];
  const named = (fly: string): string => ({ a: 'Slate Runner', b: 'Night Sexton' })[fly] ?? fly;

  test('come back as they went out, a row a fly', () => {
    const rows = writeOutingTable(season, named);
    expect(rows).toHaveLength(4);
    const read = readOutingTable(rows);
    expect(read).toMatchObject({
      ok: true,
      value: {
        faults: [],
        outings: [
          {
            date: '2026-10-12',
            gauge: { level: '0.84 m' },
            rods: [{ fly: 'Slate Runner', takes: 2, lost: [{ how: 'bed' }, { how: 'fish' }] }],
          },
          {
            date: '2026-10-13',
            rods: [
              { fly: 'Night Sexton', fouled: 1 },
              { fly: 'Slate Runner', landed: [{}] },
            ],
          },
        ],
      },
    });
  });
  test('rows that do not read are told by their lines and take no others down', () => {
    const [head = [], ...rows] = writeOutingTable(season, named);
    const bad = rows.map((row, i) =>
      row.map((cell, k) => (i === 0 && head[k] === 'takes' ? '-3' : i === 0 && head[k] === 'lost' ? 'bedd' : cell)),
    );
    const read = readOutingTable([
      head,
      ...bad,
      ['2026-99-01', '10:00', '11:00', 'x', '', '', '', '', '', 'Slate Runner'],
    ]);
    if (!read.ok) throw new Error('it reads');
    expect(read.value.outings.map(({ date }) => date)).toEqual(['2026-10-13']);
    expect(read.value.faults.map(({ path }) => path)).toEqual(['line 2, lost', 'line 2, takes', 'line 5']);
    expect(read.value.faults[0]?.message).toContain('did you mean "bed"');
    expect(readOutingTable([['date', 'fish']])).toMatchObject({
      ok: false,
      faults: [{ code: 'unknown-key' }, { code: 'missing' }],
    });
    expect(readOutingTable([['date', 'from', 'to', 'beat', 'fly']]).ok).toBe(false);
  });
  test('a season in words has a line an outing and what was told', () => {
    const text = seasonMarkdown(season, named, [{ title: 'By fly', words: ['Slate Runner: 3 takes'] }]);
    expect(text).toContain('2 outings, 3.7 h, 3 takes (0.82 an hour), 2 flies lost.');
    expect(text).toContain('| 2026-10-13 | Ferry Pool |  | 2.8 h | 1 | 0 | Night Sexton, Slate Runner |  |');
    expect(text).toContain('## By fly\n\n- Slate Runner: 3 takes');
  });
});

describe('what a fly came apart by', () => {
  const finding = (message: string, costs: 'strength' | 'looks' = 'strength') => ({
    severity: 'warn' as const,
    parts: [],
    message,
    figure: null,
    limit: null,
    atMm: null,
    fix: null,
    code: 'x',
    costs,
    reason: '',
  });
  const checks = (findings: string[], muted: string[] = []) => ({
    findings: [...findings.map((each) => finding(each)), finding('a long tail', 'looks')],
    muted: muted.map((each) => ({ ...finding(each), muteReason: 'it held so far' })),
  });
  const apart = [fishedFor('a', 10, 0, { lost: ['unraveled', 'bed'] })];

  test('is set against its checks: one that was muted, one that said so, none that did', () => {
    expect(strengthWords(apart, checks(['thin rib'], ['bare head']))).toEqual([
      'it came apart once in 10 h: “bare head” was left as it is (it held so far), and should not have been',
    ]);
    expect(strengthWords(apart, checks(['thin rib']))).toEqual(['it came apart once in 10 h, as “thin rib” says']);
    expect(strengthWords(apart, checks([]))[0]).toContain('no check says why');
  });
  test('a check cries wolf only over a fly that held long enough', () => {
    expect(strengthWords([fishedFor('a', 10, 0)], checks(['thin rib']))).toEqual([]);
    expect(strengthWords([fishedFor('a', 16, 0)], checks(['thin rib']))[0]).toContain('cries wolf');
    expect(strengthWords([fishedFor('a', 16, 0, { lost: ['bed'] })], checks([]))).toEqual([]);
  });
});

describe('what was lost', () => {
  test('is told by fly with what ends it, the one that is lost most an hour first; so many are enough nine times in ten', () => {
    const all = [
      fishedFor('a', 4, 1, { lost: ['bed', 'bed', 'fish'], outing: 1 }),
      fishedFor('a', 4, 1, { outing: 2 }),
      fishedFor('b', 10, 1, { lost: ['wood'], outing: 1 }),
      fishedFor('c', 3, 1),
    ];
    expect(lossesOf(all)).toEqual([
      {
        fly: 'a',
        lost: 3,
        hours: 8,
        how: [
          ['bed', 2],
          ['fish', 1],
        ],
        atLeast: 4,
        where: null,
      },
      { fly: 'b', lost: 1, hours: 10, how: [['wood', 1]], atLeast: 3, where: null },
    ]);
    // One and a half lost an outing: three hold nine in ten (0.934), two do not (0.809).
    expect(Math.exp(-1.5) * (1 + 1.5 + 1.5 ** 2 / 2 + 1.5 ** 3 / 6)).toBeGreaterThan(0.9);
    expect(Math.exp(-1.5) * (1 + 1.5 + 1.5 ** 2 / 2)).toBeLessThan(0.9);
  });
});

test('where and how a fly is lost most on an outing has a count of its own', () => {
  const on = (beat: string, manner: string, outing: number, lost: number) =>
    fishedFor('a', 2, 0, {
      beat,
      outing,
      lost: Array.from({ length: lost }, () => 'bed' as const),
      rod: { fly: 'a', manner },
    });
  const all = [on('Mill Run', 'swing', 1, 0), on('Mill Run', 'swing', 2, 1), on('Ferry Pool', 'strip', 3, 3)];
  const [told] = lossesOf(all);
  expect(told?.where).toEqual({ beat: 'Ferry Pool', manner: 'strip', lost: 3, outings: 1, atLeast: 6 });
  expect(told?.atLeast).toBeLessThan(6);
});

test('versions and slenderness are groups too: a version by the day it was fished first', () => {
  const fly = laid([tail(), body()]);
  const traits = traitsOf(fly);
  expect(traits.slenderness).toBeGreaterThan(2);
  const made = (length: string, date: string, outing: number) =>
    fishedFor('a', 2, 1, { date, outing, traits, rod: { fly: 'a', pattern: { length } } });
  const all = [made('1', '2026-03-01', 0), made('2', '2026-04-01', 1), made('1', '2026-05-01', 2)];
  expect(groupsOf(all, 'version').map(({ name, outings }) => [name, outings])).toEqual([
    [`${traits.name}, since 2026-03-01`, 2],
    [`${traits.name}, since 2026-04-01`, 1],
  ]);
  expect(groupsOf(all, 'slenderness')).toHaveLength(1);
});

describe('a card for the water', () => {
  const fly = laid([tail(), body()], { platform: { kind: 'single', size: '10', longX: 2 } });
  const taken = (count: number) =>
    Array.from({ length: count }, (_, i) => ({ name: `Fly ${String(i + 1)}`, laid: fly }));
  test('has two to a page, four flies each, by number, at their own size', () => {
    expect([1, 4, 5, 8, 9].map((count) => outingCards(taken(count), 'Mill Run').length)).toEqual([1, 1, 1, 1, 2]);
    const [page] = outingCards(taken(5), 'Mill Run');
    const words = page?.items.flatMap((item) => (item.kind === 'text' ? [item.text] : [])) ?? [];
    expect(words.filter((each) => each === 'Mill Run')).toHaveLength(2);
    expect(words).toEqual(expect.arrayContaining(['1', '5', 'Fly 5', 'takes', 'fouled', 'seen']));
    expect(page && pageSchema.safeParse(page).success).toBe(true);
    const { front, rear } = boundsOf(fly.sections, fly.platform.landmarksMm.rear);
    const drawn = page?.items.find((item) => item.kind === 'shape');
    const xs = drawn?.kind === 'shape' ? [...drawn.path.matchAll(/[ML](-?[\d.]+)/g)].map(([, x]) => Number(x)) : [];
    expect(Math.max(...xs) - Math.min(...xs)).toBeLessThan(rear - front + 1);
  });
});

describe('versions of a fly', () => {
  const first = laid([eyes({ diameter: '5 mm' }), tail(), body()]).file;
  const second = laid([eyes({ diameter: '5 mm' }), tail({ length: '1.5 shank' }), body()]).file;
  const third = laid([eyes({ diameter: '6 mm' }), tail({ length: '1.2 shank' }), body()]).file;
  const of = (file: object, date: string, takes: number): Fished =>
    fishedFor('Test', 5, takes, { date, rod: { fly: 'Test', pattern: { ...file } } });

  test('stand beside what changed; two things at once are said', () => {
    const versions = versionsOf([
      of(second, '2026-05-01', 4),
      of(first, '2026-04-01', 1),
      of(third, '2026-06-01', 2),
      of(first, '2026-04-08', 0),
    ]);
    expect(versions.map(({ since, hours, takes, atOnce }) => [since, hours, takes, atOnce])).toEqual([
      ['2026-04-01', 10, 1, false],
      ['2026-05-01', 5, 4, false],
      ['2026-06-01', 5, 2, true],
    ]);
    const black = laid([tail({ colour: 'black' }), body({ colour: 'black' })]).file;
    const slate = laid([tail({ colour: 'slate' }), body({ colour: 'slate' })]).file;
    expect(versionsOf([of(black, '2026-04-01', 1), of(slate, '2026-05-01', 1)])[1]).toMatchObject({
      changed: ['its shade: black became slate'],
      atOnce: false,
    });
    expect(versions[0]?.ratio).toBeNull();
    expect(versions[1]?.changed.join()).toContain('1.5 shank');
    expect(versions[1]?.ratio?.[0]).toBeGreaterThan(1);
  });
});

describe('the one thing to change', () => {
  const fly = laid([tail({ length: '2 shank' }), body()]);
  test('what fouls is shortened, and the figures say what that moves', () => {
    const [change] = changesFor(fly, [fishedFor('Test', 2, 1, { fouled: 3 })], NOMINAL_DRAWERS);
    expect(change?.words).toBe('Shorten the tail');
    expect(change?.because).toContain('fouled 3 times');
    const was = fly.parts.find(({ file }) => file.id === 'tail')?.extent.lengthMm ?? 0;
    const now = laid(change?.file?.parts ?? []).parts.find(({ file }) => file.id === 'tail')?.extent.lengthMm ?? 0;
    expect(now / was).toBeCloseTo(0.85, 2);
    expect(change?.moves).toMatch(/^sinks .*, silhouette .* mm² instead of/);
    expect(change?.keeps).toContain('rides point-down as before');
  });
  test('a fly lost on the bed is turned point up; one that followed has no figure; nothing seen asks for nothing', () => {
    const [bed] = changesFor(fly, [fishedFor('Test', 2, 0, { lost: ['bed', 'fish'] })], NOMINAL_DRAWERS);
    expect(bed?.words).toMatch(/^Turn its point up: /);
    expect(bed?.file && laid(bed.file.parts).tight.ride).toBe('point-up');
    expect(
      changesFor(
        fly,
        [fishedFor('Test', 2, 0, { rod: { fly: 'Test', seen: 'two followed and turned' } })],
        NOMINAL_DRAWERS,
      ),
    ).toMatchObject([{ words: 'Another shade, or a slimmer collar', file: null }]);
    expect(changesFor(fly, [fishedFor('Test', 2, 4)], NOMINAL_DRAWERS)).toEqual([]);
    expect(changesFor(fly, [fishedFor('Test', 2, 1, { touches: 5 })], NOMINAL_DRAWERS)[0]?.because).toContain('short');
  });
});
