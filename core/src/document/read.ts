import { z } from 'zod';
import { bad, good, type Outcome } from '../base/index.ts';
import { readJson } from './json.ts';
import { migrate, type Migrations } from './migrate.ts';
import { schemaFaults, typeName } from './schemaFaults.ts';

/** A kind of JSON file: what it is called, its format and version, its schema, and how older ones are brought up to date. */
export interface DocumentKind<S extends z.ZodType = z.ZodType> {
  /** In words, with no article: `pattern file`. */
  readonly what: string;
  /** What a folder knows it by: `.fly.json`. */
  readonly extension: string;
  readonly format: string;
  readonly version: number;
  readonly schema: S;
  readonly migrations: Migrations;
}

/** A kind of record in its first version: nothing has to be brought up to it yet. @param what as it is called, which its format and extension go by */
export const firstKind = <S extends z.ZodType>(what: string, schema: S): DocumentKind<S> => ({
  what,
  extension: `.${what}.json`,
  format: `jobbet.${what}`,
  version: 1,
  schema,
  migrations: {},
});

/** Checks an already parsed value against the schema of its kind, after migrating older versions. Paths name the place in the file. */
export function readDocument<S extends z.ZodType>(kind: DocumentKind<S>, value: unknown): Outcome<z.infer<S>> {
  const { what, format, version, schema, migrations } = kind;
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return bad({ path: '', code: 'type', message: `a ${what} is an object, this is ${typeName(value)}` });
  const head = value as { format?: unknown; version?: unknown };
  if (head.format !== format)
    return bad({
      path: 'format',
      code: 'choice',
      message:
        head.format === undefined ? `is missing; a ${what} says "${format}"` : `is not "${format}"; this is no ${what}`,
    });
  if (typeof head.version === 'number' && head.version > version)
    return bad({
      path: 'version',
      code: 'version',
      message: `version ${String(head.version)} is newer than this Jobbet reads (${String(version)}); update Jobbet to open it`,
    });
  const current = migrate(value as Record<string, unknown>, migrations);
  const parsed = schema.safeParse(current);
  return parsed.success ? good(parsed.data) : { ok: false, faults: schemaFaults(parsed.error.issues, current, schema) };
}

/** Reads the text of a file of a kind: size, JSON, version, schema. */
export function readDocumentText<S extends z.ZodType>(kind: DocumentKind<S>, text: string): Outcome<z.infer<S>> {
  const read = readJson(text, kind.what);
  return read.ok ? readDocument(kind, read.value) : read;
}

/** The JSON Schema of a kind of file, generated from the Zod one. */
export const documentJsonSchema = ({ schema, what }: DocumentKind): Record<string, unknown> => ({
  ...z.toJSONSchema(schema, { io: 'input' }),
  title: `Jobbet ${what}`,
});
