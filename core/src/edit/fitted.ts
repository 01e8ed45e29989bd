import type { FlyFile, Part } from '../pattern/index.ts';

/** What is tied in at the rear before others, and which roles then begin in front of it, the foremost that is there. */
const BEHIND: Readonly<Partial<Record<Part['role'], readonly Part['role'][]>>> = {
  tail: ['tag'],
  butt: ['tag'],
  veil: ['butt', 'tag'],
  rib: ['butt', 'tag'],
  body: ['butt', 'tag'],
  hackle: ['butt', 'tag'],
};

/** A relation that counts from the bend. */
const FROM_BEND = /^bend\b/;

/**
 * A part as it is begun on a fly: what would begin at the bend begins in front of the tag or the butt that lies there, as it is tied.
 * @param part one that is offered, whose places are counted from the bend
 */
export function fittedTo({ parts }: FlyFile, part: Part): Part {
  const roles = BEHIND[part.role] ?? [];
  const behind = roles.map((role) => parts.find((each) => each.role === role)).find((each) => each !== undefined);
  if (!behind) return part;
  const moved = (['at', 'from', 'to'] as const).flatMap((key) => {
    const place = (part as Readonly<Record<string, unknown>>)[key];
    return typeof place === 'string' && FROM_BEND.test(place)
      ? [[key, place.replace(FROM_BEND, `${behind.id}.front`)] as const]
      : [];
  });
  return moved.length === 0 ? part : { ...part, ...Object.fromEntries(moved) };
}
