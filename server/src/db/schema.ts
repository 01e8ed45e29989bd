import type { FlyFile } from '@jobbet/core';
import { DRAWERS, type DrawerItem } from '@jobbet/core/drawers/items';
import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { versionKinds, type FlySummary, type TyingRecord } from '@jobbet/core/exchange/stored';

/** A fly: its newest pattern file, how often it was saved, and the figures the Box lists. Times are ms since 1970. */
export const flies = sqliteTable(
  'flies',
  {
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    revision: integer('revision').notNull(),
    file: text('file', { mode: 'json' }).$type<FlyFile>().notNull(),
    summary: text('summary', { mode: 'json' }).$type<FlySummary>().notNull(),
    createdAt: integer('created_at').notNull(),
    updatedAt: integer('updated_at').notNull(),
    deletedAt: integer('deleted_at'),
  },
  (table) => [index('flies_by_name').on(table.name), index('flies_deleted').on(table.deletedAt)],
);

/** Every save of a fly; autosaves that follow each other within ten minutes are one. */
export const versions = sqliteTable(
  'versions',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    flyId: text('fly_id')
      .notNull()
      .references(() => flies.id, { onDelete: 'cascade' }),
    revision: integer('revision').notNull(),
    kind: text('kind', { enum: versionKinds }).notNull(),
    file: text('file', { mode: 'json' }).$type<FlyFile>().notNull(),
    summary: text('summary', { mode: 'json' }).$type<FlySummary>().notNull(),
    startedAt: integer('started_at').notNull(),
    savedAt: integer('saved_at').notNull(),
  },
  (table) => [uniqueIndex('versions_by_fly').on(table.flyId, table.revision)],
);

/** Facts about the database itself, such as that the examples were laid in. */
export const facts = sqliteTable('facts', { key: text('key').primaryKey(), value: text('value').notNull() });

/** An item of a drawer. Its kind is what tells two items of one name apart: the form of a hook, what a material is made into. */
export const drawerItems = sqliteTable(
  'drawer_items',
  {
    id: text('id').primaryKey(),
    drawer: text('drawer', { enum: DRAWERS }).notNull(),
    kind: text('kind').notNull(),
    name: text('name').notNull(),
    item: text('item', { mode: 'json' }).$type<DrawerItem>().notNull(),
    revision: integer('revision').notNull(),
    updatedAt: integer('updated_at').notNull(),
  },
  (table) => [uniqueIndex('drawer_items_by_name').on(table.drawer, table.kind, sql`lower(${table.name})`)],
);

/** Flies as they were tied, one row a tying. */
export const tyings = sqliteTable(
  'tyings',
  {
    flyId: text('fly_id')
      .notNull()
      .references(() => flies.id, { onDelete: 'cascade' }),
    begun: integer('begun').notNull(),
    changed: integer('changed').notNull(),
    record: text('record', { mode: 'json' }).$type<TyingRecord>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.flyId, table.begun] })],
);
