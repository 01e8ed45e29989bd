import type { ItemTaking } from '@jobbet/core/batch';
import type { StoredBatch } from '@jobbet/core/contract';
import { type Goods, giveBack, type Move, takeFrom } from '@jobbet/core/drawers';
import type { BatchFile, FlyProgress } from '@jobbet/core/records';
import { and, desc, eq } from 'drizzle-orm';
import type { BatchItem } from 'drizzle-orm/batch';
import type { Ledger } from '../db/ledger.ts';
import { snapshotOf, type Counts, type DrawerStore, type Item } from '../drawers/store.ts';
import { ApiError } from '../errors.ts';
import type { Solvers } from '../solving/solvers.ts';
import { taken } from './rows.ts';
import { RecordStore } from './store.ts';

type TakenRow = typeof taken.$inferSelect;
type Begun = FlyProgress & { readonly begun: string };

const begunIn = ({ flies = [] }: BatchFile): Map<string, Begun> =>
  new Map(flies.flatMap((fly) => (fly.begun === undefined ? [] : [[fly.begun, { ...fly, begun: fly.begun }]])));

/** What a save does to the drawers: flies that were begun by it, those that are as if they never were, those taken apart or no longer so. */
interface Turned {
  readonly begun: readonly Begun[];
  readonly undone: readonly string[];
  readonly apart: readonly string[];
  readonly whole: readonly string[];
}

function turnedBy(was: BatchFile, is: BatchFile): Turned {
  const [before, after] = [begunIn(was), begunIn(is)];
  const both = [...after.values()].filter(({ begun }) => before.has(begun));
  const isApart = (fly: FlyProgress | undefined): boolean => fly?.state === 'apart';
  return {
    begun: [...after.values()].filter(({ begun }) => !before.has(begun)),
    // What became of a row that is taken out goes with it: its flies were tied.
    undone: is.rows.length < was.rows.length ? [] : [...before.keys()].filter((begun) => !after.has(begun)),
    apart: both.filter((fly) => isApart(fly) && !isApart(before.get(fly.begun))).map(({ begun }) => begun),
    whole: both.filter((fly) => !isApart(fly) && isApart(before.get(fly.begun))).map(({ begun }) => begun),
  };
}

const touches = ({ begun, undone, apart, whole }: Turned): boolean =>
  begun.length + undone.length + apart.length + whole.length > 0;

const goodsOf = ({ item }: Item): Goods => item;
const movesOf = ({ moves }: TakenRow): Move[] => JSON.parse(moves) as Move[];

/** Drawers as they lay before some flies took of them. @param rows the last fly first */
function asBefore(items: readonly Item[], rows: readonly TakenRow[]): Item[] {
  const of = new Map<string, TakenRow[]>();
  for (const row of rows) if (!row.isBack) of.set(row.item, [...(of.get(row.item) ?? []), row]);
  return items.map((item) => {
    const own = of.get(item.id);
    if (!own) return item;
    const counts = own.reduce<Counts>((now, row) => giveBack(now, movesOf(row)), goodsOf(item));
    return { ...item, item: { ...item.item, ...counts } };
  });
}

/** What flies took that are in the batch still: of a row that was taken out it is gone. */
function stillThere(batch: BatchFile, rows: readonly TakenRow[]): TakenRow[] {
  const begun = begunIn(batch);
  return rows.filter((row) => begun.has(row.begun));
}

/** What a fly took of one item. */
interface TookOf {
  readonly item: string;
  readonly comesBack: boolean;
  readonly moves: readonly Move[];
}

/** The drawers while flies take of them and give back: how much of each item there is by then. */
class Counting {
  readonly counts = new Map<string, Counts>();
  private readonly items: ReadonlyMap<string, Item>;

  constructor(items: readonly Item[]) {
    this.items = new Map(items.map((item) => [item.id, item]));
  }

  private now(id: string): Goods | null {
    const item = this.items.get(id);
    return item ? { ...goodsOf(item), ...this.counts.get(id) } : null;
  }

  private named({ drawer, kind, name }: Pick<ItemTaking, 'drawer' | 'kind' | 'name'>): Item | undefined {
    const lower = name.toLowerCase();
    return [...this.items.values()].find(
      (item) => item.drawer === drawer && item.kind === kind && item.name.toLowerCase() === lower,
    );
  }

  /** Takes what one fly takes. @returns what that was, item by item; nothing of what does not lie there */
  takeAll(takings: readonly ItemTaking[]): TookOf[] {
    const took = new Map<string, TookOf>();
    for (const { colour, comesBack, takings: each, ...of } of takings) {
      const item = this.named(of)?.id ?? '';
      for (const taking of each) {
        const goods = this.now(item);
        if (!goods) continue;
        const { stock, moves } = takeFrom(goods, colour, taking);
        if (moves.length === 0) continue;
        this.counts.set(item, { count: stock.count, stock: stock.stock });
        took.set(item, { item, comesBack, moves: [...(took.get(item)?.moves ?? []), ...moves] });
      }
    }
    return [...took.values()];
  }

  back(row: TakenRow): void {
    const goods = this.now(row.item);
    if (goods) this.counts.set(row.item, giveBack({ count: goods.count, stock: goods.stock }, movesOf(row)));
  }

