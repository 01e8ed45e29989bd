import { RECORD_KINDS } from '@jobbet/core/records';
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Records of what is made of flies: a row each, whatever kind it is of, with what it is searched by in columns of its own. Times are ms since 1970. */
export const records = sqliteTable(
  'records',
  {
    id: text('id').primaryKey(),
    kind: text('kind', { enum: RECORD_KINDS }).notNull(),
    name: text('name').notNull(),
    /** Its day, where it has one: `2026-03-14`. */
    day: text('day'),
    /** The one fly it is of, where it is of one. */
    fly: text('fly'),
    revision: integer('revision').notNull(),
    /** The record's file, as JSON. */
    record: text('record').notNull(),
    createdAt: integer('created_at').notNull(),
    updatedAt: integer('updated_at').notNull(),
    deletedAt: integer('deleted_at'),
  },
  (table) => [
    index('records_by_kind').on(table.kind, table.deletedAt),
    index('records_by_fly').on(table.fly, table.kind),
  ],
);

/** What a fly of a batch took of an item of the drawers: once, whichever window says that it was begun. */
export const taken = sqliteTable(
  'taken',
  {
    batch: text('batch')
      .notNull()
      .references(() => records.id, { onDelete: 'cascade' }),
    /** The moment the fly was begun, which no other fly of the batch has. */
    begun: text('begun').notNull(),
    /** The item of the drawers. */
    item: text('item').notNull(),
    /** What was taken, lot by lot, as JSON. */
    moves: text('moves').notNull(),
    /** Whether it serves again once the fly is taken apart. */
    comesBack: integer('comes_back', { mode: 'boolean' }).notNull(),
    /** Whether it lies in the drawer again. */
    isBack: integer('is_back', { mode: 'boolean' }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.batch, table.begun, table.item] })],
);
