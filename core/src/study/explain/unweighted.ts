import { freezeDependants, removePart } from '../../edit/index.ts';
import { layFly, settleFly, type LaidFly, type LaidPart } from '../../model/index.ts';

/** Nothing is added as a weight but metal. mg/mm³ */
const METAL = 2;

const isWeight = ({ file, built }: LaidPart): boolean =>
  file.role === 'underbody' || (built.ball !== null && built.ball.density > METAL);

/**
 * How fast the same fly sinks without what was put on to sink it: no eyes, beads or wire of metal, everything else where it is.
 * @returns mm/s; null where it carries no weight, where it floats without, or where it cannot be laid without
 */
export function unweightedSink(laid: LaidFly): number | null {
  const weights = laid.parts.filter(isWeight).map(({ file }) => file.id);
  if (weights.length === 0) return null;
  let now = laid;
  for (const id of weights) {
    const next = layFly(removePart(freezeDependants(now, id), id));
    if (!next.ok) return null;
    now = next.value;
  }
  return settleFly(now).balance.sink?.terminal ?? null;
}
