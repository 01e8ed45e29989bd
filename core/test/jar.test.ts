import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { inspectFlies } from '../src/inspect/inspect.ts';
import { jarReport } from '../src/inspect/jar.ts';
import { withLearnt } from '../src/inspect/learnt.ts';
import { openMg } from '../src/inspect/weighed.ts';
import { balanceModel, slackRest } from '../src/model/index.ts';
import { timeDown, wallShare } from '../src/model/solve/fall.ts';
import type { FlyFile } from '../src/pattern/index.ts';
import type { SpecimenFile } from '../src/records/specimen.ts';
import { fly } from './build.ts';
import { BARE, DEPTH_MM, TIMED, fallsOf, jarOf, parts, plan, pressed, reckoned, withDrag } from './dropped.ts';

const file = fly(parts);
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
  test('a planted drag, and planted eyes, come back within their intervals in nine of ten seeds', () => {
    // By a process of its own: a test's own world is slow at so much of it.
    const told = execFileSync(process.execPath, ['--import', 'tsx', 'scripts/trial/falls.ts', '100'], {
      cwd: fileURLToPath(new URL('../..', import.meta.url)),
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    const { drags, eyes: caught } = JSON.parse(told) as { readonly drags: number; readonly eyes: number };
    expect(drags).toBeGreaterThanOrEqual(90);
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
    const short = jarReport(plan, null, jarOf([0.6, 0.64, 0.62, 0.7, 0.61, 0.66], { depth: '200 mm' }));
    expect([short.falls, short.usable, short.dragFactor]).toEqual([6, 0, null]);
    expect(short.words.join()).toContain('less than a second');
  });

  test('falls that grow faster and faster still give off air, and teach nothing', () => {
    const { learnt, specimens } = inspected(jarOf([2.4, 2.25, 2.08, 1.97, 1.84, 1.75]));
    expect(learnt.find(({ what }) => what === 'drag')).toBeUndefined();
    expect(specimens[0]?.jar?.words.join()).toContain('still gives off air');
  });

  describe('laid on the water dry', () => {
    const floats = (jar: Partial<NonNullable<SpecimenFile['jar']>>) =>
      jarReport(plan, null, { ...jarOf(pressed(3, 8, withDrag(1.4))), ...jar });

    test('as much air held it up as it weighs under water, and falls after a shorter soak teach nothing', () => {
      const told = floats({ floated: '40 s', soaked: '20 s' });
      expect(told.floats).toMatchObject({ floated_s: 40, soaked_s: 20, model: 'sinks', airLeft: true });
      expect(told.floats?.air_mg).toBeCloseTo(plan.submergedMg, 6);
      expect(told.dragFactor).toBeNull();
      expect(told.words.join()).toContain('soak it for 40 s at least');
    });

    test('soaked longer than it floats, it teaches as ever', () => {
      const told = floats({ floated: '40 s', soaked: '10 min' });
      expect(told.floats?.airLeft).toBe(false);
      expect(told.dragFactor).toBeCloseTo(1.4, 0);
    });

    test('what no air between its fibres could bear, the skin of the water bore', () => {
      const bare = { ...plan, sections: plan.sections.filter(({ softness }) => softness < 0.3) };
      expect(jarReport(bare, null, { ...jarOf([]), floated: '5 s' }).words.join()).toContain('the skin of the water');
    });

    test('one the model has afloat, and that went under, took up water', () => {
      const light = { ...plan, submergedMg: -30 };
      const told = jarReport(light, null, { ...jarOf([]), floated: '2 min' });
      expect(told.floats).toMatchObject({ model: 'floats', air_mg: 30, floated_s: 120 });
      expect(told.words.join()).toContain('by 30 mg');
    });
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
    expect(jarReport(plan, null, { ...jarOf([]), falls }).rests).toEqual({
      most: 'point-down',
      of: 4,
      said: 5,
      model: 'point-up',
    });
  });

  describe('of eyes, by which way up it falls', () => {
    const own = reckoned.parts[0];
    if (!own) throw new Error('no eyes');

    test('a ride the model has as a matter of course teaches nothing', () => {
      const { jar } =
        inspected({ ...jarOf([]), falls: fallsOf(reckoned, 1, pressed(1, 6, reckoned)) }, fly(BARE)).specimens[0] ?? {};
      expect(jar?.rests?.most).toBe(jar?.rests?.model);
      expect(jar?.eyes).toBeNull();
    });

    test('one it gave no chance moves them as little as explains it, says that it fights, and is taken to the fly', () => {
      const other = slackRest(balanceModel(reckoned)).ride === 'point-up' ? 'point-down' : 'point-up';
      const falls = pressed(2, 6, reckoned).map((time) => ({ time: `${time.toFixed(3)} s`, fell: other }) as const);
      const made = inspected({ ...jarOf([]), falls }, fly(BARE));
      const told = made.learnt.find(({ what }) => what.endsWith('by its ride'));
      expect(told).toMatchObject({ part: own.file.id, unit: 'mg', goesTo: 'fly' });
      const away = Math.abs((told?.now ?? 0) - (told?.was ?? 0));
      expect(away).toBeGreaterThan(0);
      expect(made.specimens[0]?.jar?.eyes?.fights).toBe(away > 2 * openMg(reckoned, own.file.id, false));
      const next = told && withLearnt(fly(BARE), told);
      expect(next?.parts[0]).toMatchObject({ mass: `${((told?.now ?? 0) / 1000).toFixed(3)} g` });
    });
  });
});
