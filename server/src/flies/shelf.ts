import { listedSchema, summarySchema, type ListedFly } from '@jobbet/core/contract';
import type { Ledger } from '../db/ledger.ts';
import { flies } from './rows.ts';

/** What lists show of a row, without its file. */
export const SHOWN = {
  id: flies.id,
  name: flies.name,
  revision: flies.revision,
  summary: flies.summary,
  listed: flies.listed,
  createdAt: flies.createdAt,
  updatedAt: flies.updatedAt,
  deletedAt: flies.deletedAt,
};
export type ShownRow = Omit<typeof flies.$inferSelect, 'file'>;

/** The value of a text that may be no JSON; undefined then. */
export function parsed(text: string | null): unknown {
  try {
    return text === null ? null : JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Why a stored fly does not solve, as it was kept with it. */
export const brokenWhy = (summary: unknown): string => {
  const why = (summary as { broken?: unknown } | null | undefined)?.broken;
  return typeof why === 'string' ? why : 'its figures do not read';
};

/** Figures of a fly that cannot be solved: why. */
export const brokenSummary = (why: string): string => JSON.stringify({ broken: why });

const time = (at: number): number => (Number.isFinite(at) ? at : 0);

/** A row as lists have it; one that does not read or solve is told as broken. */
export function listedFly(row: ShownRow): ListedFly {
  const { id, name, revision, createdAt, updatedAt, deletedAt } = row;
  const [figures, listed] = [parsed(row.summary), listedSchema.safeParse(parsed(row.listed))];
  const summary = summarySchema.safeParse(figures);
  const sound = summary.success && listed.success;
  return {
    id,
    name,
    revision: Number.isInteger(revision) ? revision : 1,
    createdAt: time(createdAt),
    updatedAt: time(updatedAt),
    deletedAt: deletedAt === null ? null : time(deletedAt),
    summary: sound ? summary.data : null,
    listed: sound ? listed.data : null,
    broken: sound ? null : brokenWhy(figures),
  };
}

/** A fly as lists have it, and the same as it goes over the wire. */
export interface Shown {
  readonly fly: ListedFly;
  readonly json: string;
}
interface Kept extends Shown {
  readonly row: ShownRow;
}

const isSame = (a: ShownRow, b: ShownRow): boolean =>
  a.revision === b.revision &&
  a.updatedAt === b.updatedAt &&
  a.deletedAt === b.deletedAt &&
  a.createdAt === b.createdAt &&
  a.name === b.name &&
  a.summary === b.summary &&
  a.listed === b.listed;

const byName = (a: Kept, b: Kept): number => (a.row.name < b.row.name ? -1 : a.row.name > b.row.name ? 1 : 0);

/**
 * All flies as lists have them, those in the trash too. What is written through it changes one of them; where something else wrote, the rows
 * are gone over and read anew where they differ.
 */
export class Shelf {
  private readonly ledger: Ledger;
  private kept = new Map<string, Kept>();
  /** The version of the flies that `kept` is of; null before the first reading. */
  private version: number | null = null;
  private reading: Promise<void> | null = null;
  private sorted: readonly Kept[] | null = null;

  constructor(ledger: Ledger) {
    this.ledger = ledger;
  }

  /** Every fly by name. */
  async all(): Promise<readonly Shown[]> {
    while (this.version !== this.ledger.fliesVersion) {
      this.reading ??= this.read().finally(() => {
        this.reading = null;
      });
      await this.reading;
    }
    this.sorted ??= [...this.kept.values()].sort(byName);
    return this.sorted;
  }

  /** Writes something that changes one row, or takes one away, and keeps up with it. @param change the row as it is then, or the id that is gone */
  async writing<T>(
    write: () => Promise<T>,
    change: (written: T) => ShownRow | { readonly gone: string } | null,
  ): Promise<T> {
    const before = this.ledger.fliesVersion;
    const written = await write();
    const keepsUp = this.version === before && this.reading === null && this.ledger.fliesVersion === before + 1;
    if (!keepsUp) return written;
    const what = change(written);
    if (what !== null) {
      if ('gone' in what) this.kept.delete(what.gone);
      else this.kept.set(what.id, shown(what));
      this.sorted = null;
    }
    this.version = before + 1;
    return written;
  }

  private async read(): Promise<void> {
    const version = this.ledger.fliesVersion;
    const rows = await this.ledger.db.select(SHOWN).from(flies);
    const next = new Map<string, Kept>();
    for (const row of rows) {
      const old = this.kept.get(row.id);
      next.set(row.id, old && isSame(old.row, row) ? old : shown(row));
    }
    this.kept = next;
    this.sorted = null;
    this.version = version;
  }
}

function shown({ id, name, revision, summary, listed, createdAt, updatedAt, deletedAt }: ShownRow): Kept {
  // What came may have more columns, the file among them.
  const row = { id, name, revision, summary, listed, createdAt, updatedAt, deletedAt };
  const fly = listedFly(row);
  return { row, fly, json: JSON.stringify(fly) };
}
