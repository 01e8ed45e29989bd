import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { balanceModel, restAndSink, solveText } from '../src/model/index.ts';
import { type BeatFile, beatAt } from '../src/records/beat.ts';
import { readRecord } from '../src/records/kinds.ts';
import { countedDepths } from '../src/water/paper.ts';
import { onLine, readAsked, type WaterTexts } from '../src/water/asked.ts';
import { ended, runWater } from '../src/water/ask.ts';
import { Current } from '../src/water/current.ts';
import { type Moment, USUAL_FISHING } from '../src/water/fish.ts';
import { WaterFly } from '../src/water/fly.ts';
import { seenFromMm } from '../src/water/seen.ts';
import {
  NO_TACKLE,
  rateByGrains,
  readLeader,
  readLine,
  SHORT_LEADER,
  tackleOut,
  USUAL_LEADER,
  USUAL_LINES,
} from '../src/water/tackle.ts';
import { nothingReaches } from '../src/water/which.ts';
import { NEAR_WANTED, tellRun } from '../src/water/told.ts';
import { water } from '../src/model/balance/water.ts';

interface Fished {
  readonly limits: {
    readonly flat_mm_s: number;
    readonly sag_mm: number;
    readonly lowest_mg: number;
    readonly hang_mm: number;
  };
  readonly energies: readonly number[];
  readonly mirrored: readonly [readonly number[], readonly number[]];
  readonly finer: readonly number[];
  readonly weight: readonly number[];
  readonly current: readonly number[];
  readonly count: readonly number[];
  readonly leader: readonly number[];
  readonly denser: readonly number[];
  readonly lines: readonly number[];
  readonly sweeps: readonly number[];
  readonly still: readonly number[];
  readonly counted: readonly {
    readonly depthsMm: readonly number[];
    readonly rows: readonly { readonly line: string; readonly seconds: readonly (number | null)[] }[];
    readonly words: readonly string[];
  }[];
  readonly slateMg: number;
  readonly whys: readonly {
    readonly name: string;
    readonly manner: string;
    readonly title: string;
    readonly says: string;
    readonly terms: readonly { readonly words: string; readonly figure: string }[];
    readonly source: string;
    readonly belief: string;
  }[];
  readonly droppers: {
    readonly alone: number;
    readonly light: readonly [point: number, dropper: number];
    readonly heavy: readonly [point: number, dropper: number];
    readonly apart: number;
    readonly refused: readonly string[];
  };
  readonly drifted: {
    readonly nowMm: number;
    readonly free: readonly number[];
    readonly ways: readonly { readonly change: string; readonly to: string; readonly lowestMm: number }[];
  };
  readonly otherEyes: {
    readonly reaches: boolean;
    readonly lowestMm: number;
    readonly againMm: number;
    readonly ride: string;
    readonly heavier: number;
    readonly there: unknown;
  } | null;
  readonly chosen: readonly {
    readonly id: string;
    readonly line: string;
    readonly leader: string | null;
    readonly misses: number;
  }[];
  readonly offered: readonly { readonly change: string; readonly lowestMm: number; readonly reaches: boolean }[];
}

/** Flies are fished by a process of its own: so many steps are slow within a test's own world. */
const fished = JSON.parse(
  execFileSync(process.execPath, ['--import', 'tsx', 'scripts/trial/fished.ts'], {
    cwd: fileURLToPath(new URL('../..', import.meta.url)),
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  }),
) as Fished;

/** Whether each is no less than the one before, but for two in a hundred. */
const rises = (values: readonly number[]): boolean =>
  values.every((each, i) => i === 0 || each > 0.98 * (values[i - 1] ?? 0));
const falls = (values: readonly number[]): boolean => rises([...values].reverse());

