import type { SolidLump, Vec3 } from '../platform/section.ts';

/** Sum of lumps: mass in mg, volume in mm³, centroids of mass and of volume in mm. */
export interface Totals {
  readonly massMg: number;
  readonly volumeMm3: number;
  readonly gravity: Vec3;
  readonly buoyancy: Vec3;
}

/** Adds lumps up; centroids of nothing are the origin. */
export function totalOf(lumps: readonly SolidLump[]): Totals {
  let [mass, volume] = [0, 0];
  const [m, v] = [
    [0, 0, 0],
    [0, 0, 0],
  ];
  for (const lump of lumps) {
    mass += lump.massMg;
    volume += lump.volumeMm3;
    lump.centroid.forEach((at, i) => {
      m[i] = (m[i] ?? 0) + lump.massMg * at;
      v[i] = (v[i] ?? 0) + lump.volumeMm3 * at;
    });
  }
  const over = (sums: number[], by: number): Vec3 =>
    by === 0 ? [0, 0, 0] : [(sums[0] ?? 0) / by, (sums[1] ?? 0) / by, (sums[2] ?? 0) / by];
  return { massMg: mass, volumeMm3: volume, gravity: over(m, mass), buoyancy: over(v, volume) };
}
