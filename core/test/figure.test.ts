import { FigureCache } from '../src/drawing/figure/cache.ts';
import { flyFigure } from '../src/drawing/figure/flyFigure.ts';
import { partAt } from '../src/drawing/figure/hit.ts';
import type { PaintOptions } from '../src/drawing/figure/options.ts';
import { paintFly, paintSteps } from '../src/drawing/figure/paint.ts';
import { SvgSurface } from '../src/drawing/figure/surface.ts';
import { FIBRE_STRIDE, type PartFigure } from '../src/drawing/figure/types.ts';
import { depthOf, screenX, screenY, viewOf } from '../src/drawing/figure/view.ts';
import { boundsOf } from '../src/model/geometry/bounds.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import type { Section, Vec3 } from '../src/model/platform/section.ts';
import { body, collar, eyes, laid, partIn, strip, tail, wing } from './build.ts';

describe('the drawing is what was weighed', () => {
  const parts = [
    tail(),
    body(),
    strip({ side: 'bottom', at: 'station 3', boundAt: ['bend'], length: '40 mm' }),
    wing(),
    collar(),
  ];
  test('every fibre lies within the box of the weighed sections', () => {
    const it = laid(parts);
    const box = boundsOf(it.sections, it.platform.landmarksMm.rear);
    for (const part of flyFigure(it).parts) {
      for (let i = 0; i < part.fibres.length; i += FIBRE_STRIDE) {
        const [x, y, z] = [part.fibres[i + 6] ?? 0, part.fibres[i + 7] ?? 0, part.fibres[i + 8] ?? 0];
        expect(x).toBeLessThanOrEqual(box.rear + 0.01);
        expect(Math.abs(y)).toBeLessThanOrEqual(box.aside + 0.6);
        expect(z).toBeLessThanOrEqual(box.top + 0.6);
        expect(z).toBeGreaterThanOrEqual(box.bottom - 0.6);
      }
    }
  });
  test('a clump reaches its tip, and its section falls as its taper says', () => {
    const figure = flyFigure(laid([tail({ length: '30 mm' })])).parts.find((part) => part.id === 'tail');
    const reach: number[] = [];
    for (let i = 0; i < (figure?.fibres.length ?? 0); i += FIBRE_STRIDE)
      reach.push((figure?.fibres[i + 6] ?? 0) - 27.105);
    expect(Math.max(...reach)).toBeGreaterThan(29);
    expect(reach.filter((mm) => mm > 15).length / reach.length).toBeCloseTo(0.5, 1);
  });
  test('the same part draws the same, whatever else is tied; a longer one keeps its fibres', () => {
    const of = (file: readonly Record<string, unknown>[]) =>
      flyFigure(laid(file)).parts.find((part) => part.id === 'tail')?.fibres;
    expect(of([tail()])).toEqual(of([eyes(), tail(), collar()]));
    const [short, long] = [of([tail({ length: '20 mm' })]), of([tail({ length: '22 mm' })])];
    expect(short?.length).toBe(long?.length);
    expect(short?.[10]).toBe(long?.[10]);
  });
  test('of a fly drawn again only what changed is made anew, and looks as if made from nothing', () => {
    const cache = new FigureCache();
    const before = cache.figure(laid([tail(), body(), wing()]));
    const changed = laid([tail({ length: '25 mm' }), body(), wing()]);
    const after = cache.figure(changed);
    const ids = after.parts.filter((part, i) => part !== before.parts[i]).map((part) => part.id);
    expect(ids).toEqual(['tail']);
    expect(after).toEqual(flyFigure(changed));
  });
  test('what moves is laid as hairs, fewer than at rest; a leg that is no hair keeps its breadth', () => {
    const figure = flyFigure(
      laid([
        tail({ id: 'film', material: 'flash', strands: 3, dose: undefined, pinch: undefined }),
        tail({ id: 'legs', material: 'rubber leg', strands: 2, dose: undefined, pinch: undefined }),
        tail(),
      ]),
    );
    const view = viewOf('profile', 400, 200, 10, 'right');
    /** What is filled, and how broad what is stroked is, px. */
    const painted = (share: number) => {
      const surface = new SvgSurface();
      let filled = 0;
      const broad: number[] = [];
      surface.fill = () => void filled++;
      surface.stroke = (_, px) => void broad.push(px);
      const parts = new Set<object>(figure.parts.flatMap((part) => [part, ...part.solids]));
      for (const step of paintSteps(figure, view, { mode: 'dressed', ink: '#000', sheet: '#fff', dark: false }))
        if (parts.has(step.matter)) step.paint(surface, share);
      return { filled, broad };
    };
    const [still, moving] = [painted(1), painted(0.35)];
    expect(still.filled).toBeGreaterThan(0);
    expect(moving.filled).toBe(0);
    const legs = still.broad.filter((px) => px > 3);
    expect(legs).toHaveLength(2);
    expect(moving.broad.filter((px) => px !== 1)).toEqual(legs);
  });
  test('a part whose outline runs otherwise between the same ends is another; the same outline anew is not', () => {
    const cache = new FigureCache();
    const plain = laid([tail(), body()]);
    const before = cache.figure(plain);
    const bodyOf = (figure: typeof before) => figure.parts.find(({ id }) => id === 'body');
    /** The fly with every curve of its body so much larger in the middle of it. */
    const swollen = (by: number): LaidFly => {
      const { startMm, endMm } = partIn(plain, 'body').extent;
      const bump = (x: number): number => 1 + by * Math.max(0, (x - startMm) * (endMm - x));
      const curved = <T extends object>(form: T): T =>
        Object.fromEntries(
          Object.entries(form).map(([key, value]: [string, unknown]) => [
            key,
            typeof value === 'function' ? (x: number) => (value as (x: number) => number)(x) * bump(x) : value,
          ]),
        ) as T;
      const parts = plain.parts.map((part) =>
        part.file.id === 'body' ? { ...part, built: { ...part.built, forms: part.built.forms.map(curved) } } : part,
      );
      return { ...plain, parts };
    };
    expect(bodyOf(cache.figure(swollen(0)))).toBe(bodyOf(before));
    expect(bodyOf(cache.figure(swollen(0.01)))).not.toBe(bodyOf(before));
  });
  test.each(['lines', 'dressed', 'silhouette'] as const)(
    '%s mode paints all three views without a broken number',
    (mode) => {
      const it = laid([...parts, eyes()], {
        thread: { denier: 140 },
        head: 'neat',
        platform: { kind: 'double', size: '4', eye: 'looped-up' },
      });
      const surface = new SvgSurface();
      for (const name of ['profile', 'plan', 'section'] as const)
        paintFly(surface, flyFigure(it), viewOf(name, 400, 200, 9, 'right'), {
          mode,
          ink: '#000000',
          sheet: '#ffffff',
          dark: false,
          sections: it.sections,
          picked: { id: 'tail', colour: '#ffff00' },
        });
      expect(surface.markup()).not.toMatch(/NaN|undefined|Infinity/);
      expect(surface.markup().length).toBeGreaterThan(2000);
    },
  );
  test('a left-handed sheet is the mirror of a right-handed one', () => {
    const [right, left] = (['right', 'left'] as const).map((hand) => viewOf('profile', 0, 0, 1, hand));
    expect(right?.across[0]).toBe(-(left?.across[0] ?? 0));
  });
});

