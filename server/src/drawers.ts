import { randomUUID } from 'node:crypto';
import { setImmediate as breathe } from 'node:timers/promises';
import { solveFly, type Fault } from '@jobbet/core';
import { limitFaults, schoolFaults } from '@jobbet/core/checks/checkFly';
import { readItem } from '@jobbet/core/drawers/file';
import {
  DRAWERS,
  drawersIn,
  kindOf,
  type DrawerItem,
  type DrawerItems,
  type DrawerName,
  type LimitItem,
  type SchoolItem,
} from '@jobbet/core/drawers/items';
import { drawersOf, type Drawers } from '@jobbet/core/drawers/tables';
import { changedFigures } from '@jobbet/core/exchange/changes';
import type { FlyChange } from '@jobbet/core/exchange/stored';
import { summarise } from '@jobbet/core/exchange/summary';
import { mayUse } from '@jobbet/core/solve/uses';
import { asc, eq, isNull } from 'drizzle-orm';
import type { BatchItem } from 'drizzle-orm/batch';
import type { Database } from './db/open.ts';
import { drawerItems, flies } from './db/schema.ts';
import { ApiError } from './errors.ts';

export type Item = typeof drawerItems.$inferSelect;

/** What was done in the drawers, and what that did to the flies of the box. */
export interface Changed {
  readonly changes: readonly FlyChange[];
}

const keyOf = (drawer: DrawerName, item: DrawerItem): string =>
  `${drawer}/${kindOf(drawer, item)}/${item.name.toLowerCase()}`;

/** Keeps the drawers. Every change solves anew the flies it bears on, and is refused where one of them would no longer lay out. */
export class DrawerStore {
  private readonly db: Database;
  private readonly now: () => number;
  private tables: Promise<Drawers> | null = null;
  /** Changes are made one after the other: each solves flies against the drawers as the last one left them. */
  private queue: Promise<unknown> = Promise.resolve();

  constructor(db: Database, now: () => number = Date.now) {
    this.db = db;
    this.now = now;
  }

  list(): Promise<Item[]> {
    return this.db.select().from(drawerItems).orderBy(asc(drawerItems.drawer), asc(drawerItems.name));
  }

  /** The drawers as one file holds them. */
  async items(): Promise<DrawerItems> {
    return drawersIn(await this.list());
  }

  /** What flies are solved with. */
  drawers(): Promise<Drawers> {
    this.tables ??= this.items().then(drawersOf);
    return this.tables;
  }

  /** Forgets what was read, where the database was changed past this store. */
  forget(): void {
    this.tables = null;
  }

  /** @throws ApiError `invalid-item`, `same-name`, `breaks-fly` */
  add(drawer: DrawerName, value: unknown): Promise<Changed & { readonly item: Item }> {
    return this.inTurn(async () => {
      const made = this.rowOf(drawer, checked(drawer, value));
      const all = await this.list();
      refuseSameName(all, made);
      const changes = await this.settle(all, [...all, made], [made], [this.db.insert(drawerItems).values(made)]);
      return { item: made, changes };
    });
  }

  /** @throws ApiError `no-item`, `stale`, `invalid-item`, `same-name`, `breaks-fly` */
  change(id: string, value: unknown, revision: number): Promise<Changed & { readonly item: Item }> {
    return this.inTurn(async () => {
      const all = await this.list();
      const old = found(all, id);
      if (old.revision !== revision)
        throw new ApiError('stale', 'The item was changed elsewhere since.', { revision: old.revision });
      const item = keepName(checked(old.drawer, value), old.item);
      const next: Item = { ...this.rowOf(old.drawer, item), id, revision: revision + 1 };
      refuseSameName(all, next);
      const changes = await this.settle(
        all,
        all.map((each) => (each.id === id ? next : each)),
        [old, next],
        [this.db.update(drawerItems).set(next).where(eq(drawerItems.id, id))],
      );
      return { item: next, changes };
    });
  }

  /** Takes an item out; flies that name it fall back to what is nominal. @throws ApiError `no-item`, `breaks-fly` */
  remove(id: string): Promise<Changed & { readonly item: Item }> {
    return this.inTurn(async () => {
      const all = await this.list();
      const old = found(all, id);
      const changes = await this.settle(
        all,
        all.filter((each) => each.id !== id),
        [old],
        [this.db.delete(drawerItems).where(eq(drawerItems.id, id))],
      );
      return { item: old, changes };
    });
  }

