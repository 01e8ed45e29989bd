import type { FlyFile } from '../file/schema.ts';
import { nudgeMm, pullRelation } from '../measure/adjust.ts';
import type { LaidFly, LaidPart } from '../solve/layFly.ts';
import { readRelation, withKey, withPart, type RelationAt } from './relations.ts';

/** The relation that says where a part's tip is: its tip, its length or its fibres. */
export function tipRelation(part: LaidPart): RelationAt | null {
  const fields = part.file as unknown as Record<string, unknown>;
  for (const key of ['tip', 'length', 'fibre'] as const) {
    const text = fields[key];
    if (typeof text === 'string' && part.extent.tipMm !== null)
      return { key, text, type: key === 'tip' ? 'position' : 'length' };
  }
  return null;
}

/** mm along the shank for one mm of a part's free length. */
function reach(part: LaidPart): number {
  const { tipMm, endMm, lengthMm } = part.extent;
  return tipMm === null || lengthMm <= 0 ? 1 : Math.max(0.05, (tipMm - endMm) / lengthMm);
}

/**
 * Moves a part's tip along the shank by changing the number in its relation.
 * @param deltaMm way aft, mm; forward when negative
 * @returns the changed file, or null when the part has no tip to pull
 */
export function pullTip(laid: LaidFly, id: string, deltaMm: number): FlyFile | null {
  const part = laid.parts.find((each) => each.file.id === id);
  const at = part ? tipRelation(part) : null;
  const relation = at ? readRelation(at) : null;
  if (!part || !at || !relation) return null;
  const delta = at.type === 'length' ? deltaMm / reach(part) : deltaMm;
  // A strip's length runs from its tie-in: what `same as` and `at most` scale is the whole of it.
  const text = pullRelation(
    relation,
    delta,
    laid.measures.unitMm,
    part.extent.readings[at.key]?.mm ?? part.extent.lengthMm,
  );
  return withPart(laid.file, id, (each) => withKey(each, at.key, text));
}

/** The step of one arrow key on a part's tip, mm along the shank. */
export function tipStepMm(laid: LaidFly, id: string): number {
  const part = laid.parts.find((each) => each.file.id === id);
  const at = part ? tipRelation(part) : null;
  const relation = at ? readRelation(at) : null;
  if (!part || !at || !relation) return 0.5;
  const step = nudgeMm(relation, laid.measures.unitMm);
  return at.type === 'length' ? step * reach(part) : step;
}
