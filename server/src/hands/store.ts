import { handSchema, type TyingHand, type StoredHand } from '@jobbet/core/records';
import { and, asc, eq } from 'drizzle-orm';
import type { Ledger } from '../db/ledger.ts';
import { refuseStale } from '../db/revisions.ts';
import { hands } from './rows.ts';

/** The hands a row holds; nothing where it does not read, so that it takes no other down. */
function handOf({ hand, revision }: typeof hands.$inferSelect): StoredHand[] {
  try {
    const read = handSchema.safeParse(JSON.parse(hand));
    return read.success ? [{ ...read.data, revision }] : [];
  } catch {
    return [];
  }
}

/** Keeps whose hands tie, and their spreads. */
export class HandStore {
  private readonly ledger: Ledger;

  constructor(ledger: Ledger) {
    this.ledger = ledger;
  }

  async list(): Promise<StoredHand[]> {
    return (await this.ledger.db.select().from(hands).orderBy(asc(hands.name))).flatMap(handOf);
  }

  /** Keeps hands over a revision; 0 for those that are not there yet. @throws ApiError `stale` with the revision that is kept */
  async keep(hand: TyingHand, revision: number): Promise<StoredHand> {
    const { db } = this.ledger;
    const text = JSON.stringify(hand);
    const { name } = hand;
    const [written] =
      revision === 0
        ? await this.ledger.write([
            db.insert(hands).values({ name, hand: text, revision: 1 }).onConflictDoNothing().returning(),
          ])
        : await this.ledger.write([
            db
              .update(hands)
              .set({ hand: text, revision: revision + 1 })
              .where(and(eq(hands.name, name), eq(hands.revision, revision)))
              .returning(),
          ]);
    if (written.length === 0) {
      const [kept] = await db.select().from(hands).where(eq(hands.name, name));
      refuseStale(kept ?? { revision: 0 }, revision);
    }
    return { ...hand, revision: revision + 1 };
  }
}
