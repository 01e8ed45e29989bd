import fc from 'fast-check';
import { KnownFlies, planBatch, type BatchPlan } from '../src/batch/plan.ts';
import { reportBatch, type BatchReport } from '../src/batch/report.ts';
import { prepAtHand } from '../src/batch/prep.ts';
import { insteadOf, splitRow } from '../src/batch/instead.ts';
import { distanceOf } from '../src/batch/substitutes.ts';
import { faultLine } from '../src/base/fault.ts';
import { good } from '../src/base/fault.ts';
import { readDocument } from '../src/document/read.ts';
import { readDrawers } from '../src/drawers/file.ts';
import { drawersOf, NOMINAL_DRAWERS, type Drawers } from '../src/drawers/tables.ts';
import { HACKLES, STRIPS } from '../src/data/nominal/others.ts';
import { WOUND } from '../src/data/index.ts';
import { handfulFor } from '../src/batch/times.ts';
import { boughtWords } from '../src/batch/needReport.ts';
import { BATCH_KIND, type BatchFile } from '../src/records/batch.ts';
import type { FlyFile } from '../src/pattern/schema.ts';
import { cutLength, reportFly, settleFly } from '../src/model/index.ts';
import { body, collar, eyes, fly, strip, tail } from './build.ts';

type Loose = Record<string, unknown>;

const runner: FlyFile = fly([
  eyes({ material: 'brass', diameter: '4 mm' }),
  tail({ colour: 'slate' }),
  body({ colour: 'slate' }),
  strip({ material: 'rabbit strip', colour: 'slate' }),
]);

const batch = (more: Loose): Loose => ({ format: 'jobbet.batch', version: 1, name: 'Opening week', ...more });

function read(more: Loose): BatchFile {
  const file = readDocument(BATCH_KIND, batch(more));
  if (!file.ok) throw new Error(file.faults.map(faultLine).join('\n'));
  return file.value;
}

/** Drawers with the nominal tables' figures, and stock of what is named. */
function drawersWith(stock: Readonly<Record<string, Loose>>, more: Loose = {}): Drawers {
  const materials = STRIPS.map((each) => ({ construction: 'strip', ...each, ...stock[each.name] }));
  const found = readDrawers({ format: 'jobbet.drawers', version: 2, materials, ...more });
  if (!found.ok) throw new Error(found.faults.map(faultLine).join('\n'));
  return drawersOf(found.value);
}

function planned(more: Loose, drawers: Drawers = NOMINAL_DRAWERS, of: FlyFile = runner): BatchPlan {
  const plan = planBatch(read(more), { drawers, flyOf: () => good(of) });
  if (!plan.ok) throw new Error(plan.faults.map(faultLine).join('\n'));
  return plan.value;
}
const told = (more: Loose, drawers?: Drawers): BatchReport =>
  reportBatch(planned(more, drawers), drawers ?? NOMINAL_DRAWERS);

function faultsOf(more: Loose, drawers: Drawers = NOMINAL_DRAWERS): string[] {
  const file = readDocument(BATCH_KIND, batch(more));
  if (!file.ok) return file.faults.map(faultLine);
  const plan = planBatch(file.value, { drawers, flyOf: () => good(runner) });
  return plan.ok ? [] : plan.faults.map(faultLine);
}

const needOf = (report: BatchReport, item: string, colour: string | null = 'slate'): BatchReport['needs'][number] => {
  const found = report.needs.find((each) => each.item === item && each.colour === colour);
  if (!found) throw new Error(`no need of ${item}`);
  return found;
};
const cutOf = (plan: BatchPlan, item: string): number =>
  plan.rows[0]?.takes.find((take) => take.item === item)?.cutMm ?? Number.NaN;

