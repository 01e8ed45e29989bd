import { tyingPlan } from '../src/tying/steps.ts';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { settleFly } from '../src/model/solve/solveFly.ts';
import { flyFigure } from '../src/drawing/figure/flyFigure.ts';
import { body, faultsOf, laid, partIn, sheet } from './build.ts';

type Loose = Record<string, unknown>;

const thorax = body({ from: 'station 5', to: 'head' });
const fly = (more: Loose = {}): LaidFly => laid([thorax, sheet(more)]);
const foldMm3 = partIn(fly(), 'case').volumeMm3;
/** Volume of the pads alone: the case is 5 mm wide and 1 mm thick. */
const padMm3 = (more: Loose): number => partIn(fly(more), 'case').volumeMm3 - foldMm3;
const overStep = (more: Loose): string =>
  tyingPlan(fly(more))
    .steps.find(({ part, title }) => part === 'case' && title.includes('folded'))
    ?.how.join(' ') ?? '';

describe('wing pads', () => {
  test('are so much more of the case: straight, to a round, or with a V out of the middle, by hand', () => {
    expect(padMm3({ pads: '6 mm' })).toBeCloseTo(5 * 6, 9);
    // A rectangle, then half an ellipse of semi-axes 2.5 and 2.5.
    expect(padMm3({ pads: '6 mm', padCut: 'round' })).toBeCloseTo(5 * 3.5 + (Math.PI / 2) * 2.5 * 2.5, 9);
    // Less a triangle 5 wide and 2.5 deep.
    expect(padMm3({ pads: '6 mm', padCut: 'notched' })).toBeCloseTo(5 * 6 - (5 * 2.5) / 2, 9);
  });
  test('shorter than half their width are cut along all their length', () => {
    expect(padMm3({ pads: '2 mm', padCut: 'round' })).toBeCloseTo((Math.PI / 2) * 2.5 * 2, 9);
    expect(padMm3({ pads: '2 mm', padCut: 'notched' })).toBeCloseTo(5 * 2 - (5 * 2) / 2, 9);
  });
  test('lie back over the fold from its front, or on behind it where it was tied in in front', () => {
    const [bare, over, behind] = [{}, { pads: '3 mm' }, { pads: '3 mm', first: 'front' }].map((more) => fly(more));
    const reach = (each: LaidFly | undefined): number =>
      Math.max(...(each?.sections ?? []).filter(({ owner }) => owner === 'case').map(({ toMm }) => toMm));
    const endMm = bare ? partIn(bare, 'case').extent.endMm : Number.NaN;
    expect(reach(over)).toBeCloseTo(endMm, 9);
    expect(reach(behind)).toBeCloseTo(endMm + 3, 9);
    const high = (each: LaidFly | undefined): number => (each ? settleFly(each).silhouette.sideMm2 : 0);
    expect(high(over)).toBeGreaterThan(high(bare));
  });
  test('are drawn as broad as they are weighed: the area of their ribbons is that of the cut', () => {
    for (const padCut of ['square', 'round', 'notched']) {
      const ribbons = flyFigure(fly({ pads: '6 mm', padCut }))
        .parts.filter(({ id }) => id === 'case')
        .flatMap(({ solids }) => solids)
        .flatMap((solid) => (solid.kind === 'ribbon' ? [solid] : []));
      const area = ribbons
        .map(({ points, widths }) =>
          points.slice(1).reduce((sum, to, i) => {
            const mean = ((widths[i] ?? Number.NaN) + (widths[i + 1] ?? Number.NaN)) / 2;
            return sum + mean * (to[0] - (points[i]?.[0] ?? Number.NaN));
          }, 0),
        )
        .reduce((sum, each) => sum + each, 0);
      expect(Math.abs(area - partIn(fly({ pads: '6 mm', padCut }), 'case').volumeMm3) / area).toBeLessThan(0.01);
    }
  });
  test('are told where the case is folded, and need that much more of it', () => {
    expect(overStep({})).toContain('Trim what is left over');
    const round = overStep({ pads: '6 mm', padCut: 'round' });
    expect(round).toContain('Lay what is left back over the fold');
    expect(round).toContain('cut it to a round, 6 mm long');
    expect(round).not.toContain('Trim what is left over');
    expect(overStep({ pads: '6 mm', first: 'front' })).toContain(
      'lying to the rear and cut it straight across, 6 mm long',
    );
    const cut = (more: Loose): number =>
      tyingPlan(fly(more)).steps.find(({ part, cutMm }) => part === 'case' && cutMm !== null)?.cutMm ?? Number.NaN;
    expect(cut({ pads: '6 mm' }) - cut({})).toBeCloseTo(6, 9);
  });
  test('belong to a single fold: not to a doubled one, nor to a lip, and no cut without them', () => {
    expect(faultsOf([sheet({ pads: '3 mm', doubled: true })])).toEqual([expect.stringContaining('parts[0].pads')]);
    expect(faultsOf([sheet({ pads: '3 mm', from: 'eye - 4 mm', to: 'head' })])).toEqual([
      expect.stringContaining('parts[0].pads'),
    ]);
    expect(faultsOf([sheet({ padCut: 'round' })])).toEqual([expect.stringContaining('parts[0].padCut')]);
  });
});
