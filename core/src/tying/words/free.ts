import { CAUTIONS, DOSES, TIE_IN } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import type { LaidPart } from '../../model/index.ts';
import { tieInMm } from '../constraints.ts';
import { NOTHING, sideWords, tipMeasure, TORQUE, TUG, type PartWords, type Told } from './told.ts';

/** How much of it, as a tier takes it between the fingers. */
function amount({ move: { part }, length }: Told): string {
  const file = part.file as PartOf<'bundle'>;
  if (file.strands !== undefined) return `${String(file.strands)} strands`;
  if (file.dose !== undefined)
    return /^a |^half/.test(file.dose)
      ? file.dose
      : `a ${file.dose} (${length(DOSES[file.dose.toLowerCase()]?.pinchMm ?? 0)} squeezed)`;
  return `${length(part.extent.lengths['pinch']?.mm ?? 0)} squeezed`;
}

/** Cut stuff is left long; tips that grew are as they stay. */
const isCut = (part: LaidPart): boolean => {
  const form = part.built.forms[0];
  return form?.kind === 'bundle' && (form.manner === 'strand' || form.manner === 'tubing' || form.manner === 'leg');
};

/** Hair, plume, strands and legs. */
export function clumpWords(told: Told): PartWords {
  const { move, laid, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'bundle'>;
  const cut = isCut(part);
  const butts = part.extent.buttsToMm;
  const wing = ['wing', 'underwing', 'overwing'].includes(file.role);
  return {
    ...NOTHING,
    inHand: [
      `${part.built.material}${file.colour === undefined ? '' : `, ${file.colour}`}: ${amount(told)}`,
      ...(file.stacked === true ? ['tips levelled in the stacker'] : []),
    ],
    how: [
      `Measure it against the fly: its tip comes ${length(part.extent.lengthMm)} from ${place(tieInMm(part))}.`,
      `Pinch it ${sideWords(part)}, two soft turns, then ${String(TIE_IN.turns)} firm ones at ${place(tieInMm(part))}.`,
      butts === null
        ? 'Trim the butts on a slant.'
        : `Bind the butts along the shank to ${place(butts)} and trim them there.`,
      ...(file.support === 'turn-under' ? ['One turn of thread under it lifts it clear of the bend.'] : []),
      ...(file.side === 'both' ? ['Half of it on each side.'] : []),
    ],
    measure: tipMeasure(told),
    tool: file.stacked === true ? 'stacker' : null,
    torque: file.side === undefined || file.side === 'top' ? TORQUE : null,
    proof: 'Tug on it: nothing comes out.',
    end: cut ? 'trimmed later' : 'final',
    look: [
      wing ? 'From above: straight over the shank.' : 'In line with the shank.',
      ...(file.side === 'both' ? ['Both sides the same length.'] : []),
    ],
    wrong:
      file.role === 'tail' && part.extent.tipMm !== null && part.extent.tipMm > laid.platform.landmarksMm.rear
        ? 'Longer it wraps round the bend.'
        : wing
          ? 'More hair than this makes a head too large.'
          : null,
    state: wing ? 'spun' : 'flat',
  };
}

/** Feathers, slips and tips. */
export function featherWords(told: Told): PartWords {
  const { move, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'feather'>;
  const pair = file.form === undefined || file.form === 'pair' || file.form === 'slips' || file.form === 'tips';
  const width = part.extent.lengths['width']?.mm;
  return {
    ...NOTHING,
    inHand: [
      `${part.built.material}${file.colour === undefined ? '' : `, ${file.colour}`}: ${file.form === 'slips' ? 'a slip from a left and one from a right quill' : pair ? 'a matched pair' : 'one'}${width === undefined ? '' : `, ${length(width)} wide`}`,
    ],
    how: [
      `Measure it: the tip ${length(part.extent.lengthMm)} from ${place(tieInMm(part))}.`,
      file.form === 'slips'
        ? 'Hold both by their tips, a soft loop over them, straight down: they fold, they do not roll.'
        : `Set it ${sideWords(part)}, ${String(TIE_IN.turns)} firm turns on the stem.`,
    ],
    measure: tipMeasure(told),
    face:
      file.lie === 'sides' || file.role === 'cheek' ? 'shiny side out' : pair ? 'dull sides together' : 'shiny side up',
    torque: TORQUE,
    proof: pair ? 'Divider or ring across both tips: the same length.' : TUG,
    end: 'final',
    look: ['From the front: upright, neither rolled.', 'From the far side: as long as the near one.'],
    wrong:
      file.form === 'slips'
        ? 'A slip that splits was pinched beside the shank instead of over it.'
        : 'A stem that is not stripped far enough turns.',
    caution: CAUTIONS.feathers,
    state: 'flat',
  };
}

/** Strips of fur. */
export function stripWords(told: Told): PartWords {
  const { move, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'strip'>;
  const at = tieInMm(part);
  const binds = part.extent.bindingsMm.filter((each) => Math.abs(each - at) > 0.5);
  return {
    ...NOTHING,
    inHand: [
      `${part.built.material}, ${length(part.extent.lengths['width']?.mm ?? 3)} wide, hair lying aft`,
      'hair parted and skinned off the first 2 to 3 mm',
    ],
    how: [
      `Tie the bare hide in at ${place(at)}, ${sideWords(part)}, six firm turns on hide only.`,
      ...binds.map((each) => `Part the hair at ${place(each)} and bind it there.`),
      ...(file.boundBy === undefined
        ? []
        : [`It is bound down by the ${file.boundBy}, wound through its parted hair.`]),
    ],
    measure: tipMeasure(told),
    tool: 'blade for the hide, from the skin side',
    face: 'hide toward the shank',
    torque: TORQUE,
    proof: TUG,
    end: 'final',
    look: ['Hide flat, not rolled.', 'Hair clear of the turns.', 'In line with the shank.'],
    wrong: 'A longer strip fouls the bend.',
    caution: CAUTIONS.blade,
    state: 'spun',
  };
}
