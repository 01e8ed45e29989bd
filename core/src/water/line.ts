import { LEADER_DENSITY } from '../drawers/index.ts';
import { cylinderCdFast, frictionAlong, G, type Water } from '../model/index.ts';

/** A stretch of line of one kind, from the rod on. */
export interface LinePiece {
  readonly kind: 'line' | 'tip' | 'leader';
  readonly lengthMm: number;
  readonly diameterMm: number;
  /** What a millimetre of it weighs under water, and out of it, mg; the first is negative where it floats. */
  readonly sunkMgMm: number;
  readonly dryMgMm: number;
}

/** Friction along a line is taken as it is so far behind its leading end: over 2.5 m its mean is then right to 6 %. */
const BEHIND_MM = 1000;

/** Force across a line, mg·mm/s² a millimetre of it at a mm/s, at a speed across it. Sucker and Brauer (1975). */
export const acrossPerMm = (diameterMm: number, speedMmS: number, { density, viscosity }: Water): number =>
  0.5 * density * cylinderCdFast((speedMmS * diameterMm) / viscosity) * diameterMm * speedMmS;

/** Force along a line, mg·mm/s² a millimetre of it at a mm/s, at a speed along it. */
export function alongPerMm(diameterMm: number, speedMmS: number, { density, viscosity }: Water): number {
  const speed = Math.max(speedMmS, 1e-3);
  const s = Math.sqrt((viscosity * BEHIND_MM) / speed) / (diameterMm / 2);
  return 2 * Math.PI * density * viscosity * frictionAlong(s);
}

/** What a line weighs under water, mg a millimetre, by the rate it sinks at lying level. */
export const weightBySinkRate = (rateMmS: number, diameterMm: number, water: Water): number =>
  (acrossPerMm(diameterMm, rateMmS, water) * rateMmS) / G;

const HALVINGS = 60;

/** At what rate a line sinks lying level, mm/s, by what a millimetre of it weighs under water; 0 where it floats. */
export function sinkRateOf(sunkMgMm: number, diameterMm: number, water: Water): number {
  let [low, high] = [0, 20_000];
  if (sunkMgMm <= 0) return 0;
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    if (weightBySinkRate(mid, diameterMm, water) < sunkMgMm) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

const crossMm2 = (diameterMm: number): number => (Math.PI / 4) * diameterMm ** 2;

/** A piece of a density, g/cm³. */
export const pieceOfDensity = (
  kind: LinePiece['kind'],
  lengthMm: number,
  diameterMm: number,
  density: number,
  water: Water,
): LinePiece => ({
  kind,
  lengthMm,
  diameterMm,
  sunkMgMm: (density - water.density) * crossMm2(diameterMm),
  dryMgMm: density * crossMm2(diameterMm),
});

/** A piece that sinks at a rate as it is sold, mm/s. */
export function pieceOfRate(
  kind: LinePiece['kind'],
  lengthMm: number,
  diameterMm: number,
  rateMmS: number,
  water: Water,
): LinePiece {
  const sunkMgMm = weightBySinkRate(rateMmS, diameterMm, water);
  return { kind, lengthMm, diameterMm, sunkMgMm, dryMgMm: sunkMgMm + water.density * crossMm2(diameterMm) };
}

export type LeaderOf = keyof typeof LEADER_DENSITY;

/** A fly line is so thick unless another is said, mm; one that floats is of so much, g/cm³; an intermediate one sinks so fast, mm/s. Custom. */
export const USUAL_LINE = { diameterMm: 1.1, floating: 0.87, intermediateMmS: 38 } as const;
