import { tyingSchema, type TyingRecord } from '@jobbet/core/contract';
import { and, asc, eq, lt, or } from 'drizzle-orm';
import type { Ledger } from '../db/ledger.ts';
import { ApiError } from '../errors.ts';
import { flies } from '../flies/rows.ts';
import { tyings } from './rows.ts';

/** The account a row holds; nothing where it does not read, so that it takes no other down. */
function recordOf({ record }: { readonly record: string }): TyingRecord[] {
  try {
    const read = tyingSchema.safeParse(JSON.parse(record));
    return read.success ? [read.data] : [];
  } catch {
    return [];
  }
}

/** Keeps how flies were tied. Of two accounts of one tying the one that was changed more often stays; of two such, the later. */
export class TyingStore {
  private readonly ledger: Ledger;

  constructor(ledger: Ledger) {
    this.ledger = ledger;
  }

  /** All tyings of a fly, the newest last. */
  async list(flyId: string): Promise<TyingRecord[]> {
    const rows = await this.ledger.db.select().from(tyings).where(eq(tyings.flyId, flyId)).orderBy(asc(tyings.begun));
    return rows.flatMap(recordOf);
  }

  /** Keeps one tying, unless a truer account of it is kept already. @returns what is kept @throws ApiError `no-fly` */
  async keep(record: TyingRecord): Promise<TyingRecord> {
    const { fly: flyId, begun, changed, edits } = record;
    const text = JSON.stringify(record);
    const [fly] = await this.ledger.db.select({ id: flies.id }).from(flies).where(eq(flies.id, flyId));
    if (!fly) throw new ApiError('no-fly');
    const fewer = lt(tyings.edits, edits);
    const earlier = and(eq(tyings.edits, edits), lt(tyings.changed, changed));
    await this.ledger.write([
      this.ledger.db
        .insert(tyings)
        .values({ flyId, begun, changed, edits, record: text })
        .onConflictDoUpdate({
          target: [tyings.flyId, tyings.begun],
          set: { changed, edits, record: text },
          ...whereOf(or(fewer, earlier)),
        }),
    ]);
    const [kept] = await this.ledger.db.select().from(tyings).where(this.one(flyId, begun));
    return (kept && recordOf(kept)[0]) ?? record;
  }

  /** Takes one tying out for good; nothing happens where there is none. */
  async remove(flyId: string, begun: number): Promise<void> {
    await this.ledger.write([this.ledger.db.delete(tyings).where(this.one(flyId, begun))]);
  }

  private readonly one = (flyId: string, begun: number) => and(eq(tyings.flyId, flyId), eq(tyings.begun, begun));
}

const whereOf = <T>(setWhere: T | undefined): { setWhere?: T } => (setWhere === undefined ? {} : { setWhere });
