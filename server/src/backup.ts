import { createHash } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import type { BatchItem } from 'drizzle-orm/batch';
import { z } from 'zod';
import { MODEL, readFlyValue } from '@jobbet/core';
import { readItem } from '@jobbet/core/drawers/file';
import { DRAWERS } from '@jobbet/core/drawers/items';
import { summarySchema, tyingSchema, versionKinds, type TyingRecord } from '@jobbet/core/exchange/stored';
import type { Database } from './db/open.ts';
import { drawerItems, facts, flies, tyings, versions } from './db/schema.ts';
import { ApiError } from './errors.ts';

/** A backup of everything, version 1: gzipped JSON that carries the mark of its own data, so that damage is found when it is read. */
const FORMAT = 'jobbet.backup';
const VERSION = 1;
export const BACKUP_TYPE = 'application/gzip';
export const BACKUP_ENDING = '.jobbet-backup';
/** Larger than any box: what unpacks to more is no backup. */
const MOST_BYTES = 400_000_000;

const time = z.number();
const flyRow = z.object({
  id: z.string(),
  name: z.string(),
  revision: z.number().int(),
  file: z.unknown(),
  summary: summarySchema,
  createdAt: time,
  updatedAt: time,
  deletedAt: time.nullable(),
});
const versionRow = z.object({
  flyId: z.string(),
  revision: z.number().int(),
  kind: z.enum(versionKinds),
  file: z.unknown(),
  summary: summarySchema,
  startedAt: time,
  savedAt: time,
});
const itemRow = z.object({
  id: z.string(),
  drawer: z.enum(DRAWERS),
  kind: z.string(),
  name: z.string(),
  item: z.unknown(),
  revision: z.number().int(),
  updatedAt: time,
});
const dataSchema = z.object({
  flies: z.array(flyRow),
  versions: z.array(versionRow),
  items: z.array(itemRow),
  /** A backup made before tyings were kept has none. */
  tyings: z.array(tyingSchema).default([]),
  facts: z.array(z.object({ key: z.string(), value: z.string() })),
});
type BackupData = z.infer<typeof dataSchema>;
const headSchema = z.object({
  format: z.literal(FORMAT),
  version: z.number(),
  made: z.string(),
  model: z.number(),
  sha256: z.string(),
  data: z.string(),
});

/** What a backup holds, told before and after it is taken up. */
export interface BackupCounts {
  readonly made: string;
  readonly flies: number;
  readonly versions: number;
  readonly items: number;
  readonly tyings: number;
}
export interface ReadBackup {
  readonly data: BackupData;
  readonly counts: BackupCounts;
}

const markOf = (text: string): string => createHash('sha256').update(text).digest('hex');
const countsOf = (data: BackupData, made: string): BackupCounts => ({
  made,
  flies: data.flies.length,
  versions: data.versions.length,
  items: data.items.length,
  tyings: data.tyings.length,
});

/** Everything in one file, read in one go while the app runs. */
export async function makeBackup(
  db: Database,
  now = new Date(),
): Promise<{ readonly bytes: Buffer; readonly counts: BackupCounts }> {
  const [allFlies, allVersions, allItems, allTyings, allFacts] = await db.batch([
    db.select().from(flies),
    db.select().from(versions),
    db.select().from(drawerItems),
    db.select().from(tyings),
    db.select().from(facts),
  ]);
  const data: BackupData = {
    flies: allFlies,
    versions: allVersions.map(({ id: _id, ...row }) => row),
    items: allItems,
    tyings: allTyings.map((row) => row.record),
    facts: allFacts,
  };
  const text = JSON.stringify(data);
  const made = now.toISOString();
  const head = { format: FORMAT, version: VERSION, made, model: MODEL, sha256: markOf(text), data: text };
  return { bytes: gzipSync(JSON.stringify(head)), counts: countsOf(data, made) };
}

const damaged = (why: string): ApiError =>
  new ApiError('bad-backup', `The backup is damaged: ${why}. Nothing was changed.`);

/** Reads and verifies a backup. @throws ApiError `bad-backup` in clear words when it is damaged, newer or something else */
export function readBackup(bytes: Uint8Array): ReadBackup {
  let text: string;
  try {
    text = gunzipSync(bytes, { maxOutputLength: MOST_BYTES }).toString('utf8');
  } catch {
    throw damaged('it does not unpack; is it a Jobbet backup, and is it all there?');
  }
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw damaged('it ends too soon');
  }
  const head = headSchema.safeParse(value);
  if (!head.success) throw new ApiError('bad-backup', 'This file is no Jobbet backup. Nothing was changed.');
  if (head.data.version > VERSION)
    throw new ApiError(
      'bad-backup',
      'The backup was made by a newer Jobbet. Update Jobbet, then restore it; nothing was changed.',
    );
  if (markOf(head.data.data) !== head.data.sha256) throw damaged('its contents do not match the mark it carries');
  const data = dataSchema.safeParse(JSON.parse(head.data.data));
  if (!data.success) throw damaged('a row of it does not read');
  for (const { name, file } of data.data.flies)
    if (!readFlyValue(file).ok) throw damaged(`the fly "${name}" does not read`);
  for (const { drawer, name, item } of data.data.items)
    if (!readItem(drawer, item).ok) throw damaged(`"${name}" of the ${drawer} does not read`);
  return { data: data.data, counts: countsOf(data.data, head.data.made) };
}

/** Rows go in by so many at a time, under the limit of variables of one statement. */
const AT_ONCE = 200;

function chunks<T>(rows: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(rows.length / AT_ONCE) }, (_, i) => rows.slice(i * AT_ONCE, (i + 1) * AT_ONCE));
}

/** Puts a backup in the place of everything there is, in one batch: all of it or nothing. */
export async function restoreBackup(db: Database, { data }: ReadBackup): Promise<void> {
  const tied = ({ fly, begun, changed, ...rest }: TyingRecord): typeof tyings.$inferInsert => ({
    flyId: fly,
    begun,
    changed,
    record: { fly, begun, changed, ...rest },
  });
  const writes: [BatchItem<'sqlite'>, ...BatchItem<'sqlite'>[]] = [
    db.delete(tyings),
    db.delete(versions),
    db.delete(flies),
    db.delete(drawerItems),
    db.delete(facts),
    ...chunks(data.flies).map((rows) => db.insert(flies).values(rows as (typeof flies.$inferInsert)[])),
    ...chunks(data.versions).map((rows) => db.insert(versions).values(rows as (typeof versions.$inferInsert)[])),
    ...chunks(data.items).map((rows) => db.insert(drawerItems).values(rows as (typeof drawerItems.$inferInsert)[])),
    ...chunks(data.tyings).map((rows) => db.insert(tyings).values(rows.map(tied))),
    ...chunks(data.facts).map((rows) => db.insert(facts).values(rows)),
  ];
  await db.batch(writes);
}

/** Keeps what is there before it is replaced. @returns the name of the file in the data folder */
export async function keepBefore(db: Database, folder: string, now = new Date()): Promise<string> {
  const name = `before-restore-${now.toISOString().replace(/[:.]/g, '-')}${BACKUP_ENDING}`;
  writeFileSync(join(folder, name), (await makeBackup(db, now)).bytes);
  return name;
}
