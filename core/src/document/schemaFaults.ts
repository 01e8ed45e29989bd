import type { z } from 'zod';
import { type Fault, clipped, nearest, suggestion } from '../base/index.ts';

type Issue = z.core.$ZodIssue;

const pathText = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${String(key)}]` : text === '' ? String(key) : `${text}.${String(key)}`,
    '',
  );

/** A value by the name people give its type. */
export const typeName = (value: unknown): string =>
  value === null
    ? 'null'
    : Array.isArray(value)
      ? 'a list'
      : ((
          {
            string: 'a text',
            number: 'a number',
            boolean: 'true or false',
            object: 'an object',
            undefined: 'nothing',
          } as Record<string, string>
        )[typeof value] ?? typeof value);

const WANTED: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  boolean: 'true or false',
  object: 'an object',
  array: 'a list',
  int: 'a whole number',
  tuple: 'a list of three',
};

function valueAt(root: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) =>
      typeof value === 'object' && value !== null ? (value as Record<PropertyKey, unknown>)[key] : undefined,
    root,
  );
}

/** Keys the schema takes at the place of an unknown-key issue, so that the nearest right one can be named. */
function keysAt({ schema, root }: Whole, path: readonly PropertyKey[]): readonly string[] {
  return keysOf(resolveUnion(schemaAt({ schema, root }, path), valueAt(root, path)));
}

/** A value and the schema it was held against. */
interface Whole {
  readonly schema: unknown;
  readonly root: unknown;
}

const keysOf = (schema: unknown): readonly string[] =>
  Object.keys((schema as { shape?: object } | undefined)?.shape ?? {});

/** The schema of a place in a value. */
function schemaAt({ schema, root }: Whole, path: readonly PropertyKey[]): unknown {
  let value = root;
  let at = schema;
  for (const key of path) {
    at = stepInto(at, key, value);
    value = valueAt(value, [key]);
  }
  return at;
}

/** What a place may be of, where a word says which: that word's key, and each word with the keys it brings. */
function kindsAt(
  whole: Whole,
  path: readonly PropertyKey[],
): { key: string; kinds: Map<string, readonly string[]> } | null {
  const union = unwrap(schemaAt(whole, path));
  const key = union.def?.discriminator;
  if (key === undefined) return null;
  const kinds = (union.options ?? []).map((option): [string, readonly string[]] => {
    const word = (option as Definition).shape?.[key] as { value?: unknown } | undefined;
    return [String(word?.value), keysOf(option)];
  });
  return { key, kinds: new Map(kinds) };
}

interface Definition {
  readonly def?: {
    innerType?: unknown;
    element?: unknown;
    valueType?: unknown;
    discriminator?: string;
    options?: readonly unknown[];
  };
  readonly shape?: Record<string, unknown>;
  readonly options?: readonly unknown[];
}

/** A schema without what only wraps it; nothing is known of a place that the schema does not foresee. */
function unwrap(schema: unknown): Definition {
  let current = (schema ?? {}) as Definition;
  while (current.def?.innerType !== undefined) current = current.def.innerType as Definition;
  return current;
}

function resolveUnion(schema: unknown, value: unknown): unknown {
  const plain = unwrap(schema);
  const discriminator = plain.def?.discriminator;
  if (discriminator === undefined) {
    // Of a plain choice the one that has the value's form: its text, or an object.
    const object = typeof value === 'object' && value !== null && !Array.isArray(value);
    return (object ? plain.options?.find((option) => (option as Definition).shape !== undefined) : undefined) ?? plain;
  }
  const wanted = valueAt(value, [discriminator]);
  return plain.options?.find((option) => {
    const literal = (option as Definition).shape?.[discriminator] as { value?: unknown } | undefined;
    return literal?.value === wanted;
  });
}

function stepInto(schema: unknown, key: PropertyKey, value: unknown): unknown {
  const plain = unwrap(schema);
  if (typeof key === 'number') return plain.def?.element;
  return (resolveUnion(plain, value) as Definition | undefined)?.shape?.[String(key)] ?? plain.def?.valueType;
}

function unknownKey(whole: Whole, path: readonly PropertyKey[], key: string): Fault {
  const place = pathText([...path, clipped(key)]);
  const known = keysAt(whole, path);
  const union = kindsAt(whole, path);
  const word = union && valueAt(whole.root, [...path, union.key]);
  const elsewhere = [...(union?.kinds ?? [])].some(([name, keys]) => name !== word && keys.includes(key));
  const near = nearest(key, known);
  if (elsewhere && typeof word === 'string') {
    return {
      path: place,
      code: 'unknown-key',
      message: `a ${word} takes no "${clipped(key)}"${near === null ? '' : `; did you mean "${near}"?`}`,
    };
  }
  return {
    path: place,
    code: 'unknown-key',
    message: `unknown key "${clipped(key)}"${suggestion(key, known) || `; keys here: ${known.join(', ')}`}`,
  };
}

/** So many faults are told at once; whoever mends them sees the others then. */
export const MOST_FAULTS = 50;

/** Tells the issues of the schema as faults a user can read: the place, what is wrong, the nearest right word. The first 50 of them. */
export function schemaFaults(issues: readonly Issue[], root: unknown, schema: unknown): Fault[] {
  const faults: Fault[] = [];
  for (const issue of issues) {
    if (faults.length >= MOST_FAULTS) break;
    faults.push(...issueFaults(issue, { root, schema }));
  }
  return faults.slice(0, MOST_FAULTS);
}

function issueFaults(issue: Issue, whole: Whole): Fault[] {
  const { root } = whole;
  const path = pathText(issue.path);
  const found = valueAt(root, issue.path);
  const fault = (code: Fault['code'], message: string): Fault[] => [{ path, code, message }];
  switch (issue.code) {
    case 'unrecognized_keys':
      return issue.keys.slice(0, MOST_FAULTS).map((key) => unknownKey(whole, issue.path, key));
    case 'invalid_type':
      return found === undefined
        ? fault('missing', `is missing; write ${WANTED[issue.expected] ?? issue.expected}`)
        : fault('type', `expected ${WANTED[issue.expected] ?? issue.expected}, found ${typeName(found)}`);
    case 'invalid_value': {
      const values = issue.values.map(String);
      if (found === undefined) return fault('missing', `is missing; one of ${values.join(', ')}`);
      return typeof found === 'string'
        ? fault('choice', `"${clipped(found)}" is not one of ${values.join(', ')}${suggestion(found, values)}`)
        : fault('type', `expected one of ${values.join(', ')}, found ${typeName(found)}`);
    }
    case 'invalid_union':
      return unionFault(issue, whole);
    case 'too_big':
      return fault('range', `is too ${typeof found === 'number' ? 'large' : 'long'}; at most ${String(issue.maximum)}`);
    case 'too_small':
      return fault(
        'range',
        typeof found === 'number'
          ? `is too small; at least ${String(issue.minimum)}`
          : found === ''
            ? 'is empty'
            : `is too short; at least ${String(issue.minimum)}`,
      );
    default:
      return fault('syntax', issue.message);
  }
}

function unionFault(issue: Extract<Issue, { code: 'invalid_union' }>, whole: Whole): Fault[] {
  const { root } = whole;
  const found = valueAt(root, issue.path);
  const discriminator = (issue as { discriminator?: string }).discriminator;
  if (discriminator === undefined)
    return [{ path: pathText(issue.path), code: 'type', message: `does not read: found ${typeName(found)}` }];
  const parent = issue.path.at(-1) === discriminator ? issue.path.slice(0, -1) : issue.path;
  const holder = valueAt(root, parent);
  if (typeof holder !== 'object' || holder === null)
    return [{ path: pathText(parent), code: 'type', message: `expected an object, found ${typeName(holder)}` }];
  const names = [...(kindsAt(whole, parent)?.kinds.keys() ?? [])];
  const word = valueAt(holder, [discriminator]);
  const path = pathText([...parent, discriminator]);
  if (word === undefined) return [{ path, code: 'missing', message: `is missing; one of ${names.join(', ')}` }];
  if (typeof word !== 'string') return [{ path, code: 'type', message: `expected a text, found ${typeName(word)}` }];
  return [
    {
      path,
      code: 'choice',
      message: `unknown ${discriminator} "${clipped(word)}"${suggestion(word, names) || `; one of ${names.join(', ')}`}`,
    },
  ];
}
