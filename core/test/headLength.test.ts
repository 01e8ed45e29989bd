import type { LaidFly } from '../src/model/index.ts';
import { headIn } from '../src/photo/head.ts';
import { beyondOutline, lengthsBy, shapesBy } from '../src/photo/outline.ts';
import type { Colours } from '../src/photo/picture.ts';
import { type Pose, toFly, toPixel } from '../src/photo/pose.ts';
import { outlineOf } from '../src/photo/shapes.ts';
import { body, laid, tail } from './build.ts';

const HOOK = { platform: { kind: 'single', shank: '26 mm', gap: '9 mm', wire: '0.8 mm' } };
const plan: LaidFly = laid([tail({ length: '18 mm' }), body({ diameter: '2.4 mm', to: 'head' })], {
  ...HOOK,
  thread: { denier: 70, colour: 'black' },
  head: 'neat',
});
const POSE: Pose = { tx: 90, ty: 120, turn: 0.3, scale: 16, tall: 1, side: 1 };
const EXACT = { scale: 1, share: 0, eyeMm: 0.02 };

/** A picture in which the strip along the shank is of one lightness to so many mm, and of another behind. */
function picture(headMm: number, [head, behind]: readonly [number, number], grain = 0.01): Colours {
  const [width, height] = [260, 220];
  const lightness = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [mm] = toFly(POSE, x, y);
      const noise = grain * Math.sin(12.9898 * x + 78.233 * y);
      lightness[y * width + x] = (mm < headMm ? head : behind) + noise;
    }
  return {
    width,
    height,
    shrunk: 1,
    lightness,
    a: new Float32Array(width * height),
    b: new Float32Array(width * height),
  };
}

describe('the length of a head, by where its colour ends', () => {
  test.each([0.8, 1, 1.5, 1.9])('%f times as planned', (times) => {
    const is = times * plan.headMm;
    const found = headIn(picture(is, [0.2, 0.6]), POSE, plan, EXACT);
    expect(Math.abs((found?.mm ?? 0) - is)).toBeLessThan(0.1);
    expect(found?.spreadMm).toBeLessThan(0.08 * is);
  });

  test('is not told where head and dressing are of one colour, or the ring is not seen', () => {
    expect(headIn(picture(2, [0.3, 0.33]), POSE, plan, EXACT)).toBeNull();
    expect(headIn(picture(2, [0.3, 0.5], 0.3), POSE, plan, EXACT)).toBeNull();
    expect(headIn(picture(plan.headMm, [0.2, 0.6]), POSE, plan, { ...EXACT, eyeMm: Infinity })).toBeNull();
  });

  test('nor on a fly without one', () => {
    const bare = laid([body()], { ...HOOK, head: undefined });
    expect(headIn(picture(2, [0.2, 0.6]), POSE, bare, EXACT)).toBeNull();
  });
});

describe('a scale that a ruler tells', () => {
  const outline = outlineOf(plan).map(([x, z]) => toPixel(POSE, x, z));
  const marks = { eye: toPixel(POSE, 0, 0), bend: toPixel(POSE, plan.platform.shankMm, 0) };
  const lengthOf = (mmPerPx?: number): number =>
    lengthsBy(outline, marks, plan, { mmPerPx }).find(({ measure }) => measure === 'tail')?.mm ?? Number.NaN;

  test('makes lengths as much longer as its millimetres are, and its own scale changes nothing', () => {
    expect(lengthOf(1 / POSE.scale)).toBeCloseTo(lengthOf(), 6);
    expect(lengthOf(1.1 / POSE.scale) / lengthOf()).toBeCloseTo(1.1, 6);
    const [same, larger] = [undefined, 1.1 / POSE.scale].map((mm) => shapesBy(outline, marks, plan, mm).depths[0]?.mm);
    expect((larger ?? 0) / (same ?? 1)).toBeCloseTo(1.1, 6);
  });

  test('what was found beyond the outline stays with it, and what was not sure enough stays away', () => {
    const byOutline = lengthsBy(outline, marks, plan);
    const found = byOutline.filter(({ measure }) => measure === 'tail').map((each) => ({ ...each, mm: each.mm + 2.5 }));
    const told = lengthsBy(outline, marks, plan, { beyond: beyondOutline(found, byOutline) });
    expect(told.map(({ measure }) => measure)).toEqual(['tail']);
    expect(told[0]?.mm).toBeCloseTo(lengthOf() + 2.5, 6);
  });
});