describe('a batch as a file', () => {
  const row = { fly: 'Slate Runner', count: 3 };
  test.each([
    [{ rows: [{ ...row, count: 0 }] }, /^rows\[0\]\.count: is too small; at least 1/],
    [{ rows: [{ ...row, count: 10_001 }] }, /^rows\[0\]\.count: is too large; at most 10000/],
    [{ rows: [] }, /^rows: is too short/],
    [{ rows: [row], spoil: '95 %' }, /^spoil: "95 %" is no share from 0 to 90 %/],
    [
      { rows: [row], evenings: [{ date: '2026-03-02', from: '21:30', to: '19:30' }] },
      /^evenings\[0\]\.to: "19:30" is no later than "21:30"/,
    ],
    [
      { rows: [row], evenings: [{ date: '2026-02-30', from: '19:00', to: '20:00' }] },
      /^evenings\[0\]\.date: .*calendar/,
    ],
    [{ rows: [row], flies: [{ row: 2, n: 1 }] }, /^flies\[0\]\.row: there is no row 2/],
    [
      {
        rows: [row],
        flies: [
          { row: 1, n: 1 },
          { row: 1, n: 1 },
        ],
      },
      /^flies\[1\]\.n: .*twice/,
    ],
    [{ rows: [{ ...row, contu: 3 }] }, /^rows\[0\]\.contu: unknown key "contu"; did you mean "count"/],
    [{ rows: [row], way: 'steps' }, /^way: "steps" is not one of one-by-one, by-steps/],
    [{ version: 2, rows: [row] }, /^version: version 2 is newer/],
    [{ rows: [{ ...row, on: '6,8' }] }, /^rows\[0\]\.on: "6,8" is more than one size/],
    [{ rows: [{ ...row, on: 'large' }] }, /^rows\[0\]\.on: .*no hook size/],
    [{ rows: [{ ...row, shade: { wings: null } }] }, /^rows\[0\]\.shade\.wings: the fly has no part "wings"/],
    [{ rows: [{ ...row, shade: { tail: { length: 'long' } } }] }, /^rows\[0\]\.shade\.tail\.length: /],
    [{ rows: [{ ...row, shade: { tail: 'black' } }] }, /^rows\[0\]\.shade\.tail: names what changes/],
  ])('%j is refused by its place', (more, wanted) => {
    expect(faultsOf(more)[0]).toMatch(wanted);
  });
});

describe('a row', () => {
  const rows = (row: Loose): BatchPlan => planned({ rows: [{ fly: 'Slate Runner', count: 2, ...row }] });

  test('ties the fly in another colour, which weighs and rides as it did', () => {
    const plan = rows({ shade: { strip: { colour: 'black' } } });
    const made = plan.rows[0]?.fly;
    expect(made?.solved.laid.file.parts.find(({ id }) => id === 'strip')?.colour).toBe('black');
    expect(made?.solved.laid.dryMg).toBe(made?.from.laid.dryMg);
    expect(made?.name).toContain('strip black');
    expect(made?.warnings).toEqual([]);
    // It is not solved for that, and comes to the same as if it were.
    expect(made && reportFly(made.solved)).toEqual(made && reportFly(settleFly(made.solved.laid)));
  });
  test('leaves a part out, and says what that does to how it rides and sinks', () => {
    const made = rows({ shade: { eyes: null } }).rows[0]?.fly;
    expect(made?.solved.laid.parts.map(({ file }) => file.id)).not.toContain('eyes');
    expect(made?.solved.laid.dryMg).toBeLessThan(made?.from.laid.dryMg ?? 0);
    expect(made?.warnings.join()).toMatch(/sinks at \d+ cm\/s, not \d+ cm\/s/);
  });
  test('is tied on a size as a run of sizes has it', () => {
    const plan = rows({ on: '8' });
    expect(plan.rows[0]?.fly.solved.laid.platform.shankMm).toBeLessThan(
      plan.rows[0]?.fly.from.laid.platform.shankMm ?? 0,
    );
    expect(plan.rows[0]?.takes[0]?.item).toMatch(/single 8/);
  });
});

