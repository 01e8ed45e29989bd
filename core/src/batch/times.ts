import { BATCH_MINUTES, BUNDLE_MINUTES, dryMinutes, MINUTES, PART_MINUTES } from '../data/index.ts';
import type { LaidFly } from '../model/index.ts';
import type { BatchRow } from '../records/index.ts';
import type { Step, TyingPlan } from '../tying/index.ts';

/** The hands and the drying of one fly, minutes. */
export interface FlyTimes {
  /** From the hook in the vise to the fly out of it. */
  readonly hands: number;
  readonly coats: readonly { readonly hands: number; readonly dry: number }[];
}

/** Where times come from: given with the row, measured at the vise, or the table of usual ones. */
export type Basis = 'given' | 'measured' | 'usual';

/** What this tier usually takes for a step of a fly, minutes; null where it was never timed. The fly is the one a row names. */
export type Measured = (fly: string, step: string) => number | null;

/** One fly of a row before anything is learnt: its steps with their times, and what is to be brought to hand for it. */
export interface Work {
  readonly basis: Basis;
  readonly hands: number;
  readonly steps: number;
  readonly changes: number;
  readonly coats: FlyTimes['coats'];
}

const isCoat = ({ key }: Step): boolean => key.startsWith('coat/') || key === 'seal';
/** A whip is sealed with whatever stands there; what it is nobody said. */
const USUAL_SEAL = 'cement';

function usualMinutes(step: Step, laid: LaidFly): number {
  const named: Readonly<Record<string, number>> = MINUTES;
  const whole = named[step.key];
  if (step.part === null) return whole ?? MINUTES.other;
  const does = step.key.slice(step.part.length + 1);
  if (does !== '') return named[does] ?? MINUTES.other;
  const part = laid.parts.find(({ file }) => file.id === step.part);
  if (!part) return MINUTES.other;
  const [form] = part.built.forms;
  return form?.kind === 'bundle' ? BUNDLE_MINUTES[form.manner] : PART_MINUTES[part.file.construction];
}

/** The work of one fly of a row, by its own times, the tier's or the table. */
export function workOf(
  row: BatchRow,
  laid: LaidFly,
  { steps }: Pick<TyingPlan, 'steps'>,
  measured: Measured = () => null,
): Work {
  if (row.minutes)
    return { basis: 'given', hands: row.minutes.hands, steps: 0, changes: 0, coats: row.minutes.coats ?? [] };
  const tied = steps.filter((step) => !isCoat(step));
  const own = steps.map(({ key }) => measured(row.fly, key));
  const basis = own.some((minutes) => minutes !== null) ? 'measured' : 'usual';
  const minutesOf = (step: Step): number => measured(row.fly, step.key) ?? usualMinutes(step, laid);
  return {
    basis,
    hands: tied.reduce((sum, step) => sum + minutesOf(step), 0),
    steps: tied.length,
    changes: tied.filter(({ inHand }) => inHand.length > 0).length,
    coats: steps.filter(isCoat).map((step) => ({
      hands: measured(row.fly, step.key) ?? MINUTES.coat,
      dry: step.dryS === null ? (dryMinutes(USUAL_SEAL, 1) ?? 0) : step.dryS / 60,
    })),
  };
}

export const WAYS = ['one-by-one', 'by-steps'] as const;
export type Way = (typeof WAYS)[number];

/**
 * How many flies of a row are begun at once.
 * @param batch as it is when they are begun: its own way counts before what it was worked out with
 * @param quicker the way a plan found quicker, where the batch leaves it open
 */
export const handfulFor = ({ way }: { readonly way?: Way | undefined }, quicker?: Way): number =>
  (way ?? quicker) === 'by-steps' ? BATCH_MINUTES.handful : 1;

/** Times as long as the first, after so many of the same. */
const learnt = (rate: number, nth: number): number => Math.max(BATCH_MINUTES.quickest, rate ** Math.log2(nth));

/** Minutes of hands until the nth fly of a row is out of the vise. @param nth from 1 @param count flies of the row */
export function handsOf({ basis, hands, steps, changes }: Work, way: Way, nth: number, count: number): number {
  if (basis === 'given') return hands;
  const { change, remount, handful, learnFly, learnStep } = BATCH_MINUTES;
  return way === 'one-by-one'
    ? hands * learnt(learnFly, nth) + changes * change
    : hands * learnt(learnStep, nth) + steps * remount + (changes * change * Math.ceil(count / handful)) / count;
}

/** What each way takes for so many flies of each work, minutes of hands; the prep is the same either way. */
export const handsBy = (way: Way, works: readonly { readonly work: Work; readonly count: number }[]): number =>
  works.reduce(
    (sum, { work, count }) =>
      sum +
      Array.from({ length: count }, (_, i) => handsOf(work, way, i + 1, count)).reduce((all, each) => all + each, 0),
    0,
  );

/** Minutes of making ready beforehand what so many flies take. */
export const prepMinutes = (work: Work, count: number, takes: number): number =>
  work.basis === 'given' ? 0 : count * takes * BATCH_MINUTES.prepPiece;
