import { randomUUID } from 'node:crypto';
import { faultLine, type Fault } from '@jobbet/core/base';
import { limitFaults, schoolFaults } from '@jobbet/core/checks';
import {
  readItem,
  DRAWERS,
  drawersIn,
  kindOf,
  mixFaults,
  withMixes,
  type DrawerItem,
  type DrawerItems,
  type DrawerName,
  type Goods,
  type LimitItem,
  type SchoolItem,
} from '@jobbet/core/drawers';
import type { FlyChange, StoredItem } from '@jobbet/core/contract';
import type { BatchItem, BatchResponse } from 'drizzle-orm/batch';
import type { Ledger, Statements } from '../db/ledger.ts';
import { atRevision, refuseStale } from '../db/revisions.ts';
import { ApiError } from '../errors.ts';
import type { Shelf } from '../flies/shelf.ts';
import type { DrawerSnapshot } from '../solving/tasks.ts';
import type { Solvers } from '../solving/solvers.ts';
import { drawerItems } from './rows.ts';
import { movedFlies, type Watched } from './settle.ts';

type Row = typeof drawerItems.$inferSelect;

/** An item as it is kept. */
export type Item = Omit<Row, 'item'> & { readonly item: DrawerItem };
/** An item as it is sent. */
export const itemOut = ({ id, drawer, item, revision, updatedAt }: Item): StoredItem => ({
  id,
  drawer,
  item,
  revision,
  updatedAt,
});

/** A row of the drawers that no longer reads, with what it holds. */
export interface BrokenItem {
  readonly id: string;
  readonly drawer: DrawerName;
  readonly name: string;
  readonly why: string;
  readonly text: string;
}

/** What was done in the drawers, and what that did to the flies of the box. */
export interface Changed {
  readonly changes: readonly FlyChange[];
}

/** What is laid in: items of each drawer as they were sent. */
type Given = { readonly [D in DrawerName]?: readonly unknown[] | undefined };

const keyOf = (drawer: DrawerName, item: DrawerItem): string =>
  `${drawer}/${kindOf(drawer, item)}/${item.name.toLowerCase()}`;

interface Open {
  readonly items: readonly Item[];
  readonly broken: readonly BrokenItem[];
  readonly snapshot: DrawerSnapshot;
}

let snapshots = 0;

export function snapshotOf(items: readonly Item[]): DrawerSnapshot {
  const bytes = new TextEncoder().encode(JSON.stringify(items.map(({ drawer, item }) => ({ drawer, item }))));
  const json = new SharedArrayBuffer(bytes.length);
  new Uint8Array(json).set(bytes);
  return { version: ++snapshots, json };
}

const sorted = (items: readonly Item[]): Item[] =>
  [...items].sort((a, b) => (a.drawer < b.drawer ? -1 : a.drawer > b.drawer ? 1 : a.name < b.name ? -1 : 1));

function openRows(rows: readonly Row[]): Open {
  const items: Item[] = [];
  const broken: BrokenItem[] = [];
  for (const { item: text, ...row } of rows) {
    const read = readText(row.drawer, text);
    if (read.ok) items.push({ ...row, item: read.value });
    else broken.push({ ...row, text, why: read.why });
  }
  return { items: sorted(items), broken, snapshot: snapshotOf(items) };
}

function readText(drawer: DrawerName, text: string): { ok: true; value: DrawerItem } | { ok: false; why: string } {
  try {
    const read = readItem(drawer, JSON.parse(text));
    return read.ok ? read : { ok: false, why: read.faults.map(faultLine).join('; ') };
  } catch {
    return { ok: false, why: 'it is no JSON' };
  }
}

/** Keeps the drawers. Every change solves anew the flies it bears on, and is refused where one of them would no longer lay out. */
export class DrawerStore {
  private readonly ledger: Ledger;
  private readonly shelf: Shelf;
  private readonly solvers: Solvers;
  private readonly now: () => number;
  /** The drawers as they are: this process alone changes them. */
  private open: Promise<Open> | null = null;
  /** Changes are made one after the other: each solves flies against the drawers as the last one left them. */
  private queue: Promise<unknown> = Promise.resolve();

  constructor(ledger: Ledger, shelf: Shelf, solvers: Solvers, now: () => number = Date.now) {
    this.ledger = ledger;
    this.shelf = shelf;
    this.solvers = solvers;
    this.now = now;
  }

  private get db() {
    return this.ledger.db;
  }

