import { shownOf } from '@jobbet/core/checks';
import type { KeptCheck } from '@jobbet/core/contract';
import type { FishesHere } from '../../fly/fishesHere.ts';
import type { ListedFly } from '../../shared/api/client.ts';

export const SORTS = {
  sink: 'sinking, slowest first',
  name: 'name',
  newest: 'last changed',
  weight: 'weight',
  group: 'group',
  out: 'last out, latest first',
  here: 'as they fish where it was asked last',
} as const;
export type SortName = keyof typeof SORTS;

/** The word a fly is kept with others by; null where it has none. */
export const groupOf = ({ listed }: Pick<ListedFly, 'listed'>): string | null => listed?.group ?? null;

/** Groups by their words; what is in none comes last. */
const byGroup = (a: string | null, b: string | null): number =>
  a === b ? 0 : a === null ? 1 : b === null ? -1 : a.localeCompare(b);

/** The words of all groups there are, in order. */
export const groupsOf = (flies: readonly ListedFly[]): readonly string[] =>
  [...new Set(flies.flatMap((fly) => groupOf(fly) ?? []))].sort(byGroup);

/** What stands over a fly where its group begins, as the flies are shown; null elsewhere. */
export function headingAt(flies: readonly ListedFly[], at: number): string | null {
  const [fly, before] = [flies[at], flies[at - 1]];
  if (!fly || (before && groupOf(before) === groupOf(fly))) return null;
  const alike = flies.filter((each) => groupOf(each) === groupOf(fly)).length;
  return `${groupOf(fly) ?? 'in no group'}, ${String(alike)}`;
}

/** The orders there are; that of a beat once it was asked there. */
export const sortsOf = (here: FishesHere | null): readonly (readonly [SortName, string])[] =>
  (Object.entries(SORTS) as [SortName, string][])
    .filter(([name]) => name !== 'here' || here !== null)
    .map(([name, words]) => [name, name === 'here' && here ? `how they fish on ${here.where}` : words]);

interface Known {
  readonly here?: FishesHere | null;
  readonly lastOut?: ReadonlyMap<string, string>;
}

/** Flies in the order asked for; floating ones sink slowest of all. Names break ties. Those that do not lay out come first: they want mending. */
export function sortFlies(
  flies: readonly ListedFly[],
  by: SortName,
  { here = null, lastOut = new Map() }: Known = {},
): ListedFly[] {
  const places = new Map(here?.flies.map(({ id }, i) => [id, i]));
  const days = (id: string): number => Date.parse(lastOut.get(id) ?? '');
  const value = ({ id, summary, updatedAt }: ListedFly): number => {
    if (!summary) return -Infinity;
    return {
      sink: summary.sinkMmS ?? -1,
      weight: summary.dryMg,
      newest: -updatedAt,
      name: 0,
      group: 0,
      out: Number.isNaN(days(id)) ? Infinity : -days(id),
      here: places.get(id) ?? Infinity,
    }[by];
  };
  const difference = (a: ListedFly, b: ListedFly): number => (value(a) === value(b) ? 0 : value(a) - value(b));
  const groups = (a: ListedFly, b: ListedFly): number => (by === 'group' ? byGroup(groupOf(a), groupOf(b)) : 0);
  return [...flies].sort((a, b) => difference(a, b) || groups(a, b) || a.name.localeCompare(b.name));
}

/** Whether a fly answers to every word: of its name, hook, ride, class, or what is tied on it. */
export function matches({ name, summary, listed }: ListedFly, find: string): boolean {
  const text =
    `${name} ${summary?.platform ?? ''} ${summary?.ride ?? 'does not lay out'} ${summary ? (summary.sinkClass ?? 'floats') : ''} ${listed?.words ?? ''} ${listed?.group ?? ''}`.toLowerCase();
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** What of a fly is to be settled, as far as the settings ask for looks. */
export const toSettleOf = ({ summary }: Pick<ListedFly, 'summary'>, looks: boolean): readonly KeptCheck[] =>
  shownOf(summary?.checks ?? [], looks);
