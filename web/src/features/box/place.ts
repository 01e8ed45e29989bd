import { eyeAt, type Hand } from '@jobbet/core/drawing';

/** px left of a drawing, where the sinking rate stands. */
const PAD = 46;
const MARGIN = 20;
/** px from the left of a row's drawing to the eye of its hook. @param frontMm how far the longest fly reaches before its eye */
export const rowEyeAt = (hand: Hand, frontMm: number, rearMm: number, scale: number): number =>
  eyeAt(hand, PAD, { front: -frontMm, rear: rearMm }, scale);

/** px that a drawing takes across, its sinking rate before it. */
export const drawingWidth = (frontMm: number, rearMm: number, scale: number): number =>
  PAD + (frontMm + rearMm) * scale + MARGIN;
