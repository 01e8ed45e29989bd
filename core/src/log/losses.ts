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
  /** Where and how it is lost most on an outing, and how many are enough there; null where it is the same everywhere. */
  readonly where: LostWhere | null;
}

/** A beat and a manner on which a fly is lost most. */
interface LostWhere {
  readonly beat: string;
  readonly manner: string | null;
  readonly lost: number;
  readonly outings: number;
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

const outingsOf = (all: readonly Fished[]): number =>
  new Set(all.map(({ date, outing }) => `${date} ${String(outing)}`)).size;

/** The beat and manner a fly is lost most on, by the outing. */
function worstOf(own: readonly Fished[]): LostWhere | null {
  const places = new Map<string, Fished[]>();
  for (const each of own) {
    const key = JSON.stringify([each.beat, each.rod.manner ?? null]);
    places.set(key, [...(places.get(key) ?? []), each]);
  }
  if (places.size < 2) return null;
  const told = [...places].map(([key, all]): LostWhere => {
    const [beat, manner] = JSON.parse(key) as [string, string | null];
    const lost = all.reduce((sum, each) => sum + each.lost.length, 0);
    const outings = outingsOf(all);
    return { beat, manner, lost, outings, atLeast: 1 + enoughFor(lost / Math.max(1, outings)) };
  });
  const [worst] = told.sort((one, other) => other.lost / other.outings - one.lost / one.outings);
  return worst && worst.lost > 0 ? worst : null;
}

/** What was lost, fly by fly, the one that is lost most an hour first; flies that were never lost are left out. */
export function lossesOf(fished: readonly Fished[]): readonly Lost[] {
  const flies = new Map<string, Fished[]>();
  for (const each of fished) flies.set(each.fly, [...(flies.get(each.fly) ?? []), each]);
  return [...flies]
    .map(([fly, own]): Lost => {
      const all = own.flatMap(({ lost }) => lost);
      const outings = outingsOf(own);
      const how = [...new Set(all)]
        .map((each) => [each, all.filter((other) => other === each).length] as const)
        .sort((one, other) => other[1] - one[1]);
      return {
        fly,
        lost: all.length,
        hours: own.reduce((sum, { minutes }) => sum + minutes, 0) / 60,
        how,
        atLeast: 1 + enoughFor(all.length / Math.max(1, outings)),
        where: worstOf(own),
      };
    })
    .filter(({ lost }) => lost > 0)
    .sort((one, other) => other.lost / other.hours - one.lost / one.hours);
}