const figureOf = (it: LaidFly, id: string): PartFigure => {
  const found = flyFigure(it).parts.find((part) => part.id === id);
  if (!found) throw new Error(`no figure of ${id}`);
  return found;
};
const tipsOf = (figure: PartFigure): Vec3[] =>
  Array.from(
    { length: figure.fibres.length / FIBRE_STRIDE },
    (_, i) => [6, 7, 8].map((k) => figure.fibres[i * FIBRE_STRIDE + k] ?? 0) as unknown as Vec3,
  );
/** How far out of a section a point lies, as a share of its half-axes; 1 is on its edge. */
function reach(section: Section, [x, y, z]: Vec3): number {
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  section.at(x, cut);
  return Math.hypot((y - cut.y) / cut.semiY, (z - cut.z) / cut.semiZ);
}

describe('fibres end on the section that is weighed', () => {
  test.each([
    ['a tail', tail({ length: '30 mm' }), 'tail'],
    ['a hair wing', wing(), 'wing'],
    ['a collar', collar({ fibre: '9 mm' }), 'collar'],
  ])('%s: none stands out of it, the outermost reach its edge', (_name, part, id) => {
    const it = laid([part]);
    const [section] = partIn(it, id).built.sections;
    if (!section) throw new Error('no section');
    const reaches = tipsOf(figureOf(it, id))
      .filter(([x]) => x > section.fromMm + 1 && x < section.toMm)
      .map((tip) => reach(section, tip));
    expect(Math.max(...reaches)).toBeLessThan(1.02);
    expect(Math.max(...reaches)).toBeGreaterThan(0.97);
  });
  test('chenille fills its envelope and does not leave it', () => {
    const tips = tipsOf(figureOf(laid([body()]), 'body')).map(([, y, z]) => Math.hypot(y, z));
    expect(Math.max(...tips)).toBeLessThanOrEqual(2 + 1e-6);
    expect(Math.max(...tips)).toBeGreaterThan(1.9);
  });
  test('bound butts are drawn along the shank, where they are weighed', () => {
    const it = laid([tail({ buttsTo: 'station 4' })]);
    const ahead = tipsOf(figureOf(it, 'tail')).filter(([x]) => x < 0.45 * it.platform.shankMm);
    expect(ahead.length).toBeGreaterThan(20);
    expect(Math.min(...ahead.map(([x]) => x))).toBeCloseTo(0.4 * it.platform.shankMm, 1);
  });
});

