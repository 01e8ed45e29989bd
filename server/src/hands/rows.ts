import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Whose hands tie, and how far off what they tie comes out. */
export const hands = sqliteTable('hands', {
  name: text('name').primaryKey(),
  /** The hands, as JSON. */
  hand: text('hand').notNull(),
  revision: integer('revision').notNull(),
});
