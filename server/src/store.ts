import { randomUUID } from 'node:crypto';
import type { FlyFile } from '@jobbet/core';
import { NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers/tables';
import { and, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { Database } from './db/open.ts';
import { flies, versions } from './db/schema.ts';
import { ApiError } from './errors.ts';
import { summaryOf } from './summary.ts';

export type Fly = typeof flies.$inferSelect;
export type Version = typeof versions.$inferSelect;
export type SaveKind = 'auto' | 'saved' | 'restored';

const MERGE_MS = 10 * 60_000;

/** Keeps flies: every save checked against the revision it was made from, every one kept as a version. */
export class FlyStore {
  private readonly db: Database;
  private readonly now: () => number;
  private readonly drawers: () => Promise<Drawers>;

  /** @param drawers what flies are solved with when they are saved */
  constructor(
    db: Database,
    now: () => number = Date.now,
    drawers: () => Promise<Drawers> = () => Promise.resolve(NOMINAL_DRAWERS),
  ) {
    this.db = db;
    this.now = now;
    this.drawers = drawers;
  }

  list(): Promise<Fly[]> {
    return this.db.select().from(flies).where(isNull(flies.deletedAt)).orderBy(flies.name);
  }

  trash(): Promise<Fly[]> {
    return this.db.select().from(flies).where(isNotNull(flies.deletedAt)).orderBy(desc(flies.deletedAt));
  }

  /** @throws ApiError `no-fly` */
  async get(id: string, alsoDeleted = false): Promise<Fly> {
    const found = await this.db
      .select()
      .from(flies)
      .where(alsoDeleted ? eq(flies.id, id) : and(eq(flies.id, id), isNull(flies.deletedAt)));
    const fly = found[0];
    if (!fly) throw new ApiError('no-fly');
    return fly;
  }

  async create(file: FlyFile): Promise<Fly> {
    const at = this.now();
    const fly: Fly = {
      id: randomUUID(),
      name: file.name,
      revision: 1,
      file,
      summary: summaryOf(file, await this.drawers()),
      createdAt: at,
      updatedAt: at,
      deletedAt: null,
    };
    await this.db.batch([
      this.db.insert(flies).values(fly),
      this.db.insert(versions).values({
        flyId: fly.id,
        revision: 1,
        kind: 'created',
        file,
        summary: fly.summary,
        startedAt: at,
        savedAt: at,
      }),
    ]);
    return fly;
  }

  /**
   * Saves over `revision` and keeps the save as a version; autosaves within ten minutes of one another are one version.
   * Both writes are one batch that changes nothing when the revision moved on meanwhile, here or in another process.
   * @throws ApiError `stale` with the current revision when it was saved elsewhere since, `no-fly`, `invalid-fly`
   */
  async save(id: string, file: FlyFile, revision: number, kind: SaveKind): Promise<Fly> {
    const summary = summaryOf(file, await this.drawers());
    const at = this.now();
    const [last] = await this.db
      .select()
      .from(versions)
      .where(eq(versions.flyId, id))
      .orderBy(desc(versions.revision))
      .limit(1);
    const kept = { file, summary, revision: revision + 1, savedAt: at };
    const merges = kind === 'auto' && last?.kind === 'auto' && at - last.startedAt < MERGE_MS;
    const saved = this.db
      .update(flies)
      .set({ file, summary, name: file.name, revision: revision + 1, updatedAt: at })
      .where(and(eq(flies.id, id), eq(flies.revision, revision), isNull(flies.deletedAt)))
      .returning();
    const version = merges
      ? this.db
          .update(versions)
          .set(kept)
          .where(and(eq(versions.id, last.id), eq(versions.revision, revision)))
      : this.db.insert(versions).values({ flyId: id, kind, startedAt: at, ...kept });
    try {
      await this.refuseStale(id, revision);
      const [[fly]] = await this.db.batch([saved, version]);
      if (fly) return fly;
    } catch (error) {
      // The version of a save that came first stands in the way: it is the reason, not the database.
      if (error instanceof ApiError) throw error;
      await this.refuseStale(id, revision);
      throw error;
    }
    throw new ApiError('stale', undefined, { revision: (await this.get(id)).revision });
  }

  private async refuseStale(id: string, revision: number): Promise<void> {
    const current = await this.get(id);
    if (current.revision !== revision) throw new ApiError('stale', undefined, { revision: current.revision });
  }

  async history(id: string): Promise<Version[]> {
    await this.get(id, true);
    return this.db.select().from(versions).where(eq(versions.flyId, id)).orderBy(desc(versions.revision));
  }

  /** Saves an older version as the newest. @throws ApiError `no-version`, `stale` */
  async restore(id: string, version: number, revision: number): Promise<Fly> {
    const [old] = await this.db
      .select()
      .from(versions)
      .where(and(eq(versions.flyId, id), eq(versions.revision, version)));
    if (!old) throw new ApiError('no-version');
    return this.save(id, old.file, revision, 'restored');
  }

  async setDeleted(id: string, deleted: boolean): Promise<Fly> {
    const [fly] = await this.db
      .update(flies)
      .set({ deletedAt: deleted ? this.now() : null })
      .where(eq(flies.id, id))
      .returning();
    if (!fly) throw new ApiError('no-fly');
    return fly;
  }

  /** Removes a fly from the trash for good, with its versions. */
  async purge(id: string): Promise<void> {
    const gone = await this.db
      .delete(flies)
      .where(and(eq(flies.id, id), isNotNull(flies.deletedAt)))
      .returning({ id: flies.id });
    if (gone.length === 0) throw new ApiError('no-fly');
  }
}