  private opened(): Promise<Open> {
    this.open ??= this.db.select().from(drawerItems).then(openRows);
    return this.open;
  }

  async list(): Promise<readonly Item[]> {
    return (await this.opened()).items;
  }

  /** Rows that no longer read; they are left out of everything else. */
  async broken(): Promise<readonly BrokenItem[]> {
    return (await this.opened()).broken;
  }

  /** The drawers as one file holds them. */
  async items(): Promise<DrawerItems> {
    return drawersIn(await this.list());
  }

  /** What flies are solved with. */
  async snapshot(): Promise<DrawerSnapshot> {
    return (await this.opened()).snapshot;
  }

  /** Forgets what was read, where everything was put in the place of everything. */
  forget(): void {
    this.open = null;
  }

  /** @throws ApiError `invalid-item`, `same-name`, `breaks-fly`, `stopped` */
  add(drawer: DrawerName, value: unknown, watched?: Watched): Promise<Changed & { readonly item: Item }> {
    return this.inTurn(async () => {
      const made = this.itemOf(drawer, checked(drawer, value));
      const all = await this.list();
      refuseSameName(all, made);
      const changes = await this.settle([...all, made], [made], [this.inserted(made)], watched);
      return { item: await this.kept(made), changes };
    });
  }

  /** @throws ApiError `no-item`, `stale`, `invalid-item`, `same-name`, `breaks-fly`, `stopped` */
  change(id: string, value: unknown, revision: number, watched?: Watched): Promise<Changed & { readonly item: Item }> {
    return this.inTurn(async () => {
      const all = await this.list();
      const old = found(all, id);
      refuseStale(old, revision, 'The item was changed elsewhere since.');
      const item = keepName(checked(old.drawer, value), old.item);
      const next: Item = { ...this.itemOf(old.drawer, item), id, revision: revision + 1 };
      refuseSameName(all, next);
      const after = all.map((each) => (each.id === id ? next : each));
      const changes = await this.settle(after, [old, next], [this.replaced(next, revision)], watched);
      return { item: await this.kept(next), changes };
    });
  }

  /** Takes an item out; flies that name it fall back to what is nominal. @throws ApiError `no-item`, `breaks-fly`, `stopped` */
  remove(id: string, watched?: Watched): Promise<Changed & { readonly item: Item }> {
    return this.inTurn(async () => {
      const all = await this.list();
      const old = found(all, id);
      const gone = this.db.delete(drawerItems).where(atRevision(drawerItems, id, old.revision));
      const changes = await this.settle(
        all.filter((each) => each.id !== id),
        [old],
        [gone],
        watched,
      );
      return { item: old, changes };
    });
  }

