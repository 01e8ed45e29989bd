import { execFileSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import type { LaidFly } from '../src/model/index.ts';
import { blobsOf, depthOf } from '../src/photo/blobs.ts';
import { mostWithin } from '../src/photo/cover.ts';
import { solveSmall } from '../src/photo/ground.ts';
import { coloursOf, type Field, sampled } from '../src/photo/picture.ts';
import { enlarged, type Pose, toFly, toPixel } from '../src/photo/pose.ts';
import { poseBy, silhouetteOf } from '../src/photo/silhouette.ts';
import { drawnFly, LANDMARKS, plannedFly } from './drawnPlan.ts';
import { shotOf } from './photographed.ts';
import type { Tried } from './tried.ts';

const plan: LaidFly = plannedFly();

/** So many pictures are looked at in every check; `npm run trial` looks at more. */
const PICTURES = 6;

/** Pictures are drawn and looked at by a process of their own: millions of pixels are slow within a test's own world. */
function triedPictures(): ReadonlyMap<string, Tried> {
  const out = execFileSync(process.execPath, ['scripts/trial.mjs', String(PICTURES), '--json'], {
    cwd: fileURLToPath(new URL('../..', import.meta.url)),
    encoding: 'utf8',
    env: { ...process.env, NODE_OPTIONS: '' },
  });
  return new Map(
    out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Tried)
      .map((one) => [one.what, one]),
  );
}

let pictures: ReadonlyMap<string, Tried> = new Map();
beforeAll(() => {
  pictures = triedPictures();
});
const of = (what: string): Tried => {
  const tried = pictures.get(what);
  if (!tried) throw new Error(`no picture ${what}`);
  return tried;
};

/** One in which the fly was found. */
const found = (what: string): Extract<Tried, { ok: true }> => {
  const tried = of(what);
  if (!tried.ok) throw new Error(`picture ${what}: ${tried.why}`);
  return tried;
};
/** Why it was not; empty where it was. */
const whyNot = (what: string): string => {
  const tried = of(what);
  return tried.ok ? '' : tried.why;
};

describe('a fly in a photograph, over seeds of turn, scale, side, ground, light, grain and blur', () => {
  test.each(Array.from({ length: PICTURES }, (_, seed) => String(seed)))('picture %s', (seed) => {
    const fly = found(seed);
    expect(Object.keys(fly.landmarks)).toEqual(['eye', 'bend', 'point']);
    for (const { off } of Object.values(fly.landmarks)) expect(off).toBeLessThan(0.01);
    // What stands hardly past the bend is not told by so much.
    expect(Object.keys(fly.lengths)).toEqual(
      expect.arrayContaining(['tail', 'tail.pastBend', 'wing', 'bead.diameter']),
    );
    expect(Math.abs((fly.gap?.mm ?? 0) - (fly.gap?.is ?? 9))).toBeLessThan(0.4);
    for (const [measure, { mm, is, spread }] of Object.entries(fly.lengths)) {
      expect(Math.abs(mm - is)).toBeLessThan(Math.max(0.4, 0.02 * is));
      // A place is held against the bead that sits there.
      expect(spread).toBeLessThan(0.08 * (measure.endsWith('.at') ? 4 : mm));
    }
    expect(Math.abs(fly.area - 1)).toBeLessThan(0.03);
    expect(fly.confidence).toBeGreaterThan(0.85);
  });
});

