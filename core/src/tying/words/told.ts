import { solidNamed } from '../../data/index.ts';
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
  /** A place as a tier says it: its station and what is there. */
  readonly place: (mm: number) => string;
  /** How a wound body comes to its outline over what is under it. */
  readonly buildUp: BuildUp | null;
}

const SIDE_WORDS: Readonly<Record<string, string>> = {
  top: 'on top',
  bottom: 'on the point side',
  near: 'on the near side',
  far: 'on the far side',
  both: 'on both sides',
  around: 'round the shank',
  axis: 'round the shank',
};
/** Where on the shank a part sits, in words. */
export const sideWords = ({ file }: LaidPart): string =>
  SIDE_WORDS[file.side ?? ''] ?? (file.role === 'throat' || file.role === 'legs' ? 'on the point side' : 'on top');

/** Whether a part is of lead, by the metal it was weighed as. */
export const hasLead = ({ built }: LaidPart): boolean => solidNamed(built.material)?.lead === true;

const FUZZY: ReadonlySet<string> = new Set(['dubbing', 'brush', 'bristle', 'chenille']);
/** Whether what is wound has fibres that stand off it. */
export const isFuzzy = ({ built }: LaidPart): boolean =>
  built.forms.some((form) => form.kind === 'wound' && FUZZY.has(form.manner));

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
    return along(tipMm - bend, 'past the bend', relation, bend, tipMm);
  return along(lengthMm, 'from the tie-in to the tip', relation, tieInMm(part), tipMm);
}

/** `8 turns`, `3.5 turns`, `1 turn`. */
export const turnWords = (turns: number, style: Style): string =>
  `${formatNumber(turns, Math.abs(turns - Math.round(turns)) < 0.05 ? 0 : 1, style)} ${Math.abs(turns - 1) < 0.05 ? 'turn' : 'turns'}`;
