import { CAUTIONS, TIE_IN } from '../../data/index.ts';
import type { PartOf } from '../../pattern/index.ts';
import { windingOf } from '../../model/index.ts';
import type { BuiltAt } from '../buildUp.ts';
import { tieInMm } from '../constraints.ts';
import { across, along } from '../step.ts';
import { hasLead, isFuzzy, NOTHING, relationOf, TUG, turnWords, type PartWords, type Told } from './told.ts';

/** What is wound up to here may be wound too far. */
const NEAR_HEAD_MM = 4;

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
  const count = (n: number): string => `${String(n)} ${n === 1 ? 'pass' : 'passes'}`;
  if (buildUp.by === 'rope')
    return `Twist it onto the thread ${each(({ underMm, meantMm }) => length(Math.max(0, meantMm - underMm) / 2))}: so it comes to its shape in touching turns.`;
  if (buildUp.by === 'passes')
    return even
      ? `${count(passes[0] ?? 0)} from end to end, edge to edge.`
      : `Back and forth, edge to edge: ${each((at) => count(at.passes))}.`;
  return passes.every((n) => n === 0)
    ? null
    : `First thread under it for the taper: ${each((at) => count(at.passes))}.`;
}

/** Where a winding begins and ends, mm from the eye. */
interface Span {
  readonly begin: number;
  readonly end: number;
}

/** Weight wire under a body. */
function wireWords({ move: { part }, style, length, place }: Told, { begin, end }: Span, turns: number): PartWords {
  const file = part.file as PartOf<'wrap'>;
  const { startMm, endMm } = part.extent;
  return {
    ...NOTHING,
    inHand: [`${part.built.material}, ${length(windingOf(part)?.strandMm ?? 0)} thick`],
    how: [
      `${turnWords(turns, style)}, touching, from ${place(begin)} to ${place(end)}.`,
      'Break the ends off short, press them down, push the coils home.',
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
    proof: 'Push at the coils with a nail: they must not slide.',
    look: ['No gap between turns.'],
    wrong: 'A bare step at its end shows through the body.',
    caution: hasLead(part) ? CAUTIONS.lead : null,
    end: 'final',
  };
}

const LOOSE = /loose/i;
const isRope = ({ move: { part }, buildUp }: Told): boolean =>
  LOOSE.test(part.built.material) && buildUp?.by === 'rope';

/** How a rib or a body is wound, from its first turn to the last. */
function windingWords(told: Told, { begin, end }: Span, turns: number): string[] {
  const { move, style, length, place, buildUp } = told;
  const { part } = move;
  const file = part.file as PartOf<'wrap'>;
  const { startMm, endMm } = part.extent;
  const directed =
    file.direction === 'counter'
      ? `Wind it the other way from the body, so that its turns cross what it binds instead of sinking between.`
      : `Wind it ${end < begin ? 'forward' : 'backward'} away from you over the top.`;
  const shape = builtUp(told);
  const apart = turns > 0 && file.role === 'rib' ? `, ${length((endMm - startMm) / turns)} apart` : '';
  return [
    ...(isRope(told) ? ['Flatten and split the thread, lay the fibres between thinly, spin it: they stand out.'] : []),
    ...(buildUp?.by === 'thread' && shape !== null ? [shape] : []),
    directed,
    ...(shape !== null && buildUp?.by !== 'thread'
      ? [`To ${place(end)}.`, shape]
      : [`${turnWords(turns, style)} to ${place(end)}${apart}.`]),
    'Tie off with firm turns, trim the end close.',
  ];
}

/** Weight wire, ribs and bodies. */
export function wrapWords(told: Told): PartWords {
  const { move, style, place } = told;
  const { part, does } = move;
  const file = part.file as PartOf<'wrap'>;
  const { startMm, endMm } = part.extent;
  const begin = tieInMm(part);
  const span = { begin, end: Math.abs(begin - startMm) > Math.abs(begin - endMm) ? startMm : endMm };
  const turns = part.built.turns ?? windingOf(part)?.turns ?? 0;
  if (file.role === 'underbody') return wireWords(told, span, turns);
  const rib = file.role === 'rib';
  const catchIt = [
    `Tie in ${part.built.material} at ${place(begin)}, ${turnWords(TIE_IN.turns, style)} of thread.`,
    ...(rib ? ['On the side away from you, so that its first half turn goes under.'] : []),
  ];
  if (does === 'catch')
    return {
      ...NOTHING,
      how: [...catchIt, 'Let it hang behind the bend.'],
      end: 'trimmed later',
      proof: TUG,
      look: ['Its end lies along the shank, not across.'],
    };
  const made = windingWords(told, span, turns);
  const smooth = isFuzzy(part) ? 'Fibres stroked back every few turns.' : 'Smooth, no ridge.';
  const crowds =
    startMm < told.laid.headMm + NEAR_HEAD_MM ? 'Wound into the head space: the head will be too large.' : null;
  return {
    ...NOTHING,
    how: does === 'wind' ? made : [...catchIt, ...made],
    measure: along(endMm - startMm, 'of shank covered', relationOf(part, 'to'), startMm, endMm),
    tool: /wire|metal/i.test(part.built.material) ? 'old clippers at its end' : null,
    end: 'final',
    proof: rib ? 'Run a nail along it: no turn may shift.' : null,
    look: rib ? ['Even steps, even on the taper.'] : ['No bare thread between turns.', smooth],
    wrong: rib ? 'A last turn crowded onto the head.' : crowds,
    caution: null,
    state: isRope(told) ? 'split' : 'flat',
  };
}

/** Collars, throats and palmers. */
export function hackleWords(told: Told): PartWords {
  const { move, style, length, place } = told;
  const { part, does } = move;
  const file = part.file as PartOf<'hackle'>;
  const turns = part.built.turns ?? 0;
  const palmer = file.from !== undefined;
  const by = file.by ?? (palmer ? 'tip' : 'base');
  const catchIt = [
    `Tie it in by the ${by} at ${place(tieInMm(part))}, ${String(TIE_IN.turns)} turns on the bare stem.`,
  ];
  if (does === 'catch')
    return {
      ...NOTHING,
      inHand: [`${part.built.material}, fibres ${length(part.extent.lengthMm)}`],
      how: [...catchIt, 'Let it hang behind.'],
      face: 'dull side toward you',
      proof: TUG,
    };
  const toMm = palmer ? move.toMm : part.extent.startMm;
  return {
    ...NOTHING,
    inHand: does === 'wind' ? [] : [`${part.built.material}, fibres ${length(part.extent.lengthMm)}`],
    how: [
      ...(does === 'wind' ? [] : catchIt),
      file.style === 'throat'
        ? `${turnWords(turns, style)}, then draw the fibres down and bind them below.`
        : `${turnWords(turns, style)}${palmer ? ` to ${place(toMm)}` : ', each in front of the last'}, stroking the fibres back at each.`,
      'Tie off on the stem, trim it close.',
    ],
    measure: across(part.extent.lengthMm, 'of fibre', relationOf(part, 'fibre', 'tip')),
    tool: 'hackle pliers',
    face: 'dull side aft, so that the fibres lean back',
    proof: null,
    end: 'final',
    look: ['No fibre tied down.', 'All round alike.'],
    wrong: by === 'tip' ? 'A thin tip breaks: then by the base.' : 'A thick stem makes a bump under the head.',
    caution: CAUTIONS.pliers,
    state: 'spun',
  };
}
