import { type BalanceModel, type LaidFly, type LaidPart, slackRest } from '../model/index.ts';
import type { SpecimenFile } from '../records/index.ts';
import type { Interval } from './statistics.ts';
import { expectedBy, heavierModel, openMg } from './weighed.ts';

type Fall = NonNullable<SpecimenFile['jar']>['falls'][number];
export type Fell = NonNullable<Fall['rest']>;

/** Which way up a fly falls is told so rightly, share of the falls; else it is either of the two others. */
const TOLD_RIGHTLY = 0.9;
/** How far off the height of eyes over the shank is, mm, one standard deviation: a wrap more or less under them. Judgement. */
const HEIGHT_MM = 0.25;
/** By what share the drag of a fly that never fell in a jar is off, one standard deviation; and of one that did. Judgement. */
const DRAG_OFF = { reckoned: 0.2, measured: 0.06 } as const;
/** A ride with a smaller chance than this was not to be expected. */
const LITTLE = 0.1;
/** So many standard deviations apart, what the ride asks for and what is known of the eyes fight. */
const FIGHT = 2;
/** Masses and heights that are tried, over so many standard deviations either way. */
const TRIED = { masses: 81, massSigmas: 4, heights: 7, heightSigmas: 2.5 } as const;
/** Over a stretch of more masses than this the ride is looked at between its ends too. */
const STRETCH = 20;

/** What the way up in which a fly falls says of its eyes. */
export interface EyesByRide {
  readonly part: string;
  /** The chance the model gave to what was seen, before. */
  readonly chance: number;
  /** What they weigh by the smallest change of mass and height that explains it, mg, 19 times in 20 between; and what was taken for them. */
  readonly mass_mg: number;
  readonly was_mg: number;
  readonly interval: Interval;
  /** How much further from the shank they sit with it, mm. */
  readonly higher_mm: number;
  /** Whether what was known of them would hardly have it. */
  readonly fights: boolean;
}

/** How long falls took against what the model says. */
export interface TimedFalls {
  readonly meanS: number;
  readonly predictedS: number;
  /** How far off the mean is, as a share of it, one standard deviation. */
  readonly off: number;
}

/** Which way up each fall went, of those that say so. */
export const fellIn = (falls: readonly Fall[]): readonly Fell[] =>
  falls.flatMap(({ fell, rest }) => fell ?? rest ?? []);

/** The eyes a fly rides by: what is heaviest of all that sits on one side of the shank. */
function eyesOf(laid: LaidFly): LaidPart | null {
  const id = laid.tipping?.part;
  return laid.parts.find(({ file }) => file.id === id) ?? null;
}

const ratioLog = (value: number, mean: number, sigma: number): number => -((value - mean) ** 2) / (2 * sigma * sigma);

/** One way the eyes may be, and how well it explains everything, as a logarithm. */
interface Way {
  readonly byMg: number;
  readonly byMm: number;
  readonly known: number;
  readonly seen: number;
}

type Ride = ReturnType<typeof slackRest>['ride'];

/** The log of the chance that so many falls are told as they were, where the fly falls this way up; one that falls no way in particular falls in any. */
const toldLog = (fell: readonly Fell[], ride: Ride): number =>
  fell.reduce(
    (sum, each) => sum + Math.log(ride === 'undecided' ? 1 / 3 : each === ride ? TOLD_RIGHTLY : (1 - TOLD_RIGHTLY) / 2),
    0,
  );

/** Rides over masses that rise: where both ends of a stretch ride alike all of it is taken to. */
function ridesOver(count: number, rideAt: (index: number) => Ride): readonly Ride[] {
  const rides = new Map<number, Ride>();
  const at = (index: number): Ride => {
    const known = rides.get(index) ?? rideAt(index);
    rides.set(index, known);
    return known;
  };
  const fill = (from: number, to: number): void => {
    if (to - from < 2) return;
    const middle = (from + to) >> 1;
    if (to - from > STRETCH || at(from) !== at(to)) {
      at(middle);
      fill(from, middle);
      fill(middle, to);
    } else for (let i = from + 1; i < to; i++) rides.set(i, at(from));
  };
  at(0);
  at(count - 1);
  fill(0, count - 1);
  return Array.from({ length: count }, (_, i) => at(i));
}

/** The log of how well times are explained where the fly is so much heavier: its drag is left open as far as nobody measured it. */
function timeLog(laid: LaidFly, timed: TimedFalls | null, waterMg: number, byMg: number): number {
  if (!timed || waterMg <= 0 || waterMg + byMg <= 0) return 0;
  const drag = 2 * Math.log(timed.meanS / timed.predictedS);
  const sigma = Math.hypot(
    2 * timed.off,
    laid.file.measured?.dragFactor === undefined ? DRAG_OFF.reckoned : DRAG_OFF.measured,
  );
  return ratioLog(drag, -Math.log((waterMg + byMg) / waterMg), sigma);
}

