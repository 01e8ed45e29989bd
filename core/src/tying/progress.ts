import type { TyingRecord } from '../contract/index.ts';
import type { Step } from './step.ts';

/** The step a tying is at; the first where its own is not there any more. */
export const stepAt = (steps: readonly Step[], { step }: TyingRecord): number =>
  Math.max(
    0,
    steps.findIndex((each) => each.key === step),
  );

/** Adds time to the step a tying is at. @param ms since it was last added */
export const withTime = (tying: TyingRecord, ms: number): TyingRecord => ({
  ...tying,
  spent: { ...tying.spent, [tying.step]: (tying.spent[tying.step] ?? 0) + Math.max(0, ms) },
});

/** One step on: what was coated begins to dry; after the last the fly is done. */
export function stepOn(tying: TyingRecord, steps: readonly Step[], now: number): TyingRecord {
  if (tying.done !== null) return tying;
  const at = stepAt(steps, tying);
  const [done, next] = [steps[at], steps[at + 1]];
  const drying = done?.dryS == null ? tying.drying : { ...tying.drying, [done.key]: now + 1000 * done.dryS };
  return next ? { ...tying, drying, step: next.key } : { ...tying, drying, done: now };
}

/** One step back; from a finished fly to its last. */
export function stepBack(tying: TyingRecord, steps: readonly Step[]): TyingRecord {
  if (tying.done !== null) return { ...tying, done: null };
  const before = steps[stepAt(steps, tying) - 1];
  return before ? { ...tying, step: before.key } : tying;
}

/** One turn more of the step a tying is at. */
export const withTurn = (tying: TyingRecord): TyingRecord => ({
  ...tying,
  counts: { ...tying.counts, [tying.step]: (tying.counts[tying.step] ?? 0) + 1 },
});

/** Says how a step differs from the plan; an empty word takes that back. */
export function withDifference(tying: TyingRecord, words: string): TyingRecord {
  const { [tying.step]: _before, ...others } = tying.differs;
  return { ...tying, differs: words.trim() === '' ? others : { ...others, [tying.step]: words.trim() } };
}

/** What is said aloud of a step. */
export const spoken = (step: Step, measure: string): string =>
  [step.title, measure, ...step.how].filter((each) => each !== '').join('. ');

/** Where the bobbin hangs after a step, mm from the eye; null before the thread is started and once it is cut. */
export function threadAt(steps: readonly Step[], at: number): number | null {
  const done = steps.slice(0, at + 1);
  if (done.some(({ key }) => key === 'whip')) return null;
  return done.findLast(({ thread }) => thread !== null)?.thread?.toMm ?? null;
}
