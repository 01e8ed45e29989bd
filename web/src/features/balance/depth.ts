import type { FlyFile } from '@jobbet/core/pattern';
import { parseQuantity } from '@jobbet/core/units';

/** Depths whose times are told of every fly, m. */
const DEPTHS_M = [0.5, 1, 2] as const;

/** The depth a fly is meant for, mm; null where it is meant for none. */
export function depthMeantMm({ intent }: FlyFile): number | null {
  const read = intent?.depth === undefined ? null : parseQuantity('length', intent.depth);
  return read?.ok === true ? read.value : null;
}

/** The depths whose times are told of a fly, m, the least first. */
export function depthsM(file: FlyFile): readonly number[] {
  const meant = depthMeantMm(file);
  return [...new Set([...DEPTHS_M, ...(meant === null ? [] : [meant / 1000])])].sort((a, b) => a - b);
}

/** How deep it is watched sinking: a little deeper than told, so that the last depth is passed. mm */
export const depthWatchedMm = (file: FlyFile): number => 1001 * Math.max(...depthsM(file));
