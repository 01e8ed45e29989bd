import { type Card, createEmptyCard, fsrs, Rating } from 'ts-fsrs';
import { momentMinutes } from '../records/index.ts';

/**
 * What is asked next: what is known worst by now, or was never asked. Memory of each kind of question is reckoned by FSRS-6 (J. Ye, J. Su and
 * Y. Cao, A stochastic shortest path algorithm for optimizing spaced repetition scheduling, KDD 2022, as kept in ts-fsrs), from all answers in order: nothing of it is stored.
 */
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });

/** An answer to a kind of question: when, and how well. */
export interface Answered {
  readonly kind: string;
  /** `2026-03-02T19:30` */
  readonly at: string;
  readonly grade: Grade;
}

export const GRADES = ['again', 'hard', 'good', 'easy'] as const;
export type Grade = (typeof GRADES)[number];
const RATINGS = { again: Rating.Again, hard: Rating.Hard, good: Rating.Good, easy: Rating.Easy } as const;

/** Off by no more than these shares a pull is easy, good or hard; beyond them it is asked again soon. Judgement. */
const [EASY, GOOD, HARD] = [0.04, 0.08, 0.15] as const;
export const gradeOf = (shareOff: number): Grade => {
  const off = Math.abs(shareOff);
  return off <= EASY ? 'easy' : off <= GOOD ? 'good' : off <= HARD ? 'hard' : 'again';
};

const dateOf = (at: string): Date => new Date(momentMinutes(at) * 60_000);

/** What was never asked counts as known so well: before what is half forgotten, after what is forgotten. */
const UNASKED = 0.8;

/** How likely each kind of question is answered well now, 0 to 1. */
export function knownNow(
  answers: readonly Answered[],
  kinds: readonly string[],
  now: string,
): ReadonlyMap<string, number> {
  const cards = new Map<string, Card>();
  for (const { kind, at, grade } of answers) {
    const date = dateOf(at);
    const card: Card = cards.get(kind) ?? createEmptyCard(date);
    cards.set(kind, scheduler.next(card, date, RATINGS[grade]).card);
  }
  return new Map(
    kinds.map((kind) => {
      const card = cards.get(kind);
      return [kind, card ? scheduler.get_retrievability(card, dateOf(now), false) : UNASKED];
    }),
  );
}

/** So many questions go by before the same kind is asked once more, where there are others. */
const APART = 3;

/** The kind that is asked next: known worst; of equals the one that was answered longest ago, else the first. */
export function nextKind(answers: readonly Answered[], kinds: readonly string[], now: string): string | null {
  const lately = new Set(answers.slice(-Math.min(APART, kinds.length - 1)).map(({ kind }) => kind));
  const known = knownNow(answers, kinds, now);
  const last = new Map(answers.map(({ kind }, i) => [kind, i]));
  const free = kinds.length > 1 ? kinds.filter((kind) => !lately.has(kind)) : kinds;
  const sorted = [...free].sort(
    (one, other) => (known.get(one) ?? 1) - (known.get(other) ?? 1) || (last.get(one) ?? -1) - (last.get(other) ?? -1),
  );
  return sorted[0] ?? null;
}
