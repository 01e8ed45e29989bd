import { eyesByRide, fellIn } from '../src/inspect/fallen.ts';
import { jarReport } from '../src/inspect/jar.ts';
import { openMg } from '../src/inspect/weighed.ts';
import { balanceModel, slackRest } from '../src/model/index.ts';
import { type Timed, timeDown } from '../src/model/solve/fall.ts';
import { normalOf } from '../src/numeric/index.ts';
import type { SpecimenFile } from '../src/records/specimen.ts';
import { body, eyes, laid, tail } from './build.ts';

/** Flies dropped into a jar, of which everything is known beforehand. */

export type JarFile = NonNullable<SpecimenFile['jar']>;
type Laid = ReturnType<typeof laid>;

export const DEPTH_MM = 700;
export const TIMED: Timed = { depthMm: DEPTH_MM, aboveMm: 80, widthMm: 150 };
export const jarOf = (times: readonly number[], more: object = {}): JarFile => ({
  width: '150 mm',
  depth: `${String(DEPTH_MM)} mm`,
  startAbove: '80 mm',
  falls: times.map((time) => ({ time: `${time.toFixed(2)} s` })),
  ...more,
});

/** Times a stopwatch tells of a fly, each end pressed 0.07 s early or late. */
export const pressed = (seed: number, count: number, of: Laid): number[] => {
  const time = timeDown(of, TIMED) ?? Number.NaN;
  return Array.from({ length: count }, (_, i) => time + 0.07 * (normalOf(seed, i, 0) - normalOf(seed, i, 1)));
};

export const parts = [eyes({ mass: '0.4 g' }), tail({ length: '0.8 shank', at: 'bend' }), body({})];
export const plan = laid(parts);
export const withDrag = (dragFactor: number): Laid => laid(parts, { measured: { dragFactor } });

/** Eyes nobody weighed. */
export const BARE = [
  eyes({ material: 'brass', diameter: '4 mm' }),
  tail({ length: '0.8 shank', at: 'bend' }),
  body({}),
];
export const reckoned = laid(BARE);
/** The same fly with eyes of so much. */
const really = (massMg: number): Laid =>
  laid([eyes({ material: 'brass', diameter: '4 mm', mass: `${(massMg / 1000).toFixed(5)} g` }), ...BARE.slice(1)]);

const RIDES = ['point-up', 'point-down', 'on-its-side'] as const;
/** What a jar shows of a fly; where it falls no way in particular, now one and now another. */
export const fallsOf = (of: Laid, seed: number, times: readonly number[]): JarFile['falls'] => {
  const { ride } = slackRest(balanceModel(of));
  return times.map((time, i) => ({
    time: `${time.toFixed(3)} s`,
    fell: ride === 'undecided' ? (RIDES[(seed + i) % 3] ?? 'point-up') : ride,
  }));
};

const PLANTED = 1.35;

/** In how many of so many seeds a planted drag lies within what the jar says of it. */
export function dragsCaught(seeds: number): number {
  const of = withDrag(PLANTED);
  return Array.from({ length: seeds }, (_, seed) => {
    const { interval } = jarReport(plan, null, jarOf(pressed(seed, 6, of)));
    return interval !== null && interval[0] <= PLANTED && PLANTED <= interval[1];
  }).filter(Boolean).length;
}

/** In how many of so many seeds planted eyes lie within what the way up it falls, and its times, say of them. */
export function eyesCaught(seeds: number): number {
  const own = reckoned.parts[0];
  if (!own) throw new Error('no eyes');
  const sigma = openMg(reckoned, own.file.id, false);
  const predictedS = timeDown(reckoned, TIMED) ?? Number.NaN;
  return Array.from({ length: seeds }, (_, seed) => {
    const is = own.massMg + sigma * normalOf(seed, 7, 0);
    const time = timeDown(reckoned, { ...TIMED, heavierMg: is - own.massMg }) ?? Number.NaN;
    // A drag of its own, and each end pressed early or late.
    const meanS = time * Math.exp(0.1 * normalOf(seed, 8, 0)) + 0.04 * normalOf(seed, 9, 0);
    const found = eyesByRide(reckoned, {
      fell: fellIn(fallsOf(really(is), seed, [1, 2, 3, 4, 5, 6])),
      timed: { meanS, predictedS, off: 0.04 / meanS },
      dryMg: null,
    });
    return found !== null && found.interval[0] <= is && is <= found.interval[1];
  }).filter(Boolean).length;
}
