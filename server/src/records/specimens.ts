import type { StoredSpecimen } from '@jobbet/core/contract';
import { and, asc, eq, isNull } from 'drizzle-orm';
import type { Ledger } from '../db/ledger.ts';
import { records } from './rows.ts';
import { RecordStore } from './store.ts';

/** Keeps finished flies, found by the fly they are of. */
export class SpecimenStore extends RecordStore<'specimen'> {
  constructor(ledger: Ledger, now: () => number = Date.now) {
    super(ledger, 'specimen', now);
  }

  /** Those of one fly by their numbers, without those in the trash; one that does not read any more is left out, and takes no other down. */
  async ofFly(fly: string): Promise<StoredSpecimen[]> {
    const rows = await this.ledger.db
      .select()
      .from(records)
      .where(and(eq(records.kind, 'specimen'), eq(records.fly, fly), isNull(records.deletedAt)))
      .orderBy(asc(records.createdAt));
    const read = this.readable(rows);
    return read.sort((a, b) => (a.record.number ?? Infinity) - (b.record.number ?? Infinity));
  }
}