describe('a plan that was made before', () => {
  test('solves nothing anew where a count changes, and what it tells is the same; it says how far it is', () => {
    const known = new KnownFlies();
    const told: string[] = [];
    const of = (count: number, more: object = { known }): BatchPlan => {
      const rows = [
        { fly: 'a', count },
        { fly: 'a', count: 2, shade: { strip: { width: '4 mm' } } },
      ];
      const plan = planBatch(read({ rows }), {
        drawers: NOMINAL_DRAWERS,
        flyOf: () => good(runner),
        onRow: (done, all) => told.push(`${String(done)} of ${String(all)}`),
        ...more,
      });
      if (!plan.ok) throw new Error('no plan');
      return plan.value;
    };
    const [first, again] = [of(3), of(5)];
    expect(again.rows.map(({ fly }) => fly)).toEqual(first.rows.map(({ fly }) => fly));
    again.rows.forEach(({ fly }, i) => expect(fly).toBe(first.rows[i]?.fly));
    expect(reportBatch(again, NOMINAL_DRAWERS)).toEqual(reportBatch(of(5, {}), NOMINAL_DRAWERS));
    expect(told.slice(0, 2)).toEqual(['1 of 2', '2 of 2']);
  });
});

describe('what a batch takes', () => {
  test('is the sum over its flies, the spoilt ones of each row rounded up', () => {
    const report = told({
      rows: [
        { fly: 'a', count: 8 },
        { fly: 'a', count: 4, on: '8' },
      ],
      spoil: '5 %',
    });
    expect(report.flies).toBe(12);
    expect(report.rows.map(({ spoilt }) => spoilt)).toEqual([1, 1]);
    const plan = planned({
      rows: [
        { fly: 'a', count: 8 },
        { fly: 'a', count: 4, on: '8' },
      ],
      spoil: '5 %',
    });
    const [own, other] = plan.rows.map(
      ({ takes }) => takes.find(({ item }) => item === 'rabbit strip')?.cutMm ?? Number.NaN,
    );
    expect(needOf(report, 'rabbit strip').need).toBeCloseTo(9 * (own ?? 0) + 5 * (other ?? 0), 2);
  });
  test('of what nobody counted there is no telling: neither short nor bought', () => {
    const need = needOf(told({ rows: [{ fly: 'a', count: 2 }] }), 'rabbit strip');
    expect([need.have, need.short, need.runsOutAt, need.buy, need.price]).toEqual([null, null, null, null, null]);
  });
  test('runs out at the first fly that no length is left for, and says how many to buy at what price', () => {
    const bare = planned({ rows: [{ fly: 'a', count: 6 }] });
    const cut = cutOf(bare, 'rabbit strip');
    // Two pieces come from each of two hides that are two and a half pieces long: the fifth fly has none.
    const hide = `${(2.5 * cut).toFixed(3)} mm`;
    const drawers = drawersWith({
      'rabbit strip': { yield: hide, price: 5, stock: [{ colour: 'slate', count: 2, lengths: [hide] }] },
    });
    const need = needOf(told({ rows: [{ fly: 'a', count: 6 }] }, drawers), 'rabbit strip');
    expect(need.runsOutAt).toEqual({ row: 1, fly: 5 });
    expect(need.have).toBeCloseTo(5 * cut, 2);
    expect(need.short).toBeCloseTo(cut, 2);
    expect([need.buy, need.price]).toEqual([1, 5]);
  });
  test('of another colour is none of it', () => {
    const drawers = drawersWith({ 'rabbit strip': { stock: [{ colour: 'black', count: 3, lengths: ['400 mm'] }] } });
    expect(needOf(told({ rows: [{ fly: 'a', count: 1 }] }, drawers), 'rabbit strip').runsOutAt).toEqual({
      row: 1,
      fly: 1,
    });
  });
  test('spoilt flies come last: what is short for them alone runs out after all good ones', () => {
    const hooks = [{ name: 'streamer', form: 'single', size: '6', longX: 3, count: 12 }];
    const drawers = drawersWith({}, { hooks });
    const rows = [
      { fly: 'a', count: 8 },
      { fly: 'a', count: 4 },
    ];
    const hook = (report: BatchReport): BatchReport['needs'][number] | undefined =>
      report.needs.find(({ kind }) => kind === 'hook');
    expect(hook(told({ rows }, drawers))?.runsOutAt).toBeNull();
    const spoilt = hook(told({ rows, spoil: '10 %' }, drawers));
    expect(spoilt?.need).toBe(14);
    expect(spoilt?.runsOutAt).toEqual({ row: 1, fly: 13 });
    expect(spoilt?.short).toBe(2);
  });
  test('flies that were lost took theirs first; the hook of one that was taken apart serves again', () => {
    const hooks = [{ name: 'streamer', form: 'single', size: '6', longX: 3, count: 12 }];
    const drawers = drawersWith({}, { hooks });
    const hook = (more: Loose): BatchReport['needs'][number] | undefined =>
      told({ rows: [{ fly: 'a', count: 12 }], ...more }, drawers).needs.find(({ kind }) => kind === 'hook');
    const lost = (...states: string[]): Loose => ({ flies: states.map((state, i) => ({ row: 1, n: i + 1, state })) });
    expect(hook(lost('spoilt'))).toMatchObject({ need: 13, short: 1, runsOutAt: { row: 1, fly: 12 } });
    expect(hook(lost('apart'))).toMatchObject({ need: 12, short: 0, runsOutAt: null });
    // One in twelve is reckoned with: the one that was lost is that one.
    expect(hook({ ...lost('spoilt'), spoil: '5 %' })?.need).toBe(13);
  });
  test('two parts of one fly from one item both count', () => {
    const twice = fly([tail({ colour: 'slate' }), tail({ id: 'tail-2', colour: 'slate', length: '0.5 shank' })]);
    const plan = planned({ rows: [{ fly: 'a', count: 3 }] }, NOMINAL_DRAWERS, twice);
    const item = plan.rows[0]?.takes.find(({ part }) => part === 'tail')?.item ?? '';
    expect(needOf(reportBatch(plan, NOMINAL_DRAWERS), item).need).toBe(6);
  });
});

