import type { Traits } from './types.ts';

/** Nothing of what may be so of a construction. */
export const NONE: Traits = { free: false, butts: false, worked: false, strand: false, ends: false };
