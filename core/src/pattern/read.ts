import { isReserved } from '../data/index.ts';
import { bad, good, type Fault, type Outcome, suggestion } from '../base/index.ts';
import { migrate } from './migrate.ts';
import type { Part } from './parts.ts';
import { flySchema, FORMAT, VERSION, type FlyFile } from './schema.ts';
import { schemaFaults, typeName } from './schemaFaults.ts';

export const MAX_BYTES = 1_000_000;
const MAX_DEPTH = 24;

/** The fault of a file of so many bytes or characters, or null where it is not too large to be a pattern file. */
export function sizeFault(size: number): Fault | null {
  if (size <= MAX_BYTES) return null;
  const [found, most] = [(size / 1e6).toFixed(1), String(MAX_BYTES / 1e6)];
  return { path: '', code: 'size', message: `the file is ${found} MB; a pattern file is at most ${most} MB` };
}

/** Depth and size are checked on the text, before any parser walks into it. */
function shapeFault(text: string): Fault | null {
  const large = sizeFault(text.length);
  if (large) return large;
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (quoted) {
      if (c === 92) i++;
      else if (c === 34) quoted = false;
    } else if (c === 34) quoted = true;
    else if (c === 123 || c === 91) {
      if (++depth > MAX_DEPTH)
        return {
          path: '',
          code: 'depth',
          message: `nested deeper than ${String(MAX_DEPTH)} levels; a pattern file is not`,
        };
    } else if (c === 125 || c === 93) depth--;
  }
  return null;
}

function jsonFault(text: string, error: unknown): Fault {
  const reason = error instanceof Error ? error.message : '';
  const at = /position (\d+)/.exec(reason)?.[1];
  const offset = at === undefined ? text.length : Number(at);
  const before = text.slice(0, offset).split('\n');
  const ended = offset >= text.trimEnd().length;
  const where = `line ${String(before.length)}, column ${String((before.at(-1)?.length ?? 0) + 1)}`;
  return {
    path: '',
    code: 'json',
    message: ended
      ? `not JSON: the file ends too soon (${where}); is it cut off?`
      : `not JSON at ${where}; a pattern file is JSON`,
  };
}

function idFaults(file: FlyFile): Fault[] {
  const seen = new Map<string, number>();
  return file.parts.flatMap((part, i): Fault[] => {
    const path = `parts[${String(i)}].id`;
    const key = part.id.toLowerCase();
    const first = seen.get(key);
    if (first !== undefined)
      return [
        {
          path,
          code: 'duplicate-id',
          message: `"${part.id}" is already the id of parts[${String(first)}]; ids are told apart without case`,
        },
      ];
    seen.set(key, i);
    if (key === 'body' ? part.role !== 'body' : isReserved(key)) {
      return [
        {
          path,
          code: 'reserved-id',
          message:
            key === 'body'
              ? 'only a part whose role is body may be called "body"'
              : `"${part.id}" is a word of the relations; choose another name, such as "${part.id}-1"`,
        },
      ];
    }
    return [];
  });
}

/** The ids a part names outside its relations, each with its key: what it binds, is bound by, goes on from or covers. */
function namedParts(part: Part): { key: string; id: string }[] {
  // Of a rib `over` is a word, not a part.
  const keys = part.construction === 'coat' ? (['continues', 'over'] as const) : (['continues', 'boundBy'] as const);
  const single = keys.flatMap((key) => {
    const id = (part as Partial<Record<typeof key, string>>)[key];
    return id === undefined ? [] : [{ key, id }];
  });
  const binds = 'binds' in part ? (part.binds ?? []) : [];
  return [...single, ...binds.map((id, i) => ({ key: `binds[${String(i)}]`, id }))];
}

function nameFaults(file: FlyFile): Fault[] {
  const ids = file.parts.map((part) => part.id);
  const known = new Set(ids.map((id) => id.toLowerCase()));
  return file.parts.flatMap((part, i) =>
    namedParts(part)
      .filter(({ key, id }) => !known.has(id.toLowerCase()) && !(key === 'over' && id === 'head'))
      .map(({ key, id }): Fault => ({
        path: `parts[${String(i)}].${key}`,
        code: 'unknown-name',
        message: `unknown name "${id}"${suggestion(id, ids) || '; it must be the id of a part'}`,
      })),
  );
}

/** A part that goes on from itself, or covers itself, round a ring of others or not. */
function ringFaults(file: FlyFile): Fault[] {
  const byId = new Map(file.parts.map((part) => [part.id.toLowerCase(), part]));
  return (['continues', 'over'] as const).flatMap((key) => {
    const nextOf = (part: Part): Part | undefined => {
      // Of a rib `over` is a word, not a part.
      if (key === 'over' && part.construction !== 'coat') return undefined;
      return byId.get(((part as Partial<Record<typeof key, string>>)[key] ?? '').toLowerCase());
    };
    return file.parts.flatMap((part, i): Fault[] => {
      const ring = [part];
      for (let at = nextOf(part); at && ring.length <= file.parts.length; at = nextOf(at)) {
        if (at !== part) ring.push(at);
        else {
          const first = ring.every((each) => file.parts.indexOf(each) >= i);
          const message = `leans on itself: ${[...ring, part].map((each) => each.id).join(' → ')}`;
          return first ? [{ path: `parts[${String(i)}].${key}`, code: 'cycle', message }] : [];
        }
      }
      return [];
    });
  });
}

/** Checks an already parsed value against the schema, after migrating older versions. Paths name the place in the file. */
export function readFlyValue(value: unknown): Outcome<FlyFile> {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return bad({ path: '', code: 'type', message: `a pattern file is an object, this is ${typeName(value)}` });
  const { format, version } = value as { format?: unknown; version?: unknown };
  if (format !== FORMAT)
    return bad({
      path: 'format',
      code: 'choice',
      message:
        format === undefined
          ? `is missing; a pattern file says "${FORMAT}"`
          : `is not "${FORMAT}"; this is no pattern file`,
    });
  if (typeof version === 'number' && version > VERSION)
    return bad({
      path: 'version',
      code: 'version',
      message: `version ${String(version)} is newer than this Jobbet reads (${String(VERSION)}); update Jobbet to open it`,
    });
  const current = migrate(value as Record<string, unknown>);
  const parsed = flySchema.safeParse(current);
  if (!parsed.success) return { ok: false, faults: schemaFaults(parsed.error.issues, current) };
  const faults = [...idFaults(parsed.data), ...nameFaults(parsed.data), ...ringFaults(parsed.data)];
  return faults.length > 0 ? { ok: false, faults } : good(parsed.data);
}

/** Reads the text of a `.fly.json`: size, JSON, version, schema, ids. Relations are solved later. */
export function readFly(text: string): Outcome<FlyFile> {
  const shape = shapeFault(text);
  if (shape) return bad(shape);
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return bad(jsonFault(text, error));
  }
  return readFlyValue(value);
}
