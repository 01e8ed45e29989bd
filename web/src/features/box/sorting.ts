import { shownOf } from '@jobbet/core/checks';
import type { KeptCheck } from '@jobbet/core/contract';
import type { ListedFly } from '../../shared/api/client.ts';

export const SORTS = {
  sink: 'sinking, slowest first',
  name: 'name',
  newest: 'last changed',
  weight: 'weight',
} as const;
export type SortName = keyof typeof SORTS;

/** Flies in the order asked for; floating ones sink slowest of all. Names break ties. Those that do not lay out come first: they want mending. */
export function sortFlies(flies: readonly ListedFly[], by: SortName): ListedFly[] {
  const value = ({ summary, updatedAt }: ListedFly): number => {
    if (!summary) return -Infinity;
    return { sink: summary.sinkMmS ?? -1, weight: summary.dryMg, newest: -updatedAt, name: 0 }[by];
  };
  const difference = (a: ListedFly, b: ListedFly): number => (value(a) === value(b) ? 0 : value(a) - value(b));
  return [...flies].sort((a, b) => difference(a, b) || a.name.localeCompare(b.name));
}

/** Whether a fly answers to every word: of its name, hook, ride, class, or what is tied on it. */
export function matches({ name, summary, listed }: ListedFly, find: string): boolean {
  const text =
    `${name} ${summary?.platform ?? ''} ${summary?.ride ?? 'does not lay out'} ${summary ? (summary.sinkClass ?? 'floats') : ''} ${listed?.words ?? ''}`.toLowerCase();
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** What of a fly is to be settled, as far as the settings ask for looks. */
export const toSettleOf = ({ summary }: Pick<ListedFly, 'summary'>, looks: boolean): readonly KeptCheck[] =>
  shownOf(summary?.checks ?? [], looks);
