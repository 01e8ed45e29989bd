import { FURTHER_PARTS } from './furtherParts.ts';
import type { Preset } from './preset.ts';
import { USUAL_PARTS } from './usualParts.ts';

/** Every part one may start from, the usual ones first. */
export const PRESETS: readonly Preset[] = [...USUAL_PARTS, ...FURTHER_PARTS];
