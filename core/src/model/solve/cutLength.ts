import { boundMm, windingOf } from '../parts/cutting.ts';
import { cutMm } from '../parts/registry.ts';
import type { LaidFly, LaidPart } from './layFly.ts';

/**
 * The length a piece is cut to, mm: bound, free, hold and waste; null for what is not cut (balls, coats), and for what goes on from
 * another piece, which is cut with that one.
 */
export function cutLength(part: LaidPart, laid: LaidFly): number | null {
  if (part.file.continues !== undefined || part.massMg <= 0) return null;
  const alone = cutMm(part);
  return alone === null ? null : goingOn(part, laid).reduce((sum, each) => sum + takenOfPiece(each), alone);
}

/** What of a piece lies on the fly as one part, mm: wound, or free and bound. */
const takenOfPiece = (part: LaidPart): number => windingOf(part)?.lengthMm ?? part.extent.lengthMm + boundMm(part);

/** Parts that go on with the piece of another. */
const goingOn = ({ file }: LaidPart, { parts }: LaidFly): readonly LaidPart[] =>
  parts.filter((each) => each.file.continues?.toLowerCase() === file.id.toLowerCase());

/** Where a piece goes on as another part: how far that begins from the end that is tied in first, mm. */
export interface Point {
  /** The part it goes on as. */
  readonly as: string;
  readonly atMm: number;
}

/** The points to be marked on a piece before it is tied in; none where it is one part alone. */
export function pointsOf(part: LaidPart, laid: LaidFly): readonly Point[] {
  let atMm = takenOfPiece(part);
  return goingOn(part, laid).map((each) => {
    const point = { as: each.file.id, atMm };
    atMm += takenOfPiece(each);
    return point;
  });
}
