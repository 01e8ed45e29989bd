import { boundsOf, type LaidFly } from '@jobbet/core/model';

/** px round a drawing in its column. */
const ROUND = 14;
/** No column is narrower, px. */
const LEAST = 92;
/** No drawing is taller, px. */
const TALL = 190;
/** A fly that is not reckoned yet is taken to be so long and so tall, mm. */
const USUAL = { long: 40, tall: 16 };

/** How a run of flies is drawn side by side at one scale. */
export interface RunLayout {
  /** px to the mm. */
  readonly scale: number;
  /** px of each column. */
  readonly columns: readonly number[];
  /** px of the row of drawings. */
  readonly tall: number;
}

/**
 * Lays a run out at true size where it fits, else as near to it as it does: each column is as broad as its own fly.
 * @param flies each as it is laid out; null for one that is not reckoned yet or does not lay out
 * @param width px there are for all of them
 * @param truePx px of this screen to the mm
 */
export function layoutRun(flies: readonly (LaidFly | null)[], width: number, truePx: number): RunLayout {
  const sizes = flies.map((laid) => {
    if (!laid) return USUAL;
    const { front, rear, top, bottom } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
    return { long: rear - front, tall: top - bottom };
  });
  const across = (scale: number): number[] => sizes.map(({ long }) => Math.max(LEAST, Math.ceil(long * scale) + ROUND));
  const fits = (scale: number): boolean => across(scale).reduce((sum, each) => sum + each, 0) <= width;
  const tallest = Math.max(10, ...sizes.map(({ tall }) => tall));
  const most = Math.min(truePx, (TALL - ROUND) / tallest);
  let [low, high] = [0.5, most];
  if (!fits(most))
    while (high - low > 0.01) {
      const middle = (low + high) / 2;
      if (fits(middle)) low = middle;
      else high = middle;
    }
  const scale = fits(most) ? most : low;
  const columns = across(scale);
  // What is left over is shared out, so that the table is as broad as the window.
  const spare = Math.max(0, Math.floor((width - columns.reduce((sum, each) => sum + each, 0)) / columns.length));
  return { scale, columns: columns.map((each) => each + Math.min(spare, 120)), tall: Math.ceil(tallest * scale) + 16 };
}
