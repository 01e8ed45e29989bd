import type { LaidFly } from '../model/index.ts';
import { partName } from '../tying/index.ts';
import type { TipFound } from './tips.ts';

/** A length that was found, mm, with its spread. */
export interface LengthFound {
  /** As a specimen names it. */
  readonly measure: string;
  readonly mm: number;
  readonly spreadMm: number;
}

/** A length more uncertain than this share of it is not told. */
const WORST = 0.08;

const hiddenWords = (part: string, by: string): string =>
  by === ''
    ? `the tip of the ${part} is not seen`
    : by === 'border'
      ? `the ${part} runs out of the picture: leave a finger’s breadth of ground all round the fly`
      : `the tip of the ${part} lies in the ${by}`;

interface LengthsTold {
  readonly lengths: readonly LengthFound[];
  /** Of what is not told, why. */
  readonly notes: readonly string[];
}

/**
 * What tips tell: how long their parts are, and how far past the bend they reach.
 * @param scale times the millimetres of the plan's shank, where another measure sets the scale
 * @param unsure how far off a length may be besides its own tip, mm
 */
export function lengthsOf(
  tips: readonly TipFound[],
  laid: LaidFly,
  scale = 1,
  unsure: (mm: number, tipMm: number) => number = () => 0,
): LengthsTold {
  const { rear } = laid.platform.landmarksMm;
  const lengths: LengthFound[] = [];
  const notes: string[] = [];
  for (const tip of tips) {
    const part = laid.parts.find(({ file }) => file.id === tip.part);
    if (part?.extent.tipMm == null) continue;
    const { lengthMm, tipMm } = part.extent;
    if ('hiddenBy' in tip) {
      const by = laid.parts.some(({ file }) => file.id === tip.hiddenBy) ? partName(tip.hiddenBy) : tip.hiddenBy;
      notes.push(hiddenWords(partName(tip.part), by));
      continue;
    }
    const mm = scale * (lengthMm + tip.tipMm - tipMm);
    const pastBend = scale * (tip.tipMm - rear);
    const spreadMm = Math.hypot(scale * tip.spreadMm, unsure(mm, tip.tipMm));
    if (spreadMm > WORST * mm) notes.push(`the ${partName(tip.part)} cannot be measured to a twelfth of its length`);
    else lengths.push({ measure: tip.part, mm, spreadMm });
    if (spreadMm <= WORST * Math.min(mm, pastBend))
      lengths.push({ measure: `${tip.part}.pastBend`, mm: pastBend, spreadMm });
  }
  return { lengths, notes };
}