  /** Takes once more what was given back. */
  again(row: TakenRow): void {
    const goods = this.now(row.item);
    if (!goods) return;
    let left = goods;
    for (const { count, colour } of movesOf(row)) {
      const pieces = { unit: 'pieces', pieces: count ?? 0, fibreMm: null, paired: false, usual: 1 } as const;
      left = { ...left, ...takeFrom({ ...left, yield: undefined }, colour ?? null, pieces).stock };
    }
    this.counts.set(row.item, { count: left.count, stock: left.stock });
  }
}

/** Keeps batches. A fly that is begun takes what it is tied of out of the drawers, once; one that is taken back gives it back. */
export class BatchStore extends RecordStore<'batch'> {
  private readonly drawers: DrawerStore;
  private readonly solvers: Solvers;

  constructor(ledger: Ledger, drawers: DrawerStore, solvers: Solvers, now: () => number = Date.now) {
    super(ledger, 'batch', now);
    this.drawers = drawers;
    this.solvers = solvers;
  }

  /** Everything flies of a batch took, the last fly first. */
  private takenBy(id: string): Promise<TakenRow[]> {
    return this.ledger.db.select().from(taken).where(eq(taken.batch, id)).orderBy(desc(taken.begun), desc(taken.item));
  }

  /** The drawers as they lay before the batch took of them: what it is planned with. */
  async drawersBefore(id: string): Promise<readonly Item[]> {
    const { record } = await this.get(id);
    return asBefore(await this.drawers.list(), stillThere(record, await this.takenBy(id)));
  }

  override async save(id: string, value: unknown, revision: number): Promise<StoredBatch> {
    const read = this.read(value);
    const was = await this.get(id);
    const turned = turnedBy(was.record, read.record);
    if (was.revision !== revision || !touches(turned)) return super.save(id, value, revision);
    const [[row]] = await this.drawers.countAlong(async (items) => {
      const now = await this.get(id);
      const counting = new Counting(items);
      // Another window may have saved while this waited for its turn: then nothing is taken, and what it says is stale.
      const rows = now.revision === revision ? await this.takenBy(id) : [];
      const writes =
        now.revision === revision ? await this.turning(id, read.record, turned, { items, rows, counting }) : [];
      return { counts: counting.counts, writes: [this.saving(id, read, revision), ...writes] as const };
    });
    return this.saved(id, row, revision);
  }

  /** What is written of what flies take and give back. */
  private async turning(
    id: string,
    record: BatchFile,
    { begun, undone, apart, whole }: Turned,
    at: { readonly items: readonly Item[]; readonly rows: readonly TakenRow[]; readonly counting: Counting },
  ): Promise<BatchItem<'sqlite'>[]> {
    const { items, rows, counting } = at;
    const { db } = this.ledger;
    const writes: BatchItem<'sqlite'>[] = [];
    const one = (row: TakenRow) => and(eq(taken.batch, id), eq(taken.begun, row.begun), eq(taken.item, row.item));
    const of = (those: readonly string[], holds: (row: TakenRow) => boolean): TakenRow[] =>
      rows.filter((row) => those.includes(row.begun) && holds(row));
    for (const row of of(undone, () => true)) {
      if (!row.isBack) counting.back(row);
      writes.push(db.delete(taken).where(one(row)));
    }
    for (const row of of(apart, ({ comesBack, isBack }) => comesBack && !isBack)) {
      counting.back(row);
      writes.push(db.update(taken).set({ isBack: true }).where(one(row)));
    }
    for (const row of of(whole, ({ isBack }) => isBack)) {
      counting.again(row);
      writes.push(db.update(taken).set({ isBack: false }).where(one(row)));
    }
    const known = new Set(rows.map((row) => row.begun));
    const fresh = begun.filter((fly) => !known.has(fly.begun));
    const takings = await this.takingsOf(record, fresh, items, rows);
    const took = fresh.flatMap((fly, i) => counting.takeAll(takings[i] ?? []).map((each) => ({ ...each, fly })));
    for (const { fly, item, moves, comesBack } of took)
      writes.push(
        db
          .insert(taken)
          .values({ batch: id, begun: fly.begun, item, moves: JSON.stringify(moves), comesBack, isBack: false }),
      );
    return writes;
  }

  /** What flies that are begun take, each; nothing where the batch cannot be worked out, which its view says. */
  private async takingsOf(
    batch: BatchFile,
    fresh: readonly Begun[],
    items: readonly Item[],
    rows: readonly TakenRow[],
  ): Promise<readonly (readonly ItemTaking[])[]> {
    if (fresh.length === 0) return [];
    const known = new Set(rows.map(({ begun }) => begun));
    const before = [...begunIn(batch).values()].filter(({ begun }) => known.has(begun));
    const asks = { batch, before, begun: fresh };
    const lay = snapshotOf(asBefore(items, stillThere(batch, rows)));
    try {
      const answer = await this.solvers.ask('takings', asks, lay, { rank: 'own' });
      return answer.ok ? answer.value : [];
    } catch (error) {
      // That a fly was begun is kept, whatever becomes of the counting.
      if (error instanceof ApiError && error.code === 'too-long') return [];
      throw error;
    }
  }
}
