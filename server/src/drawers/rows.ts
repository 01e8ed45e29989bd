import { DRAWERS } from '@jobbet/core/drawers';
import { sql } from 'drizzle-orm';
import { integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

/** An item of a drawer. Its kind is what tells two items of one name apart: the form of a hook, what a material is made into. */
export const drawerItems = sqliteTable(
  'drawer_items',
  {
    id: text('id').primaryKey(),
    drawer: text('drawer', { enum: DRAWERS }).notNull(),
    kind: text('kind').notNull(),
    name: text('name').notNull(),
    /** The item, as JSON. */
    item: text('item').notNull(),
    revision: integer('revision').notNull(),
    updatedAt: integer('updated_at').notNull(),
  },
  (table) => [uniqueIndex('drawer_items_by_name').on(table.drawer, table.kind, sql`lower(${table.name})`)],
);
