import fc from 'fast-check';
import { noise, seedOf } from '../src/numeric/random.ts';
import { schedule, type Block, type Job, type Window } from '../src/batch/schedule.ts';

const job = (hands: number, ...coats: (readonly [hands: number, dry: number])[]): Omit<Job, 'fly'> => ({
  row: 1,
  hands,
  coats: coats.map(([on, dry]) => ({ hands: on, dry })),
});
const jobsOf = (jobs: readonly Omit<Job, 'fly'>[]): Job[] => jobs.map((each, i) => ({ ...each, fly: i + 1 }));
const EVENING: Window = { from: 0, to: 120 };

/** Least evenings, then least waiting, by trying every order of everything: each operation begun as soon as it may be. */
function brute(jobs: readonly Job[], windows: readonly Window[]): { evenings: number; waiting: number } | null {
  const sets = Array.from({ length: 2 ** windows.length - 1 }, (_, i) => windows.filter((_w, k) => ((i + 1) >> k) & 1));
  let best: { evenings: number; waiting: number } | null = null;
  for (const own of sets) {
    const go = (
      w: number,
      now: number,
      stage: readonly number[],
      ready: readonly number[],
      waited: number,
      begun: boolean,
    ): void => {
      if (best && (own.length > best.evenings || (own.length === best.evenings && waited >= best.waiting))) return;
      if (stage.every((each, i) => each > (jobs[i]?.coats.length ?? 0))) {
        best = { evenings: own.length, waiting: waited };
        return;
      }
      const window = own[w];
      if (!window) return;
      jobs.forEach(({ hands, coats }, i) => {
        const at = stage[i] ?? 0;
        if (at > coats.length) return;
        const start = Math.max(now, ready[i] ?? 0);
        const [on, dry] = at === 0 ? [hands, 0] : [coats[at - 1]?.hands ?? 0, coats[at - 1]?.dry ?? 0];
        if (start + on > window.to + 1e-9) return;
        go(
          w,
          start + on,
          stage.map((each, k) => (k === i ? each + 1 : each)),
          ready.map((each, k) => (k === i ? start + on + dry : each)),
          waited + (begun ? start - now : 0),
          true,
        );
      });
      go(w + 1, own[w + 1]?.from ?? 0, stage, ready, waited, false);
    };
    go(
      0,
      own[0]?.from ?? 0,
      jobs.map(() => 0),
      jobs.map(() => 0),
      0,
      false,
    );
  }
  return best;
}

/** Everything that no schedule may do. */
function faultsOf(blocks: readonly Block[], jobs: readonly Job[], windows: readonly Window[]): string[] {
  const faults: string[] = [];
  const hands = blocks.filter(({ kind }) => kind === 'hands').sort((a, b) => a.start - b.start);
  hands.slice(1).forEach((block, i) => {
    if (block.start < (hands[i]?.end ?? 0) - 1e-9) faults.push('hands do two things at once');
  });
  for (const { start, end, window } of hands)
    if (start < (windows[window]?.from ?? 0) - 1e-9 || end > (windows[window]?.to ?? 0) + 1e-9)
      faults.push('something is done outside its evening');
  jobs.forEach(({ coats }, i) => {
    const own = hands.filter(({ job: of }) => of === i);
    if (own.length !== 0 && own.length !== coats.length + 1) faults.push('a coat is left out');
    own.forEach(({ coat, start }) => {
      const before = blocks.filter((each) => each.job === i && each.coat === coat - 1);
      if (before.some(({ end }) => start < end - 1e-9)) faults.push('a coat is touched before it is dry');
    });
  });
  return faults;
}

describe('four flies of 15 minutes with two coats that dry 30', () => {
  const four = jobsOf(Array.from({ length: 4 }, () => job(15, [1, 30], [1, 30])));

  test('in one evening wait 27 minutes, by hand', () => {
    // 4 × 15 of tying and 8 coats are 68 of hands. The last fly is out of the vise after 60 and the coats put on before that; then its own first coat, 30
    // of drying and its second: 92 and those coats. Each coat of the other three that is not put on before keeps the hands as long in that end: 95.
    const { waiting, evenings, blocks } = schedule(four, [EVENING]);
    expect(evenings).toBe(1);
    expect(waiting).toBeCloseTo(95 - 68, 9);
    expect(waiting).toBeCloseTo(brute(four, [EVENING])?.waiting ?? Number.NaN, 9);
    expect(faultsOf(blocks, four, [EVENING])).toEqual([]);
  });
  test('over two evenings that are needed anyway they wait for nothing: the last coats are left to the second', () => {
    const windows = [
      { from: 0, to: 40 },
      { from: 1440, to: 1480 },
    ];
    const { waiting, evenings } = schedule(four, windows);
    expect([evenings, waiting]).toEqual([2, 0]);
  });
  test('with no evenings run on from minute 0', () => {
    const { blocks } = schedule(four, [{ from: 0, to: Infinity }]);
    expect(Math.min(...blocks.map(({ start }) => start))).toBe(0);
    expect(faultsOf(blocks, four, [{ from: 0, to: Infinity }])).toEqual([]);
  });
});

