import type { WaterAnswer, HangsOn, WaterRun } from './ask.ts';

const round = (value: number, places = 1): number => Math.round(value * 10 ** places) / 10 ** places;
const orNone = (value: number | null, places = 1): number | null => (value === null ? null : round(value, places));

/** What a fly does in the water, under the keys the command line promises. mm, s, mg, degrees. */
export interface WaterReport {
  readonly run: {
    readonly t_s: readonly number[];
    readonly fly_mm: readonly (readonly [number, number, number])[];
    readonly pitch_deg: readonly number[];
    readonly heel_deg: readonly number[];
    readonly tension_mg: readonly number[];
    readonly touches: readonly boolean[];
    readonly through_mm_s: readonly number[];
    readonly ground_mm_s: readonly number[];
  };
  readonly depth: {
    readonly lowest_mm: number;
    /** In water that runs 15 % slower and faster. */
    readonly lowest_range_mm: readonly [number, number];
    readonly mean_mm: number;
    readonly inBottomQuarter_s: number;
    readonly nearBed_s: number;
    readonly atWanted_s: number | null;
  };
  readonly pauses: readonly { readonly t_s: number; readonly noseDown_deg: number; readonly tips: boolean }[];
  readonly capsizes: readonly { readonly t_s: number; readonly for_s: number; readonly side: string }[];
  readonly bed: {
    readonly contact_s: number;
    readonly pointDown_s: number;
    readonly risk: string;
    readonly touches: readonly {
      readonly t_s: number;
      readonly for_s: number;
      readonly pointDown: boolean;
      readonly what: string;
    }[];
  };
  readonly countdown_s: number | null;
  readonly asMeant_s: number | null;
  readonly fished_s: number;
  readonly swims_mm_s: readonly [number, number];
  readonly swing: {
    readonly sweep_s: number | null;
    readonly speedAcross_mm_s: number;
    readonly downstreamAtEnd: boolean;
  } | null;
  /** What a tenth more of each does to the greatest depth, mm; of the temperature, three degrees. */
  readonly hangsOn: HangsOn | null;
  /** A second fly on the leader; null where there is none. */
  readonly dropper: { readonly lowest_mm: number; readonly mean_mm: number; readonly contact_s: number } | null;
  readonly settled: boolean;
  readonly words: readonly string[];
}

const runOf = ({ track: { moments } }: WaterRun): WaterReport['run'] => ({
  t_s: moments.map(({ t }) => round(t, 3)),
  fly_mm: moments.map(({ fly: [x, y, z] }) => [round(x), round(y), round(z)] as const),
  pitch_deg: moments.map(({ noseDownDeg }) => round(noseDownDeg)),
  heel_deg: moments.map(({ heelDeg }) => round(heelDeg)),
  tension_mg: moments.map(({ pullMg }) => round(pullMg)),
  touches: moments.map(({ touches }) => touches),
  through_mm_s: moments.map(({ through }) => round(through)),
  ground_mm_s: moments.map(({ ground }) => round(ground)),
});

/** @param words what is said of it, in a sentence each */
export function reportWater(answer: WaterAnswer, hangs: HangsOn | null, words: readonly string[]): WaterReport {
  const { told } = answer;
  const { depth, bed, swing } = told;
  const range = [answer.faster, answer.slower, answer].map((each) => each.told.depth.lowestMm);
  return {
    run: runOf(answer),
    depth: {
      lowest_mm: round(depth.lowestMm),
      lowest_range_mm: [round(Math.min(...range)), round(Math.max(...range))],
      mean_mm: round(depth.meanMm),
      inBottomQuarter_s: round(depth.inBottomQuarterS),
      nearBed_s: round(depth.nearBedS),
      atWanted_s: orNone(depth.atWantedS),
    },
    pauses: told.pauses.map(({ t, noseDownDeg, tips }) => ({ t_s: round(t), noseDown_deg: round(noseDownDeg), tips })),
    capsizes: told.capsizes.map(({ t, forS, side }) => ({ t_s: round(t), for_s: round(forS), side })),
    bed: {
      contact_s: round(bed.contactS),
      pointDown_s: round(bed.pointDownS),
      risk: bed.risk,
      touches: bed.touches.map(({ t, forS, pointDown, what }) => ({
        t_s: round(t),
        for_s: round(forS),
        pointDown,
        what,
      })),
    },
    countdown_s: orNone(told.countS),
    asMeant_s: orNone(told.asMeantS),
    fished_s: round(told.fishedS),
    swims_mm_s: [round(told.swims[0]), round(told.swims[1])],
    swing: swing && {
      sweep_s: orNone(swing.sweepS),
      speedAcross_mm_s: round(swing.acrossMmS),
      downstreamAtEnd: swing.downstreamAtEnd,
    },
    hangsOn: hangs && (Object.fromEntries(Object.entries(hangs).map(([input, mm]) => [input, round(mm)])) as HangsOn),
    dropper: told.dropper && {
      lowest_mm: round(told.dropper.lowestMm),
      mean_mm: round(told.dropper.meanMm),
      contact_s: round(told.dropper.contactS),
    },
    settled: told.settled,
    words,
  };
}
