import { dragAlong, G, type Water } from '../model/index.ts';

/** A fly that sinks in still water and draws its leader down lengthways. */
export interface Sinking {
  readonly submergedMg: number;
  readonly effectiveMg: number;
  readonly dragMg: (speedMmS: number) => number;
  readonly leader: readonly { readonly lengthMm: number; readonly diameterMm: number }[];
}

/** A step is so small a share of the time in which it would gain its steady speed. */
const STEPS = 60;
const MOST_STEPS = 200_000;
const HALVINGS = 60;
const MOST_MM_S = 20_000;

/** All that holds it back at a speed, mg. */
const heldMg = ({ dragMg, leader }: Sinking, speed: number, water: Water): number =>
  dragMg(speed) +
  leader.reduce((sum, { lengthMm, diameterMm }) => sum + dragAlong(lengthMm, diameterMm, speed, water), 0) / G;

/** The steady speed with its leader behind it, mm/s; 0 where it floats. */
export function steadyWithLeader(fly: Sinking, water: Water): number {
  if (fly.submergedMg <= 0) return 0;
  let [low, high] = [0, MOST_MM_S];
  for (let i = 0; i < HALVINGS; i++) {
    const mid = (low + high) / 2;
    if (heldMg(fly, mid, water) < fly.submergedMg) low = mid;
    else high = mid;
  }
  return (low + high) / 2;
}

/** When a fly that is let go at the surface of still water comes to a depth, s; null where it floats. m·dv/dt = W − D(v) − D_leader(v). */
export function countTo(depthMm: number, fly: Sinking, water: Water): number | null {
  const steady = steadyWithLeader(fly, water);
  if (steady <= 0) return null;
  const gain = (v: number): number => ((fly.submergedMg - heldMg(fly, Math.max(0, v), water)) * G) / fly.effectiveMg;
  const step = (fly.effectiveMg * steady) / (fly.submergedMg * G) / STEPS;
  let [t, v, z] = [0, 0, 0];
  for (let i = 0; i < MOST_STEPS && steady - v > 1e-5 * steady; i++) {
    const [a] = [gain(v)];
    const b = gain(v + (step / 2) * a);
    const c = gain(v + (step / 2) * b);
    const d = gain(v + step * c);
    const next = v + (step / 6) * (a + 2 * b + 2 * c + d);
    const deeper = z + (step * (v + next)) / 2;
    if (deeper >= depthMm) return t + (step * (depthMm - z)) / (deeper - z);
    [t, v, z] = [t + step, next, deeper];
  }
  return t + (depthMm - z) / steady;
}
