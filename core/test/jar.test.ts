import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { inspectFlies } from '../src/inspect/inspect.ts';
import { jarReport } from '../src/inspect/jar.ts';
import { withLearnt } from '../src/inspect/learnt.ts';
import { normalOf } from '../src/numeric/index.ts';
import { type Timed, timeDown, wallShare } from '../src/model/solve/fall.ts';
import type { FlyFile } from '../src/pattern/index.ts';
import type { SpecimenFile } from '../src/records/specimen.ts';
import { body, eyes, fly, laid, tail } from './build.ts';

const parts = [eyes({ mass: '0.4 g' }), tail({ length: '0.8 shank', at: 'bend' }), body({})];
const plan = laid(parts);
const file = fly(parts);
const withDrag = (dragFactor: number): ReturnType<typeof laid> => laid(parts, { measured: { dragFactor } });

const DEPTH_MM = 700;
const jarOf = (times: readonly number[], more: object = {}): NonNullable<SpecimenFile['jar']> => ({
  width: '150 mm',
  depth: `${String(DEPTH_MM)} mm`,
  startAbove: '80 mm',
  falls: times.map((time) => ({ time: `${time.toFixed(2)} s` })),
  ...more,
});
const TIMED: Timed = { depthMm: DEPTH_MM, aboveMm: 80, widthMm: 150 };
/** Times a stopwatch tells of a fly, each end pressed 0.07 s early or late. */
const pressed = (seed: number, count: number, of: ReturnType<typeof laid>): number[] => {
  const time = timeDown(of, TIMED) ?? Number.NaN;
  return Array.from({ length: count }, (_, i) => time + 0.07 * (normalOf(seed, i, 0) - normalOf(seed, i, 1)));
};
const specimen = (jar: SpecimenFile['jar']): SpecimenFile => ({
  format: 'jobbet.specimen',
  version: 1,
  fly: 'Test',
  number: 1,
  ...(jar ? { jar } : {}),
});
const inspected = (jar: SpecimenFile['jar'], of: FlyFile = file) => {
  const made = inspectFlies(of, [specimen(jar)], NOMINAL_DRAWERS);
  if (!made.ok) throw new Error(JSON.stringify(made.faults));
  return made.value;
};

describe('a timed fall', () => {
  test('from under where it was let go takes less than from rest, and more in a narrow jar', () => {
    const [rest, running] = [timeDown(plan, { depthMm: DEPTH_MM }), timeDown(plan, { depthMm: DEPTH_MM, aboveMm: 80 })];
    expect(running).toBeLessThan(rest ?? 0);
    expect(timeDown(plan, TIMED)).toBeGreaterThan(running ?? 0);
    expect(timeDown(plan, { ...TIMED, widthMm: 5 })).toBeNull();
  });

  test('the wall leaves 1 − (d/D)^1.5 of the speed, above a Reynolds number of 1,000', () => {
    expect(wallShare(20, 80, 5000)).toBeCloseTo(1 - 0.125, 12);
    expect(wallShare(20, 80, 900)).toBe(1);
    expect(wallShare(20, 25, 5000)).toBeNull();
  });

  test('a fly that is heavier than reckoned falls faster', () => {
    expect(timeDown(plan, { ...TIMED, heavierMg: 100 })).toBeLessThan(timeDown(plan, TIMED) ?? 0);
  });
});

describe('what falls in a jar teach', () => {
  test('a planted drag comes back within its interval in nine of ten seeds', () => {
    const is = 1.35;
    const of = withDrag(is);
    const caught = Array.from({ length: 100 }, (_, seed) => {
      const { interval } = jarReport(plan, 0, jarOf(pressed(seed, 6, of)), 'point-up');
      return interval !== null && interval[0] <= is && is <= interval[1];
    }).filter(Boolean).length;
    expect(caught).toBeGreaterThanOrEqual(90);
  });

  test('goes into the pattern, and the pattern then says what the jar did', () => {
    const { learnt, specimens } = inspected(jarOf(pressed(3, 8, withDrag(1.4))));
    const drag = learnt.find(({ what }) => what === 'drag');
    expect(drag).toMatchObject({ goesTo: 'fly', was: 1, unit: 'share' });
    expect(drag?.now).toBeCloseTo(1.4, 0);
    const next = drag && withLearnt(file, drag);
    expect(next?.measured?.dragFactor).toBeCloseTo(drag?.now ?? 0, 2);
    // Laid with it, the same falls teach nothing more.
    const again = inspected(jarOf(pressed(3, 8, withDrag(1.4))), next ?? file);
    expect(again.learnt.find(({ what }) => what === 'drag')).toBeUndefined();
    const [jar, later] = [specimens[0]?.jar, again.specimens[0]?.jar];
    expect(Math.abs((later?.found_s ?? 0) - (later?.predicted_s ?? 9))).toBeLessThan(
      Math.abs((jar?.found_s ?? 0) - (jar?.predicted_s ?? 9)),
    );
  });

  test('falls as the plan has them teach nothing', () => {
    const { learnt } = inspected(jarOf(pressed(5, 8, plan)));
    expect(learnt.find(({ what }) => what === 'drag')).toBeUndefined();
  });

  test('under a second nothing is taught, and a deeper mark is asked for', () => {
    const short = jarReport(plan, 0, jarOf([0.6, 0.64, 0.62, 0.7, 0.61, 0.66], { depth: '200 mm' }), 'point-up');
    expect([short.falls, short.usable, short.dragFactor]).toEqual([6, 0, null]);
    expect(short.words.join()).toContain('less than a second');
  });

  test('falls that grow faster and faster still give off air, and teach nothing', () => {
    const { learnt, specimens } = inspected(jarOf([2.4, 2.25, 2.08, 1.97, 1.84, 1.75]));
    expect(learnt.find(({ what }) => what === 'drag')).toBeUndefined();
    expect(specimens[0]?.jar?.words.join()).toContain('still gives off air');
  });

  test('few falls are told, and teach nothing yet', () => {
    const few = jarOf(pressed(1, 3, withDrag(1.6)));
    const { learnt, specimens } = inspected(few);
    expect(learnt.find(({ what }) => what === 'drag')).toBeUndefined();
    expect(specimens[0]?.jar?.words).toEqual(['2 more falls of a second or longer would teach']);
    expect(specimens[0]?.jar?.dragFactor).toBeGreaterThan(1);
  });

  test('how it came to rest is set against the model', () => {
    const falls = pressed(2, 5, plan).map((time, i) => ({
      time: `${time.toFixed(2)} s`,
      rest: i < 4 ? ('point-down' as const) : ('point-up' as const),
    }));
    expect(jarReport(plan, 0, { ...jarOf([]), falls }, 'point-up').rests).toEqual({
      most: 'point-down',
      of: 4,
      said: 5,
      model: 'point-up',
    });
  });
});