describe('a chain against what is known in closed form', () => {
  test('line that falls flat falls at its rate; hung between two points it sags as a catenary; a fly hangs as deep as the pull integrated up its leader', () => {
    const { flat_mm_s: flat, sag_mm: sag, lowest_mg: pull, hang_mm: hang } = fished.limits;
    expect(flat).toBeCloseTo(56.35, 1);
    expect(Math.abs(sag / 1177.34 - 1)).toBeLessThan(0.01);
    expect(Math.abs(pull / 305.41 - 1)).toBeLessThan(0.02);
    expect(Math.abs(hang / 538.22 - 1)).toBeLessThan(0.02);
  });

  test('energy never grows in still water', () => {
    expect(fished.energies.length).toBe(301);
    expect(fished.energies.every((each, i) => i === 0 || each <= (fished.energies[i - 1] ?? 0))).toBe(true);
  });

  test('a cast to the other side is fished as its mirror', () => {
    const [[x = 0, y = 0, z = 0], other] = fished.mirrored;
    expect(other).toEqual([expect.closeTo(x, 3), expect.closeTo(-y, 3), expect.closeTo(z, 3)]);
    expect(Math.abs(y)).toBeGreaterThan(100);
  });

  test('halved steps agree to a hundredth, twice the nodes to two', () => {
    const [is = 0, steps = 0, nodes = 0] = fished.finer;
    expect(Math.abs(steps / is - 1)).toBeLessThan(0.01);
    expect(Math.abs(nodes / is - 1)).toBeLessThan(0.02);
  });
});

describe('what a tier knows of water', () => {
  test('heavier never fishes shallower, faster water never deeper, a shorter count never deeper', () => {
    expect(rises(fished.weight)).toBe(true);
    expect(falls(fished.current)).toBe(true);
    expect(rises(fished.count)).toBe(true);
  });

  test('a thicker leader never fishes deeper, a denser one never shallower, nor a line that sinks faster', () => {
    expect(falls(fished.leader)).toBe(true);
    expect(rises(fished.denser)).toBe(true);
    expect(rises(fished.lines)).toBe(true);
  });

  test('more line sweeps longer, and in no current a swing is a count-down', () => {
    const [short = 0, long = 0] = fished.sweeps;
    expect(long).toBeGreaterThan(1.2 * short);
    expect(fished.still[0]).toBeCloseTo(fished.still[1] ?? 0, 6);
  });
});

const laidOf = (name: string) => {
  const solved = solveText(
    readFileSync(new URL(`../../examples/${name}.fly.json`, import.meta.url), 'utf8'),
    NOMINAL_DRAWERS,
  );
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  return solved.value.laid;
};

describe('a fly in the water', () => {
  test.each(['slate-runner', 'bell-weir', 'night-sexton', 'cinder-sprat'])(
    '%s, falling free, lies as its trim has it and meets its own weight',
    (name) => {
      const laid = laidOf(name);
      const fly = new WaterFly(laid);
      const { trim, sink } = restAndSink(balanceModel(laid));
      fly.settle(0, [-1, 0, 0], [0, 0, sink?.terminal ?? 0]);
      expect(fly.lies.noseDownDeg).toBeCloseTo(trim.noseDownDeg ?? 0, 0);
      expect(Math.abs(fly.dragMg(sink?.terminal ?? 0) / laid.submergedMg - 1)).toBeLessThan(0.02);
      expect(fly.lies.slack).toBe(true);
    },
  );

  test('pulled hard it follows the pull; across faster water than it holds to it goes over, and rights itself in slower', () => {
    const laid = laidOf('slate-runner');
    const fly = new WaterFly(laid);
    fly.settle(40 * laid.submergedMg, [-1, 0, 0], [2500, 0, 0]);
    expect(Math.abs(fly.lies.noseDownDeg)).toBeLessThan(8);
    const holds = fly.holdsToMmS;
    const across = (speed: number): boolean => {
      fly.settle(2 * laid.submergedMg, [-1, 0, 0], [100, speed, 0]);
      return fly.lies.over;
    };
    expect([across(0.9 * holds), across(1.1 * holds), across(0.9 * holds), across(0.6 * holds)]).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });

  test('its lowest part lies under its eye, further with its tail down', () => {
    const fly = new WaterFly(laidOf('night-sexton'));
    fly.settle(1000, [0, 0, 1], [0, 0, 10]);
    const hanging = fly.reachMm();
    fly.settle(40_000, [-1, 0, 0], [1500, 0, 0]);
    expect(hanging).toBeGreaterThan(2 * fly.reachMm());
  });
});

