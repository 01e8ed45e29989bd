import type { LaidFly } from '../src/model/index.ts';
import { outlineOf, type ShapeFound, shapesOf } from '../src/photo/shapes.ts';
import { body, eyes, laid } from './build.ts';

const HOOK = { platform: { kind: 'single', shank: '26 mm', gap: '9 mm', wire: '0.8 mm' } };
interface Came {
  readonly fibre?: string;
  readonly throat?: string;
  readonly thick?: string;
  readonly eyes?: string;
  readonly at?: string;
}
/** A fly with a hackle behind its eyes and a throat under it, as it is meant or as it came out. */
const made = (came: Came = {}): LaidFly =>
  laid(
    [
      eyes({ material: 'brass', diameter: came.eyes ?? '4 mm', at: came.at ?? 'eye + 3 mm' }),
      body({ diameter: came.thick ?? '3 mm' }),
      {
        id: 'hackle',
        role: 'hackle',
        construction: 'hackle',
        material: 'rooster hackle',
        at: 'eye + 7 mm',
        turns: 3,
        fibre: came.fibre ?? '9 mm',
      },
    ],
    HOOK,
  );
const bearded = (came: Came = {}): LaidFly =>
  laid(
    [
      body({ diameter: '2.4 mm' }),
      {
        id: 'throat',
        role: 'throat',
        construction: 'bundle',
        material: 'bucktail',
        pinch: '1.5 mm',
        at: 'eye + 4 mm',
        side: 'bottom',
        length: came.throat ?? '12 mm',
      },
    ],
    HOOK,
  );

const plan = made();
const seen = (came: Came): ShapeFound => shapesOf(outlineOf(made(came)), plan);
const told = ({ lengths }: ShapeFound, measure: string): number =>
  lengths.find((each) => each.measure === measure)?.mm ?? Number.NaN;

describe('what an outline tells beside its tips', () => {
  test('a fly as it was meant measures as it was meant', () => {
    const { gap, depths, lengths } = seen({});
    expect(gap?.mm).toBeCloseTo(gap?.planMm ?? 0, 9);
    expect(depths.length).toBeGreaterThan(2);
    for (const { mm, planMm } of depths) expect(mm).toBeCloseTo(planMm, 9);
    expect(Object.fromEntries(lengths.map(({ measure, mm }) => [measure, Math.round(mm * 10) / 10]))).toMatchObject({
      'eyes.diameter': 4,
      'hackle.fibre': 9,
    });
  });

  test.each([['8 mm'], ['10.2 mm']])('fibres of a hackle of %s', (fibre) => {
    expect(told(seen({ fibre }), 'hackle.fibre')).toBeCloseTo(Number.parseFloat(fibre), 0);
    expect(seen({ fibre }).angles[0]?.planDeg).toBeGreaterThan(30);
  });

  test.each([['3.5 mm'], ['4.4 mm']])('eyes of %s, and where they sit', (diameter) => {
    const shape = seen({ eyes: diameter, at: 'eye + 3.4 mm' });
    expect(Math.abs(told(shape, 'eyes.diameter') - Number.parseFloat(diameter))).toBeLessThan(0.15);
    expect(Math.abs(told(shape, 'eyes.at') - told(seen({}), 'eyes.at') - 0.4)).toBeLessThan(0.15);
  });

  test('a thicker body by its stations, and the gap it leaves', () => {
    const { depths, gap } = seen({ thick: '4 mm' });
    for (const { mm, planMm } of depths) expect(Math.abs(mm - planMm - 1)).toBeLessThan(0.2);
    expect((gap?.planMm ?? 0) - (gap?.mm ?? 0)).toBeCloseTo(0.5, 1);
  });

  test('a throat by how far it reaches', () => {
    const shape = shapesOf(outlineOf(bearded({ throat: '10.5 mm' })), bearded());
    expect(Math.abs(told(shape, 'throat') - 10.5)).toBeLessThan(0.5);
  });

  test('where something lies over the point no gap is told', () => {
    const ring = [
      [-5, -20],
      [50, -20],
      [50, 20],
      [-5, 20],
    ] as const;
    const shape = shapesOf(ring, plan);
    expect([shape.gap, shape.lengths]).toEqual([null, []]);
  });
});
