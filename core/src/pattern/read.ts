import { isReserved } from '../data/index.ts';
import { type Fault, type Outcome, suggestion } from '../base/index.ts';
import { type DocumentKind, readDocument, readDocumentText } from '../document/index.ts';
import type { Part } from './parts.ts';
import { flySchema, FORMAT, VERSION, type FlyFile } from './schema.ts';

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

/** The pattern file among the kinds of files there are. */
export const FLY_KIND: DocumentKind<typeof flySchema> = {
  what: 'pattern file',
  extension: '.fly.json',
  format: FORMAT,
  version: VERSION,
  schema: flySchema,
  // Version 1 is the first, so nothing has to be brought up to it yet.
  migrations: {},
};

/** Checks an already parsed value against the schema, after migrating older versions. Paths name the place in the file. */
export const readFlyValue = (value: unknown): Outcome<FlyFile> => namedRight(readDocument(FLY_KIND, value));

/** Reads the text of a `.fly.json`: size, JSON, version, schema, ids. Relations are solved later. */
export const readFly = (text: string): Outcome<FlyFile> => namedRight(readDocumentText(FLY_KIND, text));

/** A file whose ids are each given once, and whose parts name only what is there. */
function namedRight(read: Outcome<FlyFile>): Outcome<FlyFile> {
  if (!read.ok) return read;
  const faults = [...idFaults(read.value), ...nameFaults(read.value), ...ringFaults(read.value)];
  return faults.length > 0 ? { ok: false, faults } : read;
}