  /**
   * Lays in many items at once: those of a name that is there replace it, the others are added. All or none.
   * @throws ApiError `invalid-item` with the drawer and row of each fault, `breaks-fly`
   */
  layIn(
    given: Partial<Record<DrawerName, readonly unknown[]>>,
  ): Promise<Changed & { readonly added: number; readonly replaced: number }> {
    return this.inTurn(async () => {
      const rows = this.checkedRows(given);
      const all = await this.list();
      const known = new Map(all.map((each) => [keyOf(each.drawer, each.item), each]));
      const next = new Map(all.map((each) => [each.id, each]));
      const writes: BatchItem<'sqlite'>[] = [];
      const touched: Item[] = [];
      let replaced = 0;
      for (const row of rows) {
        const old = known.get(keyOf(row.drawer, row.item));
        const laid: Item = old ? { ...row, id: old.id, revision: old.revision + 1 } : row;
        if (old) {
          replaced++;
          writes.push(this.db.update(drawerItems).set(laid).where(eq(drawerItems.id, old.id)));
        } else writes.push(this.db.insert(drawerItems).values(laid));
        known.set(keyOf(laid.drawer, laid.item), laid);
        next.set(laid.id, laid);
        touched.push(laid);
      }
      const changes = await this.settle(all, [...next.values()], touched, writes);
      return { added: rows.length - replaced, replaced, changes };
    });
  }

  private checkedRows(given: Partial<Record<DrawerName, readonly unknown[]>>): Item[] {
    const faults: Fault[] = [];
    const rows = DRAWERS.flatMap((drawer) =>
      (given[drawer] ?? []).flatMap((value, i): Item[] => {
        const read = readItem(drawer, value, `${drawer}[${String(i)}]`);
        const beyond = read.ok ? judged(drawer, read.value) : [];
        if (read.ok && beyond.length === 0) return [this.rowOf(drawer, read.value)];
        const place = `${drawer}[${String(i)}].`;
        faults.push(...(read.ok ? beyond.map((fault) => ({ ...fault, path: place + fault.path })) : read.faults));
        return [];
      }),
    );
    if (faults.length > 0) throw new ApiError('invalid-item', undefined, { faults });
    return rows;
  }

  private rowOf(drawer: DrawerName, item: DrawerItem): Item {
    return {
      id: randomUUID(),
      drawer,
      kind: kindOf(drawer, item),
      name: item.name,
      item,
      revision: 1,
      updatedAt: this.now(),
    };
  }

  /** Solves the flies that some items bear on with the drawers to come, and writes everything in one batch. */
  private async settle(
    before: readonly Item[],
    after: readonly Item[],
    touched: readonly Item[],
    writes: readonly BatchItem<'sqlite'>[],
  ): Promise<FlyChange[]> {
    const [old, tables] = [drawersOf(drawersIn(before)), drawersOf(drawersIn(after))];
    const all = await this.db.select().from(flies).where(isNull(flies.deletedAt));
    const changes: FlyChange[] = [];
    const updates: BatchItem<'sqlite'>[] = [];
    for (const { id, name, file, summary } of all) {
      if (!touched.some((each) => mayUse(file, each.drawer, each.item))) continue;
      await breathe();
      const solved = solveFly(file, tables);
      if (!solved.ok) {
        // A fly that did not lay out before stands in nobody's way.
        if (!solveFly(file, old).ok) continue;
        const [fault] = solved.faults;
        throw new ApiError(
          'breaks-fly',
          `With this ${name} would no longer lay out: ${fault ? `${fault.path}: ${fault.message}` : 'it has faults'}. Change that fly first.`,
          { faults: solved.faults },
        );
      }
      const now = summarise(solved.value);
      if (JSON.stringify(now) === JSON.stringify(summary)) continue;
      updates.push(this.db.update(flies).set({ summary: now }).where(eq(flies.id, id)));
      if (changedFigures(summary, now).length > 0) changes.push({ flyId: id, name, before: summary, after: now });
    }
    const [first, ...rest] = [...writes, ...updates];
    if (first) await this.db.batch([first, ...rest]);
    this.tables = Promise.resolve(tables);
    return changes;
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.queue.then(work, work);
    this.queue = mine.catch(() => undefined);
    return mine;
  }
}

function checked(drawer: DrawerName, value: unknown): DrawerItem {
  const read = readItem(drawer, value);
  if (!read.ok) throw new ApiError('invalid-item', undefined, { faults: read.faults });
  const faults = judged(drawer, read.value);
  if (faults.length > 0) throw new ApiError('invalid-item', undefined, { faults });
  return read.value;
}

/** What is wrong with an item beyond its form: a school's rule that does not read, a limit no check has. */
function judged(drawer: DrawerName, item: DrawerItem): Fault[] {
  if (drawer === 'schools') return schoolFaults(item as SchoolItem);
  return drawer === 'limits' ? limitFaults(item as LimitItem) : [];
}

function found(all: readonly Item[], id: string): Item {
  const item = all.find((each) => each.id === id);
  if (!item) throw new ApiError('no-item');
  return item;
}

function refuseSameName(all: readonly Item[], item: Item): void {
  const clash = all.find(
    (each) => each.id !== item.id && keyOf(each.drawer, each.item) === keyOf(item.drawer, item.item),
  );
  if (clash) throw new ApiError('same-name', `There is a "${clash.name}" in this drawer already.`);
}

/** A renamed item still goes by its old name, so that flies which name it lose nothing. */
function keepName<T extends DrawerItem>(item: T, old: DrawerItem): T {
  const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
  const also = item.also ?? [];
  if (same(item.name, old.name)) return item;
  const kept = also.some((each) => same(each, old.name)) ? also : [...also, old.name];
  return { ...item, also: kept.filter((each) => !same(each, item.name)) };
}
