import { readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import type { Outcome } from '@jobbet/core/base';
import {
  summarySchema,
  type FlySummary,
  type FlyVersion,
  type Listed,
  type ListedFly,
  type StoredFly,
} from '@jobbet/core/contract';
import { and, desc, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Ledger } from '../db/ledger.ts';
import { atRevision, refuseStale } from '../db/revisions.ts';
import { newId } from '../db/sentAs.ts';
import { ApiError } from '../errors.ts';
import type { DrawerSnapshot, ReadFly } from '../solving/tasks.ts';
import type { Solvers } from '../solving/solvers.ts';
import { flies, versions } from './rows.ts';
import { brokenWhy, listedFly, parsed, SHOWN, type Shelf } from './shelf.ts';

export type SaveKind = 'auto' | 'saved' | 'restored';

/** Autosaves of one minute are one version; of those older than ten, the last of each ten is kept. */
const MINUTE_MS = 60_000;
const TEN_MS = 10 * MINUTE_MS;

type Row = typeof flies.$inferSelect;
type VersionRow = typeof versions.$inferSelect;

/** A row with its file. @throws ApiError `broken-fly` where it does not read or solve */
function storedFly(row: Row): StoredFly {
  const { file: text, summary: figures, listed: _listed, ...rest } = row;
  const file = readFlyValue(parsed(text));
  const summary = summarySchema.safeParse(parsed(figures));
  if (!file.ok) throw new ApiError('broken-fly', undefined, { faults: file.faults });
  if (!summary.success)
    throw new ApiError(
      'broken-fly',
      `This fly does not lay out: ${brokenWhy(parsed(figures))}. Save its file and mend it there.`,
    );
  return { ...rest, file: file.value, summary: summary.data };
}

function versionOf({ revision, kind, name, file, summary, startedAt, savedAt }: VersionRow): FlyVersion[] {
  const [read, figures] = [readFlyValue(parsed(file)), summarySchema.safeParse(parsed(summary))];
  return read.ok
    ? [{ revision, kind, name, file: read.value, summary: figures.success ? figures.data : null, startedAt, savedAt }]
    : [];
}

const asKept = ({ file, summary, listed }: { file: FlyFile; summary: FlySummary; listed: Listed }) => ({
  name: file.name,
  file: JSON.stringify(file),
  summary: JSON.stringify(summary),
  listed: JSON.stringify(listed),
});

/** Keeps flies: every save checked against the revision it was made from, every one kept as a version. */
export class FlyStore {
  private readonly ledger: Ledger;
  private readonly shelf: Shelf;
  private readonly solvers: Solvers;
  private readonly drawers: () => Promise<DrawerSnapshot | null>;
  private readonly now: () => number;

  /** @param drawers what flies are solved with when they are saved */
  constructor(
    ledger: Ledger,
    shelf: Shelf,
    solvers: Solvers,
    drawers: () => Promise<DrawerSnapshot | null> = () => Promise.resolve(null),
    now: () => number = Date.now,
  ) {
    this.ledger = ledger;
    this.shelf = shelf;
    this.solvers = solvers;
    this.drawers = drawers;
    this.now = now;
  }

  private get db() {
    return this.ledger.db;
  }

  /** A number that changes whenever a list may have. */
  get version(): number {
    return this.ledger.fliesVersion;
  }

  async list(): Promise<ListedFly[]> {
    return (await this.shelf.all()).flatMap(({ fly }) => (fly.deletedAt === null ? [fly] : []));
  }

  /** The list as it goes over the wire. */
  async listJson(): Promise<string> {
    const all = await this.shelf.all();
    return `[${all.flatMap(({ fly, json }) => (fly.deletedAt === null ? [json] : [])).join(',')}]`;
  }

  /** What is in the trash, the newest first. */
  async trash(): Promise<ListedFly[]> {
    const gone = (await this.shelf.all()).flatMap(({ fly }) => (fly.deletedAt === null ? [] : [fly]));
    return gone.sort((a, b) => (b.deletedAt ?? 0) - (a.deletedAt ?? 0));
  }

  private async row(id: string, alsoDeleted = false): Promise<Row> {
    const [row] = await this.db
      .select()
      .from(flies)
      .where(alsoDeleted ? eq(flies.id, id) : and(eq(flies.id, id), isNull(flies.deletedAt)));
    if (!row) throw new ApiError('no-fly');
    return row;
  }

  /** @throws ApiError `no-fly`, `broken-fly` */
  async get(id: string): Promise<StoredFly> {
    return storedFly(await this.row(id));
  }

  /** The file of a fly as it is kept, whether it reads or not. @throws ApiError `no-fly` */
  async text(id: string): Promise<{ readonly name: string; readonly text: string }> {
    const { name, file } = await this.row(id, true);
    return { name, text: file };
  }

  /** Reads and solves what was sent. @throws ApiError `invalid-fly` with every fault and its path */
  private async read(value: unknown): Promise<ReadFly> {
    const read: Outcome<ReadFly> = await this.solvers.ask('read', { value }, await this.drawers(), { rank: 'own' });
    if (!read.ok) throw new ApiError('invalid-fly', undefined, { faults: read.faults });
    return read.value;
  }

  /**
   * @param value a pattern file as it was sent
   * @param sentAs a name of the sender's own: what was laid in by it before stays as it is, and is answered
   * @throws ApiError `invalid-fly`
   */
  async create(value: unknown, sentAs?: string): Promise<StoredFly> {
    const read = await this.read(value);
    const at = this.now();
    const kept = asKept(read);
    const row: Row = { id: newId('fly', sentAs), revision: 1, ...kept, createdAt: at, updatedAt: at, deletedAt: null };
    const [[laidIn]] = await this.ledger.write(
      [
        this.db.insert(flies).values(row).onConflictDoNothing().returning({ id: flies.id }),
        this.db
          .insert(versions)
          .select(
            sql`select null, ${row.id}, 1, 'created', null, ${kept.file}, ${kept.summary}, ${at}, ${at} where changes() = 1`,
          ),
      ],
      true,
    );
    return storedFly(laidIn ? row : await this.row(row.id, true));
  }

  /**
   * Saves over `revision` and keeps the save as a version; autosaves of one minute are one version, unless it was given a name. The
   * version is written only with its fly: both or neither, when the revision moved on meanwhile, here or in another process.
   * @throws ApiError `stale` with the current revision when it was saved elsewhere since, `no-fly`, `invalid-fly`
   */
  async save(id: string, value: unknown, revision: number, kind: SaveKind): Promise<StoredFly> {
    const read = await this.read(value);
    const at = this.now();
    const [last] = await this.db
      .select()
      .from(versions)
      .where(eq(versions.flyId, id))
      .orderBy(desc(versions.revision))
      .limit(1);
    refuseStale(await this.row(id), revision);
    const kept = asKept(read);
    const next = revision + 1;
    const saved = this.db
      .update(flies)
      .set({ ...kept, revision: next, updatedAt: at })
      .where(atRevision(flies, id, revision, isNull(flies.deletedAt)))
      .returning();
    // A clock that was set back makes no later save part of an earlier one.
    const goesOn = at >= (last?.savedAt ?? 0) && at - (last?.startedAt ?? 0) < MINUTE_MS;
    const merges =
      kind === 'auto' && last?.kind === 'auto' && last.name === null && last.revision === revision && goesOn;
    const version = merges
      ? this.db
          .update(versions)
          .set({ file: kept.file, summary: kept.summary, revision: next, savedAt: at })
          .where(atRevision(versions, last.id, revision, sql`changes() = 1`))
      : this.db
          .insert(versions)
          .select(
            sql`select null, ${id}, ${next}, ${kind}, null, ${kept.file}, ${kept.summary}, ${at}, ${at} where changes() = 1`,
          );
    const [[row]] = await this.shelf.writing(
      () => this.ledger.write([saved, version, this.thinned(id, at)], true),
      ([[written]]) => written ?? null,
    );
    if (row) return { ...row, file: read.file, summary: read.summary };
    refuseStale(await this.row(id), revision);
    throw new ApiError('no-fly');
  }

  /** Takes out autosaves that a later one of the same ten minutes stands for; what has a name stays. */
  private thinned(id: string, at: number) {
    const old = at - TEN_MS;
    // Written out: a number that is bound divides as a fraction.
    const ten = sql.raw(String(TEN_MS));
    return this.db.delete(versions).where(
      sql`${versions.flyId} = ${id} and ${versions.kind} = 'auto' and ${versions.name} is null and ${versions.savedAt} < ${old}
          and exists (select 1 from versions later where later.fly_id = ${id} and later.kind = 'auto'
            and later.revision > ${versions.revision} and later.saved_at < ${old}
            and later.started_at / ${ten} = ${versions.startedAt} / ${ten})`,
    );
  }

  /** Gives a version a name, by which it is kept as it is; null takes the name away. @throws ApiError `no-version` */
  async nameVersion(id: string, revision: number, name: string | null): Promise<void> {
    const [named] = await this.ledger.write([
      this.db
        .update(versions)
        .set({ name })
        .where(and(eq(versions.flyId, id), eq(versions.revision, revision)))
        .returning({ id: versions.id }),
    ]);
    if (named.length === 0) throw new ApiError('no-version');
  }

  /** All versions of a fly that read, the newest first. @throws ApiError `no-fly` */
  async history(id: string): Promise<FlyVersion[]> {
    await this.row(id, true);
    const rows = await this.db.select().from(versions).where(eq(versions.flyId, id)).orderBy(desc(versions.revision));
    return rows.flatMap(versionOf);
  }

  /** Saves an older version as the newest. @throws ApiError `no-version`, `stale`, `invalid-fly` where it no longer lays out */
  async restore(id: string, version: number, revision: number): Promise<StoredFly> {
    const [old] = await this.db
      .select()
      .from(versions)
      .where(and(eq(versions.flyId, id), eq(versions.revision, version)));
    if (!old) throw new ApiError('no-version');
    return this.save(id, parsed(old.file), revision, 'restored');
  }

  /** Puts a fly in the trash or takes it out of it. @throws ApiError `no-fly` */
  async setDeleted(id: string, deleted: boolean): Promise<ListedFly> {
    const [[row]] = await this.ledger.write(
      [
        this.db
          .update(flies)
          .set({ deletedAt: deleted ? this.now() : null })
          .where(eq(flies.id, id))
          .returning(SHOWN),
      ],
      true,
    );
    if (!row) throw new ApiError('no-fly');
    return listedFly(row);
  }

  /** Removes a fly from the trash for good, with its versions. @throws ApiError `no-fly` */
  async purge(id: string): Promise<void> {
    const [gone] = await this.ledger.write(
      [
        this.db
          .delete(flies)
          .where(and(eq(flies.id, id), isNotNull(flies.deletedAt)))
          .returning({ id: flies.id }),
      ],
      true,
    );
    if (gone.length === 0) throw new ApiError('no-fly');
  }
}