describe('what is told beside the picture', () => {
  test('a ruler sets the scale, and the hook no longer does', () => {
    const { pxPerMm } = shotOf(drawnFly(4), 4);
    expect(found('ruler').mmPerPx * pxPerMm).toBeCloseTo(1, 2);
  });

  test('so does a bank card that lies beside it, printed and askew, and it is no second fly', () => {
    const beside = found('card');
    expect(beside.scaledBy).toBe('card');
    expect(Math.abs(beside.mmPerPx * 10 - 1)).toBeLessThan(0.005);
    for (const { mm, is } of Object.values(beside.lengths)) expect(Math.abs(mm - is)).toBeLessThan(0.4);
    expect(found('shank').scaledBy).toBe('shank');
  });

  test('a ruler that lies in the picture is no second fly, and its marks are asked for', () => {
    const beside = found('beside a ruler');
    expect(beside.notes.join()).toContain('lay two marks on it');
    for (const { off } of Object.values(beside.landmarks)) expect(off).toBeLessThan(0.01);
    for (const { mm, is } of Object.values(beside.lengths)) expect(Math.abs(mm - is)).toBeLessThan(0.4);
  });

  test('of a fly that stands tilted the gap tells another scale than the shank', () => {
    expect(found('shank').mmPerPx / found('gap').mmPerPx).toBeCloseTo(1.03, 2);
    // What is measured goes by the scale that was asked for.
    const [shank, gap] = [found('shank').lengths['tail']?.mm ?? 0, found('gap').lengths['tail']?.mm ?? 1];
    expect(shank / gap).toBeCloseTo(1.03, 2);
  });

  test('a jaw that holds the bend is no part of the fly', () => {
    const held = found('jaw');
    for (const { off } of Object.values(held.landmarks)) expect(off).toBeLessThan(0.01);
    expect(held.notes.join()).toContain('holds the fly');
    expect(held.area).toBeLessThan(1.1);
  });
});

describe('a picture of which nothing is measured falsely', () => {
  test.each([
    ['none', 'no fly stands out'],
    ['two', 'two flies'],
    ['other hook', 'this hook is not found'],
    // Laid smaller or larger, this one explains a bend and a stretch of shank, but not both its ends.
    ['long shank', 'this hook is not found'],
    ['deep gap', 'this hook is not found'],
  ])('%s', (what, why) => {
    expect(whyNot(what)).toContain(why);
  });

  test('the fly itself with its hair half as long as planned is found, and told so', () => {
    const { landmarks, lengths } = found('short hair');
    expect(Object.keys(landmarks)).toEqual(['eye', 'bend', 'point']);
    for (const { mm, is } of Object.values(lengths)) expect(Math.abs(mm - is)).toBeLessThan(0.4);
  });

  test.each(['cut', 'blurred'])('%s: refused, or what it took is not among what was measured', (what) => {
    const tried = of(what);
    for (const { mm, is } of Object.values(tried.ok ? tried.lengths : {}))
      expect(Math.abs(mm / is - 1)).toBeLessThan(0.08);
  });
});

describe('how a fly lies', () => {
  const pose: Pose = { tx: 310, ty: 205, turn: 0.7, scale: 21, tall: 1.03, side: -1 };

  test('to the picture and back', () => {
    for (const [x, z] of [
      [0, 0],
      [26, 0],
      [18.8, -8.8],
      [40, 7],
    ] as const) {
      const [fx, fz] = toFly(pose, ...toPixel(pose, x, z));
      expect(fx).toBeCloseTo(x, 9);
      expect(fz).toBeCloseTo(z, 9);
    }
    const [ax, ay] = toPixel(enlarged(pose, 3), 12, 4);
    const [bx, by] = toPixel(pose, 12, 4);
    expect([ax, ay]).toEqual([expect.closeTo((bx + 0.5) * 3 - 0.5, 9), expect.closeTo((by + 0.5) * 3 - 0.5, 9)]);
  });

  test.each([-1, 1] as const)('three landmarks say how it lies, whichever way the eye points (%i)', (side) => {
    const is = { ...pose, side };
    const marks = {
      eye: toPixel(is, ...LANDMARKS.eye),
      bend: toPixel(is, ...LANDMARKS.bend),
      point: toPixel(is, ...LANDMARKS.point),
    };
    const by = poseBy(marks, plan);
    expect(by.side).toBe(side);
    expect(by.scale).toBeCloseTo(21, 6);
    expect(by.tall).toBeCloseTo(1.03, 2);
    const [x, z] = toFly(by, ...toPixel(is, 33, 5));
    expect(x).toBeCloseTo(33, 1);
    expect(z).toBeCloseTo(5, 1);
  });

  test('an outline against the plan: what both cover is neither’s alone', () => {
    const marks = { eye: toPixel(pose, 0, 0), bend: toPixel(pose, 26, 0), point: toPixel(pose, 18.8, -8.8) };
    const box = (low: number, high: number) =>
      (
        [
          [-5, low],
          [60, low],
          [60, high],
          [-5, high],
        ] as const
      ).map(([x, z]) => toPixel(pose, x, z));
    const all = silhouetteOf(box(-20, 20), marks, plan);
    expect(all.areaMm2).toBeCloseTo(65 * 40, -1.5);
    expect(all.onlyPlanMm2).toBe(0);
    expect(all.onlyFlyMm2).toBeCloseTo(all.areaMm2 - all.planMm2, 6);
    // A rectangle’s middle, and how many times as long as deep it is.
    expect(all.seen.centreMm).toEqual([expect.closeTo(27.5, 0), expect.closeTo(0, 0)]);
    expect(all.seen.slender).toBeCloseTo(65 / 40, 1);
    const none = silhouetteOf(box(30, 31), marks, plan);
    expect(none.onlyPlanMm2).toBeCloseTo(none.planMm2, 6);
  });
});

