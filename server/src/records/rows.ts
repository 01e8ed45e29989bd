import { RECORD_KINDS } from '@jobbet/core/records';
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Records of what is made of flies: a row each, whatever kind it is of, with what it is searched by in columns of its own. Times are ms since 1970. */
export const records = sqliteTable(
  'records',
  {
    id: text('id').primaryKey(),
    kind: text('kind', { enum: RECORD_KINDS }).notNull(),
    name: text('name').notNull(),
    /** Its day, where it has one: `2026-03-14`. */
    day: text('day'),
    revision: integer('revision').notNull(),
    /** The record's file, as JSON. */
    record: text('record').notNull(),
    createdAt: integer('created_at').notNull(),
    updatedAt: integer('updated_at').notNull(),
    deletedAt: integer('deleted_at'),
  },
  (table) => [index('records_by_kind').on(table.kind, table.deletedAt)],
);