describe('the prep', () => {
  const cut = cutOf(planned({ rows: [{ fly: 'a', count: 1 }] }), 'rabbit strip');
  const lengths = [2.2 * cut, 1.1 * cut, 3.9 * cut].map((mm) => `${mm.toFixed(3)} mm`);
  const drawers = drawersWith({ 'rabbit strip': { stock: [{ colour: 'slate', count: 3, lengths }] } });
  const strips = (count: number): BatchReport['prep'] =>
    told({ rows: [{ fly: 'a', count }] }, drawers).prep.filter(({ material }) => material === 'rabbit strip');

  test('lays pieces on the lengths there are: what is left of each is waste or serves one more', () => {
    const laid = strips(5);
    expect(laid.reduce((sum, { pieces }) => sum + pieces, 0)).toBe(5);
    for (const { pieces, cut_mm, of, waste_mm, leftover } of laid) {
      const left = (of ?? 0) - pieces * (cut_mm ?? 0);
      expect(left).toBeGreaterThanOrEqual(-0.01);
      if (left < cut - 0.01) expect(waste_mm).toBeCloseTo(left, 1);
      else expect([waste_mm, leftover]).toEqual([0, expect.stringContaining('enough for')]);
    }
  });
  test('marks a piece where it goes on as another part: what is free and what is bound of the first', () => {
    const of = fly([
      tail({ length: '30 mm', at: 'bend', buttsTo: 'station 5', material: 'fox hair' }),
      tail({ id: 'on', role: 'wing', at: 'station 5', length: '12 mm', continues: 'tail', material: 'fox hair' }),
    ]);
    const drawers = drawersWith({});
    const plan = planned({ rows: [{ fly: 'a', count: 2 }] }, drawers, of);
    const shank = plan.rows[0]?.fly.solved.laid.platform.shankMm ?? 0;
    const points = reportBatch(plan, drawers).prep.flatMap((each) => each.points);
    expect(points).toEqual([{ as: 'on', at_mm: expect.closeTo(30 + shank / 2, 1) }]);
  });
  test('what is left of hair serves as dubbing, with what is dubbed in its colour in the same batch', () => {
    const byproduct = (...parts: Parameters<typeof fly>[0]): string | null | undefined =>
      reportBatch(planned({ rows: [{ fly: 'a', count: 2 }] }, NOMINAL_DRAWERS, fly(parts)), NOMINAL_DRAWERS).prep.find(
        ({ byproduct: left }) => left !== null,
      )?.byproduct;
    const hair = tail({ material: 'fox hair', colour: 'grey' });
    expect(byproduct(hair)).toBe('underfur and short base hair: dubbing');
    const dubbed = (colour: string) => body({ material: 'rabbit dubbing', colour });
    expect(byproduct(hair, dubbed('grey'))).toMatch(/, or with the rabbit dubbing of this batch$/);
    expect(byproduct(hair, dubbed('olive'))).toBe('underfur and short base hair: dubbing');
  });
  test('the tip of a hackle is left for a smaller fly: one of the batch, else the next', () => {
    const of = fly([collar({ material: 'hen', fibre: '1.2 gap' })]);
    const byproduct = (...sizes: string[]): string | null | undefined =>
      reportBatch(
        planned({ rows: sizes.map((on) => ({ fly: 'a', on, count: 2 })) }, NOMINAL_DRAWERS, of),
        NOMINAL_DRAWERS,
      ).prep.find(({ byproduct: left }) => left !== null)?.byproduct;
    expect(byproduct('6')).toMatch(/; the tip: the next smaller fly$/);
    expect(byproduct('2', '10')).toMatch(/; the tip: .*10/);
  });
  test('at the vise stands what was made ready for the part in hand, its own cut where it was cut', () => {
    const rows = [
      { fly: 'a', count: 2 },
      { fly: 'a', count: 2, shade: { strip: { length: '30 mm' } } },
    ];
    const plan = planned({ rows }, drawers);
    const { prep } = reportBatch(plan, drawers);
    const [first, second] = plan.rows.map(({ fly: { solved } }) => solved.laid);
    const at = (laid: typeof first) => {
      const part = laid?.parts.find(({ built }) => built.material === 'rabbit strip');
      return laid && part ? prepAtHand(prep, part, cutLength(part, laid)) : [];
    };
    expect(at(first).map(({ cut_mm }) => cut_mm)).not.toEqual([]);
    for (const { material, cut_mm } of at(first))
      expect([material, cut_mm]).toEqual(['rabbit strip', expect.closeTo(cut, 1)]);
    for (const { cut_mm } of at(second)) expect(cut_mm).toBeLessThan(cut - 1);
  });
  test('says what is to be bought first', () => {
    expect(strips(8).filter(({ from }) => from === 'to buy')).toMatchObject([{ pieces: 2, of: null, waste_mm: null }]);
  });
});

