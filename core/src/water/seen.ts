import { thresholdIn } from '../study/index.ts';

/**
 * How far a fly is made out in a water by how deep a white disc is: what is lost of a beam and of daylight a metre come together to 8.7 over
 * that depth, the latter alone to 1.7. Sources: Preisendorfer (1986); Poole and Atkins (1929).
 */
const [BOTH, DOWN] = [8.7, 1.7] as const;
/** Light on the water on a bright day, lux, and what of it comes level: as the sight of a fly has them. */
const [NOON_LUX, LEVEL_SHARE] = [50_000, 0.2] as const;
const FURTHEST_MM = 30_000;

/** How far an opaque fly is made out on a level at a depth, mm, on a bright day. @param clarityMm depth at which a white disc is lost */
export function seenFromMm(clarityMm: number, depthMm: number): number {
  const [beam, down] = [(BOTH - DOWN) / clarityMm, DOWN / clarityMm];
  const least = thresholdIn(NOON_LUX * LEVEL_SHARE * Math.exp(-down * depthMm));
  // C(r) = C(0)·exp(−c·r) on a level: an opaque spot begins with all of it.
  return least >= 1 ? 0 : Math.min(FURTHEST_MM, -Math.log(least) / beam);
}
