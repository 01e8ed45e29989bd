import {
  normalDeg,
  rideOf,
  toDeg,
  type Ride,
  UNDECIDED_MM,
  sideHold,
  restAndSink,
  type LaidFly,
  balanceModel,
} from '../../model/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import { normalOf } from '../../numeric/index.ts';
import { layDeviant } from './deviant.ts';
import { caresOf, type Care, type Spread } from './spreads.ts';
import { ANSWERS, changeOf, surfaceOf, type Surface } from './surface.ts';

export const FLIES = 10_000;
export const SOLVED = 200;

/** What one care would do away with: misses of the meant ride, and shares of the scatter of heel, righting moment and weight. */
export interface CareOf extends Care {
  /** Share of flies that would ride as meant if this always came out as meant. */
  readonly meantWithout: number;
  readonly heel: number;
  readonly firmness: number;
  readonly weight: number;
}

/** How ten thousand flies of one plan come out by weights and moments. */
export interface Reckoned {
  readonly flies: number;
  /** The ride that is meant; null where neither the fly nor its intent says. */
  readonly meant: Ride | null;
  readonly asMeant: number;
  readonly rides: Readonly<Record<Ride | 'undecided', number>>;
  /** Heel of the upright that heels are told from, degrees: the one the fly as planned is nearest to. */
  readonly uprightDeg: 0 | 180;
  /** Heel off that upright, degrees, for those that have one. */
  readonly heelsDeg: Float32Array;
  /** What to be careful about, the most telling first. */
  readonly cares: readonly CareOf[];
}

/** A few of them laid and solved wholly. Speeds mm/s; null holds in any current. */
export interface Solved {
  readonly flies: number;
  readonly holdsMmS: readonly (number | null)[];
  readonly sinkMmS: readonly number[];
  /** What the plan itself comes to; null where no current rolls it, or it floats. */
  readonly plan: { readonly holdsMmS: number | null; readonly sinkMmS: number | null };
  /** Share of them that ride as meant on a slack line too. */
  readonly slackAsMeant: number;
  /** Largest gap between a keel moment as reckoned and as laid, as a share of the scatter of keel moments. */
  readonly offBy: number;
  /** Flies that could not be laid so far off; they are left out. */
  readonly untied: number;
}

export type ScatterStep = { readonly share: number } | { readonly reckoned: Reckoned };

interface Draws {
  /** Standard deviations off, by fly and spread. */
  readonly z: Float32Array;
  /** The answers of every fly. */
  readonly answers: Float64Array;
}

const rowOf = (z: Float32Array, i: number, wide: number): Float32Array => z.subarray(i * wide, (i + 1) * wide);

function draw(surface: Surface, spreads: readonly Spread[], seed: number): Draws {
  const wide = spreads.length;
  const z = new Float32Array(FLIES * wide);
  const answers = new Float64Array(FLIES * ANSWERS);
  for (let i = 0; i < FLIES; i++) {
    for (let k = 0; k < wide; k++) z[i * wide + k] = normalOf(seed, i, k);
    const row = rowOf(z, i, wide);
    for (let a = 0; a < ANSWERS; a++)
      answers[i * ANSWERS + a] = (surface.middle[a] ?? 0) + changeOf(surface, row, a, () => true);
  }
  return { z, answers };
}

const EACH_RIDE = { 'point-down': 0, 'point-up': 0, 'on-its-side': 0, undecided: 0 } as const;

/** Rides, heels and the second moments of heel, righting moment and weight of a set of answers. */
function tally(answers: Float64Array, laid: LaidFly, meant: Ride | null, uprightDeg: number) {
  const { pointUp } = laid.platform;
  const rides = { ...EACH_RIDE } as Record<Ride | 'undecided', number>;
  const heels: number[] = [];
  const [heel, firmness, weight] = [new Moments(), new Moments(), new Moments()];
  for (let i = 0; i < FLIES; i++) {
    const [k, ky, w, size] = [0, 1, 2, 3].map((a) => answers[i * ANSWERS + a] ?? 0) as [number, number, number, number];
    const righting = Math.hypot(k, ky);
    firmness.add(righting);
    weight.add(w);
    if (righting < UNDECIDED_MM * size) {
      rides.undecided++;
      continue;
    }
    const deg = toDeg(Math.atan2(-ky, -k));
    rides[rideOf(deg, pointUp)]++;
    const off = normalDeg(deg - uprightDeg);
    heels.push(off);
    heel.add(off);
  }
  return {
    rides,
    heels,
    asMeant: meant === null ? 0 : rides[meant] / FLIES,
    heel: heel.variance,
    firmness: firmness.variance,
    weight: weight.variance,
  };
}

/** Mean and variance of a stream of numbers (Welford 1962). */
class Moments {
  private count = 0;
  private mean = 0;
  private square = 0;
  add(value: number): void {
    const off = value - this.mean;
    this.mean += off / ++this.count;
    this.square += off * (value - this.mean);
  }
  get variance(): number {
    return this.count > 1 ? this.square / (this.count - 1) : 0;
  }
}

