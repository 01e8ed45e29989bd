import type { TyingRecord } from '@jobbet/core/exchange/stored';
import { and, asc, eq, lt } from 'drizzle-orm';
import type { Database } from './db/open.ts';
import { flies, tyings } from './db/schema.ts';
import { ApiError } from './errors.ts';

/** Keeps how flies were tied. Of two accounts of one tying the later stays. */
export class TyingStore {
  private readonly db: Database;

  constructor(db: Database) {
    this.db = db;
  }

  /** All tyings of a fly, the newest last. */
  async list(flyId: string): Promise<TyingRecord[]> {
    const rows = await this.db.select().from(tyings).where(eq(tyings.flyId, flyId)).orderBy(asc(tyings.begun));
    return rows.map((row) => row.record);
  }

  /** Keeps one tying, unless a later account of it is kept already. @returns what is kept @throws ApiError `no-fly` */
  async keep(record: TyingRecord): Promise<TyingRecord> {
    const row = { flyId: record.fly, begun: record.begun, changed: record.changed, record };
    const [fly] = await this.db.select({ id: flies.id }).from(flies).where(eq(flies.id, record.fly));
    if (!fly) throw new ApiError('no-fly');
    await this.db
      .insert(tyings)
      .values(row)
      .onConflictDoUpdate({
        target: [tyings.flyId, tyings.begun],
        set: { changed: row.changed, record },
        setWhere: lt(tyings.changed, row.changed),
      });
    const [kept] = await this.db.select().from(tyings).where(this.one(record.fly, record.begun));
    return kept?.record ?? record;
  }

  /** Takes one tying out for good; nothing happens where there is none. */
  async remove(flyId: string, begun: number): Promise<void> {
    await this.db.delete(tyings).where(this.one(flyId, begun));
  }

  private readonly one = (flyId: string, begun: number) => and(eq(tyings.flyId, flyId), eq(tyings.begun, begun));
}
