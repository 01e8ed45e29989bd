import type { Drawers } from '../../drawers/index.ts';
import type { LaidFly, Ride } from '../../model/index.ts';
import { type Reckoned, scatterOf } from './scatter.ts';
import { spreadsOf } from './spreads.ts';

/** The same flies each time, so that only the spread tells two runs apart. */
const SEED = 1;

/** How a fly comes out of some hands. */
export interface CameOut {
  /** Share that ride as meant. */
  readonly asMeant: number;
  /** Standard deviation of their heel about the upright they are near to, degrees; null where hardly any has a heel. */
  readonly heelDeg: number | null;
}

/** What another spread would change in the scatter of one's hands. */
export interface ScatterMoved {
  /** The ride that is meant; null where neither the fly nor its intent says. */
  readonly meant: Ride | null;
  readonly was: CameOut;
  readonly now: CameOut;
}

const LEAST_HEELS = 100;

function cameOut({ asMeant, heelsDeg }: Reckoned): CameOut {
  if (heelsDeg.length < LEAST_HEELS) return { asMeant, heelDeg: null };
  const mean = heelsDeg.reduce((sum, each) => sum + each, 0) / heelsDeg.length;
  const square = heelsDeg.reduce((sum, each) => sum + (each - mean) ** 2, 0);
  return { asMeant, heelDeg: Math.sqrt(square / heelsDeg.length) };
}

function reckoned(laid: LaidFly, drawers: Drawers, spreads: Readonly<Record<string, number>>): Reckoned | null {
  for (const step of scatterOf(laid, drawers, spreadsOf(laid, spreads), SEED, 0))
    if ('reckoned' in step) return step.reckoned;
  return null;
}

/**
 * The same ten thousand flies with some spreads other than they are.
 * @param own spreads of these hands other than the usual, by their keys @param changed those that change, each to what it is then
 */
export function scatterMoved(
  laid: LaidFly,
  drawers: Drawers,
  own: Readonly<Record<string, number>>,
  changed: Readonly<Record<string, number>>,
): ScatterMoved | null {
  const [was, now] = [own, { ...own, ...changed }].map((each) => reckoned(laid, drawers, each));
  return was && now ? { meant: was.meant, was: cameOut(was), now: cameOut(now) } : null;
}
