import type { LaidFly } from '@jobbet/core/model';
import { standing, type Standing } from '@jobbet/core/checks';
import type { School } from '@jobbet/core/data';
import { named, type Drawers } from '@jobbet/core/drawers';

export const schoolIn = ({ schools }: Drawers, word: string | undefined): School | null =>
  word === undefined ? null : named(schools, word);

const known = new WeakMap<LaidFly, { readonly drawers: Drawers; readonly byId: Map<string, Standing | null> }>();

/** How a part stands to the fly's school: worked out once for inspector and drawing. */
export function standingOf(laid: LaidFly, id: string, drawers: Drawers): Standing | null {
  const school = schoolIn(drawers, laid.file.school);
  if (!school) return null;
  let memo = known.get(laid);
  if (memo?.drawers !== drawers) known.set(laid, (memo = { drawers, byId: new Map() }));
  let at = memo.byId.get(id);
  if (at === undefined) memo.byId.set(id, (at = standing(laid, id, school, drawers)));
  return at;
}

/** Where along the shank a school's band ends: of a tip's place, or of a length from where the part is bound. mm */
export function bandPlaces(laid: LaidFly, id: string, at: Standing): readonly [number, number] {
  const part = laid.parts.find((each) => each.file.id === id);
  if (!part || at.key === 'tip' || at.key === 'from') return [at.lowMm, at.highMm];
  const { tipMm, endMm, lengthMm } = part.extent;
  const reach = tipMm === null || lengthMm <= 0 ? 1 : (tipMm - endMm) / lengthMm;
  const free = lengthMm - (part.extent.readings[at.key]?.mm ?? lengthMm);
  return [endMm + reach * (at.lowMm + free), endMm + reach * (at.highMm + free)];
}
