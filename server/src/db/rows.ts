import { sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Facts about the database itself, such as that the examples were laid in. */
export const facts = sqliteTable('facts', { key: text('key').primaryKey(), value: text('value').notNull() });