describe('what a run comes to', () => {
  const moment = (t: number, deepMm: number, more: Partial<Moment> = {}): Moment => ({
    t,
    fly: [0, 0, -deepMm],
    pullMg: 100,
    ground: 100,
    through: 300,
    across: 50,
    touches: false,
    lowest: 'platform',
    pulled: false,
    dropper: null,
    noseDownDeg: 0,
    heelDeg: 180,
    ride: 'point-up',
    over: false,
    side: 'left',
    slack: false,
    nodes: new Float32Array(),
    ...more,
  });
  const stretch = { depthMm: 1000, meanMmS: 500, roughnessMm: 50, bankShare: 1, widthMm: null };
  const fishing = { ...USUAL_FISHING, manner: 'hang', angleDeg: 0, rodTipMm: 0, seconds: 10 } as const;
  const told = (moments: readonly Moment[]) =>
    tellRun({ moments, steps: 1, settled: true }, stretch, fishing, { wantMm: 500, meant: 'point-up' });

  test('times by depth, the first moment at the wanted one', () => {
    const { depth, countS } = told([0, 200, 450, 560, 800, 950].map((mm, i) => moment(i, mm)));
    expect(depth).toMatchObject({ lowestMm: 950, lowestAtS: 5, inBottomQuarterS: 1, nearBedS: 0, atWantedS: 2 });
    expect(countS).toBe(3);
  });

  test('with the point up a touch is no snag; down, it is told with what touches', () => {
    const on = (t: number, ride: Moment['ride'], what = 'platform') =>
      moment(t, 990, { touches: true, ride, lowest: what });
    const { bed } = told([
      on(0, 'point-up', 'wing'),
      on(1, 'point-up'),
      moment(2, 500),
      on(3, 'point-down'),
      on(4, 'point-down'),
      moment(5, 500),
    ]);
    expect(bed.touches).toEqual([
      { t: 0, forS: 2, pointDown: false, what: 'wing' },
      { t: 3, forS: 2, pointDown: true, what: 'platform' },
    ]);
    expect(bed).toMatchObject({ contactS: 4, pointDownS: 2, risk: 'high' });
  });

  test('what it does for less than a moment is no capsize', () => {
    const over = (from: number, to: number) =>
      told(Array.from({ length: 30 }, (_, i) => moment(i / 10, 300, { over: i >= from && i < to }))).capsizes;
    expect(over(3, 5)).toEqual([]);
    expect(over(3, 13)).toEqual([{ t: 0.3, forS: expect.closeTo(1, 6) as number, side: 'left' }]);
  });
});

const MILL: BeatFile = JSON.parse(
  readFileSync(new URL('../../examples/mill-run.beat.json', import.meta.url), 'utf8'),
) as BeatFile;

