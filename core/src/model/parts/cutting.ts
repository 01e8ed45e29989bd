import { TIE_IN } from '../../data/index.ts';
import type { AnyPiece } from './types.ts';
import { helixLength } from './helix.ts';

const TURN_PIECES = 24;

/** mm that butts are bound along the shank, or the usual tie-in. */
export function boundMm({ extent }: Pick<AnyPiece, 'extent'>): number {
  const tieIn = extent.bindingsMm[0] ?? extent.endMm;
  const along = extent.bindingsMm.length > 1 ? (extent.bindingsMm.at(-1) ?? tieIn) - tieIn : 0;
  return along + (extent.buttsToMm === null ? TIE_IN.lengthMm : Math.abs(extent.buttsToMm - tieIn));
}

/** How a strand is wound: how thick it lies, over what, how many turns of it. */
export interface Winding {
  readonly strandMm: number;
  readonly turns: number;
  readonly lengthMm: number;
}

/**
 * The strand of a wound part and how much of it: as written, or as thick as makes the body of what lies under it, turns touching. The
 * strand runs over the body as it tapers.
 */
export function windingOf(part: AnyPiece): Winding | null {
  const { file, extent, built } = part;
  if (file.construction !== 'wrap') return null;
  const form = built.forms.find((each) => each.kind === 'wound');
  const span = extent.endMm - extent.startMm;
  if (form?.kind !== 'wound' || span <= 0) return null;
  const outer = (x: number): number => 2 * form.outerMm(x);
  if (form.strandMm > 0) {
    const turns = built.turns ?? 0;
    const layers = file.layers ?? 1;
    const pitch = turns > 0 ? span / turns : 0;
    let lengthMm = 0;
    for (let layer = 0; layer < layers; layer++)
      for (let i = 0; i < TURN_PIECES; i++) {
        const core = outer(extent.startMm + ((i + 0.5) / TURN_PIECES) * span) - 2 * form.strandMm * (layers - layer);
        lengthMm += helixLength(turns / TURN_PIECES, Math.max(0, core), form.strandMm, pitch);
      }
    return { strandMm: form.strandMm, turns: turns * layers, lengthMm };
  }
  let thick = 0;
  for (let i = 0; i < TURN_PIECES; i++)
    thick += Math.max(0, outer(extent.startMm + ((i + 0.5) / TURN_PIECES) * span) - form.coreMm) / 2 / TURN_PIECES;
  if (thick <= 0) return null;
  const turns = built.turns ?? span / thick;
  return { strandMm: thick, turns, lengthMm: helixLength(turns, form.coreMm, thick, thick) };
}

/** mm of stem that a hackle's turns take. */
export function stemMm(part: AnyPiece): number {
  const { built, extent } = part;
  const form = built.forms.find((each) => each.kind === 'hackle');
  const turns = built.turns ?? 0;
  if (form?.kind !== 'hackle' || turns === 0) return 0;
  const core = 2 * form.stemMm((extent.startMm + extent.endMm) / 2);
  return turns * Math.hypot(Math.PI * core, (extent.endMm - extent.startMm) / turns);
}
