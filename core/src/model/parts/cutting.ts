import { TIE_IN } from '../../data/index.ts';
import type { PartExtent } from '../../pattern/index.ts';
import type { PartForm } from './forms.ts';
import type { AnyPiece } from './types.ts';
import { helixLength } from './helix.ts';

const TURN_PIECES = 24;

/** mm that butts are bound along the shank, or the usual tie-in. */
export function boundMm({ extent }: Pick<AnyPiece, 'extent'>): number {
  const tieIn = extent.bindingsMm[0] ?? extent.endMm;
  const along = extent.bindingsMm.length > 1 ? (extent.bindingsMm.at(-1) ?? tieIn) - tieIn : 0;
  return along + (extent.buttsToMm === null ? TIE_IN.lengthMm : Math.abs(extent.buttsToMm - tieIn));
}

/** How a strand is wound: how broad one pass of it lies, how many turns of it, how long it is. mm */
export interface Winding {
  readonly strandMm: number;
  readonly turns: number;
  readonly lengthMm: number;
}

type Wound = Extract<PartForm, { kind: 'wound' }>;

/** Turns of a strand that lies on what is under it, in one layer or two: it runs over the body as it tapers. */
function overBody(form: Wound, { startMm, endMm }: PartExtent, turns: number, layers: number): number {
  const span = endMm - startMm;
  const pitch = turns > 0 ? span / turns : 0;
  let lengthMm = 0;
  for (let layer = 0; layer < layers; layer++)
    for (let i = 0; i < TURN_PIECES; i++) {
      const outer = 2 * form.outerMm(startMm + ((i + 0.5) / TURN_PIECES) * span);
      const core = Math.max(0, outer - 2 * form.thickMm * (layers - layer));
      lengthMm += helixLength(turns / TURN_PIECES, core, form.thickMm, pitch);
    }
  return lengthMm;
}

/** Half of what a body adds to the diameter of what is under it, on the mean. */
function meanThickness(form: Wound, { startMm, endMm }: PartExtent): number {
  let thick = 0;
  for (let i = 0; i < TURN_PIECES; i++) {
    const outer = 2 * form.outerMm(startMm + ((i + 0.5) / TURN_PIECES) * (endMm - startMm));
    thick += Math.max(0, outer - form.coreMm) / 2 / TURN_PIECES;
  }
  return thick;
}

/**
 * The strand of a wound part and how much of it: as written; as broad as it lies flat, in as many passes as make the body; on its core, where
 * fibres stand off it; else as thick as makes the body of what lies under it, turns touching. No strand has less than one turn.
 */
export function windingOf(part: AnyPiece): Winding | null {
  const { file, extent, built } = part;
  if (file.construction !== 'wrap') return null;
  const form = built.forms.find((each) => each.kind === 'wound');
  const span = extent.endMm - extent.startMm;
  if (form?.kind !== 'wound' || span <= 0) return null;
  if (form.strandMm > 0) {
    const layers = file.layers ?? 1;
    const turns = built.turns ?? 0;
    return { strandMm: form.strandMm, turns: turns * layers, lengthMm: overBody(form, extent, turns, layers) };
  }
  const thick = meanThickness(form, extent);
  if (thick <= 0) return null;
  const { laid } = form;
  const round = Math.PI * (form.coreMm + thick);
  if (laid?.by === 'passes') {
    const passes = laid.passes ?? Math.max(1, Math.round(thick / laid.thickMm));
    const turns = built.turns ?? Math.max(1, (passes * span) / laid.breadthMm);
    return { strandMm: laid.breadthMm, turns, lengthMm: Math.hypot(turns * round, passes * span) };
  }
  if (laid?.by === 'core') {
    const turns = built.turns ?? Math.max(1, span / laid.pitchMm);
    return { strandMm: laid.coreMm, turns, lengthMm: helixLength(turns, form.coreMm, laid.coreMm, span / turns) };
  }
  const turns = built.turns ?? Math.max(1, span / thick);
  return { strandMm: thick, turns, lengthMm: helixLength(turns, form.coreMm, thick, Math.min(thick, span)) };
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
