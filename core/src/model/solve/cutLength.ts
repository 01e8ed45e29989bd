import { boundMm, windingOf } from '../parts/cutting.ts';
import { cutMm } from '../parts/registry.ts';
import type { LaidFly, LaidPart } from './layFly.ts';

/**
 * The length a piece is cut to, mm: bound, free, hold and waste; null for what is not cut (balls, coats), and for what goes on from
 * another piece, which is cut with that one.
 */
export function cutLength(part: LaidPart, laid: LaidFly): number | null {
  const { file } = part;
  if (file.continues !== undefined || part.massMg <= 0) return null;
  const alone = cutMm(part);
  if (alone === null) return null;
  return laid.parts
    .filter((each) => each.file.continues?.toLowerCase() === file.id.toLowerCase())
    .reduce((sum, each) => sum + (windingOf(each)?.lengthMm ?? each.extent.lengthMm + boundMm(each)), alone);
}
