import { faultLine, type Outcome } from '@jobbet/core/base';
import { type ListedRecord, type StoredRecord } from '@jobbet/core/contract';
import { headOf, readRecord, type RecordHead, type RecordKind, type RecordOf } from '@jobbet/core/records';
import { and, asc, desc, eq, isNotNull } from 'drizzle-orm';
import type { Ledger } from '../db/ledger.ts';
import { atRevision, refuseStale } from '../db/revisions.ts';
import { newId } from '../db/sentAs.ts';
import { ApiError } from '../errors.ts';
import { records } from './rows.ts';

type Row = typeof records.$inferSelect;

/** The record a row holds, or why it does not read. */
function readRow<K extends RecordKind>(kind: K, text: string): Outcome<RecordOf<K>> {
  let value: unknown = null;
  try {
    value = JSON.parse(text);
  } catch {
    // What is no JSON is no record either: the reading says so.
  }
  return readRecord(kind, value);
}

/** A record that reads, with what it is searched by. */
interface ReadRecord<K extends RecordKind> {
  readonly record: RecordOf<K>;
  readonly head: Pick<RecordHead, 'name' | 'day' | 'fly'>;
}

/** Keeps records of one kind: every save checked against the revision it was made from, what is taken away kept in the trash. */
export class RecordStore<K extends RecordKind> {
  protected readonly ledger: Ledger;
  private readonly kind: K;
  private readonly now: () => number;

  constructor(ledger: Ledger, kind: K, now: () => number = Date.now) {
    this.ledger = ledger;
    this.kind = kind;
    this.now = now;
  }

  /** All of the kind, the one that was changed last first; those in the trash too. One that does not read any more says why. */
  async list(): Promise<ListedRecord[]> {
    const rows = await this.ledger.db
      .select()
      .from(records)
      .where(eq(records.kind, this.kind))
      .orderBy(desc(records.updatedAt));
    return rows.map(({ kind: _kind, fly: _fly, record, ...rest }): ListedRecord => {
      const read = readRow(this.kind, record);
      return {
        ...rest,
        summary: read.ok ? headOf(this.kind, read.value).summary : null,
        broken: read.ok ? null : read.faults.slice(0, 3).map(faultLine).join('; '),
      };
    });
  }

  /** All of the kind in full, by name; those in the trash too. One that does not read any more is left out, and takes no other down. */
  async all(): Promise<StoredRecord<RecordOf<K>>[]> {
    const rows = await this.ledger.db
      .select()
      .from(records)
      .where(eq(records.kind, this.kind))
      .orderBy(asc(records.name));
    return this.readable(rows);
  }

  /** Of some rows, those that read. */
  protected readable(rows: readonly Row[]): StoredRecord<RecordOf<K>>[] {
    return rows.flatMap((row) => {
      try {
        return [this.stored(row)];
      } catch (error) {
        if (error instanceof ApiError && error.code === 'broken-record') return [];
        throw error;
      }
    });
  }

  private async row(id: string): Promise<Row> {
    const [row] = await this.ledger.db.select().from(records).where(this.one(id));
    if (!row) throw new ApiError('no-record');
    return row;
  }

  private readonly one = (id: string) => and(eq(records.kind, this.kind), eq(records.id, id));

  protected stored({ kind: _kind, fly: _fly, record, ...rest }: Row): StoredRecord<RecordOf<K>> {
    const read = readRow(this.kind, record);
    if (!read.ok) throw new ApiError('broken-record', undefined, { faults: read.faults });
    return { ...rest, record: read.value };
  }

  /** @throws ApiError `no-record`, `broken-record` where it does not read any more */
  async get(id: string): Promise<StoredRecord<RecordOf<K>>> {
    return this.stored(await this.row(id));
  }

  /** @throws ApiError `invalid-record` with every fault and its path */
  protected read(value: unknown): ReadRecord<K> {
    const read = readRecord(this.kind, value);
    if (!read.ok) throw new ApiError('invalid-record', undefined, { faults: read.faults });
    const record = read.value;
    const { name, day, fly } = headOf(this.kind, record);
    return { record, head: { name, day, fly } };
  }

  /**
   * @param value a record's file as it was sent
   * @param sentAs a name of the sender's own: what was laid down by it before stays as it is, and is answered
   * @throws ApiError `invalid-record`
   */
  async create(value: unknown, sentAs?: string): Promise<StoredRecord<RecordOf<K>>> {
    const { record, head } = this.read(value);
    const at = this.now();
    const row: Row = {
      id: newId(this.kind, sentAs),
      kind: this.kind,
      ...head,
      revision: 1,
      record: JSON.stringify(record),
      createdAt: at,
      updatedAt: at,
      deletedAt: null,
    };
    await this.ledger.write([this.ledger.db.insert(records).values(row).onConflictDoNothing()]);
    return sentAs === undefined ? this.stored(row) : this.get(row.id);
  }

  /** The statement that saves over a revision and answers with the row, where it is still that one. */
  protected saving(id: string, { record, head }: ReadRecord<K>, revision: number) {
    return this.ledger.db
      .update(records)
      .set({ ...head, record: JSON.stringify(record), revision: revision + 1, updatedAt: this.now() })
      .where(atRevision(records, id, revision, eq(records.kind, this.kind)))
      .returning();
  }

  /** What was saved. @throws ApiError `stale` with the current revision when it was saved elsewhere since, `no-record` */
  protected async saved(id: string, row: Row | undefined, revision: number): Promise<StoredRecord<RecordOf<K>>> {
    if (row) return this.stored(row);
    refuseStale(await this.row(id), revision, 'It was changed elsewhere since you opened it.');
    throw new ApiError('no-record');
  }

  /** Saves over `revision`. @throws ApiError `stale`, `no-record`, `invalid-record` */
  async save(id: string, value: unknown, revision: number): Promise<StoredRecord<RecordOf<K>>> {
    const [[row]] = await this.ledger.write([this.saving(id, this.read(value), revision)]);
    return this.saved(id, row, revision);
  }

  /** Puts a record in the trash or takes it out of it. @throws ApiError `no-record` */
  async setDeleted(id: string, deleted: boolean): Promise<void> {
    const [found] = await this.ledger.write([
      this.ledger.db
        .update(records)
        .set({ deletedAt: deleted ? this.now() : null })
        .where(this.one(id))
        .returning({ id: records.id }),
    ]);
    if (found.length === 0) throw new ApiError('no-record');
  }

  /** Removes a record from the trash for good. @throws ApiError `no-record` */
  async purge(id: string): Promise<void> {
    const [gone] = await this.ledger.write([
      this.ledger.db
        .delete(records)
        .where(and(this.one(id), isNotNull(records.deletedAt)))
        .returning({ id: records.id }),
    ]);
    if (gone.length === 0) throw new ApiError('no-record');
  }
}

/** The names of all pictures that records of any kind name, those in the trash and those that do not read too. */
export async function pictureNames({ db }: Ledger): Promise<ReadonlySet<string>> {
  const rows = await db.select({ record: records.record }).from(records);
  return new Set(
    rows.flatMap(({ record }) => [...record.matchAll(/pictures\/([0-9a-f]{64}\.\w+)/g)].map(([, name = '']) => name)),
  );
}
