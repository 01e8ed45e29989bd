import type { Vec3 } from '../../model/index.ts';

export type ViewName = 'profile' | 'plan' | 'section';
/** Which hand ties: a right-handed tier sees the eye of the hook to his right. */
export type Hand = 'right' | 'left';

/** A flat projection: two rows that give px from mm, and the row of depth (greater is nearer the viewer). */
export interface View {
  readonly name: ViewName;
  readonly ox: number;
  readonly oy: number;
  readonly scale: number;
  readonly across: Vec3;
  readonly up: Vec3;
  readonly toward: Vec3;
}

/**
 * Profile from the near side, plan from above, section from the front, all on one scale.
 * @param ox px of the eye (x = 0) @param oy px of the shank's axis @param scale px per mm
 * @param roll radians the fly is rolled about the shank before it is looked at
 */
export function viewOf(name: ViewName, ox: number, oy: number, scale: number, hand: Hand, roll = 0): View {
  const dir = hand === 'right' ? -1 : 1;
  const [cos, sin] = [Math.cos(roll), Math.sin(roll)];
  const eta: Vec3 = [0, cos, -sin];
  const zeta: Vec3 = [0, sin, cos];
  const flip = (v: Vec3, by: number): Vec3 => [v[0] * by, v[1] * by, v[2] * by];
  if (name === 'profile') return { name, ox, oy, scale, across: [dir, 0, 0], up: zeta, toward: eta };
  if (name === 'plan') return { name, ox, oy, scale, across: [dir, 0, 0], up: flip(eta, -1), toward: zeta };
  return { name, ox, oy, scale, across: flip(eta, dir), up: zeta, toward: [-1, 0, 0] };
}

export const screenX = (view: View, p: Vec3): number =>
  view.ox + view.scale * (view.across[0] * p[0] + view.across[1] * p[1] + view.across[2] * p[2]);
export const screenY = (view: View, p: Vec3): number =>
  view.oy - view.scale * (view.up[0] * p[0] + view.up[1] * p[1] + view.up[2] * p[2]);
export const depthOf = (view: View, p: Vec3): number =>
  view.toward[0] * p[0] + view.toward[1] * p[1] + view.toward[2] * p[2];
