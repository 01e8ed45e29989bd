import type { Finding } from '../checks/index.ts';
import type { SolvedFly } from '../model/index.ts';
import type { VERDICTS } from '../records/index.ts';
import type { Step } from '../tying/index.ts';

export type Verdict = (typeof VERDICTS)[number];

/** A length of one fly against its band. */
export interface Against {
  readonly words: string;
  readonly part: string | null;
  readonly mm: number;
  readonly bandMm: readonly [number, number] | null;
}

/** What is offered to be done with a fly, and why. */
export interface Offer {
  readonly verdict: Verdict;
  /** Where it is tied again from: the first step of the first part that is not as it should be, from 1. */
  readonly fromStep: number | null;
  readonly why: readonly string[];
  /** What a cut alone puts right: natural tips are never cut. */
  readonly snip: string | null;
}

const isOut = ({ mm, bandMm }: Against): boolean => bandMm !== null && (mm < bandMm[0] || mm > bandMm[1]);

const mmWords = (mm: number): string => `${mm.toFixed(1)} mm`;

function outWords({ words, mm, bandMm }: Against): string {
  const [low, high] = bandMm ?? [0, 0];
  const side = mm > high ? `longer than ${mmWords(high)}` : `shorter than ${mmWords(low)}`;
  return `${words} is ${mmWords(mm)}, ${side}`;
}

/** Strands of flash are cut to length as they are; hair, plume and feathers end in their own tips. */
const isCut = (solved: SolvedFly, part: string | null): boolean =>
  solved.laid.parts.some(({ file }) => file.id === part && file.role === 'flash');

interface Judged {
  readonly plan: SolvedFly;
  readonly tied: SolvedFly;
  readonly lengths: readonly Against[];
  /** What is to be said of the fly, and was not of its plan. */
  readonly news: readonly Finding[];
  /** What stands out of square, in words. */
  readonly askew: readonly string[];
  readonly steps: readonly Step[];
}

/** Keeps a fly that does what was planned and looks it; ties one again that does not; what only looks otherwise is for practice. */
export function offerFor({ plan, tied, lengths, news, askew, steps }: Judged): Offer {
  const out = lengths.filter(isOut);
  const [rode, rides] = [plan.balance.tight.ride, tied.balance.tight.ride];
  const serious = news.filter(({ severity }) => severity !== 'note');
  const why = [
    ...(rode === rides ? [] : [`it rides ${rides}, the plan ${rode}`]),
    // What it is tied askew by comes before what that does: it is what one mends.
    ...askew,
    ...serious.map(({ message }) => message),
    ...out.map(outWords),
  ];
  if (why.length === 0)
    return { verdict: 'keep', fromStep: null, why: ['all that was measured is as planned'], snip: null };
  const parts = new Set([...serious.flatMap((each) => each.parts), ...out.flatMap(({ part }) => part ?? [])]);
  const first = steps.findIndex(({ part }) => part !== null && parts.has(part));
  const fromStep = first < 0 ? null : first + 1;
  // All that is wrong is of one part, and that is too long.
  const only = out.length === 1 && parts.size === 1 && rode === rides ? out[0] : undefined;
  if (only?.bandMm && only.mm > only.bandMm[1] && isCut(tied, only.part)) {
    const off = only.mm - (only.bandMm[0] + only.bandMm[1]) / 2;
    return { verdict: 'keep', fromStep: null, why, snip: `take ${mmWords(off)} off ${only.words}` };
  }
  const fails = rode !== rides || serious.some(({ severity }) => severity === 'stop');
  return {
    verdict: fails ? 'retie' : serious.length > 0 ? 'practice' : 'keep',
    fromStep: fails ? fromStep : null,
    why,
    snip: null,
  };
}
