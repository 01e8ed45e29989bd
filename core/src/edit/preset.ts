import type { Part } from '../pattern/index.ts';

/** A part as one starts it: every preset solves on any hook, whatever else is tied. */
export interface Preset {
  readonly name: string;
  readonly means: string;
  readonly part: Part;
}