  /**
   * Lays in many items at once: those of a name that is there replace it, the others are added. All or none.
   * @throws ApiError `invalid-item` with the drawer and row of each fault, `breaks-fly`, `stopped`
   */
  layIn(given: Given, watched?: Watched): Promise<Changed & { readonly added: number; readonly replaced: number }> {
    return this.inTurn(async () => {
      const rows = this.checkedItems(given);
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
          writes.push(this.replaced(laid, old.revision));
        } else writes.push(this.inserted(laid));
        known.set(keyOf(laid.drawer, laid.item), laid);
        next.set(laid.id, laid);
        touched.push(laid);
      }
      const changes = await this.settle([...next.values()], touched, writes, watched);
      return { added: rows.length - replaced, replaced, changes };
    });
  }

  /**
   * Changes how much of some items lies there along with something else that is written, in turn with every other change: no fly's figures
   * rest on that. @param work is handed all items, and answers with how much of some of them there is by then
   */
  countAlong<T extends Statements>(
    work: (items: readonly Item[]) => Promise<{ readonly counts: ReadonlyMap<string, Counts>; readonly writes: T }>,
  ): Promise<BatchResponse<T>> {
    return this.inTurn(async () => {
      const { items, broken } = await this.opened();
      const { counts, writes } = await work(items);
      const next = items.map((item) => counted(item, counts.get(item.id)));
      const changed = next.filter((item, i) => item !== items[i]);
      const done = await this.ledger.write([
        ...writes,
        ...changed.map((item) => this.replaced(item, item.revision - 1)),
      ] as unknown as T);
      if (changed.length > 0) this.open = Promise.resolve({ items: next, broken, snapshot: snapshotOf(next) });
      return done;
    });
  }

  /** An item as it is kept by now. */
  private async kept(item: Item): Promise<Item> {
    return (await this.list()).find(({ id }) => id === item.id) ?? item;
  }

  private inserted(item: Item): BatchItem<'sqlite'> {
    return this.db.insert(drawerItems).values({ ...item, item: JSON.stringify(item.item) });
  }

  private replaced(item: Item, revision: number): BatchItem<'sqlite'> {
    return this.db
      .update(drawerItems)
      .set({ ...item, item: JSON.stringify(item.item) })
      .where(atRevision(drawerItems, item.id, revision));
  }

  /** The figures of a mix follow those of what it is mixed of: nobody changed the item by that. */
  private figured(item: Item): BatchItem<'sqlite'> {
    return this.db
      .update(drawerItems)
      .set({ item: JSON.stringify(item.item) })
      .where(atRevision(drawerItems, item.id, item.revision));
  }

  private checkedItems(given: Given): Item[] {
    const faults: Fault[] = [];
    const rows = DRAWERS.flatMap((drawer) =>
      (given[drawer] ?? []).flatMap((value, i): Item[] => {
        const place = `${drawer}[${String(i)}]`;
        const read = readItem(drawer, value, place);
        const beyond = read.ok ? judged(drawer, read.value) : [];
        if (read.ok && beyond.length === 0) return [this.itemOf(drawer, read.value)];
        faults.push(...(read.ok ? beyond.map((fault) => ({ ...fault, path: `${place}.${fault.path}` })) : read.faults));
        return [];
      }),
    );
    if (faults.length > 0) throw new ApiError('invalid-item', undefined, { faults });
    return rows;
  }

  private itemOf(drawer: DrawerName, item: DrawerItem): Item {
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
    after: readonly Item[],
    touched: readonly Item[],
    writes: readonly BatchItem<'sqlite'>[],
    watched: Watched | undefined,
  ): Promise<FlyChange[]> {
    const { snapshot: before, broken } = await this.opened();
    refuseStrangeMixes(touched, after);
    const mixed = withMixes(after);
    const told = mixed.filter((item, i) => item !== after[i]);
    const next: Open = { items: sorted(mixed), broken, snapshot: snapshotOf(mixed) };
    const moved = await movedFlies(
      { db: this.db, shelf: this.shelf, solvers: this.solvers, before, after: next.snapshot },
      [...touched, ...told],
      watched,
    );
    const figures = told.map((item) => this.figured(item));
    const [first, ...rest] = [...writes, ...figures, ...moved.updates];
    if (first) await this.ledger.write([first, ...rest], moved.updates.length > 0);
    this.open = Promise.resolve(next);
    return moved.changes;
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.queue.then(work, work);
    this.queue = mine.catch(() => undefined);
    return mine;
  }
}

/** How much of an item lies there. */
export type Counts = Pick<Goods, 'count' | 'stock'>;

/** An item of which there is so much by now; itself where nothing is said of it. */
function counted(item: Item, counts: Counts | undefined): Item {
  if (!counts) return item;
  const { count: _was, stock: _lots, ...rest } = item.item as DrawerItem & Counts;
  const { count, stock } = counts;
  const now = { ...rest, ...(count === undefined ? {} : { count }), ...(stock === undefined ? {} : { stock }) };
  return { ...item, item: now, revision: item.revision + 1 };
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
  const key = keyOf(item.drawer, item.item);
  const clash = all.find(
    (each) => each.id !== item.id && each.drawer === item.drawer && keyOf(each.drawer, each.item) === key,
  );
  if (clash) throw new ApiError('same-name', `There is a "${clash.name}" in this drawer already.`);
}

/** @throws ApiError `invalid-item` where one that is laid in is mixed of what does not lie there */
function refuseStrangeMixes(touched: readonly Item[], after: readonly Item[]): void {
  const materials = after.flatMap(({ drawer, item }) => (drawer === 'materials' ? [item] : []));
  const faults = touched.flatMap((each) => (after.includes(each) ? mixFaults(each.item, materials) : []));
  if (faults.length > 0) throw new ApiError('invalid-item', undefined, { faults });
}

/** A renamed item still goes by its old name, so that flies which name it lose nothing. */
function keepName<T extends DrawerItem>(item: T, old: DrawerItem): T {
  const same = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
  const also = item.also ?? [];
  if (same(item.name, old.name)) return item;
  const kept = also.some((each) => same(each, old.name)) ? also : [...also, old.name];
  return { ...item, also: kept.filter((each) => !same(each, item.name)) };
}
