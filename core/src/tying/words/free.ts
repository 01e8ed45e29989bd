import { CAUTIONS, DOSES, TIE_IN } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import type { LaidPart } from '../../model/index.ts';
import { boundBy, tieInMm } from '../constraints.ts';
import { partName } from '../partName.ts';
import { twiceDone, type Twice } from '../twice.ts';
import {
  goesOnAs,
  NOTHING,
  sideWords,
  stuffWords,
  tipMeasure,
  TORQUE,
  TUG,
  type PartWords,
  type Told,
} from './told.ts';

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

/** Strands and legs are cut to their length once they are on; whatever ends in tips that grew is never cut. */
export const isCutLong = ({ built, file }: LaidPart): boolean => {
  const form = built.forms[0];
  const ends = file.construction === 'bundle' ? file.ends : undefined;
  return (
    form?.kind === 'bundle' &&
    (form.manner === 'strand' || form.manner === 'tubing' || form.manner === 'leg') &&
    ends !== 'natural' &&
    ends !== 'torn'
  );
};

const WINGS: readonly string[] = ['wing', 'underwing', 'overwing'];

/** Where a free length is measured from: a place one sees, else where it is tied in. */
function fromTieIn({ move: { part }, place }: Told): string {
  const words = place(tieInMm(part));
  return words.startsWith('the ') ? `behind ${words}` : 'behind its tie-in';
}

/** What becomes of the butts: left, where the piece goes on; run along the shank; or trimmed where it is tied in. */
function buttWords({ move: { part }, laid, at }: Told): string {
  const on = goesOnAs(part, laid);
  if (on) return `Leave its butts long, out of the way: they become the ${partName(on.file.id)}.`;
  const butts = part.extent.buttsToMm;
  const wrapped = part.file.construction === 'bundle' && part.file.buttsWrapped === true;
  return butts === null || Math.abs(butts - tieInMm(part)) < 0.5
    ? 'Trim the butts on a slant.'
    : `Bind the butts down along the shank and trim them ${at(butts)}${wrapped ? ', then wrap them with thread edge to edge' : ''}.`;
}

/** How a clump is bound on; legs as they are held. */
function bindingWords({ move: { part }, at }: Told, side: string): readonly string[] {
  const file = part.file as PartOf<'bundle'>;
  const firm = `then ${String(TIE_IN.turns)} firm ones ${at(tieInMm(part))}`;
  if (file.role === 'legs' && file.held === 'crossed')
    return [
      `Lay them ${side}, bind them by their middle with one soft turn, and cross the thread over it both ways ${at(tieInMm(part))}: they stand out square.`,
    ];
  if (file.role === 'legs' && file.held === 'doubled')
    return [
      `Fold them over the thread, slide the fold up to the shank ${side}, two soft turns, ${firm}: both ends lie back.`,
    ];
  return [`Pinch it ${side}, two soft turns, ${firm}.`];
}

/** Hair, plume, strands and legs. */
export function clumpWords(told: Told): PartWords {
  const { move, laid, length, at } = told;
  const { part } = move;
  const file = part.file as PartOf<'bundle'>;
  const cut = isCutLong(part);
  const wing = WINGS.includes(file.role);
  const side = sideWords(part);
  const both = side === 'on both sides';
  const on = move.does === 'on';
  const forward = file.toward === 'front';
  const off = forward ? 'ahead of its tie-in' : fromTieIn(told);
  return {
    ...NOTHING,
    inHand: [
      `${stuffWords(part)}: ${amount(told)}`,
      ...(file.stacked === true ? ['tips levelled in the stacker'] : []),
    ],
    how: on
      ? [
          `Lay it back ${side}, its tips ${length(part.extent.lengthMm)} ${fromTieIn(told)}, and bind it ${at(tieInMm(part))}.`,
        ]
      : [
          cut
            ? `It is left long, and cut to ${length(part.extent.lengthMm)} at the end.`
            : `Measure it against the fly: its tips come ${length(part.extent.lengthMm)} ${off}.`,
          ...(forward ? ['Its tips lie to the front, its butts to the rear.'] : []),
          ...bindingWords(told, side),
          ...(both ? ['Half of it on each side.'] : []),
          buttWords(told),
          ...(forward ? ['Lift it, and bring the thread under it to the eye: turns in front hold it up.'] : []),
          ...(file.support === 'turn-under' ? ['One turn of thread under it lifts it clear of the bend.'] : []),
        ],
    measure: tipMeasure(told),
    tool: file.stacked === true ? 'stacker' : null,
    torque: side === 'on top' && !on ? TORQUE : null,
    proof: 'Tug on it: nothing comes out.',
    end: cut ? 'trimmed later' : 'final',
    look: [
      wing ? 'From above: straight over the shank.' : 'In line with the shank.',
      ...(both ? ['Both sides the same length.'] : []),
    ],
    wrong:
      file.role === 'tail' && part.extent.tipMm !== null && part.extent.tipMm > laid.platform.landmarksMm.rear
        ? 'Longer it wraps round the bend.'
        : wing && !on
          ? 'More hair than this makes a head too large.'
          : null,
    state: wing ? 'spun' : 'flat',
  };
}

