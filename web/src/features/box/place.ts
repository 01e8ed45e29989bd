/** px left of a drawing, where the sinking rate stands. */
const PAD = 46;
const MARGIN = 20;
/** px from the left of a drawing to the eye of its hook: on the right for a right-handed tier. */
export const eyeAt = (hand: 'right' | 'left', frontMm: number, rearMm: number, scale: number): number =>
  PAD + (hand === 'right' ? rearMm : frontMm) * scale;

/** px that a drawing takes across, its sinking rate before it. */
export const drawingWidth = (frontMm: number, rearMm: number, scale: number): number =>
  PAD + (frontMm + rearMm) * scale + MARGIN;
