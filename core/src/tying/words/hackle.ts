import { CAUTIONS, TIE_IN } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import type { LaidPart } from '../../model/index.ts';
import { endsUnderRib, tieInMm } from '../constraints.ts';
import { tiedOffMm, tiesIn } from '../order.ts';
import { toPlace } from '../places.ts';
import { across } from '../step.ts';
import { NOTHING, relationOf, stuffWords, TUG, turnWords, type PartWords, type Told } from './told.ts';

/** The end a hackle is tied in by where the file does not say: a palmer from the front by its butt, all else by its tip. */
export function usualEnd(part: LaidPart): 'tip' | 'base' {
  const file = part.file as PartOf<'hackle'>;
  if (file.from === undefined) return 'tip';
  return tieInMm(part) <= (part.extent.startMm + part.extent.endMm) / 2 ? 'base' : 'tip';
}

/** Collars, throats and palmers. */
export function hackleWords(told: Told): PartWords {
  const { move, style, length, at, place } = told;
  const { part, does } = move;
  const file = part.file as PartOf<'hackle'>;
  const turns = part.built.turns ?? 0;
  const palmer = file.from !== undefined;
  const by = file.by ?? usualEnd(part);
  const inHand = [
    `${stuffWords(part)}, fibres ${length(part.extent.lengthMm)}`,
    ...(file.feathers !== undefined && file.feathers > 1 ? [`${String(file.feathers)} feathers together`] : []),
  ];
  const catchIt = [
    `Tie it in by its ${by === 'tip' ? 'tip' : 'stripped butt'} ${at(tieInMm(part))}, ${String(TIE_IN.turns)} turns on the ${by === 'tip' ? 'tip' : 'bare stem'}.`,
  ];
  if (does === 'catch')
    return {
      ...NOTHING,
      inHand,
      how: [...catchIt, 'Let it hang to the rear.'],
      face: 'dull side toward you',
      proof: TUG,
    };
  const toMm = palmer ? tiedOffMm(part) : part.extent.startMm;
  const under = endsUnderRib(part, told.laid);
  return {
    ...NOTHING,
    inHand,
    how: [
      ...(tiesIn(move) ? catchIt : []),
      file.style === 'throat'
        ? `${turnWords(turns, style)}, then draw the fibres down and bind them below.`
        : `${turnWords(turns, style)}${palmer ? ` ${toPlace(place(toMm))}` : ', each in front of the last'}, stroking the fibres back at each.`,
      under
        ? 'Hold its tip there in the pliers: the first turn of the rib binds it, then trim it.'
        : by === 'tip'
          ? 'Tie off, trim the butt close.'
          : 'Tie off on the tip, trim it close.',
    ],
    measure: across(part.extent.lengthMm, 'of fibre', relationOf(part, 'fibre', 'tip')),
    tool: 'hackle pliers',
    face: 'dull side to the rear, so that the fibres lean back',
    proof: null,
    end: 'final',
    look: ['No fibre tied down.', file.style === 'throat' ? 'Alike near and far.' : 'All round alike.'],
    wrong: by === 'tip' ? 'A thin tip breaks: then by the butt.' : 'A thick stem makes a bump.',
    caution: CAUTIONS.pliers,
    state: 'spun',
  };
}
