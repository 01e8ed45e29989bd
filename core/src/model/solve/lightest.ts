import { tightKeel } from '../balance/keel.ts';
import type { Ride } from '../balance/model.ts';
import type { SinkClass } from '../balance/sinking.ts';
import { restAndSink } from '../balance/solveBalance.ts';
import { balanceModel } from './balanceModel.ts';
import type { LaidFly, LaidPart } from './layFly.ts';

/** A fly as it may be as long as nobody has weighed its eyes and beads: all of them the lightest that are sold in their size. */
export interface Lightest {
  /** Ids of what nobody has weighed. */
  readonly parts: readonly string[];
  readonly ride: Ride | 'undecided';
  readonly slackRide: Ride | 'undecided';
  /** mm/s; null where it floats */
  readonly terminal: number | null;
  readonly class: SinkClass | null;
}

/** How much lighter than it is reckoned a ball may be, mg; nothing of what was weighed, or weighs what it is. */
const spareMg = ({ massMg, built: { ball } }: LaidPart): number =>
  ball && !ball.weighed ? (1 - ball.leastShare) * massMg : 0;

/**
 * The same fly with its unweighed eyes and beads at the least they may weigh, their room the same.
 * @returns null where all is weighed, or is what it is
 */
export function lightestOf(laid: LaidFly): Lightest | null {
  const spare = laid.parts.filter((part) => spareMg(part) > 0);
  if (spare.length === 0) return null;
  const own = balanceModel(laid);
  const model = {
    ...own,
    weights: [...own.weights, ...spare.map((part) => ({ submergedMg: -spareMg(part), at: part.centroid }))],
  };
  const { slack, sink } = restAndSink(model);
  return {
    parts: spare.map(({ file }) => file.id),
    ride: tightKeel(model).ride,
    slackRide: slack.ride,
    terminal: sink?.terminal ?? null,
    class: sink?.class ?? null,
  };
}
