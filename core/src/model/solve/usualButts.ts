import { TIE_IN } from '../../data/index.ts';
import type { FlyFile, MeasureResult, Part, PartExtent } from '../../pattern/index.ts';
import { traitsOf } from '../parts/registry.ts';

/** A body covers a tie-in from so near its rear end on, mm. */
const AT_REAR_MM = 1;

const isBodyOver = (extent: PartExtent, atMm: number): boolean =>
  extent.endMm > atMm - AT_REAR_MM && extent.startMm < atMm - TIE_IN.lengthMm;

/**
 * Butts that the file says nothing of run along the shank under the body, up to the weight or the ball ahead of them, else to the body's
 * front: cut at the tie-in they would leave a step. What goes on as another part has none.
 */
export function withUsualButts(file: FlyFile, measures: MeasureResult): MeasureResult {
  const of = (part: Part): PartExtent | undefined => measures.extents.get(part.id.toLowerCase());
  const bodies = file.parts
    .filter((part) => part.construction === 'wrap' && part.role === 'body')
    .flatMap((part) => of(part) ?? []);
  if (bodies.length === 0) return measures;
  const weights = file.parts
    .filter((part) => part.role === 'underbody' || (part.construction === 'ball' && part.shape !== 'disc'))
    .flatMap((part) => of(part) ?? []);
  const extents = new Map(measures.extents);
  for (const part of file.parts) {
    const extent = of(part);
    if (!extent || !traitsOf(part.construction).butts || extent.buttsToMm !== null) continue;
    if (file.parts.some((each) => each.continues?.toLowerCase() === part.id.toLowerCase())) continue;
    const at = extent.bindingsMm[0] ?? extent.endMm;
    const body = bodies.find((each) => isBodyOver(each, at));
    if (!body) continue;
    const ahead = Math.max(...weights.filter((each) => each.endMm < at).map((each) => each.endMm), body.startMm);
    extents.set(part.id.toLowerCase(), { ...extent, buttsToMm: ahead });
  }
  return { ...measures, extents };
}
