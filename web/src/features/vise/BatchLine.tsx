import type { Step } from '@jobbet/core/tying';

/** The batch a fly is tied in, as far as the vise shows it. */
export interface BatchAtVise {
  /** Which of how many is in the vise. */
  readonly words: string;
  /** The same for what is kept of how it is tied. */
  readonly of: string;
  /** What is done next where that is not the next step of this fly; null where it is. */
  readonly following: string | null;
  /** What dries meanwhile, and until when. */
  readonly drying: readonly string[];
  /** What was made ready for a step, in words. */
  readonly prep: (step: Step) => readonly string[];
  /** What comes next, said once the fly is done. */
  readonly nextWords: string;
  /** Out of the vise with this one and on with the next. */
  readonly next: () => void;
  readonly spoilt: () => void;
}

interface BatchLineProps extends Pick<BatchAtVise, 'words' | 'drying'> {
  /** What was made ready for the step in hand. */
  readonly ready: readonly string[];
}

/** Which fly of the batch is in the vise, what was made ready for the step, and the clocks of those that dry. */
export const BatchLine = ({ words, drying, ready }: BatchLineProps) => (
  <p className="flex flex-wrap gap-x-6 gap-y-0.5 px-8 max-[700px]:px-4 py-1 border-b border-hair text-row">
    <span>
      <b>{words}</b> <span className="text-ink2">spoilt</span> <span className="plain-key">X</span>
    </span>
    {ready.map((each) => (
      <span key={each} className="text-measure">
        {each}
      </span>
    ))}
    {drying.map((each) => (
      <span key={each} className="text-ink2">
        {each}
      </span>
    ))}
  </p>
);