describe('a beat', () => {
  test('its gauge moves depth and speed; so low that nothing is fished there is said', () => {
    const [low, high] = [beatAt(MILL), beatAt(MILL, 1020)];
    expect(low).toMatchObject({ ok: true, value: { depthMm: 1200, meanMmS: 700, roughnessMm: 50 } });
    expect(high).toMatchObject({ ok: true, value: { depthMm: 1600, meanMmS: 1060 } });
    expect(beatAt(MILL, 20_000)).toMatchObject({ ok: false, faults: [{ path: 'level' }] });
    expect(beatAt(MILL, -900)).toMatchObject({ ok: false, faults: [{ path: 'depth' }] });
    expect(beatAt({ ...MILL, speed: { surface: '1 m/s' } })).toMatchObject({ ok: true, value: { meanMmS: 850 } });
  });

  test.each([
    ['no depth', { depth: '0 m' }, 'depth', /too little/],
    ['20 m/s', { speed: '20 m/s' }, 'speed', /./],
    ['a bed of nothing', { bed: 'lava' }, 'bed', /./],
    ['an odd key', { deep: '2 m' }, 'deep', /unknown key/],
  ])('%s is named with its place', (_what, more, path, words) => {
    const read = readRecord('beat', { ...MILL, ...more });
    expect(read.ok).toBe(false);
    if (!read.ok) {
      expect(read.faults[0]?.path).toContain(path);
      expect(read.faults.map(({ message }) => message).join()).toMatch(words);
    }
  });

  test('current is nothing on the bed, and its mean over the depth is the one that is given', () => {
    const current = new Current({ depthMm: 1500, meanMmS: 600, roughnessMm: 50, bankShare: 0.5, widthMm: 10_000 });
    const mean =
      Array.from({ length: 300 }, (_, i) => current.at(-(i + 0.5) * 5, 20_000)).reduce((sum, each) => sum + each, 0) /
      300;
    expect(mean).toBeCloseTo(600, -1);
    expect(current.at(-1500, 20_000)).toBe(0);
    expect(current.at(0, 0) / current.surfaceMmS).toBeCloseTo(0.5, 9);
  });
});

