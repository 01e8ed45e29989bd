import type { Drawers } from '../drawers/index.ts';
import { type LaidFly, layFly } from '../model/index.ts';
import { spreadsOf } from '../study/index.ts';

/** From how much more on one side up a fly leans. */
export interface Leans {
  readonly part: string;
  /** How much more on one side than on the other, 0.5 for half as much again; null where not even all of it on one side makes it lean. */
  readonly share: number | null;
}

/** A fly that leans by more is told so. */
const LEANS_DEG = 10;
const HALVINGS = 12;

/** Heel from the nearest of upright and upside down, degrees. */
const leanOf = ({ tight }: LaidFly): number => {
  // One that rides either way up lies as it falls.
  const heel = Math.abs(tight.heelDeg ?? 90) % 180;
  return Math.min(heel, 180 - heel);
};

/**
 * How uneven the halves of a part may be before the fly leans ten degrees on a tight line: the part with two sides that leans it first.
 * @returns null where no part of it has two halves
 */
export function leansFrom(laid: LaidFly, drawers: Drawers): Leans | null {
  const parts = spreadsOf(laid).flatMap(({ part, kind }) => (kind === 'split' && part !== null ? [part] : []));
  const leans = (part: string, split: number): boolean => {
    const made = layFly(laid.file, drawers, new Map([[part, { rollDeg: 0, split }]]));
    return made.ok && leanOf(made.value) - leanOf(laid) > LEANS_DEG;
  };
  const all = parts.map((part): Leans => {
    if (!leans(part, 1)) return { part, share: null };
    let [low, high] = [0, 1];
    for (let i = 0; i < HALVINGS; i++) {
      const mid = (low + high) / 2;
      if (leans(part, mid)) high = mid;
      else low = mid;
    }
    // The halves are (1 ± high) / 2 of all of it.
    return { part, share: (2 * high) / (1 - high) };
  });
  const [first = null] = all.sort((one, other) => (one.share ?? Infinity) - (other.share ?? Infinity));
  return first;
}
