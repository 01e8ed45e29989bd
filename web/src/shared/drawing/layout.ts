import { type LaidFly, boundsOf, type Bounds } from '@jobbet/core/model';
import { viewOf, type Hand, type View } from '@jobbet/core/drawing';

export interface Zoom {
  readonly factor: number;
  readonly dx: number;
  readonly dy: number;
}
export const NO_ZOOM: Zoom = { factor: 1, dx: 0, dy: 0 };

/** Where the three views lie on the sheet, px. */
export interface PlanLayout {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
  readonly dir: 1 | -1;
  readonly bounds: Bounds;
  readonly profile: View;
  readonly plan: View;
  /** The view from the front; null while it is folded away, which leaves the fly its room. */
  readonly section: View | null;
  readonly ladderY: number;
  readonly stationY: number;
  readonly ruleY: number;
}

const LADDER = 108;
const BETWEEN = 64;
const FOOT = 46;
const SIDES = 22;
const GAP_MM = 3;
/** px to the mm that the fly is drawn at before the front view has its room beside it: 3.5 times its size. */
const ROOMY = 13.2;

/**
 * Lays profile, plan and section on one scale: profile on top, plan below on the same stations, the front view beside the profile at the eye's side,
 * so that the sheet is what a first-angle projection gives for either hand.
 * @param front whether the front view is shown; null where there is room for it beside a large fly
 */
export function layoutPlan(
  laid: LaidFly,
  width: number,
  height: number,
  hand: Hand,
  zoom: Zoom,
  front: boolean | null = null,
): PlanLayout {
  const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const long = bounds.rear - bounds.front;
  const tall = bounds.top - bounds.bottom;
  const beside = 2 * bounds.aside + GAP_MM;
  const fitting = (across: number): number =>
    Math.max(
      1,
      Math.min(18, (width - 2 * SIDES) / across, (height - LADDER - BETWEEN - FOOT) / (tall + 2 * bounds.aside + 1.5)),
    );
  const withFront = front ?? fitting(long + beside) >= Math.min(ROOMY, fitting(long));
  const across = withFront ? long + beside : long;
  const scale0 = fitting(across);
  const dir = hand === 'right' ? -1 : 1;
  const used = across * scale0;
  const margin = Math.max(SIDES, (width - used) / 2);
  // Reckoned with the eye at the left; a right-handed tier sees the whole sheet mirrored.
  const mirrored = (x: number): number => (dir < 0 ? width - x : x);
  const eyeX = mirrored(margin - bounds.front * scale0);
  const sectionX = mirrored(margin + (long + GAP_MM + bounds.aside) * scale0);
  const slack = Math.max(0, height - LADDER - BETWEEN - FOOT - (tall + 2 * bounds.aside + 1.5) * scale0) / 2;
  const profileY = LADDER + slack * 0.6 + bounds.top * scale0;
  const stationY = profileY - bounds.bottom * scale0 + 30;
  const planY = stationY + 34 + (bounds.aside + 0.75) * scale0 + slack * 0.4;
  const at = (x: number): number => (x - width / 2) * zoom.factor + width / 2 + zoom.dx;
  const down = (y: number): number => (y - height / 2) * zoom.factor + height / 2 + zoom.dy;
  const scale = scale0 * zoom.factor;
  return {
    width,
    height,
    scale,
    dir,
    bounds,
    ladderY: down(profileY) - bounds.top * scale - 18,
    stationY: down(stationY),
    ruleY: Math.min(height - 26, down(planY) + (bounds.aside + 0.5) * scale + 16),
    profile: viewOf('profile', at(eyeX), down(profileY), scale, hand),
    plan: viewOf('plan', at(eyeX), down(planY), scale, hand),
    section: withFront ? viewOf('section', at(sectionX), down(profileY), scale, hand) : null,
  };
}

/** px across the sheet of a place along the shank. */
export const xOf = (layout: PlanLayout, mm: number): number => layout.profile.ox + layout.dir * layout.scale * mm;
/** The place along the shank at px across the sheet, mm. */
export const mmAt = (layout: Pick<PlanLayout, 'profile' | 'dir' | 'scale'>, px: number): number =>
  (px - layout.profile.ox) / (layout.dir * layout.scale);
