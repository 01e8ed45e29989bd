import { drawersOf, EMPTY_DRAWERS, NOMINAL_DRAWERS, NOMINAL_MATERIALS, type Drawers } from '@jobbet/core/drawers';
import { reportFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { spreadsOf } from '@jobbet/core/study';
import { Desk } from '../src/shared/solve/desk.ts';
import { figuresReckon, goodOf, Unsolved } from '../src/shared/solve/reckon.ts';
import { reckonerOf } from '../src/shared/solve/solver.ts';
import { fly, withTail } from './build.ts';
import { inThisThread } from './reckoning.ts';

/** Drawers whose marabou weighs twice what it usually does. */
const HEAVY: Drawers = drawersOf({
  ...EMPTY_DRAWERS,
  materials: NOMINAL_MATERIALS.map((each) =>
    each.construction === 'bundle' && each.name === 'marabou' ? { ...each, density: 2 * each.density } : each,
  ),
});
/** A file as it comes through to the worker: a copy each time. */
const copy = (file: FlyFile): FlyFile => JSON.parse(JSON.stringify(file)) as FlyFile;
const dryMg = (desk: Desk, file: FlyFile): number => reportFly(goodOf(desk.solved(file))).weight.dry_mg;

describe('what is remembered of the flies laid and solved last', () => {
  test('a fly asked about again is not laid out again, though it comes as another copy', () => {
    const desk = new Desk();
    const laid = goodOf(desk.laid(fly()));
    expect(goodOf(desk.laid(copy(fly())))).toBe(laid);
    expect(goodOf(desk.solved(copy(fly()))).laid).toBe(laid);
    expect(goodOf(desk.laid(withTail('30 mm')))).not.toBe(laid);
  });
  test('four flies and no more; the one asked about last stays longest', () => {
    const desk = new Desk();
    const first = goodOf(desk.laid(withTail('20 mm')));
    for (const length of ['21 mm', '22 mm', '23 mm']) desk.laid(withTail(length));
    expect(goodOf(desk.laid(withTail('20 mm')))).toBe(first);
    for (const length of ['24 mm', '25 mm', '26 mm', '27 mm']) desk.laid(withTail(length));
    expect(goodOf(desk.laid(withTail('20 mm')))).not.toBe(first);
  });
  test('nothing that was reckoned with other drawers', () => {
    const desk = new Desk();
    const light = dryMg(desk, fly());
    desk.use(HEAVY);
    expect(dryMg(desk, fly())).toBeGreaterThan(1.05 * light);
    desk.use(NOMINAL_DRAWERS);
    expect(dryMg(desk, fly())).toBe(light);
  });
  test('a fly as it came out is laid beside the plan, not instead of it', () => {
    const desk = new Desk();
    const plan = goodOf(desk.laid(fly()));
    const length = spreadsOf(plan).find(({ kind }) => kind === 'length');
    if (!length) throw new Error('a tail has a length');
    const off = goodOf(desk.laid(fly(), [{ part: length.part, kind: 'length', off: 0.2 }]));
    expect(off.parts[0]?.extent.lengthMm).toBeGreaterThan(1.1 * (plan.parts[0]?.extent.lengthMm ?? NaN));
    expect(goodOf(desk.laid(fly()))).toBe(plan);
  });
  test('a fly that does not lay out is told by its faults, and by nothing else', () => {
    const desk = new Desk();
    const ask = (): unknown => figuresReckon(desk).figures(withTail('2 wing'), []);
    expect(ask).toThrow(Unsolved);
    expect(ask).toThrow(/parts\[0\]\.length/);
  });
});

test('each question is answered with the drawers it was asked with, however they change between questions', async () => {
  inThisThread();
  const reckoner = reckonerOf<ReturnType<typeof figuresReckon>>('figures');
  const weigh = async (drawers: Drawers): Promise<number> =>
    (await reckoner.short(drawers, async (figures) => figures.figures(fly(), []))).report.weight.dry_mg;
  const [light, heavy, again] = await Promise.all([weigh(NOMINAL_DRAWERS), weigh(HEAVY), weigh(NOMINAL_DRAWERS)]);
  expect(heavy).toBeGreaterThan(1.05 * light);
  expect(again).toBe(light);
});