describe('what it is made of', () => {
  const field = (rows: readonly string[]): Field => ({
    width: rows[0]?.length ?? 0,
    height: rows.length,
    at: Float32Array.from(rows.join(''), (letter) => (letter === '#' ? 1 : 0)),
  });

  test('patches touch by edge or corner, the largest first, and know the border', () => {
    const { blobs } = blobsOf(field(['#..##', '.#...', '...#.', '.....']), 1);
    expect(blobs.map(({ area, onBorder }) => [area, onBorder])).toEqual([
      [2, 1],
      [2, 2],
      [1, 0],
    ]);
  });

  test('depth is the way to the nearest that is outside', () => {
    const all = Array.from({ length: 49 }, (_, i) => i % 7 > 0 && i % 7 < 6 && i > 7 && i < 42);
    const depth = depthOf((i) => all[i] === true, 7, 7);
    expect([depth[8], depth[16], depth[24]]).toEqual([1, 2, 3]);
  });

  test('the most within a window is the most of it', () => {
    const values = Float32Array.from({ length: 60 }, (_, i) => (i * 37) % 23);
    const most = mostWithin({ width: 10, height: 6, at: values }, 2);
    for (const i of [0, 9, 34, 59]) {
      const [x, y] = [i % 10, Math.floor(i / 10)];
      const near = [...values].filter((_, k) => Math.abs((k % 10) - x) <= 2 && Math.abs(Math.floor(k / 10) - y) <= 2);
      expect(most[i]).toBe(Math.max(...near));
    }
  });

  test('between pixels a field is read by the four about it', () => {
    const slope: Field = {
      width: 4,
      height: 4,
      at: Float32Array.from({ length: 16 }, (_, i) => (i % 4) + 10 * Math.floor(i / 4)),
    };
    expect(sampled(slope, 1.25, 2.5)).toBeCloseTo(26.25, 5);
    expect(sampled(slope, -3, 0)).toBeCloseTo(0, 1);
  });

  test('small systems are solved, whatever their order of rows', () => {
    const matrix = [Float64Array.of(0, 2, 1), Float64Array.of(1, -1, 0), Float64Array.of(3, 0, 2)];
    const right = [Float64Array.of(7), Float64Array.of(-1), Float64Array.of(9)];
    // x = 1, y = 2, z = 3
    solveSmall(matrix, right).forEach(([value], i) => expect(value).toBeCloseTo(i + 1, 9));
  });

  test('white, grey and black lie on one line of lightness, without colour', () => {
    const data = new Uint8Array([255, 255, 255, 255, 128, 128, 128, 255, 0, 0, 0, 255, 0, 0, 0, 0]);
    const { lightness, a, b } = coloursOf({ width: 4, height: 1, data });
    [1, 0.5999, 0, 1].forEach((each, i) => expect(lightness[i]).toBeCloseTo(each, 3));
    for (const each of [...a, ...b]) expect(each).toBeCloseTo(0, 3);
  });
});
