import type { FlyFile } from '../../pattern/index.ts';
import { figureOf, readTyped } from '../../units/index.ts';

/** What a fly is meant for, as figures; null for what it does not say. */
export interface Meant {
  readonly depthMm: number | null;
  readonly currentMmS: number | null;
}

/** What the quantities of an intent come to. A wish is held against results, and never used as one. */
export const meantFor = ({ intent }: Pick<FlyFile, 'intent'>): Meant => ({
  depthMm: figureOf(readTyped('length', intent?.depth ?? '')),
  currentMmS: figureOf(readTyped('speed', intent?.current ?? '')),
});