describe('what may do instead', () => {
  test('is ranked by its distance in what the part does its work by, each solved in the fly that runs out', () => {
    const drawers = drawersWith({
      'rabbit strip': {
        stock: [
          { colour: 'slate', count: 0 },
          { colour: 'black', count: 1, lengths: ['400 mm'] },
        ],
      },
      'mink strip': { count: 0 },
    });
    const { substitutes } = needOf(told({ rows: [{ fly: 'a', count: 2 }] }, drawers), 'rabbit strip');
    expect(substitutes[0]).toMatchObject({ item: 'rabbit strip', colour: 'black', distance: 0 });
    expect(substitutes.map(({ item }) => item)).not.toContain('mink strip');
    const distances = substitutes.map(({ distance }) => distance);
    expect(distances).toEqual([...distances].sort((a, b) => a - b));
    const own = planned({ rows: [{ fly: 'a', count: 1 }] }).rows[0]?.fly.solved.laid.dryMg;
    expect(substitutes[0]?.weight_mg).toBeCloseTo(own ?? 0, 2);
    expect(substitutes.some(({ weight_mg }) => Math.abs(weight_mg - (own ?? 0)) > 1)).toBe(true);
  });
  test('the distance is the root mean square of differences, each over its range in the nominal table, by hand', () => {
    const [a, b] = STRIPS;
    if (!a || !b) throw new Error('no strips');
    const keys = ['hideMm', 'pileMgMm2', 'hairMm', 'softness'] as const;
    const squares = keys.map((key) => {
      const all = STRIPS.map((each) => each[key]);
      return ((a[key] - b[key]) / (Math.max(...all) - Math.min(...all))) ** 2;
    });
    expect(distanceOf('strip', 'wing', a, b)).toBeCloseTo(
      Math.sqrt(squares.reduce((sum, each) => sum + each, 0) / 4),
      12,
    );
    expect(distanceOf('strip', 'wing', a, a)).toBe(0);
  });
});

