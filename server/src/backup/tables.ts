import { faultLine, type Outcome } from '@jobbet/core/base';
import { readFlyValue } from '@jobbet/core/pattern';
import { handSchema, readRecord, RECORD_KINDS } from '@jobbet/core/records';
import { readItem, DRAWERS } from '@jobbet/core/drawers';
import { tyingSchema, versionKinds } from '@jobbet/core/contract';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { facts } from '../db/rows.ts';
import { drawerItems } from '../drawers/rows.ts';
import { flies, versions } from '../flies/rows.ts';
import { brokenSummary } from '../flies/shelf.ts';
import { hands } from '../hands/rows.ts';
import { records, taken } from '../records/rows.ts';
import { tyings } from '../tyings/rows.ts';

/** A row that breaks today's limits: it is restored so that it can be saved out, and told. */
export interface BrokenRow {
  readonly table: TableName;
  readonly name: string;
  readonly why: string;
}

/** What is read of a row: what goes into the table, what makes it one of a kind, whose it is, and what is wrong with it today. */
interface ReadRow {
  readonly values: Readonly<Record<string, unknown>>;
  readonly key: string;
  readonly of?: string;
  readonly broken?: { readonly name: string; readonly why: string };
}

/** One kind of rows of a backup. A new table of the database is one entry here. */
export interface BackupTable {
  readonly name: string;
  readonly table: SQLiteTable;
  /** The table whose keys `of` names. */
  readonly parent?: string;
  /** Rows that never leave this database, by SQL. */
  readonly stays?: string;
  /** Columns that mean something in this database alone. */
  readonly own?: readonly string[];
  /** @throws ZodError with the place of what is wrong */
  readonly read: (value: unknown) => ReadRow;
}

const id = z.string().min(1).max(80);
const time = z.number().int().min(0).max(8.64e15);
const revision = z
  .number()
  .int()
  .min(1)
  .max(2 ** 31);
/** What is kept as JSON stands as its text; older backups have it as it reads. */
const json = z.unknown().transform((value, context): string => {
  if (typeof value === 'string') return value;
  const text = JSON.stringify(value) as string | undefined;
  if (text === undefined) context.addIssue({ code: 'custom', message: 'is missing' });
  return text ?? '';
});

const flyRow = z.object({
  id,
  name: z.string().min(1).max(200),
  revision,
  file: json,
  summary: json,
  listed: json.nullable().default(null),
  createdAt: time,
  updatedAt: time,
  deletedAt: time.nullable(),
});
const versionRow = z.object({
  flyId: id,
  revision,
  kind: z.enum(versionKinds),
  name: z.string().min(1).max(120).nullable().default(null),
  file: json,
  summary: json,
  startedAt: time,
  savedAt: time,
});
const itemRow = z.object({
  id,
  drawer: z.enum(DRAWERS),
  kind: z.string().min(1).max(40),
  name: z.string().min(1).max(200),
  item: json,
  revision,
  updatedAt: time,
});
const tyingRow = z.union([
  z.object({ record: json }).transform(({ record }) => tyingSchema.parse(JSON.parse(record))),
  tyingSchema,
]);
const recordRow = z.object({
  id,
  kind: z.enum(RECORD_KINDS),
  name: z.string().min(1).max(200),
  day: z.string().max(10).nullable(),
  fly: z.string().max(400).nullable().default(null),
  revision,
  record: json,
  createdAt: time,
  updatedAt: time,
  deletedAt: time.nullable(),
});
const takenRow = z.object({
  batch: id,
  begun: z.string().min(1).max(25),
  item: id,
  moves: json,
  comesBack: z.boolean(),
  isBack: z.boolean(),
});
const handRow = z.object({ name: z.string().min(1).max(80), hand: json, revision });
const factRow = z.object({ key: z.string().min(1).max(80), value: z.string().max(10_000) });

/** Why a text is no value that `read` takes, or null. */
function whyNot(text: string, read: (value: unknown) => Outcome<unknown>): string | null {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return 'it is no JSON';
  }
  const outcome = read(value);
  return outcome.ok ? null : outcome.faults.slice(0, 3).map(faultLine).join('; ');
}

export const TABLES = [
  {
    name: 'flies',
    table: flies,
    read: (value) => {
      const row = flyRow.parse(value);
      const why = whyNot(row.file, readFlyValue);
      return why === null
        ? { values: row, key: row.id }
        : {
            values: { ...row, summary: brokenSummary(why), listed: null },
            key: row.id,
            broken: { name: row.name, why },
          };
    },
  },
  {
    name: 'versions',
    table: versions,
    parent: 'flies',
    own: ['id'],
    read: (value) => {
      const row = versionRow.parse(value);
      return { values: row, key: `${row.flyId} ${String(row.revision)}`, of: row.flyId };
    },
  },
  {
    name: 'items',
    table: drawerItems,
    read: (value) => {
      const row = itemRow.parse(value);
      const why = whyNot(row.item, (item) => readItem(row.drawer, item));
      const key = `${row.drawer} ${row.kind} ${row.name.toLowerCase()}`;
      return { values: row, key, ...(why === null ? {} : { broken: { name: `${row.name}, ${row.drawer}`, why } }) };
    },
  },
  {
    name: 'tyings',
    table: tyings,
    parent: 'flies',
    read: (value) => {
      const record = tyingRow.parse(value);
      const { fly: flyId, begun, changed, edits } = record;
      return {
        values: { flyId, begun, changed, edits, record: JSON.stringify(record) },
        key: `${flyId} ${String(begun)}`,
        of: flyId,
      };
    },
  },
  {
    name: 'records',
    table: records,
    read: (value) => {
      const row = recordRow.parse(value);
      const why = whyNot(row.record, (record) => readRecord(row.kind, record));
      return {
        values: row,
        key: row.id,
        ...(why === null ? {} : { broken: { name: `${row.name}, ${row.kind}`, why } }),
      };
    },
  },
  {
    name: 'taken',
    table: taken,
    parent: 'records',
    read: (value) => {
      const row = takenRow.parse(value);
      return { values: row, key: `${row.batch} ${row.begun} ${row.item}`, of: row.batch };
    },
  },
  {
    name: 'hands',
    table: hands,
    read: (value) => {
      const row = handRow.parse(value);
      handSchema.parse(JSON.parse(row.hand));
      return { values: row, key: row.name };
    },
  },
  {
    name: 'facts',
    table: facts,
    stays: "key = 'salt'",
    read: (value) => {
      const row = factRow.parse(value);
      return { values: row, key: row.key };
    },
  },
] as const satisfies readonly BackupTable[];

export type TableName = (typeof TABLES)[number]['name'];
export const tableNamed = (name: string): BackupTable | undefined => TABLES.find((each) => each.name === name);