/** The answers as they would be if some spreads were nothing. */
function without(surface: Surface, { z, answers }: Draws, wide: number, gone: ReadonlySet<number>): Float64Array {
  const out = new Float64Array(answers);
  for (let i = 0; i < FLIES; i++) {
    const row = rowOf(z, i, wide);
    for (let a = 0; a < ANSWERS; a++) {
      let less = 0;
      for (const k of gone) {
        const off = row[k] ?? 0;
        less += off * ((surface.straight[k]?.[a] ?? 0) + off * (surface.curved[k]?.[a] ?? 0));
      }
      for (const { i: one, j: other, of } of surface.cross)
        if (gone.has(one) || gone.has(other)) less += (row[one] ?? 0) * (row[other] ?? 0) * (of[a] ?? 0);
      out[i * ANSWERS + a] = (answers[i * ANSWERS + a] ?? 0) - less;
    }
  }
  return out;
}

/** Share of a variance that goes. */
const goes = (whole: number, left: number): number => (whole <= 0 ? 0 : Math.max(0, 1 - left / whole));

function meantRide(laid: LaidFly): Ride | null {
  const wished = laid.file.intent?.ride;
  if (wished !== undefined) return wished;
  return laid.tight.ride === 'undecided' ? null : laid.tight.ride;
}

function uprightOf(laid: LaidFly, meant: Ride | null): 0 | 180 {
  const { heelDeg } = laid.tight;
  if (heelDeg !== null) return Math.abs(heelDeg) > 90 ? 180 : 0;
  return (meant === 'point-up') === laid.platform.pointUp ? 0 : 180;
}

/** By how much fewer miss the ride; where hardly any do, by what they bring to the heel. */
const byWeightOf =
  (asMeant: number) =>
  (a: CareOf, b: CareOf): number => {
    const [missA, missB] = [a.meantWithout - asMeant, b.meantWithout - asMeant];
    return Math.abs(missA - missB) > TELLING ? missB - missA : b.heel - a.heel;
  };

/** A share of the flies that is more than chance. */
const TELLING = 0.005;
const NOTABLE_OFF = 1e-9;

/**
 * Ties ten thousand flies that are each a little off the plan, by closed forms of their weights and moments; then lays and solves a
 * few of them. What varies is a normal distribution cut at three standard deviations.
 * @param seed the same seed gives the same flies
 * @param solved how many are solved wholly
 * @returns a generator that yields how much is done, then what was reckoned, then how much is solved; and returns what was solved
 */
export function* scatterOf(
  laid: LaidFly,
  drawers: Drawers,
  spreads: readonly Spread[],
  seed: number,
  solved = SOLVED,
): Generator<ScatterStep, Solved> {
  const laying = surfaceOf(laid, drawers, spreads);
  let surface: Surface | null = null;
  while (surface === null) {
    const step = laying.next();
    if (step.done === true) surface = step.value;
    else yield { share: 0.5 * step.value };
  }
  const draws = draw(surface, spreads, seed);
  yield { share: 0.6 };
  const meant = meantRide(laid);
  const uprightDeg = uprightOf(laid, meant);
  const all = tally(draws.answers, laid, meant, uprightDeg);
  const cares: CareOf[] = [];
  const asked = caresOf(spreads);
  for (const care of asked) {
    const left = tally(without(surface, draws, spreads.length, new Set(care.spreads)), laid, meant, uprightDeg);
    cares.push({
      ...care,
      meantWithout: left.asMeant,
      heel: goes(all.heel, left.heel),
      firmness: goes(all.firmness, left.firmness),
      weight: goes(all.weight, left.weight),
    });
    yield { share: 0.6 + (0.4 * cares.length) / asked.length };
  }
  yield {
    reckoned: {
      flies: FLIES,
      meant,
      asMeant: all.asMeant,
      rides: all.rides,
      uprightDeg,
      heelsDeg: Float32Array.from(all.heels),
      cares: cares.sort(byWeightOf(all.asMeant)),
    },
  };
  return yield* solveSome(laid, drawers, spreads, draws, meant, solved);
}

function* solveSome(
  laid: LaidFly,
  drawers: Drawers,
  spreads: readonly Spread[],
  { z, answers }: Draws,
  meant: Ride | null,
  solved: number,
): Generator<ScatterStep, Solved> {
  const wide = spreads.length;
  const holdsMmS: (number | null)[] = [];
  const sinkMmS: number[] = [];
  const keel = new Moments();
  let [slackMeant, worst, untied] = [0, 0, 0];
  for (let i = 0; i < solved; i++) {
    const row = rowOf(z, i, wide);
    const fly = layDeviant(
      laid,
      drawers,
      spreads.map(({ part, kind, sigma }, k) => ({ part, kind, off: sigma * (row[k] ?? 0) })),
    );
    yield { share: (i + 1) / solved };
    if (!fly.ok) {
      untied++;
      continue;
    }
    const model = balanceModel(fly.value);
    holdsMmS.push(sideHold(model, fly.value.tight).holdsTo);
    const { slack, sink } = restAndSink(model);
    sinkMmS.push(sink?.terminal ?? 0);
    if (slack.ride === meant) slackMeant++;
    keel.add(fly.value.tight.momentMgMm);
    worst = Math.max(worst, Math.abs(fly.value.tight.momentMgMm - (answers[i * ANSWERS] ?? 0)));
  }
  const flies = holdsMmS.length;
  const own = balanceModel(laid);
  const plan = { holdsMmS: sideHold(own, laid.tight).holdsTo, sinkMmS: restAndSink(own).sink?.terminal ?? null };
  return {
    flies,
    holdsMmS,
    sinkMmS,
    plan,
    slackAsMeant: flies === 0 ? 0 : slackMeant / flies,
    offBy: worst / Math.max(NOTABLE_OFF, Math.sqrt(keel.variance)),
    untied,
  };
}
