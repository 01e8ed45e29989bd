import type { FlyTimes } from './times.ts';

/** One pair of hands over some evenings: who ties what when, and what dries meanwhile. Minutes by the calendar, or from nought where there are no evenings. */
export interface Window {
  readonly from: number;
  readonly to: number;
}

export interface Job extends FlyTimes {
  /** What it is of; kept as it is. */
  readonly row: number;
  readonly fly: number;
  /** Made ready before anything is tied. */
  readonly first?: boolean;
  /** The window it has to be tied in, by its place in the list; any where nothing is said. */
  readonly on?: number;
}

/** A stretch of hands or of drying. `coat` 0 is tying. */
export interface Block {
  readonly window: number;
  readonly start: number;
  readonly end: number;
  readonly job: number;
  readonly coat: number;
  readonly kind: 'hands' | 'drying';
}

/** Minutes that nobody tells apart. */
export const EPSILON = 1e-6;

/** A fly out of the vise that waits for its next coat. */
export interface Pending {
  readonly kind: number;
  readonly coat: number;
  readonly ready: number;
  readonly job: number;
}

/** When flies on the rack are dry whose last coat is on. */
export const lastDrying = (blocks: readonly Block[], now: number, coatsOf: (job: number) => number): number[] =>
  blocks.flatMap(({ kind, job, coat, end }) =>
    kind === 'drying' && end > now + EPSILON && coat === coatsOf(job) ? [end] : [],
  );
