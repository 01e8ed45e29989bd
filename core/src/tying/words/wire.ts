import { CAUTIONS } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import { windingOf, type LaidFly, type LaidPart } from '../../model/index.ts';
import { saying } from '../../units/index.ts';
import { partName } from '../partName.ts';
import { stretchWords } from '../places.ts';
import { along } from '../step.ts';
import { hasLead, NOTHING, relationOf, stuffWords, turnWords, type PartWords, type Told } from './told.ts';

/** Wire is pushed home where its front touches something so near, mm. */
const HOME_MM = 0.6;

/** A bead or a pair of eyes that wire is pushed up against; null where it ends on the bare shank. */
export const homeOf = (wire: LaidPart, { parts }: LaidFly): LaidPart | null =>
  parts.find(
    ({ file, extent }) =>
      file.construction === 'ball' && file.shape !== 'disc' && Math.abs(extent.endMm - wire.extent.startMm) < HOME_MM,
  ) ?? null;

/** Weight wire: on the bare shank before the thread, or over a bed of it. */
export function wireWords(told: Told, turns: number): PartWords {
  const { move, laid, style, length, place, bare } = told;
  const { part } = move;
  const file = part.file as PartOf<'wrap'>;
  const { startMm, endMm } = part.extent;
  const home = homeOf(part, laid);
  const ends = `it lies ${stretchWords(`${length(startMm)} behind the eye`, `${length(endMm)} behind the eye`)}`;
  const counted = `${turnWords(turns, style)}, touching`;
  return {
    ...NOTHING,
    inHand: [`${stuffWords(part)}, ${saying(style).thin(windingOf(part)?.strandMm ?? 0)} thick`],
    how: bare
      ? [
          home
            ? `Wind ${counted}, on the bare shank at its middle; break the ends off short and press them down.`
            : `Wind ${counted}, on the bare shank from ${place(endMm)} forward; break the ends off short and press them down.`,
          home
            ? `Push the coils home against the ${partName(home.file.id)}: ${ends}.`
            : `Slide them to their place: ${ends}.`,
          'A drop of glue under them; then the thread goes over, with a ramp at each end.',
        ]
      : [
          `Wind ${counted}, over the thread ${stretchWords(place(endMm), place(startMm))}; break the ends off short and press them down.`,
          ...(home ? [`Push the coils home against the ${partName(home.file.id)}: ${ends}.`] : []),
          'Ramp both ends with thread, then bind the wire crosswise.',
        ],
    measure: along(
      endMm - startMm,
      'of shank under wire',
      file.turns === undefined ? relationOf(part, 'to', 'from') : turnWords(file.turns, style),
      startMm,
      endMm,
    ),
    tool: 'old clippers, never the scissors',
    glue: bare ? 'superglue or head cement under the wire' : null,
    proof: 'Push at the coils with a nail: they must not slide.',
    look: ['No gap between turns.'],
    wrong: 'A bare step at its end shows through the body.',
    caution: hasLead(part) ? CAUTIONS.lead : bare ? CAUTIONS.superglue : null,
    end: 'final',
  };
}
