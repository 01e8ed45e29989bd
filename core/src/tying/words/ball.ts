import { CAUTIONS } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import { needsNoThread, tieInMm } from '../constraints.ts';
import { frontWords } from '../places.ts';
import { along } from '../step.ts';
import { hasLead, NOTHING, sideWords, type PartWords, type Told } from './told.ts';

/** `brass dumbbell`, `plastic eyes`: a thing is not called twice by what it is of. */
const ballName = (material: string, shape: string): string =>
  shape === 'plastic'
    ? `${material} eyes`
    : shape === 'stalked'
      ? `${material} eyes on stalks`
      : `${material} ${shape.replace('-', ' ')}`;

/** What is told of a pair or bead before its name. */
const madeSo = ({ slotted, faces }: PartOf<'ball'>): string =>
  slotted === true ? 'slotted ' : faces === 'flat' ? 'flat-faced ' : faces === 'drilled' ? 'drilled ' : '';

/** What slides on sits against the front end from so near on, mm. */
const HOME_MM = 0.6;

/** Eyes, beads, cones and discs. */
export function ballWords(told: Told): PartWords {
  const { move, length, at } = told;
  const { part } = move;
  const file = part.file as PartOf<'ball'>;
  const size = length(part.extent.lengthMm);
  const colour = file.colour === undefined ? '' : `, ${file.colour}`;
  const base: PartWords = {
    ...NOTHING,
    inHand: [`${size} ${madeSo(file)}${ballName(part.built.material, file.shape)}${colour}`],
    caution: hasLead(part) ? CAUTIONS.lead : null,
    end: 'final',
  };
  if (file.shape === 'bead' || file.shape === 'cone') return { ...base, ...slidOn(told, file) };
  if (file.shape === 'disc')
    return {
      ...base,
      how: [`Glue one to each side ${at(tieInMm(part))}, on what is finished.`],
      glue: 'superglue or resin',
      caution: CAUTIONS.superglue,
      look: ['From the front: both at one height.'],
    };
  return { ...base, ...(file.shape === 'stalked' ? stalkedEyes(told, file) : tiedEyes(told, file)) };
}

/** Beads and cones: how they go on, and home where they go home. */
function slidOn({ move: { part }, laid, length }: Told, file: PartOf<'ball'>): Partial<PartWords> {
  const { platform } = laid;
  const front = part.extent.startMm;
  const end =
    file.shape === 'cone'
      ? 'the narrow end to the front'
      : file.slotted === true
        ? 'the small hole first, its slot to the rear so that it turns over the bend'
        : 'the small hole to the front';
  // On a tube it may come when all else is tied.
  const late =
    platform.kind === 'tube' && laid.parts.slice(0, laid.parts.indexOf(part)).some((other) => !needsNoThread(other));
  const barb = 'barb' in laid.file.platform ? laid.file.platform.barb : undefined;
  const goesOn =
    platform.kind === 'tube'
      ? `Push it on the front of the tube, ${end}.`
      : platform.kind === 'shank'
        ? `Slide it on from the open end of the shank, ${end}.`
        : `Slide it over the point and round the bend, ${end}.`;
  return {
    how: [
      goesOn,
      late
        ? 'Push it back against the dressing; the head is wound and whipped behind it.'
        : front < HOME_MM
          ? `Push it home against ${frontWords(laid)} before the thread goes on.`
          : `It stays ${length(front)} behind ${frontWords(laid)}: thread in front of it and behind it holds it there, and the wire in front is free to tie on.`,
    ],
    wrong:
      barb === undefined ||
      barb === 'none' ||
      barb === 'pinched' ||
      platform.kind === 'tube' ||
      platform.kind === 'shank'
        ? null
        : 'A bead that does not pass the barb: pinch the barb first.',
  };
}

/** Eyes on stalks: each stalk bound along the shank, then crossed so that they stand apart. */
function stalkedEyes({ move: { part }, laid, length, at }: Told, file: PartOf<'ball'>): Partial<PartWords> {
  const [form] = part.built.forms;
  const { rearMm = 0, asideMm = 0 } = form?.kind === 'ball' ? form.stalk : {};
  const ahead = file.toward === 'front';
  const stands = Math.hypot(rearMm, asideMm);
  return {
    how: [
      `Lay one stalk along each side of the shank ${at(tieInMm(part))}, the eyes to the ${ahead ? 'front' : 'rear'}, and bind both with soft turns.`,
      `Slide them until each eye stands ${length(stands)} off, then cross the thread between them so that they spread to ${length(2 * asideMm)}.`,
      ...(laid.file.finish?.glueOnThread === true ? ['A drop of superglue into the crossing turns.'] : []),
    ],
    measure: along(
      tieInMm(part),
      `from ${frontWords(laid)} to where the stalks are bound`,
      file.at ?? null,
      0,
      tieInMm(part),
    ),
    look: ['From above: both as long, and spread alike.', 'From the side: level.'],
    wrong: 'A stalk that is bound askew points its eye down: turn it before the glue.',
    state: 'spun',
  };
}

/** Eyes that the thread crosses, on top of the shank or below it. */
function tiedEyes({ move, laid, length }: Told, file: PartOf<'ball'>): Partial<PartWords> {
  const { part } = move;
  const middle = tieInMm(part);
  const glued = laid.file.finish?.glueOnThread === true;
  return {
    how: [
      `Set it ${sideWords(part)}, its middle ${length(middle)} behind ${frontWords(laid)}.`,
      'Six turns one way across, six the other, then turns round under it, between eyes and shank.',
      ...(glued ? ['A drop of superglue into the crossing turns.'] : []),
    ],
    measure: along(middle, `from ${frontWords(laid)} to the middle of the eyes`, file.at ?? null, 0, middle),
    torque: 'Hold the pair turned a little toward you: the thread turns it away.',
    glue: glued ? 'a drop of superglue on the crossing turns' : null,
    proof: 'Take one ball and try to turn it: the pair must not give.',
    look: ['From the front: level.', 'From above: square to the shank.'],
    wrong: 'Eyes that sit askew lean the fly to one side.',
    caution: hasLead(part) ? CAUTIONS.lead : glued ? CAUTIONS.superglue : null,
    state: 'spun',
  };
}
