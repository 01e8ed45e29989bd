import type { Step } from './step.ts';

/** What becomes of the steps of a fly when it is tied another way. Titles, in the order they are done. */
export interface StepChanges {
  readonly added: readonly string[];
  readonly gone: readonly string[];
  /** Steps that are there before and after, and come at another place among those. */
  readonly moved: readonly string[];
  /** Steps that stay where they are and say something else. */
  readonly changed: readonly string[];
}

/** The longest run of keys that both lists have in the same order. */
function kept(before: readonly string[], after: readonly string[]): ReadonlySet<string> {
  const best = Array.from({ length: before.length + 1 }, () => new Array<number>(after.length + 1).fill(0));
  const at = (i: number, j: number): number => best[i]?.[j] ?? 0;
  for (let i = before.length - 1; i >= 0; i--)
    for (let j = after.length - 1; j >= 0; j--) {
      const row = best[i];
      if (row) row[j] = before[i] === after[j] ? at(i + 1, j + 1) + 1 : Math.max(at(i + 1, j), at(i, j + 1));
    }
  const same = new Set<string>();
  for (let i = 0, j = 0; i < before.length && j < after.length;) {
    if (before[i] === after[j]) {
      same.add(before[i] ?? '');
      i++;
      j++;
    } else if (at(i + 1, j) >= at(i, j + 1)) i++;
    else j++;
  }
  return same;
}

/** What a step says, without where it stands among others. */
const said = ({ how, measure, turns, direction }: Step): string => JSON.stringify([how, measure, turns, direction]);

/** What differs between two ways of tying one fly. */
export function compareSteps(before: readonly Step[], after: readonly Step[]): StepChanges {
  const [was, is] = [new Map(before.map((step) => [step.key, step])), new Map(after.map((step) => [step.key, step]))];
  const stay = kept(
    before.map(({ key }) => key).filter((key) => is.has(key)),
    after.map(({ key }) => key).filter((key) => was.has(key)),
  );
  const titles = (steps: readonly Step[]): string[] => steps.map(({ title }) => title);
  return {
    added: titles(after.filter(({ key }) => !was.has(key))),
    gone: titles(before.filter(({ key }) => !is.has(key))),
    moved: titles(after.filter(({ key }) => was.has(key) && !stay.has(key))),
    changed: titles(
      after.filter((step) => {
        const old = was.get(step.key);
        return old !== undefined && stay.has(step.key) && said(old) !== said(step);
      }),
    ),
  };
}

/** What differs, in a line; empty where nothing does. */
export function changesInWords({ added, gone, moved, changed }: StepChanges): string {
  const told = (words: string, titles: readonly string[]): string[] =>
    titles.length === 0 ? [] : [`${words}: ${titles.join('; ')}.`];
  return [
    ...told('New', added),
    ...told('Gone', gone),
    ...told('At another place', moved),
    ...told('Otherwise', changed),
  ].join(' ');
}
