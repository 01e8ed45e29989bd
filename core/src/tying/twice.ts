import type { PartOf } from '../pattern/index.ts';
import type { LaidFly, LaidPart } from '../model/index.ts';
import { boundBy, isBody, isLip, isPalmer, isRib, overlapMm, same, tieInMm } from './constraints.ts';

/** Places nearer to the end of what is folded than this lie outside it, mm. */
const EDGE_MM = 0.3;
/** Work counts as lying under something from so much of either on, as a share. */
const UNDER_SHARE = 0.3;

const overlapsWell = (a: LaidPart, b: LaidPart): boolean =>
  overlapMm(a, b) > UNDER_SHARE * Math.min(a.extent.endMm - a.extent.startMm, b.extent.endMm - b.extent.startMm);

/** A rib that binds a part down. */
const bindsIt = (rib: LaidPart, part: LaidPart): boolean =>
  same(boundBy(part.file) ?? undefined, rib.file.id) ||
  (rib.file.construction === 'wrap' && rib.file.binds?.some((id) => same(id, part.file.id)) === true);

/** Where a strip that is bound twice is bound, front and rear, mm from the eye; null for one that is bound once. */
function bothEnds(part: LaidPart): readonly [frontMm: number, rearMm: number] | null {
  if (part.file.construction !== 'strip') return null;
  const { bindingsMm } = part.extent;
  const [front, rear] = [Math.min(...bindingsMm), Math.max(...bindingsMm)];
  return bindingsMm.length > 1 && rear - front > 1 ? [front, rear] : null;
}

/** Bodies that a strip lies on between its two bindings. */
function underStrip(part: LaidPart, laid: LaidFly, [front, rear]: readonly [number, number]): LaidPart[] {
  return laid.parts.filter(
    (other) =>
      other !== part &&
      (isBody(other) || isPalmer(other) || (isRib(other) && !bindsIt(other, part))) &&
      Math.min(other.extent.endMm, rear) - Math.max(other.extent.startMm, front) > 0.5,
  );
}

/** What is made between tying a folded piece in and folding it over: what is wound under it, legs, eyes and hackles among it. */
function underFold(part: LaidPart, laid: LaidFly): LaidPart[] {
  const { startMm, endMm } = part.extent;
  return laid.parts.filter((other) => {
    if (other === part || bindsIt(other, part)) return false;
    const { file } = other;
    if (file.construction === 'sheet' || file.construction === 'coat' || file.role === 'head') return false;
    if (file.role === 'underbody') return false;
    if (file.construction === 'wrap' || isPalmer(other)) return overlapsWell(other, part);
    const at = tieInMm(other);
    const top = file.side === 'top' && file.construction !== 'ball';
    return !top && at > startMm + EDGE_MM && at < endMm - EDGE_MM;
  });
}

/** How a part is done in two steps, whatever stands between them: what it covers, and where it is caught and finished. */
export interface Twice {
  readonly covers: readonly LaidPart[];
  readonly first: 'rear' | 'front';
  /** mm from the eye */
  readonly caughtMm: number;
  readonly finishedMm: number;
}

/**
 * Strips that are bound twice and all that is folded: bound at one end, what they cover made, then brought over and bound at the other. The
 * rear comes first where a body lies under, unless the file says otherwise.
 * @returns null for what is done in one step
 */
export function twiceDone(part: LaidPart, laid: LaidFly): Twice | null {
  let kept = known.get(laid);
  if (!kept) known.set(laid, (kept = new Map<LaidPart, Twice | null>()));
  let how = kept.get(part);
  if (how === undefined) kept.set(part, (how = howTwice(part, laid)));
  return how;
}

/** Asked for every order that is tried, and worked out once for a fly. */
const known = new WeakMap<LaidFly, Map<LaidPart, Twice | null>>();

function howTwice(part: LaidPart, laid: LaidFly): Twice | null {
  const { file, extent } = part;
  if (isLip(part)) return null;
  if (file.construction === 'sheet') {
    const rear = file.first !== 'front';
    return {
      covers: underFold(part, laid),
      first: rear ? 'rear' : 'front',
      caughtMm: rear ? extent.endMm : extent.startMm,
      finishedMm: rear ? extent.startMm : extent.endMm,
    };
  }
  const ends = bothEnds(part);
  if (!ends) return null;
  const under = underStrip(part, laid, ends);
  const rear = (file as PartOf<'strip'>).first !== 'front' && under.length > 0;
  const [frontMm, rearMm] = ends;
  return {
    covers: rear ? under : [],
    first: rear ? 'rear' : 'front',
    caughtMm: rear ? rearMm : frontMm,
    finishedMm: rear ? frontMm : rearMm,
  };
}

/** A strip that is bound at its front first and down its length by a rib has nothing left for a second step of its own. */
export const isLeftToRib = (part: LaidPart, { first }: Twice): boolean =>
  first === 'front' && boundBy(part.file) !== null;