describe('something else from the fly that runs out on', () => {
  const stock = (hides: number): Drawers =>
    drawersWith({
      'rabbit strip': {
        stock: [
          { colour: 'slate', count: hides, lengths: ['400 mm'] },
          { colour: 'black', count: 1, lengths: ['400 mm'] },
        ],
      },
    });
  test('parts its row there: the flies before stay as they are, those after have the other, and what became of each goes with it', () => {
    const drawers = stock(1);
    const plan = planned(
      {
        rows: [
          { fly: 'a', count: 12 },
          { fly: 'a', count: 2, on: '8' },
        ],
        flies: [
          { row: 1, n: 1, state: 'kept' },
          { row: 2, n: 1, state: 'vise' },
        ],
      },
      drawers,
    );
    const need = plan.needs.find(({ take }) => take.item === 'rabbit strip');
    const at = need?.runsOutAt?.fly ?? 0;
    expect(at).toBeGreaterThan(1);
    if (!need) throw new Error('nothing is needed');
    const changed = insteadOf(plan, need, { item: 'rabbit strip', colour: 'black' }, drawers);
    expect(changed.rows.map(({ count, shade }) => [count, shade?.['strip'] ?? null])).toEqual([
      [at - 1, null],
      [12 - at + 1, { material: 'rabbit strip', colour: 'black' }],
      [2, { material: 'rabbit strip', colour: 'black' }],
    ]);
    expect(changed.flies?.map(({ row, n, state }) => [row, n, state])).toEqual([
      [1, 1, 'kept'],
      [3, 1, 'vise'],
    ]);
    const again = planBatch(changed, { drawers, flyOf: () => good(runner) });
    expect(again.ok && again.value.flies).toBe(14);
    expect(again.ok && again.value.needs.some(({ runsOutAt }) => runsOutAt !== null)).toBe(false);
  });
  test('where the very first runs out no row is parted', () => {
    const drawers = stock(0);
    const plan = planned({ rows: [{ fly: 'a', count: 3 }] }, drawers);
    const [need] = plan.needs.filter(({ take }) => take.item === 'rabbit strip');
    if (!need) throw new Error('nothing is needed');
    const changed = insteadOf(plan, need, { item: 'rabbit strip', colour: 'black' }, drawers);
    expect(changed.rows).toHaveLength(1);
  });
  test('a row is parted only within its flies, and carries its pattern once', () => {
    const file = read({ rows: [{ fly: 'a', count: 3, pattern: { name: 'x' } }] });
    expect(splitRow(file, 1, 3)).toBe(file);
    expect(splitRow(file, 1, 0)).toBe(file);
    expect(splitRow(file, 1, 1).rows.map(({ pattern }) => pattern !== undefined)).toEqual([true, false]);
  });
});

describe('the cost', () => {
  test('is what is taken at the prices given, and says how much of it has one', () => {
    const hooks = [{ name: 'streamer', form: 'single', size: '6', longX: 3, count: 2, yield: '25 pieces', price: 5 }];
    const report = told({ rows: [{ fly: 'a', count: 10 }] }, drawersWith({}, { hooks }));
    expect(report.cost.total).toBeCloseTo(10 * (5 / 25), 9);
    expect(report.cost.perFly).toBeCloseTo(0.2, 9);
    // A hook, eyes, a tail, a body, a strip and the thread.
    expect(report.cost.known).toBeCloseTo(1 / 6, 2);
    expect(report.rows[0]?.cost).toBeCloseTo(2, 9);
  });
  test('without a price is not known of a row, and nothing is guessed', () => {
    const report = told({ rows: [{ fly: 'a', count: 1 }] });
    expect([report.cost.total, report.cost.known, report.rows[0]?.cost]).toEqual([0, 0, null]);
  });
});