describe('what is counted is drawn in that number', () => {
  const flash = (strands: number): Record<string, unknown> => ({
    id: 'flash',
    role: 'flash',
    construction: 'bundle',
    material: 'flash',
    strands,
    at: 'bend',
    length: '30 mm',
    side: 'both',
  });
  test('film strands, half of them on each side', () => {
    const figure = figureOf(laid([flash(8)]), 'flash');
    expect(figure.solids.map((each) => each.kind)).toEqual(Array<string>(8).fill('strand'));
    expect(figure.solids.filter((each) => each.kind === 'strand' && each.points[0][1] > 0)).toHaveLength(4);
    expect(figure.fibres).toHaveLength(0);
  });
  test('turns of a rib, over the body though it was tied in before it', () => {
    const rib = {
      id: 'rib',
      role: 'rib',
      construction: 'wrap',
      material: 'copper',
      strand: '0.3 mm',
      turns: 5,
      from: 'bend',
      to: 'station 3',
    };
    const { parts } = flyFigure(laid([rib, body()]));
    const layer = (id: string): number => parts.find((part) => part.id === id)?.layer ?? Number.NaN;
    expect(layer('rib')).toBeGreaterThan(layer('body'));
    expect(parts.find((part) => part.id === 'rib')?.solids).toMatchObject([{ kind: 'rib', turns: 5 }]);
  });
  test('one fibre a turn on each side in the lines mode, and the centre fibre of a clump', () => {
    const palmer = {
      id: 'palmer',
      role: 'hackle',
      construction: 'hackle',
      style: 'palmer',
      material: 'saddle',
      fibre: '8 mm',
      turns: 6,
      from: 'bend',
      to: 'station 3',
    };
    expect(figureOf(laid([palmer]), 'palmer').drafted).toHaveLength(24);
    expect(figureOf(laid([tail()]), 'tail').drafted).toMatchObject([{ manner: 'centre' }]);
  });
});

describe('views', () => {
  const point: Vec3 = [10, 2, 3];
  test('profile, plan and front view show the same point on shared lines', () => {
    const [profile, plan, front] = (['profile', 'plan', 'section'] as const).map((name) =>
      viewOf(name, 100, 50, 4, 'left'),
    );
    if (!profile || !plan || !front) throw new Error('no view');
    expect([screenX(profile, point), screenY(profile, point)]).toEqual([140, 38]);
    expect([screenX(plan, point), screenY(plan, point)]).toEqual([140, 58]);
    expect(screenY(front, point)).toBe(38);
  });
  test('the near side is nearer in the profile, the top in the plan, the eye from the front', () => {
    const nearer = (name: 'profile' | 'plan' | 'section', a: Vec3, b: Vec3): boolean =>
      depthOf(viewOf(name, 0, 0, 1, 'right'), a) > depthOf(viewOf(name, 0, 0, 1, 'right'), b);
    expect([
      nearer('profile', [0, 1, 0], [0, -1, 0]),
      nearer('plan', [0, 0, 1], [0, 0, -1]),
      nearer('section', [0, 0, 0], [9, 0, 0]),
    ]).toEqual([true, true, true]);
  });
  test('rolled half a turn a fly stands on its head', () => {
    expect(screenY(viewOf('profile', 0, 0, 1, 'left', Math.PI), point)).toBeCloseTo(3, 9);
  });
});

