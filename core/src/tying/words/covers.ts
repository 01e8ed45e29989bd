import { CAUTIONS } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import { across, along } from '../step.ts';
import { NOTHING, relationOf, TUG, type PartWords, type Told } from './told.ts';

/** Hair spun and trimmed. */
export function spunWords(told: Told): PartWords {
  const { move, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'spun'>;
  const wide = part.extent.lengths['diameter']?.mm;
  return {
    ...NOTHING,
    inHand: [`${part.built.material}${file.dose === undefined ? '' : `: ${file.dose} a clump`}`, 'underfur combed out'],
    how: [
      `On bare thread from ${place(part.extent.endMm)} forward: two loose turns round a clump, pull, and it flares round the shank.`,
      'Pack each clump against the last; go through it with the thread, not over it.',
      `Up to ${place(part.extent.startMm)}.`,
    ],
    measure:
      wide === undefined
        ? across(part.extent.lengthMm, 'of tips left', relationOf(part, 'tip'))
        : across(wide, 'across when trimmed', relationOf(part, 'diameter')),
    tool: 'blade or curved scissors to trim',
    proof: 'Twist it: it must not turn on the shank.',
    end: 'trimmed later',
    look: [
      'From the front: as much near as far.',
      ...(file.flatBelow === undefined || file.flatBelow === false ? [] : ['Flat below, clear of the point.']),
    ],
    wrong: 'Hair left standing in the gap covers the point.',
    caution: CAUTIONS.blade,
    state: 'flat',
  };
}

/** Shellbacks and cases. */
export function sheetWords(told: Told): PartWords {
  const { move, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'sheet'>;
  const { startMm, endMm } = part.extent;
  return {
    ...NOTHING,
    inHand: [`${part.built.material}, ${length(part.extent.lengths['width']?.mm ?? 0)} wide`],
    how: [
      `Tie it in at ${place(part.extent.endMm)}, fold it forward over what is done, bind it at ${place(part.extent.startMm)}.`,
      ...(file.doubled === true ? ['Double it back once.'] : []),
    ],
    measure: along(endMm - startMm, 'covered', relationOf(part, 'to'), startMm, endMm),
    face: 'shiny side out',
    proof: TUG,
    end: 'final',
    look: ['From above: even on both sides.'],
    wrong: 'Pulled too hard it narrows.',
    state: 'flat',
  };
}

/** Coats over a part or the head. */
export function coatWords(told: Told): PartWords {
  const file = told.move.part.file as PartOf<'coat'>;
  return {
    ...NOTHING,
    how: [
      `${String(file.layers ?? 1)} thin ${file.layers === undefined || file.layers === 1 ? 'coat' : 'coats'} of ${told.move.part.built.material} over the ${file.over}.`,
    ],
    end: 'final',
    look: ['The eye of the hook is clear.'],
    caution: CAUTIONS.coats,
  };
}