test('what finds no room is left, the last first, and said', () => {
  const three = jobsOf([job(30), job(30), job(30)]);
  const { left, blocks } = schedule(three, [{ from: 0, to: 70 }]);
  expect(left).toEqual([2]);
  expect(new Set(blocks.map(({ job: of }) => of))).toEqual(new Set([0, 1]));
});

test('what is made ready comes before anything is tied', () => {
  const jobs: Job[] = [{ ...job(10), fly: 0, first: true }, ...jobsOf([job(15, [1, 30]), job(15, [1, 5])])];
  const { blocks } = schedule(jobs, [EVENING]);
  expect(blocks[0]).toMatchObject({ job: 0, start: 0, end: 10 });
});

test('a late, long evening is taken rather than two short ones', () => {
  const windows = [
    { from: 0, to: 20 },
    { from: 1440, to: 1460 },
    { from: 2880, to: 2960 },
  ];
  expect(schedule(jobsOf([job(18), job(18)]), windows).evenings).toBe(1);
});

const minute = fc.integer({ min: 1, max: 20 });
const coats = fc.array(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 40 })), { maxLength: 2 });
const anyJobs = (most: number): fc.Arbitrary<Job[]> =>
  fc
    .array(
      fc.tuple(minute, coats).map(([hands, on]) => job(hands, ...on)),
      { minLength: 1, maxLength: most },
    )
    .map(jobsOf);
const anyWindows = fc
  .array(fc.integer({ min: 10, max: 90 }), { minLength: 1, maxLength: 3 })
  .map((lengths) => lengths.map((length, i): Window => ({ from: 1440 * i, to: 1440 * i + length })));

describe('any schedule', () => {
  test('does nothing a pair of hands cannot do', () => {
    fc.assert(
      fc.property(anyJobs(9), anyWindows, (jobs, windows) => {
        expect(faultsOf(schedule(jobs, windows).blocks, jobs, windows)).toEqual([]);
      }),
    );
  });
  test('of up to three flies takes as few evenings and waits as little as any order does', () => {
    fc.assert(
      fc.property(anyJobs(3), anyWindows, (jobs, windows) => {
        const best = brute(jobs, windows);
        const { evenings, waiting, left } = schedule(jobs, windows);
        if (!best) expect(left.length).toBeGreaterThan(0);
        else {
          expect(left).toEqual([]);
          expect([evenings, Math.round(waiting * 1e6)]).toEqual([best.evenings, Math.round(best.waiting * 1e6)]);
        }
      }),
      { numRuns: 150 },
    );
  });
  test('of many flies keeps the same rules, and leaves none that there is room for', () => {
    const many = jobsOf(Array.from({ length: 120 }, () => job(12, [1, 20], [1, 40])));
    const windows = Array.from({ length: 20 }, (_, i): Window => ({ from: 1440 * i, to: 1440 * i + 150 }));
    const { blocks, left } = schedule(many, windows);
    expect(left).toEqual([]);
    expect(faultsOf(blocks, many, windows)).toEqual([]);
  });
});

describe('flies that were put on an evening', () => {
  const evenings: Window[] = [EVENING, { from: 1440, to: 1560 }, { from: 2880, to: 3000 }];
  const dayOf = (blocks: readonly Block[], of: number): number | undefined =>
    blocks.find((block) => block.job === of && block.coat === 0)?.window;
  test('are tied in it, and the others where least evenings and least waiting put them', () => {
    const jobs = jobsOf([job(20, [1, 30]), job(20, [1, 30]), { ...job(20, [1, 30]), on: 1 }]);
    const { blocks, evenings: used, left } = schedule(jobs, evenings);
    expect(dayOf(blocks, 2)).toBe(1);
    expect(left).toEqual([]);
    // All three find room in that evening: no other is needed.
    expect(used).toBe(1);
    expect(faultsOf(blocks, jobs, evenings)).toEqual([]);
  });
  test('on two evenings take both of them', () => {
    const jobs = jobsOf([{ ...job(20), on: 2 }, job(20), { ...job(20), on: 0 }]);
    const { blocks, evenings: used } = schedule(jobs, evenings);
    expect([used, dayOf(blocks, 0), dayOf(blocks, 2)]).toEqual([2, 2, 0]);
  });
  test('that have no room in it beside each other are left, and nobody else for them', () => {
    const jobs = jobsOf([job(50), { ...job(70), on: 0 }, { ...job(70), on: 0 }, job(50)]);
    const { blocks, left } = schedule(jobs, evenings);
    expect(left).toEqual([2]);
    expect([0, 1, 3].map((i) => dayOf(blocks, i))).toEqual([0, 0, 1]);
  });
  test('keep to it however many there are', () => {
    const many = Array.from({ length: 60 }, (_, i) =>
      i % 7 === 0 ? { ...job(3, [1, 20]), on: i % 3 } : job(3, [1, 20]),
    );
    const jobs = jobsOf(many);
    const { blocks, left } = schedule(jobs, evenings);
    expect(left).toEqual([]);
    expect(faultsOf(blocks, jobs, evenings)).toEqual([]);
    jobs.forEach(({ on }, i) => {
      if (on !== undefined) expect(dayOf(blocks, i)).toBe(on);
    });
  });
});

