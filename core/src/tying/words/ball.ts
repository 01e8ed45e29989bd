import { CAUTIONS } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import { tieInMm } from '../constraints.ts';
import { along } from '../step.ts';
import { hasLead, NOTHING, sideWords, type PartWords, type Told } from './told.ts';

/** `brass dumbbell`, `plastic eyes`: a thing is not called twice by what it is of. */
const ballName = (material: string, shape: string): string =>
  shape === 'plastic' ? `${material} eyes` : `${material} ${shape.replace('-', ' ')}`;

/** Eyes, beads, cones and discs. */
export function ballWords(told: Told): PartWords {
  const { move, length, place } = told;
  const { part } = move;
  const file = part.file as PartOf<'ball'>;
  const size = length(part.extent.lengthMm);
  const lead = hasLead(part);
  const base: PartWords = {
    ...NOTHING,
    inHand: [`${size} ${ballName(part.built.material, file.shape)}`],
    caution: lead ? CAUTIONS.lead : null,
    end: 'final',
  };
  if (file.shape === 'bead' || file.shape === 'cone')
    return {
      ...base,
      how: [
        'Slide it over the point, the small hole first.',
        'Push it home against the eye before the thread goes on.',
      ],
      wrong: 'A bead that does not pass the barb: flatten the barb first.',
    };
  if (file.shape === 'disc')
    return {
      ...base,
      how: [`Glue one to each side at ${place(tieInMm(part))}, on what is finished.`],
      glue: 'superglue or resin',
      caution: CAUTIONS.superglue,
      look: ['From the front: both at one height.'],
    };
  return { ...base, ...tiedEyes(told, file) };
}

/** Eyes that the thread crosses, on top of the shank or below it. */
function tiedEyes({ move, laid, length, place }: Told, file: PartOf<'ball'>): Partial<PartWords> {
  const { part } = move;
  const at = tieInMm(part);
  const glued = laid.file.finish?.glueOnThread === true;
  return {
    how: [
      `Set it ${sideWords(part)} with its middle at ${place(at)}, ${length(at)} behind the eye.`,
      'Six turns one way across, six the other, then turns round under it, between eyes and shank.',
      ...(glued ? ['A drop of superglue into the crossing turns.'] : []),
    ],
    measure: along(at, 'from the eye to the middle of the eyes', file.at ?? null, 0, at),
    torque: 'Hold the pair turned a little toward you: the thread turns it away.',
    glue: glued ? 'a drop of superglue on the crossing turns' : null,
    proof: 'Take one ball and try to turn it: the pair must not give.',
    look: ['From the front: level.', 'From above: square to the shank.'],
    wrong:
      laid.headMm > part.extent.startMm - 0.2
        ? 'They sit on the head space: nothing can be tied in front of them.'
        : 'Eyes that sit askew lean the fly to one side.',
    caution: hasLead(part) ? CAUTIONS.lead : glued ? CAUTIONS.superglue : null,
    state: 'spun',
  };
}
