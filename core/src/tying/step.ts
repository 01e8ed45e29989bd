import type { Trail } from '../model/index.ts';

/** What is in the vise by the end of a step beside the parts on it. */
export interface Beside {
  /** Whether a barb that is to be pressed down still stands. */
  readonly barbUp: boolean;
  /** What of the thread is on: nothing yet, its bed, or the head as well. */
  readonly thread: 'none' | 'bed' | 'head';
  /** What hangs behind a tube or a shank. */
  readonly trails: readonly Trail['of'][];
}

/** A hook with its bed of thread, and all that hangs behind. */
export const WITH_BED: Beside = { barbUp: false, thread: 'bed', trails: ['loop', 'hook'] };

/** How the thread lies for a step: flat to bind and lay smooth, spun into a cord to grip, split for a loop. */
export type ThreadState = 'flat' | 'spun' | 'split';

/** A measure that is wanted at the vise: what it is of, the relation as the tier wrote it, and where it lies along the shank. */
export interface Measure {
  readonly mm: number;
  readonly words: string;
  readonly relation: string | null;
  /** From where to where, mm from the eye; null where it lies across, or along something that leans off. */
  readonly span: readonly [fromMm: number, toMm: number] | null;
}

/** Lengths along the shank that differ from a measure by no more than this share are that measure. */
const ALONG_SHARE = 0.02;

/** A measure laid along the shank, where it lies so. */
export const along = (
  mm: number,
  words: string,
  relation: string | null,
  fromMm: number,
  toMm: number | null,
): Measure => ({
  mm,
  words,
  relation,
  span: toMm !== null && Math.abs(Math.abs(toMm - fromMm) - mm) <= ALONG_SHARE * mm ? [fromMm, toMm] : null,
});
/** A measure that lies elsewhere than along the shank. */
export const across = (mm: number, words: string, relation: string | null): Measure => ({
  mm,
  words,
  relation,
  span: null,
});

/** One step of tying, in a tier's words with this fly's figures. Lengths mm from the eye where they are places. */
export interface Step {
  /** The same for the same step of the same fly, whatever comes before it. */
  readonly key: string;
  /** The part it is of; null for what belongs to none. */
  readonly part: string | null;
  readonly title: string;
  /** What is to be done, first things first. */
  readonly how: readonly string[];
  readonly measure: Measure | null;
  /** What is cut or taken in hand beforehand. */
  readonly inHand: readonly string[];
  readonly thread: {
    readonly fromMm: number;
    readonly toMm: number;
    readonly state: ThreadState;
    readonly turns: number;
  } | null;
  /** How hard the thread is drawn, grams of force. */
  readonly asksG: number | null;
  /** Whether the hook is turned over for it, point up. */
  readonly turned: boolean;
  readonly cutMm: number | null;
  readonly tieInMm: number | null;
  /** Where the butts end, and where they would best. */
  readonly buttMm: number | null;
  readonly buttAdvice: string | null;
  readonly turns: number | null;
  readonly pitchMm: number | null;
  readonly direction: 'with' | 'counter' | null;
  readonly tool: string | null;
  /** Which side of it is up or out. */
  readonly face: string | null;
  /** How the pull of the thread is allowed for. */
  readonly torque: string | null;
  readonly glue: string | null;
  /** How one knows that it holds. */
  readonly proof: string | null;
  /** Whether its end is as it stays, or cut later. */
  readonly end: 'final' | 'trimmed later' | null;
  readonly look: readonly string[];
  readonly wrong: string | null;
  readonly caution: string | null;
  /** Seconds it has to dry or cure. */
  readonly dryS: number | null;
  /** Keys of the techniques it takes. */
  readonly techniques: readonly string[];
  /** Ids of the parts that are on the fly after it; a part left hanging is not drawn yet. */
  readonly drawn: readonly string[];
  readonly beside: Beside;
}

/** What a step says of what it is about; the rest follows from where the thread goes. */
export type StepWords = Pick<
  Step,
  'how' | 'measure' | 'inHand' | 'tool' | 'face' | 'torque' | 'glue' | 'proof' | 'end' | 'look' | 'wrong' | 'caution'
>;

/** Nothing said. */
export const NO_WORDS: StepWords = {
  how: [],
  measure: null,
  inHand: [],
  tool: null,
  face: null,
  torque: null,
  glue: null,
  proof: null,
  end: null,
  look: [],
  wrong: null,
  caution: null,
};

/** A step with nothing in it but what is told. */
export const step = (given: Pick<Step, 'key' | 'title' | 'drawn'> & Partial<Step>): Step => ({
  ...NO_WORDS,
  part: null,
  thread: null,
  asksG: null,
  turned: false,
  cutMm: null,
  tieInMm: null,
  buttMm: null,
  buttAdvice: null,
  turns: null,
  pitchMm: null,
  direction: null,
  dryS: null,
  techniques: [],
  beside: WITH_BED,
  ...given,
});
