import { NOMINAL_DRAWERS } from '../src/drawers/tables.ts';
import { inspectFlies } from '../src/inspect/inspect.ts';
import type { LaidFly } from '../src/model/index.ts';
import type { SpecimenFile } from '../src/records/specimen.ts';
import { aspectBy, type AspectTold, eyesSeen, findAspect } from '../src/photo/aspect.ts';
import { contourOf } from '../src/photo/contour.ts';
import type { Picture } from '../src/photo/picture.ts';
import { body, eyes, laid, tail } from './build.ts';

const plan: LaidFly = laid(
  [
    eyes({ material: 'brass', diameter: '4 mm', at: 'eye + 4 mm' }),
    tail({ length: '20 mm' }),
    body({ diameter: '3 mm' }),
  ],
  { platform: { kind: 'single', shank: '26 mm', gap: '9 mm', wire: '0.8 mm' } },
);
/** Where the plan has its eyes: out to either side and over the shank, mm. */
const [, outMm, overMm] = ((): readonly [number, number, number] => {
  const part = plan.parts[0];
  const own = plan.sections.filter(({ owner }) => owner === part?.file.id);
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  return own.reduce<readonly [number, number, number]>(
    (best, section) => {
      section.at((section.fromMm + section.toMm) / 2, cut);
      return cut.y > best[1] ? [4, cut.y, cut.z] : best;
    },
    [4, 0, 0],
  );
})();

type Mm = readonly [number, number];
type Photo = NonNullable<SpecimenFile['photos']>[number];
interface Drawn {
  /** mm: along it from the eye, and to its left. */
  readonly covers: (s: number, t: number) => boolean;
  readonly bendMm: number;
}
const disc =
  ([s, t]: Mm, r: number) =>
  (a: number, b: number) =>
    Math.hypot(a - s, b - t) <= r;

/** From above: a ring, a body, eyes turned about their middle, a tail of two plumes. */
const above = (askewDeg: number, leftTail: number, rightTail: number): Drawn => {
  const rad = (askewDeg * Math.PI) / 180;
  const [left, right] = [1, -1].map((side) =>
    disc([4 - side * outMm * Math.sin(rad), side * outMm * Math.cos(rad)], 2),
  );
  return {
    bendMm: 26,
    covers: (s, t) =>
      (s > -2.4 && s < 26 && Math.abs(t) < (s < 0 ? 0.5 : 1.5)) ||
      left?.(s, t) === true ||
      right?.(s, t) === true ||
      (s >= 26 && t > 0 && t < 1.6 && s < 26 + leftTail) ||
      (s >= 26 && t <= 0 && t > -1.6 && s < 26 + rightTail),
  };
};
/** Into the ring: a head, two eyes over it, one higher by a turn about the shank; the hook below. */
const ahead = (askewDeg: number): Drawn => {
  const rad = (askewDeg * Math.PI) / 180;
  const [left, right] = [1, -1].map((side) => {
    const [s, t] = [-overMm, side * outMm];
    return disc([s * Math.cos(rad) - t * Math.sin(rad), s * Math.sin(rad) + t * Math.cos(rad)], 2);
  });
  return {
    bendMm: 9.8 + 0.4,
    covers: (s, t) =>
      Math.hypot(s, t) < 1.9 ||
      left?.(s, t) === true ||
      right?.(s, t) === true ||
      (Math.abs(t) < 0.4 && s > 0 && s < 10.2),
  };
};

const PX = 10;
/** The outline of what is drawn, and its landmarks, turned in a picture as it comes. */
function outlined({ covers, bendMm }: Drawn, turnDeg: number) {
  const [width, height] = [700, 700];
  const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
  const eye: Mm = [350 - 200 * cos, 350 - 200 * sin];
  const at = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [u, v] = [(x - eye[0]) / PX, (y - eye[1]) / PX];
      // Along it, and to the left of who looks from the bend to the eye.
      if (covers(u * cos + v * sin, v * cos - u * sin)) at[y * width + x] = 1;
    }
  const bend: Mm = [eye[0] + PX * bendMm * cos, eye[1] + PX * bendMm * sin];
  return { field: { width, height, at }, contour: contourOf({ width, height, at }), marks: { eye, bend } };
}
/** With its eyes' middles as they are seen. */
const markedBy = (view: 'top' | 'front', drawn: Drawn, turnDeg: number) => {
  const { field, contour, marks } = outlined(drawn, turnDeg);
  const eyesAt = eyesSeen(field, contour, marks, plan, view);
  return { contour, marks: { ...marks, ...(eyesAt ? { left: eyesAt[0], right: eyesAt[1] } : {}) } };
};
const told = (view: 'top' | 'front', drawn: Drawn, turnDeg: number): AspectTold => {
  const { contour, marks } = markedBy(view, drawn, turnDeg);
  return aspectBy(view, contour, marks, plan);
};