describe('the time', () => {
  test('of rows that carry their own is theirs: no setting up, no learning, no prep', () => {
    const { time } = told({
      rows: [{ fly: 'a', count: 4, minutes: { hands: 15, coats: [{ hands: 1, dry: 30 }] } }],
      evenings: [{ date: '2026-03-02', from: '19:30', to: '21:30' }],
    });
    expect([time.basis, time.hands_min, time.perFly_min, time.evenings, time.waiting_min]).toEqual([
      'given',
      64,
      16,
      1,
      0,
    ]);
    // The last coat goes on at 20:34 and dries till 21:04.
    expect(time.elapsed_min).toBe(94);
    expect(time.schedule[0]).toMatchObject({
      evening: '2026-03-02',
      start: '2026-03-02T19:30',
      row: 1,
      fly: 1,
      kind: 'hands',
    });
  });
  test('is what this tier takes, where it was timed at the vise', () => {
    const rows = [{ fly: 'a', count: 1 }];
    const file = read({ rows });
    const timed = (minutes: number) => {
      const plan = planBatch(file, {
        drawers: NOMINAL_DRAWERS,
        flyOf: () => good(runner),
        measured: (of, step) => (of === 'a' && step === 'eyes' ? minutes : null),
      });
      if (!plan.ok) throw new Error(plan.faults.map(faultLine).join());
      return reportBatch(plan.value, NOMINAL_DRAWERS).time;
    };
    expect(told({ rows }).time.basis).toBe('usual');
    expect(timed(3).basis).toBe('measured');
    expect(timed(9).hands_min - timed(3).hands_min).toBeCloseTo(6, 6);
  });
  test('puts a fly on the evening it was pinned to, and says which no longer fits', () => {
    const evenings = [2, 3].map((day) => ({ date: `2026-03-0${String(day)}`, from: '19:30', to: '20:00' }));
    const of = (...pinned: number[]): BatchReport['time'] =>
      told({
        rows: [{ fly: 'a', count: 3, minutes: { hands: 14 } }],
        evenings,
        flies: pinned.map((n) => ({ row: 1, n, evening: '2026-03-03', pinned: true })),
      }).time;
    const day = (time: BatchReport['time'], fly: number): string | null | undefined =>
      time.schedule.find((block) => block.fly === fly)?.evening;
    expect([1, 2, 3].map((fly) => day(of(), fly))).toEqual(['2026-03-02', '2026-03-02', '2026-03-03']);
    expect([1, 2, 3].map((fly) => day(of(1), fly))).toEqual(['2026-03-03', '2026-03-02', '2026-03-02']);
    expect(of(1, 2, 3).left).toEqual([3]);
    // An evening that is not there any more holds nothing.
    const gone = told({
      rows: [{ fly: 'a', count: 1, minutes: { hands: 14 } }],
      evenings,
      flies: [{ row: 1, n: 1, evening: '2026-04-01', pinned: true }],
    });
    expect(day(gone.time, 1)).toBe('2026-03-02');
  });
  test('the quicker way is taken where none is asked for, and both are told', () => {
    const asked = (count: number, way?: string): BatchReport['time'] =>
      told({ rows: [{ fly: 'a', count }], ...(way === undefined ? {} : { way }) }).time;
    const [one, many] = [asked(1), asked(30)];
    expect([one.way, many.way]).toEqual(['one-by-one', 'by-steps']);
    for (const { way, byWay_min } of [one, many]) expect(byWay_min[way]).toBe(Math.min(...Object.values(byWay_min)));
    expect(asked(30, 'one-by-one').hands_min).toBeCloseTo(many.byWay_min['one-by-one'], 1);
  });
  test('a handful is begun as the batch says by now, whatever it was worked out with; else the quicker way', () => {
    const stepwise = handfulFor({}, 'by-steps');
    expect(stepwise).toBeGreaterThan(1);
    expect(handfulFor({ way: 'by-steps' }, 'one-by-one')).toBe(stepwise);
    expect(handfulFor({ way: 'one-by-one' }, 'by-steps')).toBe(1);
    expect(handfulFor({})).toBe(1);
  });
  test('more stock never takes more evenings, and no stock changes no evening at all', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 1, max: 6 }), (hides, count) => {
        const more: Loose = {
          rows: [{ fly: 'a', count }],
          evenings: [0, 1, 2].map((i) => ({ date: `2026-03-0${String(2 + i)}`, from: '19:30', to: '20:30' })),
        };
        const drawers = drawersWith({
          'rabbit strip': { stock: [{ colour: 'slate', count: hides, lengths: ['120 mm'] }] },
        });
        expect(planned(more, drawers).time.schedule.evenings).toBe(planned(more).time.schedule.evenings);
      }),
      { numRuns: 8 },
    );
  });
});

