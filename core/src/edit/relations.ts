import { type Part, type FlyFile, parseLength, parsePosition, type Relation } from '../pattern/index.ts';

/** Keys of a part that hold a length relation, and those that hold a position. */
const LENGTH_KEYS = [
  'diameter',
  'bore',
  'front',
  'length',
  'strand',
  'pitch',
  'pinch',
  'width',
  'thickness',
  'hair',
  'fibre',
  'flatBelow',
] as const;
const POSITION_KEYS = ['at', 'from', 'to', 'tip', 'buttsTo'] as const;

export const isLengthKey = (key: string): boolean =>
  (LENGTH_KEYS as readonly string[]).includes(key) || key.startsWith('profile[');
export const isPositionKey = (key: string): boolean =>
  (POSITION_KEYS as readonly string[]).includes(key) || key.startsWith('boundAt[');

/** One relation of a part, by its key in the file (`tip`, `boundAt[0]`). */
export interface RelationAt {
  readonly key: string;
  readonly text: string;
  readonly type: 'length' | 'position';
}

/** Every relation a part holds. */
export function relationsOf(part: Part): RelationAt[] {
  return Object.entries(part).flatMap(([key, value]): RelationAt[] => {
    if (typeof value === 'string' && isLengthKey(key)) return [{ key, text: value, type: 'length' }];
    if (typeof value === 'string' && isPositionKey(key)) return [{ key, text: value, type: 'position' }];
    if (!Array.isArray(value) || (key !== 'profile' && key !== 'boundAt')) return [];
    return value.map((text, i): RelationAt => ({
      key: `${key}[${String(i)}]`,
      text,
      type: key === 'profile' ? 'length' : 'position',
    }));
  });
}

/** Parses a relation of either type; null when it does not read. */
export function readRelation({ text, type }: Pick<RelationAt, 'text' | 'type'>): Relation | null {
  const read = type === 'length' ? parseLength(text) : parsePosition(text);
  return read.ok ? read.relation : null;
}

/** A part with one key set, or taken away when the value is empty. List entries are reached as `boundAt[0]`. */
export function withKey(part: Part, key: string, value: string | number | boolean | undefined): Part {
  const listed = /^(\w+)\[(\d+)\]$/.exec(key);
  const given = value === '' || value === undefined ? undefined : value;
  if (!listed) return withField(part, key, given);
  const name = listed[1] ?? '';
  const list = [...(((part as Record<string, unknown>)[name] as unknown[] | undefined) ?? [])];
  if (given === undefined) list.splice(Number(listed[2]), 1);
  else list[Number(listed[2])] = given;
  return withField(part, name, list.length === 0 ? undefined : list);
}

/** A copy of an object with one field set, or without it when the value is undefined. The order of fields stays. */
export function withField<T extends object>(object: T, key: string, value: unknown): T {
  if (value !== undefined) return { ...object, [key]: value };
  return Object.fromEntries(Object.entries(object).filter(([name]) => name !== key)) as T;
}

export const withPart = (file: FlyFile, id: string, change: (part: Part) => Part): FlyFile => ({
  ...file,
  parts: file.parts.map((part) => (part.id === id ? change(part) : part)),
});

export const partOf = (file: FlyFile, id: string): Part | undefined =>
  file.parts.find((part) => part.id.toLowerCase() === id.toLowerCase());
