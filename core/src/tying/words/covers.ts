import { CAUTIONS } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import { isLip } from '../constraints.ts';
import { be, partName } from '../partName.ts';
import { frontWords, toPlace } from '../places.ts';
import { across, along } from '../step.ts';
import { twiceDone } from '../twice.ts';
import { andList, NOTHING, relationOf, stuffWords, TUG, type PartWords, type Told } from './told.ts';

/** Hair spun and trimmed, with a collar of its own tips where it has one. */
export function spunWords(told: Told): PartWords {
  const { move, length, place, at } = told;
  const { part } = move;
  const file = part.file as PartOf<'spun'>;
  const wide = part.extent.lengths['diameter']?.mm;
  const { startMm, endMm, tipMm } = part.extent;
  const collar = file.tip !== undefined && tipMm !== null;
  const dose = file.dose === undefined ? '' : `: ${file.dose} a clump`;
  return {
    ...NOTHING,
    inHand: [
      `${stuffWords(part)}${dose}`,
      ...(file.bands === undefined ? [] : [`from the rear: ${file.bands.join(', ')}`]),
      collar ? 'underfur combed out, tips levelled' : 'underfur combed out',
    ],
    how: collar
      ? [
          `First the collar: lay a clump ${at(endMm)}, its tips ${length(tipMm - endMm)} back, butts to the front.`,
          'Two soft turns; draw down till the butts flare, and push the hair round the shank with the thumb as it lets go.',
          'The tips stay as they grew.',
          `Butts back; more clumps in front, each packed against the last, ${toPlace(place(startMm))}.`,
        ]
      : [
          `On bare shank from ${place(endMm)} forward: two loose turns round a clump, draw down, and it flares round the shank.`,
          `Pack each clump against the last; go through it with the thread, not over it, ${toPlace(place(startMm))}.`,
        ],
    measure:
      collar || wide === undefined
        ? across(tipMm === null ? part.extent.lengthMm : tipMm - endMm, 'of tips behind it', relationOf(part, 'tip'))
        : across(wide, 'across when trimmed', relationOf(part, 'diameter')),
    tool: collar ? 'stacker, or levelled by hand' : null,
    proof: 'Twist it: it must not turn on the shank.',
    end: collar ? 'final' : 'trimmed later',
    look: ['From the front: as much near as far.'],
    wrong: 'Too much hair at once only half flares.',
    caution: null,
    state: 'flat',
  };
}

/** Cases, shell backs and whatever else is folded: tied in, then folded once what it covers is made. */
export function sheetWords(told: Told): PartWords {
  const { move, laid, length, at } = told;
  const { part, does } = move;
  const file = part.file as PartOf<'sheet'>;
  const { startMm, endMm } = part.extent;
  if (isLip(part)) return lipWords(told);
  const how = twiceDone(part, laid);
  const [caught, finished] = [how?.caughtMm ?? endMm, how?.finishedMm ?? startMm];
  const covers = (how?.covers ?? []).map((each) => partName(each.file.id));
  const toward = finished < caught ? 'forward' : 'back';
  if (does === 'catch')
    return {
      ...NOTHING,
      inHand: [`${stuffWords(part)}, ${length(part.extent.lengths['width']?.mm ?? 0)} wide`],
      how: [
        `Tie it in ${at(caught)} by one end, its length lying ${finished < caught ? 'to the rear' : 'to the front'}, out of the way.`,
        covers.length === 0
          ? 'Leave it.'
          : `Leave it while the ${andList(covers, ' the ')} ${covers.length === 1 ? be(covers[0] ?? '') : 'are'} made.`,
      ],
      face: 'its good side to the shank: it turns when it is folded',
      proof: TUG,
      end: 'trimmed later',
    };
  return {
    ...NOTHING,
    how: [
      `Fold it ${toward} over what is made and bind it ${at(finished)}.`,
      ...(file.doubled === true
        ? [`Fold it ${toward === 'forward' ? 'back' : 'forward'} once more and bind it again.`]
        : []),
      ...leftOver(told, file, toward),
    ],
    measure: along(endMm - startMm, 'covered', relationOf(part, 'to'), startMm, endMm),
    proof: TUG,
    end: 'final',
    look: ['From above: even on both sides.', ...(file.pads === undefined ? [] : ['From the side: the pads lie low.'])],
    wrong: 'Pulled too hard it narrows.',
    state: 'flat',
  };
}

const PAD_ENDS: Readonly<Record<NonNullable<PartOf<'sheet'>['padCut']>, string>> = {
  square: 'straight across',
  round: 'to a round',
  notched: 'with a V out of the middle',
};

/** What becomes of the ends once it is folded and bound: cut off, or left as pads. */
function leftOver({ move: { part }, length }: Told, file: PartOf<'sheet'>, toward: 'forward' | 'back'): string[] {
  const pads = part.extent.lengths['pads'];
  if (!pads || pads.mm <= 0) return ['Trim what is left over.'];
  const cut = `cut it ${PAD_ENDS[file.padCut ?? 'square']}, ${length(pads.mm)} long`;
  return toward === 'forward'
    ? [
        'Lay what is left back over the fold and hold it there with two turns in front, where the first bind it.',
        `Then ${cut}: the pads.`,
      ]
    : [`Leave what is beyond it lying to the rear and ${cut}: the pads.`];
}

/** A lip of foam: bound by its rear behind the eye, its front standing out ahead of it. */
function lipWords({ move: { part }, laid, length }: Told): PartWords {
  const { startMm, endMm } = part.extent;
  const front = frontWords(laid);
  return {
    ...NOTHING,
    inHand: [`${stuffWords(part)}, ${length(part.extent.lengths['width']?.mm ?? 0)} wide`],
    how: [
      `Lay it on top, its front ${length(-startMm)} ahead of ${front}, and bind ${length(endMm)} of it down behind ${front} with soft turns that do not cut in.`,
      'Lift it, and bring the thread under it to the eye.',
      'Trim the lip round or square once the head is done.',
    ],
    measure: along(-startMm, `of lip ahead of ${front}`, relationOf(part, 'from'), startMm, 0),
    proof: TUG,
    end: 'trimmed later',
    look: ['From above: even on both sides.', 'From the front: level.'],
    wrong: 'Turns that are drawn hard cut foam through.',
  };
}

/** Coats over a part or the head. */
export function coatWords(told: Told): PartWords {
  const file = told.move.part.file as PartOf<'coat'>;
  return {
    ...NOTHING,
    inHand: [told.move.part.built.material],
    how: [
      `${String(file.layers ?? 1)} thin ${file.layers === undefined || file.layers === 1 ? 'coat' : 'coats'} of ${told.move.part.built.material} over the ${partName(file.over)}.`,
    ],
    end: 'final',
    look: told.laid.platform.kind === 'tube' ? [] : ['The eye of the hook is clear.'],
    caution: CAUTIONS.coats,
  };
}
