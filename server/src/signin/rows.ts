import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Devices that are signed in. Of the secret a device carries only a hash is kept. Times are ms since 1970. */
export const devices = sqliteTable('devices', {
  id: text('id').primaryKey(),
  secretHash: text('secret_hash').notNull().unique(),
  /** Marks the phrase it was signed in with: another phrase signs every device out. */
  phraseMark: text('phrase_mark').notNull(),
  /** The browser and system it says it is. */
  words: text('words').notNull(),
  signedInAt: integer('signed_in_at').notNull(),
  seenAt: integer('seen_at').notNull(),
});
