import { COATS, HEAD_WIRES, THREAD } from '../src/data/index.ts';
import { noseDownAngle } from '../src/model/balance/trim.ts';
import { taperOf } from '../src/tying/ways/taper.ts';
import { laid, tail } from './build.ts';

const THREADED = { thread: { denier: 140 }, head: 'neat' } as const;
/** What a fly has more of on its thread than without. */
const threadMg = (more: Record<string, unknown>): number =>
  laid([tail()], more).thread.lumps.reduce((sum, lump) => sum + lump.massMg, 0);

describe('a wound head', () => {
  const fly = laid([tail()], THREADED);
  const { headMm } = fly;
  const { platform } = fly;
  const [half, tall] = [headMm / 4, platform.headMm(HEAD_WIRES.neat) / 2];
  const core = platform.windMm / 2 + THREAD.bedMm;
  /** Where the outline of the head meets what it is wound on: its half length there. */
  const end = half * Math.sqrt(1 - (core / tall) ** 2);
  test('is a barrel of thread over the shank, in the middle of the head space', () => {
    // ∫π(r² − c²)dx over ±e with r² = h²(1 − (x/a)²): 2πe(h² − c² − h²e²/(3a²)).
    const volume = 2 * Math.PI * end * (tall ** 2 - core ** 2 - (tall ** 2 * end ** 2) / (3 * half ** 2));
    const bare = threadMg({ thread: { denier: 140 } });
    expect(threadMg(THREADED) - bare).toBeCloseTo(volume * THREAD.solid * THREAD.density, 1);
    expect(fly.thread.headMm?.[0]).toBeCloseTo(headMm / 2 - end, 9);
    expect(fly.thread.headMm?.[1]).toBeCloseTo(headMm / 2 + end, 9);
  });
  test('each coat of its finish lies on its skin; one over the head as a part is weighed there instead', () => {
    // With the slope of the rounded ends: 2π∫r√(1 + r′²)dx over ±e, by a fine sum.
    let skin = 0;
    for (let i = 0; i < 2000; i++) {
      const x = -end + ((i + 0.5) * 2 * end) / 2000;
      const r = tall * Math.sqrt(1 - (x / half) ** 2);
      skin += (2 * Math.PI * r * Math.hypot(1, (tall ** 2 * x) / (half ** 2 * r)) * 2 * end) / 2000;
    }
    const { thicknessMm, density } = COATS.varnish;
    const coated = (...coats: string[]): number => threadMg({ ...THREADED, finish: { coats } });
    expect((coated('varnish') - threadMg(THREADED)) / (skin * thicknessMm * density)).toBeCloseTo(1, 1);
    expect(coated('varnish', 'varnish') - threadMg(THREADED)).toBeCloseTo(
      2 * (coated('varnish') - threadMg(THREADED)),
      9,
    );
    const part = { id: 'gloss', role: 'finish', construction: 'coat', material: 'varnish', over: 'head' };
    const both = laid([tail(), part], { ...THREADED, finish: { coats: ['varnish'] } });
    expect(both.thread.lumps.reduce((sum, lump) => sum + lump.massMg, 0)).toBeCloseTo(threadMg(THREADED), 9);
    const elsewhere = laid([tail(), { ...part, over: 'tail' }], { ...THREADED, finish: { coats: ['varnish'] } });
    expect(elsewhere.thread.lumps.reduce((sum, lump) => sum + lump.massMg, 0)).toBeCloseTo(coated('varnish'), 9);
    expect((both.parts[1]?.massMg ?? 0) / (skin * thicknessMm * density)).toBeCloseTo(1, 1);
  });
  test('without a thread, or as thin as what it is wound on, there is none', () => {
    expect(laid([tail()], { thread: { denier: 140 } }).thread.headMm).toBeNull();
  });
});

describe('the angle a fly hangs at on a slack line', () => {
  test.each([
    // On a point plate: (|Δx|)·cos φ = Δz·sin φ, so tan φ = Δx/Δz.
    [3, 3, 0, 45],
    [1, Math.sqrt(3), 0, 30],
    [-3, 3, 0, -45],
    // Nothing holds it up: it falls on its nose.
    [3, 0, 0, 90],
    // Weight under the middle of its plan: level.
    [0, 2, 10, 0],
    // Δz = 0: level with |Δx| = 0.3·L·(1 − cos φ), so cos φ = 1 − 3/(0.3·20) = 0.5.
    [3, 0, 20, 60],
    [-3, 0, 20, -60],
    // What lies above counts as nothing.
    [3, -5, 20, 60],
  ])('Δx %d, Δz %d, plate %d: %d°', (dx, dz, plate, deg) => {
    expect(noseDownAngle(dx, dz, plate)).toBeCloseTo(deg, 1);
  });
});

test.each([
  [3, 3, 3, 'level'],
  [2.95, 3, 2.95, 'level'],
  [2, 3, 2, 'cigar'],
  [2, 3, 2.95, 'own'],
  [2, 2.5, 3, 'carrot'],
  [3, 2.5, 2, 'own'],
  [2, 1, 3, 'own'],
  [2, 3, 3, 'own'],
])('a body of %d, %d, %d mm from the rear is %s', (rear, middle, front, name) => {
  expect(taperOf(rear, middle, front)).toBe(name);
});
