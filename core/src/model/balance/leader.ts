import { G, skinCf } from './drag.ts';
import type { Water } from './water.ts';

/** A leader that is drawn down after the fly. mm */
export interface Leader {
  readonly lengthMm: number;
  readonly diameterMm: number;
}

/** Skin friction of a leader drawn along itself, mg at mm/s: C_f(v·L/ν) over its whole skin. */
export function leaderDrag({ lengthMm, diameterMm }: Leader, { density, viscosity }: Water): (speed: number) => number {
  const skinMm2 = Math.PI * diameterMm * lengthMm;
  return (speed) =>
    speed <= 0 || skinMm2 <= 0
      ? 0
      : ((density * speed * speed) / (2 * G)) * skinCf((speed * lengthMm) / viscosity) * skinMm2;
}
