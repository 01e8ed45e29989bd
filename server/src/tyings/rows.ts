import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { flies } from '../flies/rows.ts';

/** Flies as they were tied, one row a tying. */
export const tyings = sqliteTable(
  'tyings',
  {
    flyId: text('fly_id')
      .notNull()
      .references(() => flies.id, { onDelete: 'cascade' }),
    begun: integer('begun').notNull(),
    changed: integer('changed').notNull(),
    /** How often anything of it changed: what tells two accounts of one tying apart where clocks do not agree. */
    edits: integer('edits').notNull().default(0),
    /** The account, as JSON. */
    record: text('record').notNull(),
  },
  (table) => [primaryKey({ columns: [table.flyId, table.begun] })],
);
