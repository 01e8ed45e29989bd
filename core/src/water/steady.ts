import { G, type Water } from '../model/index.ts';
import { acrossPerMm, alongPerMm, type LinePiece } from './line.ts';

/** What a steady answer needs of a fly: mg under water, and its drag in mg at a speed. */
export interface SteadyFly {
  readonly submergedMg: number;
  readonly dragMg: (speedMmS: number) => number;
}

/** How a fly hangs from a place on the surface: how deep, how far downstream, and the pull at the top, mg. */
export interface Hang {
  readonly depthMm: number;
  readonly downstreamMm: number;
  readonly topMg: number;
  /** Slope of the line at the fly over the level, degrees. */
  readonly slopeDeg: number;
}

const STEP_MM = 2;
const HALVINGS = 40;

/**
 * Integrates the pull up a line from the fly to its upper end, in the plane of the current.
 * @param flyMm depth of the fly @param speedAt current by depth, mm/s
 * @returns how far over the fly the upper end lies and how far upstream, mm, and the pull there
 */
function upFrom(
  flyMm: number,
  fly: SteadyFly,
  pieces: readonly LinePiece[],
  speedAt: (depthMm: number) => number,
  water: Water,
): { readonly riseMm: number; readonly backMm: number; readonly pullMg: number; readonly slopeRad: number } {
  // The pull on the line above, mg: downstream and down.
  let along = fly.dragMg(speedAt(flyMm));
  let down = fly.submergedMg;
  const slopeRad = Math.atan2(down, along);
  let [rise, back] = [0, 0];
  for (const piece of [...pieces].reverse()) {
    const steps = Math.max(1, Math.round(piece.lengthMm / STEP_MM));
    const ds = piece.lengthMm / steps;
    for (let i = 0; i < steps; i++) {
      const pull = Math.hypot(along, down);
      if (pull === 0) break;
      const [c, s] = [along / pull, down / pull];
      const u = speedAt(Math.max(0, flyMm - rise - (s * ds) / 2));
      // The flow across the line and along it; along it drags the line downstream and down.
      const [across, lengthways] = [u * s, u * c];
      const normal = (acrossPerMm(piece.diameterMm, across, water) * across * ds) / G;
      const axial = (alongPerMm(piece.diameterMm, lengthways, water) * lengthways * ds) / G;
      along += normal * s + axial * c;
      down += piece.sunkMgMm * ds - normal * c + axial * s;
      rise += s * ds;
      back += c * ds;
    }
  }
  return { riseMm: rise, backMm: back, pullMg: Math.hypot(along, down), slopeRad };
}

/** On the dangle: a fly at rest in a current below a place on the surface that its line is held at. */
export function hang(
  fly: SteadyFly,
  pieces: readonly LinePiece[],
  speedAt: (depthMm: number) => number,
  water: Water,
): Hang {
  const long = pieces.reduce((sum, { lengthMm }) => sum + lengthMm, 0);
  let [low, high] = [0, long];
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    if (upFrom(mid, fly, pieces, speedAt, water).riseMm > mid) low = mid;
    else high = mid;
  }
  const depthMm = (low + high) / 2;
  const { backMm, pullMg, slopeRad } = upFrom(depthMm, fly, pieces, speedAt, water);
  return { depthMm, downstreamMm: backMm, topMg: pullMg, slopeDeg: (slopeRad * 180) / Math.PI };
}

/** A weight on a thread without weight or drag: the angle of the thread below the flow, degrees. */
export const threadAngleDeg = (fly: SteadyFly, speedMmS: number): number =>
  (Math.atan2(fly.submergedMg, fly.dragMg(speedMmS)) * 180) / Math.PI;

/** A straight line that is towed by one end, its angle from the flow, degrees: its weight across it is the drag across it. */
export function towedAngleDeg(
  { diameterMm, sunkMgMm }: Pick<LinePiece, 'diameterMm' | 'sunkMgMm'>,
  speedMmS: number,
  water: Water,
): number {
  let [low, high] = [0, Math.PI / 2];
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    const across = speedMmS * Math.sin(mid);
    if (sunkMgMm * G * Math.cos(mid) > acrossPerMm(diameterMm, across, water) * across) low = mid;
    else high = mid;
  }
  return ((low + high) / 2 / Math.PI) * 180;
}

/** Dead drift under a float that rides with the surface: the water below is slower, and drags the fly back. Degrees off the upright. */
export const driftSlantDeg = (fly: SteadyFly, surfaceMmS: number, atFlyMmS: number): number =>
  (Math.atan2(fly.dragMg(surfaceMmS - atFlyMmS), fly.submergedMg) * 180) / Math.PI;

/** A line hanging between two points of one level in still water. */
export interface Catenary {
  readonly parameterMm: number;
  readonly sagMm: number;
  readonly lowestMg: number;
  readonly endsMg: number;
}

/** @param spanMm between its ends, less than its length @returns the curve, from L = 2a·sinh(H/2a) */
export function catenary(lengthMm: number, spanMm: number, sunkMgMm: number): Catenary {
  let [low, high] = [spanMm / 200, spanMm * 1000];
  for (let i = 0; i < 2 * HALVINGS; i++) {
    const mid = Math.sqrt(low * high);
    if (2 * mid * Math.sinh(spanMm / (2 * mid)) > lengthMm) low = mid;
    else high = mid;
  }
  const a = Math.sqrt(low * high);
  const cosh = Math.cosh(spanMm / (2 * a));
  return { parameterMm: a, sagMm: a * (cosh - 1), lowestMg: sunkMgMm * a, endsMg: sunkMgMm * a * cosh };
}
