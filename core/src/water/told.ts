import type { Ride } from '../model/index.ts';
import type { Stretch } from './current.ts';
import type { Fishing, Moment, Track } from './fish.ts';

/** What one run of a fly through water comes to. mm, mm/s, s, degrees. */
export interface WaterTold {
  readonly depth: {
    readonly lowestMm: number;
    readonly lowestAtS: number;
    readonly meanMm: number;
    readonly inBottomQuarterS: number;
    /** Within a hand of the bed. */
    readonly nearBedS: number;
    readonly atWantedS: number | null;
  };
  readonly bed: {
    readonly contactS: number;
    readonly pointDownS: number;
    readonly risk: Risk;
    readonly touches: readonly Touch[];
  };
  readonly capsizes: readonly { readonly t: number; readonly forS: number; readonly side: 'left' | 'right' }[];
  readonly pauses: readonly { readonly t: number; readonly noseDownDeg: number; readonly tips: boolean }[];
  /** How long it rides as it is meant, of the time it is fished. */
  readonly asMeantS: number | null;
  readonly fishedS: number;
  /** Least and most, a tenth of the time off either end, of its speed through the water. */
  readonly swims: readonly [number, number];
  /** When it first comes to the wanted depth; null where it never does, or none is wanted. */
  readonly countS: number | null;
  readonly swing: {
    readonly sweepS: number | null;
    readonly acrossMmS: number;
    readonly downstreamAtEnd: boolean;
  } | null;
  /** A second fly on the leader: how deep, and how long it touches the bed; null where there is none. */
  readonly dropper: { readonly lowestMm: number; readonly meanMm: number; readonly contactS: number } | null;
  readonly settled: boolean;
}

export type Risk = 'none' | 'low' | 'some' | 'high';

/** A time it lies on the bed. */
export interface Touch {
  readonly t: number;
  readonly forS: number;
  /** Whether its point is down: that is a snag, a touch with the point up is none. */
  readonly pointDown: boolean;
  /** What touches: a part by its id, or `platform`. */
  readonly what: string;
}

/** A depth is as wanted within so much of it. Judgement. */
export const NEAR_WANTED = 0.15;
export const isNearWanted = (mm: number, wantMm: number): boolean => Math.abs(mm - wantMm) <= NEAR_WANTED * wantMm;
/** A hand, mm. */
const HAND_MM = 100;
/** Nose-down by more than this within a pause it tips. */
const TIPS_DEG = 30;
/** It hangs downstream when it is so far off straight down from the rod, degrees. */
const HUNG_DEG = 20;

/** What is over sooner is no more than a touch, or the fly's fall on the water, s. */
const BRIEF_S = 0.25;

/** Runs of moments that are alike, each with when it begins and how long it goes on. */
function runsOf<T>(
  moments: readonly Moment[],
  of: (moment: Moment) => T | null,
): { readonly t: number; readonly forS: number; readonly of: T; readonly first: Moment }[] {
  const runs: { t: number; forS: number; of: T; first: Moment }[] = [];
  moments.forEach((moment, i) => {
    const is = of(moment);
    if (is === null) return;
    const [last, before] = [runs.at(-1), moments[i - 1]];
    const long = (moments[i + 1]?.t ?? moment.t) - moment.t;
    if (last && before && of(before) === is) last.forS += long;
    else runs.push({ t: moment.t, forS: long, of: is, first: moment });
  });
  return runs;
}

const sumOf = (moments: readonly Moment[], of: (moment: Moment) => boolean): number =>
  moments.reduce((sum, moment, i) => sum + (of(moment) ? (moments[i + 1]?.t ?? moment.t) - moment.t : 0), 0);

/** Times on the bed; what comes off it for less than a moment lies there still. */
function touchesOf(moments: readonly Moment[]): Touch[] {
  const touches: Touch[] = [];
  for (const { t, forS, of, first } of runsOf(moments, ({ touches: on, ride }) => (on ? ride !== 'point-up' : null))) {
    const last = touches.at(-1);
    if (last && last.pointDown === of && t - last.t - last.forS < BRIEF_S)
      touches[touches.length - 1] = { ...last, forS: t + forS - last.t };
    else touches.push({ t, forS, pointDown: of, what: first.lowest });
  }
  return touches;
}

