import type { StoredFly } from '../api/client.ts';

export const SORTS = {
  sink: 'sinking, slowest first',
  name: 'name',
  newest: 'last changed',
  weight: 'weight',
} as const;
export type SortName = keyof typeof SORTS;

/** Flies in the order asked for; floating ones sink slowest of all. Names break ties. */
export function sortFlies(flies: readonly StoredFly[], by: SortName): StoredFly[] {
  const value = (fly: StoredFly): number =>
    ({ sink: fly.summary.sinkMmS ?? -1, weight: fly.summary.dryMg, newest: -fly.updatedAt, name: 0 })[by];
  return [...flies].sort((a, b) => value(a) - value(b) || a.name.localeCompare(b.name));
}

/** Whether a fly answers to every word: of its name, hook, ride, class, or what is tied on it. */
export function matches(fly: StoredFly, find: string): boolean {
  const text =
    `${fly.name} ${fly.summary.platform} ${fly.summary.ride} ${fly.summary.sinkClass ?? 'floats'} ${fly.file.parts.map((part) => `${part.id} ${part.material ?? ''} ${part.colour ?? ''}`).join(' ')}`.toLowerCase();
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}
