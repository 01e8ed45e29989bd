import { TIE_IN } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import { windingOf, type LaidPart } from '../../model/index.ts';
import { saying } from '../../units/index.ts';
import type { BuiltAt } from '../buildUp.ts';
import { eyesWithin, overlapMm, isPalmer, tieInMm } from '../constraints.ts';
import { isThereAndBack, tiedOffMm, tiesIn } from '../order.ts';
import { partName } from '../partName.ts';
import { toPlace } from '../places.ts';
import { along } from '../step.ts';
import {
  goesOnAs,
  isFuzzy,
  isOnCore,
  isTwisted,
  NOTHING,
  relationOf,
  stuffWords,
  TUG,
  turnWords,
  type PartWords,
  type Told,
} from './told.ts';
import { wireWords } from './wire.ts';

/** What is wound up to here may be wound too far. */
const NEAR_HEAD_MM = 4;

/** A rope is judged by eye, to half a millimetre. */
const ROPE_MM = 0.5;
const asRope = (mm: number): number => Math.max(ROPE_MM, Math.round(mm / ROPE_MM) * ROPE_MM);

/** How a body comes to its taper, in a line; what its turns are where its strand makes it as it is. */
function builtUp({ buildUp, length }: Told): string | null {
  if (!buildUp) return null;
  const each = (said: (at: BuiltAt) => string): string =>
    buildUp.at
      .filter((at) => at.passes > 0)
      .map((at) => `${said(at)} ${at.words === 'middle' ? 'in' : 'at'} the ${at.words}`)
      .join(', ');
  const passes = buildUp.at.map((at) => at.passes);
  const even = passes.every((count) => count === passes[0]);
  const count = (n: number): string => `${String(n)} ${n === 1 ? 'layer' : 'layers'}`;
  if (buildUp.by === 'rope') {
    const thick = buildUp.at.map(({ underMm, meantMm }) => asRope(Math.max(0, meantMm - underMm) / 2));
    const level = thick.every((mm) => mm === thick[0]);
    return level
      ? `Twist it onto the thread as a rope ${length(thick[0] ?? ROPE_MM)} thick, and wind it in touching turns.`
      : `Twist it onto the thread as a rope: ${buildUp.at.map((at, i) => `${length(thick[i] ?? ROPE_MM)} ${at.words === 'middle' ? 'in' : 'at'} the ${at.words}`).join(', ')}; wind it in touching turns.`;
  }
  if (buildUp.by === 'passes')
    return even
      ? `${count(passes[0] ?? 0)} from end to end, edge to edge.`
      : `Back and forth, edge to edge: ${each((at) => count(at.passes))}.`;
  return passes.every((n) => n === 0)
    ? null
    : even
      ? `First an even underbody of thread: ${count(passes[0] ?? 0)} of it.`
      : `First thread under it for the taper: ${each((at) => count(at.passes))}.`;
}

type Dubbed = NonNullable<PartOf<'wrap'>['dubbed']>;

/** How fur comes onto the thread: as the file says, else loose fur between the halves of the thread, all other as a rope. */
function dubbedAs({ move: { part }, buildUp }: Told): Dubbed | null {
  if (buildUp?.by !== 'rope') return null;
  const file = part.file as PartOf<'wrap'>;
  if (file.with !== undefined && file.dubbed === undefined) return 'loop';
  return file.dubbed ?? (/loose/i.test(part.built.figuredAs) ? 'split' : 'rope');
}

/** What is done before fur is wound. */
const DUBBED: Readonly<Record<Dubbed, string | null>> = {
  rope: null,
  touch: 'Wax the thread and touch the fur onto it, so thin that the thread shows through.',
  loop: 'Make a loop of thread behind the body, lay the fur between its legs, spin it close, and stroke the fibres back as you wind.',
  split: 'Flatten and split the thread, lay the fibres between thinly, spin it: they stand out.',
};

