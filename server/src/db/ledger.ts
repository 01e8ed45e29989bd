import type { BatchItem, BatchResponse } from 'drizzle-orm/batch';
import type { LibSQLDatabase } from 'drizzle-orm/libsql';
import { ApiError, type ErrorCode } from '../errors.ts';
import type { FileWatch } from './fileWatch.ts';

export type Database = LibSQLDatabase;
/** Some statements that are written as one. */
export type Statements = readonly [BatchItem<'sqlite'>, ...BatchItem<'sqlite'>[]];

/** What the database said, as the error it is told as; what is not here is a fault of ours. */
const TOLD: Readonly<Record<string, ErrorCode>> = {
  SQLITE_FULL: 'disk-full',
  SQLITE_IOERR: 'disk-full',
  SQLITE_READONLY: 'read-only',
  SQLITE_CORRUPT: 'damaged',
  SQLITE_NOTADB: 'damaged',
  SQLITE_BUSY: 'busy',
};

/** An error of the database in words, where it is one of those a person can do something about. */
export function toldError(error: unknown): unknown {
  for (let at: unknown = error; at instanceof Error; at = at.cause) {
    const code = TOLD[(at as { code?: string }).code ?? ''];
    if (code) return new ApiError(code);
  }
  return error;
}

/** All writes to the database: each is one batch, all of it or nothing, and none is told as done that went into a file which is gone. */
export class Ledger {
  readonly db: Database;
  private readonly watches: readonly FileWatch[];
  private written = 0;
  private shut: ErrorCode | null = null;

  constructor(db: Database, watches: readonly FileWatch[] = []) {
    this.db = db;
    this.watches = watches;
  }

  /** Another number whenever flies may have been written since. */
  get fliesVersion(): number {
    return this.written;
  }

  /** Tells that something was written past it. */
  writtenPast(): void {
    this.written++;
  }

  /** @throws ApiError `database-gone`, or why nothing may be written just now */
  requireOpen(): void {
    if (this.shut) throw new ApiError(this.shut);
    if (this.watches.some((watch) => watch.missing() !== null)) throw new ApiError('database-gone');
  }

  /**
   * Writes some statements as one.
   * @param touchesFlies whether rows of flies are among what is written, so that lists of them are gone over again
   * @throws ApiError `database-gone` where the file was deleted or replaced under this process, `disk-full`, `read-only`, `damaged`, `busy`
   */
  async write<T extends Statements>(statements: T, touchesFlies = false): Promise<BatchResponse<T>> {
    this.requireOpen();
    try {
      const done = await this.db.batch(statements);
      this.requireOpen();
      return done;
    } catch (error) {
      throw toldError(error);
    } finally {
      if (touchesFlies) this.written++;
    }
  }

  /** Keeps others from writing while everything is put in the place of everything. */
  async alone<T>(work: () => Promise<T>): Promise<T> {
    this.requireOpen();
    this.shut = 'restoring';
    try {
      return await work();
    } finally {
      this.shut = null;
      this.written++;
    }
  }
}
