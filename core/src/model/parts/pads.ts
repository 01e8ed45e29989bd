import type { PartOf } from '../../pattern/index.ts';

/** How the ends of what is folded are cut when they are left long. */
type PadCut = NonNullable<PartOf<'sheet'>['padCut']>;

/** Across a flat piece at one place: the middle off the piece's own middle, and the breadth, as shares of its whole width. */
export interface Slice {
  readonly off: number;
  readonly breadth: number;
}

/** A flat piece that lies along the shank, or one half of one that is split. */
export interface Flat {
  /** @param toEndMm mm that are left to the free end */
  readonly slice: (toEndMm: number) => Slice;
  /** mm² for a piece so wide and long. */
  readonly areaMm2: (widthMm: number, lengthMm: number) => number;
}

const WHOLE: Slice = { off: 0, breadth: 1 };

/** As broad from one end to the other. */
export const SQUARE: Flat = { slice: () => WHOLE, areaMm2: (widthMm, lengthMm) => widthMm * lengthMm };

/** How far from its end a cut begins: half the width, or the whole of a pad that is shorter. mm */
const cutMm = (widthMm: number, lengthMm: number): number => Math.min(widthMm / 2, lengthMm);

/** Half an ellipse at its end. */
const round = (widthMm: number, lengthMm: number): Flat => {
  const fromMm = cutMm(widthMm, lengthMm);
  return {
    slice: (toEndMm) =>
      toEndMm >= fromMm ? WHOLE : { off: 0, breadth: Math.sqrt(Math.max(0, 1 - (1 - toEndMm / fromMm) ** 2)) },
    areaMm2: (width, length) => width * (length - (1 - Math.PI / 4) * cutMm(width, length)),
  };
};

/** One half of a pad with a V cut out of its end. */
const half = (widthMm: number, lengthMm: number, side: 1 | -1): Flat => {
  const fromMm = cutMm(widthMm, lengthMm);
  return {
    slice: (toEndMm) => {
      const gap = Math.max(0, 1 - toEndMm / fromMm);
      return { off: (side * (1 + gap)) / 4, breadth: (1 - gap) / 2 };
    },
    areaMm2: (width, length) => (width * (length - cutMm(width, length) / 2)) / 2,
  };
};

/** A pad by its cut, as one piece or as its two halves. */
export function padPieces(cut: PadCut, widthMm: number, lengthMm: number): readonly Flat[] {
  switch (cut) {
    case 'square':
      return [SQUARE];
    case 'round':
      return [round(widthMm, lengthMm)];
    case 'notched':
      return [half(widthMm, lengthMm, 1), half(widthMm, lengthMm, -1)];
  }
}
