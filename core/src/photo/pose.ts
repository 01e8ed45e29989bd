/**
 * How a fly lies in a picture: where its x = 0 is, how it is turned (clockwise as seen), pixels to a millimetre along the shank, how much
 * taller than long it stands (a plain tilt shortens one of the two), and which way the eye points: −1 right, 1 left.
 */
export interface Pose {
  readonly tx: number;
  readonly ty: number;
  readonly turn: number;
  readonly scale: number;
  readonly tall: number;
  readonly side: 1 | -1;
}

/** Where a place of the fly, mm, lies in the picture, px. */
export function toPixel({ tx, ty, turn, scale, tall, side }: Pose, x: number, z: number): readonly [number, number] {
  const [p, q] = [side * x, -tall * z];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return [tx + scale * (p * cos - q * sin), ty + scale * (p * sin + q * cos)];
}

/** Where a pixel lies on the fly, mm. */
export function toFly({ tx, ty, turn, scale, tall, side }: Pose, px: number, py: number): readonly [number, number] {
  const [dx, dy] = [(px - tx) / scale, (py - ty) / scale];
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return [side * (dx * cos + dy * sin), -(-dx * sin + dy * cos) / tall];
}

/** A pose in a picture so many times as large. A pixel's middle stays its middle. */
export const enlarged = (pose: Pose, by: number): Pose => ({
  ...pose,
  tx: (pose.tx + 0.5) * by - 0.5,
  ty: (pose.ty + 0.5) * by - 0.5,
  scale: pose.scale * by,
});
