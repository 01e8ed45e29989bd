import { index, integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { versionKinds } from '@jobbet/core/contract';

/**
 * A fly: its newest pattern file, how often it was saved, and what lists show of it. What is kept as JSON is read row by row by whoever asks
 * for it, so that one row that does not read takes no other down. Times are ms since 1970.
 */
export const flies = sqliteTable(
  'flies',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    revision: integer('revision').notNull(),
    /** Pattern file, as JSON. */
    file: text('file').notNull(),
    /** Its figures as JSON, or `{"broken": why}` where it cannot be solved. */
    summary: text('summary').notNull(),
    /** What lists show and find it by besides, as JSON; null until it is saved anew. */
    listed: text('listed'),
    createdAt: integer('created_at').notNull(),
    updatedAt: integer('updated_at').notNull(),
    deletedAt: integer('deleted_at'),
  },
  (table) => [index('flies_by_name').on(table.name), index('flies_deleted').on(table.deletedAt)],
);

/** Saves of a fly: of autosaves the last of each minute, and of those that are older than ten minutes the last of each ten. */
export const versions = sqliteTable(
  'versions',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    flyId: text('fly_id')
      .notNull()
      .references(() => flies.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    kind: text('kind', { enum: versionKinds }).notNull(),
    /** What someone called it; such a one stays as it is. */
    name: text('name'),
    file: text('file').notNull(),
    summary: text('summary').notNull(),
    startedAt: integer('started_at').notNull(),
    savedAt: integer('saved_at').notNull(),
  },
  (table) => [uniqueIndex('versions_by_fly').on(table.flyId, table.revision)],
);
