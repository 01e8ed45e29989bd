import { SIDES, solidNamed } from '../../data/index.ts';
import type { LaidFly, LaidPart } from '../../model/index.ts';
import { formatNumber, type Style } from '../../units/index.ts';
import type { BuildUp } from '../buildUp.ts';
import type { Move } from '../order.ts';
import { tieInMm } from '../constraints.ts';
import { along, NO_WORDS, type StepWords, type ThreadState } from '../step.ts';

/** What a step says of one part, and how the thread lies for it. */
export type PartWords = StepWords & { readonly state: ThreadState };

/** Nothing said, the thread flat. */
export const NOTHING: PartWords = { ...NO_WORDS, state: 'flat' };

/** A move, and how its places and lengths are said. */
export interface Told {
  readonly move: Move;
  readonly laid: LaidFly;
  readonly style: Style;
  readonly length: (mm: number) => string;
  /** A place as a tier says it: `the bend`, `behind the eyes`, `7.0 mm behind the eye`; and with `at` before it where that goes. */
  readonly place: (mm: number) => string;
  readonly at: (mm: number) => string;
  /** How a wound body comes to its outline over what is under it. */
  readonly buildUp: BuildUp | null;
  /** Before the thread is started. */
  readonly bare: boolean;
}

const SIDE_WORDS: Readonly<Record<string, string>> = {
  top: 'on top',
  bottom: 'on the point side',
  near: 'on the near side',
  far: 'on the far side',
  both: 'on both sides',
  around: 'all round the shank',
  axis: 'square across the shank',
};
/** Where on the shank a part sits, in words: the side it is told, else the usual one of its role. */
export const sideWords = ({ file }: LaidPart): string => SIDE_WORDS[file.side ?? SIDES[file.role] ?? 'top'] ?? 'on top';

/** What a part is of, in the tier's own words with its colour, and whose figures it has where those are another's. */
export function stuffWords({ file, built }: LaidPart): string {
  const colour = file.colour === undefined || built.material.includes(file.colour) ? '' : `, ${file.colour}`;
  const figured = built.notes.some((note) => note.startsWith('"') && note.includes('figured as'));
  return `${built.material}${colour}${figured ? ` (figured as ${built.figuredAs})` : ''}`;
}

/** `a`, `a and b`, `a, b and c`. @param before each after the first */
export const andList = (words: readonly string[], before = ' '): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(`,${before}`)} and${before}${words.at(-1) ?? ''}`;

/** The part that a piece goes on as; null where it ends with its own. */
export const goesOnAs = (part: LaidPart, laid: LaidFly): LaidPart | null =>
  laid.parts.find(({ file }) => file.continues?.toLowerCase() === part.file.id.toLowerCase()) ?? null;

/** Whether a part is of lead, by the metal it was weighed as. */
export const hasLead = ({ built }: LaidPart): boolean => solidNamed(built.figuredAs)?.lead === true;

const mannered =
  (manners: ReadonlySet<string>) =>
  ({ built }: LaidPart): boolean =>
    built.forms.some((form) => form.kind === 'wound' && manners.has(form.manner));
/** Whether what is wound has fibres that stand off it. */
export const isFuzzy = mannered(new Set(['dubbing', 'brush', 'bristle', 'chenille', 'long', 'plume', 'herl']));
/** Whether it can be brushed out: fur that is not twisted hard. */
export const isBrushed = (part: LaidPart): boolean =>
  mannered(new Set(['dubbing', 'brush']))(part) && !/tight|underfur/.test(part.built.figuredAs);
/** Whether it is twisted onto the thread: it is neither tied in nor cut to a length. */
export const isTwisted = mannered(new Set(['dubbing', 'thread']));
/** Whether it is wound on its core, its fibres stroked back between turns. */
export const isOnCore = mannered(new Set(['brush', 'bristle', 'long']));

/** How the pull of the thread is allowed for, and how one knows that something holds. */
export const TORQUE = 'Hold it a little toward you: the thread brings it round to where it belongs.';
export const TUG = 'Tug at it: it must not turn or slide.';

/** The first of some keys of a part that is written, as it is written. */
export const relationOf = (part: LaidPart, ...keys: readonly string[]): string | null => {
  const file = part.file as unknown as Readonly<Record<string, unknown>>;
  const text = keys.map((key) => file[key]).find((each) => typeof each === 'string');
  return typeof text === 'string' ? text : null;
};

/** Past the bend where its tip lies behind it, else its free length. */
export function tipMeasure({ move: { part }, laid }: Told): PartWords['measure'] {
  const { tipMm, lengthMm } = part.extent;
  const { bend } = laid.platform.landmarksMm;
  const relation = relationOf(part, 'tip', 'length', 'fibre');
  if (tipMm !== null && tipMm > bend + 0.5 && relation?.startsWith('bend') === true)
    return along(
      tipMm - bend,
      laid.platform.kind === 'tube' ? 'past the tube’s end' : 'past the bend',
      relation,
      bend,
      tipMm,
    );
  return along(lengthMm, 'from the tie-in to the tip', relation, tieInMm(part), tipMm);
}

/** `8 turns`, `3.5 turns`, `1 turn`. */
export const turnWords = (turns: number, style: Style): string =>
  `${formatNumber(turns, Math.abs(turns - Math.round(turns)) < 0.05 ? 0 : 1, style)} ${Math.abs(turns - 1) < 0.05 ? 'turn' : 'turns'}`;
