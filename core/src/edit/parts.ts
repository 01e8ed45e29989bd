import { isReserved } from '../data/index.ts';
import { type Part, type FlyFile, renameIn } from '../pattern/index.ts';
import type { LaidFly } from '../model/index.ts';
import { mapMentions } from './mentions.ts';
import { plainRelation, shown } from './plain.ts';
import { partOf, readRelation, relationsOf, withKey, type RelationAt } from './relations.ts';

const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();

/** A free id that begins like `wanted`: `tail`, then `tail-2`. */
export function freeId(file: FlyFile, wanted: string, role: string): string {
  const base =
    wanted
      .replace(/[^A-Za-z0-9-]+/g, '-')
      .replace(/-+/g, '-')
      .replace(/^[^A-Za-z]+|-+$/g, '') || role;
  const taken = (id: string): boolean =>
    partOf(file, id) !== undefined || (same(id, 'body') ? role !== 'body' : isReserved(id));
  if (!taken(base)) return base;
  let n = 2;
  while (taken(`${base}-${String(n)}`)) n++;
  return `${base}-${String(n)}`;
}

/** Puts a part in at `index` in tying order, under a free id, without mentions of parts this fly lacks. @returns the new file and the id it got */
export function addPart(file: FlyFile, part: Part, index = file.parts.length): { file: FlyFile; id: string } {
  const id = freeId(file, part.id, part.role);
  const parts = [...file.parts];
  const known = mapMentions(part, (name) => (partOf(file, name) ? name : null));
  parts.splice(index, 0, { ...known, id });
  return { file: { ...file, parts }, id };
}

/** Moves a part earlier or later in tying order; places outside the list are brought to its ends. */
export function movePart(file: FlyFile, from: number, to: number): FlyFile {
  const parts = [...file.parts];
  const [moved] = parts.splice(from, 1);
  if (!moved) return file;
  parts.splice(Math.max(0, Math.min(parts.length, to)), 0, moved);
  return { ...file, parts };
}

/** Renames a part and follows the name through every relation and list of ids. */
export function renamePart(file: FlyFile, from: string, to: string): FlyFile {
  const parts = file.parts.map((part): Part => {
    let next = part;
    for (const relation of relationsOf(part)) next = withKey(next, relation.key, renameIn(relation.text, from, to));
    next = mapMentions(next, (id) => (same(id, from) ? to : id));
    return { ...next, id: same(part.id, from) ? to : part.id };
  });
  const { headSpace } = file.platform;
  return {
    ...file,
    parts,
    platform: headSpace === undefined ? file.platform : { ...file.platform, headSpace: renameIn(headSpace, from, to) },
  };
}

/** The hook's own relation among those that lean on a part. */
export const HOOK_PART = 'hook';
const HEAD_SPACE = 'headSpace';

export interface Dependant extends RelationAt {
  /** Id of the part it stands in, or `HOOK_PART` for the head space. */
  readonly part: string;
}

/** The relations of other parts and of the hook that lean on a part, through its id or, for the only body, through the word body. */
export function dependants(file: FlyFile, id: string): Dependant[] {
  const lastBody = partOf(file, id)?.role === 'body' && file.parts.filter((each) => each.role === 'body').length === 1;
  const leans = (relation: RelationAt): boolean => {
    const mentions = readRelation(relation)?.references.some((reference) => same(reference.id, id)) ?? false;
    return mentions || (lastBody && /\bbody\b/i.test(relation.text));
  };
  const others = file.parts
    .filter((each) => !same(each.id, id))
    .flatMap((each) => relationsOf(each).map((relation) => ({ ...relation, part: each.id })));
  const { headSpace } = file.platform;
  const own: Dependant[] =
    headSpace === undefined ? [] : [{ part: HOOK_PART, key: HEAD_SPACE, text: headSpace, type: 'length' }];
  return [...others, ...own].filter(leans);
}

/** Replaces relations by the measure they have now, so that nothing leans on `id` any more. */
export function freezeDependants(laid: LaidFly, id: string): FlyFile {
  const { file } = laid;
  const leaning = dependants(file, id);
  const parts = file.parts.map((part) => {
    const readings = laid.parts.find((each) => each.file.id === part.id)?.extent.readings;
    return leaning
      .filter((each) => each.part === part.id)
      .reduce((next, { key, type }) => {
        const reading = readings?.[key];
        return reading ? withKey(next, key, plainRelation(type, reading)) : next;
      }, part);
  });
  const headLeans = leaning.some((each) => each.part === HOOK_PART);
  const platform = headLeans ? { ...file.platform, headSpace: `${shown(laid.headSpaceMm)} mm` } : file.platform;
  return { ...file, parts, platform };
}

/** Takes a part off, with every mention of it outside relations. Relations that lean on it are frozen first, or it is refused. */
export const removePart = (file: FlyFile, id: string): FlyFile => ({
  ...file,
  parts: file.parts
    .filter((part) => !same(part.id, id))
    .map((part) => mapMentions(part, (name) => (same(name, id) ? null : name))),
});