const riskOf = (pointDownS: number, fishedS: number): Risk => {
  const share = fishedS > 0 ? pointDownS / fishedS : 0;
  return share === 0 ? 'none' : share < 0.02 ? 'low' : share < 0.1 ? 'some' : 'high';
};

/** A share of values in order. */
const shareOf = (values: readonly number[], share: number): number =>
  [...values].sort((one, other) => one - other)[Math.round(share * (values.length - 1))] ?? 0;

function pausesOf(moments: readonly Moment[]): WaterTold['pauses'] {
  const pauses = runsOf(moments, ({ pulled }) => !pulled || null).filter(({ t }) =>
    moments.some((each) => each.pulled && each.t < t),
  );
  return pauses.map(({ t, forS }) => {
    const within = moments.filter((each) => each.t >= t && each.t <= t + forS);
    const noseDownDeg = Math.max(...within.map((each) => each.noseDownDeg));
    return { t, noseDownDeg, tips: noseDownDeg > TIPS_DEG };
  });
}

function swingOf(moments: readonly Moment[]): WaterTold['swing'] {
  const off = ({ fly: [x, y] }: Moment): number => (Math.atan2(Math.abs(y), x) * 180) / Math.PI;
  const hung = moments.find((each) => off(each) < HUNG_DEG);
  const [first, last] = [moments[0], hung ?? moments.at(-1)];
  if (!first || !last || last.t <= first.t) return null;
  return {
    sweepS: hung?.t ?? null,
    acrossMmS: Math.abs(last.fly[1] - first.fly[1]) / (last.t - first.t),
    downstreamAtEnd: hung !== undefined,
  };
}

function dropperOf(fished: readonly Moment[]): WaterTold['dropper'] {
  const deep = fished.flatMap(({ dropper }) => (dropper ? [-dropper.at[2]] : []));
  if (deep.length === 0) return null;
  return {
    lowestMm: Math.max(...deep),
    meanMm: deep.reduce((sum, mm) => sum + mm, 0) / deep.length,
    contactS: sumOf(fished, ({ dropper }) => dropper?.touches === true),
  };
}

/** What a run tells. @param wantMm the depth it is to be fished at, null where none is wanted */
export function tellRun(
  { moments, settled }: Track,
  { depthMm }: Stretch,
  { manner, countS }: Fishing,
  { wantMm, meant }: { readonly wantMm: number | null; readonly meant: Ride | null },
): WaterTold {
  const deep = ({ fly }: Moment): number => -fly[2];
  const fished = moments.filter(({ t }) => t >= (manner === 'swing' || manner === 'strip' ? countS : 0));
  const lowest = moments.reduce((best, each) => (deep(each) > deep(best) ? each : best), moments[0] as Moment);
  const fishedS = (fished.at(-1)?.t ?? 0) - (fished[0]?.t ?? 0);
  const touches = touchesOf(moments);
  const through = fished.map((each) => each.through);
  const pointDownS = touches.filter(({ pointDown }) => pointDown).reduce((sum, { forS }) => sum + forS, 0);
  return {
    depth: {
      lowestMm: deep(lowest),
      lowestAtS: lowest.t,
      meanMm: fished.reduce((sum, each) => sum + deep(each), 0) / Math.max(1, fished.length),
      inBottomQuarterS: sumOf(moments, (each) => deep(each) > 0.75 * depthMm),
      nearBedS: sumOf(moments, (each) => deep(each) > depthMm - HAND_MM),
      atWantedS: wantMm === null ? null : sumOf(moments, (each) => isNearWanted(deep(each), wantMm)),
    },
    bed: {
      contactS: touches.reduce((sum, { forS }) => sum + forS, 0),
      pointDownS,
      risk: riskOf(pointDownS, fishedS),
      touches,
    },
    capsizes: runsOf(moments, (each) => (each.over ? each.side : null))
      .filter(({ forS }) => forS > BRIEF_S)
      .map(({ t, forS, of }) => ({
        t,
        forS,
        side: of,
      })),
    pauses: manner === 'strip' ? pausesOf(fished) : [],
    asMeantS: meant === null ? null : sumOf(fished, ({ ride }) => ride === meant),
    fishedS,
    swims: [shareOf(through, 0.1), shareOf(through, 0.9)],
    countS: wantMm === null ? null : (moments.find((each) => deep(each) >= wantMm)?.t ?? null),
    swing: manner === 'swing' ? swingOf(moments) : null,
    dropper: dropperOf(fished),
    settled,
  };
}
