import type { Bounds } from '../../model/index.ts';
import type { Hand } from './view.ts';

/** How a fly hangs in the water: rolled about its shank, then pitched nose down, degrees. */
export interface Pose {
  readonly rollDeg: number;
  readonly noseDownDeg: number;
}

const toRad = (deg: number): number => (deg * Math.PI) / 180;

interface Rests {
  readonly slackDeg: number | null;
  readonly tightDeg: number | null;
  readonly noseDownDeg: number | null;
}

/** As it fishes: the slack-line heel, or the tight one where the slack is undecided, at the nose-down angle that goes with it. */
export const restPose = ({ slackDeg, tightDeg, noseDownDeg }: Rests): Pose => ({
  rollDeg: slackDeg ?? tightDeg ?? 0,
  noseDownDeg: noseDownDeg ?? 0,
});

/** Part of the way from as tied to a pose; the roll goes the short way round. @param share 0 to 1 */
export function partWay({ rollDeg, noseDownDeg }: Pose, share: number): Pose {
  const short = ((((rollDeg + 180) % 360) + 360) % 360) - 180;
  return { rollDeg: short * share, noseDownDeg: noseDownDeg * share };
}

/** Degrees clockwise on the sheet that the profile is turned by for a nose-down angle; the eye lies right for the right hand. */
export const clockwiseDeg = (hand: Hand, noseDownDeg: number): number =>
  hand === 'right' ? noseDownDeg : -noseDownDeg;

/** What a view takes up round the eye, mm on the sheet, right and down. */
export interface Reach {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

function reachOf(points: readonly (readonly [number, number])[]): Reach {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}

/**
 * The reach of the posed fly from the side and from the front, by the corners of the box round it.
 * @param bounds as tied, mm
 */
export function posedReach(bounds: Bounds, pose: Pose, hand: Hand): { readonly side: Reach; readonly front: Reach } {
  const dir = hand === 'right' ? -1 : 1;
  const [sinR, cosR] = [Math.sin(toRad(pose.rollDeg)), Math.cos(toRad(pose.rollDeg))];
  const turn = toRad(clockwiseDeg(hand, pose.noseDownDeg));
  const [sinT, cosT] = [Math.sin(turn), Math.cos(turn)];
  const corners = [-bounds.aside, bounds.aside].flatMap((y) => [bounds.bottom, bounds.top].map((z) => [y, z] as const));
  const rolled = corners.map(([y, z]) => [dir * (y * cosR - z * sinR), -(y * sinR + z * cosR)] as const);
  const side = rolled.flatMap(([, v]) =>
    [bounds.front, bounds.rear].map((x) => {
      const u = dir * x;
      return [u * cosT - v * sinT, u * sinT + v * cosT] as const;
    }),
  );
  return { side: reachOf(side), front: reachOf(rolled) };
}