describe('by the packet or whole', () => {
  const hackles = (more: Loose = {}): Drawers => {
    const [hen] = HACKLES.filter(({ name }) => name === 'hen');
    const materials = [
      { construction: 'hackle', ...hen, count: 0, yield: '60 pieces', price: 12.5, soldAs: 'cape' },
      {
        construction: 'hackle',
        ...hen,
        name: 'hen packet',
        also: [],
        count: 0,
        yield: '12 pieces',
        price: 4.2,
        ...more,
      },
    ];
    const found = readDrawers({ format: 'jobbet.drawers', version: 2, materials });
    if (!found.ok) throw new Error(found.faults.map(faultLine).join('\n'));
    return drawersOf(found.value);
  };
  const collared = fly([collar({ material: 'hen', colour: 'black' })]);
  const needOfHen = (count: number, drawers: Drawers) =>
    needOf(reportBatch(planned({ rows: [{ fly: 'a', count }] }, drawers, collared), drawers), 'hen', 'black');

  test('what a fly costs either way, and from how many flies on the whole neck is cheaper', () => {
    // Two packets are 8.40, three 12.60: from the 25th hackle on the neck is cheaper.
    expect(needOfHen(10, hackles()).eitherWay).toEqual({
      small: { item: 'hen packet', perFly: 0.42 },
      large: { item: 'hen', perFly: 1.25 },
      cheaperFrom: 25,
    });
    expect(needOfHen(25, hackles()).eitherWay?.small.perFly).toBeCloseTo(12.6 / 25, 3);
  });
  test('never, where the packets are cheaper to the last hackle of the neck', () => {
    expect(needOfHen(10, hackles({ price: 2 })).eitherWay?.cheaperFrom).toBeNull();
  });
  test('is not told of what is another hackle, has no price, or is not made any more', () => {
    for (const more of [{ softness: 0.1 }, { price: undefined }, { discontinued: true }])
      expect(needOfHen(10, hackles(more)).eitherWay).toBeNull();
  });
  test('what is bought is told as it is sold', () => {
    const need = needOfHen(70, hackles());
    expect([need.buy, boughtWords(need)]).toEqual([2, '2 capes']);
    expect(boughtWords({ buy: 2, soldAs: 'patch' })).toBe('2 patches');
    expect(boughtWords({ buy: 1, soldAs: null })).toBe('1');
    expect(boughtWords({ buy: null, soldAs: 'hank' })).toBeNull();
  });
});

describe('what is mixed of others', () => {
  const fur = (name: string, more: Loose = {}): Loose => {
    const [dubbing] = WOUND.filter(({ manner }) => manner === 'dubbing');
    return { construction: 'wrap', ...dubbing, name, also: [], yield: '10 flies', count: 1, ...more };
  };
  const mix = [
    { of: 'orange fur', share: 0.7, colour: 'orange' },
    { of: 'brown fur', share: 0.3 },
  ];
  const found = readDrawers({
    format: 'jobbet.drawers',
    version: 2,
    materials: [
      fur('orange fur'),
      fur('brown fur', { count: 2 }),
      fur('rust', { mix, count: undefined, yield: undefined }),
    ],
  });
  if (!found.ok) throw new Error(found.faults.map(faultLine).join('\n'));
  const drawers = drawersOf(found.value);
  const loop = fly([body({ material: 'rust', colour: 'rust' })]);

  test('is taken of each by its share, and runs out with the first of them', () => {
    const { needs } = reportBatch(planned({ rows: [{ fly: 'a', count: 20 }] }, drawers, loop), drawers);
    const of = (item: string) => needs.find((need) => need.item === item);
    // Ten flies to the packet, seven tenths of each fly: fourteen flies; of the brown twenty at three tenths is six.
    expect(of('orange fur')).toMatchObject({ colour: 'orange', need: 14, have: 10, runsOutAt: { row: 1, fly: 15 } });
    expect(of('brown fur')).toMatchObject({ colour: 'rust', need: 6, have: 20, runsOutAt: null, substitutes: [] });
    expect(of('rust')).toBeUndefined();
  });
});