describe('a fly from above', () => {
  test.each([
    [0, 0],
    [8, 40],
    [-5, 200],
  ])('eyes %d° askew are told, however it lies', (askew, turn) => {
    expect(told('top', above(askew, 12, 12), turn).eyes?.askewDeg).toBeCloseTo(askew, 0);
  });

  test('a tail longer and fuller on its left is told left and right', () => {
    const { tips, sides } = told('top', above(0, 15, 12), 110);
    expect(tips?.leftMm).toBeCloseTo(15, 0);
    expect(tips?.rightMm).toBeCloseTo(12, 0);
    const behind = sides.find(({ words }) => words === 'behind the bend');
    expect(Math.abs((behind?.leftMm2 ?? 0) - 15 * 1.6)).toBeLessThan(1);
    expect(Math.abs((behind?.rightMm2 ?? 0) - 12 * 1.6)).toBeLessThan(1);
  });

  test('what makes the breadth by itself by plan is told by itself', () => {
    const { sides } = told('top', above(0, 15, 12), 110);
    const own = sides.find(({ words }) => words === 'tail');
    expect(own?.leftMm).toBeCloseTo(1.6, 0);
    expect(own?.leftMm2).toBeGreaterThan(own?.rightMm2 ?? Infinity);
    // Eyes are told by their middles.
    expect(sides.map(({ words }) => words)).not.toContain('eyes');
  });

  test('eyes are told by how far out the middle of either is', () => {
    const { eyes: found } = told('top', above(0, 12, 12), 0);
    expect(found?.leftMm).toBeCloseTo(outMm, 1);
    expect(found?.rightMm).toBeCloseTo(outMm, 1);
  });
});

describe('a fly from the front', () => {
  test.each([
    [0, 90],
    [10, 90],
    [-7, 75],
  ])('eyes turned %d° about the shank are told', (askew, turn) => {
    const { eyes: found, tips } = told('front', ahead(askew), turn);
    expect(found?.askewDeg).toBeCloseTo(askew, 0);
    expect(tips).toBeNull();
  });

  test('through the fibres of a collar that stands about them', () => {
    const bare = ahead(6);
    const behind: Drawn = {
      ...bare,
      // A strand a tenth of a millimetre broad every six degrees.
      covers: (s, t) => {
        const [far, turn] = [Math.hypot(s, t), (Math.atan2(t, s) * 30) / Math.PI];
        return bare.covers(s, t) || (far < 7 && Math.abs(turn - Math.round(turn)) * (Math.PI / 30) * far < 0.11);
      },
    };
    expect(Math.abs((told('front', behind, 90).eyes?.askewDeg ?? 0) - 6)).toBeLessThan(1.5);
  });

  test('a head as even as it is round', () => {
    const ring = Array.from({ length: 360 }, (_, i): Mm => {
      const r = i < 10 || i > 350 ? 10.2 : 5;
      return [100 + PX * r * Math.sin((i * Math.PI) / 180), 100 + PX * r * Math.cos((i * Math.PI) / 180)];
    });
    const marks = { eye: [100, 100], bend: [100, 202] } as const;
    expect(aspectBy('front', ring, marks, plan).round).toBeCloseTo(1, 2);
    const thin = ring.map(([x, y], i): Mm => (i > 80 && i < 140 ? [100 + (x - 100) / 2, 100 + (y - 100) / 2] : [x, y]));
    expect(aspectBy('front', thin, marks, plan).round).toBeLessThan(0.6);
  });
});

