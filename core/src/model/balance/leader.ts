import { G } from './drag.ts';
import { dragAlong } from './thinLine.ts';
import type { Water } from './water.ts';

/** A leader that is drawn down after the fly. mm */
export interface Leader {
  readonly lengthMm: number;
  readonly diameterMm: number;
}

/** Friction of a leader drawn along itself, mg at mm/s. */
export const leaderDrag =
  ({ lengthMm, diameterMm }: Leader, water: Water): ((speed: number) => number) =>
  (speed) =>
    dragAlong(lengthMm, diameterMm, speed, water) / G;
