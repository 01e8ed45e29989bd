import type { Fished } from './fished.ts';
import type { Loss } from '../records/index.ts';

/** How often a fly is lost, and how long one lasts. */
export interface Lost {
  readonly fly: string;
  readonly lost: number;
  readonly hours: number;
  /** What ends it, the most frequent first. */
  readonly how: readonly (readonly [how: Loss, times: number])[];
  /** How many are to be in the box before an outing: what is lost on nine outings of ten, and one to fish with. */
  readonly atLeast: number;
}

/** On so many outings of ten what lies in the box is enough. */
const ENOUGH = 0.9;

/** How many are enough where so many are lost on an outing in the mean: the least count that Poisson holds so often. */
function enoughFor(mean: number): number {
  let [chance, held, count] = [Math.exp(-mean), Math.exp(-mean), 0];
  while (held < ENOUGH && count < 1000) {
    count += 1;
    chance *= mean / count;
    held += chance;
  }
  return count;
}

/** What was lost, fly by fly, the one that is lost most an hour first; flies that were never lost are left out. */
export function lossesOf(fished: readonly Fished[]): readonly Lost[] {
  const flies = new Map<string, Fished[]>();
  for (const each of fished) flies.set(each.fly, [...(flies.get(each.fly) ?? []), each]);
  return [...flies]
    .map(([fly, own]): Lost => {
      const all = own.flatMap(({ lost }) => lost);
      const outings = new Set(own.map(({ date, outing }) => `${date} ${String(outing)}`)).size;
      const how = [...new Set(all)]
        .map((each) => [each, all.filter((other) => other === each).length] as const)
        .sort((one, other) => other[1] - one[1]);
      return {
        fly,
        lost: all.length,
        hours: own.reduce((sum, { minutes }) => sum + minutes, 0) / 60,
        how,
        atLeast: 1 + enoughFor(all.length / Math.max(1, outings)),
      };
    })
    .filter(({ lost }) => lost > 0)
    .sort((one, other) => other.lost / other.hours - one.lost / one.hours);
}