describe('tackle as it is written', () => {
  test('lines by their rates, in inches a second too', () => {
    expect(readLine('sink-tip:4 m:75 mm/s')).toMatchObject({
      ok: true,
      value: { form: 'sink-tip', tipMm: 4000, rateMmS: 75 },
    });
    expect(readLine('sinking:3 in/s')).toMatchObject({
      ok: true,
      value: { rateMmS: expect.closeTo(76.2, 6) as number },
    });
    expect(readLeader('1.8 m:0.4 mm:nylon, 0.9 m:0.25 mm:fluorocarbon')).toMatchObject({
      ok: true,
      value: [{ lengthMm: 1800 }, { of: 'fluorocarbon' }],
    });
    expect(readLeader(Array.from({ length: 13 }, () => '0.1 m:0.2 mm').join(','))).toMatchObject({ ok: false });
    // Heavier by the foot sinks faster; what water weighs sinks not at all.
    expect(rateByGrains(4, 1.1, water())).toBe(0);
    expect(rateByGrains(9, 1.1, water())).toBeLessThan(rateByGrains(12, 1.1, water()));
  });

  test.each([
    ['sink-tip', 'write sink tip of 4 m, 75 mm/s'],
    ['floting', 'did you mean "floating"'],
    ['sinking:-20 mm/s', 'rate a line sinks at'],
    ['sinking:75', 'unit'],
  ])('%s is refused in words', (text, words) => {
    const read = readLine(text);
    expect(read.ok ? '' : read.faults[0]?.message).toContain(words);
  });

  test('in words it reads as in short', () => {
    const same = (one: unknown, other: unknown) => expect(one).toEqual(other);
    same(readLine('sink tip of 4 m, 75 mm/s'), readLine('sink-tip:4 m:75 mm/s'));
    same(readLine('a line sinking 3 in/s'), readLine('sinking:3 in/s'));
    same(
      readLeader('1.8 m of 0.4 mm nylon, 0.9 m of 0.25 mm fluorocarbon'),
      readLeader('1.8 m:0.4 mm:nylon,0.9 m:0.25 mm:fluorocarbon'),
    );
    same(readLeader('2.7 m of 0.25 mm'), readLeader('2.7 m:0.25 mm:nylon'));
    const { file } = laidOf('slate-runner');
    same(readAsked({ strip: '0.3 m at 0.6 m/s, pause 1 s' }, file), readAsked({ strip: '0.3 m:0.6 m/s:1 s' }, file));
    same(readAsked({ lift: '0.5 m every 2 s' }, file), readAsked({ lift: '0.5 m:2 s' }, file));
    for (const line of USUAL_LINES) expect(readLine(line).ok).toBe(true);
  });

  test('what lies in the drawers is fished with by its name', () => {
    const tackle = {
      lines: [
        { name: 'heavy tip', form: 'sink-tip' as const, tipMm: 4500, rateMmS: 130 },
        { name: 'head by weight', form: 'sinking' as const, grainsPerFoot: 13, diameterMm: 1.15 },
      ],
      leaders: [{ name: 'short leader', pieces: '0.6 m:0.35 mm:nylon, 0.6 m:0.25 mm:fluorocarbon' }],
      floats: [{ name: 'small float', bearsMg: 2000 }],
    };
    const { file } = laidOf('slate-runner');
    const asked = readAsked({ line: 'Heavy Tip', leader: 'short leader', float: 'small float' }, file, tackle);
    expect(asked).toMatchObject({
      ok: true,
      value: {
        line: { tipMm: 4500, rateMmS: 130 },
        leader: [{ lengthMm: 600 }, { of: 'fluorocarbon' }],
        fishing: { float: { bearsMg: 2000, massMg: 600 } },
      },
    });
    const byWeight = readLine('head by weight', tackle);
    expect(byWeight.ok && byWeight.value.rateMmS).toBeGreaterThan(80);
    const wrong = readAsked({ line: 'heavy tipp', float: 'big float' }, file, tackle);
    expect(wrong.ok ? [] : wrong.faults.map(({ message }) => message)).toEqual([
      expect.stringContaining('did you mean "heavy tip"'),
      expect.stringContaining('no float of the drawers'),
    ]);
  });

  test('a leader longer than the cast is said', () => {
    expect(
      tackleOut({ form: 'floating', rateMmS: null, tipMm: null, diameterMm: 1.1 }, USUAL_LEADER, 3000, water()),
    ).toMatchObject({
      ok: false,
      faults: [{ path: 'cast', message: expect.stringContaining('cast further') as string }],
    });
  });

  test('everything that is wrong with a question is told at once; what the pattern means is taken where nothing is said', () => {
    const { file } = laidOf('slate-runner');
    const wrong = readAsked({ line: 'rope', manner: 'swng', count: '-3 s', mend: 'two' }, file);
    expect(wrong.ok ? [] : wrong.faults.map(({ path }) => path)).toEqual(['line', 'manner', 'mend', 'count']);
    const meant = readAsked({}, { intent: { line: 'sinking', manner: 'strip', depth: '1.5 m' } });
    expect(meant).toMatchObject({
      ok: true,
      value: { line: { form: 'sinking' }, fishing: { manner: 'strip' }, wantMm: 1500 },
    });
  });

  test('a fly that floats is not fished below', () => {
    const laid = { ...laidOf('night-sexton'), submergedMg: -20 };
    const asked = readAsked({}, laid.file);
    const beat = beatAt(MILL);
    if (!asked.ok || !beat.ok) throw new Error('not asked');
    expect(ended(runWater({ ...asked.value, laid, beat: beat.value }))).toMatchObject({
      ok: false,
      faults: [{ path: 'fly' }],
    });
  });
});