/** Every way the eyes may be, against what is known of them and what was seen. */
function waysOf(
  laid: LaidFly,
  eyes: LaidPart,
  { fell, timed, dryMg }: Seen,
  model: BalanceModel,
): { readonly ways: readonly Way[]; readonly sigmaMg: number } {
  const sigmaMg = openMg(laid, eyes.file.id, dryMg !== null);
  const waterMg = model.weights.reduce((sum, { submergedMg }) => sum + submergedMg, 0);
  const outward = Math.sign(eyes.centroid[2]) || 1;
  const steps = (count: number, sigmas: number): number[] =>
    Array.from({ length: count }, (_, i) => sigmas * ((2 * i) / (count - 1) - 1));
  const least = expectedBy(laid, eyes, dryMg).leastMg;
  const ownMg = eyes.submergedMg + expectedBy(laid, eyes, dryMg).byMg;
  const [x, y, z] = eyes.centroid;
  const masses = steps(TRIED.masses, TRIED.massSigmas).filter((ofMass) => ofMass * sigmaMg >= least);
  const times = masses.map((ofMass) => timeLog(laid, timed, waterMg, ofMass * sigmaMg));
  const ways = steps(TRIED.heights, TRIED.heightSigmas).flatMap((ofHeight) => {
    const byMm = ofHeight * HEIGHT_MM;
    const rides = ridesOver(masses.length, (i) => {
      // The same eyes gone from where they sat, and there again heavier and further out.
      const moved = [
        { submergedMg: -ownMg, at: eyes.centroid },
        { submergedMg: ownMg + (masses[i] ?? 0) * sigmaMg, at: [x, y, z + outward * byMm] as const },
      ];
      return slackRest({ ...model, weights: [...model.weights, ...moved] }).ride;
    });
    return masses.map((ofMass, i): Way => ({
      byMg: ofMass * sigmaMg,
      byMm,
      known: ratioLog(ofMass, 0, 1) + ratioLog(ofHeight, 0, 1) + (times[i] ?? 0),
      seen: toldLog(fell, rides[i] ?? 'undecided'),
    }));
  });
  return { ways, sigmaMg };
}

/** By how much something is more, between which it lies 19 times in 20. */
function between(ways: readonly (readonly [value: number, weight: number])[]): Interval {
  const all = ways.reduce((sum, [, weight]) => sum + weight, 0);
  const sorted = [...ways].sort(([a], [b]) => a - b);
  const at = (share: number): number => {
    let sum = 0;
    for (const [value, weight] of sorted) {
      sum += weight;
      if (sum >= share * all) return value;
    }
    return sorted.at(-1)?.[0] ?? 0;
  };
  return [at(0.025), at(0.975)];
}

interface Seen {
  readonly fell: readonly Fell[];
  readonly timed: TimedFalls | null;
  readonly dryMg: number | null;
}

/**
 * What the way up in which a fly fell says of the mass of its eyes and how high they sit: the smallest change of both that explains it, its
 * times in the jar and its weight, each weighed with how far off it may be.
 * @returns null where nothing sits on one side of the shank, or no fall says which way up
 */
export function eyesByRide(laid: LaidFly, seen: Seen): EyesByRide | null {
  const eyes = eyesOf(laid);
  if (!eyes || seen.fell.length === 0) return null;
  const { byMg: before } = expectedBy(laid, eyes, seen.dryMg);
  const model = heavierModel(laid, seen.dryMg);
  const { ways, sigmaMg } = waysOf(laid, eyes, seen, model);
  const best = ways.reduce((one, other) => (other.known + other.seen > one.known + one.seen ? other : one));
  const top = best.known + best.seen;
  const all = ways.reduce((sum, { known }) => sum + Math.exp(known), 0);
  const told = ways.reduce((sum, { known, seen: log }) => sum + Math.exp(known + log), 0);
  const rightly = TOLD_RIGHTLY ** seen.fell.length;
  const [low, high] = between(ways.map(({ byMg, known, seen: log }) => [byMg, Math.exp(known + log - top)] as const));
  const halfStep = (TRIED.massSigmas * sigmaMg) / (TRIED.masses - 1);
  const was = eyes.massMg + before;
  return {
    part: eyes.file.id,
    chance: Math.min(1, told / all / rightly),
    mass_mg: was + best.byMg,
    was_mg: was,
    // Each mass that was tried stands for all to half way to the next.
    interval: [was + low - halfStep, was + high + halfStep],
    higher_mm: best.byMm,
    fights: Math.abs(best.byMg) > FIGHT * sigmaMg,
  };
}

/** The same where what was seen was hardly to be expected, so that the eyes are other than was taken for them; else null. */
export function newsOf(laid: LaidFly, seen: Seen): EyesByRide | null {
  const eyes = eyesByRide(laid, seen);
  return eyes && eyes.chance < LITTLE ? eyes : null;
}
