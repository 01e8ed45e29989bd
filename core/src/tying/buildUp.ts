import { THREAD } from '../data/index.ts';
import type { LaidPart } from '../model/index.ts';
import { passesOf, STEP_MM, type Profile } from './bulk.ts';
import type { Thread } from './threadOf.ts';

/** One place along a body: what it stands on, what it is meant to be, and what makes up the difference. mm across */
export interface BuiltAt {
  readonly words: 'rear' | 'middle' | 'front';
  readonly underMm: number;
  readonly meantMm: number;
  /** Passes of the strand, or of thread under it. */
  readonly passes: number;
}

/** How a wound body comes to its taper over what lies under it. */
export interface BuildUp {
  /** By passes of its own strand, by the thickness of a twisted rope, or, where the strand has one thickness, by thread under it. */
  readonly by: 'passes' | 'rope' | 'thread';
  readonly at: readonly BuiltAt[];
}

const PLACES = ['rear', 'middle', 'front'] as const;
/** The outermost tenths of a body are its ends. */
const INSET = 0.08;
/** Diameters within this share of one another are one. */
const LEVEL_SHARE = 0.06;

/** One layer of thread laid flat raises a body by this on one side, mm. */
export const threadLayerMm = ({ sectionMm2, flatMm }: Thread): number => sectionMm2 / THREAD.solid / flatMm;

/**
 * How a wound body is built up to its outline at its rear, middle and front.
 * @param under diameters along the shank when it is begun
 * @returns null where its strand makes it as it is: one thickness, and no taper is meant
 */
export function buildUp(part: LaidPart, under: Profile, thread: Thread): BuildUp | null {
  const form = part.built.forms.find((each) => each.kind === 'wound');
  const { startMm, endMm } = part.extent;
  if (form?.kind !== 'wound' || part.file.role !== 'body' || form.strandMm > 0 || endMm <= startMm) return null;
  const shares = { rear: 1 - INSET, middle: 0.5, front: INSET };
  const found = PLACES.map((words) => {
    const mm = startMm + shares[words] * (endMm - startMm);
    return { words, underMm: under[Math.round(mm / STEP_MM)] ?? 0, meantMm: 2 * form.outerMm(mm) };
  });
  const pass =
    form.manner === 'thread' ? threadLayerMm(thread) : form.laid?.by === 'passes' ? form.laid.thickMm : undefined;
  const layer = threadLayerMm(thread);
  if (form.laid?.by === 'passes' && form.laid.passes !== null) {
    const strand = 2 * form.laid.thickMm * form.laid.passes;
    return {
      by: 'thread',
      at: found.map((each) => ({ ...each, passes: passesOf(each.underMm, each.meantMm - strand, layer) })),
    };
  }
  if (pass !== undefined)
    return {
      by: 'passes',
      at: found.map((each) => ({ ...each, passes: passesOf(each.underMm, each.meantMm, pass) })),
    };
  if (form.manner === 'dubbing') return { by: 'rope', at: found.map((each) => ({ ...each, passes: 1 })) };
  const meant = found.map((each) => each.meantMm);
  if (Math.min(...meant) >= Math.max(...meant) * (1 - LEVEL_SHARE)) return null;
  // A strand of one thickness stands as high everywhere: what is left to the outline is thread under it.
  const strand = Math.min(...found.map((each) => each.meantMm - each.underMm));
  return {
    by: 'thread',
    at: found.map((each) => ({ ...each, passes: passesOf(each.underMm, each.meantMm - strand, layer) })),
  };
}
