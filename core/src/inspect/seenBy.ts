import type { Askew, LaidFly } from '../model/index.ts';
import { aspectBy, type AspectView, shapesBy, silhouetteOf } from '../photo/index.ts';
import type { SpecimenFile } from '../records/index.ts';

type Photos = SpecimenFile['photos'];

/** A fly's profile by a photograph from its side, against its plan's. */
export interface SilhouetteReport {
  readonly area_mm2: number;
  readonly plan_mm2: number;
  readonly only_plan_mm2: number;
  readonly only_fly_mm2: number;
  /** The middle of what is seen, mm aft of the eye and over the shank, and by plan. */
  readonly centre_mm: readonly [x: number, z: number];
  readonly plan_centre_mm: readonly [x: number, z: number];
  /** How many times as long it is as deep on average, and by plan. */
  readonly slenderness: number;
  readonly plan_slenderness: number;
  /** The gap that is left, and by plan; null where it is covered. */
  readonly gap_mm: number | null;
  readonly plan_gap_mm: number | null;
  /** How thick the body is where it stands bare, by station, and by plan. */
  readonly depths: readonly { readonly station: number; readonly mm: number; readonly plan_mm: number }[];
  /** How far hackles stand off the shank, and by plan. */
  readonly angles: readonly { readonly part: string; readonly deg: number; readonly plan_deg: number }[];
}

/** What a photograph from above or from the front tells: left as one looks along the shank to the eye, or into the ring. */
export interface ViewReport {
  readonly view: AspectView;
  readonly sides: readonly {
    readonly words: string;
    readonly left_mm2: number;
    readonly right_mm2: number;
    readonly left_mm: number;
    readonly right_mm: number;
  }[];
  /** How far the tips reach behind the bend; null from the front. */
  readonly tips: { readonly left_mm: number; readonly right_mm: number } | null;
  /** How far out the eyes stand, and how far from square to the hook; null where they are not told. */
  readonly eyes: { readonly left_mm: number; readonly right_mm: number; readonly askew_deg: number } | null;
  /** The thinnest twelfth round the ring to the fullest; null from above. */
  readonly round: number | null;
}

const round = (value: number): number => Math.round(value * 1e4) / 1e4;

/** What its photograph from the side tells of a fly; null where none was measured. */
export function silhouetteReport(photos: Photos = [], laid: LaidFly): SilhouetteReport | null {
  const photo = photos.find(({ view, contour, landmarks }) => view === 'side' && contour && landmarks);
  if (!photo?.contour || !photo.landmarks) return null;
  const { areaMm2, planMm2, onlyPlanMm2, onlyFlyMm2, seen, plan } = silhouetteOf(photo.contour, photo.landmarks, laid);
  const { gap, depths, angles } = shapesBy(photo.contour, photo.landmarks, laid, photo.mmPerPx);
  return {
    area_mm2: round(areaMm2),
    plan_mm2: round(planMm2),
    only_plan_mm2: round(onlyPlanMm2),
    only_fly_mm2: round(onlyFlyMm2),
    centre_mm: [round(seen.centreMm[0]), round(seen.centreMm[1])],
    plan_centre_mm: [round(plan.centreMm[0]), round(plan.centreMm[1])],
    slenderness: round(seen.slender),
    plan_slenderness: round(plan.slender),
    gap_mm: gap && round(gap.mm),
    plan_gap_mm: gap && round(gap.planMm),
    depths: depths.map(({ station, mm, planMm }) => ({ station, mm: round(mm), plan_mm: round(planMm) })),
    angles: angles.map(({ part, deg, planDeg }) => ({ part, deg: round(deg), plan_deg: round(planDeg) })),
  };
}

/** What its photographs from above and from the front tell of a fly. */
export const viewReports = (photos: Photos = [], laid: LaidFly): readonly ViewReport[] =>
  photos.flatMap(({ view, contour, landmarks }) =>
    view === 'side' || !contour || !landmarks ? [] : [viewReport(view, contour, landmarks, laid)],
  );

/** What one outline from above or from the front tells. */
export function viewReport(view: AspectView, ...[contour, marks, laid]: Tail<Parameters<typeof aspectBy>>): ViewReport {
  const { sides, tips, eyes, round: even } = aspectBy(view, contour, marks, laid);
  return {
    view,
    sides: sides.map(({ words, leftMm2, rightMm2, leftMm, rightMm }) => ({
      words,
      left_mm2: round(leftMm2),
      right_mm2: round(rightMm2),
      left_mm: round(leftMm),
      right_mm: round(rightMm),
    })),
    tips: tips && { left_mm: round(tips.leftMm), right_mm: round(tips.rightMm) },
    eyes: eyes && { left_mm: round(eyes.leftMm), right_mm: round(eyes.rightMm), askew_deg: round(eyes.askewDeg) },
    round: even === null ? null : round(even),
  };
}
type Tail<T extends readonly unknown[]> = T extends readonly [unknown, ...infer Rest] ? Rest : never;

/** Less is within what a photograph taken by hand tells, degrees. */
const SQUARE_DEG = 3;
const isAskew = ({ eyes }: ViewReport): boolean => eyes !== null && Math.abs(eyes.askew_deg) > SQUARE_DEG;

/** Eyes that are turned about the shank, as a photograph from the front tells: the fly is weighed so. */
export function askewBy(views: readonly ViewReport[], laid: LaidFly): ReadonlyMap<string, Askew> {
  const front = views.find((each) => each.view === 'front' && isAskew(each));
  const part = laid.parts.find(({ built }) => built.ball?.sided === true);
  // Into the ring the near side is on the left: the left one higher is a roll toward it.
  return new Map(front?.eyes && part ? [[part.file.id, { rollDeg: front.eyes.askew_deg, split: 0 }]] : []);
}

/** Eyes that are not square to the hook, in words, with what is done about it. */
export const askewWords = (views: readonly ViewReport[]): readonly string[] =>
  views.filter(isAskew).map(({ view, eyes }) => {
    const deg = Math.round(eyes?.askew_deg ?? 0);
    const how = view === 'front' ? 'turned about the shank' : 'askew on the shank';
    const which = view === 'front' ? 'higher' : 'ahead';
    return `the eyes are ${how} by ${String(Math.abs(deg))}°, the ${deg > 0 ? 'left' : 'right'} one ${which}: square them before the cement sets`;
  });
