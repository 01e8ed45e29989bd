import type { FlyFile } from '../file/schema.ts';
import type { LaidFly, LaidPart } from '../solve/layFly.ts';
import { brokenBy, constraintsOf, tieInMm, woundAfter, type Constraint } from './constraints.ts';

/** One thing done with a part: tied in, wound, or both at once. */
export interface Move {
  readonly part: LaidPart;
  readonly does: 'tie' | 'catch' | 'wind';
  /** Where the thread has to wait, and where it is afterwards. mm from the eye */
  readonly fromMm: number;
  readonly toMm: number;
}

/** Where the thread ends that ties off what was wound. */
function tiedOffMm(part: LaidPart): number {
  const begin = tieInMm(part);
  const { startMm, endMm } = part.extent;
  return Math.abs(begin - startMm) > Math.abs(begin - endMm) ? startMm : endMm;
}

const isWound = ({ file }: LaidPart): boolean =>
  file.construction === 'wrap' || file.construction === 'hackle' || file.construction === 'spun';

/**
 * What is done in turn when parts are tied in an order: what is wound over something that comes later is caught first, left hanging, and
 * wound once that is on.
 * @param ids parts in the order they are tied in
 */
export function movesOf(laid: LaidFly, ids: readonly string[]): Move[] {
  const parts = ids.flatMap((id) => laid.parts.find((part) => part.file.id === id) ?? []);
  const waits = new Map(parts.map((part) => [part, new Set(woundAfter(part, laid))]));
  const hanging: LaidPart[] = [];
  const done = new Set<LaidPart>();
  const moves: Move[] = [];
  const wind = (part: LaidPart, does: 'wind' | 'tie'): void => {
    const [from, to] = [tieInMm(part), tiedOffMm(part)];
    moves.push({ part, does, fromMm: does === 'tie' ? from : to, toMm: isWound(part) ? to : from });
    done.add(part);
  };
  const free = (part: LaidPart): boolean =>
    [...(waits.get(part) ?? [])].every((other) => done.has(other) || !parts.includes(other));
  const release = (): void => {
    for (const part of [...hanging])
      if (!done.has(part) && free(part)) {
        hanging.splice(hanging.indexOf(part), 1);
        wind(part, 'wind');
      }
  };
  for (const part of parts) {
    if (isWound(part) && !free(part)) {
      const at = tieInMm(part);
      moves.push({ part, does: 'catch', fromMm: at, toMm: at });
      hanging.push(part);
    } else {
      wind(part, 'tie');
      release();
    }
  }
  // What waits for something that waits for it is wound all the same, in the order it hangs.
  for (const part of hanging) if (!done.has(part)) wind(part, 'wind');
  return moves;
}

/** mm the thread travels along the shank. It starts behind the head and ends there. */
export function travelMm(laid: LaidFly, moves: readonly Move[]): number {
  let [at, sum] = [laid.headMm, 0];
  for (const { fromMm, toMm, part } of moves) {
    if (part.file.construction === 'coat' || part.file.construction === 'ball') {
      if (part.file.construction === 'coat' || part.built.ball?.sided !== true) continue;
    }
    sum += Math.abs(fromMm - at) + Math.abs(toMm - fromMm);
    at = toMm;
  }
  return sum + Math.abs(laid.headMm - at);
}

const BEAM = 24;

/** How a thing stands for the order as it is: for every place it is moved, so many mm of travel. It keeps what need not change. */
const HABIT_MM = 0.02;

/**
 * An order of parts that breaks none of its constraints and keeps the thread's travel short; of equal ones the one nearest the order that is.
 * Beam search over the parts that may come next.
 * @returns ids in order; the order as it is where the constraints contradict one another
 */
export function bestOrder(laid: LaidFly, constraints: readonly Constraint[] = constraintsOf(laid)): string[] {
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
  const whole = (ids: readonly string[]): number => travelMm(laid, movesOf(laid, ids)) + habit(ids);
  const stays = brokenBy(constraints, now).length === 0 ? [now] : [];
  return [...stays, ...ways.map((way) => [...way.ids])].sort((a, b) => whole(a) - whole(b))[0] ?? now;
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
  const [best] = [earlier, later, bestOrder(laid, all)].sort(
    (a, b) => brokenBy(all, a).length - brokenBy(all, b).length,
  );
  return inOrder(laid.file, best ?? ids);
}
