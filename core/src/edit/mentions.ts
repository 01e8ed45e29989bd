import type { Part } from '../pattern/index.ts';

/**
 * Follows a change of names through what a part mentions outside its relations: what it goes on from, is bound by, covers or binds.
 * @param nameFor the name an id has now, or null where there is no such part any more: the mention goes, a coat falls back to the head
 */
export function mapMentions(part: Part, nameFor: (id: string) => string | null): Part {
  const fields: Record<string, unknown> = { ...part };
  // Of a rib `over` is a word, not a part.
  const keys = part.construction === 'coat' ? ['continues', 'over'] : ['continues', 'boundBy'];
  for (const key of keys) {
    const id = fields[key];
    if (typeof id !== 'string' || (key === 'over' && id === 'head')) continue;
    const name = nameFor(id) ?? (key === 'over' ? 'head' : undefined);
    if (name === undefined) Reflect.deleteProperty(fields, key);
    else fields[key] = name;
  }
  if (Array.isArray(fields['binds'])) {
    const names = fields['binds'].flatMap((id) => nameFor(String(id)) ?? []);
    if (names.length > 0) fields['binds'] = names;
    else Reflect.deleteProperty(fields, 'binds');
  }
  return fields as Part;
}