/** Two furs in one loop: the first thinly and spread, the second on it, both spun together. */
const compositeWords = (second: string, dubbed: Dubbed): string =>
  `${dubbed === 'split' ? 'Flatten and split the thread' : 'Make a loop of thread behind the body'}, lay the first fur between, thin and spread, and the ${second} on it, its fibres across; close it, spin it tight, and stroke the fibres back as you wind.`;

/** Which way it is wound: as the body is, against it, there and back. */
function directedWords({ move: { part }, at }: Told, begin: number, end: number): string {
  const file = part.file as PartOf<'wrap'>;
  if (isThereAndBack(part)) {
    const far = part.extent.startMm === begin ? part.extent.endMm : part.extent.startMm;
    return `Wind it ${far > begin ? 'to the rear' : 'forward'}, edge to edge, and back over itself; it ends ${at(begin)}, where it began.`;
  }
  if (file.direction === 'counter')
    return 'Wind it the other way from the body, so that its turns cross what it binds instead of sinking between.';
  return `Wind it ${end < begin ? 'forward' : 'to the rear'}, away from you over the top.`;
}

/** Which hackles a rib meets on its way: it binds their stems, or they are wound over it later. */
function hackleOver({ move: { part }, laid }: Told): string[] {
  const file = part.file as PartOf<'wrap'>;
  if (file.role !== 'rib') return [];
  const palmer = laid.parts.find((other) => isPalmer(other) && overlapMm(other, part) > 0.5);
  if (!palmer) return [];
  const name = partName(palmer.file.id);
  return [
    file.over === 'under'
      ? `It goes under the ${name}, which is wound over it.`
      : `It goes over the ${name}: wiggle it through the fibres so that none is bound down, one turn across the stem each time.`,
  ];
}

/** How it goes past a pair of eyes: crossed between them, pass by pass. */
function crossedWords({ move: { part }, laid }: Told): string[] {
  const eyes = eyesWithin(part, laid);
  if (!eyes || part.file.construction !== 'wrap') return [];
  const name = partName(eyes.file.id);
  return part.file.crossed === true
    ? [
        `At the ${name}: once round behind them; up behind the far eye, across between them to in front of the near one; under the shank; up behind the near eye, across to in front of the far one; once round in front. Again, until no gap is seen from the front.`,
      ]
    : [`Past the ${name}: close behind them, one turn across to the front on the far side, and on.`];
}

/** How a rib or a body is wound, from its first turn to the last. */
function windingWords(told: Told, begin: number, end: number, turns: number): string[] {
  const { move, laid, style, length, place, buildUp } = told;
  const { part } = move;
  const file = part.file as PartOf<'wrap'>;
  const { startMm, endMm } = part.extent;
  const shape = builtUp(told);
  const apart = turns > 0 && file.role === 'rib' ? `, ${length((endMm - startMm) / turns)} apart` : '';
  const on = goesOnAs(part, laid);
  const last = on
    ? `Leave the rest hanging: it becomes the ${partName(on.file.id)}.`
    : isTwisted(part)
      ? 'Pick off what is left on the thread.'
      : 'Tie off with firm turns, trim the end close.';
  const there = isThereAndBack(part);
  const dubbed = dubbedAs(told);
  const before = dubbed === null ? null : file.with === undefined ? DUBBED[dubbed] : compositeWords(file.with, dubbed);
  return [
    ...(before === null ? [] : [before]),
    ...(shape === null || (dubbed !== null && dubbed !== 'rope') ? [] : [shape]),
    directedWords(told, begin, end),
    ...crossedWords(told),
    ...hackleOver(told),
    ...(isFlatLaid(part) && !there ? ['Edge to edge, no gap and no overlap.'] : []),
    ...(isOnCore(part) ? ['Stroke the fibres back after every turn, so that the next does not bind them.'] : []),
    ...(shape !== null && buildUp?.by !== 'thread'
      ? [`As far as ${place(end)}.`]
      : there
        ? []
        : [`${turnWords(turns, style)} ${toPlace(place(end))}${apart}.`]),
    last,
  ];
}

