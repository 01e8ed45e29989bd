import type { FlyFile } from '../pattern/index.ts';
import type { LaidFly } from '../model/index.ts';
import { FELT_SHARE, profilesOf, unevenUnder } from './bulk.ts';
import { brokenBy, constraintsOf, tieInMm, type Constraint } from './constraints.ts';
import { isWound, movesOf, tiedOffMm, travelMm, type Move } from './order.ts';
import { threadOf } from './threadOf.ts';

const BEAM = 24;

/** What a jump or dip under a body counts for, mm of travel: worth going from the head to the bend and back for. */
const UNEVEN_MM = 40;

/** How a thing stands for the order as it is: for every place it is moved, so many mm of travel. It keeps what need not change. */
const HABIT_MM = 0.02;

/** What lies uneven under the bodies of a fly tied in some order, in mm of travel. */
function unevenMm(laid: LaidFly, moves: readonly Move[]): number {
  const bodies = moves.filter(({ part }) => part.file.role === 'body' && part.file.construction === 'wrap');
  if (bodies.length === 0) return 0;
  const profiles = profilesOf(laid, moves, threadOf(laid.file));
  return bodies.reduce((sum, move) => {
    const under = profiles[moves.indexOf(move)];
    return sum + (under ? UNEVEN_MM * unevenUnder(laid, move.part, under, FELT_SHARE).length : 0);
  }, 0);
}

/**
 * An order of parts that breaks none of its constraints, lies even under its bodies and keeps the thread's travel short; of equal ones the
 * one nearest the order that is.
 * Beam search over the parts that may come next.
 * Worked out once for a fly.
 * @returns ids in order; the order as it is where the constraints contradict one another
 */
export function bestOrder(laid: LaidFly): string[] {
  let order = known.get(laid);
  if (!order) known.set(laid, (order = orderBy(laid, constraintsOf(laid))));
  return [...order];
}

const known = new WeakMap<LaidFly, readonly string[]>();

/** The best order by constraints that are given. */
export function orderBy(laid: LaidFly, constraints: readonly Constraint[]): string[] {
  const now = laid.parts.map((part) => part.file.id);
  const before = new Map<string, Set<string>>(now.map((id) => [id, new Set()]));
  for (const each of constraints) before.get(each.after)?.add(each.before);
  interface Way {
    readonly ids: readonly string[];
    readonly cost: number;
    readonly at: number;
  }
  const part = new Map(laid.parts.map((each) => [each.file.id, each]));
  let ways: Way[] = [{ ids: [], cost: 0, at: laid.headMm }];
  for (let step = 0; step < now.length; step++) {
    const next = ways.flatMap((way) => {
      const placed = new Set(way.ids);
      return now.flatMap((id, place): Way[] => {
        const one = part.get(id);
        if (!one || placed.has(id) || ![...(before.get(id) ?? [])].every((each) => placed.has(each))) return [];
        const at = tieInMm(one);
        const cost = way.cost + Math.abs(at - way.at) + HABIT_MM * Math.abs(place - step);
        return [{ ids: [...way.ids, id], cost, at: isWound(one) ? tiedOffMm(one) : at }];
      });
    });
    const seen = new Set<string>();
    ways = next
      .sort((a, b) => a.cost - b.cost)
      .filter((way) => {
        const key = `${[...way.ids].sort().join()} ${way.ids.at(-1) ?? ''}`;
        return !seen.has(key) && seen.add(key);
      })
      .slice(0, BEAM);
    if (ways.length === 0) return now;
  }
  const habit = (ids: readonly string[]): number =>
    ids.reduce((sum, id, i) => sum + HABIT_MM * Math.abs(now.indexOf(id) - i), 0);
  const whole = (ids: readonly string[]): number => {
    const moves = movesOf(laid, ids);
    return travelMm(laid, moves) + unevenMm(laid, moves) + habit(ids);
  };
  const stays = brokenBy(constraints, now).length === 0 ? [now] : [];
  const weighed = [...stays, ...ways.map((way) => [...way.ids])].map((ids) => ({ ids, cost: whole(ids) }));
  return weighed.sort((a, b) => a.cost - b.cost)[0]?.ids ?? now;
}

/** A file with its parts in another order. */
export const inOrder = (file: FlyFile, ids: readonly string[]): FlyFile => ({
  ...file,
  parts: [...file.parts].sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id)),
});

/** The smallest change that mends one broken constraint: the part that comes too late is moved to just before the other, or that to just after it, whichever breaks less. */
export function mended(laid: LaidFly, { before, after }: Constraint): FlyFile {
  const all = constraintsOf(laid);
  const ids = laid.parts.map((part) => part.file.id);
  const moved = (id: string, at: (rest: readonly string[]) => number): string[] => {
    const rest = ids.filter((each) => each !== id);
    rest.splice(at(rest), 0, id);
    return rest;
  };
  const earlier = moved(before, (rest) => rest.indexOf(after));
  const later = moved(after, (rest) => rest.indexOf(before) + 1);
  const [best] = [earlier, later, bestOrder(laid)].sort((a, b) => brokenBy(all, a).length - brokenBy(all, b).length);
  return inOrder(laid.file, best ?? ids);
}
