import type { Water } from '../model/index.ts';
import type { Current } from './current.ts';
import type { Body } from './loads.ts';

/** What is done to line that is mended, while it is: each node is moved upstream at its own speed. */
export interface Mend {
  /** mm/s upstream, at a share of the way from the rod to the end of the line. */
  readonly speedAt: (share: number) => number;
  /** How many segments from the rod on are line. */
  readonly segments: number;
}

/** Where something is, x downstream, y toward the far bank, z up from the surface, mm. */
export type Place = readonly [x: number, y: number, z: number];

/** A second fly, tied in so many pieces above the first. */
export interface Dropper {
  readonly piecesAbove: number;
  readonly body: () => Body;
}

/** What the line lies in, and what is on it. */
export interface Ends {
  readonly current: Current;
  readonly water: Water;
  readonly fly: () => Body;
  readonly float: Body | null;
  readonly dropper?: Dropper | null;
}
