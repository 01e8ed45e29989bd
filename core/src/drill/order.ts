import { orderWords } from '../checks/index.ts';
import type { LaidFly } from '../model/index.ts';
import { noise } from '../numeric/index.ts';
import { bestOrder, brokenBy, constraintsOf } from '../tying/index.ts';

/** What is on the hook, and what could be next: one of them can, the others cannot yet. */
export interface OrderAsk {
  readonly placed: readonly string[];
  readonly choices: readonly string[];
  readonly right: string;
}

/** One thing an order breaks, and why it matters. */
export interface Broken {
  readonly before: string;
  readonly after: string;
  readonly words: string;
  readonly reason: string;
}

/** What an order of parts breaks, each with its reason. @param ids the parts that are on, in order; what is not on comes later */
export function brokenIn(laid: LaidFly, ids: readonly string[]): readonly Broken[] {
  const on = new Set(ids);
  const rest = laid.parts.map(({ file }) => file.id).filter((id) => !on.has(id));
  return brokenBy(constraintsOf(laid), [...ids, ...rest])
    .filter(({ before, after }) => on.has(before) || on.has(after))
    .map((each) => ({ before: each.before, after: each.after, ...orderWords(each) }));
}

/** How many parts could be next, of which one is asked for. */
const CHOICES = 3;

/** The places of a fly's order where one part can be next and others cannot: each a question. */
function asksOf(
  laid: LaidFly,
): readonly { readonly placed: readonly string[]; readonly right: string; readonly wrong: readonly string[] }[] {
  const order = bestOrder(laid);
  const musts = constraintsOf(laid);
  return order.flatMap((right, k) => {
    const placed = order.slice(0, k);
    const wrong = order
      .slice(k + 1)
      .filter((id) => musts.some(({ before, after }) => after === id && !placed.includes(before)));
    return wrong.length > 0 ? [{ placed, right, wrong }] : [];
  });
}

/** A question of what is tied in next; null where any order of the fly will do. @param seed the same seed asks the same */
export function orderAsk(laid: LaidFly, seed: number): OrderAsk | null {
  const asks = asksOf(laid);
  const ask = asks[Math.floor(noise(seed, 0, 0) * asks.length)];
  if (!ask) return null;
  const shuffled = (ids: readonly string[], k: number): readonly string[] =>
    ids
      .map((id, i) => ({ id, by: noise(seed, i, k) }))
      .sort((one, other) => one.by - other.by)
      .map(({ id }) => id);
  const wrong = shuffled(ask.wrong, 1).slice(0, CHOICES - 1);
  return { placed: ask.placed, right: ask.right, choices: shuffled([ask.right, ...wrong], 2) };
}

/**
 * The least number of parts that have to be moved so that an order breaks nothing. What stays must break nothing among itself, and the most
 * that can stay is the largest antichain of what is the wrong way round, by Dilworth: all parts less a largest matching.
 */
export function leastMoves(laid: LaidFly, ids: readonly string[]): number {
  const at = new Map(ids.map((id, i) => [id, i]));
  const before = reachable(
    constraintsOf(laid).map(({ before: one, after }) => [one, after] as const),
    ids,
  );
  // From each part to those that stand after it and ought to come before it.
  const wrong = new Map(
    ids.map((id) => [
      id,
      ids.filter((other) => (at.get(other) ?? 0) > (at.get(id) ?? 0) && before.get(other)?.has(id)),
    ]),
  );
  const partner = new Map<string, string>();
  const match = (id: string, tried: Set<string>): boolean =>
    (wrong.get(id) ?? []).some((other) => {
      if (tried.has(other)) return false;
      tried.add(other);
      const held = partner.get(other);
      if (held !== undefined && !match(held, tried)) return false;
      partner.set(other, id);
      return true;
    });
  return ids.filter((id) => match(id, new Set())).length;
}

/** For each part all that come after it, by the pairs and what follows from them. */
function reachable(
  pairs: readonly (readonly [string, string])[],
  ids: readonly string[],
): ReadonlyMap<string, ReadonlySet<string>> {
  const next = new Map<string, Set<string>>(ids.map((id) => [id, new Set()]));
  for (const [one, other] of pairs) next.get(one)?.add(other);
  for (const middle of ids)
    for (const from of ids) {
      const own = next.get(from);
      if (own?.has(middle)) for (const to of next.get(middle) ?? []) own.add(to);
    }
  return next;
}