describe('ways to a depth', () => {
  test('below a float hangs as much more as takes the fly there, and no line is offered', () => {
    const { nowMm, ways } = fished.drifted;
    expect(nowMm).toBeLessThan(620);
    expect(ways.map(({ change }) => change)).toEqual(['float-to-fly']);
    expect(Math.abs((ways[0]?.lowestMm ?? 0) / 1200 - 1)).toBeLessThan(NEAR_WANTED);
    expect(Number.parseFloat(ways[0]?.to ?? '')).toBeCloseTo(1.2, 0);
  });

  test('without a float the end of the line bears a light fly at its leader’s length, and a heavy one draws it under', () => {
    const [light = 0, heavy = 0] = fished.drifted.free;
    expect(light / 1000).toBeCloseTo(1, 1);
    expect(heavy).toBeGreaterThan(1500);
  });

  test('other eyes are heavier, ride as the fly does, fish where it is told, and are not offered to a fly that is there', () => {
    const { otherEyes } = fished;
    expect(otherEyes).toMatchObject({ reaches: true, ride: 'point-up', there: null });
    expect(otherEyes?.heavier).toBeGreaterThan(1.1);
    expect(otherEyes?.againMm).toBeCloseTo(otherEyes?.lowestMm ?? 0, 6);
  });

  test('a line that sinks is fished with a short leader, unless one is said', () => {
    const leaderOn = (line: string, own: WaterTexts = {}): string | undefined => onLine(own, line, NO_TACKLE).leader;
    expect(
      ['floating', 'intermediate', 'sinking 75 mm/s', 'sink tip of 3 m, 75 mm/s'].map((line) => leaderOn(line)),
    ).toEqual([undefined, undefined, SHORT_LEADER, SHORT_LEADER]);
    expect(leaderOn('sinking 75 mm/s', { leader: '2 m of 0.3 mm nylon' })).toBe('2 m of 0.3 mm nylon');
    for (const { line, leader } of fished.chosen) expect(leader).toBe(line === 'floating' ? null : SHORT_LEADER);
  });
});

describe('two flies on one cast', () => {
  test('the dropper fishes higher, the heavier it is the deeper both; drifting under a float they hang as far apart as they are tied', () => {
    const { alone, light, heavy, apart } = fished.droppers;
    for (const [point, dropper] of [light, heavy]) expect(dropper).toBeLessThan(point);
    expect(heavy[0]).toBeGreaterThan(1.03 * alone);
    expect(heavy[0]).toBeGreaterThan(light[0]);
    expect(heavy[1]).toBeGreaterThan(light[1]);
    expect(apart / 600).toBeCloseTo(1, 1);
  });
  test('is tied into the leader and no further up', () => {
    expect(fished.droppers.refused).toEqual([
      expect.stringMatching(/^a dropper is tied into the leader, of which 2\.7 m/),
    ]);
  });
});

describe('why a figure is what it is', () => {
  const said = (manner: string, name: string, words: string): string =>
    fished.whys
      .find((why) => why.manner === manner && why.name === name)
      ?.terms.find((each) => each.words.startsWith(words))?.figure ?? `no "${words}"`;

  test('is said in whole words, with its source and how far to trust it, in either unit', () => {
    expect(fished.whys).toHaveLength(3 * 2 * 5);
    for (const { title, says, terms, source, belief } of fished.whys) {
      for (const text of [title, says, source, belief]) expect(text.length).toBeGreaterThan(3);
      for (const each of [says, ...terms.map(({ words, figure }) => `${words} ${figure}`)])
        expect(each).not.toMatch(/NaN|Infinity|undefined|null/);
    }
  });

  test('by the terms of the run: what the leader bears is no more than the fly weighs; a heavier fly goes deeper; the bed is said where it is touched', () => {
    const grams = (text: string): number => Number.parseFloat(text) * (/mg/.test(text) ? 1 : 1000);
    expect(grams(said('swing', 'deepest', 'the fly under water')) / fished.slateMg).toBeCloseTo(1, 1);
    const bears = grams(said('swing', 'deepest', 'so that it bears'));
    expect(bears).toBeGreaterThan(0.3 * fished.slateMg);
    expect(bears).toBeLessThan(1.05 * fished.slateMg);
    expect(said('swing', 'deepest', 'with the fly a tenth heavier')).toMatch(/deeper$/);
    expect(said('swing', 'deepest', 'in water a tenth faster')).toMatch(/shallower$/);
    expect(fished.whys.find(({ manner, name }) => manner === 'strip' && name === 'deepest')?.says).toMatch(
      /comes down on the bed/,
    );
    expect(fished.whys.find(({ manner, name }) => manner === 'swing' && name === 'bed')?.says).toMatch(/never touches/);
  });
});

