import type { BuiltPart } from '../parts/types.ts';
import type { Platform } from '../platform/types.ts';

/** Share of its radius by which soft wound work closes a gap: a fish's jaw presses it flat. */
const SOFT_SHARE = 0.25;

interface Wound {
  readonly startMm: number;
  readonly endMm: number;
  readonly built: BuiltPart;
}

/**
 * What is left of the gap above the point, mm: G + d/2 less the radius of what is wound on the shank there. Hard wraps count whole,
 * soft wound work a quarter of its radius, hackle and hair not at all. Null where there is no hook.
 * @param bedMm thread under it all, a side
 */
export function effectiveGap(platform: Platform, parts: readonly Wound[], bedMm: number): number | null {
  const { gapMm, wireMm, landmarksMm } = platform;
  const at = landmarksMm.point;
  if (gapMm === null || wireMm === null || at === null) return null;
  // Behind a tube or shank the point stands under the hook's own bare shank.
  const onShank = at <= platform.shankMm;
  let radius = wireMm / 2 + (onShank ? bedMm : 0);
  for (const { built, startMm, endMm } of parts) {
    if (built.construction !== 'wrap' || !built.outer || at < startMm || at > endMm) continue;
    radius = Math.max(radius, built.outer(at) * (built.seeThrough ? SOFT_SHARE : 1));
  }
  return gapMm + wireMm / 2 - radius;
}
