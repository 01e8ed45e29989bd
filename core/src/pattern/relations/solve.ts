import type { Fault } from '../../base/index.ts';
import type { Anchor, Term } from './ast.ts';
import { PartEdges } from './partEdges.ts';
import { fieldOf, keyOf, MeasureError, UnreadError, type Field } from './relationSolver.ts';
import type { MeasuredPart, MeasureFrame, MeasureResult, PartExtent } from './types.ts';

const NOWHERE: Field = { part: null, key: '' };

/**
 * Solves every relation of a fly over its dependency graph.
 * @param unread lower-case ids of parts whose own relations did not read: what leans on one brings no fault of its own
 * @returns extents by lower-case part id for the parts that solve, and one fault for each root cause; a part that
 *   merely leans on a faulty one brings none
 */
export function solveMeasures(
  frame: MeasureFrame,
  parts: readonly MeasuredPart[],
  unread: ReadonlySet<string> = new Set(),
): MeasureResult {
  const edges = new PartEdges(frame, parts, unread);
  const { relations } = edges;
  const extents = new Map<string, PartExtent>();
  const faults = new Map<string, Fault>();
  const guarded = <T>(solve: () => T, otherwise: T): T => {
    try {
      return solve();
    } catch (error) {
      if (error instanceof MeasureError) faults.set(`${error.fault.path} ${error.fault.message}`, error.fault);
      else if (!(error instanceof UnreadError)) throw error;
      return otherwise;
    }
  };
  const headSpaceMm = guarded(() => relations.headSpace().mm, frame.defaultHeadSpaceMm);
  const headMm = guarded(() => relations.head(NOWHERE).mm, headSpaceMm);
  for (const part of parts) {
    // Each relation by itself first, so that two wrong ones of a part are both told.
    for (const [key, length] of Object.entries(part.lengths))
      guarded(() => void relations.length(length, fieldOf(part, key)), undefined);
    for (const [key, place] of Object.entries(part.places))
      guarded(() => void relations.place(place, fieldOf(part, key)), undefined);
    guarded(() => void extents.set(keyOf(part.id), edges.extent(part)), undefined);
  }
  const orNull = (find: () => number): number | null => {
    try {
      return find();
    } catch (error) {
      if (error instanceof MeasureError || error instanceof UnreadError) return null;
      throw error;
    }
  };
  const unitMm = (term: Term): number | null => orNull(() => relations.unitSize(term, NOWHERE));
  const anchorMm = (anchor: Anchor): number | null => orNull(() => relations.anchor(anchor, '', NOWHERE).mm);
  return { headSpaceMm, headMm, extents, faults: cyclesOnce([...faults.values()]), unitMm, anchorMm };
}

/** A loop is met once from each of its members; the first in file order speaks for all. */
function cyclesOnce(faults: readonly Fault[]): Fault[] {
  const seen = new Set<string>();
  return faults.filter((fault) => {
    if (fault.code !== 'cycle') return true;
    const members = [...new Set(fault.message.replace('leans on itself: ', '').split(' → '))].sort().join();
    if (seen.has(members)) return false;
    seen.add(members);
    return true;
  });
}