/** Whether it is laid flat, edge to edge. */
const isFlatLaid = ({ built, file }: LaidPart): boolean =>
  file.role === 'body' &&
  built.forms.some((form) => form.kind === 'wound' && (form.manner === 'flat' || form.manner === 'quill'));

/** Turns of what is wound, as many as a tier counts: whole ones, but for a rib's last half. */
function turnsOf(part: LaidPart): number {
  const turns = part.built.turns ?? windingOf(part)?.turns ?? 0;
  return part.file.construction === 'wrap' && part.file.turns !== undefined ? turns : Math.max(1, Math.round(turns));
}

/** How thick a wire or tinsel is, or how broad one that is flat; nothing of a body that is told by its outline. */
function breadthWords({ move: { part }, style }: Told): string {
  const form = part.built.forms.find((each) => each.kind === 'wound');
  if (form?.kind !== 'wound') return '';
  const { thin } = saying(style);
  if (form.laid?.by === 'passes' && form.manner !== 'thread') return `, ${thin(form.laid.breadthMm)} broad`;
  if (form.strandMm <= 0) return '';
  return form.strandMm > form.thickMm ? `, ${thin(form.strandMm)} broad` : `, ${thin(form.strandMm)} thick`;
}

/** How a winding begins: by what is twisted onto the thread there, or by what is tied in. */
function beginning({ move: { part }, style, at, place }: Told, rib: boolean): string[] {
  const begin = tieInMm(part);
  if (isTwisted(part)) return [`Bring the thread ${toPlace(place(begin)).replace('to just ', '')}.`];
  return [
    `Tie it in ${at(begin)}, ${turnWords(TIE_IN.turns, style)} of thread.`,
    ...(rib ? ['On the side away from you, so that its first half turn goes under.'] : []),
  ];
}

/** What comes of winding too far toward the head. */
function crowded({ move: { part }, laid }: Told, rib: boolean): string | null {
  const near = part.extent.startMm < laid.headMm + NEAR_HEAD_MM && laid.headSpaceMm > 0;
  if (!near || part.file.role === 'head') return null;
  return rib ? 'A last turn crowded onto the head.' : 'Wound on into the head space it makes the head too large.';
}

/** Weight wire, ribs and bodies. */
export function wrapWords(told: Told): PartWords {
  const { move, laid } = told;
  const { part, does } = move;
  const file = part.file as PartOf<'wrap'>;
  const { startMm, endMm } = part.extent;
  const turns = turnsOf(part);
  if (file.role === 'underbody') return wireWords(told, turns);
  const rib = file.role === 'rib';
  const inHand = [`${stuffWords(part)}${breadthWords(told)}`];
  const catchIt = beginning(told, rib);
  if (does === 'catch')
    return {
      ...NOTHING,
      inHand,
      how: [...catchIt, 'Let it hang to the rear.'],
      end: 'trimmed later',
      proof: TUG,
      look: ['Its end lies along the shank, not across.'],
    };
  const made = windingWords(told, tieInMm(part), tiedOffMm(part), turns);
  return {
    ...NOTHING,
    inHand,
    how: tiesIn(move) ? [...catchIt, ...made] : made,
    measure: along(
      endMm - startMm,
      `of ${laid.platform.kind === 'tube' ? 'tube' : 'shank'} covered`,
      relationOf(part, 'to'),
      startMm,
      endMm,
    ),
    tool: /wire|metal/i.test(part.built.material) ? 'old clippers at its end' : null,
    end: goesOnAs(part, laid) ? 'trimmed later' : 'final',
    proof: rib ? 'Run a nail along it: no turn may shift.' : null,
    look: rib
      ? ['Even steps, even on the taper.']
      : ['No bare thread between turns.', isFuzzy(part) ? 'Even all along.' : 'Smooth, no ridge.'],
    wrong: crowded(told, rib),
    state: dubbedAs(told) === 'split' ? 'split' : 'flat',
  };
}