describe('a finished fly with eyes out of square', () => {
  const cameOut = (view: 'top' | 'front', drawn: Drawn, turnDeg: number) => {
    const { contour, marks } = markedBy(view, drawn, turnDeg);
    const photo = { file: 'pictures/a.jpg', view, landmarks: marks, contour } as unknown as Photo;
    const made = inspectFlies(
      plan.file,
      [{ format: 'jobbet.specimen', version: 1, fly: 'Test', number: 1, photos: [photo] }],
      NOMINAL_DRAWERS,
    );
    if (!made.ok) throw new Error(JSON.stringify(made.faults));
    const [report] = made.value.specimens;
    if (!report) throw new Error('nothing told');
    return report;
  };

  test('turned about the shank is weighed so, and leans; it is said what is done about it', () => {
    const [straight, turned] = [cameOut('front', ahead(0), 90), cameOut('front', ahead(10), 90)];
    const lean = ({ asTied }: typeof straight): number => Math.abs(180 - Math.abs(asTied.heel_deg ?? 0));
    expect(lean(straight)).toBeLessThan(1);
    expect(lean(turned)).toBeGreaterThan(3);
    expect(turned.why.join()).toMatch(/turned about the shank by (9|10|11)°, the left one higher/);
    // The cause is told before what it does: much is told of a fly on its side, and the rest is cut off.
    const { why } = cameOut('front', ahead(20), 90);
    expect(why.findIndex((each) => each.includes('turned about'))).toBeLessThan(
      why.findIndex((each) => each.startsWith('leans')),
    );
    expect(straight.why.join()).not.toContain('turned');
  });

  test('askew on the shank is said, and weighs no other', () => {
    const report = cameOut('top', above(8, 12, 12), 0);
    expect(report.why.join()).toContain('askew on the shank by 8°, the left one ahead');
    expect(report.views[0]?.tips).toMatchObject({ left_mm: expect.closeTo(12, 0) as number });
  });
});

describe('its landmarks come by themselves', () => {
  /** What is drawn, by half as many pixels, dark on a light ground. */
  function picture(drawn: Drawn, turnDeg: number): { readonly picture: Picture; readonly eye: Mm; readonly bend: Mm } {
    const { field, marks } = outlined(drawn, turnDeg);
    const size = 350;
    const data = new Uint8ClampedArray(4 * size * size);
    for (let y = 0; y < size; y++)
      for (let x = 0; x < size; x++) {
        const tone = (field.at[2 * y * field.width + 2 * x] as number) > 0 ? 50 : 226;
        data.set([tone, tone, tone, 255], 4 * (y * size + x));
      }
    return {
      picture: { width: size, height: size, data },
      eye: [marks.eye[0] / 2, marks.eye[1] / 2],
      bend: [marks.bend[0] / 2, marks.bend[1] / 2],
    };
  }
  const off = ([x, y]: Mm, [a, b]: Mm): number => Math.hypot(x - a, y - b) / (PX / 2);

  test('from above with the eye where the eyes are, the hook along the fly', () => {
    const { picture: shot, eye, bend } = picture(above(0, 20, 20), 205);
    const found = findAspect(shot, plan, 'top');
    if (!found.ok) throw new Error(JSON.stringify(found.faults));
    // Within a twentieth of the shank: what it is scaled by is the whole fly.
    expect(off(found.value.landmarks.eye, eye)).toBeLessThan(1.3);
    expect(off(found.value.landmarks.bend, bend)).toBeLessThan(1.3);
  });

  test('from the front on the line along which it is even, the ring over the bend', () => {
    const { picture: shot, eye, bend } = picture(ahead(0), 80);
    const found = findAspect(shot, plan, 'front');
    if (!found.ok) throw new Error(JSON.stringify(found.faults));
    expect(off(found.value.landmarks.eye, eye)).toBeLessThan(2.5);
    expect(off(found.value.landmarks.bend, bend)).toBeLessThan(2.5);
  });

  test('an empty ground is refused', () => {
    const blank = { covers: () => false, bendMm: 26 };
    expect(findAspect(picture(blank, 0).picture, plan, 'top').ok).toBe(false);
  });
});
