import { tipGrip } from '../src/edit/grips.ts';
import { laid, partIn } from './build.ts';

const crest = (more: Record<string, unknown>) =>
  partIn(
    laid([
      {
        id: 'crest',
        construction: 'feather',
        form: 'single',
        at: 'bend',
        length: '20 mm',
        lie: 'along-back',
        angle: '0 deg',
        ...more,
      },
    ]),
    'crest',
  );
const straight = (role: string) => crest({ role, material: 'flank feather', width: '3 mm' });
const curved = (role: string) => crest({ role, material: 'crest feather', width: '3 mm' });
const cutAt = ({ built }: ReturnType<typeof crest>, x: number) => {
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  built.sections.find(({ fromMm, toMm }) => x >= fromMm && x <= toMm)?.at(x, cut);
  return cut;
};

describe('a crest feather bends off the straight by a quarter of its length, as a parabola', () => {
  test.each([
    // A tail rises: 20 mm × 0.25 at its tip, a quarter of that half way.
    ['tail', 1],
    // What lies over the wing bends back down on it.
    ['overwing', -1],
  ])('%s', (role, way) => {
    const { startMm } = curved(role).extent;
    const off = (mm: number): number => cutAt(curved(role), startMm + mm).z - cutAt(straight(role), startMm + mm).z;
    expect(off(20)).toBeCloseTo(5 * way, 6);
    expect(off(10)).toBeCloseTo(1.25 * way, 6);
    expect(off(0)).toBeCloseTo(0, 6);
  });
  test('what is weighed lies where it is drawn, and its grip at its tip', () => {
    expect(curved('tail').massMg).toBeCloseTo(straight('tail').massMg, 9);
    // The leaf weighs most before the middle: t² over its breadth, by the same 48 slices as the mass.
    const breadth = (t: number): number =>
      t < 0.35 ? 0.3 + 0.7 * Math.sin((Math.PI / 2) * (t / 0.35)) : Math.cos((Math.PI / 2) * ((t - 0.35) / 0.65));
    const places = Array.from({ length: 48 }, (_, i) => (i + 0.5) / 48);
    const mean =
      places.reduce((sum, t) => sum + breadth(t) * t ** 2, 0) / places.reduce((sum, t) => sum + breadth(t), 0);
    const blade = (part: ReturnType<typeof crest>) => part.built.lumps[0]?.centroid[2] ?? Number.NaN;
    expect(blade(curved('tail')) - blade(straight('tail'))).toBeCloseTo(5 * mean, 6);
    const [up, level] = [tipGrip(curved('tail')), tipGrip(straight('tail'))];
    expect((up?.at[2] ?? Number.NaN) - (level?.at[2] ?? Number.NaN)).toBeCloseTo(5, 6);
  });
  test('on a side of the head it does not bend up or down', () => {
    const cheek = crest({ role: 'cheek', material: 'crest feather', width: '3 mm', side: 'both', lie: 'sides' });
    const flat = crest({ role: 'cheek', material: 'flank feather', width: '3 mm', side: 'both', lie: 'sides' });
    const x = cheek.extent.startMm + 15;
    expect(cutAt(cheek, x).z).toBeCloseTo(cutAt(flat, x).z, 9);
  });
});