describe('painting', () => {
  const paint = (parts: readonly Record<string, unknown>[], more: Partial<PaintOptions> = {}): string => {
    const it = laid(parts);
    const surface = new SvgSurface();
    paintFly(surface, flyFigure(it), viewOf('profile', 400, 200, 9, 'right'), {
      mode: 'dressed',
      ink: '#0a0b0c',
      sheet: '#ffffff',
      dark: false,
      sections: it.sections,
      ...more,
    });
    return surface.markup();
  };
  const colours = (markup: string): Set<string> =>
    new Set(markup.match(/(?:fill|stroke)="#[0-9a-f]{6}"/g)?.map((each) => each.slice(-8, -1)));
  test('a silhouette is ink and nothing else', () => {
    expect([...colours(paint([tail(), body(), collar()], { mode: 'silhouette' }))]).toEqual(['#0a0b0c']);
  });
  test('in the dark the ramp of the materials is lightened, never inverted', () => {
    const light = (markup: string): number => {
      const all = [...colours(markup)].map((each) => Number.parseInt(each.slice(1, 3), 16));
      return all.reduce((sum, each) => sum + each, 0) / all.length;
    };
    const parts = [tail({ colour: 'black' }), collar({ colour: 'black' })];
    expect(light(paint(parts, { dark: true }))).toBeGreaterThan(light(paint(parts)) + 20);
  });
  test('fewer fibres are painted while something moves, the same ones among them', () => {
    const fibres = (markup: string): number => markup.match(/M/g)?.length ?? 0;
    const [all, moving] = [fibres(paint([tail()])), fibres(paint([tail()], { share: 0.6 }))];
    expect(moving / all).toBeGreaterThan(0.5);
    expect(moving / all).toBeLessThan(0.85);
  });
  test.each([1, 0.6, 0.35, 0.2])('of a collar a share of %s stands all round the hook, as all of it does', (share) => {
    const it = laid([collar({ turns: 6 })]);
    const tips = { above: 0, below: 0 };
    const surface = new SvgSurface();
    surface.quad = (_bx, _by, _x, y) => {
      if (Math.abs(y - 200) > 20) tips[y < 200 ? 'above' : 'below']++;
    };
    paintFly(surface, flyFigure(it), viewOf('profile', 400, 200, 9, 'right'), {
      mode: 'dressed',
      ink: '#000000',
      sheet: '#ffffff',
      dark: false,
      share,
    });
    expect(tips.above + tips.below).toBeGreaterThan(20 * share);
    expect(tips.above / (tips.above + tips.below)).toBeGreaterThan(0.35);
    expect(tips.above / (tips.above + tips.below)).toBeLessThan(0.65);
  });
  test('weight wire under a body is a hidden line', () => {
    const wire = {
      id: 'weight',
      role: 'underbody',
      construction: 'wrap',
      material: 'lead-free wire',
      strand: '0.5 mm',
      turns: 8,
      from: 'station 4',
    };
    const dashes = (parts: readonly Record<string, unknown>[]): number =>
      paint(parts, { mode: 'lines' }).match(/stroke-dasharray="4 2.5"/g)?.length ?? 0;
    expect([dashes([wire]), dashes([wire, body()])]).toEqual([0, 1]);
  });
});

describe('a press on the sheet', () => {
  const it = laid([eyes(), tail({ length: '30 mm' }), body(), collar({ at: 'eyes.rear' })]);
  const views = [viewOf('profile', 600, 200, 9, 'right'), viewOf('plan', 600, 500, 9, 'right')];
  const press = (x: number, z: number): string | null => partAt(it, views, 600 - 9 * x, 200 - 9 * z);
  test('finds the part there, of several the slenderest', () => {
    expect([press(5.4, 1.3), press(45, 1), press(15, -1.5)]).toEqual(['eyes', 'tail', 'body']);
    expect(press(11, 4)).toBe('collar');
  });
  test('finds nothing on the bare hook or the empty sheet', () => {
    expect([press(29, -4), press(20, 20), press(-8, 0)]).toEqual([null, null, null]);
  });
  test('finds in the plan too', () => {
    expect(partAt(it, views, 600 - 9 * 5.4, 500 + 9 * 2.2)).toBe('eyes');
  });
});