describe('more flies than every order can be looked at of', () => {
  /** A hundred batches of nine flies and more, of one to four kinds, on evenings of two hours and more. */
  function batches(): (readonly [Job[], Window[]])[] {
    let drawn = 0;
    const int = (from: number, to: number): number =>
      from + Math.floor(noise(seedOf('a hundred batches'), drawn++, 0) * (to - from + 1));
    return Array.from({ length: 100 }, () => {
      const kinds = Array.from({ length: int(1, 4) }, (_, i) => ({
        count: int(Math.ceil(9 / (i + 1)), 9),
        each: job(int(10, 25), ...Array.from({ length: int(1, 2) }, (): [number, number] => [1, int(20, 60)])),
      }));
      const jobs = kinds.flatMap(({ count, each }, row) =>
        Array.from({ length: count }, () => ({ ...each, row: row + 1 })),
      );
      const windows = Array.from({ length: 12 }, (_, i) => ({ from: 1440 * i, to: 1440 * i + int(120, 150) }));
      return [jobsOf(jobs), windows] as const;
    });
  }
  test('wait no longer than they must: the median of the gap to the bound is nought', () => {
    const gaps = batches().map(([jobs, windows]) => {
      const { waiting, bound, blocks, left } = schedule(jobs, windows);
      expect(faultsOf(blocks, jobs, windows)).toEqual([]);
      expect(left).toEqual([]);
      expect(bound).toBeLessThanOrEqual(waiting);
      return waiting - bound;
    });
    expect(gaps.sort((a, b) => a - b)[50]).toBeCloseTo(0, 6);
  });
});

describe('a rack with so many places', () => {
  /** The most flies that are on the rack at once: each from the vise until its last coat is dry. */
  function mostAtOnce(blocks: readonly Block[], jobs: readonly Job[]): number {
    const stays = jobs.flatMap((each, i) => {
      const own = blocks.filter((block) => block.job === i);
      const out = own.find(({ coat, kind }) => coat === 0 && kind === 'hands')?.end ?? 0;
      const dry = own.find(({ coat, kind }) => coat === each.coats.length && kind === 'drying')?.end ?? out;
      return each.coats.length === 0 ? [] : [[out, dry] as const];
    });
    return Math.max(
      0,
      ...stays.map(([out]) => stays.filter(([from, to]) => from <= out + 1e-9 && out < to - 1e-9).length),
    );
  }
  const evenings: Window[] = Array.from({ length: 8 }, (_, i) => ({ from: 1440 * i, to: 1440 * i + 150 }));

  test('holds no more of them at once, few flies or many', () => {
    for (const places of [1, 2, 3])
      for (const count of [4, 7, 45]) {
        const jobs = jobsOf(Array.from({ length: count }, (_, i) => job(6 + (i % 3), [1, 25])));
        const { blocks, left } = schedule(jobs, evenings, places);
        expect(faultsOf(blocks, jobs, evenings)).toEqual([]);
        const tied = jobs.filter((_, i) => !left.includes(i));
        expect(mostAtOnce(blocks, tied)).toBeLessThanOrEqual(places);
        if (count < 10) expect(left).toEqual([]);
      }
  });
  test('makes the hands wait, by hand: two flies of ten minutes whose coat dries thirty, on one place', () => {
    const jobs = jobsOf([job(10, [1, 30]), job(10, [1, 30])]);
    // Out at 10, dry at 41; the second is tied by then, and begun ten minutes before.
    const { waiting, blocks } = schedule(jobs, [EVENING], 1);
    expect(waiting).toBeCloseTo(20, 6);
    expect(blocks.filter(({ coat, kind }) => coat === 0 && kind === 'hands').map(({ start }) => start)).toEqual([
      0, 31,
    ]);
    expect(schedule(jobs, [EVENING]).waiting).toBe(0);
  });
});