/** How the blades of a feather come to lie, as a tier sees it. */
function lieWords(file: PartOf<'feather'>): { readonly set: string; readonly look: string } {
  const low = file.lie === 'tented';
  if (file.form === 'single') return { set: 'on top', look: 'Straight over the shank, curving as it should.' };
  if (file.role === 'cheek' || file.side === 'both' || file.lie === 'sides')
    return { set: 'one on each side', look: 'From the front: at one height, alike near and far.' };
  if (file.lie === 'flat') return { set: 'flat on top', look: 'From above: straight over the shank.' };
  if (file.form === 'slips' || low)
    return {
      set: 'over the back',
      look: low ? 'From the front: a low roof, alike near and far.' : 'From the front: upright, neither rolled.',
    };
  return { set: 'on the sides', look: 'From the front: upright, neither rolled.' };
}

/** Feathers, slips and tips. */
export function featherWords(told: Told): PartWords {
  const { move, length } = told;
  const { part } = move;
  const file = part.file as PartOf<'feather'>;
  const pair = file.form !== 'single';
  const width = part.extent.lengths['width']?.mm;
  const { set, look } = lieWords(file);
  const what =
    file.form === 'slips' ? 'a slip from a left and one from a right quill' : pair ? 'a matched pair' : 'one';
  const rib = boundBy(file);
  return {
    ...NOTHING,
    inHand: [
      `${stuffWords(part)}: ${what}${width === undefined ? '' : `, ${length(width)} wide`}`,
      ...(file.married === undefined ? [] : [`married, top to bottom: ${file.married.join(', ')}`]),
    ],
    how: [
      `Measure it: the tip ${length(part.extent.lengthMm)} ${fromTieIn(told)}.`,
      file.form === 'slips'
        ? 'Hold both by their tips, a soft loop over them, straight down: they fold, they do not roll.'
        : `Set ${pair ? 'them' : 'it'} ${set}, ${String(TIE_IN.turns)} firm turns on the ${pair ? 'stems' : 'stem'}.`,
      ...(rib === null ? [] : [`The ${partName(rib)} binds it down: part the fibres for each turn.`]),
      ...(part.extent.buttsToMm === null ? [] : [buttWords(told)]),
    ],
    measure: tipMeasure(told),
    face:
      file.lie === 'sides' || file.role === 'cheek' ? 'shiny side out' : pair ? 'dull sides together' : 'shiny side up',
    torque: file.form === 'single' ? TORQUE : null,
    proof: pair ? 'Divider or ring across both tips: the same length.' : TUG,
    end: 'final',
    look: pair ? [look, 'From the far side: as long as the near one.'] : [look],
    wrong:
      file.form === 'slips'
        ? 'A slip that splits was pinched beside the shank instead of over it.'
        : 'A stem that is not stripped far enough turns.',
    caution: CAUTIONS.feathers,
    state: 'flat',
  };
}

/** What is the same whenever a strip is bound. */
const hideBound = (part: LaidPart, width: string): PartWords => ({
  ...NOTHING,
  inHand: [`${stuffWords(part)}, ${width} wide, fur lying to the rear`],
  tool: 'blade for the hide, from the skin side',
  face: 'skin side to the shank',
  torque: TORQUE,
  proof: TUG,
  end: 'final',
  look: ['Skin flat, not rolled.', 'Fur clear of the turns.', 'In line with the shank.'],
  wrong: 'A longer strip fouls the bend.',
  caution: CAUTIONS.blade,
  state: 'spun',
});

/** Nothing is cut or taken in hand for its second binding. */
const SECOND = { inHand: [], tool: null, face: null, torque: null, caution: null } as const;

/** How a rib that binds a strip is let through its fur. */
function ribWords(file: PartOf<'strip'>): string[] {
  const rib = boundBy(file);
  return rib === null
    ? []
    : [`The ${partName(rib)} binds it down: part the fur for each turn, and free what is caught.`];
}

/** A strip whose rear is bound before the body, and whose front is tied down over it. */
function rearFirst({ move: { part, does }, length, at }: Told, { caughtMm, finishedMm }: Twice): Partial<PartWords> {
  const side = sideWords(part);
  if (does === 'catch')
    return {
      how: [
        `Wet the fur and part it where the hide lies ${at(caughtMm)}; bind the bare skin there ${side}, ${String(TIE_IN.turns)} firm turns.`,
        'Let its front end hang back, out of the way of the body.',
      ],
      end: 'trimmed later',
    };
  return {
    ...SECOND,
    measure: null,
    how: [
      `Pull it over the body, snug and not stretched; skin the fur off the last ${length(3)} and tie the bare skin down ${at(finishedMm)} ${side}.`,
      'Trim its end.',
      ...ribWords(part.file as PartOf<'strip'>),
    ],
    wrong: 'Stretched it pulls the tail short and lifts.',
  };
}

/** Strips of fur: bound once; or at one end, and brought over what is made and bound at the other. */
export function stripWords(told: Told): PartWords {
  const { move, laid, length, at } = told;
  const { part, does } = move;
  const twice = twiceDone(part, laid);
  const base: PartWords = {
    ...hideBound(part, length(part.extent.lengths['width']?.mm ?? 3)),
    measure: tipMeasure(told),
  };
  if (twice?.first === 'rear') return { ...base, ...rearFirst(told, twice) };
  if (does === 'over')
    return {
      ...base,
      ...SECOND,
      how: [`Lay it back along the body, part the fur and bind it ${at(twice?.finishedMm ?? part.extent.endMm)}.`],
    };
  const caught = at(twice?.caughtMm ?? tieInMm(part));
  return {
    ...base,
    how: [
      `Skin the fur off the first ${length(3)}; tie the bare skin in ${caught}, ${sideWords(part)}, ${String(TIE_IN.turns)} firm turns.`,
      ...(does === 'tie' ? ribWords(part.file as PartOf<'strip'>) : []),
    ],
  };
}