describe('how far a fly is made out', () => {
  test('about half as far as a white disc goes down, less the deeper it hangs, and not at all without light', () => {
    expect(seenFromMm(1600, 0) / 1600).toBeCloseTo(3.9 / 7, 2);
    expect(seenFromMm(1600, 1000)).toBeLessThan(seenFromMm(1600, 0));
    expect(seenFromMm(300, 3000)).toBe(0);
  });
});

describe('a card to count down by', () => {
  test('counts to round figures of the tier’s unit, down to the bed and six at most', () => {
    expect(countedDepths(1500)).toEqual([250, 500, 750, 1000, 1250, 1500]);
    expect(countedDepths(1600)).toEqual([500, 1000, 1500]);
    expect(countedDepths(1524, { length: 'in' }).map((mm) => mm / 304.8)).toEqual([1, 2, 3, 4, 5]);
    expect(countedDepths(200)).toEqual([]);
    expect(countedDepths(30_000)).toEqual([5000, 10_000, 15_000, 20_000, 25_000, 30_000]);
  });

  test('says longer for deeper, and less the more the line sinks where it is deep; depths stand as they are, in either unit', () => {
    const [metric, feet] = fished.counted;
    for (const { rows } of fished.counted)
      for (const { seconds } of rows) {
        const down = seconds.filter((each) => each !== null);
        expect(down).toEqual([...down].sort((a, b) => a - b));
        expect(seconds.indexOf(null) === -1 || seconds.slice(seconds.indexOf(null)).every((s) => s === null)).toBe(
          true,
        );
      }
    const to4m = (line: string): number =>
      metric?.rows.find((row) => row.line === line)?.seconds[3] ?? Number.POSITIVE_INFINITY;
    expect(to4m('intermediate')).toBeLessThan(to4m('floating'));
    expect(to4m('sink tip of 3 m, 75 mm/s')).toBeLessThan(to4m('intermediate'));
    expect(metric?.words).toEqual(expect.arrayContaining(['1 m', '4 m', 'Deep Glide, still water']));
    expect(feet?.words).toEqual(expect.arrayContaining(['3 ft', '12 ft']));
  });
});

describe('which fly here', () => {
  test('each with the least line that takes it down; what reaches comes first', () => {
    const { chosen } = fished;
    expect(chosen.map(({ misses }) => misses < 0.2)).toEqual([true, true]);
    const [heavy, light] = ['slate-runner', 'night-sexton'].map((name) => chosen.find(({ id }) => id === name));
    expect(USUAL_LINES.indexOf(heavy?.line ?? '')).toBeLessThanOrEqual(USUAL_LINES.indexOf(light?.line ?? ''));
  });

  test('where nothing comes down that far the one that goes deepest is told', () => {
    const found = [0.4, 0.7, 0.6].map((m, i) => ({
      id: String(i),
      name: String(i),
      line: 'floating',
      countS: 0,
      leader: null,
      lowestMm: 1000 * m,
      against: [],
      misses: 1,
      snags: false,
    }));
    expect(nothingReaches(found, 2000)?.id).toBe('1');
    expect(nothingReaches(found, 700)).toBeNull();
  });

  test('ways to a depth come there, one of a kind', () => {
    const { offered } = fished;
    expect(offered.length).toBeGreaterThan(0);
    for (const { lowestMm, reaches } of offered) expect(reaches).toBe(Math.abs(lowestMm - 700) <= 0.15 * 700);
    expect(new Set(offered.map(({ change }) => change)).size).toBe(offered.length);
  });
});
