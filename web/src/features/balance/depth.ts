import { meantFor } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';

/** Depths whose times are told of every fly, m. */
const DEPTHS_M = [0.5, 1, 2] as const;

/** The depths whose times are told of a fly, m, the least first. */
export function depthsM(file: FlyFile): readonly number[] {
  const meant = meantFor(file).depthMm;
  return [...new Set([...DEPTHS_M, ...(meant === null ? [] : [meant / 1000])])].sort((a, b) => a - b);
}

/** How deep it is watched sinking: a little deeper than told, so that the last depth is passed. mm */
export const depthWatchedMm = (file: FlyFile): number => 1001 * Math.max(...depthsM(file));
